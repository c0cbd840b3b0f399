import type { Ticks } from '../time/index.js';

export type Family = 'flamenco' | 'tango' | 'bossa nova' | 'plain';
export const FAMILIES: readonly Family[] = ['flamenco', 'tango', 'bossa nova', 'plain'];
export type CountNote = 'half' | 'quarter' | 'eighth';
export const COUNT_NOTES: readonly CountNote[] = ['half', 'quarter', 'eighth'];

/** Where the cycle asks for weight: a position inside one turn, between counts too. */
export interface Accent {
  readonly at: Ticks;
  /** 0 = none, 1 = the heaviest of the cycle. */
  readonly weight: number;
}

/** One turn of a rhythmic accent cycle (compás). */
export interface AccentCycle {
  readonly id: string;
  readonly name: string;
  readonly family: Family;
  /** 1–64. */
  readonly counts: number;
  /** What is counted aloud, one for each count. */
  readonly labels: readonly string[];
  readonly accents: readonly Accent[];
  /** Places that are wished silent, or as light as can be: they are left open for others. */
  readonly wishedSilent?: readonly Ticks[];
  /** Lengths that add up to the whole turn; seams are drawn between them. */
  readonly groups: readonly Ticks[];
  /** Lengths of the bars of one turn, for charts and bar numbers; default one bar a turn. */
  readonly bars?: readonly Ticks[];
  readonly countNote: CountNote;
  readonly tempo: { readonly low: number; readonly usual: number; readonly high: number };
  /** The variant's name where schools differ. */
  readonly school?: string;
  /** One line on how schools differ or how it is felt. */
  readonly note?: string;
}
