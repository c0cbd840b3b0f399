import type { StringNumber } from '../time/index.js';
import type { Finger } from './model.js';

/** Where fingers live when nothing else is asked; the thumb lives on any of 6 5 4. */
export const HOME_STRING: Readonly<Record<Exclude<Finger, 'p'>, StringNumber>> = { i: 3, m: 2, a: 1, e: 1 };

/** Strings on which basses lie, thickest first: the thumb's when others play above them. */
export const BASS_STRINGS = [6, 5, 4] as const satisfies readonly StringNumber[];
/** The thinnest of them. */
export const THINNEST_BASS = 4 satisfies StringNumber;
/**
 * @example [3, 4].map(isBassString) // [false, true]
 */
export const isBassString = (string: number): boolean => string >= THINNEST_BASS;
