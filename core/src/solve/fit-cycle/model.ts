import type { Lean } from '../../catalogue/index.js';
import type { AccentCycle } from '../../cycle/index.js';
import type { Fact } from '../../fault/index.js';
import type { HandProfile } from '../../player/index.js';
import type { FoundPath, SearchWatch } from '../../search/index.js';
import type { Bpm, Ticks } from '../../time/index.js';
import type { FitWeights } from './weights.js';

/** A cell to build from: its strokes as hand script, whatever its steps last. */
export interface FitCell {
  readonly id: string;
  readonly script: string;
  /** Where its weight lies when no stroke is marked; default on its first stroke. */
  readonly lean?: Lean;
  /** How long it lasts as it is learned; it may always be played so. */
  readonly natural?: Ticks;
}
export interface FitRules {
  /** Cells that must come at least once. */
  readonly must?: readonly string[];
  /** Cells that may not come. */
  readonly never?: readonly string[];
  /** A cell that begins at a place, whatever comes around it. */
  readonly fixed?: readonly { readonly at: Ticks; readonly cell: string }[];
  /** Accents, by place, that may be met by nothing. */
  readonly silent?: readonly Ticks[];
}
export interface FitRequest {
  readonly cycle: AccentCycle;
  readonly cells: readonly FitCell[];
  /** How long a whole cell may last, in ticks; default a count, half a count and two counts. */
  readonly lengths?: readonly Ticks[];
  readonly profile: HandProfile;
  readonly bpm: Bpm;
  readonly rules?: FitRules;
  /** Strokes to a count that are wanted; default what the style has at the tempo. */
  readonly density?: number;
  readonly weights?: FitWeights;
  /** Answers wanted, best first; default 5. */
  readonly k?: number;
}
/** One cell of a chain with the length it is played over. */
export interface FitLink {
  readonly cell: string;
  readonly length: Ticks;
}
export const FIT_TERMS = [
  'silent',
  'weak',
  'lean',
  'up',
  'off',
  'late',
  'joint',
  'variety',
  'seam',
  'density',
  'natural',
  'speed',
  'thumb',
  'wished',
] as const;
export type FitTerm = (typeof FIT_TERMS)[number];
/** Why no chain can be had. */
export type FitRefusal =
  | 'no cells'
  | 'too many cells'
  | 'cell twice'
  | 'cell not chosen'
  | 'cell asked and forbidden'
  | 'fixed outside the turn'
  | 'two cells fixed on one place'
  | 'all cells forbidden'
  | 'cells longer than the turn'
  | 'cell can’t be read'
  | 'cell without strokes'
  | 'cell can’t be spread'
  | 'cells don’t fill the turn';
export type FitAnswer = FoundPath<FitLink, FitTerm>;
export type FitResult =
  | {
      readonly answers: readonly FitAnswer[];
      readonly looked: number;
      /** Cells that could not take part, and why. */
      readonly leftOut: readonly Fact<FitRefusal>[];
      readonly infeasible?: undefined;
    }
  | { readonly infeasible: readonly Fact<FitRefusal>[] };
export type FitWatch = SearchWatch;
