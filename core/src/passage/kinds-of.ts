import type { Passage, KindStretch } from './model.js';
import { readPassage } from './read-passage.js';

/**
 * Stretches of one kind of playing, in their order.
 * @example kindsOf({ notes: readLine('5111 4111', 4).notes, bpm: bpm(60), profile: DEFAULT_PROFILE }).map((s) => s.kind) // ['tremolo']
 */
export const kindsOf = (passage: Passage): readonly KindStretch[] => readPassage(passage).stretches;
