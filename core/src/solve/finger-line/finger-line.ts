import { fact } from '../../fault/index.js';
import { kBest, kBestChoices, type Move, type SearchWatch } from '../../search/index.js';
import type { Finger } from '../../stroke/index.js';
import { cantFinger, choicesFor, lineFaults } from './choices.js';
import { pairsCost } from './cost.js';
import { type EarlierStroke, latenessFrom, reachesFurther, remembered } from './earlier-strokes.js';
import { lineGraph, type LineGraph } from './graph.js';
import { inTurn } from './in-turn.js';
import {
  LINE_TERMS,
  type LineAnswer,
  type LineNote,
  type LineRequest,
  type LineResult,
  type LineTerm,
} from './model.js';
import { kindOf, type Place } from './tables.js';
import { type Taught, taughtOf, UNTAUGHT, withoutSeam } from './taught.js';

/**
 * The k best right-hand fingerings of a line, with the cost of each by named term.
 * @returns reasons when no hand can play it so
 * @throws SearchCancelled when the watch says so
 */
export function fingerLine(asked: LineRequest, watch: SearchWatch = {}): LineResult {
  const reasons = lineFaults(asked);
  if (reasons.length) return { infeasible: reasons };
  const request = withoutSeam(asked);
  const { cycle, weights } = request.school;
  if (cycle) return inTurn(request, cycle);
  if (weights.pair > 0) return onePair(request, watch);
  return freely(request, watch);
}

/** Any finger of the school for any note. */
function freely(request: LineRequest, watch: SearchWatch): LineResult {
  const taught = request.school.taught ? taughtOf(request) : null;
  const choices = choicesOf(request, taught);
  if (taught) {
    // What is not taught costs more than could be saved: it is looked at only where there are not ways enough without.
    // Notes that share their choices share what is taught of them.
    const known = new Map<readonly (readonly Finger[])[], readonly (readonly Finger[])[]>();
    const own = choices.map((all, n) => {
      const there = known.get(all);
      if (there) return there;
      const fits = all.filter((f) => (taught.get(request.notes[n] as LineNote)?.points(f) ?? 0) < UNTAUGHT);
      const kept = fits.length ? fits : all;
      known.set(all, kept);
      return kept;
    });
    const found = among(request, own, watch);
    if (!found.infeasible && (found.answers[(request.k ?? 5) - 1]?.total ?? Infinity) < UNTAUGHT) return found;
  }
  return among(request, choices, watch);
}
/** What each note may have; notes of one kind share theirs. */
function choicesOf(request: LineRequest, taught: ReadonlyMap<LineNote, Taught> | null): Finger[][][] {
  const known = new Map<string, Finger[][]>();
  return request.notes.map((n) => {
    const kind = kindOf(n, taught?.get(n)?.name);
    const there = known.get(kind) ?? choicesFor(request, n);
    known.set(kind, there);
    return there;
  });
}
function among(
  request: LineRequest,
  choices: readonly (readonly (readonly Finger[])[])[],
  watch: SearchWatch,
): LineResult {
  const stuck = choices.findIndex((c) => c.length === 0);
  if (stuck >= 0) return { infeasible: [cantFinger(request, stuck)] };
  const graph = lineGraph(request, choices);
  const { answers, looked } = reachesFurther(request)
    ? throughEarlier(request, graph, watch)
    : throughTables(request, graph, watch);
  return answers.length ? { answers, looked } : { infeasible: [fact('no way through the pins')] };
}

/** Every choice of fingers among which a line's own are: two of them at least. */
function fingerSets(upper: readonly Finger[], pinned: ReadonlySet<Finger>): Finger[][] {
  const sets = upper.reduce<Finger[][]>((all, f) => all.flatMap((s) => [s, [...s, f]]), [[]]);
  const least = Math.max(2, pinned.size);
  return sets
    .filter((s) => s.length >= least && [...pinned].every((f) => s.includes(f)))
    .sort((x, y) => x.length - y.length);
}
/**
 * The best of every pair that keeps the pinned fingers, and of more fingers where the pins need them or a third one costs
 * less than what it saves. Each set is searched without what its third finger costs: of a line that uses all of a set
 * the cost is known, and one that uses fewer is found with those.
 */
