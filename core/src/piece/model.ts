import { type AccentCycle, type CountNote, MOST_COUNTS } from '../cycle/index.js';
import type { Instrument } from '../instrument/index.js';
import type { Shape } from '../left-hand/index.js';
import type { NamedCell } from '../script/index.js';
import { TICKS_PER_COUNT } from '../time/index.js';
import type { Ladder } from './ladder.js';

/** Modes that music of these families is in. */
export const MODES = ['major', 'minor', 'phrygian', 'dorian', 'mixolydian'] as const;
/** A tonic's letter with its sign. */
export const TONIC = /^[A-G][#b]?$/;
/** A section's key: the letter of its tonic with its sign, and its mode. */
export interface Key {
  readonly tonic: string;
  readonly mode: (typeof MODES)[number];
}
/** How what is written is felt; none = as the cycle has it, evenly. */
export interface Feel {
  /** How a count is written, where not as the cycle has it. */
  readonly countNote?: CountNote;
  /** What the first of a pair of steps takes of both, in percent; 50 is even. */
  readonly swing: number;
  /** So many milliseconds behind the click; before it, where it is less than 0. */
  readonly leanMs: number;
  /** So many counts in one beat of the foot and the click: 2 = felt in two where there are four; default 1. */
  readonly countsABeat?: number;
}
/** Bounds of a feel. */
export const FEEL_BOUNDS = {
  swing: { low: 50, high: 80 },
  leanMs: { low: -80, high: 80 },
  countsABeat: { low: 1, high: 8 },
} as const;
/** As the cycle has it: even, on the click, a beat on every count. */
export const EVEN_FEEL: Feel = { swing: FEEL_BOUNDS.swing.low, leanMs: 0 };
/** Reminders of a study, shown while it is practised. */
export const MOST_REMINDERS = 3;
export const LONGEST_REMINDER = 200;

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
  /** Its length in bars; null = until script, chart and words come round together. */
  readonly bars: number | null;
  readonly bpm: number;
  readonly feel: Feel | null;
  readonly ladder: Ladder;
  /** Words, syllables or counts under the turns, as typed; '' = none. */
  readonly words: string;
  /** null = found from chart and notes. */
  readonly key: Key | null;
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
  /** At most three. */
  readonly reminders: readonly string[];
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
