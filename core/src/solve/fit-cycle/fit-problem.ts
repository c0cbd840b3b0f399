import { cycleLength } from '../../cycle/index.js';
import type { Move, SearchProblem } from '../../search/index.js';
import { type Finger, FINGERS } from '../../stroke/index.js';
import { backAfter, type Block, lateCost, type Use } from './blocks.js';
import { asSeam, beginCost, blockCost, type FitCost, followCost, joinCost, placeCost } from './cost.js';
import { FIT_TERMS, type FitLink, type FitRequest, type FitTerm } from './model.js';
import { reachable } from './reachable.js';
import { Remaining } from './remaining.js';
import { FIT_WEIGHTS, type FitWeights } from './weights.js';

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

type FitMove = Move<State, FitLink, FitTerm>;
const START: State = { at: 0, used: 0, first: null, last: null, head: [], tail: [], key: '' };

function sum(cost: FitCost): number {
  let points = 0;
  for (const t in cost) points += cost[t as FitTerm] ?? 0;
  return points;
}

/**
 * Chains of blocks as a search: block after block until the turn is full, then the chain joins its own beginning.
 * @returns null where the blocks never fill the turn
 */
export function fitProblem(
  request: FitRequest,
  blocks: readonly Block[],
): SearchProblem<State, FitLink, FitTerm> | null {
  const chains = new Chains(request, blocks);
  if (!chains.fillTheTurn) return null;
  return {
    terms: FIT_TERMS,
    start: START,
    key: (s) => s.key,
    stage: (s) => s.at,
    isEnd: (s) => s.at === chains.turn + 1,
    bound: (s) => chains.bound(s),
    moves: (s) => (s.at === chains.turn ? chains.close(s) : blocks.flatMap((b) => chains.append(s, b))),
  };
}

/** What chains of one request share: their costs at every place, and the least that is still to pay. */
class Chains {
  readonly turn: number;
  private readonly weights: FitWeights;
  private readonly fixed: readonly (readonly [at: number, cell: string])[];
  private readonly must: number;
  private readonly allCells: number;
  private readonly back: Readonly<Record<Finger, number>>;
  private readonly number: ReadonlyMap<Block, number>;
  private readonly own: ReadonlyMap<Block, FitCost>;
  private readonly inner: ReadonlyMap<Block, number>;
  private readonly places: ReadonlySet<number>;
  private readonly known = new Map<number, FitCost | null>();
  private readonly remaining: Remaining | null;

