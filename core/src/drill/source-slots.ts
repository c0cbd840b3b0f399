import { flatten, type Item, type Pattern, writeOut } from '../script/index.js';
import { burstOf } from './burst.js';
import type { Variant } from './model.js';

const slotsIn = (item: Item): number =>
  item.kind === 'step'
    ? 1
    : item.kind === 'group' || item.kind === 'repeat'
      ? item.items.reduce((sum, i) => sum + slotsIn(i), 0) * (item.kind === 'repeat' ? item.times : 1)
      : 0;
const mod = (a: number, n: number): number => ((a % n) + n) % n;

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
  if (variant.kind === 'burst') return burstOf(pattern, variant.from, variant.strokes).map((b) => b.source);
  if (variant.kind !== 'rhythm' || !slots.every((s) => s.duration === slots[0]?.duration)) return all;
  if (variant.shape === 'triplets') return all;
  return all.flatMap((i) => {
    if (i % 2 === 1) return [];
    if (i + 1 >= n) return [i];
    return variant.shape === 'long-short' ? [i, i, i, i + 1] : [i, i + 1, i + 1, i + 1];
  });
}
