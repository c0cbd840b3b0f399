import { accentAt, cycleLength } from '../../cycle/index.js';
import { FINGERS } from '../../stroke/index.js';
import { lateCost, type Block, blocksOf, DEFAULT_LENGTHS, type Use } from './blocks.js';
import { FIT_TERMS, type FitAnswer, type FitLink, type FitRequest, type FitTerm } from './model.js';
import { FIT_WEIGHTS } from './weights.js';

/**
 * What a chain costs, reckoned from its strokes laid out round the cycle, apart from any search.
 * The chain must fill the cycle; rules are the caller's business.
 */
export function scoreFit(request: FitRequest, links: readonly FitLink[]): FitAnswer {
  const weights = request.weights ?? FIT_WEIGHTS;
  const { cycle, profile, bpm } = request;
  const cost = Object.fromEntries(FIT_TERMS.map((t) => [t, 0])) as Record<FitTerm, number>;
  const chain = links.map((link) => blockFor(request, link));
  const turn = cycleLength(cycle);
  const heard = new Map<number, number>();
  const uses: Use[] = [];
  let at = 0;
  for (const block of chain) {
    for (const s of block.strokes) {
      heard.set(at + s.at, s.strength);
      if (s.strong && accentAt(cycle, at + s.at) === 0) cost.off += weights.off;
    }
    for (const u of block.uses) uses.push({ ...u, at: at + u.at });
    at += block.length;
  }
  const allowed = new Set<number>(request.rules?.silent ?? []);
  for (const accent of cycle.accents) {
    const met = heard.get(accent.at);
    if (met !== undefined) cost.weak += Math.round(weights.weak * accent.weight * (1 - met));
    else if (!allowed.has(accent.at)) cost.silent += Math.round(weights.silent * accent.weight);
  }
  for (const finger of FINGERS) {
    const own = uses.filter((u) => u.finger === finger);
    own.forEach((use, i) => {
      const next = own[(i + 1) % own.length] as Use;
      const gap = i === own.length - 1 ? next.at + turn - use.at : next.at - use.at;
      cost.late += lateCost(use, next, gap, bpm, profile, weights.late);
    });
  }
  chain.forEach((block, i) => {
    const next = chain[(i + 1) % chain.length] as Block;
    if (block.lastWay === null || block.lastWay !== next.firstWay) return;
    if (i === chain.length - 1) cost.seam += weights.seam;
    else cost.joint += weights.joint;
  });
  cost.variety = weights.variety * (new Set(links.map((l) => l.cell)).size - 1);
  return { steps: links, cost, total: FIT_TERMS.reduce((sum, t) => sum + cost[t], 0) };
}

/** Blocks already read for a request: enumeration scores thousands of chains of the same one. */
const known = new WeakMap<FitRequest, Map<string, Block>>();

function blockFor(request: FitRequest, link: FitLink): Block {
  const blocks = known.get(request) ?? new Map<string, Block>();
  known.set(request, blocks);
  const key = `${link.length} ${link.cell}`;
  const before = blocks.get(key);
  if (before) return before;
  const index = request.cells.findIndex((c) => c.id === link.cell);
  const cell = request.cells[index];
  const block =
    cell && blocksOf(cell, index, request.lengths ?? DEFAULT_LENGTHS).blocks.find((b) => b.length === link.length);
  if (!block) throw new RangeError(`The request has no cell “${link.cell}” over ${link.length} ticks.`);
  blocks.set(key, block);
  return block;
}
