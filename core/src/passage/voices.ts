import type { Passage, PassageVoice } from './model.js';
import { readPassage } from './read-passage.js';

/**
 * What every note of a passage is, string by string from the thickest on: bass, melody, inner or pedal.
 * @example voicesOf({ notes: readLine('5321', 2).notes, bpm: bpm(100), profile: DEFAULT_PROFILE }).flat() // ['bass', 'inner', 'inner', 'inner']
 */
export const voicesOf = (passage: Passage): readonly (readonly PassageVoice[])[] => readPassage(passage).voices;
