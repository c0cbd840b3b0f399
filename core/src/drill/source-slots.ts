import { flatten, type Item, type Pattern, writeOut } from '../script/index.js';
import { burstOf } from './burst.js';
import { type Finger, FINGERS, fingersOf } from '../stroke/index.js';
import { lcm } from '../time/index.js';
import type { Variant } from './model.js';

const slotsIn = (item: Item): number =>
  item.kind === 'step'
    ? 1
    : item.kind === 'group' || item.kind === 'repeat'
      ? item.items.reduce((sum, i) => sum + slotsIn(i), 0) * (item.kind === 'repeat' ? item.times : 1)
      : 0;
const mod = (a: number, n: number): number => ((a % n) + n) % n;

/** Longer regroupings are not written out. */
const MOST_WRITTEN_OUT = 192;
/**
 * Passes after which groups of a size begin with the pattern again; one where that would be too long.
 */
export function passesUntilRound(steps: number, size: number): number {
  const whole = steps === 0 ? 0 : lcm(steps, size);
  return whole === 0 || whole > MOST_WRITTEN_OUT ? 1 : whole / steps;
}
/** The fingers of a pattern up to the last and back, as accents go through them. */
export function throughOrder(pattern: Pattern): Finger[] {
  const { events } = flatten(pattern);
  const used = FINGERS.filter((f) => events.some((e) => fingersOf(e.motion).includes(f)));
  return [...used, ...used.slice(0, -1).reverse()];
}

/**
 * Where in the pattern every slot of a drill comes from, counted on beyond the pattern's end where the drill goes on
 * into its next pass.
 */
export function sourceSlots(pattern: Pattern, variant: Variant): number[] {
  const { slots } = flatten(pattern);
  const n = slots.length;
  const all = Array.from({ length: n }, (_, i) => i);
  if (variant.kind === 'rotation') {
    const items = writeOut(pattern).items.filter((i) => i.kind !== 'bar' && i.kind !== 'level');
    const by = items.length ? mod(variant.start, items.length) : 0;
    const first = items.slice(0, by).reduce((sum, i) => sum + slotsIn(i), 0);
    return all.map((i) => i + first);
  }
  const times = (passes: number) => Array.from({ length: passes * n }, (_, i) => i);
  if (variant.kind === 'accent through') return times(throughOrder(pattern).length);
  if (variant.kind === 'burst') return burstOf(pattern, variant.from, variant.strokes).map((b) => b.source);
  if (variant.kind === 'crossing') return Array.from({ length: 4 }, (_, i) => mod(variant.from + i, n));
  if (variant.kind === 'gallop' && slots.every((s) => s.duration === slots[0]?.duration))
    return times(passesUntilRound(n, 3)).flatMap((i) => (i % 3 === variant.long - 1 ? [i, i] : [i]));
  if (variant.kind !== 'rhythm' || !slots.every((s) => s.duration === slots[0]?.duration)) return all;
  const written = times(passesUntilRound(n, variant.shape === 'triplets' ? 3 : 2));
  if (variant.shape === 'triplets') return written;
  return written.flatMap((i) => {
    if (i % 2 === 1) return [];
    if (i + 1 >= written.length) return [i];
    return variant.shape === 'long-short' ? [i, i, i, i + 1] : [i, i + 1, i + 1, i + 1];
  });
}
