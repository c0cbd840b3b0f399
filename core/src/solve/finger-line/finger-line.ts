import { fact } from '../../fault/index.js';
import { kBest, type Move, type SearchProblem, type SearchWatch } from '../../search/index.js';
import type { Finger } from '../../stroke/index.js';
import { cantFinger, choicesFor, lineFaults } from './choices.js';
import { type LineCost, pairCost, pairsCost } from './cost.js';
import {
  LINE_TERMS,
  type LineAnswer,
  type LineNote,
  type LineRequest,
  type LineResult,
  type LineTerm,
} from './model.js';
import { type EarlierStroke, latenessFrom, reachesFurther, remembered } from './earlier-strokes.js';
import { inTurn } from './in-turn.js';
import { type LineChoices, lineTables, pointsOf } from './tables.js';

/**
 * The k best right-hand fingerings of a line, with the cost of each by named term.
 * @returns reasons when no hand can play it so
 * @throws SearchCancelled when the watch says so
 */
export function fingerLine(request: LineRequest, watch: SearchWatch = {}): LineResult {
  const reasons = lineFaults(request);
  if (reasons.length) return { infeasible: reasons };
  const { cycle, weights } = request.school;
  if (cycle) return inTurn(request, cycle);
  if (weights.pair > 0) return onePair(request, watch);
  return freely(request, watch);
}

/** Any finger of the school for any note. */
function freely(request: LineRequest, watch: SearchWatch): LineResult {
  const choices = request.notes.map((n) => choicesFor(request, n));
  const stuck = choices.findIndex((c) => c.length === 0);
  if (stuck >= 0) return { infeasible: [cantFinger(request, stuck)] };
  const { paths, looked } = kBest(lineProblem(request, choices), request.k ?? 5, watch);
  return paths.length ? { answers: paths, looked } : { infeasible: [fact('no way through the pins')] };
}

const PAIRS: readonly (readonly Finger[])[] = [
  ['i', 'm'],
  ['m', 'a'],
  ['i', 'a'],
];
/** The best of every pair that keeps the pinned fingers, and of three fingers where the pins need them. */
function onePair(request: LineRequest, watch: SearchWatch): LineResult {
  const { school, notes, k = 5 } = request;
  const pinned = new Set(notes.flatMap((n) => (n.strings.length === 1 ? (n.pinned ?? []) : [])));
  const kept = PAIRS.filter((pair) => [...pinned].every((f) => f === 'p' || pair.includes(f)));
  const asks = kept.length
    ? kept.map((pair) => ({ ...school, fingers: school.fingers.filter((f) => f === 'p' || pair.includes(f)) }))
    : [school];
  const found: LineAnswer[] = [];
  let looked = 0;
  let refused: LineResult | null = null;
  for (const own of asks) {
    const result = freely({ ...request, school: own }, watch);
    if (result.infeasible) {
      refused = result;
      continue;
    }
    looked += result.looked;
    for (const a of result.answers) {
      // Searched without what a third finger costs: within a pair there is none.
      const pair = kept.length ? 0 : pairsCost(request, a.steps);
      const own = { ...a, cost: { ...a.cost, pair }, total: a.total + pair };
      if (!found.some((f) => f.total === own.total && isSame(f.steps, own.steps))) found.push(own);
    }
  }
  if (found.length === 0 && refused) return refused;
  const answers = found.sort((a, b) => a.total - b.total).slice(0, k);
  return { answers, looked };
}

/** A line that asks for no finger of the pair is found with each of them. */
const isSame = (a: LineAnswer['steps'], b: LineAnswer['steps']): boolean =>
  a.every((fingers, i) => fingers.length === b[i]?.length && fingers.every((f, n) => f === b[i]?.[n]));

