import type { Millimetres, Millis } from '../time/index.js';

/** Two fingers of the left hand, the lower first. */
export const FINGER_PAIRS = ['12', '23', '34', '13', '24', '14'] as const;
export type FingerPair = (typeof FINGER_PAIRS)[number];
export interface Reach {
  /** Distance between touch points that costs nothing. */
  readonly ease: Millimetres;
  /** Further than this the hand does not go. */
  readonly limit: Millimetres;
}
export interface LeftHand {
  readonly reach: Readonly<Record<FingerPair, Reach>>;
  /** How long a barre over six strings can be held. */
  readonly barre: Millis;
  /** Takes the sixth string with the thumb over the neck. */
  readonly thumbOver: boolean;
  /** A finger's move takes `start` + `perBit`·log2(2·distance ÷ fret width). */
  readonly move: { readonly start: Millis; readonly perBit: Millis };
}
