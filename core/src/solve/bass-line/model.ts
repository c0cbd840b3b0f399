import type { ChordRefusal } from '../../chord/index.js';
import type { Fact } from '../../fault/index.js';
import type { Neck, Tuning } from '../../instrument/index.js';
import type { LeftFinger } from '../../left-hand/index.js';
import type { HandProfile } from '../../player/index.js';
import type { FoundPath } from '../../search/index.js';
import type { Bpm, FretFromCapo, StringNumber, Ticks } from '../../time/index.js';
import type { FrettedShape } from '../voicings/index.js';

/** Root held, root and fifth in turn, or walking with a note that leads into every new root. */
export const BASS_HABITS = ['root', 'root fifth', 'walking'] as const;
export type BassHabit = (typeof BASS_HABITS)[number];
/** How a walking bass leads into a new root. */
export interface Approach {
  /** By a step of the chord's scale, by a semitone, or by either. */
  readonly by: 'scale' | 'chromatic' | 'any';
  readonly from: 'below' | 'above' | 'any';
}
export interface BassChord {
  readonly symbol: string;
  readonly shape: FrettedShape;
}
/** A stroke of the thumb, for which a place is wanted. */
export interface BassStroke {
  readonly at: Ticks;
  /** The written end of its note. */
  readonly until: Ticks;
  /** The chord that it is played on: an index into the request's. */
  readonly chord: number;
}
/** Strings that the fingers strike at a time. */
export interface FigureStroke {
  readonly at: Ticks;
  readonly strings: readonly StringNumber[];
}
export interface BassRequest {
  readonly tuning: Tuning;
  /** Scale, spacing and capo. */
  readonly neck: Neck;
  readonly profile: HandProfile;
  readonly tempo: Bpm;
  readonly chords: readonly BassChord[];
  /** In their order. */
  readonly strokes: readonly BassStroke[];
  /** What the fingers play meanwhile, in its order; without it the bass stands alone. */
  readonly figure?: readonly FigureStroke[];
  readonly habit: BassHabit;
  readonly approach?: Approach;
  /** The last stroke leads to the first. */
  readonly round?: boolean;
  readonly k?: number;
}
/** What a bass note is to its chord; `walk` is any tone of it on the way. */
export type BassRole = 'root' | 'fifth' | 'walk' | 'approach';
/**
 * How the left hand has it: a finger of the shape is there already; the string is open; a finger that the shape does not
 * use comes down; the bass's own finger goes over to another string; a finger lies over one string more; another finger
 * of the shape is borrowed; the whole shape is let go.
 */
export type BassWay = 'there' | 'open' | 'free finger' | 'goes over' | 'lies over' | 'borrowed' | 'alone';

/** A bass note as it is played. */
export interface PlayedBass {
  readonly string: StringNumber;
  readonly fret: FretFromCapo;
  readonly finger: LeftFinger;
  readonly way: BassWay;
}
export const BASS_TERMS = ['movement', 'suffers', 'mud', 'set', 'leap', 'thumb', 'line'] as const;
export type BassTerm = (typeof BASS_TERMS)[number];
export type BassAnswer = FoundPath<PlayedBass, BassTerm>;
/** Why there is no bass line, or a line is no answer. */
export type BassRefusal =
  ChordRefusal | 'no bass strokes' | 'chord unread' | 'bass nowhere' | 'bass not asked for' | 'bass out of reach';
export type BassResult =
  | { readonly answers: readonly BassAnswer[]; readonly infeasible?: undefined }
  | { readonly infeasible: readonly Fact<BassRefusal>[] };

/** What is to be known of one note of a line. */
export interface BassFacts extends PlayedBass {
  readonly stroke: number;
  readonly role: BassRole;
  /** Strings of the shape that sound wrong or fall silent while the finger is away. */
  readonly suffers: readonly StringNumber[];
  /** Strings whose note lies so near above it, below E3, that both are blurred. */
  readonly muddy: readonly StringNumber[];
  /** It sounds below the root that the shape holds: the chord is heard turned over. */
  readonly underRoot: boolean;
  /** What the thumb has from its stroke before, and what it needs. */
  readonly thumb: { readonly thereMs: number | null; readonly neededMs: number };
  /** It has less than it needs. */
  readonly thumbLate: boolean;
}
