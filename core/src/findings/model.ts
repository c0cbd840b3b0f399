import type { BarreHold, PlacedChange } from '../score/index.js';
import type { CeilingCause, NotPlanted } from '../right-hand/index.js';
import type { ChartFault } from '../chart/index.js';
import { cycleLength, placeLabel } from '../cycle/index.js';
import type { Fact } from '../fault/index.js';
import type { ScriptFault } from '../script/index.js';
import type { Raise } from '../drill/index.js';
import type { HoldingFinger } from '../left-hand/index.js';
import type { Timing } from '../player/index.js';
import type { Reading, ReadingRequest, SectionFacts } from '../reading/index.js';
import type { MetBy } from '../round/index.js';
import type { Direction, Finger, Motion } from '../stroke/index.js';
import { type Bpm, type StringNumber, type Ticks, ticks } from '../time/index.js';

/** What stands against a section is found from this much of its reading alone. */
export type GraveMatter = ReadingRequest & SectionFacts;
/** What findings are made of: what was asked, and what was read. */
export type FindingMatter = GraveMatter & Omit<Reading, 'plan' | 'countIn'>;

/** A place of the cycle as players count it: `2 &`. */
export type CountLabel = string;
/** An accent in one of the turns, counted from 0. */
export interface AccentPlace {
  readonly label: CountLabel;
  readonly turn: number;
}
/** What each finding tells, by its code: the figures that its sentence needs. */
export interface FindingFigures {
  /** What the hand can do at the most, who sets that, and what would raise it. */
  ceiling: {
    readonly ceiling: number;
    readonly bpm: Bpm;
    readonly room: Timing;
    readonly cause: CeilingCause;
    /** A joint sets it, and has more than twice the time that it needs. */
    readonly slack: boolean;
    /** Between the strokes of the one that sets it; null of a joint. */
    readonly tight: { readonly thereMs: number; readonly neededMs: number } | null;
    /** From which count to which, over the seam or not. */
    readonly between: { readonly from: CountLabel; readonly to: CountLabel; readonly seam: boolean } | null;
    /** Notes a second where strokes are closest, at the tempo and at the ceiling; null of a single stroke. */
    readonly rate: { readonly now: number; readonly top: number } | null;
    readonly raise: Raise | null;
    /** The left hand's own, and by which move; null where it has none. */
    readonly left: {
      readonly ceiling: number;
      readonly from: string;
      readonly to: string;
      readonly label: CountLabel;
      readonly finger: HoldingFinger;
      /** It is lower than the right hand's. */
      readonly limits: boolean;
    } | null;
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
    /** The finger to set while another plays. */
    readonly oneByOne: readonly { readonly plays: Finger; readonly set: Finger }[];
    readonly not: {
      readonly fingers: readonly Finger[];
      readonly at: CountLabel;
      readonly why: Exclude<NotPlanted, 'run over'>;
    } | null;
  };
  /** What the thumb does while the fingers run alone: from the beginning, and where it changes. */
  'thumb anchor': {
    readonly changes: readonly { readonly thumb: 'rests on 6' | 'lifts'; readonly label: CountLabel }[];
  };
  /** Counts of the pattern that sound, and those that are beaten dead. */
  'what sounds': { readonly sounding: readonly CountLabel[]; readonly dead: readonly CountLabel[] };
  /** A finger that plays twice in a row: where, and whether it goes to another string. */
  'finger repeated': { readonly finger: Finger; readonly crossing: boolean; readonly labels: readonly CountLabel[] };
  /** A rest stroke that stops a string that is to ring on, or lies where another finger plays next. */
  'rest stroke lands': {
    readonly finger: Finger;
    readonly string: StringNumber;
    readonly on: StringNumber;
    /** Who plays there next; null where the string is ringing. */
    readonly next: Finger | null;
  };
  /** Where the plectrum goes against its school. */
  'plectrum ways': {
    readonly why: 'up at a change' | 'up without a rest' | 'no whip';
    readonly labels: readonly CountLabel[];
  };
  /** Open strings of a chord that ring on where the hand lets go of it, or lies on its strings. */
  'open rings on': { readonly name: string; readonly strings: readonly StringNumber[]; readonly dead: boolean };
  /** Strings of a chord that are held, and its bass, that no stroke meets. */
  'string unstruck': {
    readonly name: string;
    readonly strings: readonly StringNumber[];
    /** The bass, where it is one of them. */
    readonly bass: StringNumber | null;
  };
  /** The script can't be read here. */
  'script unread': { readonly fault: ScriptFault };
  /** The chart can't be read here, or calls what is no chord. */
  'chart unread': { readonly fault: ChartFault };
  /** A change for which the music leaves a finger less time than it needs. */
  'change late': {
    readonly from: string;
    readonly to: string;
    readonly finger: HoldingFinger;
    readonly thereMs: number;
    readonly neededMs: number;
  };
  /** A finger that has left its shape for a note and can't be back in time. */
  'finger away': {
    readonly name: string;
    readonly finger: HoldingFinger;
    readonly string: StringNumber;
    readonly fret: number;
    readonly thereMs: number;
    readonly neededMs: number;
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
  /** Strings that are struck under a chord whose shape mutes them. */
  'string muted': { readonly name: string; readonly strings: readonly StringNumber[] };
  /** Tones that make a chord what it is, on none of the strings that are struck. */
  'tone unheard': { readonly name: string; readonly tones: readonly string[] };
  /** Strings whose note is no tone of the chord, and telling tones that the shape has nowhere. */
  'name not borne out': {
    readonly name: string;
    readonly foreign: readonly StringNumber[];
    readonly lacking: readonly string[];
  };
  /** A stroke that is held on while the chord changes under it. */
  'held over': { readonly motion: Motion; readonly from: string; readonly into: string };
  barre: Pick<BarreHold, 'names' | 'strings' | 'ms' | 'staminaMs'> & { readonly bpm: Bpm; readonly over: boolean };
  /** Letters of a rasgueado without directions: each plucks a string of its own. */
  'flicks plucked': { readonly letters: readonly Finger[] };
  /** A harmonic where the held shape has a fret without a node: it sounds as if it were pressed. */
  'no node': { readonly name: string; readonly string: StringNumber; readonly fret: number; readonly near: number };
  /** A shape that this hand can't hold. */
  'out of reach': { readonly name: string; readonly because: Fact };
}
export type FindingCode = keyof FindingFigures;
/** How it is meant: said as it is, as good, to be watched, or what can't be as it stands. */
export type Tone = 'plain' | 'good' | 'watch' | 'late';

/** Where a finding is met first. */
export interface FindingPlace {
  readonly section: string;
  /** The pattern's slot that it is about; null where it is about no one. */
  readonly slot: number | null;
  /** From the section's beginning; 0 of what is about the whole of it. */
  readonly at: Ticks;
  /** Counted from 0. */
  readonly bar: number;
  /** The count, as players say it. */
  readonly label: CountLabel;
}
/** A fact about a section that a player is told: its code, how it is meant, where it is, and its figures. */
export interface FindingOf<Code extends FindingCode> {
  readonly code: Code;
  readonly tone: Tone;
  readonly place: FindingPlace;
  readonly figures: FindingFigures[Code];
}
export type Finding = { readonly [C in FindingCode]: FindingOf<C> }[FindingCode];

/** A finding of a code. */
export const finding = <Code extends FindingCode>(
  code: Code,
  tone: Tone,
  place: FindingPlace,
  figures: FindingFigures[Code],
): FindingOf<Code> => ({ code, tone, place, figures });

/** A place of a section's score; of a pattern's slot with its number. */
export function placeIn(
  { section, score }: Pick<GraveMatter, 'section' | 'score'>,
  at: number = 0,
  slot: number | null = null,
): FindingPlace {
  const bar = score.bars.findIndex((b) => at >= b.at && at < b.at + b.length);
  return {
    section: section.id,
    slot,
    at: ticks(at),
    bar: Math.max(0, bar),
    label: placeLabel(section.cycle, at % cycleLength(section.cycle)),
  };
}
/** Where a slot of the pattern comes first; of none the section's beginning. */
export const placeOfSlot = (m: Pick<GraveMatter, 'section' | 'score' | 'flat'>, slot: number | null): FindingPlace =>
  placeIn(m, slot === null ? 0 : (m.flat.slots[slot]?.at ?? 0) + m.section.start, slot);
