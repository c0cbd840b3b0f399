import { type Finger, ringingBefore } from '../../stroke/index.js';
import { lateCost, type LineCost, noteCost, pairCost } from './cost.js';
import { setsInForce } from './homes.js';
import { taughtOf } from './taught.js';
import { LINE_TERMS, type LineNote, type LineRequest } from './model.js';

/** Fingers that each note may have. */
export type LineChoices = readonly (readonly (readonly Finger[])[])[];

/**
 * What a note costs under every choice of fingers, its own and those of the two notes before it: way number
 * `(before × choices of the last + last) × choices + choice`; the first two notes have nothing so far before them.
 * Notes that stand alike share it.
 */
export interface Place {
  /** In points, by way. */
  readonly points: Float64Array;
  /** By way and term. */
  readonly split: (way: number) => Split;
}
/** Points by term, in the order of `LINE_TERMS`. */
export type Split = readonly number[];
const splitOf = (c: LineCost): Split => LINE_TERMS.map((t) => c[t] ?? 0);
const sumOf = (split: Split): number => split.reduce((sum, points) => sum + points, 0);
const LATE = LINE_TERMS.indexOf('late');
export const pointsOf = (c: LineCost): number => LINE_TERMS.reduce((s, t) => s + (c[t] ?? 0), 0);

/** A number for each pair of numbers, the same for the same pair. */
type Numbering = (a: number, b: number) => number;
function numbering(): Numbering {
  const known: number[][] = [];
  let given = 0;
  return (a, b) => {
    const row = (known[a] ??= []);
    return (row[b] ??= given++);
  };
}
/** The same of anything. */
function numberOf<T>(): (value: T) => number {
  const known = new Map<T, number>();
  return (value) => {
    const before = known.get(value);
    if (before !== undefined) return before;
    known.set(value, known.size);
    return known.size - 1;
  };
}
/** What is reckoned once for each number. */
function once<T>(): (number: number, reckon: () => T) => T {
  const known: T[] = [];
  return (number, reckon) => (known[number] ??= reckon());
}

/** Lines repeat the same strings at the same distance over and over: each kind of place is reckoned once. */
export function placesOf(request: LineRequest, choices: LineChoices): readonly Place[] {
  const { notes } = request;
  const ringing = ringingBefore(notes);
  const sets = setsInForce(request);
  const note = (n: number) => notes[n] as LineNote;
  const kindNumber = numberOf<string>();
  const taught = request.school.taught ? taughtOf(request) : null;
  const kinds = notes.map((n) => kindNumber(kindOf(n, taught?.get(n)?.name)));
  const gap = numberOf<number>();
  const gapTo = (n: number, back: number) =>
    n < back || n >= notes.length ? 0 : 1 + gap(note(n).at - note(n - back).at);
  const [loudness, ringNumber] = [numberOf<number>(), numberOf<ReadonlySet<number>>()];
  const [ownKind, ownGap, heard, withGap] = [numbering(), numbering(), numbering(), numbering()];
  const [pairKind, pairGap, lateKind, lateGap] = [numbering(), numbering(), numbering(), numbering()];
  const owns = once<readonly Split[]>();
  const pairs = once<readonly (readonly Split[])[]>();
  const lates = once<readonly (readonly (readonly number[])[])[]>();
  const [places, into, placeNumber] = [once<Place>(), numbering(), numbering()];
  const fingersAt = (n: number, choice: number): readonly Finger[] => choices[n]?.[choice] ?? [];
  const chosen = <T>(n: number, of: (choice: number) => T): T[] => (choices[n] ?? []).map((_, c) => of(c));

  const ownNumber = (n: number) => {
    const beside = heard(loudness((note(n).accent ?? 0) * 2 + (sets[n] ?? 0)), ringNumber(ringing[n] ?? NO_STRINGS));
    return ownGap(ownKind(kinds[n] ?? 0, beside), withGap(gapTo(n, 1), gapTo(n + 1, 1)));
  };
  const ownOf = (n: number, number: number) =>
    owns(number, () => {
      const [rings, deeper] = [ringing[n] ?? NO_STRINGS, sets[n] ?? 0];
      return chosen(n, (c) => splitOf(noteCost(request, n, fingersAt(n, c), rings, deeper)));
    });
  const pairNumber = (n: number) => pairKind(kinds[n - 1] ?? 0, kinds[n] ?? 0);
  const pairOf = (n: number, number: number) =>
    pairs(number, () =>
      chosen(n - 1, (l) =>
        chosen(n, (c) => splitOf(pairCost(request, note(n - 1), fingersAt(n - 1, l), note(n), fingersAt(n, c)))),
      ),
    );
  const lateOf = (n: number, number: number) =>
    lates(number, () =>
      chosen(n - 2, (b) =>
        chosen(n - 1, (l) =>
          chosen(n, (c) =>
            lateCost(request, note(n - 2), fingersAt(n - 2, b), fingersAt(n - 1, l), note(n), fingersAt(n, c)),
          ),
        ),
      ),
    );
  return notes.map((_, n) => {
    const own = ownNumber(n);
    const between = n > 0 ? pairGap(pairNumber(n), gapTo(n, 1)) : 0;
    const before = n > 1 ? lateGap(lateKind(kinds[n - 2] ?? 0, pairNumber(n)), gapTo(n, 2)) : 0;
    // The second note has nothing before the one before it.
    const number = placeNumber(into(own, between), n > 1 ? before + 1 : 0);
    return places(number, () =>
      placeOf(ownOf(n, own), n > 0 ? pairOf(n, between) : NO_PAIR, n > 1 ? lateOf(n, before) : NO_LATE),
    );
  });
}
const NO_PAIR: readonly (readonly Split[])[] = [[]];
const NO_LATE: readonly (readonly (readonly number[])[])[] = [[]];
function placeOf(own: readonly Split[], pair: typeof NO_PAIR, late: typeof NO_LATE): Place {
  const [ways, lasts] = [own.length, pair.length];
  const lateness = (way: number): number =>
    late[Math.floor(way / ways / lasts)]?.[Math.floor(way / ways) % lasts]?.[way % ways] ?? 0;
  const split = (way: number): Split => {
    const [alone, between] = [own[way % ways], pair[Math.floor(way / ways) % lasts]?.[way % ways]];
    return LINE_TERMS.map((_, t) => (alone?.[t] ?? 0) + (between?.[t] ?? 0) + (t === LATE ? lateness(way) : 0));
  };
  return { points: Float64Array.from({ length: late.length * lasts * ways }, (_, way) => sumOf(split(way))), split };
}
const NO_STRINGS: ReadonlySet<number> = new Set();
/** Notes of one kind have the same choices. */
export const kindOf = ({ strings, layer, pinned }: LineNote, taught = ''): string =>
  strings.length === 1 && !layer && !pinned && !taught
    ? String(strings[0])
    : `${strings.join('')}${layer ?? ''}${pinned?.join('') ?? ''} ${taught}`;
