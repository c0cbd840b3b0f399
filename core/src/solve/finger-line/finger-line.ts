import { fact } from '../../fault/index.js';
import { kBest, type Move, type SearchProblem, type SearchWatch } from '../../search/index.js';
import { type Finger, ringingBefore } from '../../stroke/index.js';
import { cantFinger, choicesFor, lineFaults } from './choices.js';
import { lateCost, type LineCost, noteCost, pairCost } from './cost.js';
import { setsInForce } from './homes.js';
import {
  LINE_TERMS,
  type LineAnswer,
  type LineNote,
  type LineRequest,
  type LineResult,
  type LineTerm,
} from './model.js';
import { scoreLine } from './score.js';

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
  const found = new Map<string, LineAnswer>();
  let looked = 0;
  let refused: LineResult | null = null;
  for (const own of asks) {
    const result = freely({ ...request, school: own }, watch);
    if (result.infeasible) {
      refused = result;
      continue;
    }
    looked += result.looked;
    for (const { steps } of result.answers) found.set(JSON.stringify(steps), scoreLine(request, steps));
  }
  if (found.size === 0 && refused) return refused;
  const answers = [...found.values()].sort((a, b) => a.total - b.total).slice(0, k);
  return { answers, looked };
}

/** Fingers in a fixed order: each start of the order is one answer, ranked by its score. */
function inTurn(request: LineRequest, cycle: readonly Finger[]): LineResult {
  const answers: LineAnswer[] = [];
  const seen = new Set<string>();
  for (let start = 0; start < cycle.length; start++) {
    let n = start;
    const fingers = request.notes.map((note): readonly Finger[] | null => {
      if (note.strings.length > 1) return null;
      // A bass that is the thumb's goes beside an order without one.
      const apart = note.layer === 'thumb' || note.pinned?.[0] === 'p';
      if (apart && !cycle.includes('p')) return ['p'];
      // What is for the fingers passes the thumb's place over.
      if (note.layer === 'fingers') while (cycle[n % cycle.length] === 'p') n++;
      return [cycle[n++ % cycle.length] as Finger];
    });
    if (fingers.some((f) => f === null)) continue;
    const line = fingers as readonly (readonly Finger[])[];
    const fits = request.notes.every(
      (note, i) =>
        (!note.pinned || note.pinned.join() === line[i]?.join()) &&
        (note.layer !== 'thumb' || line[i]?.[0] === 'p') &&
        (note.layer !== 'fingers' || line[i]?.[0] !== 'p'),
    );
    // A line of the thumb alone is the same from every start.
    const text = JSON.stringify(line);
    if (fits && !seen.has(text)) answers.push(scoreLine(request, line));
    seen.add(text);
  }
  if (answers.length === 0) {
    const chord = request.notes.findIndex((n) => n.strings.length > 1);
    return {
      infeasible: [
        chord >= 0
          ? fact('school takes single notes', chord + 1, request.school.name)
          : fact('pins against the order', request.school.name),
      ],
    };
  }
  const ranked = answers.map((a, i) => ({ a, i })).sort((x, y) => x.a.total - y.a.total || x.i - y.i);
  return { answers: ranked.slice(0, request.k ?? 5).map((r) => r.a), looked: answers.length };
}

interface State {
  /** Notes fingered so far. */
  readonly n: number;
  /** Indices into the choices of the latest note, the one before it, and the first. */
  readonly last: number;
  readonly before: number;
  readonly first: number;
}
const sum = (c: LineCost): number => LINE_TERMS.reduce((s, t) => s + (c[t] ?? 0), 0);

/** Remembers what was reckoned for a key: lines repeat the same strings at the same distance over and over. */
function remembering<T>(reckon: (i: number) => T, keyOf: (i: number) => string): (i: number) => T {
  const known = new Map<string, T>();
  return (i) => {
    const key = keyOf(i);
    const before = known.get(key);
    if (before !== undefined) return before;
    const value = reckon(i);
    known.set(key, value);
    return value;
  };
}

/** The same tables in points alone, reckoned once for each table however often it stands in the list. */
function totalled<A extends object, B>(tables: readonly A[], total: (table: A) => B): B[] {
  const known = new Map<A, B>();
  return tables.map((table) => {
    const before = known.get(table);
    if (before !== undefined) return before;
    const value = total(table);
    known.set(table, value);
    return value;
  });
}

