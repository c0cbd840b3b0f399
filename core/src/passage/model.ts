import type { Direction, Finger } from '../stroke/index.js';
import type { Bpm, StringNumber, Ticks } from '../time/index.js';
import type { HandProfile } from '../player/index.js';

/** A note of a passage, or notes struck together: what is known before anybody has a finger on it. */
export interface PassageNote {
  readonly at: Ticks;
  /** Strings struck, each once. */
  readonly strings: readonly StringNumber[];
  /** The stroke goes down through these, from the string named first. */
  readonly sweeps?: readonly StringNumber[];
  /** Struck down or up by these fingers, all of them on every string. */
  readonly strum?: { readonly way: Direction; readonly fingers: readonly Finger[] };
  /** A plectrum's. */
  readonly plectrum?: boolean;
  /** For each string its fret where one is given; without them the order alone is known. */
  readonly frets?: readonly (number | null)[];
  /** Must ring on until its string is struck again. */
  readonly rings?: boolean;
  /** Whose it is where that is settled already: only the thumb, or only fingers. */
  readonly layer?: 'thumb' | 'fingers';
  /** Fingers that the player has set, from the thickest string on; the rest is solved round them. */
  readonly pinned?: readonly Finger[];
}
/** Notes in their order, at a tempo, for a hand. */
export interface Passage {
  readonly notes: readonly PassageNote[];
  readonly bpm: Bpm;
  readonly profile: HandProfile;
  /** Its end is followed by its beginning. */
  readonly loops?: boolean;
}

/**
 * What a note is in a passage. A *bass* is the lower of two voices; a *melody* goes over it, or alone; what lies between
 * and what an arpeggio breaks is *inner*; a *pedal* is struck again and again, open, while another voice moves.
 */
export type PassageVoice = 'bass' | 'melody' | 'inner' | 'pedal';

export const KINDS = [
  'run',
  'arpeggio',
  'tremolo',
  'melody over basses',
  'thumb line',
  'alzapúa',
  'block chords',
  'comping',
  'strum',
  'rasgueado',
  'plectrum',
] as const;
/** Kinds of playing. */
export type Kind = (typeof KINDS)[number];

/** Notes of one kind, one after another. */
export interface KindStretch {
  readonly kind: Kind;
  /** Indices of the first note and of the one after the last. */
  readonly from: number;
  readonly to: number;
  /** An order that repeats, without frets of its own; else it is composed, and begins where it begins. */
  readonly free: boolean;
}
/** The one reading of a passage: for every note its voices, whose it is, and what kind of playing it stands in. */
export interface PassageReading {
  /** By note, string by string from the thickest on. */
  readonly voices: readonly (readonly PassageVoice[])[];
  /** Whether its lowest string is the thumb's, by note. */
  readonly bass: readonly boolean[];
  readonly stretches: readonly KindStretch[];
  /** By note. */
  readonly kinds: readonly Kind[];
  /** How many strings the set of the fingers lies deeper than 3 2 1, by note. */
  readonly sets: readonly (0 | 1)[];
  /** A tremolo's group: which of its notes over the bass this is, -1 for the bass alone, and how many there are; by note. */
  readonly groups: readonly ({ readonly turn: number; readonly of: number } | null)[];
  /** First notes of figures: each is a bass with what follows it, or a melody's own beginning. */
  readonly figures: readonly number[];
}
