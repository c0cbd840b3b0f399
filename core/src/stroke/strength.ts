import { type Finger, hasMark, type Motion } from './model.js';

/**
 * How much weight a stroke gives an accent, 0…1. House figures, ordered as teachers order the
 * fingers (docs/decisions.md): index and thumb carry, the little finger does not.
 */
const FLICK: Record<Finger, number> = { p: 0.95, i: 1, m: 0.85, a: 0.7, e: 0.5 };
const RETURN: Record<Finger, number> = { p: 0.8, i: 0.7, m: 0.55, a: 0.45, e: 0.3 };
const PLUCK: Record<Finger, number> = { p: 0.95, i: 0.8, m: 0.85, a: 0.55, e: 0.4 };
const TOGETHER = 0.15;
const MARKED = 0.2;
const SOFT = -0.35;
const REST_STROKE = 0.15;
const GOLPE_ALONE = 0.7;
const SLAP = 0.75;

/** Below this an accent counts as carried by a weak stroke. */
export const WEAK_BELOW = 0.6;

/**
 * @returns 0 (no weight) … 1 (as heavy as the hand can)
 * @example strength(readStep('id').step) > strength(readStep('au').step) // true
 */
export function strength(m: Motion): number {
  if (m.kind === 'ghost') return 0;
  let s = m.kind === 'golpe' ? GOLPE_ALONE : SLAP;
  if (m.kind === 'stroke') {
    const table = m.dir === 'd' ? FLICK : m.dir === 'u' ? RETURN : PLUCK;
    s = Math.max(...m.fingers.map((f) => table[f])) + TOGETHER * (m.fingers.length - 1);
  }
  if (hasMark(m, '!')) s += MARKED;
  if (hasMark(m, ',')) s += SOFT;
  if (hasMark(m, '_')) s += REST_STROKE;
  if (hasMark(m, '*')) s += MARKED;
  return Math.round(Math.min(1, Math.max(0, s)) * 1000) / 1000;
}
