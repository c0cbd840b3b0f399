import type { CompCell } from '../../catalogue/index.js';
import type { ChartFault } from '../../chart/index.js';
import type { AccentCycle } from '../../cycle/index.js';
import type { Fact } from '../../fault/index.js';
import type { Neck, Tuning } from '../../instrument/index.js';
import type { HandProfile } from '../../player/index.js';
import type { CostSplit } from '../../search/index.js';
import type { Bpm, StringNumber, Ticks } from '../../time/index.js';
import type { Approach, BassHabit, BassRefusal, PlayedBass } from '../bass-line/index.js';
import type { RowRefusal } from '../shape-row/index.js';
import type { FrettedShape, VoicingRefusal } from '../voicings/index.js';

/** Cells by letter in an order, bars by spaces: `AB BA`. */
export interface CellFigure {
  readonly cells: readonly CompCell[];
  readonly order: string;
  /** How long a beat of a cell is. */
  readonly beat: Ticks;
}
/** Or a line of thumb and fingers: `p:b - ima:t - | …`; only who plays is taken from it. */
export interface LineFigure {
  readonly script: string;
  readonly stepsPerCount: number;
}
export type CompFigure = CellFigure | LineFigure;
/**
 * What becomes of a chord that would ring over a change: it takes the coming chord early, or ends at the change; at every
 * change, at those that are named by the chord they lead to (counted from 0), or whichever is easier for all of them.
 */
export type Pushes = 'none' | 'every' | 'either' | readonly number[];
export type BassLength = 'held' | 'short' | 'ringing';

export interface CompRequest {
  readonly cycle: AccentCycle;
  readonly chart: string;
  readonly figure: CompFigure;
  /** Bar of the figure with which the chart begins, counted from 0. */
  readonly firstBar?: number;
  readonly habit: BassHabit;
  readonly approach?: Approach;
  readonly bassLength?: BassLength;
  /** The basses under the side of the palm. */
  readonly muted?: boolean;
  readonly pushes: Pushes;
  /** Strings of the fingers under a chord, by its name, thickest first; else the chord's own treble set. */
  readonly strings?: Readonly<Record<string, readonly StringNumber[]>>;
  /** Shapes that are held already, by the names that the chart calls them with. */
  readonly given?: Readonly<Record<string, FrettedShape & { readonly chord?: string }>>;
  readonly tuning: Tuning;
  /** Scale, spacing and capo. */
  readonly neck: Neck;
  readonly profile: HandProfile;
  readonly tempo: Bpm;
  readonly k?: number;
}
export const COMP_TERMS = ['shapes', 'changes', 'late', 'unsounded', 'unheard', 'bass', 'ties'] as const;
export type CompTerm = (typeof COMP_TERMS)[number];
/** What is chosen: a shape for every name of the chart, in the order in which they first come, and who is pushed. */
export interface CompChoice {
  readonly shapes: readonly FrettedShape[];
  readonly pushes: PushPlan;
}
/** For every chord as it is laid out, in their order: whether what is tied into it belongs to it already. */
export type PushPlan = readonly boolean[];
export interface CompAnswer extends CompChoice {
  /** Names of the chart, in the shapes' order. */
  readonly names: readonly string[];
  /** One for each stroke of the thumb. */
  readonly bass: readonly PlayedBass[];
  readonly total: number;
  readonly cost: CostSplit<CompTerm>;
}
export type CompRefusal =
  | 'no chart'
  | 'chart has faults'
  | 'no figure'
  | 'figure too long'
  | 'no such cell'
  | 'figure bar not full'
  | 'figure line faulty'
  | 'no stroke of comping'
  | 'comes round too late'
  | 'too many names'
  | BassRefusal
  | RowRefusal
  | VoicingRefusal;
export type CompResult =
  | { readonly answers: readonly CompAnswer[]; readonly infeasible?: undefined }
  | { readonly infeasible: readonly Fact<CompRefusal>[]; readonly chart?: readonly ChartFault[] };

/** Bars of a figure, and of all that is written out. */
export const LONGEST_FIGURE = 4;
export const MOST_COMP_BARS = 128;
/** Different chords of a chart for which shapes are weighed against each other. */
export const MOST_NAMES = 24;
