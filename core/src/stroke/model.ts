import type { StringNumber } from '../time/index.js';

export type Finger = 'p' | 'i' | 'm' | 'a' | 'e';
export const FINGERS: readonly Finger[] = ['p', 'i', 'm', 'a', 'e'];
/** The left hand's: 0 = open, `T` the thumb over the neck. */
export type LeftFinger = 0 | 1 | 2 | 3 | 4 | 'T';
export type Direction = 'd' | 'u';
/** `!` accent, `,` soft, `*` golpe with it, `_` rest stroke, `~` let ring, `'` staccato, `x` left hand mutes, `%` palm mute. */
export type Mark = '!' | ',' | '*' | '_' | '~' | "'" | 'x' | '%';
/** The order in which marks are printed. */
export const MARKS: readonly Mark[] = ['!', ',', '*', '_', '~', "'", 'x', '%'];

/** Which strings a stroke meets: numbers in the order struck, the chord's bass string, or its treble set. */
export type StringChoice = readonly StringNumber[] | 'bass' | 'treble';

/** What stops one string for one stroke, over whatever shape is held. */
export interface Stop {
  /** From the capo on; 0 = open. */
  readonly fret: number;
  /** The finger that is written for it. */
  readonly finger?: LeftFinger;
}
export interface Stroke {
  readonly kind: 'stroke';
  /** In the order p i m a e. */
  readonly fingers: readonly Finger[];
  /** Strum down (6→1) or up (1→6); null = pluck. */
  readonly dir: Direction | null;
  /** null = where the fingers live. */
  readonly strings: StringChoice | null;
  /** Frets that the stroke brings with it, one for each numbered string; null where the held shape decides. */
  readonly stops?: readonly (Stop | null)[];
  readonly marks: readonly Mark[];
}
/** Tap on the soundboard alone. */
export interface Golpe {
  readonly kind: 'golpe';
  readonly marks: readonly Mark[];
}
/** Flat hand on the strings. */
export interface Slap {
  readonly kind: 'slap';
  readonly marks: readonly Mark[];
}
/** The hand moves and misses the strings on purpose. */
export interface Ghost {
  readonly kind: 'ghost';
  readonly dir: Direction;
}
/** Anything that the hand does; rests and holds are the other steps. */
export type Motion = Stroke | Golpe | Slap | Ghost;
export type Step = Motion | { readonly kind: 'rest' } | { readonly kind: 'hold' };

/** The strings that are written by number, in the order struck; null when others decide. */
export const numberedStrings = (s: Pick<Stroke, 'strings'>): readonly StringNumber[] | null =>
  s.strings === null || s.strings === 'bass' || s.strings === 'treble' ? null : s.strings;
/** What a stroke brings with it for one of its strings. */
export const stopOn = (s: Stroke, string: StringNumber): Stop | null =>
  s.stops?.[numberedStrings(s)?.indexOf(string) ?? -1] ?? null;
/** The stroke over other strings. @param stops for these, in their order; none when they are left out */
export function onStrings(
  stroke: Stroke,
  strings: Stroke['strings'],
  stops: readonly (Stop | null)[] | undefined,
): Stroke {
  const plain: Stroke = {
    kind: 'stroke',
    fingers: stroke.fingers,
    dir: stroke.dir,
    strings,
    marks: stroke.marks,
  };
  return stops?.some((s) => s !== null) ? { ...plain, stops } : plain;
}
export const hasMark = (m: Motion, mark: Mark): boolean => m.kind !== 'ghost' && m.marks.includes(mark);
export const fingersOf = (m: Motion): readonly Finger[] => (m.kind === 'stroke' ? m.fingers : []);
/** The way the hand goes, null for plucks, taps and slaps. */
export const directionOf = (m: Motion): Direction | null => (m.kind === 'stroke' || m.kind === 'ghost' ? m.dir : null);
