import type { Fact } from '../fault/index.js';
import type { Shape } from '../left-hand/index.js';
import type { Finger } from '../stroke/index.js';
import type { StringNumber } from '../time/index.js';
import { type Command, inOrder, putShape, setChart, setScript, setTempo } from '../piece/index.js';

/** What each remedy tells, by its code. */
export interface RemedyFigures {
  /** The stroke takes the coming chord. */
  push: Record<never, never>;
  /** The left hand lets go at the change. */
  'let go': Record<never, never>;
  /** The harmonic is touched where the nearest node lies. */
  'to the node': { readonly string: StringNumber; readonly fret: number };
  /** Plucked flicks go through the strings, downwards. */
  'as strums': { readonly letters: readonly Finger[] };
  slower: { readonly bpm: number };
  /** Another shape for the chord, or a chord in its place; with what is lost by it, and the struck strings that change. */
  'other shape': {
    readonly name: string;
    readonly frets: string;
    readonly lost: readonly Fact[];
    readonly differs: readonly StringNumber[];
  };
  /** Another name for a chord: the one that its notes bear out. */
  'right name': { readonly name: string; readonly symbol: string };
  /** What would work in place of what can't be read; '' where it is to go. */
  'as it would work': { readonly fix: string };
}
export type RemedyCode = keyof RemedyFigures;
export interface RemedyOf<Code extends RemedyCode> {
  readonly code: Code;
  readonly figures: RemedyFigures[Code];
  readonly change: SectionChange;
}
/** A way out of what a finding tells, as data. */
export type Remedy = { readonly [C in RemedyCode]: RemedyOf<C> }[RemedyCode];

/** What a remedy makes of a section, or of a shape that its chart calls. */
export interface SectionChange {
  readonly script?: string;
  readonly chart?: string;
  readonly bpm?: number;
  readonly shape?: Shape;
}
/** A remedy of a code. */
export const remedy = <Code extends RemedyCode>(
  code: Code,
  figures: RemedyFigures[Code],
  change: SectionChange,
): RemedyOf<Code> => ({ code, figures, change });

/** A remedy as a command. @param section its id */
export const remedyCommand = (section: string, { change }: Pick<Remedy, 'change'>): Command =>
  inOrder(
    ...(change.shape ? [putShape(change.shape)] : []),
    ...(change.script === undefined ? [] : [setScript(section, change.script)]),
    ...(change.chart === undefined ? [] : [setChart(section, change.chart)]),
    ...(change.bpm === undefined ? [] : [setTempo(section, change.bpm)]),
  );
