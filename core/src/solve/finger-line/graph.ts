import type { ChoiceProblem } from '../../search/index.js';
import type { Finger } from '../../stroke/index.js';
import { pairCost } from './cost.js';
import type { LineNote, LineRequest } from './model.js';
import { type LineChoices, type Place, placesOf, pointsOf } from './tables.js';

/** A line as choices note by note; what a note must know is the fingers of the two before it, and of the first. */
export interface LineGraph {
  readonly problem: ChoiceProblem;
  fingers(n: number, choice: number): readonly Finger[];
  /** Fingers of the note before and of the one before that, while note n is chosen. */
  latest(n: number, state: number): readonly [readonly Finger[] | null, readonly Finger[] | null];
  /** Where a note stands, and which of its ways a choice is. */
  readonly places: readonly Place[];
  way(n: number, state: number, choice: number): number;
}
/** 32 choices at most: three fingers out of four, or one out of five. */
const MOST = 5;
const LAST = 2 ** MOST - 1;
export function lineGraph(request: LineRequest, choices: LineChoices): LineGraph {
  const { notes, loop } = request;
  const N = notes.length;
  const note = (n: number) => notes[n] as LineNote;
  const counts = Int32Array.from(choices, (c) => c.length);
  const count = (n: number): number => counts[n] ?? 1;
  const fingers = (n: number, choice: number): readonly Finger[] => choices[n]?.[choice] ?? [];
  const closes = loop !== undefined && N > 1;
  const firsts = closes ? count(0) : 1;
  const places = placesOf(request, choices);

  const stateOf = (before: number, last: number, first: number): number => (((before << MOST) | last) << MOST) | first;
  const beforeOf = (state: number) => state >> (2 * MOST);
  const lastOf = (state: number) => (state >> MOST) & LAST;
  const firstOf = (state: number) => state & LAST;
  const seam = (last: number, first: number): number =>
    closes ? pointsOf(pairCost(request, note(N - 1), fingers(N - 1, last), note(0), fingers(0, first), loop)) : 0;
  const way = (n: number, state: number, choice: number): number =>
    ((n > 1 ? beforeOf(state) * count(n - 1) : 0) + (n > 0 ? lastOf(state) : 0)) * count(n) + choice;

  const rest = restToPay({ N, count, firsts, places, seam });

  return {
    fingers,
    latest: (n, state) => [
      n >= 1 ? fingers(n - 1, lastOf(state)) : null,
      n >= 2 ? fingers(n - 2, beforeOf(state)) : null,
    ],
    places,
    way,
    problem: {
      stages: N,
      start: 0,
      ways: count,
      points: (n, state, choice) => places[n]?.points[way(n, state, choice)] ?? 0,
      after: (n, state, choice) =>
        stateOf(n === 0 ? 0 : lastOf(state), choice, closes ? (n === 0 ? choice : firstOf(state)) : 0),
      // Before the first note nothing is known, and nothing needs to be.
      rest: (n, state) => (n === 0 ? 0 : rest(n, n >= 2 ? beforeOf(state) : 0, lastOf(state), firstOf(state))),
    },
  };
}

const NOTHING = new Float64Array(0);

interface RestAsk {
  readonly N: number;
  /** Choices of a note. */
  readonly count: (n: number) => number;
  /** Choices of the first note that the end must know. */
  readonly firsts: number;
  readonly places: readonly Place[];
  readonly seam: (last: number, first: number) => number;
}
/**
 * Exactly what is still to pay from every state, backwards from the end. One table serves all stages: a line of ten
 * thousand notes would else make as many small ones.
 */
function restToPay({ N, count, firsts, places, seam }: RestAsk) {
  const begins = [0, 0];
  for (let n = 1; n <= N; n++) begins.push((begins[n] ?? 0) + count(n - 1) * (n >= 2 ? count(n - 2) : 1) * firsts);
  const slot = (n: number, before: number, last: number, first: number): number =>
    (begins[n] ?? 0) + (before * count(n - 1) + last) * firsts + first;
  const table = new Float64Array(begins[N + 1] ?? 0).fill(Infinity);
  const [lastly, befores] = [count(N - 1), N >= 2 ? count(N - 2) : 1];
  for (let before = 0; before < befores; before++)
    for (let last = 0; last < lastly; last++)
      for (let first = 0; first < firsts; first++) table[slot(N, before, last, first)] = seam(last, first);
  for (let n = N - 1; n >= 1; n--) {
    const step = places[n]?.points ?? NOTHING;
    const [ways, lasts] = [count(n), count(n - 1)];
    const [from, to] = [begins[n] ?? 0, begins[n + 1] ?? 0];
    const all = step.length / ways;
    for (let state = 0; state < all; state++) {
      const next = to + (state % lasts) * ways * firsts;
      const here = from + state * firsts;
      for (let first = 0; first < firsts; first++) {
        let least = Infinity;
        for (let c = 0; c < ways; c++) {
          const total = (step[state * ways + c] as number) + (table[next + c * firsts + first] as number);
          if (total < least) least = total;
        }
        table[here + first] = least;
      }
    }
  }
  return (n: number, before: number, last: number, first: number): number =>
    table[slot(n, before, last, first)] ?? Infinity;
}
