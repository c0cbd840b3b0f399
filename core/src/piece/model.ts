import type { AccentCycle, Family } from '../cycle/index.js';
import type { Shape, StoppedNote, Tuning } from '../fretting/index.js';
import type { Ladder } from '../practice/ladder.js';

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
export const HIGHEST_CAPO = 12;
