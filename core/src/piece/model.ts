import { type AccentCycle, type Family, MOST_COUNTS } from '../cycle/index.js';
import type { Tuning } from '../instrument/index.js';
import type { Shape, StoppedNote } from '../left-hand/index.js';
import { LONGEST_SCRIPT } from '../script/index.js';
import { TICKS_PER_COUNT } from '../time/index.js';
import type { Ladder } from './ladder.js';

/** Which shapes are held, one after another, changing with every turn or every group of the cycle. */
export interface Harmony {
  readonly per: 'turn' | 'group';
  /** Ids of the study's shapes; they go round. Empty = open strings. */
  readonly shapes: readonly string[];
}
export interface Section {
  readonly id: string;
  readonly name: string;
  /** The section's own copy: editing it leaves the catalogue and other studies alone. */
  readonly cycle: AccentCycle;
  /** Hand script as typed: the one truth, from which the pattern is read. */
  readonly script: string;
  readonly stepsPerCount: number;
  /** Where in the cycle the pattern begins, in ticks. */
  readonly start: number;
  readonly harmony: Harmony;
  /** Strings stopped for single strokes of the pattern, over the shape that is held. */
  readonly stopped?: readonly StoppedNote[];
  readonly bpm: number;
  readonly ladder: Ladder;
}
export interface Study {
  readonly id: string;
  readonly name: string;
  readonly family: Family;
  readonly tuning: Tuning;
  readonly capo: number;
  readonly shapes: readonly Shape[];
  /** At least one. */
  readonly sections: readonly Section[];
  readonly note: string;
}
export const MOST_SECTIONS = 32;
export const MOST_SHAPES = 64;
/** Shapes in a section's order. */
export const MOST_IN_ORDER = 256;
export const LONGEST_ID = 80;
export const LONGEST_STUDY_NOTE = 4_000;
export const HIGHEST_CAPO = 12;
/** The last tick that a pattern can be told to begin at. */
export const LATEST_START = MOST_COUNTS * TICKS_PER_COUNT;
/** Notes of single strokes lie before this tick. */
export const LATEST_STOPPED = LONGEST_SCRIPT * TICKS_PER_COUNT;
/** Bounds of an open string, as MIDI numbers. */
export const OPEN_STRING_BOUNDS = { low: 20, high: 90 } as const;
/** Bounds of a ladder's step and of the clean passes that earn a rung. */
export const LADDER_BOUNDS = { step: { low: 1, high: 100 }, passes: { low: 1, high: 50 } } as const;
