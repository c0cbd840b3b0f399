import { millis, type Millis } from '../time/index.js';

/** Taps asked of one finger. */
export const TAPS_ALONE = 14;
/** Pairs of taps asked of two fingers, one right after the other. */
export const TAPPED_PAIRS = 8;
/** Gaps at the beginning in which a finger finds its way. */
const FINDING = 2;
/** A gap that differs by more than this share is uneven; so many of them may be. */
const UNEVEN = 0.3;
const UNEVEN_ALLOWED = 0.25;
/** A breath between two pairs lasts so many times the gap within one. */
const BREATH = 1.8;
const BOUNDS = { least: 20, most: 2_000 };

/** What taps come to, or why they say nothing. */
export type Tapped = { readonly ms: Millis } | { readonly why: 'too few' | 'uneven' | 'no breath' };

const median = (list: readonly number[]): number => {
  const sorted = [...list].sort((a, b) => a - b);
  const middle = sorted.length >> 1;
  return sorted.length % 2 ? (sorted[middle] ?? 0) : ((sorted[middle - 1] ?? 0) + (sorted[middle] ?? 0)) / 2;
};
const gapsOf = (taps: readonly number[]): number[] => taps.slice(1).map((t, i) => t - (taps[i] ?? 0));
function evenGap(gaps: readonly number[]): Tapped {
  const usual = median(gaps);
  const off = gaps.filter((g) => Math.abs(g - usual) > UNEVEN * usual).length;
  if (off > UNEVEN_ALLOWED * gaps.length) return { why: 'uneven' };
  return { ms: millis(Math.round(Math.min(BOUNDS.most, Math.max(BOUNDS.least, usual)))) };
}
/**
 * The time from one stroke of a finger to its next, from taps of it alone, as fast as they stay even: their usual gap.
 * @param taps times in milliseconds, oldest first
 * @example tappedReturn(Array.from({ length: 14 }, (_, n) => n * 180)).ms // 180
 */
export const tappedReturn = (taps: readonly number[]): Tapped =>
  taps.length < TAPS_ALONE ? { why: 'too few' } : evenGap(gapsOf(taps).slice(FINDING));
/**
 * The time from one finger to another, from pairs of taps with a breath between the pairs: the usual gap within a pair.
 * @param taps times in milliseconds, oldest first
 * @example tappedJoint(Array.from({ length: 16 }, (_, n) => 400 * (n >> 1) + 55 * (n % 2))).ms // 55
 */
export function tappedJoint(taps: readonly number[]): Tapped {
  if (taps.length < 2 * TAPPED_PAIRS) return { why: 'too few' };
  const gaps = gapsOf(taps);
  const within = gaps.filter((_, n) => n % 2 === 0);
  const between = gaps.filter((_, n) => n % 2 === 1);
  return Math.min(...between) < BREATH * median(within) ? { why: 'no breath' } : evenGap(within);
}
