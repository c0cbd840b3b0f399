import { ticks, type Ticks, TICKS_PER_COUNT } from '../time/index.js';
import type { AccentCycle, CountNote, Family } from './model.js';

export interface CycleSketch {
  readonly id: string;
  readonly name: string;
  readonly family: Family;
  readonly counts: number;
  /** Defaults to 1…counts. */
  readonly labels?: readonly string[];
  /** [position in counts, weight], e.g. [1.5, 0.8] = the second count's second half. */
  readonly accents: readonly (readonly [number, number])[];
  /** Lengths in counts. */
  readonly groups: readonly number[];
  /** Counts of each bar, where a turn has more than one. */
  readonly bars?: readonly number[];
  /** Places in counts that are left open. */
  readonly wishedSilent?: readonly number[];
  readonly countNote: CountNote;
  readonly tempo: readonly [low: number, usual: number, high: number];
  readonly school?: string;
  readonly note?: string;
}

/**
 * Position in counts (halves, quarters, thirds …) → ticks; the fraction must be one that 5040 divides.
 * @example countTicks(1.5) // 7560
 */
export const countTicks = (counts: number): Ticks => ticks(Math.round(counts * TICKS_PER_COUNT));

/**
 * Labels 1…n, or starting at another number and running on round: (12, 12) → 12 1 2 … 11.
 * @example countLabels(4, 4) // ['4', '1', '2', '3']
 */
export const countLabels = (counts: number, first = 1): string[] =>
  Array.from({ length: counts }, (_, i) => String(((first - 1 + i) % counts) + 1));

/** Writes a cycle given in counts as a cycle in ticks. */
export function makeCycle(s: CycleSketch): AccentCycle {
  const [low, usual, high] = s.tempo;
  return {
    id: s.id,
    name: s.name,
    family: s.family,
    counts: s.counts,
    labels: s.labels ?? countLabels(s.counts),
    accents: s.accents.map(([at, weight]) => ({ at: countTicks(at), weight })),
    groups: s.groups.map(countTicks),
    countNote: s.countNote,
    tempo: { low, usual, high },
    ...(s.bars === undefined ? {} : { bars: s.bars.map(countTicks) }),
    ...(s.wishedSilent === undefined ? {} : { wishedSilent: s.wishedSilent.map(countTicks) }),
    ...(s.school === undefined ? {} : { school: s.school }),
    ...(s.note === undefined ? {} : { note: s.note }),
  };
}
