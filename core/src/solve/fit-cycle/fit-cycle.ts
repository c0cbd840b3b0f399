import { cycleLength, placeLabel } from '../../cycle/index.js';
import { type Fact, fact } from '../../fault/index.js';
import { kBest, type Move, type SearchProblem } from '../../search/index.js';
import { type Finger, FINGERS } from '../../stroke/index.js';
import { TICKS_PER_COUNT } from '../../time/index.js';
import { lateCost, backAfter, type Block, blocksOf, DEFAULT_LENGTHS, type Use } from './blocks.js';
import {
  FIT_TERMS,
  type FitLink,
  type FitRefusal,
  type FitRequest,
  type FitResult,
  type FitTerm,
  type FitWatch,
} from './model.js';
import { asSeam, beginCost, blockCost, type FitCost, followCost, joinCost, placeCost } from './cost.js';
import { reachable } from './reachable.js';
import { Remaining } from './remaining.js';
import { FIT_WEIGHTS } from './weights.js';

/**
 * Where the search stands. `tail` and `head` hold the finger uses that can still be too close to one that
 * comes: the latest of each finger before here, the first of each after the beginning.
 */
interface State {
  readonly at: number;
  readonly used: number;
  readonly first: Block | null;
  readonly last: Block | null;
  readonly head: readonly Use[];
  readonly tail: readonly Use[];
  readonly key: string;
}

/** Cells in one request at most: the search keeps the set of those used as bits. */
export const MOST_CELLS = 30;

/**
 * The k best chains of cells that fill the cycle exactly, with the cost of each by named term. A chain is
 * a loop: its last cell joins its first.
 * @returns reasons when no chain can be had
 * @throws SearchCancelled when the watch says so
 */
export function fitCycle(request: FitRequest, watch: FitWatch = {}): FitResult {
  const never = new Set(request.rules?.never ?? []);
  const lengths = [...new Set(request.lengths ?? DEFAULT_LENGTHS)];
  const read = request.cells.map((cell, i) =>
    never.has(cell.id) ? { blocks: [], fault: null } : blocksOf(cell, i, lengths),
  );
  const blocks = read.flatMap((r) => r.blocks);
  const faults = read.flatMap((r) => (r.fault ? [r.fault] : []));
  // A cell too fine for every length stays out; the others may do without it.
  const leftOut = faults.filter((f) => f.code === 'cell can’t be spread' && blocks.length > 0 && !isAsked(request, f));
  const reasons = asksTooMuch(
    request,
    faults.filter((f) => !leftOut.includes(f)),
    blocks,
  );
  if (reasons.length) return { infeasible: reasons };
  const problem = fitProblem(request, blocks);
  if (!problem) return { infeasible: [cantFill(request, blocks)] };
  const { paths, looked } = kBest(problem, request.k ?? 5, watch);
  return paths.length ? { answers: paths, looked, leftOut } : { infeasible: [cantFill(request, blocks)] };
}
/** Whether the rules ask for the cell that a fact is about. */
const isAsked = ({ rules = {} }: FitRequest, { about }: Fact): boolean =>
  [...(rules.must ?? []), ...(rules.fixed ?? []).map((f) => f.cell)].some((id) => id === about[0]);

/** Contradictions that can be told without a search. */
function asksTooMuch(
  request: FitRequest,
  faults: readonly Fact<FitRefusal>[],
  blocks: readonly Block[],
): Fact<FitRefusal>[] {
  const { must = [], never = [], fixed = [] } = request.rules ?? {};
  const turn = cycleLength(request.cycle);
  const ids = new Set(request.cells.map((c) => c.id));
  const reasons = [...faults];
  if (request.cells.length === 0) reasons.push(fact('no cells'));
  const twice = request.cells.find((c, i) => request.cells.findIndex((o) => o.id === c.id) < i);
  if (twice) reasons.push(fact('cell twice', twice.id));
  if (request.cells.length > MOST_CELLS) reasons.push(fact('too many cells', MOST_CELLS));
  for (const id of [...must, ...fixed.map((f) => f.cell)]) {
    if (!ids.has(id)) reasons.push(fact('cell not chosen', id));
    else if (never.includes(id)) reasons.push(fact('cell asked and forbidden', id));
  }
  for (const f of fixed)
    if (f.at < 0 || f.at >= turn) reasons.push(fact('fixed outside the turn', request.cycle.counts));
  for (const [i, f] of fixed.entries())
    if (fixed.some((g, n) => n < i && g.at === f.at && g.cell !== f.cell))
      reasons.push(fact('two cells fixed on one place', placeLabel(request.cycle, f.at)));
  if (reasons.length === 0 && blocks.length === 0) reasons.push(fact('all cells forbidden'));
  if (blocks.length > 0 && blocks.every((b) => b.length > turn)) reasons.push(fact('cells longer than the turn'));
  return reasons;
}

