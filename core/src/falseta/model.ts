import type { Span } from '../chart/index.js';
import type { AccentCycle } from '../cycle/index.js';
import type { TextFault } from '../fault/index.js';
import type { Shape } from '../left-hand/index.js';
import type { ScriptFaultCode } from '../script/index.js';

export type FalsetaFaultCode =
  | 'falseta too long'
  | 'no sign of a falseta'
  | 'no gesture'
  | 'no such hold'
  | 'finger not down'
  | 'letters for strings'
  | 'bar told short'
  | 'bar told long'
  | 'no bar before';
export type FalsetaFault = TextFault<FalsetaFaultCode | ScriptFaultCode>;

export interface FalsetaRequest {
  readonly cycle: AccentCycle;
  readonly stepsPerCount: number;
  /** The bar that it begins with, counted from 0. */
  readonly bar: number;
  /** Shapes that can be held by their names. */
  readonly shapes: readonly Shape[];
  /** What the chart holds so long after the beginning, in ticks, until a shape is told. */
  readonly under?: (at: number) => Pick<Shape, 'frets' | 'fingers'>;
}
/** A falseta as it is written: its bars are full. */
export interface ReadFalseta {
  readonly script: string;
  /** Whole bars, in ticks. */
  readonly length: number;
  readonly bars: number;
  /** From where on shapes are told, in ticks, and which; null where the chart's stay. */
  readonly held: { readonly from: number; readonly spans: readonly Span[] } | null;
  /** Silent steps by which the last bar was filled. */
  readonly filled: number;
  readonly faults: readonly FalsetaFault[];
}
export const LONGEST_FALSETA = 20_000;
