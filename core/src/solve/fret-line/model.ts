import type { Fact } from '../../fault/index.js';
import type { Neck, Tuning } from '../../instrument/index.js';
import type { LeftFinger } from '../../left-hand/index.js';
import type { HandProfile } from '../../player/index.js';
import type { FoundPath } from '../../search/index.js';
import type { Bpm, FretFromCapo, StringNumber, Ticks } from '../../time/index.js';
import type { FrettedShape, VoicingRefusal } from '../voicings/index.js';
import type { FretSchool } from './weights.js';

/** A note of a line, its place on the neck open to choice where it is not given. */
export interface FretNote {
  readonly midi: number;
  readonly string?: StringNumber;
  /** Pinned by the player; 0 asks for the open string. */
  readonly finger?: LeftFinger;
  /** Goes on sounding so long, in ticks; its finger stays. Without it, until the next event. */
  readonly rings?: Ticks;
}
/** Notes that begin together, or a chord. */
export interface FretEvent {
  readonly at: Ticks;
  readonly notes: readonly FretNote[];
  /** Instead of notes: held as one of these; fingers that are not given are solved. */
  readonly shapes?: readonly FrettedShape[];
  /** Instead of notes: a chord symbol, held as one of its `SHAPES_FOR_CHORD` cheapest shapes. */
  readonly chord?: string;
  /** A chord goes on sounding so long, in ticks: its bass whatever comes, its other strings until they are struck. */
  readonly rings?: Ticks;
}
/** Shapes weighed for a chord symbol among single notes. */
export const SHAPES_FOR_CHORD = 8;
export interface FretLineRequest {
  readonly events: readonly FretEvent[];
  readonly tuning: Tuning;
  readonly neck: Neck;
  readonly bpm: Bpm;
  readonly profile: HandProfile;
  readonly school: FretSchool;
  /** From the capo on; default 12. */
  readonly highestFret?: number;
  readonly k?: number;
  /**
   * So many ways of each event are weighed, the cheapest by themselves: for a line that wants an answer soon rather than
   * the best. Default: all of them, and the best answer.
   */
  readonly mostWays?: number;
}
/** Where one note is played. */
export interface Placed {
  readonly string: StringNumber;
  readonly fret: FretFromCapo;
  readonly finger: LeftFinger;
}
export const FRET_TERMS = [
  'stretch',
  'squeeze',
  'barre',
  'weak',
  'open',
  'height',
  'shift',
  'late',
  'jump',
  'cut',
  'hinge',
  'sound',
  'pedal',
] as const;
export type FretTerm = (typeof FRET_TERMS)[number];
/** One step an event: its notes in the order given; of a chord its sounding strings from the thickest on. */
export type FretAnswer = FoundPath<readonly Placed[], FretTerm>;
/** Why a line can't be fretted, or a fretting is no answer to it. */
export type FretRefusal =
  | 'no notes'
  | 'too many events'
  | 'highest fret'
  | 'events out of order'
  | 'event without note'
  | 'chord and something else'
  | 'more notes than strings'
  | 'two notes on one string'
  | 'event can’t be played'
  | 'shape can’t be held'
  | 'note out of reach'
  | 'notes can’t be held together'
  | 'no end to the ringing'
  | 'none of its shapes'
  | 'another pitch'
  | 'another string'
  | 'another finger'
  | 'too high'
  | 'can’t be held with what rings';
export type FretLineResult =
  | { readonly answers: readonly FretAnswer[]; readonly looked: number; readonly infeasible?: undefined }
  | { readonly infeasible: readonly Fact<FretRefusal | VoicingRefusal>[] };
export const LONGEST_FRET_LINE = 5_000;
