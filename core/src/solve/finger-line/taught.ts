import { fromThickest, type Kind, readPassage } from '../../passage/index.js';
import { type HandHabits, USUAL_HABITS } from '../../player/index.js';
import type { Finger } from '../../stroke/index.js';
import type { LineNote, LineRequest } from './model.js';
import { LINE_WEIGHTS, type LineWeights } from './schools.js';

/** Which fingers a note is given in its kind of playing. */
export interface Taught {
  readonly kind: Kind;
  /** What fingers pay, from the thickest string on, that are not what is taught there. */
  readonly points: (fingers: readonly Finger[]) => number;
  /** Its lowest string is the thumb's. */
  readonly thumb: boolean;
  /** One of a few notes of a melody over a bass, for which the fingers come in afresh: a m i. */
  readonly afresh: boolean;
  /** The finger that a run begins with by habit. */
  readonly begins: Finger | null;
  /** Notes with the same name are allowed the same. */
  readonly name: string;
}

/** What each kind of playing minds; one line of reason each. */
const BY_KIND: Partial<Record<Kind, LineWeights>> = {
  // One pair without an exception; where it crosses is learnt.
  run: { ...LINE_WEIGHTS, repeat: 2000, repeatSlow: 2000, crossing: 30, home: 0 },
  // One finger a string; where a string comes twice another finger helps out.
  arpeggio: { ...LINE_WEIGHTS, order: 0, home: 160, crossing: 40, repeat: 600, repeatSlow: 600 },
  'block chords': { ...LINE_WEIGHTS, order: 0, home: 160 },
  comping: { ...LINE_WEIGHTS, order: 0, home: 160 },
  // Never a finger twice in a row; else each near its home.
  'melody over basses': { ...LINE_WEIGHTS, order: 0, home: 20, repeat: 2000, repeatSlow: 2000 },
  tremolo: { ...LINE_WEIGHTS, order: 0, home: 0 },
  // The pedal’s string is nobody’s home.
  'thumb line': { ...LINE_WEIGHTS, order: 0, home: 0 },
};
/** What a note of this kind minds. */
export const weightsOfKind = (kind: Kind): LineWeights => BY_KIND[kind] ?? LINE_WEIGHTS;

/** More than any way round it could save: what is taught is given up only where nothing of it can be played. */
export const UNTAUGHT = 20_000;
/** A third finger in a run, which fingers that are set on either side may ask for: less than a finger twice. */
const OUT_OF_PAIR = 1_500;
/** A run that begins with the other finger of its pair: one awkward crossing is learnt, two are not. */
const OTHER_START = 40;
const UPPER: readonly Finger[] = ['i', 'm', 'a'];
const PAIRS: readonly (readonly Finger[])[] = [
  ['i', 'm'],
  ['m', 'a'],
  ['i', 'a'],
];
/** Strings on which i has no business under a melody: 6 and 5, and 4 unless the set goes down to it. */
const iBelongs = (string: number, set: 0 | 1): boolean => string < 4 + set;

/** The pair of a run: the hand's own, unless fingers that are set already ask for another. */
function pairOf(habits: HandHabits, notes: readonly LineNote[]): readonly Finger[] {
  const pinned = new Set(notes.flatMap((n) => (n.strings.length === 1 ? (n.pinned ?? []) : [])));
  pinned.delete('p');
  const fits = (pair: readonly Finger[]) => [...pinned].every((f) => pair.includes(f));
  return [habits.pair, ...PAIRS].find(fits) ?? UPPER;
}

/** The fingers of a tremolo over its bass, for so many notes. */
export function tremoloFingers({ tremolo, tremoloOfFour }: HandHabits, notes: number): readonly Finger[] {
  const three = tremolo.filter((f) => f !== 'p');
  const four = tremoloOfFour.filter((f) => f !== 'p');
  if (notes === four.length) return four;
  if (notes < three.length) return three.slice(three.length - notes);
  return Array.from({ length: notes }, (_, n) => three[n % three.length] ?? 'i');
}

/**
 * For every note of a line the fingers that a teacher of its kind gives: the thumb its basses, a run its pair, a tremolo
 * its order, an arpeggio and a melody the fingers above.
 */
export function taughtOf(request: LineRequest): ReadonlyMap<LineNote, Taught> {
  const known = readings.get(request.notes);
  if (known?.bpm === request.bpm && known.profile === request.profile) return known.taught;
  const taught = new Map(taughtAnew(request).map((t, i) => [request.notes[i] as LineNote, t] as const));
  readings.set(request.notes, { bpm: request.bpm, profile: request.profile, taught });
  return taught;
}
const readings = new WeakMap<
  readonly LineNote[],
  Pick<LineRequest, 'bpm' | 'profile'> & { readonly taught: ReadonlyMap<LineNote, Taught> }
