import { type Fact, fact, factBecause, quoted } from '../../fault/index.js';
import {
  areOthers,
  changePoints,
  fingerShape,
  type Frets,
  handOn,
  HIGHEST_FRET,
  SHAPE_WEIGHTS,
  writtenFrets,
} from '../../left-hand/index.js';
import { type Ask, settled } from '../../player/index.js';
import { kBest, type Move, pointsOf, type SearchWatch } from '../../search/index.js';
import { type FrettedShape, shapesToWeigh, type WeighedShape } from '../voicings/index.js';
import {
  LONGEST_ROW,
  ROW_TERMS,
  ROW_WEIGHTS,
  type RowRefusal,
  type RowRequest,
  type RowResult,
  type RowTerm,
  SHAPES_A_CHORD,
} from './model.js';
import { goesWith, isOther } from './others.js';
import { thinningCost, unsoundedCost } from './score.js';

/** A row's chord with the shapes that may be held for it. */
export type RowChoices =
  { readonly choices: readonly (readonly WeighedShape[])[] } | { readonly infeasible: readonly Fact<RowRefusal>[] };

/**
 * What each chord of a row is chosen from, as `shapeChoices` has it. Fingers that are not taught pay in the row, where no
 * neighbour asks for them, and not by themselves.
 */
export function rowChoices(ask: Ask<RowRequest>): RowChoices {
  const request = settled<RowRequest>(ask);
  const found = shapeChoices(request);
  if ('infeasible' in found) return found;
  const { others } = request.weights ?? SHAPE_WEIGHTS;
  const choices = found.choices.map((list, n) =>
    list.map((w) => (isOther(request, n, w.shape) ? { ...w, total: w.total - others } : w)),
  );
  return { choices };
}
/**
 * Shapes for each chord of a row: its best ones and its taught forms, each in several fingerings; a given shape alone where
 * there is one; where frets stand in its place, these alone.
 */
export function shapeChoices(ask: Ask<RowRequest>): RowChoices {
  const request = settled<RowRequest>(ask);
  const { chords, given = {} } = request;
  if (chords.length === 0) return { infeasible: [fact('no chords')] };
  if (chords.length > LONGEST_ROW) return { infeasible: [fact('too many chords', chords.length, LONGEST_ROW)] };
  const known = new Map<string, ReturnType<typeof shapesToWeigh>>();
  const found = chords.map((chord) => {
    const shape = given[chord];
    if (shape) return { weighed: [{ shape, total: 0 }] };
    const frets = writtenFrets(chord);
    if (frets) return fretted(chord, frets, request);
    const there = known.get(chord) ?? shapesToWeigh({ ...request, chord, k: SHAPES_A_CHORD });
    known.set(chord, there);
    return there;
  });
  const faults = found.flatMap((c, i) =>
    'infeasible' in c ? [factBecause(c.infeasible[0], 'chord without shape', i + 1, chords[i] ?? '')] : [],
  );
  if (faults.length) return { infeasible: faults.slice(0, 20) };
  return { choices: found.map((c) => ('weighed' in c ? c.weighed : [])) };
}

/** Ways of fingering frets that stand written in a chord's place. */
const FINGERINGS = 3;
type Weighed = { readonly weighed: readonly WeighedShape[] } | { readonly infeasible: readonly [Fact] };
function fretted(text: string, frets: Frets | 'misread', { neck, profile, weights }: RowRequest): Weighed {
  if (frets === 'misread') return { infeasible: [fact('frets misread', quoted(text), HIGHEST_FRET)] };
  const found = fingerShape(frets, handOn(neck, profile, weights), FINGERINGS);
  if (found.length === 0) return { infeasible: [fact('no fingers hold it')] };
  return { weighed: found.map(({ fingers, total }) => ({ shape: { frets, fingers }, total })) };
}

interface State {
  readonly n: number;
  readonly last: number;
  readonly first: number;
  /** The last shape, or the first one of a round, has other fingers, and nobody goes with them yet. */
  readonly owes: boolean;
  readonly firstOwes: boolean;
}
/**
 * Shapes for a row of chord symbols so that they and the changes between them cost least together.
 * @returns reasons when a chord has no shape
 * @throws SearchCancelled when the watch says so
 */
