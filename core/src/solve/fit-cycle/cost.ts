import { type AccentCycle, accentAt, type Family } from '../../cycle/index.js';
import { latePoints } from '../../player/index.js';
import type { Finger } from '../../stroke/index.js';
import { millisOf, ticks, TICKS_PER_COUNT } from '../../time/index.js';
import type { Block, BlockStroke } from './blocks.js';
import type { FitRequest, FitTerm } from './model.js';
import { FIT_WEIGHTS } from './weights.js';

export type FitCost = Partial<Record<FitTerm, number>>;

/** Strokes a second that sound like the style, from the fewest to the most: a rasgueado is dense. */
const STYLE_RATE: Readonly<Partial<Record<Family, readonly [number, number]>>> = { flamenco: [5.5, 9], plain: [2, 4] };
/** Styles that go by their accents, whatever the tempo: a bass on each count, and what answers it. */
const COMPED: ReadonlySet<Family> = new Set<Family>(['tango', 'bossa nova']);
/** From flick to flick of a roll that lands: quicker it is a smear, slower it is four strums. */
const ROLL_MS: readonly [number, number] = [60, 125];
/** A count of silence is as far from the style as one with twice its strokes. */
const BREATH = 1;
/** What of a lean a bass alone leaves to be wished. */
const BARE = 0.5;
/** What a cell's lean adds to the weight of the stroke it puts on an accent; landing there adds less, for another cell strikes it. */
export const LEAN = 0.25;
export const LANDED = 0.1;

/**
 * Strokes to a count that the style has at a tempo, from the fewest to the most: a figure of broken chords has twice what
 * marked blocks have, and both are the style.
 */
export function densityOf({
  cycle: { family, accents, counts },
  bpm,
  density,
}: Pick<FitRequest, 'cycle' | 'bpm' | 'density'>): readonly [least: number, most: number] {
  if (density !== undefined) return [density, density];
  if (COMPED.has(family)) {
    const least = Math.max(1, accents.length / counts);
    return [least, 2 * least];
  }
  const [least, most] = STYLE_RATE[family] ?? [1, 1];
  return [(least * 60) / bpm, (most * 60) / bpm];
}
/** How many times strokes are twice as many as the most, or half as many as the fewest. */
const beyond = (strokes: number, [least, most]: readonly [number, number]): number =>
  strokes < least ? octaves(least, strokes) : strokes > most ? octaves(strokes, most) : 0;
/** How many times one is twice the other, up or down. */
const octaves = (a: number, b: number): number => Math.abs(Math.log2(a / b));

/** What a block pays for itself, wherever it stands: how dense it is, and how far from its natural length. */
export function blockCost(request: FitRequest, block: Block): FitCost {
  const weights = request.weights ?? FIT_WEIGHTS;
  const counts = block.length / TICKS_PER_COUNT;
  const density = block.strokes.length
    ? weights.density * counts * beyond(block.strokes.length / counts, densityOf(request))
    : weights.density * counts * BREATH;
  const natural = block.natural === null ? 0 : weights.natural * octaves(block.length, block.natural);
  const apart = millisOf(ticks(block.length / Math.max(1, block.strokes.length)), request.bpm);
  const roll = block.lands ? weights.natural * beyond(apart, ROLL_MS) : 0;
  return { density: Math.round(density), natural: Math.round(natural + roll) };
}

/** What an accent pays for what meets it. @param landed the cell before leans on it */
function accentCost(request: FitRequest, at: number, weight: number, met: BlockStroke | undefined, landed: boolean) {
  const weights = request.weights ?? FIT_WEIGHTS;
  if (!met) return request.rules?.silent?.includes(ticks(at)) ? {} : { silent: Math.round(weights.silent * weight) };
  const own = met.leans === 'here' ? LEAN : 0;
  // A bass alone is there, and the chord that would carry it is not.
  const bare = met.plucks === 'bass' ? BARE : 0;
  const carried = Math.min(1, met.strength + Math.max(own, landed ? LANDED : 0));
  return {
    weak: Math.round(weights.weak * weight * (1 - carried)),
    up: met.up ? Math.round(weights.up * weight) : 0,
    lean: landed || met.leans === 'here' ? Math.round(weights.lean * weight * bare) : Math.round(weights.lean * weight),
  };
}
const add = (into: Record<string, number>, cost: FitCost) => {
  for (const [term, points] of Object.entries(cost)) into[term] = (into[term] ?? 0) + points;
};

/** What a block pays at its place, but for the accent on its first tick: that also belongs to the one before. */
export function placeCost(request: FitRequest, block: Block, at: number): FitCost {
  const weights = request.weights ?? FIT_WEIGHTS;
  const { cycle } = request;
  const cost: Record<string, number> = { silent: 0, weak: 0, lean: 0, up: 0, off: 0, wished: 0 };
  for (const a of cycle.accents) {
    if (a.at <= at || a.at >= at + block.length) continue;
    const met = block.strokes.find((s) => at + s.at === a.at);
    add(cost, accentCost(request, a.at, a.weight, met, false));
  }
  for (const s of block.strokes) {
    if (accentAt(cycle, at + s.at) === 0)
      add(cost, { off: s.marked ? weights.off : s.plucks === 'chord' ? weights.chord : 0 });
    // In comping the thumb is on the beat, unless a figure marks it.
    if (COMPED.has(cycle.family) && s.thumb && !s.marked && (at + s.at) % TICKS_PER_COUNT !== 0)
      add(cost, { off: weights.off });
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