>();
/** What a note minds under a school: the school’s own, or its kind’s where that decides. */
export const weightsAt = (request: LineRequest, note: LineNote): LineWeights => {
  if (!request.school.taught) return request.school.weights;
  const own = taughtOf(request).get(note);
  return own ? weightsOfKind(own.kind) : request.school.weights;
};
/** Whether the thumb goes on from one bass to the next, on whatever strings. */
export const bassToBass = (request: LineRequest, from: LineNote, to: LineNote): boolean => {
  if (!request.school.taught) return false;
  const taught = taughtOf(request);
  return taught.get(from)?.thumb === true && taught.get(to)?.thumb === true;
};
/** Whether the fingers come in from the ring finger on. */
export const comesAfresh = (request: LineRequest, note: LineNote): boolean =>
  taughtOf(request).get(note)?.afresh === true;
/** Points of fingers that are not what is taught there. */
export const untaughtPoints = (request: LineRequest, note: LineNote, fingers: readonly Finger[]): number =>
  request.school.taught ? (taughtOf(request).get(note)?.points(fingers) ?? 0) : 0;
/** Points of a run that begins with the other finger of its pair. */
export function startPoints(request: LineRequest, note: LineNote, fingers: readonly Finger[]): number {
  const begins = request.school.taught ? taughtOf(request).get(note)?.begins : null;
  return begins && begins !== fingers[0] ? OTHER_START : 0;
}
/** Where a line begins again, a hand that plays as it is taught begins again too: nothing is paid there. */
export function withoutSeam(request: LineRequest): LineRequest {
  if (!request.school.taught || request.loop === undefined) return request;
  const own: { -readonly [K in keyof LineRequest]: LineRequest[K] } = { ...request };
  delete own.loop;
  return own;
}

function taughtAnew({ notes, bpm, profile }: LineRequest): readonly Taught[] {
  const { bass, kinds, sets, stretches, groups, figures } = readPassage({ notes, bpm, profile });
  const habits = profile.habits ?? USUAL_HABITS;
  const pairs = new Map<number, readonly Finger[]>();
  const starts = new Map<number, Finger | undefined>();
  for (const { kind, from, to } of stretches)
    if (kind === 'run') {
      const pair = pairOf(habits, notes.slice(from, to));
      starts.set(from, pair[0]);
      for (let i = from; i < to; i++) pairs.set(i, pair);
    }
  // A melody of more notes than there are fingers alternates by the pair.
  figures.forEach((from, n) => {
    const to = figures[n + 1] ?? notes.length;
    const over = notes.slice(from, to).filter((note, i) => note.strings.length > (bass[from + i] ? 1 : 0)).length;
    if (kinds[from] === 'melody over basses' && over > UPPER.length)
      for (let i = from; i < to; i++) pairs.set(i, habits.pair);
  });
  // What goes through the thick strings string by string is a line that i belongs to.
  const isBeside = (a: LineNote | undefined, b: LineNote | undefined): boolean =>
    a?.strings.length === 1 && b?.strings.length === 1 && Math.abs((a.strings[0] ?? 0) - (b.strings[0] ?? 0)) < 2;
  const steps = (i: number): boolean => isBeside(notes[i - 1], notes[i]) || isBeside(notes[i], notes[i + 1]);
  return notes.map((note, i): Taught => {
    const kind = kinds[i] ?? 'run';
    const set = sets[i] ?? 0;
    const thumb = bass[i] === true;
    const group = kind === 'tremolo' ? groups[i] : null;
    const strings = fromThickest(note);
    const single = strings.length === 1;
    const beside = steps(i);
    const order = group ? tremoloFingers(habits, group.of) : [];
    const turn = group && group.turn >= 0 ? order[group.turn] : undefined;
    const pool = pairs.get(i) ?? (turn ? [turn] : kind === 'thumb line' && !thumb ? ['i', 'm'] : UPPER);
    const points = (fingers: readonly Finger[]): number => {
      if (note.pinned) return 0;
      if ((fingers[0] === 'p') !== thumb) return UNTAUGHT;
      return Math.max(
        ...fingers.map((f, n) => {
          if (f === 'p') return 0;
          if (turn) return f === turn ? 0 : UNTAUGHT;
          if (!UPPER.includes(f)) return UNTAUGHT;
          if (f === 'i' && strings.length < 3 && !iBelongs(strings[n] ?? 1, set) && !beside) return UNTAUGHT;
          const alone = single || (thumb && strings.length === 2);
          return alone && !pool.includes(f) ? (pairs.has(i) ? OUT_OF_PAIR : UNTAUGHT) : 0;
        }),
      );
    };
    const begins = single && !thumb && !note.pinned ? (starts.get(i) ?? null) : null;
    const afresh = kind === 'melody over basses' && !thumb && !pairs.has(i);
    const name = `${begins ?? ''}${kind}${thumb ? 't' : ''}${set}${pool.join('')}${afresh ? '' : 'p'}${beside ? 's' : ''}`;
    return { kind, thumb, points, afresh, begins, name };
  });
}
