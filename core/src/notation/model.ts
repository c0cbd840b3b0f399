import type { Instrument } from '../instrument/index.js';
import type { ScoreEvent } from '../score/index.js';
import type { Level } from '../stroke/index.js';
import type { Syllable } from '../syllables/index.js';
import type { FretFromCapo, SixStrings, Ticks } from '../time/index.js';
import type { Signature } from './signature.js';
import type { BarTime } from './time-signature.js';

/** How long a sign lasts: 1 = a whole note, 4 = a quarter; a count is written as the cycle's `countNote`. */
export type NoteValue = 1 | 2 | 4 | 8 | 16 | 32 | 64;
/** So many notes in the time of so many; all signs of one group have its number. */
export interface Tuplet {
  readonly group: number;
  readonly notes: number;
  readonly inSpaceOf: number;
}
/** One sign of a voice: a note, several together, or a rest. */
export interface Sign {
  /** From the beginning of its bar. */
  readonly at: Ticks;
  readonly ticks: Ticks;
  readonly value: NoteValue;
  readonly dotted: boolean;
  readonly tuplet: Tuplet | null;
  /** An index into the bar's events; null = a rest. */
  readonly event: number | null;
  /** It only goes on: what it ties to came before it. */
  readonly tied: boolean;
  /** It goes on into the next bar. */
  readonly goesOver?: true;
  /** A note of the thumb that the fingers' beam goes through. */
  readonly shared?: true;
}
export type Voice = 'fingers' | 'thumb';
export interface NotatedChord {
  readonly at: Ticks;
  readonly name: string;
  /** It began in an earlier bar. */
  readonly goesOn: boolean;
  /** Of the shape that is held, from string 6 to string 1; null where the study has none of that name. */
  readonly frets: SixStrings<FretFromCapo | null> | null;
  /** It begins while the figure goes on. */
  readonly cuts?: true;
}
/** A bar as it is written: what is played in it, and the signs of both voices. */
export interface NotatedBar {
  /** Counted from 0. */
  readonly n: number;
  /** Which part of a bar it is that is broken over systems, counted from 0, and of how many. */
  readonly part?: readonly [index: number, of: number];
  /** From the beginning of the score. */
  readonly at: Ticks;
  readonly length: Ticks;
  /** Where its turn of the cycle stands when it begins. */
  readonly inTurn: Ticks;
  /** Where groups of the cycle begin inside it: no beam goes over one. */
  readonly seams: readonly Ticks[];
  /** How a count is written. */
  readonly count: NoteValue;
  /** Of the section's key. */
  readonly signature: Signature;
  /** So many beats, and which note each is; null where it is as in the bar before. */
  readonly time: BarTime | null;
  /** How loud it was before. */
  readonly level: Level;
  /** Where the section begins: the strings and the capo that it is for. */
  readonly opening: Instrument | null;
  /** What sounds in it, strokes held into it from before among them. */
  readonly events: readonly ScoreEvent[];
  /** Chords that begin in it, and the one that goes on at its beginning. */
  readonly chords: readonly NotatedChord[];
  /** Under its counts. */
  readonly words: readonly Syllable[];
  /** Only one hand’s voice plays in it, the thumb’s with its strums too: everything is the fingers’ voice then. */
  readonly oneVoice: boolean;
  /** A voice that plays nothing in the bar has no signs; one that has some fills it. */
  readonly voices: Readonly<Record<Voice, readonly Sign[]>>;
}
