import { type AccentCycle, MOST_COUNTS } from '../cycle/index.js';
import type { Instrument } from '../instrument/index.js';
import type { Shape } from '../left-hand/index.js';
import type { NamedCell } from '../script/index.js';
import { TICKS_PER_COUNT } from '../time/index.js';
import type { Ladder } from './ladder.js';

export interface Section {
  readonly id: string;
  readonly name: string;
  /** The section's own copy: editing it leaves the catalogue and other studies alone. */
  readonly cycle: AccentCycle;
  /** Hand script as typed, both hands: the one truth, from which the pattern is read. */
  readonly script: string;
  readonly stepsPerCount: number;
  /** Where in the cycle the pattern begins, in ticks. */
  readonly start: number;
  /** Which chord when, as typed; '' = open strings. */
  readonly chart: string;
  /** Its length in bars; null = until script and chart come round together. */
  readonly bars: number | null;
  readonly bpm: number;
  readonly ladder: Ladder;
}
export interface Study {
  readonly id: string;
  readonly name: string;
  readonly instrument: Instrument;
  /** Charts call them by name: each name stands once. */
  readonly shapes: readonly Shape[];
  /** Scripts call them as `<name>`. */
  readonly cells: readonly NamedCell[];
  /** At least one. */
  readonly sections: readonly Section[];
  /** The order of the sections with repeats and endings; '' = every section once, in order. */
  readonly form: string;
  readonly note: string;
}
/** What of a study a section is read with. */
export type StudyPart = Pick<Study, 'instrument' | 'shapes'> & Partial<Pick<Study, 'cells'>>;
export const MOST_SECTIONS = 32;
export const MOST_SHAPES = 64;
export const MOST_NAMED_CELLS = 64;
/** Bars that a section can be told to last. */
export const MOST_BARS = 1_024;
export const LONGEST_FORM = 4_000;
export const LONGEST_ID = 80;
export const LONGEST_STUDY_NOTE = 4_000;
export const HIGHEST_CAPO = 12;
/** The last tick that a pattern can be told to begin at. */
export const LATEST_START = MOST_COUNTS * TICKS_PER_COUNT;
/** Bounds of an open string, as MIDI numbers. */
export const OPEN_STRING_BOUNDS = { low: 20, high: 90 } as const;
/** Bounds of a ladder's step and of the clean passes that earn a rung. */
export const LADDER_BOUNDS = { step: { low: 1, high: 100 }, passes: { low: 1, high: 50 } } as const;
