import type { Finger } from '../stroke/index.js';
import type { LeftHand } from './left-hand-measures.js';
import type { HandProfile } from './profile.js';

/** Share of a return that a stroke the opposite way needs: the finger is on its way there already. */
export const OPPOSITE_SHARE = 0.5;

/**
 * What a right-hand finger needs from one stroke to its next.
 * @param opposite the next stroke goes the other way
 * @returns milliseconds
 * @example returnTime(DEFAULT_PROFILE, 'i', false) // 170
 */
export const returnTime = (profile: Pick<HandProfile, 'returnMs'>, finger: Finger, opposite: boolean): number =>
  profile.returnMs[finger] * (opposite ? OPPOSITE_SHARE : 1);

/** A plectrum's whole return where none was measured: a wrist is quicker than a finger. */
export const USUAL_PLECTRUM_MS = 140;
/**
 * What a plectrum needs from one stroke to the next.
 * @param onItsWay the next stroke goes the other way, or falls through the string on which a rest stroke has landed
 * @returns milliseconds
 * @example plectrumTime({ plectrumMs: 160 }, true) // 80
 */
export const plectrumTime = (profile: { readonly plectrumMs?: number }, onItsWay: boolean): number =>
  (profile.plectrumMs ?? USUAL_PLECTRUM_MS) * (onItsWay ? OPPOSITE_SHARE : 1);

/**
 * What a move pays that comes late: nothing when there is time enough, else in proportion to what is missing.
 * @param weight points for a move that has half of its time
 * @param neededMs milliseconds, as `thereMs`
 * @returns whole points
 * @example latePoints(100, 300, 150) // 100
 */
export const latePoints = (weight: number, neededMs: number, thereMs: number): number =>
  thereMs >= neededMs ? 0 : Math.round(weight * (neededMs / Math.max(1, thereMs) - 1));

/**
 * Pointing law: the time of a left-hand move grows with the logarithm of its distance over the width of its aim.
 * @param mm distance; a finger that does not move takes no time
 * @param targetMm width of the fret that is aimed at
 * @returns milliseconds
 * @example moveMs(0, 30, leftHandOf(DEFAULT_PROFILE)) // 0
 */
export function moveMs(mm: number, targetMm: number, { move }: Pick<LeftHand, 'move'>): number {
  return mm <= 0 ? 0 : move.start + move.perBit * Math.max(0, Math.log2((2 * mm) / Math.max(1, targetMm)));
}
