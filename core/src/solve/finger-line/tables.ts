import { type Finger, ringingBefore } from '../../stroke/index.js';
import { lateCost, type LineCost, noteCost, pairCost } from './cost.js';
import { setsInForce } from './homes.js';
import { LINE_TERMS, type LineNote, type LineRequest } from './model.js';

/** Fingers that each note may have. */
export type LineChoices = readonly (readonly (readonly Finger[])[])[];

/** What a line's notes cost under every choice of fingers, by note. */
export interface LineTables {
  /** By choice: by terms, and in points alone. */
  readonly own: readonly (readonly LineCost[])[];
  readonly ownAt: readonly (readonly number[])[];
  /** By the choice of the note before, and this one's. */
  readonly pair: readonly (readonly (readonly LineCost[])[])[];
  readonly pairAt: readonly (readonly (readonly number[])[])[];
  /** By the choices of the two notes before, and this one's; in points. */
  readonly lateAt: readonly (readonly (readonly (readonly number[])[])[])[];
}
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
  const sets = setsInForce(notes);
  const note = (n: number) => notes[n] as LineNote;
  const kindNumber = numberOf<string>();
  const kinds = notes.map((n) => kindNumber(`${n.strings.join('')}${n.layer ?? ''}${n.pinned?.join('') ?? ''}`));
  const gap = numberOf<number>();
  const gapTo = (n: number, back: number) =>
    n < back || n >= notes.length ? 0 : 1 + gap(note(n).at - note(n - back).at);
  const other = numberOf<string>();
  const [ownKind, withGap, pairKind, pairGap, lateKind, lateGap] = [
    numbering(),
    numbering(),
    numbering(),
    numbering(),
    numbering(),
    numbering(),
  ];
  const [owns, pairs, lates] = [
    once<Pick<LineTablesAt, 'own' | 'ownAt'>>(),
    once<Pick<LineTablesAt, 'pair' | 'pairAt'>>(),
    once<readonly (readonly (readonly number[])[])[]>(),
  ];
  const fingersAt = (n: number, choice: number): readonly Finger[] => choices[n]?.[choice] ?? [];
  const chosen = <T>(n: number, of: (choice: number) => T): T[] => (choices[n] ?? []).map((_, c) => of(c));

  const ownOf = (n: number) => {
    const beside = other(`${note(n).accent ?? 0} ${sets[n] ?? 0} ${[...(ringing[n] ?? [])].sort().join('')}`);
    const gaps = withGap(gapTo(n, 1), gapTo(n + 1, 1));
    return owns(ownKind(ownKind(kinds[n] ?? 0, beside) + MOST / 2, gaps), () => {
      const own = chosen(n, (c) => noteCost(request, n, fingersAt(n, c), ringing[n] ?? new Set(), sets[n] ?? 0));
      return { own, ownAt: own.map(pointsOf) };
    });
  };
  const pairNumber = (n: number) => pairKind(kinds[n - 1] ?? 0, kinds[n] ?? 0);
  const pairOf = (n: number) =>
    pairs(pairGap(pairNumber(n), gapTo(n, 1)), () => {
      const pair = chosen(n - 1, (l) =>
        chosen(n, (c) => pairCost(request, note(n - 1), fingersAt(n - 1, l), note(n), fingersAt(n, c))),
      );
      return { pair, pairAt: pair.map((row) => row.map(pointsOf)) };
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
  const ownTables = notes.map((_, n) => ownOf(n));
  const pairTables = notes.map((_, n) => (n > 0 ? pairOf(n) : null));
  return {
    own: ownTables.map((t) => t.own),
    ownAt: ownTables.map((t) => t.ownAt),
    pair: pairTables.map((t) => t?.pair ?? []),
    pairAt: pairTables.map((t) => t?.pairAt ?? []),
    lateAt: notes.map((_, n) => (n > 1 ? lateOf(n) : [])),
  };
}
/** The tables of one note. */
type LineTablesAt = { readonly [T in keyof LineTables]: LineTables[T][number] };
