import { type AccentCycle, cycleLength } from '../cycle/index.js';
import { type FlatPattern, flatten, type Pattern } from '../script/index.js';
import { strength } from '../stroke/index.js';
import { lcm, wrap } from '../time/index.js';

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

/** Σ accent weight × strength of the stroke that meets it, as a share of Σ accent weight. */
function share(
  at: ReadonlyMap<number, number>,
  length: number,
  cycle: AccentCycle,
  offset: number,
  turns: number,
): number {
  const turnLength = cycleLength(cycle);
  let given = 0;
  let asked = 0;
  for (let turn = 0; turn < turns; turn++)
    for (const accent of cycle.accents) {
      asked += accent.weight;
      given += accent.weight * (at.get(wrap(turn * turnLength + accent.at + offset, length)) ?? 0);
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
  const strengths = new Map<number, number>();
  for (const e of flat.events) strengths.set(e.at, Math.max(strengths.get(e.at) ?? 0, strength(e.motion)));
  // A very long pattern is compared over its first turns; its starts differ there already.
  const compared = Math.max(
    1,
    Math.min(turns, Math.floor(MOST_MEETINGS / (flat.slots.length * Math.max(1, cycle.accents.length)))),
  );
  const round = (n: number) => Math.round(n * 1e6) / 1e6;
  return flat.slots
    .map((slot, i) => ({
      slot: i,
      overall: round(share(strengths, flat.length, cycle, slot.at, compared)),
      firstTurn: round(share(strengths, flat.length, cycle, slot.at, 1)),
    }))
    .sort((a, b) => b.overall - a.overall || b.firstTurn - a.firstTurn || a.slot - b.slot);
}
