import { fingeringFaults, type FingeringHand, fingerShape } from './fingering.js';
import type { Shape } from './shape.js';

/**
 * Why this hand can't hold a shape, in a sentence; null when it can. Fingers that are not named may be any.
 * @example reachFault(OPEN_SHAPE, handOn(makeNeck(650), DEFAULT_PROFILE)) // null
 */
export function reachFault({ frets, fingers }: Pick<Shape, 'frets' | 'fingers'>, hand: FingeringHand): string | null {
  const named = frets.every((f, i) => !f || (fingers[i] ?? null) !== null);
  if (named) return fingeringFaults(frets, fingers, hand)[0] ?? null;
  return fingerShape(frets, hand, 1).length ? null : 'No fingers of this hand hold it.';
}
