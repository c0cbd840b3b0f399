import type { ChartFault } from '../chart/index.js';
import type { Fact } from '../fault/index.js';
import type { Shape } from '../left-hand/index.js';
import { type Command, inOrder, putShape, setChart, setScript, setTempo } from '../piece/index.js';
import type { ScriptFault } from '../script/index.js';
import type { Ticks } from '../time/index.js';

/** What can stand against a piece, from what can't be read or held to what only sounds otherwise than it is called. */
export const CONFLICTS = [
  'script unread',
  'chart unread',
  'out of reach',
  'change late',
  'finger late',
  'finger away',
  'held over',
  'string muted',
  'tone unheard',
  'name not borne out',
] as const;
export type ConflictCode = (typeof CONFLICTS)[number];

export interface Conflict extends Fact<ConflictCode> {
  readonly section: string;
  /** Where it is first met, from the section's beginning; 0 of what is about the whole of it. */
  readonly at: Ticks;
  /** Counted from 0. */
  readonly bar: number;
  /** The count, as players say it. */
  readonly label: string;
  /** The fault of a text. */
  readonly fault?: ScriptFault | ChartFault;
  /** What would end it, each tried out: it is gone when one is taken. */
  readonly remedies: readonly Remedy[];
}
export type RemedyCode = 'push' | 'let go' | 'slower' | 'other shape' | 'as it would work';
export interface Remedy extends Fact<RemedyCode> {
  readonly change: SectionChange;
}
/** What a remedy makes of a section, or of a shape that its chart calls. */
export interface SectionChange {
  readonly script?: string;
  readonly chart?: string;
  readonly bpm?: number;
  readonly shape?: Shape;
}

/** A remedy as a command. */
export const remedyCommand = (section: string, { change }: Pick<Remedy, 'change'>): Command =>
  inOrder(
    ...(change.shape ? [putShape(change.shape)] : []),
    ...(change.script === undefined ? [] : [setScript(section, change.script)]),
    ...(change.chart === undefined ? [] : [setChart(section, change.chart)]),
    ...(change.bpm === undefined ? [] : [setTempo(section, change.bpm)]),
  );
