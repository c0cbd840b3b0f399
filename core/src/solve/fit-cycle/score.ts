import { addCost, pointsOf, zeroCost } from '../../search/index.js';
import { cycleLength } from '../../cycle/index.js';
import { FINGERS } from '../../stroke/index.js';
import { lateCost, type Block, blocksOf, DEFAULT_LENGTHS, type Use } from './blocks.js';
import { blockCost, type FitCost, joinCost, placeCost } from './cost.js';
import { FIT_TERMS, type FitAnswer, type FitLink, type FitRequest } from './model.js';
import { FIT_WEIGHTS } from './weights.js';

/**
 * What a chain costs, reckoned from its strokes laid out round the cycle, apart from any search.
 * The chain must fill the cycle; rules are the caller's business.
 */
export function scoreFit(request: FitRequest, links: readonly FitLink[]): FitAnswer {
  const weights = request.weights ?? FIT_WEIGHTS;
  const { cycle, profile, bpm } = request;
  const cost = zeroCost(FIT_TERMS);
  const chain = links.map((link) => blockFor(request, link));
  const turn = cycleLength(cycle);
  const uses: Use[] = [];
  const add = (c: FitCost) => {
    addCost(cost, c);
  };
  let at = 0;
  chain.forEach((block, i) => {
    add(blockCost(request, block));
    add(placeCost(request, block, at));
    for (const u of block.uses) uses.push({ ...u, at: at + u.at });
    const before = chain.at(i - 1) as Block;
    // The first one joins the last.
    add(joinCost(request, before, block, at));
    at += block.length;
  });
  for (const finger of FINGERS) {
    const own = uses.filter((u) => u.finger === finger);
    own.forEach((use, i) => {
      const next = own[(i + 1) % own.length] as Use;
      const gap = i === own.length - 1 ? next.at + turn - use.at : next.at - use.at;
      cost.late += lateCost(use, next, gap, bpm, profile, weights.late);
    });
  }
  cost.variety = weights.variety * (new Set(links.map((l) => l.cell)).size - 1);
  return { steps: links, cost, total: pointsOf(cost) };
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
