import { bassString } from '../../left-hand/index.js';
import { SearchCancelled, type SearchWatch, pointsOf } from '../../search/index.js';
import type { FrettedShape } from '../voicings/index.js';
import { bassUnder } from './bass-part.js';
import { changeCost, ownCost } from './cost.js';
import type { Laid } from './laid.js';
import type { CompRequest, PushPlan } from './model.js';

/** A shape that is weighed for a name, with what it costs as an answer to its symbol. */
export interface NameShape {
  readonly shape: FrettedShape;
  readonly total: number;
}
/** Costs of all pairs of shapes of two names, wherever the one is followed by the other. */
interface Edge {
  readonly from: number;
  readonly to: number;
  /** By the shape before, then by the shape after. */
  readonly costs: readonly (readonly number[])[];
  /** Least of each row and of each column. */
  readonly leastOut: readonly number[];
  readonly leastIn: readonly number[];
}
export interface Tables {
  readonly own: readonly (readonly number[])[];
  readonly edges: readonly (readonly Edge[])[];
}

/** Everything that a plan's shapes can cost, so that the search only adds. */
export function tablesOf(
  request: CompRequest,
  read: Laid,
  choices: readonly (readonly NameShape[])[],
  plan: PushPlan,
  watch: SearchWatch,
): Tables {
  const { chords, names } = read;
  const own = choices.map((list, n) => {
    const times = chords.filter((c) => c.name === n).length;
    return list.map(({ shape, total }) => times * pointsOf(ownCost(request, names[n] ?? '', shape, total)));
  });
  /** Changes among the same strokes cost the same: each kind is reckoned once. */
  const kinds = new Map<string, { n: number; times: number }>();
  chords.forEach((_, n) => {
    const key = contextOf(read, n, plan);
    const kind = kinds.get(key) ?? { n, times: 0 };
    kind.times++;
    kinds.set(key, kind);
  });
  const sums = new Map<string, Sum>();
  for (const { n, times } of kinds.values()) {
    if (watch.cancelled?.()) throw new SearchCancelled();
    const from = chords[(n - 1 + chords.length) % chords.length]?.name ?? 0;
    const to = chords[n]?.name ?? 0;
    const sum = sums.get(`${from} ${to}`) ?? {
      from,
      to,
      costs: (choices[from] ?? []).map(() => (choices[to] ?? []).map(() => 0)),
    };
    sums.set(`${from} ${to}`, sum);
    (choices[from] ?? []).forEach((a, i) => {
      const bass = bassToPlace(bassUnder(request, read, (n - 1 + chords.length) % chords.length, plan, a.shape));
      (choices[to] ?? []).forEach((b, j) => {
        // Round a single name only the same shape follows itself.
        if (from === to && i !== j) return;
        const row = sum.costs[i];
        const cost = pointsOf(changeCost(request, read, n, plan, a.shape, b.shape)) + bass(b.shape);
        if (row) row[j] = (row[j] ?? 0) + times * cost;
      });
    });
  }
  return { own, edges: edgesOf(names.length, [...sums.values()], own) };
}
interface Sum {
  readonly from: number;
  readonly to: number;
  readonly costs: number[][];
}
/** Sums between two names as edges of both; what a name costs after itself goes to its own costs. */
function edgesOf(names: number, sums: readonly Sum[], own: number[][]): Edge[][] {
  const edges: Edge[][] = Array.from({ length: names }, () => []);
  for (const { from, to, costs } of sums) {
    if (from === to) {
      costs.forEach((row, i) => {
        const mine = own[from];
        if (mine) mine[i] = (mine[i] ?? 0) + (row[i] ?? 0);
      });
      continue;
    }
    const edge: Edge = {
      from,
      to,
      costs,
      leastOut: costs.map((row) => Math.min(...row)),
      leastIn: (costs[0] ?? []).map((_, j) => Math.min(...costs.map((row) => row[j] ?? 0))),
    };
    edges[from]?.push(edge);
    edges[to]?.push(edge);
  }
  return edges;
}
/** What the basses cost that lead to a shape: the same for all with the same bass. */
function bassToPlace(under: ReturnType<typeof bassUnder>): (next: FrettedShape) => number {
  const known = new Map<string, number>();
  return (next) => {
    const string = bassString(next) ?? 6;
    const key = `${string} ${next.frets[6 - string] ?? ''}`;
    const total = known.get(key) ?? under(next).total;
    known.set(key, total);
    return total;
  };
}
/** All that a change's cost depends on beside its shapes. */
function contextOf(laid: Laid, n: number, plan: PushPlan): string {
  const { chords, length } = laid;
  const before = (n - 1 + chords.length) % chords.length;
  const [a, b] = [chords[before], chords[n]];
  if (!a || !b) return '';
  const base = n === 0 ? length : 0;
  const strokes = (list: typeof a.strokes, from: number) =>
    list.map((s) => `${s.at - from}-${s.until - from}${s.thumb ? 'b' : ''}${s.fingers ? 'c' : ''}`).join();
  const tie = (index: number, from: number) => {
    const chord = chords[index];
    return chord?.tied ? `${chord.tied.at - from}${plan[index] ? '>' : "'"}` : '';
  };
  const after = (n + 1) % chords.length;
  return [
    `${a.name} ${b.name} ${b.at + base - a.at} ${b.until - b.at}`,
    strokes(a.strokes, a.at),
    tie(before, a.at),
    strokes(b.strokes, b.at),
    tie(n, b.at),
    tie(after, after === 0 ? b.at - length : b.at),
  ].join(' / ');
}

/** What the choice for one more name adds. */
export function added(tables: Tables | undefined, chosen: readonly number[], n: number, i: number): number {
  let sum = tables?.own[n]?.[i] ?? 0;
  for (const e of tables?.edges[n] ?? []) {
    if (e.from === n && e.to < n) sum += e.costs[i]?.[chosen[e.to] ?? 0] ?? 0;
    else if (e.to === n && e.from < n) sum += e.costs[chosen[e.from] ?? 0]?.[i] ?? 0;
  }
  return sum;
}
/** Never more than what the other names still add: each takes its best, and half of the best towards names that are open too. */
export function leastAhead(
  tables: Tables | undefined,
  choices: readonly (readonly NameShape[])[],
  chosen: readonly number[],
): number {
  let sum = 0;
  for (let n = chosen.length; n < choices.length; n++) {
    let least = Infinity;
    for (let i = 0; i < (choices[n]?.length ?? 0); i++) {
      let own = tables?.own[n]?.[i] ?? 0;
      for (const e of tables?.edges[n] ?? []) {
        const out = e.from === n;
        const other = out ? e.to : e.from;
        const there = chosen[other];
        if (there === undefined) own += ((out ? e.leastOut : e.leastIn)[i] ?? 0) / 2;
        else own += (out ? e.costs[i]?.[there] : e.costs[there]?.[i]) ?? 0;
      }
      if (own < least) least = own;
    }
    sum += least;
  }
  return sum;
}
