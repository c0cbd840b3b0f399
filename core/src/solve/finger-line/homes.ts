import { readPassage } from '../../passage/index.js';
import { type Finger, HOME_STRING } from '../../stroke/index.js';
import type { LineRequest } from './model.js';

/** For every note how many strings the set of the fingers lies deeper than 3 2 1. */
export const setsInForce = ({ notes, bpm, profile }: LineRequest): readonly number[] =>
  readPassage({ notes, bpm, profile }).sets;
/** How far a finger is from its home with a set in force; the thumb is at home on 6, 5 and 4. */
export const fromHome = (finger: Finger, string: number, deeper: number): number =>
  finger === 'p' ? Math.max(0, 4 - string) : Math.abs(string - HOME_STRING[finger] - deeper);
