import { BRIDGE_SPACING, type Neck, NUT_SPACING } from '../instrument/index.js';
import type { HandProfile } from './profile.js';

const necks = new WeakMap<HandProfile, Map<number, Neck>>();
/**
 * The player's neck with a capo on; strings lie as on a nylon-string neck where they were not measured.
 * @example neckOf(DEFAULT_PROFILE, 3).capo // 3
 */
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