function onePair(request: LineRequest, watch: SearchWatch): LineResult {
  const { school, notes, k = 5 } = request;
  const pinned = new Set(notes.flatMap((n) => (n.strings.length === 1 ? (n.pinned ?? []) : [])));
  pinned.delete('p');
  const upper = [...new Set([...school.fingers, ...pinned])].filter((f) => f !== 'p');
  const found: LineAnswer[] = [];
  let looked = 0;
  let refused: LineResult | null = null;
  for (const set of fingerSets(upper, pinned)) {
    const third = school.weights.pair * (set.length - 2);
    // The kth best so far is cheaper than anything that pays for a finger more.
    if ((found[k - 1]?.total ?? Infinity) <= third) break;
    const own = { ...school, fingers: school.fingers.filter((f) => f === 'p' || set.includes(f)) };
    const result = freely({ ...request, school: own }, watch);
    if (result.infeasible) {
      refused = result;
      continue;
    }
    looked += result.looked;
    for (const a of result.answers) {
      const pair = pairsCost(request, a.steps);
      const paid = { ...a, cost: { ...a.cost, pair }, total: a.total + pair };
      if (!found.some((f) => f.total === paid.total && isSame(f.steps, paid.steps))) found.push(paid);
    }
    found.sort((a, b) => a.total - b.total);
  }
  if (found.length === 0 && refused) return refused;
  return { answers: found.slice(0, k), looked };
}

/** A line that asks for no finger of the pair is found with each of them. */
const isSame = (a: LineAnswer['steps'], b: LineAnswer['steps']): boolean =>
  a.every((fingers, i) => fingers.length === b[i]?.length && fingers.every((f, n) => f === b[i]?.[n]));

interface Found {
  readonly answers: readonly LineAnswer[];
  readonly looked: number;
}
/** Where no finger is late from further back than two notes: the tables hold all there is to pay. */
function throughTables({ k = 5 }: LineRequest, graph: LineGraph, watch: SearchWatch): Found {
  const { problem } = graph;
  const { ways, looked } = kBestChoices(problem, k, watch);
  const answers = ways.map(({ choices, total }): LineAnswer => {
    // Notes that stand alike are counted, and paid for once.
    const met = new Map<Place, Int32Array>();
    let state = problem.start;
    const steps = choices.map((choice, n) => {
      const place = graph.places[n] as Place;
      const times = met.get(place) ?? new Int32Array(place.points.length);
      met.set(place, times);
      const way = graph.way(n, state, choice);
      times[way] = (times[way] ?? 0) + 1;
      state = problem.after(n, state, choice);
      return graph.fingers(n, choice);
    });
    const sums = new Float64Array(LINE_TERMS.length);
    for (const [place, times] of met)
      times.forEach((count, way) => {
        if (count > 0) place.split(way).forEach((points, t) => (sums[t] = (sums[t] ?? 0) + count * points));
      });
    return { steps, total, cost: { ...byTerm(sums), seam: problem.rest(choices.length, state) } };
  });
  return { answers, looked };
}
const byTerm = (sums: ArrayLike<number>): Record<LineTerm, number> =>
  Object.fromEntries(LINE_TERMS.map((t, i) => [t, sums[i] ?? 0])) as Record<LineTerm, number>;

interface State {
  /** Notes fingered so far, and what the tables know of them. */
  readonly n: number;
  readonly of: number;
  /** Strokes before the latest two whose fingers are not back yet. */
  readonly earlier: readonly EarlierStroke[];
}
/** Where a line is so fast that fingers come late from further back: what the tables hold is a bound only. */
function throughEarlier(request: LineRequest, graph: LineGraph, watch: SearchWatch): Found {
  const { notes, k = 5 } = request;
  const N = notes.length;
  const { problem } = graph;
  const earlierAfter = ({ n, of, earlier }: State, fingers: readonly Finger[]): readonly EarlierStroke[] => {
    const [last, before] = graph.latest(n, of);
    const third = before ? { note: notes[n - 2] as LineNote, fingers: before } : null;
    return remembered(request, earlier, third, [...(last ?? []), ...fingers], notes[n + 1]);
  };
  const { paths, looked } = kBest<State, readonly Finger[], LineTerm>(
    {
      terms: LINE_TERMS,
      start: { n: 0, of: problem.start, earlier: [] },
      key: ({ n, of, earlier }) => `${n} ${of} ${earlier.map((e) => `${e.finger}${e.at}`).join()}`,
      stage: (s) => s.n,
      isEnd: (s) => s.n === N + 1,
      bound: (s) => (s.n === 0 || s.n > N ? 0 : problem.rest(s.n, s.of)),
      moves: (s): Move<State, readonly Finger[], LineTerm>[] => {
        const { n, of } = s;
        if (n === N) {
          const total = problem.rest(N, of);
          return [{ to: { ...s, n: N + 1 }, step: null, total, cost: () => ({ seam: total }) }];
        }
        return Array.from({ length: problem.ways(n) }, (_, choice) => {
          const fingers = graph.fingers(n, choice);
          const late = latenessFrom(request, s.earlier, notes[n] as LineNote, fingers);
          return {
            to: { n: n + 1, of: problem.after(n, of, choice), earlier: earlierAfter(s, fingers) },
            step: fingers,
            total: problem.points(n, of, choice) + late,
            cost: () => {
              const cost = byTerm(graph.places[n]?.split(graph.way(n, of, choice)) ?? []);
              return { ...cost, late: cost.late + late };
            },
          };
        });
      },
    },
    k,
    watch,
  );
  return { answers: paths, looked };
}
