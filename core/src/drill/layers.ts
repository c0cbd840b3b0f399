import { type FlatPattern, flatten, type Pattern } from '../script/index.js';
import { fingersOf } from '../stroke/index.js';
import type { Ticks } from '../time/index.js';

/** A stroke of a pattern by its place and its slot. */
export interface LayerStroke {
  readonly at: Ticks;
  readonly slot: number;
}
/** A pattern as two layers: the thumb's bass, and the figure of the fingers. */
export interface Layers {
  /** Where both sound at once. */
  readonly together: readonly LayerStroke[];
  readonly bass: readonly LayerStroke[];
  readonly figure: readonly LayerStroke[];
  /**
   * The stroke that players usually drop: the thumb's first one alone after both were together for the last time. Null
   * where they never are, or the thumb has none alone.
   */
  readonly dropped: LayerStroke | null;
}
/**
 * Bass against figure. After the last coincidence the hand goes on with the figure, and the thumb is forgotten; where
 * none of its strokes comes after it in the pattern, the first one of the next pass is meant.
 * @example layersOf(parseScript('pima:t - p:b ima:t', { stepsPerCount: 2 }).pattern).dropped // { at: 5040, slot: 2 }
 */
export function layersOf(pattern: Pattern | FlatPattern): Layers {
  const flat = 'items' in pattern ? flatten(pattern) : pattern;
  const of = (is: (thumb: boolean, many: boolean) => boolean): LayerStroke[] =>
    flat.events
      .filter((e) => {
        const fingers = fingersOf(e.motion);
        return fingers.length > 0 && is(fingers.includes('p'), fingers.length > 1);
      })
      .map((e) => ({ at: e.at, slot: e.slot }));
  const together = of((thumb, many) => thumb && many);
  const bass = of((thumb, many) => thumb && !many);
  const last = together.at(-1);
  const dropped = last ? (bass.find((b) => b.at > last.at) ?? bass[0] ?? null) : null;
  return { together, bass, figure: of((thumb) => !thumb), dropped };
}
/**
 * Where bass and figure sound together.
 * @example coincidences(parseScript('pima:t - p:b', { stepsPerCount: 2 }).pattern).map((c) => c.slot) // [0]
 */
export const coincidences = (pattern: Pattern | FlatPattern): readonly LayerStroke[] => layersOf(pattern).together;
