import type { ChoiceProblem } from '../../search/index.js';
import type { Finger } from '../../stroke/index.js';
import { pairCost } from './cost.js';
import { LINE_TERMS, type LineNote, type LineRequest } from './model.js';
import { type LineChoices, type LineTables, lineTables, pointsOf, type Split } from './tables.js';

/** A line as choices note by note; what a note must know is the fingers of the two before it, and of the first. */
export interface LineGraph {
  readonly problem: ChoiceProblem;
  fingers(n: number, choice: number): readonly Finger[];
  /** Fingers of the note before and of the one before that, while note n is chosen. */
  latest(n: number, state: number): readonly [readonly Finger[] | null, readonly Finger[] | null];
  /** Adds what a choice costs to sums by term, in the order of `LINE_TERMS`. */
  charge(sums: Float64Array, n: number, state: number, choice: number): void;
}
/** 32 choices at most: three fingers out of four, or one out of five. */
const MOST = 5;
const LAST = 2 ** MOST - 1;
const LATE = LINE_TERMS.indexOf('late');
function add(sums: Float64Array, split: Split | undefined) {
  if (split) for (let t = 0; t < split.length; t++) sums[t] = (sums[t] ?? 0) + (split[t] ?? 0);
}

export function lineGraph(request: LineRequest, choices: LineChoices): LineGraph {
  const { notes, loop } = request;
  const N = notes.length;
  const note = (n: number) => notes[n] as LineNote;
  const count = (n: number): number => choices[n]?.length ?? 1;
  const fingers = (n: number, choice: number): readonly Finger[] => choices[n]?.[choice] ?? [];
  const closes = loop !== undefined && N > 1;
  const firsts = closes ? count(0) : 1;
  const tables = lineTables(request, choices);

  const stateOf = (before: number, last: number, first: number): number => (((before << MOST) | last) << MOST) | first;
  const beforeOf = (state: number) => state >> (2 * MOST);
  const lastOf = (state: number) => (state >> MOST) & LAST;
  const firstOf = (state: number) => state & LAST;
  const seam = (last: number, first: number): number =>
    closes ? pointsOf(pairCost(request, note(N - 1), fingers(N - 1, last), note(0), fingers(0, first), loop)) : 0;
  const lateness = (n: number, state: number, choice: number): number =>
    tables.late[n]?.[beforeOf(state)]?.[lastOf(state)]?.[choice] ?? 0;

  const rest = restToPay({ N, count, firsts, tables, seam });

  return {
    fingers,
    latest: (n, state) => [
      n >= 1 ? fingers(n - 1, lastOf(state)) : null,
      n >= 2 ? fingers(n - 2, beforeOf(state)) : null,
    ],
    charge: (sums, n, state, choice) => {
      add(sums, tables.own[n]?.splits[choice]);
      if (n === 0) return;
      add(sums, tables.pair[n]?.splits[lastOf(state)]?.[choice]);
      sums[LATE] = (sums[LATE] ?? 0) + lateness(n, state, choice);
    },
    problem: {
      stages: N,
      start: 0,
      ways: count,
      points: (n, state, choice) => {
        const alone = tables.own[n]?.points[choice] ?? 0;
        if (n === 0) return alone;
        return alone + (tables.pair[n]?.points[lastOf(state)]?.[choice] ?? 0) + lateness(n, state, choice);
      },
      after: (n, state, choice) =>
        stateOf(n === 0 ? 0 : lastOf(state), choice, closes ? (n === 0 ? choice : firstOf(state)) : 0),
      // Before the first note nothing is known, and nothing needs to be.
      rest: (n, state) => (n === 0 ? 0 : rest(n, n >= 2 ? beforeOf(state) : 0, lastOf(state), firstOf(state))),
    },
  };
}

interface RestAsk {
  readonly N: number;
  /** Choices of a note. */
  readonly count: (n: number) => number;
  /** Choices of the first note that the end must know. */
  readonly firsts: number;
  readonly tables: LineTables;
  readonly seam: (last: number, first: number) => number;
}
/**
 * Exactly what is still to pay from every state, backwards from the end. One table serves all stages: a line of ten
 * thousand notes would else make as many small ones.
 */
function restToPay({ N, count, firsts, tables, seam }: RestAsk) {
  const begins = [0, 0];
  for (let n = 1; n <= N; n++) begins.push((begins[n] ?? 0) + count(n - 1) * (n >= 2 ? count(n - 2) : 1) * firsts);
  const slot = (n: number, before: number, last: number, first: number): number =>
    (begins[n] ?? 0) + (before * count(n - 1) + last) * firsts + first;
  const table = new Float64Array(begins[N + 1] ?? 0).fill(Infinity);
  for (let n = N; n >= 1; n--) {
    const [lasts, befores] = [count(n - 1), n >= 2 ? count(n - 2) : 1];
    const [owns, pairs, lates] = [tables.own[n]?.points, tables.pair[n]?.points, tables.late[n]];
    const ways = n === N ? 0 : count(n);
    for (let before = 0; before < befores; before++)
      for (let last = 0; last < lasts; last++) {
        const [pairPoints, late] = [pairs?.[last], lates?.[before]?.[last]];
        const from = slot(n, before, last, 0);
        if (n === N) for (let first = 0; first < firsts; first++) table[from + first] = seam(last, first);
        for (let c = 0; c < ways; c++) {
          const step = (owns?.[c] ?? 0) + (pairPoints?.[c] ?? 0) + (late?.[c] ?? 0);
          const to = slot(n + 1, last, c, 0);
          for (let first = 0; first < firsts; first++) {
            const total = step + (table[to + first] as number);
            if (total < (table[from + first] as number)) table[from + first] = total;
          }
        }
      }
  }
  return (n: number, before: number, last: number, first: number): number =>
    table[slot(n, before, last, first)] ?? Infinity;
}
