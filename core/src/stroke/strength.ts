import { markRow } from './marks.js';
import type { Finger, Motion, PlectrumWay } from './model.js';

/**
 * How much weight a stroke gives an accent, 0…1. House figures, ordered as teachers order the
 * fingers (docs/decisions.md): index and thumb carry, the little finger does not.
 */
const FLICK: Record<Finger, number> = { p: 0.95, i: 1, m: 0.85, a: 0.7, e: 0.5 };
const RETURN: Record<Finger, number> = { p: 0.8, i: 0.7, m: 0.55, a: 0.45, e: 0.3 };
const PLUCK: Record<Finger, number> = { p: 0.95, i: 0.8, m: 0.85, a: 0.55, e: 0.4 };
const PLECTRUM: Record<PlectrumWay, number> = { d: 1, u: 0.7, w: 0.95 };
/** The left hand alone carries little. */
const LIGADO = 0.35;
const TOGETHER = 0.15;
const GOLPE_ALONE = 0.7;
const SLAP = 0.75;
const DEAD = 0.3;

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
    if (m.plectrum) s = PLECTRUM[m.plectrum];
    // Of a finger that is still to be worked out the weight of the middle one is expected.
    else s = Math.max(...(m.fingers.length ? m.fingers : (['m'] as const)).map((f) => table[f]));
    s += TOGETHER * Math.max(0, m.fingers.length - 1);
  }
  if (m.kind === 'ligado') s = LIGADO;
  for (const mark of m.marks) s += markRow(mark).weight;
  // However hard the hand beats, strings under the left hand's fingers carry nothing.
  if (m.marks.includes('x')) s = Math.min(s, DEAD);
  return Math.round(Math.min(1, Math.max(0, s)) * 1000) / 1000;
}
