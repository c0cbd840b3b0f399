import type { FretFromCapo, StringNumber } from '../time/index.js';
import { type Mark, markRow, MARKS } from './marks.js';

export type Finger = 'p' | 'i' | 'm' | 'a' | 'e';
export const FINGERS: readonly Finger[] = ['p', 'i', 'm', 'a', 'e'];
/** The left hand's: 0 = open, `T` the thumb over the neck. */
export type LeftFinger = 0 | 1 | 2 | 3 | 4 | 'T';
export type Direction = 'd' | 'u';
/** What a plectrum does: down and land on the next string, up in answer, down and leap off. */
export type PlectrumWay = 'd' | 'u' | 'w';
/** How loud it is from a place on. */
export type Level = 'pp' | 'p' | 'mp' | 'mf' | 'f' | 'ff';
/** From the softest to the loudest; a line begins with `mf`. */
export const LEVELS: readonly Level[] = ['pp', 'p', 'mp', 'mf', 'f', 'ff'];

/** So many strings from the chord's bass on. */
export type FromBass = 'bass 2' | 'bass 3' | 'bass 4' | 'bass 5' | 'bass 6';
/**
 * Which strings a stroke meets: numbers in the order struck, or what the chord decides: its bass string, its treble
 * set, its fifth in the bass, a note that leads on to the next bass, so many strings from the bass on.
 */
export type StringChoice = readonly StringNumber[] | 'bass' | 'treble' | 'fifth' | 'lead' | FromBass;

/** What stops one string for one stroke, over whatever shape is held. */
export interface Stop {
  /** From the capo on; 0 = open. */
  readonly fret: FretFromCapo;
  /** The finger that is written for it. */
  readonly finger?: LeftFinger;
}
export interface Stroke {
  readonly kind: 'stroke';
  /** In the order p i m a e; empty for a plectrum. */
  readonly fingers: readonly Finger[];
  /** Fingers that are to be worked out, one for each string. */
  readonly open?: number;
  /** The plectrum's stroke, when it is one. */
  readonly plectrum?: PlectrumWay;
  /** Strum down (6→1) or up (1→6); null = pluck. */
  readonly dir: Direction | null;
  /** null = where the fingers live. */
  readonly strings: StringChoice | null;
  /** Frets that the stroke brings with it, one for each numbered string; null where the held shape decides. */
  readonly stops?: readonly (Stop | null)[];
  /** Marks of single strings, one list for each numbered string. */
  readonly placeMarks?: readonly (readonly Mark[])[];
  /** Marks of the whole stroke. */
  readonly marks: readonly Mark[];
  /** The finger that taps a golpe with it, where it is not `a`. */
  readonly golpe?: Finger;
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
/** The left hand alone sounds a string: it hammers on, pulls off, or slides. */
export interface Ligado {
  readonly kind: 'ligado';
  readonly string: StringNumber;
  /** null = what the held shape has there. */
  readonly stop: Stop | null;
  readonly marks: readonly Mark[];
}
/** Anything that sounds or moves; rests and holds are the other steps. */
export type Motion = Stroke | Golpe | Slap | Ghost | Ligado;
export type Step = Motion | { readonly kind: 'rest' } | { readonly kind: 'hold' };

/** The strings that are written by number, in the order struck; null when others decide. */
export const numberedStrings = (s: Pick<Stroke, 'strings'>): readonly StringNumber[] | null =>
  s.strings === null || typeof s.strings === 'string' ? null : s.strings;
/** What a stroke brings with it for one of its strings. */
export const stopOn = (s: Stroke, string: StringNumber): Stop | null =>
  s.stops?.[numberedStrings(s)?.indexOf(string) ?? -1] ?? null;

/** Strings of a stroke with what belongs to each of them. */
export type Strung = Pick<Stroke, 'strings' | 'stops' | 'placeMarks'>;
const inOrder = (marks: readonly Mark[]): readonly Mark[] => MARKS.filter((m) => marks.includes(m));
/** Marks of one string over those of the whole stroke. */
const overMarks = (whole: readonly Mark[], own: readonly Mark[]): readonly Mark[] => [
  ...whole.filter((mark) => !own.some((o) => o === mark || markRow(o).against.includes(mark))),
  ...own,
];
/** The stroke over other strings, with what belongs to them. */
export function onStrings(stroke: Stroke, { strings, stops, placeMarks }: Strung): Stroke {
  const plain: { -readonly [K in keyof Stroke]: Stroke[K] } = { ...stroke, strings };
  delete plain.stops;
  delete plain.placeMarks;
  if (stops?.some((s) => s !== null)) plain.stops = stops;
  if (!placeMarks?.some((m) => m.length > 0)) return plain;
  // Of a single string they are marks of the stroke.
  const [only] = placeMarks;
  if (only && placeMarks.length === 1) plain.marks = inOrder(overMarks(plain.marks, only));
  else plain.placeMarks = placeMarks;
  return plain;
}
/** Some of a stroke's numbered strings, by their index, with what belongs to them. */
export const pickStrings = (s: Stroke, keep: (index: number) => boolean): Strung => {
  const own = <T>(list: readonly T[] | undefined): { list?: readonly T[] } =>
    list ? { list: list.filter((_, i) => keep(i)) } : {};
  const [stops, marks] = [own(s.stops).list, own(s.placeMarks).list];
  return {
    strings: numberedStrings(s)?.filter((_, i) => keep(i)) ?? s.strings,
    ...(stops ? { stops } : {}),
    ...(marks ? { placeMarks: marks } : {}),
  };
};
/** The same strings struck in the other order. */
export const turnStrings = ({ strings, stops, placeMarks }: Strung): Strung => ({
  strings: Array.isArray(strings) ? [...(strings as readonly StringNumber[])].reverse() : strings,
  ...(stops ? { stops: [...stops].reverse() } : {}),
  ...(placeMarks ? { placeMarks: [...placeMarks].reverse() } : {}),
});

export const hasMark = (m: Motion, mark: Mark): boolean => m.kind !== 'ghost' && m.marks.includes(mark);
/**
 * Marks that hold for one string of a stroke: those of the whole, and its own, which go before them.
 * @param string one that is written by number; others have the marks of the whole
 */
export function marksOn(m: Motion, string: StringNumber): readonly Mark[] {
  if (m.kind === 'ghost') return [];
  const own = m.kind === 'stroke' ? (m.placeMarks?.[numberedStrings(m)?.indexOf(string) ?? -1] ?? []) : [];
  return own.length === 0 ? m.marks : overMarks(m.marks, own);
}
/** Whether the whole stroke, or any of its strings, has a mark. */
export const hasMarkAnywhere = (m: Motion, mark: Mark): boolean =>
  hasMark(m, mark) || (m.kind === 'stroke' && (m.placeMarks ?? []).some((own) => own.includes(mark)));
export const fingersOf = (m: Motion): readonly Finger[] => (m.kind === 'stroke' ? m.fingers : []);
/** The finger that taps with a motion; null without a golpe. */
export const golpeFinger = (m: Motion): Finger | null =>
  m.kind === 'golpe' ? 'a' : m.kind === 'stroke' && m.marks.includes('*') ? (m.golpe ?? 'a') : null;
/** The way the hand goes, null for plucks, taps, slaps and what the left hand sounds alone. */
export const directionOf = (m: Motion): Direction | null => (m.kind === 'stroke' || m.kind === 'ghost' ? m.dir : null);
