import type { HandProfile } from '../hand/index.js';
import { millimetres, STRINGS, type Millimetres, type StringNumber } from '../time/index.js';

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
/** The last fret that can be stopped, counted from the capo. */
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

export const makeNeck = (scaleLength: Millimetres, capo = 0): Neck => ({
  scaleLength,
  nutSpacing: NUT_SPACING,
  bridgeSpacing: BRIDGE_SPACING,
  capo,
});
const necks = new WeakMap<HandProfile, Map<number, Neck>>();
/** The player's neck with a capo on; strings lie as on a nylon-string neck where they were not measured. */
export function neckOf(profile: HandProfile, capo = 0): Neck {
  const { scaleLength, nutSpacing = NUT_SPACING, bridgeSpacing = BRIDGE_SPACING } = profile;
  const known = necks.get(profile) ?? new Map<number, Neck>();
  necks.set(profile, known);
  // One object a capo place: what is reckoned about a neck is kept with it.
  const neck = known.get(capo) ?? { scaleLength, nutSpacing, bridgeSpacing, capo };
  known.set(capo, neck);
  return neck;
}

/** A request that names a capo on the player's own neck in place of a whole neck. */
export type Ask<R extends { readonly neck: Neck }> = Omit<R, 'neck'> & { readonly neck?: Neck; readonly capo?: number };
const settledAsks = new WeakMap<object, unknown>();
/** The request with its neck; the same one whenever it is asked again. */
export function settled<R extends { readonly neck: Neck; readonly profile: HandProfile }>(ask: Ask<R>): R {
  const { neck, capo, profile } = ask as { neck?: Neck; capo?: number; profile: HandProfile };
  if (neck) return ask as unknown as R;
  const there = settledAsks.get(ask) ?? { ...ask, neck: neckOf(profile, capo) };
  settledAsks.set(ask, there);
  return there as R;
}
