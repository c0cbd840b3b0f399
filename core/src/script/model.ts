import type { Range, TextFault } from '../fault/index.js';
import type { Level, Motion, Step } from '../stroke/index.js';
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
  /** The name of the cell it was called by; its items' ranges are places in the cell's own script. */
  readonly cell?: string;
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
/** How loud it is from there on; lasts nothing. */
export interface LevelItem {
  readonly kind: 'level';
  readonly level: Level;
  readonly range: Range;
}
export type Item = StepItem | GroupItem | RepeatItem | BarItem | LevelItem;

export interface Pattern {
  readonly items: readonly Item[];
  readonly stepsPerCount: number;
}
/** A line of strokes with a name, called in a script as `<name>`. */
export interface NamedCell {
  readonly name: string;
  readonly script: string;
  readonly stepsPerCount: number;
}

/** One leaf of the pattern, repeats written out, in its place in time. */
export interface Slot {
  readonly at: Ticks;
  readonly duration: Ticks;
  readonly step: Step;
  readonly level: Level;
  readonly range: Range;
  /** It stands in a cell that is called here: its text is the cell's. */
  readonly cell?: string;
}
/** A motion with the time it lasts, holds after it included. */
export interface PatternEvent {
  readonly at: Ticks;
  readonly duration: Ticks;
  readonly motion: Motion;
  readonly level: Level;
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

/** What can be wrong with one step. */
export type StepFaultCode =
  | 'no stroke'
  | 'run together'
  | 'colon wanted'
  | 'ghost'
  | 'golpe alone'
  | 'slap marks'
  | 'ligado'
  | 'finger twice'
  | 'no mark'
  | 'marks clash'
  | 'strings wanted'
  | 'one bass string'
  | 'no place'
  | 'beyond the neck'
  | 'open needs no finger'
  | 'finger 0 is open'
  | 'thumb’s reach'
  | 'finger on two frets'
  | 'string twice'
  | 'down from 6'
  | 'up from 1'
  | 'one finger, one string'
  | 'strings for fingers'
  | 'finger order'
  | 'golpe while busy'
  | 'up stroke rests on nothing'
  | 'thumb rests on nothing'
  | 'finger rests on nothing';
/** What can be wrong with a script. */
export type ScriptFaultCode =
  | StepFaultCode
  | 'steps of a count'
  | 'too long'
  | 'too much written out'
  | 'uneven group'
  | 'bar off a seam'
  | 'nothing to close'
  | 'never closed'
  | 'too deep'
  | 'nothing between'
  | 'how often'
  | 'number wanted'
  | 'no level'
  | 'no cell'
  | 'cell with a fault'
  | 'cell’s length';
export type ScriptFault = TextFault<ScriptFaultCode>;
