import { type AccentCycle, barBegin, barOf } from '../cycle/index.js';
import { type FlatPattern, flatten, type Pattern } from '../script/index.js';
import { fingersOf } from '../stroke/index.js';
import { type Ticks, TICKS_PER_COUNT } from '../time/index.js';

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
   * The stroke that players usually drop: the thumb's on the last beat before a 1 on which it meets a finger. Null where
   * they meet on no beat but the 1.
   */
  readonly dropped: LayerStroke | null;
}
/** Where a pattern lies: its cycle, and the place of it with which it begins, in ticks. */
export interface LaidAt {
  readonly cycle: AccentCycle;
  readonly start: number;
}
/**
 * Bass against figure. Before the 1 the fingers look ahead to it, and the thumb under them is forgotten: not the 1, which
 * everybody hears, and not the syncopated stroke, which everybody minds.
 * @param laid where its bars begin; without it the pattern is a bar
 * @example layersOf(parseScript('p:b pima:t p:b pima:t', { stepsPerCount: 1 }).pattern).dropped // { at: 15120, slot: 3 }
 */
export function layersOf(pattern: Pattern | FlatPattern, laid?: LaidAt): Layers {
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
  const start = laid?.start ?? 0;
  const isBeat = (at: number) => (at + start) % TICKS_PER_COUNT === 0;
  const isOne = (at: number) => (laid ? isBarBegin(laid.cycle, at + start) : at === 0);
  const dropped = together.filter(({ at }) => isBeat(at) && !isOne(at)).at(-1) ?? null;
  return { together, bass, figure: of((thumb) => !thumb), dropped };
}
const isBarBegin = (cycle: AccentCycle, at: number): boolean => barBegin(cycle, barOf(cycle, at)) === at;

/**
 * Where bass and figure sound together.
 * @example coincidences(parseScript('pima:t - p:b', { stepsPerCount: 2 }).pattern).map((c) => c.slot) // [0]
 */
export const coincidences = (pattern: Pattern | FlatPattern): readonly LayerStroke[] => layersOf(pattern).together;
