import { type Fact, fact, factBecause, quoted } from '../../fault/index.js';
import { changePoints, fingerShape, type Frets, handOn, HIGHEST_FRET, writtenFrets } from '../../left-hand/index.js';
import { type Ask, settled } from '../../player/index.js';
import { kBest, type Move, type SearchWatch } from '../../search/index.js';
import { type FrettedShape, shapesToWeigh, type WeighedShape } from '../voicings/index.js';
import {
  LONGEST_ROW,
  ROW_TERMS,
  type RowRefusal,
  type RowRequest,
  type RowResult,
  type RowTerm,
  SHAPES_A_CHORD,
} from './model.js';
import { thinningCost, unsoundedCost } from './score.js';

/** A row's chord with the shapes that may be held for it. */
export type RowChoices =
  { readonly choices: readonly (readonly WeighedShape[])[] } | { readonly infeasible: readonly Fact<RowRefusal>[] };

/**
 * What each chord of a row is chosen from: its best shapes and its taught forms, each in several fingerings; a given
 * shape alone where there is one; where frets stand in its place, these alone.
 */
export function rowChoices(ask: Ask<RowRequest>): RowChoices {
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
  const costOf = (n: number, i: number, way: Way): Partial<Record<RowTerm, number>> => ({
    shapes: choices[n]?.[i]?.total ?? 0,
    unsounded: own[n]?.[i] ?? 0,
    ...way,
  });
  const { paths } = kBest<State, FrettedShape, RowTerm>(
    {
      terms: ROW_TERMS,
      start: { n: 0, last: 0, first: 0 },
      key: (s) => `${s.n} ${s.last} ${round ? s.first : 0}`,
      stage: (s) => s.n,
      isEnd: (s) => s.n === N + 1,
      bound: (s) => (s.n === 0 ? 0 : s.n > N ? 0 : ahead(s.n - 1, s.last, s.first)),
      moves: (s): Move<State, FrettedShape, RowTerm>[] => {
        if (s.n === N) {
          const way = round ? ways(N - 1, s.last, s.first) : NO_WAY;
          return [{ to: { ...s, n: N + 1 }, step: null, total: way.changes + way.thinning, cost: () => way }];
        }
        return (choices[s.n] ?? []).map((c, i) => {
          const way = s.n === 0 ? NO_WAY : ways(s.n - 1, s.last, i);
          return {
            to: { n: s.n + 1, last: i, first: s.n === 0 ? i : s.first },
            step: c.shape,
            total: c.total + (own[s.n]?.[i] ?? 0) + way.changes + way.thinning,
            cost: () => costOf(s.n, i, way),
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
}
const NO_WAY: Way = { changes: 0, thinning: 0 };
type Ways = (n: number, from: number, to: number) => Way;

/** Every way from a chord's shapes to those of the next, reckoned once for each pair of lists. */
function waysOf(choices: readonly (readonly WeighedShape[])[], { neck }: RowRequest, round: boolean): Ways {
  const known = new Map<readonly WeighedShape[], Map<readonly WeighedShape[], Way[][]>>();
  const between = (from: readonly WeighedShape[], to: readonly WeighedShape[]): Way[][] => {
    const there = known.get(from)?.get(to);
    if (there) return there;
    const table = from.map(({ shape: a }) =>
      to.map(({ shape: b }) => ({ changes: changePoints(a, b, neck), thinning: thinningCost(a, b) })),
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
