import type { StringNumber } from '../time/index.js';
import type { Finger } from './model.js';

/** Where fingers live when nothing else is asked; the thumb lives on any of 6 5 4. */
export const HOME_STRING: Readonly<Record<Exclude<Finger, 'p'>, StringNumber>> = { i: 3, m: 2, a: 1, e: 1 };
