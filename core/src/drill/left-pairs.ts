import type { Pattern } from '../script/index.js';
import { type Finger, numberedStrings, type Step } from '../stroke/index.js';
import { patternOf, strokesOf } from './steps.js';

const LAST_FRET_BELOW = 4;
const PAIRS_UP = [
  [1, 2],
  [2, 3],
  [3, 4],
] as const;
/** Each pair of left fingers twice, up through all of them and back, on the string the pattern begins on, in fifth position. */
export function leftPairs(pattern: Pattern, right: string, slurs: boolean): Pattern {
  const [first] = strokesOf(pattern);
  const string = (first ? numberedStrings(first)?.[0] : undefined) ?? 3;
  const [a, b] = [...right] as [Finger, Finger];
  const pluck = (finger: Finger, left: 1 | 2 | 3 | 4): Step => ({
    kind: 'stroke',
    fingers: [finger],
    dir: null,
    strings: [string],
    stops: [{ fret: LAST_FRET_BELOW + left, finger: left }],
    marks: [],
  });
  let n = 0;
  const steps = [...PAIRS_UP, ...[...PAIRS_UP].reverse()].flatMap(([low, high]) =>
    [0, 1].flatMap((): Step[] => [
      pluck(n++ % 2 ? b : a, low),
      slurs
        ? { kind: 'ligado', string, stop: { fret: LAST_FRET_BELOW + high, finger: high }, marks: [] }
        : pluck(n++ % 2 ? b : a, high),
    ]),
  );
  return patternOf(pattern, steps);
}
