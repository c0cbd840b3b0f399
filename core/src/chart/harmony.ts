import { cycleLength, groupStarts } from '../cycle/index.js';
import { OPEN_SHAPE, type Shape } from '../left-hand/index.js';
import type { Section } from '../piece/index.js';
import { lcm, ticks, type Ticks } from '../time/index.js';

/** A shape held over a stretch of one turn. */
export interface HeldShape {
  readonly from: Ticks;
  readonly to: Ticks;
  readonly shape: Shape;
}

/**
 * How many turns until the shapes and the cycle's start meet again.
 * @example harmonyTurns(makeStudy('s', 'Stair').sections[0]) // 1
 */
export function harmonyTurns(section: Section): number {
  const n = section.harmony.shapes.length;
  if (n === 0) return 1;
  const groups = section.cycle.groups.length;
  return section.harmony.per === 'turn' ? n : lcm(n, groups) / groups;
}

/** The shapes held through one turn, in order; neighbours of the same shape are joined. */
export function heldInTurn(section: Section, shapes: readonly Shape[], turn: number): HeldShape[] {
  const { per, shapes: ids } = section.harmony;
  const length = cycleLength(section.cycle);
  const pick = (n: number) => shapes.find((s) => s.id === ids[n % ids.length]) ?? OPEN_SHAPE;
  if (ids.length === 0) return [{ from: ticks(0), to: length, shape: OPEN_SHAPE }];
  if (per === 'turn') return [{ from: ticks(0), to: length, shape: pick(turn) }];
  const starts = groupStarts(section.cycle);
  const held: HeldShape[] = [];
  starts.forEach((from, g) => {
    const shape = pick(turn * starts.length + g);
    const to = starts[g + 1] ?? length;
    const last = held[held.length - 1];
    if (last && last.shape.id === shape.id) held[held.length - 1] = { ...last, to };
    else held.push({ from, to, shape });
  });
  return held;
}

export const shapeAt = (held: readonly HeldShape[], inTurn: number): Shape =>
  held.find((h) => inTurn >= h.from && inTurn < h.to)?.shape ?? OPEN_SHAPE;
