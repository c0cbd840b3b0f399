import { millimetres, type Millimetres } from '../time/index.js';
import type { Shape } from './shape.js';

/** Distance between neighbouring strings over the fingerboard, a mean of nut and bridge. */
export const STRING_SPACING = millimetres(9);

/** Wire n lies at L·(1 − 2^(−n/12)) from the nut: equal temperament. */
export const wireAt = (fret: number, scaleLength: Millimetres): Millimetres =>
  millimetres(scaleLength * (1 - 2 ** (-fret / 12)));

/** A finger touches just behind its wire: a quarter of the fret's width back. Fret counts from the capo. */
export function touchAt(fret: number, capo: number, scaleLength: Millimetres): Millimetres {
  const wire = wireAt(fret + capo, scaleLength);
  return millimetres(wire - (wire - wireAt(fret + capo - 1, scaleLength)) / 4);
}

/** Widest distance between two touch points of a shape, string spacing included; 0 when fewer than two are stopped. */
export function shapeSpan(shape: Pick<Shape, 'frets'>, capo: number, scaleLength: Millimetres): Millimetres {
  const points = shape.frets.flatMap((f, i) =>
    f === null || f === 0 ? [] : [{ x: touchAt(f, capo, scaleLength), y: i * STRING_SPACING }],
  );
  let widest = 0;
  for (const a of points) for (const b of points) widest = Math.max(widest, Math.hypot(a.x - b.x, a.y - b.y));
  return millimetres(widest);
}
