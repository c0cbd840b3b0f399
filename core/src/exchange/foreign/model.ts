import type { AccentCycle } from '../../cycle/index.js';
import type { Fact } from '../../fault/index.js';
import type { Tuning } from '../../instrument/index.js';
import type { Shape } from '../../left-hand/index.js';
import type { Key } from '../../piece/index.js';
import type { LeftFinger, Level, Mark, PlectrumWay } from '../../stroke/index.js';
import type { StringNumber } from '../../time/index.js';

/** Positions in a file: so many to a quarter, which halves and eighths divide too. */
export const PER_QUARTER = 10_080;

/** A note as a file brings it. */
export interface ForeignNote {
  /** From the beginning of its bar, in parts of a quarter, with fraction where the file has one. */
  readonly at: number;
  readonly length: number;
  /** As it sounds; null for a tap, which has no pitch. */
  readonly midi: number | null;
  readonly string: StringNumber | null;
  /** From the capo on. */
  readonly fret: number | null;
  readonly left: LeftFinger | null;
  /** Letters of the right hand, as the file has them; '' where it says none. */
  readonly right: string;
  readonly marks: readonly Mark[];
  /** Strummed: down from the thickest string, or up. */
  readonly dir: 'd' | 'u' | null;
  readonly plectrum: PlectrumWay | null;
  /** Sounded by the left hand alone. */
  readonly ligado: boolean;
  /** The finger that taps a golpe with it, where it is said. */
  readonly golpe: string;
  readonly slap: boolean;
  /** It stands for the chord that is held: a rhythm without pitches. */
  readonly strummed: boolean;
  readonly tied: boolean;
  readonly ties: boolean;
  /** The voice that the file has it in; '' where it says none. */
  readonly voice: string;
}
export interface ForeignChord {
  readonly at: number;
  /** '' = nothing is held. */
  readonly name: string;
  readonly shape: Pick<Shape, 'frets' | 'fingers'> | null;
}
/** A bar as a file brings it. */
export interface ForeignBar {
  readonly beats: number;
  readonly beatType: number;
  /** In parts of a quarter. */
  readonly length: number;
  readonly notes: readonly ForeignNote[];
  readonly chords: readonly ForeignChord[];
  readonly levels: readonly { readonly at: number; readonly level: Level }[];
  /** What is sung, syllable by syllable. */
  readonly lyrics: readonly { readonly at: number; readonly text: string; readonly goesOn: boolean }[];
  /** The key it is in, where the file names one with its mode. */
  readonly key: Key | null;
  /** What stands above its beginning. */
  readonly name: string;
  readonly words: readonly string[];
  /** Quarters a minute from it on; null where nothing is said. */
  readonly tempo: number | null;
  readonly opens: boolean;
  /** It goes back with its end: so often all is played; null where it goes on. */
  readonly closes: number | null;
  readonly endingBegins: readonly number[] | null;
  readonly endingEnds: boolean;
}
/** A file’s music before it is laid on cycles and on the neck. */
export interface ForeignMusic {
  readonly name: string;
  /** Played rather than written: what stands between the parts of a count is put on the nearest. */
  readonly played: boolean;
  readonly tuning: Tuning | null;
  readonly capo: number | null;
  readonly bars: readonly ForeignBar[];
  readonly notes: readonly ImportNote[];
  /** Parts or tracks to choose among, and the one that was read. */
  readonly parts: readonly { readonly name: string; readonly notes: number }[];
  readonly part: number;
}

/** What was not taken as it stands, or not at all. */
export type ImportNoteCode =
  | 'moved'
  | 'ends moved'
  | 'drums not taken'
  | 'bends not taken'
  | 'pedal not taken'
  | 'grace notes'
  | 'signs not read'
  | 'beyond the neck'
  | 'too many at once'
  | 'can’t be held'
  | 'letters not taken'
  | 'strum by the index'
  | 'marks not taken'
  | 'left fingers not taken'
  | 'chords without frets'
  | 'tempo changes'
  | 'jumps'
  | 'bar filled'
  | 'bar too full'
  | 'lengths not taken'
  | 'repeats not read'
  | 'ligado with others'
  | 'strings not as the tuning'
  | 'no pitch'
  | 'times not taken'
  | 'bars left out';
export type ImportNote = Fact<ImportNoteCode>;
/** Why nothing is taken from a file. */
export type ImportRefusal =
  | 'file empty'
  | 'file too large'
  | 'encoding not known'
  | 'breaks off'
  | 'no such file'
  | 'entities'
  | 'too deep'
  | 'zip broken'
  | 'zip too large'
  | 'no score in the zip'
  | 'no beats in the file'
  | 'no bars'
  | 'no notes'
  | 'too many notes'
  | 'too many bars'
  | 'not to be fretted'
  | 'not to be written'
  | 'too many elements'
  | 'not to be kept'
  | 'no such part';
export type Refused = { readonly refusal: Fact<ImportRefusal> };
export const isRefused = (made: object): made is Refused => 'refusal' in made;

/** A section as it will stand in a study. */
export interface ImportedSection {
  readonly name: string;
  readonly cycle: AccentCycle;
  readonly script: string;
  readonly stepsPerCount: number;
  readonly chart: string;
  readonly words: string;
  readonly key: Key | null;
  readonly bpm: number;
  readonly bars: number;
}
/** Sections of a piece that is too long for one study, as many as one holds. */
export interface Stretch {
  readonly from: number;
  readonly to: number;
  readonly first: string;
  readonly last: string;
}
/** A file as it will come in: what was made of it, and what was not taken. */
export interface ImportedPiece {
  readonly name: string;
  readonly tuning: Tuning;
  readonly capo: number;
  readonly sections: readonly ImportedSection[];
  readonly shapes: readonly Pick<Shape, 'name' | 'frets' | 'fingers'>[];
  /** '' = every section once, in order. */
  readonly form: string;
  readonly notes: readonly ImportNote[];
  /** How many notes there are, and how many of them were fretted here. */
  readonly counted: { readonly notes: number; readonly fretted: number };
  readonly parts: ForeignMusic['parts'];
  readonly part: number;
}
