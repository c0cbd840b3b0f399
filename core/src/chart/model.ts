import type { Range, TextFault } from '../fault/index.js';
import type { Ticks } from '../time/index.js';

/** A chord as the chart writes it, in its place. */
export interface ChartChord {
  readonly at: Ticks;
  readonly until: Ticks;
  /** A shape of the study by its name, or a chord symbol; '' = open strings. */
  readonly name: string;
  /** Its bar, counted from 0. */
  readonly bar: number;
  /** Where it stands in the text; a chord of a repeat stands there once. */
  readonly range: Range;
}
export interface ReadChart {
  readonly chords: readonly ChartChord[];
  readonly bars: number;
  /** Length of all bars; 0 without any. */
  readonly length: Ticks;
  readonly faults: readonly ChartFault[];
}
export type ChartFaultCode =
  | 'chart too long'
  | 'too many chords'
  | 'nothing to close'
  | 'never closed'
  | 'how often'
  | 'number wanted'
  | 'too deep'
  | 'nothing between'
  | 'quotation open'
  | 'nothing before it'
  | 'counts wanted'
  | 'beyond the bar'
  | 'bar not full'
  | 'shared unevenly'
  | 'shared oddly'
  | 'frets misread'
  | 'no such chord'
  | 'two readings'
  | 'several chords';
export type ChartFault = TextFault<ChartFaultCode>;
