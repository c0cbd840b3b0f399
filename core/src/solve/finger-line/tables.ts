import { type Finger, ringingBefore } from '../../stroke/index.js';
import { lateCost, type LineCost, noteCost, pairCost } from './cost.js';
import { setsInForce } from './homes.js';
import { taughtOf } from './taught.js';
import { LINE_TERMS, type LineNote, type LineRequest } from './model.js';

/** Fingers that each note may have. */
export type LineChoices = readonly (readonly (readonly Finger[])[])[];

/** What a line's notes cost under every choice of fingers, by note. */
export interface LineTables {
  /** By choice. */
  readonly own: readonly Priced<readonly Split[], readonly number[]>[];
  /** By the choice of the note before, and this one's; null of the first note. */
  readonly pair: readonly (Priced<readonly (readonly Split[])[], readonly (readonly number[])[]> | null)[];
  /** By the choices of the two notes before, and this one's, in points; null of the first two. */
  readonly late: readonly (readonly (readonly (readonly number[])[])[] | null)[];
}
/** The same by terms and in points alone. */
interface Priced<Splits, Points> {
  readonly splits: Splits;
  readonly points: Points;
}
/** Points by term, in the order of `LINE_TERMS`. */
export type Split = readonly number[];
const splitOf = (c: LineCost): Split => LINE_TERMS.map((t) => c[t] ?? 0);
const sumOf = (split: Split): number => split.reduce((sum, points) => sum + points, 0);
export const pointsOf = (c: LineCost): number => LINE_TERMS.reduce((s, t) => s + (c[t] ?? 0), 0);

/** A number for each pair of numbers, the same for the same pair. */
type Numbering = (a: number, b: number) => number;
/** Numbers given are smaller than this. */
const MOST = 2 ** 26;
function numbering(): Numbering {
  const known = new Map<number, number>();
  return (a, b) => {
    const key = a * MOST + b;
    const before = known.get(key);
    if (before !== undefined) return before;
    known.set(key, known.size);
    return known.size - 1;
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
export function lineTables(request: LineRequest, choices: LineChoices): LineTables {
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
  const [ownKind, heard, withGap, pairKind] = [numbering(), numbering(), numbering(), numbering()];
  const [pairGap, lateKind, lateGap] = [numbering(), numbering(), numbering()];
  const owns = once<LineTables['own'][number]>();
  const pairs = once<NonNullable<LineTables['pair'][number]>>();
  const lates = once<NonNullable<LineTables['late'][number]>>();
  const fingersAt = (n: number, choice: number): readonly Finger[] => choices[n]?.[choice] ?? [];
  const chosen = <T>(n: number, of: (choice: number) => T): T[] => (choices[n] ?? []).map((_, c) => of(c));

  const ownOf = (n: number) => {
    const [rings, deeper] = [ringing[n] ?? NO_STRINGS, sets[n] ?? 0];
    const beside = heard(loudness((note(n).accent ?? 0) * 2 + deeper), ringNumber(rings));
    const gaps = withGap(gapTo(n, 1), gapTo(n + 1, 1));
    return owns(ownKind(ownKind(kinds[n] ?? 0, beside) + MOST / 2, gaps), () => {
      const splits = chosen(n, (c) => splitOf(noteCost(request, n, fingersAt(n, c), rings, deeper)));
      return { splits, points: splits.map(sumOf) };
    });
  };
  const pairNumber = (n: number) => pairKind(kinds[n - 1] ?? 0, kinds[n] ?? 0);
  const pairOf = (n: number) =>
    pairs(pairGap(pairNumber(n), gapTo(n, 1)), () => {
      const splits = chosen(n - 1, (l) =>
        chosen(n, (c) => splitOf(pairCost(request, note(n - 1), fingersAt(n - 1, l), note(n), fingersAt(n, c)))),
      );
      return { splits, points: splits.map((row) => row.map(sumOf)) };
    });
  const lateOf = (n: number) =>
    lates(lateGap(lateKind(kinds[n - 2] ?? 0, pairNumber(n)), gapTo(n, 2)), () =>
      chosen(n - 2, (b) =>
        chosen(n - 1, (l) =>
          chosen(n, (c) =>
            lateCost(request, note(n - 2), fingersAt(n - 2, b), fingersAt(n - 1, l), note(n), fingersAt(n, c)),
          ),
        ),
      ),
    );
  return {
    own: notes.map((_, n) => ownOf(n)),
    pair: notes.map((_, n) => (n > 0 ? pairOf(n) : null)),
    late: notes.map((_, n) => (n > 1 ? lateOf(n) : null)),
  };
}
const NO_STRINGS: ReadonlySet<number> = new Set();
/** Notes of one kind have the same choices. */
export const kindOf = ({ strings, layer, pinned }: LineNote, taught = ''): string =>
  strings.length === 1 && !layer && !pinned && !taught
    ? String(strings[0])
    : `${strings.join('')}${layer ?? ''}${pinned?.join('') ?? ''} ${taught}`;
