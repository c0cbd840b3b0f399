import type { Passage, KindStretch } from './model.js';
import { readPassage } from './read-passage.js';

/**
 * Stretches of one kind of playing, in their order.
 * @example
 * const notes = [5, 1, 1, 1, 4, 1, 1, 1].map((s, n) => ({ at: ticks(n * 1260), strings: [s as StringNumber] }));
 * kindsOf({ notes, bpm: bpm(60), profile: DEFAULT_PROFILE }).map((s) => s.kind) // ['tremolo']
 */
export const kindsOf = (passage: Passage): readonly KindStretch[] => readPassage(passage).stretches;
