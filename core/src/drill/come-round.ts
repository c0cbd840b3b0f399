import type { Finger } from '../stroke/index.js';
import { lcm } from '../time/index.js';

export interface ComeRound {
  /** Notes until finger order and grouping begin together again. */
  readonly notes: number;
  /** Whole finger orders and whole groups in that. */
  readonly fingerPasses: number;
  readonly groups: number;
  /** The finger that begins each group, in turn. */
  readonly starts: readonly Finger[];
}
/**
 * Where a finger order comes round against groups of notes: notes on each string, or notes to an accent.
 * A four-finger order under three-note groups comes round after 12 notes.
 * @example comeRound(['p', 'i', 'm', 'a'], 3).notes // 12
 */
export function comeRound(fingerCycle: readonly Finger[], groupSize: number): ComeRound {
  const n = fingerCycle.length;
  if (n === 0 || !Number.isInteger(groupSize) || groupSize < 1)
    return { notes: 0, fingerPasses: 0, groups: 0, starts: [] };
  const notes = lcm(n, groupSize);
  return {
    notes,
    fingerPasses: notes / n,
    groups: notes / groupSize,
    starts: Array.from({ length: notes / groupSize }, (_, g) => fingerCycle[(g * groupSize) % n] as Finger),
  };
}
