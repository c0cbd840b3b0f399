/** How much of what was found is told, and in which order: the same in every language. */
import type { Layers, LayerStroke } from '../drill/index.js';
import type { AccentPlace } from '../findings/index.js';
import type { HoldingFinger, ShapeChange } from '../left-hand/index.js';
import { type AccentCycle, barOf, cycleLength, placeLabel } from '../cycle/index.js';

/**
 * The first of a list, and how many there are more.
 * @example few([7, 8, 9], 2) // { shown: [7, 8], more: 1 }
 */
export function few<T>(list: readonly T[], most: number): { readonly shown: readonly T[]; readonly more: number } {
  return { shown: list.slice(0, most), more: Math.max(0, list.length - most) };
}
/**
 * Whether a string sounds open: at fret 0 from nut or capo.
 * @example isOpen({ fret: 0 }) // true
 */
export const isOpen = ({ fret }: { readonly fret: number }): boolean => fret === 0;
/** None, more than one, and below nothing. */
export const isNone = (n: number): boolean => n === 0;
export const isMany = (n: number): boolean => n > 1;
export const isBelow = (n: number): boolean => n < 0;

/** How much of a pattern a burst takes: one burst, two joined, or all of them. */
export type BurstExtent = 'one' | 'two' | 'all';
/**
 * Single bursts last a beat; those of two are joined, and longer ones are all of the pattern.
 * @example burstExtent(8, 4) // 'two'
 */
export const burstExtent = (strokes: number, strokesToABeat: number): BurstExtent =>
  strokes > 2 * strokesToABeat ? 'all' : strokes > strokesToABeat ? 'two' : 'one';

/**
 * The fingers of a change that land, in the order of the strokes that need them; null where all land at once.
 * @example landingOrder({ fingers: [] }) // null
 */
export function landingOrder({ fingers }: Pick<ShapeChange, 'fingers'>): readonly HoldingFinger[] | null {
  const landing = fingers
    .flatMap(({ finger, order, action }) => (order === null || action === 'stays' ? [] : [{ finger, order }]))
    .sort((a, b) => a.order - b.order);
  return new Set(landing.map((f) => f.order)).size > 1 ? landing.map((f) => f.finger) : null;
}

/** Places that come in the same turns, those counted from 1; null where they come in every one of them. */
export interface PlacesOfTurns {
  readonly labels: readonly string[];
  readonly turns: readonly number[] | null;
}
/**
 * Places gathered by the turns that they come in.
 * @param turns after so many the pattern comes round
 * @example placesByTurn([{ label: '3', turn: 0 }, { label: '3', turn: 1 }, { label: '8', turn: 1 }], 2) // [{ labels: ['3'], turns: null }, { labels: ['8'], turns: [2] }]
 */
export function placesByTurn(list: readonly AccentPlace[], turns: number): PlacesOfTurns[] {
  const byLabel = new Map<string, number[]>();
  for (const m of list) byLabel.set(m.label, [...(byLabel.get(m.label) ?? []), m.turn + 1]);
  const byTurns = new Map<string, { labels: string[]; turns: number[] | null }>();
  for (const [label, at] of byLabel) {
    const own = at.length === turns ? null : at;
    const key = String(own);
    byTurns.set(key, { labels: [...(byTurns.get(key)?.labels ?? []), label], turns: own });
  }
  return [...byTurns.values()];
}

/**
 * A place of a score: its label, and its turn counted from 1.
 * @param at ticks from the beginning
 */
export const placeInTurn = (cycle: AccentCycle, at: number): { readonly label: string; readonly turn: number } => ({
  label: placeLabel(cycle, at % cycleLength(cycle)),
  turn: Math.floor(at / cycleLength(cycle)) + 1,
});
/** Bars that are gone through; the pattern goes on alike. */
const SHOWN_BARS = 4;
/** Where strokes of one layer lie, bar by bar. */
export interface LayerPlaces {
  /** What comes in every bar, the same each time; null where bars differ, or there is but one. */
  readonly every: readonly string[] | null;
  readonly bars: readonly { readonly bar: number; readonly labels: readonly string[] }[];
  /** Whether it goes on after the bars that are named. */
  readonly goesOn: boolean;
}
/** What of two layers is told. */
export interface ToldLayers {
  /** Whether a place needs its bar to be found. */
  readonly manyBars: boolean;
  readonly together: LayerPlaces | null;
  readonly bass: LayerPlaces | null;
  readonly figure: LayerPlaces | null;
  readonly dropped: { readonly label: string; readonly bar: number } | null;
}
/**
 * Bass and figure by bars counted from 1; null where there is only one layer.
 * @param start where in the cycle the pattern begins, in ticks
 */
export function toldLayers({ together, bass, figure, dropped }: Layers, cycle: AccentCycle, start: number) {
  if (together.length + bass.length === 0 || together.length + figure.length === 0) return null;
  const bar = (s: LayerStroke): number => barOf(cycle, s.at + start) + 1;
  const label = (s: LayerStroke): string => placeLabel(cycle, s.at + start);
  const all = [...together, ...bass, ...figure].map(bar);
  const end = Math.min(...all) + SHOWN_BARS;
  const count = new Set(all).size;
  const places = (list: readonly LayerStroke[]): LayerPlaces | null => {
    const bars = [...new Set(list.map(bar))].sort((a, b) => a - b);
    if (bars.length === 0) return null;
    const ofBar = (n: number) => list.filter((s) => bar(s) === n).map(label);
    const [first = 0] = bars;
    const alike =
      bars.length > 1 && bars.length === count && bars.every((n) => ofBar(n).join() === ofBar(first).join());
    return {
      every: alike ? ofBar(first) : null,
      bars: bars.filter((n) => n < end).map((n) => ({ bar: n, labels: ofBar(n) })),
      goesOn: bars.some((n) => n >= end),
    };
  };
  return {
    manyBars: count > 1,
    together: places(together),
    bass: places(bass),
    figure: places(figure),
    dropped: dropped && { label: label(dropped), bar: bar(dropped) },
  } satisfies ToldLayers;
}
