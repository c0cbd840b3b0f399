import { type Fact, fact } from '../fault/index.js';
import { fingeringFaults, type FingeringHand, fingerShape, type HoldRefusal } from './fingering.js';
import type { Shape } from './shape.js';

/**
 * Why this hand can't hold a shape; null when it can. Fingers that are not named may be any.
 * @example reachFault(OPEN_SHAPE, handOn(makeNeck(650), DEFAULT_PROFILE)) // null
 */
export function reachFault(
  { frets, fingers }: Pick<Shape, 'frets' | 'fingers'>,
  hand: FingeringHand,
): Fact<HoldRefusal> | null {
  const named = frets.every((f, i) => !f || (fingers[i] ?? null) !== null);
  if (named) return fingeringFaults(frets, fingers, hand)[0] ?? null;
  return fingerShape(frets, hand, 1).length ? null : fact('no fingers hold it');
}
