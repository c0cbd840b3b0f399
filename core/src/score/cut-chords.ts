import { wrap } from '../time/index.js';
import type { Score } from './model.js';

/** Whether what begins at a place begins while a pass of a figure goes on. */
export const cutsFigure = (at: number, figure: number, first: number): boolean => wrap(at - first, figure) !== 0;

/**
 * Where the harmony cuts the figure: chords that begin while a pass of a pattern that comes again is going on. What is
 * composed from end to end is cut by nothing.
 * @param flat the pattern's length in ticks
 * @param start where in the pattern the first turn begins
 * @returns the beginnings of these chords, in ticks from the score's
 */
export function cutChords({ chords, length }: Pick<Score, 'chords' | 'length'>, flat: number, start = 0): Set<number> {
  if (flat === 0 || length <= flat) return new Set();
  const first = wrap(start, flat);
  return new Set(chords.filter((c) => c.at > 0 && cutsFigure(c.at, flat, first)).map((c) => c.at));
}
