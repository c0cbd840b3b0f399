import type { Damped } from '../stroke/index.js';
import type { Midi, StringNumber, Ticks } from '../time/index.js';

export type Damping = 'none' | Damped;
/**
 * What touches the string: the thumb's flesh, a nail, a nail flicked outward, a finger leaning on to the next string, a
 * plectrum, or the left hand alone.
 */
export type Touch = 'flesh' | 'nail' | 'flick' | 'rest' | 'plectrum' | 'ligado';
export interface PluckSound {
  readonly kind: 'pluck';
  readonly at: Ticks;
  readonly string: StringNumber;
  readonly midi: Midi;
  /** 0…1 */
  readonly gain: number;
  /** Later than `at` by so much: the strings of a strum follow one another. */
  readonly delayMs: number;
  /** So much behind its place, as the section is felt; before it, where it is less than 0. */
  readonly leanMs?: number;
  readonly damping: Damping;
  readonly touch: Touch;
}
export interface StopSound {
  readonly kind: 'stop';
  readonly at: Ticks;
  readonly leanMs?: number;
  readonly strings: readonly StringNumber[];
}
export interface BeatSound {
  readonly kind: 'golpe' | 'slap' | 'clap' | 'muffled clap' | 'click' | 'foot';
  readonly at: Ticks;
  readonly gain: number;
  readonly leanMs?: number;
}
/** What sounds on until the next of its kind; no tones: nothing. */
export interface DroneSound {
  readonly kind: 'drone';
  readonly at: Ticks;
  readonly tones: readonly Midi[];
  readonly leanMs?: number;
}
export type PlanSound = PluckSound | StopSound | BeatSound | DroneSound;
/** A loop of timed sounds, sorted by place. */
export interface Plan {
  readonly sounds: readonly PlanSound[];
  readonly length: Ticks;
  readonly turns: number;
  /** So long it is heard, then so long silent, again and again from its beginning on, loops counted on. */
  readonly silent?: { readonly heard: Ticks; readonly silent: Ticks };
}

export const byPlace = (sounds: readonly PlanSound[]) => [...sounds].sort((a, b) => a.at - b.at || rank(a) - rank(b));
/** A string is stopped before it is struck anew in the same instant. */
const rank = (s: PlanSound) => (s.kind === 'stop' ? 0 : 1);
