import {
  type Fret,
  type FretFromCapo,
  fromNut,
  millimetres,
  type Millimetres,
  type StringNumber,
  STRINGS,
} from '../time/index.js';
import type { Neck } from './neck.js';

const shareAt = (fret: number): number => 1 - 2 ** ((0 - fret) / 12);
/** Of the frets that there are, reckoned once: solvers ask for them over and over. */
const SHARES = Array.from({ length: 49 }, (_, fret) => shareAt(fret));
/**
 * Wire n lies at L·(1 − 2^(−n/12)) from the nut: equal temperament.
 * @example wireAt(12, 650) // 325
 */
export const wireAt = (fret: Fret, scaleLength: Millimetres): Millimetres =>
  millimetres(scaleLength * (SHARES[fret] ?? shareAt(fret)));

/**
 * Room between two wires. Fret counts from the capo.
 * @example Math.round(fretWidth(1, makeNeck(650))) // 36
 */
export const fretWidth = (fret: FretFromCapo, neck: Neck): Millimetres =>
  millimetres(
    wireAt(fromNut(fret, neck.capo), neck.scaleLength) - wireAt(fromNut(fret - 1, neck.capo), neck.scaleLength),
  );

/**
 * From capo to bridge: what sounds, and how far the frets still spread.
 * @example soundingLength(makeNeck(650, 12)) // 325
 */
export const soundingLength = (neck: Neck): Millimetres =>
  millimetres(neck.scaleLength - wireAt(fromNut(0, neck.capo), neck.scaleLength));

/**
 * A finger touches just behind its wire: a quarter of the fret's width back. Fret counts from the capo.
 * @example touchAt(12, 0, 650) < wireAt(12, 650) // true
 */
export function touchAt(fret: FretFromCapo, capo: number, scaleLength: Millimetres): Millimetres {
  const wire = wireAt(fromNut(fret, capo), scaleLength);
  return millimetres(wire - (wire - wireAt(fromNut(fret - 1, capo), scaleLength)) / 4);
}

/** A place on the neck in mm: x from the nut on, y from string 6 on, across strings that spread toward the bridge. */
export interface TouchPoint {
  readonly x: number;
  readonly y: number;
}
export function touchPoint(string: StringNumber, fret: FretFromCapo, neck: Neck): TouchPoint {
  const x = touchAt(fret, neck.capo, neck.scaleLength);
  const spacing = neck.nutSpacing + ((neck.bridgeSpacing - neck.nutSpacing) * x) / neck.scaleLength;
  // Strings lie evenly to both sides of the middle.
  return { x, y: (STRINGS.indexOf(string) - 2.5) * spacing };
}
/** @example apart({ x: 0, y: 0 }, { x: 3, y: 4 }) // 5 */
export const apart = (a: TouchPoint, b: TouchPoint): number => Math.sqrt((a.x - b.x) ** 2 + (a.y - b.y) ** 2);
