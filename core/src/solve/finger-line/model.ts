import type { Fact } from '../../fault/index.js';
import type { PassageNote } from '../../passage/index.js';
import type { HandProfile } from '../../player/index.js';
import type { FoundPath } from '../../search/index.js';
import type { Finger } from '../../stroke/index.js';
import type { Bpm, Ticks } from '../../time/index.js';
import type { LineSchool } from './schools.js';

/** A note, or notes struck together, as the right hand comes to it. */
export interface LineNote extends PassageNote {
  /** 0…1 */
  readonly accent?: number;
}
export interface LineRequest {
  readonly notes: readonly LineNote[];
  readonly bpm: Bpm;
  readonly profile: HandProfile;
  readonly school: LineSchool;
  /** 'rest' strokes land on the next string, 'free' ones pass over it. */
  readonly stroke: 'rest' | 'free';
  /** Lengths of the bars, round and round: an order may begin afresh in each. */
  readonly bars?: readonly Ticks[];
  /** Length after which the line begins again; then the seam is paid for. */
  readonly loop?: Ticks;
  /** Answers wanted, best first; default 5. */
  readonly k?: number;
}
export const LINE_TERMS = [
  'repeat',
  'late',
  'crossing',
  'skip',
  'home',
  'weak',
  'order',
  'rest',
  'pair',
  'taught',
  'seam',
] as const;
export type LineTerm = (typeof LINE_TERMS)[number];
/** One step a note: its fingers from the thickest string on. */
export type LineAnswer = FoundPath<readonly Finger[], LineTerm>;
/** Why a line can't be fingered. */
export type LineRefusal =
  | 'no notes'
  | 'too many notes'
  | 'note without string'
  | 'no such string'
  | 'string struck twice'
  | 'notes out of order'
  | 'pins don’t match strings'
  | 'longer than its loop'
  | 'no fingers for the chord'
  | 'no finger of the school'
  | 'pinned against the school'
  | 'no way through the pins'
  | 'school takes single notes'
  | 'pins against the order';
export type LineResult =
  | { readonly answers: readonly LineAnswer[]; readonly looked: number; readonly infeasible?: undefined }
  | { readonly infeasible: readonly Fact<LineRefusal>[] };
/** Longer lines are refused in words. */
export const LONGEST_LINE = 20_000;
/** A step of a typed line. */
export type LineStep =
  | {
      readonly kind: 'note';
      readonly note: LineNote;
      readonly accent: boolean;
      /** Its place in the text, when it was typed. */
      readonly range?: { readonly from: number; readonly to: number };
    }
  | { readonly kind: 'rest' }
  | { readonly kind: 'hold' };