function lineProblem(
  request: LineRequest,
  choices: readonly (readonly (readonly Finger[])[])[],
): SearchProblem<State, readonly Finger[], LineTerm> {
  const { notes, loop } = request;
  const N = notes.length;
  const ringing = ringingBefore(notes);
  const sets = setsInForce(notes);
  const note = (n: number) => notes[n] as LineNote;
  const count = (n: number): number => choices[n]?.length ?? 1;
  const fingersAt = (n: number, choice: number): readonly Finger[] => choices[n]?.[choice] ?? [];
  const closes = loop !== undefined && N > 1;
  const firsts = closes ? count(0) : 1;
  const gapTo = (n: number, back: number) => note(n).at - note(n - back).at;
  const kind = (n: number) => `${note(n).strings.join('')}${note(n).layer ?? ''}${note(n).pinned?.join('') ?? ''}`;

  const own = (n: number, choice: number) =>
    noteCost(request, n, fingersAt(n, choice), ringing[n] ?? new Set(), sets[n] ?? 0);
  const pair = (n: number, last: number, choice: number) =>
    pairCost(request, note(n - 1), fingersAt(n - 1, last), note(n), fingersAt(n, choice));
  const late = (n: number, before: number, last: number, choice: number): number =>
    n < 2
      ? 0
      : lateCost(request, note(n - 2), fingersAt(n - 2, before), fingersAt(n - 1, last), note(n), fingersAt(n, choice));
  const seam = (last: number, first: number): number =>
    sum(pairCost(request, note(N - 1), fingersAt(N - 1, last), note(0), fingersAt(0, first), loop));

  const ownCosts = remembering(
    (n) => (choices[n] ?? []).map((_, c) => own(n, c)),
    (n) =>
      `${kind(n)} ${note(n).accent ?? 0} ${sets[n] ?? 0} ${n > 0 ? gapTo(n, 1) : -1} ${n + 1 < N ? gapTo(n + 1, 1) : -1} ${[...(ringing[n] ?? [])].sort().join('')}`,
  );
  const pairCosts = remembering(
    (n) => (choices[n - 1] ?? []).map((_, l) => (choices[n] ?? []).map((_c, c) => pair(n, l, c))),
    (n) => `${kind(n - 1)} ${kind(n)} ${gapTo(n, 1)}`,
  );
  const lateTotals = remembering(
    (n) =>
      (choices[n - 2] ?? []).map((_, b) =>
        (choices[n - 1] ?? []).map((_l, l) => (choices[n] ?? []).map((_c, c) => late(n, b, l, c))),
      ),
    (n) => `${kind(n - 2)} ${kind(n - 1)} ${kind(n)} ${gapTo(n, 2)}`,
  );

  const ownSplit = notes.map((_, n) => ownCosts(n));
  const pairSplit = notes.map((_, n) => (n > 0 ? pairCosts(n) : []));
  const ownAt = totalled(ownSplit, (list) => list.map(sum));
  const pairAt = totalled(pairSplit, (list) => list.map((row) => row.map(sum)));
  const lateAt = notes.map((_, n) => (n > 1 ? lateTotals(n) : []));

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
        for (let last = 0; last < lasts; last++)
          for (let first = 0; first < firsts; first++) {
            let least = n === N ? (closes ? seam(last, first) : 0) : Infinity;
            for (let c = 0; c < ways; c++) {
              const step = (owns?.[c] ?? 0) + (pairs?.[last]?.[c] ?? 0) + (lates?.[before]?.[last]?.[c] ?? 0);
              const total = step + (table[onward + slot(n + 1, c, last, first)] ?? Infinity);
              if (total < least) least = total;
            }
            table[here + slot(n, last, before, first)] = least;
          }
    }
    return table;
  }
  function moveCost(s: State, choice: number): LineCost {
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
      late: late + (joint?.late ?? 0),
    };
  }

  return {
    terms: LINE_TERMS,
    start: { n: 0, last: 0, before: 0, first: 0 },
    // 32 choices at most: three fingers out of four, or one out of five.
    key: (s) => ((s.n * 32 + s.last) * 32 + s.before) * 32 + (closes ? s.first : 0),
    stage: (s) => s.n,
    isEnd: (s) => s.n === N + 1,
    exact: true,
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
      return (choices[s.n] ?? []).map((fingers, choice) => ({
        to: { n: s.n + 1, last: choice, before: s.n === 0 ? 0 : s.last, first: s.n === 0 ? choice : s.first },
        step: fingers,
        total: (owns[choice] ?? 0) + (pairs?.[choice] ?? 0) + (lates?.[choice] ?? 0),
        cost: () => moveCost(s, choice),
      }));
    },
  };
}
