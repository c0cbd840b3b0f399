import { apart, type Neck, touchPoint } from '../instrument/index.js';
import { millimetres, type Millimetres, STRINGS } from '../time/index.js';
import type { Shape } from './shape.js';

/**
 * Widest distance between two touch points of a shape, string spacing included; 0 when fewer than two are stopped.
 * @example shapeSpan({ frets: [null, null, 0, 0, 0, 3] }, makeNeck(650)) // 0
 */
export function shapeSpan(shape: Pick<Shape, 'frets'>, neck: Neck): Millimetres {
  const points = shape.frets.flatMap((f, i) => (f === null || f === 0 ? [] : [touchPoint(STRINGS[i] ?? 1, f, neck)]));
  let widest = 0;
  for (const a of points) for (const b of points) widest = Math.max(widest, apart(a, b));
  return millimetres(widest);
}
