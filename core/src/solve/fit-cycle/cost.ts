import { type AccentCycle, accentAt, type Family } from '../../cycle/index.js';
import { latePoints } from '../../player/index.js';
import type { Finger } from '../../stroke/index.js';
import { millisOf, ticks, TICKS_PER_COUNT } from '../../time/index.js';
import type { Block, BlockStroke } from './blocks.js';
import type { FitRequest, FitTerm } from './model.js';
import { FIT_WEIGHTS } from './weights.js';

export type FitCost = Partial<Record<FitTerm, number>>;

/** Strokes a second that sound like the style: a rasgueado is dense, comping leaves room. */
const STYLE_RATE: Readonly<Record<Family, number>> = { flamenco: 8, tango: 4, 'bossa nova': 4, plain: 3 };
/** What a cell's lean adds to the weight of the stroke it puts on an accent; landing there adds less, for another cell strikes it. */
export const LEAN = 0.25;
export const LANDED = 0.1;

/** Strokes to a count that the style has at a tempo. */
export const densityOf = ({ cycle, bpm, density }: Pick<FitRequest, 'cycle' | 'bpm' | 'density'>): number =>
  density ?? (STYLE_RATE[cycle.family] * 60) / bpm;
/** How many times one is twice the other, up or down. */
const octaves = (a: number, b: number): number => Math.abs(Math.log2(a / b));

/** What a block pays for itself, wherever it stands: how dense it is, and how far from its natural length. */
export function blockCost(request: FitRequest, block: Block): FitCost {
  const weights = request.weights ?? FIT_WEIGHTS;
  const counts = block.length / TICKS_PER_COUNT;
  const density = block.strokes.length
    ? weights.density * counts * octaves(block.strokes.length / counts, densityOf(request))
    : 0;
  const natural = block.natural === null ? 0 : weights.natural * octaves(block.length, block.natural);
  return { density: Math.round(density), natural: Math.round(natural) };
}

/** What an accent pays for what meets it. @param landed the cell before leans on it */
function accentCost(request: FitRequest, at: number, weight: number, met: BlockStroke | undefined, landed: boolean) {
  const weights = request.weights ?? FIT_WEIGHTS;
  if (!met) return request.rules?.silent?.includes(ticks(at)) ? {} : { silent: Math.round(weights.silent * weight) };
  const own = met.leans === 'here' ? LEAN : 0;
  const carried = Math.min(1, met.strength + Math.max(own, landed ? LANDED : 0));
  return {
    weak: Math.round(weights.weak * weight * (1 - carried)),
    lean: landed || met.leans === 'here' ? 0 : Math.round(weights.lean * weight),
  };
}
const add = (into: Record<string, number>, cost: FitCost) => {
  for (const [term, points] of Object.entries(cost)) into[term] = (into[term] ?? 0) + points;
};

/** What a block pays at its place, but for the accent on its first tick: that also belongs to the one before. */
export function placeCost(request: FitRequest, block: Block, at: number): FitCost {
  const weights = request.weights ?? FIT_WEIGHTS;
  const { cycle } = request;
  const cost: Record<string, number> = { silent: 0, weak: 0, lean: 0, off: 0, wished: 0 };
  for (const a of cycle.accents) {
    if (a.at <= at || a.at >= at + block.length) continue;
    const met = block.strokes.find((s) => at + s.at === a.at);
    add(cost, accentCost(request, a.at, a.weight, met, false));
  }
  for (const s of block.strokes) {
    if (s.marked && accentAt(cycle, at + s.at) === 0) add(cost, { off: weights.off });
    if (wishedSilent(cycle, at + s.at)) add(cost, { wished: Math.round(weights.wished * s.strength) });
  }
  return cost;
}
const wishedSilent = (cycle: AccentCycle, at: number): boolean => cycle.wishedSilent?.some((s) => s === at) ?? false;

/** What the accent on a block's first tick pays, where the one before may land. */
export function beginCost(request: FitRequest, landed: boolean, block: Block, at: number): FitCost {
  const weights = request.weights ?? FIT_WEIGHTS;
  const weight = accentAt(request.cycle, at);
  if (weight === 0) return landed ? { off: weights.off } : {};
  const first = block.strokes[0];
  return accentCost(request, at, weight, first?.at === 0 ? first : undefined, landed);
}

/** What it costs that one block follows another: the hand that turns back in too little time, the pace, and the thumb's. */
export function followCost(request: FitRequest, before: Block, after: Block): FitCost {
  const weights = request.weights ?? FIT_WEIGHTS;
  const cost = { joint: 0, speed: 0, thumb: 0 };
  if (before.lastWay !== null && before.lastWay === after.firstWay && !flicks(before.lastFinger, after.firstFinger)) {
    const gap = millisOf(ticks(before.trail + after.lead), request.bpm);
    cost.joint = Math.round(latePoints(weights.joint, 2 * request.profile.jointMs, gap));
  }
  if (before.strokes.length && after.strokes.length)
    cost.speed = Math.round(weights.speed * octaves(paceOf(before), paceOf(after)));
  if (before.thumbs && after.thumbs)
    cost.thumb = Math.round(weights.thumb * octaves(before.length / before.thumbs, after.length / after.thumbs));
  return cost;
}
/** Both at a place of the turn; at its beginning the chain joins itself. */
export const joinCost = (request: FitRequest, before: Block, after: Block, at: number): FitCost => ({
  ...beginCost(request, before.lands, after, at),
  ...(at === 0 ? asSeam(request, followCost(request, before, after)) : followCost(request, before, after)),
});
/** The same where the chain joins its own beginning: turning back there is heard in every turn. */
export function asSeam(request: FitRequest, { joint = 0, ...cost }: FitCost): FitCost {
  const { joint: inside, seam } = request.weights ?? FIT_WEIGHTS;
  return { ...cost, seam: inside === 0 ? 0 : Math.round((joint * seam) / inside) };
}
/** Two fingers other than the thumb unfold one after the other: the hand need not turn back between them. */
const flicks = (a: Finger | null, b: Finger | null): boolean => a !== b && a !== 'p' && b !== 'p';
/** From stroke to stroke, in ticks. */
const paceOf = ({ length, strokes }: Block): number => length / strokes.length;
