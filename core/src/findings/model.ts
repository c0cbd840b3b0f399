import type { BarreHold, PlacedChange } from '../score/index.js';
import type { CeilingCause, NotPlanted } from '../right-hand/index.js';
import type { Fact } from '../fault/index.js';
import type { Raise } from '../drill/index.js';
import type { HoldingFinger } from '../left-hand/index.js';
import type { Timing } from '../player/index.js';
import type { Reading, ReadingRequest } from '../reading/index.js';
import type { MetBy } from '../round/index.js';
import type { Direction, Finger, Motion } from '../stroke/index.js';
import type { Bpm, Ticks } from '../time/index.js';

/** What findings are made of: what was asked, and what was read. */
export type FindingMatter = ReadingRequest & Omit<Reading, 'plan' | 'countIn' | 'faults'>;

/** A place of the cycle as players count it: `2 &`. */
export type CountLabel = string;
/** An accent in one of the turns, counted from 0. */
export interface AccentPlace {
  readonly label: CountLabel;
  readonly turn: number;
}
/** A chord with what is said of it, in its strings or tones. */
export interface AboutChord<T> {
  readonly name: string;
  readonly about: readonly T[];
}

/** What each finding tells, by its code: the figures that its sentence needs. */
export interface FindingFigures {
  /** What the hand can do at the most, who sets that, and what would raise it. */
  ceiling: {
    readonly ceiling: number;
    readonly bpm: Bpm;
    readonly room: Timing;
    readonly cause: CeilingCause;
    /** Between the strokes of the one that sets it; null of a joint. */
    readonly tight: { readonly thereMs: number; readonly neededMs: number } | null;
    /** From which count to which, over the seam or not. */
    readonly between: { readonly from: CountLabel; readonly to: CountLabel; readonly seam: boolean } | null;
    /** Notes a second where strokes are closest, at the tempo and at the ceiling; null of a single stroke. */
    readonly rate: { readonly now: number; readonly top: number } | null;
    readonly raise: Raise | null;
  };
  /** Where the pattern comes round. */
  'comes round': {
    readonly passes: number;
    readonly turns: number;
    readonly steps: number;
    readonly length: Ticks;
    readonly counts: number;
    /** Turns that are shown where not all are; null where all are. */
    readonly shown: number | null;
  };
  /** Who meets the accents of the first turn. */
  'accents met': {
    readonly first: readonly { readonly label: CountLabel; readonly by: MetBy | null }[];
    readonly turns: number;
  };
  'accents weak': {
    readonly weak: number;
    readonly all: number;
    readonly turns: number;
    readonly who: readonly { readonly by: MetBy | null; readonly places: readonly AccentPlace[] }[];
  };
  'accents carried': { readonly accents: number };
  'accents missed': { readonly missed: readonly AccentPlace[]; readonly turns: number };
  /** Begun on another of its steps its accents lie better. */
  'another start': {
    readonly step: number;
    readonly motion: Motion | null;
    readonly over: 'round' | 'first turn';
    readonly turns: number;
    readonly given: number;
    readonly written: number;
  };
  /** Down on the beat, up between: what a hand that strums must miss on purpose, and what fights it. */
  pendulum: {
    readonly ghosts: Readonly<Record<Direction, readonly CountLabel[]>>;
    readonly fights: readonly CountLabel[];
    readonly seam: boolean;
  };
  /** Fingers that are set on their strings together. */
  plants: {
    readonly sets: readonly (readonly Finger[])[];
    readonly figures: number;
    readonly not: {
      readonly fingers: readonly Finger[];
      readonly at: CountLabel;
      readonly why: Exclude<NotPlanted, 'run over'>;
    } | null;
  };
  /** Changes for which the music leaves a finger less time than it needs, the hardest first. */
  'change late': {
    readonly changes: readonly {
      readonly from: string;
      readonly to: string;
      readonly at: CountLabel;
      readonly finger: HoldingFinger;
      readonly thereMs: number;
      readonly neededMs: number;
    }[];
  };
  /** Where the right hand goes along with the chord, or stays behind it. */
  block: {
    readonly moves: readonly (Pick<PlacedChange, 'rightHand' | 'label'> & {
      readonly from: string;
      readonly to: string;
      readonly slips: boolean;
    })[];
    readonly slips: boolean;
  };
  'string muted': { readonly chords: readonly (AboutChord<number> & { readonly first: CountLabel })[] };
  'tone unheard': { readonly chords: readonly AboutChord<string>[] };
  'name not borne out': {
    readonly chords: readonly {
      readonly name: string;
      readonly foreign: readonly number[];
      readonly lacking: readonly string[];
    }[];
  };
  'held over': {
    readonly strokes: readonly { readonly motion: Motion; readonly at: CountLabel; readonly into: string }[];
  };
  barre: Pick<BarreHold, 'names' | 'strings' | 'ms' | 'staminaMs'> & { readonly bpm: Bpm; readonly over: boolean };
  'out of reach': {
    readonly name: string;
    readonly because: Fact;
    /** The best substitute; null where its name is no symbol, or there is none. */
    readonly instead: { readonly chord: string; readonly frets: string; readonly lost: readonly Fact[] } | null;
  };
}
export type FindingCode = keyof FindingFigures;
/** How it is meant: said as it is, as good, to be watched, or what can't be as it stands. */
export type Tone = 'plain' | 'good' | 'watch' | 'late';

/** A fact about a section that a player is told: its code, how it is meant, where it is, and its figures. */
export interface FindingOf<Code extends FindingCode> {
  readonly code: Code;
  readonly tone: Tone;
  readonly place: {
    /** The pattern's slot that it is about; null where it is about no one. */
    readonly slot: number | null;
  };
  readonly figures: FindingFigures[Code];
}
export type Finding = { readonly [C in FindingCode]: FindingOf<C> }[FindingCode];

/** A finding of a code. */
export const finding = <Code extends FindingCode>(
  code: Code,
  tone: Tone,
  figures: FindingFigures[Code],
  slot: number | null = null,
): FindingOf<Code> => ({ code, tone, place: { slot }, figures });
