import type { Range } from '../fault/index.js';
import type { Instrument } from '../instrument/index.js';
import type { Shape } from '../left-hand/index.js';
import type { Key } from '../piece/index.js';
import type { Finger, LeftFinger, Level, Motion } from '../stroke/index.js';
import type { Syllable } from '../syllables/index.js';
import type { FretFromCapo, Midi, SixStrings, StringNumber, Ticks } from '../time/index.js';

export interface ScoreNote {
  readonly string: StringNumber;
  /** From the capo on. */
  readonly fret: FretFromCapo;
  readonly midi: Midi;
  /** Null for a plectrum, for what the left hand sounds alone, and for what is not known yet. */
  readonly right: Finger | null;
  /** 0 = open; null where no finger is written and none is worked out. */
  readonly left: LeftFinger | null;
  /** One of its fingers is not written. */
  readonly workedOut: boolean;
}
/** What a ligado is: hammered on a higher fret, pulled off to a lower one, or slid with the finger that is there. */
export type Slur = 'hammer' | 'pull' | 'slide';
export interface ScoreEvent {
  readonly at: Ticks;
  readonly duration: Ticks;
  /** Its bar, counted from 0, and where in it. */
  readonly bar: number;
  readonly inBar: Ticks;
  /** Its turn of the cycle, counted from 0, and where in it. */
  readonly turn: number;
  readonly inTurn: Ticks;
  /** Its pass of the pattern, counted from 0, and its slot there. */
  readonly pass: number;
  readonly slot: number;
  readonly motion: Motion;
  readonly level: Level;
  /** The chord that it is played on: an index into the score's. */
  readonly chord: number;
  /** In the order struck. */
  readonly notes: readonly ScoreNote[];
  /** Of a ligado, against what its string had before; null where nothing was struck on it, and for all else. */
  readonly slur: Slur | null;
  readonly source: { readonly section: string; readonly range: Range };
}
export interface ScoreBar {
  readonly at: Ticks;
  readonly length: Ticks;
  readonly section: string;
}
/** A chord as the chart has it. */
export interface ScoreChord {
  readonly at: Ticks;
  readonly until: Ticks;
  readonly bar: number;
  /** '' = open strings. */
  readonly name: string;
  /** Open strings where the study has no shape of that name. */
  readonly shape: Shape;
  readonly known: boolean;
}
/** A finger that has left its place in the held shape for a note. */
export interface Borrowed {
  readonly finger: LeftFinger;
  readonly to: { readonly string: StringNumber; readonly fret: number };
  /** Strings that it held, open or silent until it is back. */
  readonly from: readonly StringNumber[];
  /** From where on it is free to go back. */
  readonly free: Ticks;
  /** The stroke by which it has to be back, the first that meets one of its strings; null when none does. */
  readonly due: Ticks | null;
}
/** What the left hand does over a stretch of time. */
export interface TimedGrip {
  readonly at: Ticks;
  readonly until: Ticks;
  readonly chord: number;
  /** False while the fingers lie on the strings, or are off them: the hand is free. */
  readonly pressed: boolean;
  /** From string 6 to string 1: what each finger stops; null = not sounded. */
  readonly frets: SixStrings<FretFromCapo | null>;
  readonly fingers: SixStrings<LeftFinger | null>;
  readonly borrowed: readonly Borrowed[];
}
/** A stroke that is held over the change of a chord. */
export interface HeldOver {
  readonly event: number;
  /** The chord that begins while it goes on. */
  readonly chord: number;
}
/** The one timeline: everything that is played, in its place, with both hands. */
export interface Score {
  readonly instrument: Instrument;
  readonly bars: readonly ScoreBar[];
  readonly chords: readonly ScoreChord[];
  readonly grips: readonly TimedGrip[];
  readonly events: readonly ScoreEvent[];
  /** The key that it is set in; null = none is. */
  readonly key: Key | null;
  /** What is sung or said meanwhile, in order. */
  readonly words: readonly Syllable[];
  readonly length: Ticks;
  /** Its end joins its beginning. */
  readonly loops: boolean;
  /** It goes on beyond what is written out. */
  readonly truncated: boolean;
}
