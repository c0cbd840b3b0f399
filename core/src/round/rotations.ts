import { type AccentCycle, cycleLength } from '../cycle/index.js';
import { type FlatPattern, flatten, type Pattern } from '../script/index.js';
import { strength } from '../stroke/index.js';
import { gcd, lcm } from '../time/index.js';

export interface Rotation {
  /** The slot of the pattern that falls on the cycle's first count. */
  readonly slot: number;
  /** Mean weight the accents get over all turns until it comes round, 0…1 of what they ask for. */
  readonly overall: number;
  /** The same for the first turn only: what differs when every start comes round through the same places. */
  readonly firstTurn: number;
}

/** Accents looked up for all starts together. */
const MOST_MEETINGS = 300_000;

/** Strengths on a grid that holds every place that is asked for. */
interface Grid {
  readonly strengths: Float64Array;
  readonly step: number;
}
function gridOf(flat: FlatPattern, cycle: AccentCycle): Grid {
  let step = gcd(flat.length, cycleLength(cycle));
  for (const e of flat.events) step = gcd(step, e.at);
  for (const s of flat.slots) step = gcd(step, s.at);
  for (const a of cycle.accents) step = gcd(step, a.at);
  const strengths = new Float64Array(flat.length / step);
  for (const e of flat.events) {
    const n = e.at / step;
    strengths[n] = Math.max(strengths[n] ?? 0, strength(e.motion));
  }
  return { strengths, step };
}

/**
 * The same over all turns until pattern and cycle come round: an accent then meets every place that lies whole turns and
 * passes away from it, each once.
 */
function wholeShares({ strengths, step }: Grid, cycle: AccentCycle): (offset: number) => number {
  const apart = gcd(strengths.length, cycleLength(cycle) / step);
  const sums = new Float64Array(apart);
  strengths.forEach((s, n) => (sums[n % apart] = (sums[n % apart] ?? 0) + s));
  const turns = strengths.length / apart;
  const asked = cycle.accents.reduce((sum, a) => sum + a.weight, 0) * turns;
  return (offset) => {
    if (asked === 0) return 0;
    const given = cycle.accents.reduce((sum, a) => sum + a.weight * (sums[((a.at + offset) / step) % apart] ?? 0), 0);
    return given / asked;
  };
}

/** Σ accent weight × strength of the stroke that meets it, as a share of Σ accent weight. */
function share({ strengths, step }: Grid, cycle: AccentCycle, offset: number, turns: number): number {
  const turn = cycleLength(cycle) / step;
  const n = strengths.length;
  let given = 0;
  let asked = 0;
  for (const { at, weight } of cycle.accents) {
    let place = ((at + offset) / step) % n;
    for (let t = 0; t < turns; t++) {
      asked += weight;
      given += weight * (strengths[place] ?? 0);
      place = (place + turn) % n;
    }
  }
  return asked === 0 ? 0 : given / asked;
}

/**
 * Every start of the pattern, best first: by all turns together, then by the first turn, then by order.
 * Where pattern and cycle share no common length above one step, all starts are equal over all turns
 * and only the first turn tells them apart.
 */
export function rotations(pattern: Pattern | FlatPattern, cycle: AccentCycle): Rotation[] {
  const flat = 'items' in pattern ? flatten(pattern) : pattern;
  if (flat.length === 0) return [];
  const turns = Math.min(lcm(flat.length, cycleLength(cycle)) / cycleLength(cycle), 512);
  const grid = gridOf(flat, cycle);
  const whole = wholeShares(grid, cycle);
  const all = lcm(flat.length, cycleLength(cycle)) / cycleLength(cycle);
  // A very long pattern is compared over its first turns; its starts differ there already.
  const compared = Math.max(
    1,
    Math.min(turns, Math.floor(MOST_MEETINGS / (flat.slots.length * Math.max(1, cycle.accents.length)))),
  );
  const round = (n: number) => Math.round(n * 1e6) / 1e6;
  return flat.slots
    .map((slot, i) => ({
      slot: i,
      overall: round(compared === all ? whole(slot.at) : share(grid, cycle, slot.at, compared)),
      firstTurn: round(share(grid, cycle, slot.at, 1)),
    }))
    .sort((a, b) => b.overall - a.overall || b.firstTurn - a.firstTurn || a.slot - b.slot);
}