export function shapeRow(ask: Ask<RowRequest>, watch: SearchWatch = {}): RowResult {
  const request = settled<RowRequest>(ask);
  const read = rowChoices(request);
  if ('infeasible' in read) return read;
  const { choices } = read;
  const [N, round] = [choices.length, !!request.round && choices.length > 1];
  const ways = waysOf(choices, request, round);
  const own = choices.map((list, n) => list.map((c) => unsoundedCost(c.shape, request.plays?.[n])));
  const ahead = leastAhead(choices, own, ways, round);
  const other = choices.map((list, n) => list.map((c) => isOther(request, n, c.shape)));
  const costOf = (
    n: number,
    i: number,
    { changes, thinning }: Way,
    others: number,
  ): Partial<Record<RowTerm, number>> => ({
    shapes: choices[n]?.[i]?.total ?? 0,
    unsounded: own[n]?.[i] ?? 0,
    ...{ changes, thinning, others },
  });
  const { paths } = kBest<State, FrettedShape, RowTerm>(
    {
      terms: ROW_TERMS,
      start: { n: 0, last: 0, first: 0, owes: false, firstOwes: false },
      key: (s) => `${s.n} ${s.last} ${round ? s.first : 0} ${s.owes} ${s.firstOwes}`,
      stage: (s) => s.n,
      isEnd: (s) => s.n === N + 1,
      bound: (s) => (s.n === 0 ? 0 : s.n > N ? 0 : ahead(s.n - 1, s.last, s.first)),
      moves: (s): Move<State, FrettedShape, RowTerm>[] => {
        if (s.n === N) {
          const { changes, thinning, from, to } = round ? ways(N - 1, s.last, s.first) : NO_WAY;
          const alone = Number(s.owes && !from) + Number(s.firstOwes && !to);
          const cost = { changes, thinning, others: ROW_WEIGHTS.others * alone };
          return [{ to: { ...s, n: N + 1 }, step: null, total: pointsOf(cost), cost: () => cost }];
        }
        return (choices[s.n] ?? []).map((c, i) => {
          const way = s.n === 0 ? NO_WAY : ways(s.n - 1, s.last, i);
          const taughtOtherwise = other[s.n]?.[i] ?? false;
          const begins = s.n === 0 && round;
          const others = s.owes && !way.from ? ROW_WEIGHTS.others : 0;
          return {
            to: {
              n: s.n + 1,
              last: i,
              first: s.n === 0 ? i : s.first,
              // The first of a round is asked once more when the last one leads back to it.
              owes: taughtOtherwise && !begins && !way.to,
              firstOwes: begins ? taughtOtherwise : s.firstOwes && !(s.n === 1 && way.from),
            },
            step: c.shape,
            total: c.total + (own[s.n]?.[i] ?? 0) + way.changes + way.thinning + others,
            cost: () => costOf(s.n, i, way, others),
          };
        });
      },
    },
    request.k ?? 5,
    watch,
  );
  return { answers: paths.map((p) => ({ shapes: p.steps, total: p.total, cost: p.cost })) };
}

interface Way {
  readonly changes: number;
  readonly thinning: number;
  /** Fingers of the one shape that are not taught go with the other, and the other way round. */
  readonly from: boolean;
  readonly to: boolean;
}
const NO_WAY: Way = { changes: 0, thinning: 0, from: false, to: false };
type Ways = (n: number, from: number, to: number) => Way;

/** Every way from a chord's shapes to those of the next, reckoned once for each pair of lists. */
function waysOf(choices: readonly (readonly WeighedShape[])[], { neck }: RowRequest, round: boolean): Ways {
  const known = new Map<readonly WeighedShape[], Map<readonly WeighedShape[], Way[][]>>();
  const between = (from: readonly WeighedShape[], to: readonly WeighedShape[]): Way[][] => {
    const there = known.get(from)?.get(to);
    if (there) return there;
    const table = from.map(({ shape: a }) =>
      to.map(({ shape: b }): Way => ({
        changes: changePoints(a, b, neck),
        thinning: thinningCost(a, b),
        from: areOthers(a) && goesWith(a, b),
        to: areOthers(b) && goesWith(b, a),
      })),
    );
    if (!known.has(from)) known.set(from, new Map());
    known.get(from)?.set(to, table);
    return table;
  };
  const tables = choices.map((list, n) => {
    const next = choices[n + 1] ?? (round ? choices[0] : undefined);
    return next ? between(list, next) : [];
  });
  return (n, from, to) => tables[n]?.[from]?.[to] ?? NO_WAY;
}

/** The least that is still to come from a shape on; where the row goes round, with the way back to each first shape. */
function leastAhead(
  choices: readonly (readonly WeighedShape[])[],
  own: readonly (readonly number[])[],
  ways: Ways,
  round: boolean,
): (n: number, last: number, first: number) => number {
  const N = choices.length;
  const firsts = round ? (choices[0]?.length ?? 0) : 1;
  const cost = ({ changes, thinning }: Way) => changes + thinning;
  const tables = Array.from({ length: firsts }, (_, first) => {
    const table: number[][] = [];
    table[N - 1] = (choices[N - 1] ?? []).map((_c, i) => (round ? cost(ways(N - 1, i, first)) : 0));
    for (let n = N - 2; n >= 0; n--) {
      const entry = (choices[n + 1] ?? []).map((c, j) => c.total + (own[n + 1]?.[j] ?? 0) + (table[n + 1]?.[j] ?? 0));
      table[n] = (choices[n] ?? []).map((_c, i) =>
        entry.reduce((least, e, j) => Math.min(least, e + cost(ways(n, i, j))), Infinity),
      );
    }
    return table;
  });
  return (n, last, first) => tables[round ? first : 0]?.[n]?.[last] ?? 0;
}
