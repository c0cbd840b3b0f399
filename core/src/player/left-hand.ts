import { millimetres, millis } from '../time/index.js';
import { FINGER_PAIRS, type FingerPair, type LeftHand, type Reach } from './left-hand-measures.js';
import type { HandProfile } from './profile.js';

/** Share of the span from finger 1 to 4 that each pair has: across the strings fingers open as far as along them. */
const SHARE: Readonly<Record<FingerPair, number>> = {
  '12': 0.5,
  '23': 0.42,
  '34': 0.42,
  '13': 0.72,
  '24': 0.68,
  '14': 1,
};
/** Beyond ease a stretch costs; a quarter more is the end. */
export const LIMIT_OVER_EASE = 1.25;
/** Fingers that press on one fret side by side need this much in any case. */
const LEAST_EASE = 30;

/**
 * The reach that goes with an easy span from finger 1 to finger 4.
 * @example reachOf(110)['14'].ease // 110
 */
export function reachOf(span: number): Record<FingerPair, Reach> {
  const pairs = FINGER_PAIRS.map((pair) => {
    const ease = Math.max(LEAST_EASE, Math.round(span * SHARE[pair]));
    return [pair, { ease: millimetres(ease), limit: millimetres(Math.round(ease * LIMIT_OVER_EASE)) }] as const;
  });
  return Object.fromEntries(pairs) as Record<FingerPair, Reach>;
}

/**
 * A player's left hand; what was not measured follows from the span.
 * @example leftHandOf(DEFAULT_PROFILE).thumbOver // false
 */
export const leftHandOf = (profile: HandProfile): LeftHand => ({
  reach: profile.left?.reach ?? reachOf(profile.span),
  barre: profile.left?.barre ?? millis(8_000),
  thumbOver: profile.left?.thumbOver ?? false,
  move: profile.left?.move ?? { start: millis(50), perBit: millis(60) },
});
/** @example pairOf(4, 1) // '14' */
export const pairOf = (a: number, b: number): FingerPair => `${Math.min(a, b)}${Math.max(a, b)}` as FingerPair;
