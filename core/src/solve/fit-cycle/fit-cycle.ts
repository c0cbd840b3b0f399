import { accentAt, cycleLength, placeLabel } from '../../cycle/index.js';
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
  const reasons = asksTooMuch(
    request,
    read.flatMap((r) => (r.fault ? [r.fault] : [])),
    blocks,
  );
  if (reasons.length) return { infeasible: reasons };
  const problem = fitProblem(request, blocks);
  if (!problem) return { infeasible: [cantFill(request, blocks)] };
  const { paths, looked } = kBest(problem, request.k ?? 5, watch);
  return paths.length ? { answers: paths, looked } : { infeasible: [cantFill(request, blocks)] };
}

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

function fitProblem(request: FitRequest, blocks: readonly Block[]): SearchProblem<State, FitLink, FitTerm> | null {
  const weights = request.weights ?? FIT_WEIGHTS;
  const { cycle, profile, bpm, rules = {} } = request;
  const turn = cycleLength(cycle);
  const silent = new Set<number>(rules.silent ?? []);
  const fixed = new Map((rules.fixed ?? []).map((f) => [f.at as number, f.cell]));
  const must = (rules.must ?? []).reduce((bits, id) => bits | (1 << request.cells.findIndex((c) => c.id === id)), 0);
  const back = Object.fromEntries(FINGERS.map((f) => [f, backAfter(f, bpm, profile)])) as Record<Finger, number>;
  const inner = new Map(blocks.map((b) => [b, innerLate(b)]));
  const local = new Map<number, Partial<Record<FitTerm, number>> | null>();
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
  function standing(block: Block, at: number): Partial<Record<FitTerm, number>> | null {
    const key = (indexOf.get(block) ?? 0) * (turn + 1) + at;
    const known = local.get(key);
    if (known !== undefined) return known;
    let cost: Partial<Record<FitTerm, number>> | null = { late: inner.get(block) ?? 0, silent: 0, weak: 0, off: 0 };
    const end = at + block.length;
    if (end > turn) cost = null;
    for (const [place, cell] of fixed) {
      if (place > at && place < end) cost = null;
      if (place === at && cell !== block.cell) cost = null;
    }
    if (cost) {
      const heard = new Map(block.strokes.map((s) => [at + s.at, s.strength]));
      for (const a of cycle.accents) {
        if (a.at < at || a.at >= end) continue;
        const met = heard.get(a.at);
        if (met !== undefined) cost.weak = (cost.weak ?? 0) + Math.round(weights.weak * a.weight * (1 - met));
        else if (!silent.has(a.at)) cost.silent = (cost.silent ?? 0) + Math.round(weights.silent * a.weight);
      }
      for (const s of block.strokes)
        if (s.strong && accentAt(cycle, at + s.at) === 0) cost.off = (cost.off ?? 0) + weights.off;
    }
    local.set(key, cost);
    return cost;
  }
  const sum = (c: Partial<Record<FitTerm, number>>) => FIT_TERMS.reduce((points, t) => points + (c[t] ?? 0), 0);
  const turnsBack = (a: Block | null, b: Block | null) =>
    a !== null && b !== null && a.lastWay !== null && a.lastWay === b.firstWay;

  // What is still to pay from a place after a block: everything but lateness between blocks, variety and seam.
  const rest = new Map<number, Map<Block | null, number>>();
  const places = reachable(blocks, turn, (b, at) => standing(b, at) !== null);
  if (!places.has(turn)) return null;
  for (const at of [...places].sort((a, b) => b - a)) {
    const after = new Map<Block | null, number>();
    for (const last of [null, ...blocks]) {
      if (at === turn) {
        after.set(last, 0);
        continue;
      }
      let least = Infinity;
      for (const b of blocks) {
        const own = standing(b, at);
        const onward = rest.get(at + b.length)?.get(b);
        if (!own || onward === undefined) continue;
        least = Math.min(least, sum(own) + onward + (turnsBack(last, b) ? weights.joint : 0));
      }
      after.set(last, least);
    }
    rest.set(at, after);
  }

  const start: State = { at: 0, used: 0, first: null, last: null, head: [], tail: [], key: '' };
  return {
    terms: FIT_TERMS,
    start,
    key: (s) => s.key,
    stage: (s) => s.at,
    isEnd: (s) => s.at === turn + 1,
    bound: (s) => (s.at > turn ? 0 : (rest.get(s.at)?.get(s.last) ?? Infinity)),
    moves: (s) => (s.at === turn ? close(s) : blocks.flatMap((b) => append(s, b))),
  };

  function append(s: State, block: Block): Move<State, FitLink, FitTerm>[] {
    const own = standing(block, s.at);
    if (!own || !rest.has(s.at + block.length)) return [];
    let late = own.late ?? 0;
    const seen = new Set<Finger>();
    for (const u of block.uses) {
      if (seen.has(u.finger)) continue;
      seen.add(u.finger);
      const before = s.tail.find((t) => t.finger === u.finger);
      if (before) late += lateCost(before, u, s.at + u.at - before.at, bpm, profile, weights.late);
    }
    const isNew = (s.used & (1 << block.cellIndex)) === 0 && s.used !== 0;
    const cost: Partial<Record<FitTerm, number>> = { ...own, late };
    if (turnsBack(s.last, block)) cost.joint = weights.joint;
    if (isNew) cost.variety = weights.variety;
    return [
      { to: after(s, block), step: { cell: block.cell, length: block.length }, total: sum(cost), cost: () => cost },
    ];
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
    return `${at}|${used}|${first.firstWay ?? ''}|${last.lastWay ?? ''}|${side(head)}|${side(tail)}`;
  }

  /** The chain joins its own beginning. */
  function close(s: State): Move<State, FitLink, FitTerm>[] {
    if ((s.used & must) !== must) return [];
    let late = 0;
    for (const u of s.tail) {
      const next = s.head.find((h) => h.finger === u.finger);
      if (next) late += lateCost(u, next, turn - u.at + next.at, bpm, profile, weights.late);
    }
    const cost: Partial<Record<FitTerm, number>> = { late };
    if (turnsBack(s.last, s.first)) cost.seam = weights.seam;
    return [{ to: { ...s, at: turn + 1, key: 'end' }, step: null, total: sum(cost), cost: () => cost }];
  }
}

/** Places that can be reached from the beginning and from which the end can be reached. */
function reachable(blocks: readonly Block[], turn: number, stands: (b: Block, at: number) => boolean): Set<number> {
  const forward = new Set([0]);
  const queue = [0];
  for (let at = queue.shift(); at !== undefined; at = queue.shift()) {
    for (const b of blocks) {
      const end = at + b.length;
      if (end > turn || forward.has(end) || !stands(b, at)) continue;
      forward.add(end);
      queue.push(end);
    }
  }
  const both = new Set<number>(forward.has(turn) ? [turn] : []);
  for (const at of [...forward].sort((a, b) => b - a)) {
    if (at < turn && blocks.some((b) => both.has(at + b.length) && stands(b, at))) both.add(at);
  }
  return both;
}
