import type { HandProfile } from '../hand/index.js';
import { millimetres, type Millimetres } from '../time/index.js';

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

export const makeNeck = (scaleLength: Millimetres, capo = 0): Neck => ({
  scaleLength,
  nutSpacing: NUT_SPACING,
  bridgeSpacing: BRIDGE_SPACING,
  capo,
});
/** The player's neck with a capo on; strings lie as on a nylon-string neck where they were not measured. */
export const neckOf = (
  { scaleLength, nutSpacing = NUT_SPACING, bridgeSpacing = BRIDGE_SPACING }: HandProfile,
  capo = 0,
): Neck => ({ scaleLength, nutSpacing, bridgeSpacing, capo });
