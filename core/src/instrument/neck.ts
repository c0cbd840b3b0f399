import { millimetres, type Millimetres, type StringNumber, STRINGS } from '../time/index.js';

/** What a hand stands on. */
export interface Neck {
  /** Nut to bridge. */
  readonly scaleLength: Millimetres;
  /** Between neighbouring strings at the nut and at the bridge. */
  readonly nutSpacing: Millimetres;
  readonly bridgeSpacing: Millimetres;
  /** The capo's fret; shapes count from it. */
  readonly capo: number;
}
/** A nylon-string neck of 52 mm: 43 mm from string 6 to 1 at the nut, 58 mm at the bridge. */
export const NUT_SPACING = millimetres(8.6);
export const BRIDGE_SPACING = millimetres(11.6);

/** What can lie between two strings, in mm. */
export const LEAST_SPACING = 5;
export const MOST_SPACING = 14;

/** Wires of a nylon-string neck, counted from the nut. */
export const FRETS_ON_NECK = 19;
/**
 * The last fret that can be stopped, counted from the capo.
 * @example lastFret(12) // 7
 */
export const lastFret = (capo: number): number => FRETS_ON_NECK - capo;
/**
 * Strings that a shape would stop where there is no neck any more, thickest first; frets count from the capo.
 * @example beyondNeck([null, null, 22, 0, 1, 0], 0) // [{ string: 4, fret: 22 }]
 */
export const beyondNeck = (
  frets: readonly (number | null)[],
  capo: number,
): { readonly string: StringNumber; readonly fret: number }[] =>
  STRINGS.flatMap((string, i) => {
    const fret = frets[i] ?? 0;
    return fret > 0 && fret > lastFret(capo) ? [{ string, fret }] : [];
  });

/** @example makeNeck(650, 2).capo // 2 */
export const makeNeck = (scaleLength: Millimetres, capo = 0): Neck => ({
  scaleLength,
  nutSpacing: NUT_SPACING,
  bridgeSpacing: BRIDGE_SPACING,
  capo,
});
