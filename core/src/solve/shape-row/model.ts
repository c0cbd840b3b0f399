import type { Fact } from '../../fault/index.js';
import type { CostSplit } from '../../search/index.js';
import type { StringNumber } from '../../time/index.js';
import type { FrettedShape, VoicingRequest } from '../voicings/index.js';

export const ROW_TERMS = ['shapes', 'changes', 'thinning', 'unsounded', 'others'] as const;
export type RowTerm = (typeof ROW_TERMS)[number];
export interface RowRequest extends Omit<VoicingRequest, 'chord' | 'notes' | 'k'> {
  /** Chord symbols in the order they are held. */
  readonly chords: readonly string[];
  /** Shapes that are held already, by their symbols: the others are chosen to go with them. */
  readonly given?: Readonly<Record<string, FrettedShape>>;
  /** The row is played round and round: the last change leads to the first shape. */
  readonly round?: boolean;
  /** Strings that the written right hand plays under each chord, in the chords' order. */
  readonly plays?: readonly (readonly StringNumber[])[];
  readonly k?: number;
}
export interface RowAnswer {
  readonly shapes: readonly FrettedShape[];
  readonly total: number;
  readonly cost: CostSplit<RowTerm>;
}
export type RowResult =
  | { readonly answers: readonly RowAnswer[]; readonly infeasible?: undefined }
  | { readonly infeasible: readonly Fact<RowRefusal>[] };
/** Why a row has no shapes. */
export type RowRefusal = 'no chords' | 'too many chords' | 'chord without shape' | 'frets misread';
export const LONGEST_ROW = 256;

/** What a row pays beside its shapes and their changes, in points; one line of reason for each. */
export const ROW_WEIGHTS = {
  /** For each string less than under the chord before, beyond two: E to D is no thinner in the ear, E to a fragment is. */
  thinning: 6,
  /** For each string that the written right hand plays and the shape leaves silent: the stroke falls dead. */
  unsounded: 40,
  /** For a shape with fingers that nobody teaches for it, where it goes with neither neighbour: see `goesWith`. */
  others: 60,
} as const;
/** Strings that a chord may have fewer than the one before. */
export const STRINGS_FEWER = 2;
/** Best shapes weighed for each symbol; taught forms are weighed beside them. */
export const SHAPES_A_CHORD = 12;
