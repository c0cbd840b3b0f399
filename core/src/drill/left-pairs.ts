import type { Pattern } from '../script/index.js';
import { type Finger, numberedStrings, type Step } from '../stroke/index.js';
import type { Variant } from './model.js';
import { patternOf, strokesOf } from './steps.js';

type LeftFinger = 1 | 2 | 3 | 4;
const LAST_FRET_BELOW = 4;
const PAIRS_UP = [
  [1, 2],
  [2, 3],
  [3, 4],
] as const;
type LeftPairs = Extract<Variant, { kind: 'left pairs' }>;
/**
 * Each pair of left fingers twice, up through all of them and back, on the string the pattern begins on, in fifth
 * position. Plucked they go up and come back down; ligados are hammered upward or pulled off downward; into the beat the
 * lower note leads from before it.
 */
export function leftPairs(pattern: Pattern, { right, slurs, way }: Omit<LeftPairs, 'kind'>): Pattern {
  const [first] = strokesOf(pattern);
  const string = (first ? numberedStrings(first)?.[0] : undefined) ?? 3;
  const [a, b] = [...right] as [Finger, Finger];
  let n = 0;
  const stop = (left: LeftFinger) => ({ fret: LAST_FRET_BELOW + left, finger: left });
  const pluck = (left: LeftFinger): Step => ({
    kind: 'stroke',
    fingers: [n++ % 2 ? b : a],
    dir: null,
    strings: [string],
    stops: [stop(left)],
    marks: [],
  });
  const ligado = (left: LeftFinger): Step => ({ kind: 'ligado', string, stop: stop(left), marks: [] });
  const twice = ([one, other]: readonly [LeftFinger, LeftFinger]): Step[] =>
    [0, 1].flatMap(() => [pluck(one), slurs ? ligado(other) : pluck(other)]);
  const up = [...PAIRS_UP];
  const down = [...PAIRS_UP].reverse().map(([low, high]) => [high, low] as const);
  // Hammered every pair rises, pulled off every pair falls, plucked the way back is the other direction.
  const pairs = !slurs
    ? [...up, ...(way === 'into the beat' ? [...up].reverse() : down)]
    : way === 'pulled off'
      ? [...down, ...[...down].reverse()]
      : [...up, ...[...up].reverse()];
  const steps = pairs.flatMap(twice);
  // The last upper note comes first: every lower one is before a beat then.
  return patternOf(pattern, way === 'into the beat' ? [...steps.slice(-1), ...steps.slice(0, -1)] : steps);
}
