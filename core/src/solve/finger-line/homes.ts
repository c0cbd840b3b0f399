import { HOME_STRING } from '../../stroke/index.js';
import type { Finger } from '../../stroke/index.js';
import type { LineNote } from './model.js';

/** From this string on a single note is a bass: the thumb's, and the end of a figure. */
const BASS = 5;

/**
 * For every note how many strings the set of the fingers lies deeper than 3 2 1: one where its figure, from bass to bass,
 * goes down to string 4 and leaves string 1 alone.
 */
export function setsInForce(notes: readonly LineNote[]): number[] {
  const sets: number[] = [];
  let [figure, fourth, first] = [0, false, false];
  const close = () => {
    const deeper = fourth && !first ? 1 : 0;
    for (; figure > 0; figure--) sets.push(deeper);
    [fourth, first] = [false, false];
  };
  for (const { strings } of notes) {
    if (strings.every((s) => s >= BASS)) close();
    figure++;
    fourth ||= strings.includes(4);
    first ||= strings.includes(1);
  }
  close();
  return sets;
}
/** How far a finger is from its home with a set in force; the thumb is at home on 6, 5 and 4. */
export const fromHome = (finger: Finger, string: number, deeper: number): number =>
  finger === 'p' ? Math.max(0, 4 - string) : Math.abs(string - HOME_STRING[finger] - deeper);