  constructor(
    private readonly request: FitRequest,
    private readonly blocks: readonly Block[],
  ) {
    const { cycle, profile, bpm, cells, rules = {} } = request;
    this.turn = cycleLength(cycle);
    this.weights = request.weights ?? FIT_WEIGHTS;
    this.fixed = (rules.fixed ?? []).map((f) => [f.at, f.cell] as const);
    this.must = (rules.must ?? []).reduce((bits, id) => bits | (1 << cells.findIndex((c) => c.id === id)), 0);
    this.allCells = blocks.reduce((bits, b) => bits | (1 << b.cellIndex), 0);
    this.back = Object.fromEntries(FINGERS.map((f) => [f, backAfter(f, bpm, profile)])) as Record<Finger, number>;
    this.number = new Map(blocks.map((b, i) => [b, i]));
    this.own = new Map(blocks.map((b) => [b, blockCost(request, b)]));
    this.inner = new Map(blocks.map((b) => [b, this.innerLate(b)]));
    this.places = reachable(blocks, this.turn, (b, at) => this.standing(b, at) !== null);
    this.remaining = this.fillTheTurn ? this.leastRemaining() : null;
  }
  /** Whether any chain comes to the end of the turn. */
  get fillTheTurn(): boolean {
    return this.places.has(this.turn);
  }
  private numberOf(block: Block | null): number {
    return block ? (this.number.get(block) ?? 0) : 0;
  }
  private late(before: Use, next: Use, apart: number): number {
    const { bpm, profile } = this.request;
    return lateCost(before, next, apart, bpm, profile, this.weights.late);
  }
  private innerLate(block: Block): number {
    let late = 0;
    const seen = new Map<Finger, Use>();
    for (const u of block.uses) {
      const before = seen.get(u.finger);
      if (before) late += this.late(before, u, u.at - before.at);
      seen.set(u.finger, u);
    }
    return late;
  }
  /** What a block costs by itself at a place; null when it can't stand there. */
  private standing(block: Block, at: number): FitCost | null {
    const key = this.numberOf(block) * (this.turn + 1) + at;
    const known = this.known.get(key);
    if (known !== undefined) return known;
    const end = at + block.length;
    const barred = this.fixed.some(
      ([place, cell]) => (place > at && place < end) || (place === at && cell !== block.cell),
    );
    const cost =
      end > this.turn || barred
        ? null
        : { ...this.own.get(block), ...placeCost(this.request, block, at), late: this.inner.get(block) ?? 0 };
    this.known.set(key, cost);
    return cost;
  }
  private leastRemaining(): Remaining {
    const { request, blocks, turn } = this;
    const block = (n: number) => blocks[n] as Block;
    return new Remaining({
      blocks,
      places: [...this.places].sort((a, b) => a - b),
      standing: (b, at) => {
        const cost = this.standing(block(b), at);
        return cost ? sum(cost) : Infinity;
      },
      begins: (landed, b, at) => (at === turn ? 0 : sum(beginCost(request, landed, block(b), at))),
      follows: (a, b) => {
        const cost = followCost(request, block(a), block(b));
        return [sum(cost), sum(asSeam(request, cost))];
      },
    });
  }
  /** From the cells used so far alone, or with another one that has to be paid for. */
  bound(s: State): number {
    const { remaining, allCells } = this;
    if (!remaining || s.at > this.turn || !s.last) return 0;
    const last = this.numberOf(s.last);
    const alone = remaining.from(s.at, last, this.numberOf(s.first), s.used);
    if (s.used === allCells) return alone;
    return Math.min(alone, remaining.from(s.at, last, null, allCells) + this.weights.variety);
  }
  append(s: State, block: Block): FitMove[] {
    if (!this.remaining || !this.places.has(s.at + block.length)) return [];
    const alone = this.remaining.step(this.numberOf(block), s.at, s.last && this.numberOf(s.last));
    if (alone === Infinity) return [];
    let late = 0;
    const seen = new Set<Finger>();
    for (const u of s.tail.length ? block.uses : []) {
      if (seen.has(u.finger)) continue;
      seen.add(u.finger);
      const before = s.tail.find((t) => t.finger === u.finger);
      if (before) late += this.late(before, u, s.at + u.at - before.at);
    }
    const isNew = (s.used & (1 << block.cellIndex)) === 0 && s.used !== 0;
    const variety = isNew ? this.weights.variety : 0;
    const cost = (): FitCost => {
      const own = this.standing(block, s.at) ?? {};
      const joined = s.last ? joinCost(this.request, s.last, block, s.at) : {};
      const both = Object.fromEntries(FIT_TERMS.map((t) => [t, (own[t] ?? 0) + (joined[t] ?? 0)]));
      return { ...both, late: (own.late ?? 0) + late, variety };
    };
    const step = { cell: block.cell, length: block.length };
    return [{ to: this.after(s, block), step, total: alone + late + variety, cost }];
  }
  private after(s: State, block: Block): State {
    const end = s.at + block.length;
    const tail = new Map<Finger, Use>(s.tail.map((u) => [u.finger, u]));
    const head = [...s.head];
    for (const u of block.uses) {
      const use = { ...u, at: s.at + u.at };
      tail.set(u.finger, use);
      if (use.at < this.back[u.finger] && !head.some((h) => h.finger === u.finger)) head.push(use);
    }
    const kept = FINGERS.flatMap((f) => {
      const u = tail.get(f);
      return u && end - u.at < this.back[f] ? [u] : [];
    });
    const to = {
      at: end,
      used: s.used | (1 << block.cellIndex),
      first: s.first ?? block,
      last: block,
      head,
      tail: kept,
    };
    return { ...to, key: this.keyOf(to) };
  }
  /** What a block does to its neighbours is known by its number. */
  private keyOf({ at, used, first, last, head, tail }: Omit<State, 'key'>): string {
    const side = (list: readonly Use[]) => list.map((u) => `${u.finger}${u.at}${u.dir ?? ''}`).join();
    return `${at}|${used}|${this.numberOf(first)}|${this.numberOf(last)}|${side(head)}|${side(tail)}`;
  }
  /** The chain joins its own beginning. */
  close(s: State): FitMove[] {
    if ((s.used & this.must) !== this.must) return [];
    let late = 0;
    for (const u of s.tail) {
      const next = s.head.find((h) => h.finger === u.finger);
      if (next) late += this.late(u, next, this.turn - u.at + next.at);
    }
    const closing = s.last && s.first ? joinCost(this.request, s.last, s.first, 0) : {};
    const cost = { ...closing, late };
    return [{ to: { ...s, at: this.turn + 1, key: 'end' }, step: null, total: sum(cost), cost: () => cost }];
  }
}
