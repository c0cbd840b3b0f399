import type { Range } from '../fault/index.js';
import type { Motion, Step } from '../stroke/index.js';
import type { Ticks } from '../time/index.js';

export interface StepItem {
  readonly kind: 'step';
  readonly step: Step;
  readonly range: Range;
}
/** Items that share `steps` steps evenly. */
export interface GroupItem {
  readonly kind: 'group';
  readonly items: readonly Item[];
  readonly steps: number;
  readonly range: Range;
}
export interface RepeatItem {
  readonly kind: 'repeat';
  readonly items: readonly Item[];
  readonly times: number;
  readonly range: Range;
}
/** A `|`, which lasts nothing. */
export interface BarItem {
  readonly kind: 'bar';
  readonly range: Range;
}
export type Item = StepItem | GroupItem | RepeatItem | BarItem;

export interface Pattern {
  readonly items: readonly Item[];
  readonly stepsPerCount: number;
}

/** One leaf of the pattern, repeats written out, in its place in time. */
export interface Slot {
  readonly at: Ticks;
  readonly duration: Ticks;
  readonly step: Step;
  readonly range: Range;
}
/** A motion with the time it lasts, holds after it included. */
export interface PatternEvent {
  readonly at: Ticks;
  readonly duration: Ticks;
  readonly motion: Motion;
  /** Index of its slot. */
  readonly slot: number;
  readonly range: Range;
}
export interface FlatPattern {
  readonly slots: readonly Slot[];
  readonly events: readonly PatternEvent[];
  /** Where `|` stand. */
  readonly bars: readonly { readonly at: Ticks; readonly range: Range }[];
  readonly length: Ticks;
}