interface State {
  /** Notes fingered so far. */
  readonly n: number;
  /** Indices into the choices of the latest note, the one before it, and the first. */
  readonly last: number;
  readonly before: number;
  readonly first: number;
  /** Strokes before those two whose fingers are not back yet; none unless the line is very fast. */
  readonly earlier: readonly EarlierStroke[];
}
const NONE: readonly EarlierStroke[] = [];
function lineProblem(request: LineRequest, choices: LineChoices): SearchProblem<State, readonly Finger[], LineTerm> {
  const { notes, loop } = request;
  const N = notes.length;
  const note = (n: number) => notes[n] as LineNote;
  const count = (n: number): number => choices[n]?.length ?? 1;
  const fingersAt = (n: number, choice: number): readonly Finger[] => choices[n]?.[choice] ?? [];
  const closes = loop !== undefined && N > 1;
  const further = reachesFurther(request);
  const firsts = closes ? count(0) : 1;
  const seam = (last: number, first: number): number =>
    pointsOf(pairCost(request, note(N - 1), fingersAt(N - 1, last), note(0), fingersAt(0, first), loop));

  const { own: ownSplit, ownAt, pair: pairSplit, pairAt, lateAt } = lineTables(request, choices);

  // One table for all stages: a line of ten thousand notes would else make as many small ones.
  const begins = [0, 0];
  for (let n = 1; n <= N; n++) begins.push((begins[n] ?? 0) + count(n - 1) * (n >= 2 ? count(n - 2) : 1) * firsts);
  const rest = restToPay();
  /** Where a state's rest stands in the table of its stage. */
  function slot(n: number, last: number, before: number, first: number): number {
    return ((n >= 2 ? before : 0) * count(n - 1) + last) * firsts + (closes ? first : 0);
  }
  /** Exactly what is still to pay from every state, backwards from the end. */
  function restToPay(): Float64Array {
    const table = new Float64Array(begins[N + 1] ?? 0).fill(Infinity);
    for (let n = N; n >= 1; n--) {
      const [lasts, befores] = [count(n - 1), n >= 2 ? count(n - 2) : 1];
      const [here, onward] = [begins[n] ?? 0, begins[n + 1] ?? 0];
      const [owns, pairs, lates] = [ownAt[n], pairAt[n], lateAt[n]];
      const ways = n === N ? 0 : count(n);
      for (let before = 0; before < befores; before++)
        for (let last = 0; last < lasts; last++) {
          const [pair, late] = [pairs?.[last], lates?.[before]?.[last]];
          const from = here + slot(n, last, before, 0);
          for (let first = 0; first < firsts; first++)
            table[from + first] = n === N ? (closes ? seam(last, first) : 0) : Infinity;
          for (let c = 0; c < ways; c++) {
            const step = (owns?.[c] ?? 0) + (pair?.[c] ?? 0) + (late?.[c] ?? 0);
            const to = onward + slot(n + 1, c, last, 0);
            for (let first = 0; first < firsts; first++) {
              const total = step + (table[to + first] as number);
              if (total < (table[from + first] as number)) table[from + first] = total;
            }
          }
        }
    }
    return table;
  }
  /** 32 choices at most: three fingers out of four, or one out of five. */
  function keyOf({ n, last, before, first, earlier }: State): number | string {
    const key = ((n * 32 + last) * 32 + before) * 32 + (closes ? first : 0);
    return earlier.length ? `${key} ${earlier.map((e) => `${e.finger}${e.at}`).join()}` : key;
  }
  function earlierAfter(s: State, fingers: readonly Finger[]): readonly EarlierStroke[] {
    const third = s.n >= 2 ? { note: note(s.n - 2), fingers: fingersAt(s.n - 2, s.before) } : null;
    const since = s.n >= 1 ? [...fingersAt(s.n - 1, s.last), ...fingers] : fingers;
    return remembered(request, s.earlier, third, since, notes[s.n + 1]);
  }
  function moveCost(s: State, choice: number, earlier: number): LineCost {
    const alone = ownSplit[s.n]?.[choice];
    if (s.n === 0) return alone ?? {};
    const late = lateAt[s.n]?.[s.before]?.[s.last]?.[choice] ?? 0;
    const joint = pairSplit[s.n]?.[s.last]?.[choice];
    // Written out: spreading is what most of the time of a long line would go to.
    return {
      home: alone?.home ?? 0,
      weak: (alone?.weak ?? 0) + (joint?.weak ?? 0),
      rest: alone?.rest ?? 0,
      repeat: joint?.repeat ?? 0,
      crossing: joint?.crossing ?? 0,
      skip: joint?.skip ?? 0,
      order: (alone?.order ?? 0) + (joint?.order ?? 0),
      late: late + earlier + (joint?.late ?? 0),
    };
  }

  return {
    terms: LINE_TERMS,
    start: { n: 0, last: 0, before: 0, first: 0, earlier: NONE },
    key: (s) => keyOf(s),
    stage: (s) => s.n,
    isEnd: (s) => s.n === N + 1,
    // What is remembered from further back makes the rest a bound only.
    exact: !further,
    bound: (s) =>
      s.n === 0 || s.n > N ? 0 : (rest[(begins[s.n] ?? 0) + slot(s.n, s.last, s.before, s.first)] ?? Infinity),
    moves: (s): Move<State, readonly Finger[], LineTerm>[] => {
      if (s.n === N) {
        const closing = closes ? seam(s.last, s.first) : 0;
        return [{ to: { ...s, n: N + 1 }, step: null, total: closing, cost: () => ({ seam: closing }) }];
      }
      const owns = ownAt[s.n] ?? [];
      const pairs = pairAt[s.n]?.[s.last];
      const lates = lateAt[s.n]?.[s.before]?.[s.last];
      return (choices[s.n] ?? []).map((fingers, choice) => {
        const late = further ? latenessFrom(request, s.earlier, note(s.n), fingers) : 0;
        return {
          to: {
            n: s.n + 1,
            last: choice,
            before: s.n === 0 ? 0 : s.last,
            first: s.n === 0 ? choice : s.first,
            earlier: further ? earlierAfter(s, fingers) : NONE,
          },
          step: fingers,
          total: (owns[choice] ?? 0) + (pairs?.[choice] ?? 0) + (lates?.[choice] ?? 0) + late,
          cost: () => moveCost(s, choice, late),
        };
      });
    },
  };
}
