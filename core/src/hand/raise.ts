import { vary } from '../drill/vary.js';
import { flatten, type Pattern } from '../pattern/index.js';
import { FINGERS, fingersOf, type Finger } from '../stroke/index.js';
import type { Bpm } from '../time/index.js';
import { handLoad } from './load.js';
import type { HandProfile } from './profile.js';

/** Another finger in place of the one that sets the ceiling, and the ceiling that this gives. */
export interface Raise {
  readonly from: Finger;
  readonly to: Finger;
  readonly ceiling: number;
}
/** Less gain than this is not worth relearning a pattern for. */
const WORTH = 1.05;

/**
 * Which exchange of two fingers lets the pattern go faster: every exchange with the finger that sets the
 * ceiling is reckoned through, the best first.
 */
export function ceilingRaises(pattern: Pattern, bpm: Bpm, profile: HandProfile): Raise[] {
  const now = handLoad(flatten(pattern), bpm, profile);
  const { cause, ceiling } = now;
  if (!cause || ceiling === null) return [];
  const from = cause.kind === 'joint' ? cause.from : cause.finger;
  return FINGERS.filter((to) => to !== from)
    .flatMap((to): Raise[] => {
      const other = flatten(vary(pattern, { kind: 'pair', from, to }));
      // An exchange that puts two fingers' strokes on one, or drops a golpe, is another pattern.
      if (other.events.some((e) => new Set(fingersOf(e.motion)).size !== fingersOf(e.motion).length)) return [];
      const load = handLoad(other, bpm, profile);
      return load.ceiling !== null && load.ceiling > ceiling * WORTH ? [{ from, to, ceiling: load.ceiling }] : [];
    })
    .sort((a, b) => b.ceiling - a.ceiling);
}