function cantFill({ cycle, rules }: FitRequest, blocks: readonly Block[]): Fact<FitRefusal> {
  const counts = [...new Set(blocks.map((b) => b.length / TICKS_PER_COUNT))].sort((a, b) => a - b);
  const said = counts.map((c) => String(Math.round(c * 100) / 100)).join(', ');
  const musts = (rules?.must ?? []).flatMap((cell) => [cell, '']);
  const fixed = (rules?.fixed ?? []).flatMap((f) => [f.cell, placeLabel(cycle, f.at)]);
  return fact('cells don’t fill the turn', said, cycle.counts, ...musts, ...fixed);
}

function sum(cost: FitCost): number {
  let points = 0;
  for (const t in cost) points += cost[t as FitTerm] ?? 0;
  return points;
}

function fitProblem(request: FitRequest, blocks: readonly Block[]): SearchProblem<State, FitLink, FitTerm> | null {
  const weights = request.weights ?? FIT_WEIGHTS;
  const { cycle, profile, bpm, rules = {} } = request;
  const turn = cycleLength(cycle);
  const fixed = new Map((rules.fixed ?? []).map((f) => [f.at as number, f.cell]));
  const must = (rules.must ?? []).reduce((bits, id) => bits | (1 << request.cells.findIndex((c) => c.id === id)), 0);
  const back = Object.fromEntries(FINGERS.map((f) => [f, backAfter(f, bpm, profile)])) as Record<Finger, number>;
  const inner = new Map(blocks.map((b) => [b, innerLate(b)]));
  const local = new Map<number, FitCost | null>();
  const own = new Map(blocks.map((b) => [b, blockCost(request, b)]));
  const indexOf = new Map(blocks.map((b, i) => [b, i]));

  function innerLate(block: Block): number {
    let late = 0;
    const seen = new Map<Finger, Use>();
    for (const u of block.uses) {
      const before = seen.get(u.finger);
      if (before) late += lateCost(before, u, u.at - before.at, bpm, profile, weights.late);
      seen.set(u.finger, u);
    }
    return late;
  }
  /** What a block costs by itself at a place; null when it can't stand there. */
  function standing(block: Block, at: number): FitCost | null {
    const key = (indexOf.get(block) ?? 0) * (turn + 1) + at;
    const known = local.get(key);
    if (known !== undefined) return known;
    const end = at + block.length;
    const barred = [...fixed].some(
      ([place, cell]) => (place > at && place < end) || (place === at && cell !== block.cell),
    );
    const cost =
      end > turn || barred
        ? null
        : { ...own.get(block), ...placeCost(request, block, at), late: inner.get(block) ?? 0 };
    local.set(key, cost);
    return cost;
  }
  const places = reachable(blocks, turn, (b, at) => standing(b, at) !== null);
  if (!places.has(turn)) return null;
  const block = (n: number) => blocks[n] as Block;
  const number = (b: Block | null) => (b ? (indexOf.get(b) ?? 0) : 0);
  const allCells = blocks.reduce((bits, b) => bits | (1 << b.cellIndex), 0);
  const remaining = new Remaining({
    blocks,
    places: [...places].sort((a, b) => a - b),
    standing: (b, at) => {
      const cost = standing(block(b), at);
      return cost ? sum(cost) : Infinity;
    },
    begins: (landed, b, at) => (at === turn ? 0 : sum(beginCost(request, landed, block(b), at))),
    follows: (a, b) => {
      const cost = followCost(request, block(a), block(b));
      return [sum(cost), sum(asSeam(request, cost))];
    },
  });
  /** From the cells used so far alone, or with another one that has to be paid for. */
  function bound(s: State): number {
    if (s.at > turn || !s.last) return 0;
    const last = number(s.last);
    const alone = remaining.from(s.at, last, number(s.first), s.used);
    return s.used === allCells ? alone : Math.min(alone, remaining.from(s.at, last, null, allCells) + weights.variety);
  }

  const start: State = { at: 0, used: 0, first: null, last: null, head: [], tail: [], key: '' };
  return {
    terms: FIT_TERMS,
    start,
    key: (s) => s.key,
    stage: (s) => s.at,
    isEnd: (s) => s.at === turn + 1,
    bound,
    moves: (s) => (s.at === turn ? close(s) : blocks.flatMap((b) => append(s, b))),
  };

  function append(s: State, block: Block): Move<State, FitLink, FitTerm>[] {
    if (!places.has(s.at + block.length)) return [];
    const alone = remaining.step(number(block), s.at, s.last && number(s.last));
    if (alone === Infinity) return [];
    let late = 0;
    const seen = new Set<Finger>();
    for (const u of s.tail.length ? block.uses : []) {
      if (seen.has(u.finger)) continue;
      seen.add(u.finger);
      const before = s.tail.find((t) => t.finger === u.finger);
      if (before) late += lateCost(before, u, s.at + u.at - before.at, bpm, profile, weights.late);
    }
    const variety = (s.used & (1 << block.cellIndex)) === 0 && s.used !== 0 ? weights.variety : 0;
    const cost = (): FitCost => {
      const own = standing(block, s.at) ?? {};
      const joined = s.last ? joinCost(request, s.last, block, s.at) : {};
      const both = Object.fromEntries(FIT_TERMS.map((t) => [t, (own[t] ?? 0) + (joined[t] ?? 0)]));
      return { ...both, late: (own.late ?? 0) + late, variety };
    };
    const step = { cell: block.cell, length: block.length };
    return [{ to: after(s, block), step, total: alone + late + variety, cost }];
  }

  function after(s: State, block: Block): State {
    const end = s.at + block.length;
    const tail = new Map<Finger, Use>(s.tail.map((u) => [u.finger, u]));
    const head = [...s.head];
    for (const u of block.uses) {
      const use = { ...u, at: s.at + u.at };
      tail.set(u.finger, use);
      if (use.at < back[u.finger] && !head.some((h) => h.finger === u.finger)) head.push(use);
    }
    const kept = FINGERS.flatMap((f) => {
      const u = tail.get(f);
      return u && end - u.at < back[f] ? [u] : [];
    });
    const used = s.used | (1 << block.cellIndex);
    const first = s.first ?? block;
    return { at: end, used, first, last: block, head, tail: kept, key: keyOf(end, used, first, block, head, kept) };
  }

  function keyOf(
    at: number,
    used: number,
    first: Block,
    last: Block,
    head: readonly Use[],
    tail: readonly Use[],
  ): string {
    const side = (list: readonly Use[]) => list.map((u) => `${u.finger}${u.at}${u.dir ?? ''}`).join();
    // What a block does to its neighbours is known by its number.
    return `${at}|${used}|${indexOf.get(first) ?? 0}|${indexOf.get(last) ?? 0}|${side(head)}|${side(tail)}`;
  }

  /** The chain joins its own beginning. */
  function close(s: State): Move<State, FitLink, FitTerm>[] {
    if ((s.used & must) !== must) return [];
    let late = 0;
    for (const u of s.tail) {
      const next = s.head.find((h) => h.finger === u.finger);
      if (next) late += lateCost(u, next, turn - u.at + next.at, bpm, profile, weights.late);
    }
    const closing = s.last && s.first ? joinCost(request, s.last, s.first, 0) : {};
    const cost = { ...closing, late };
    return [{ to: { ...s, at: turn + 1, key: 'end' }, step: null, total: sum(cost), cost: () => cost }];
  }
}
