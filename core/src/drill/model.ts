import type { Finger } from '../stroke/index.js';
import type { Bpm, StringNumber } from '../time/index.js';

/** One way of making a pattern harder, or simpler, than needed. */
export type Variant =
  | { readonly kind: 'rhythm'; readonly shape: 'long-short' | 'short-long' | 'triplets' }
  /** Three strokes, one of them long, which is the first, the second or the third; after so many passes it lands again. */
  | { readonly kind: 'gallop'; readonly long: 1 | 2 | 3; readonly passes: number }
  /** Two strokes either side of a crossing, round and round; turned: the fingers change places. */
  | { readonly kind: 'crossing'; readonly from: number; readonly turned: boolean }
  /** The thumb and the fingers in another order, each on its own string; the first of them are set together. */
  | { readonly kind: 'order'; readonly fingers: string; readonly planted: string }
  /** What a plectrum learns: rests alone, whips alone, or a new string after two. */
  | { readonly kind: 'plectrum'; readonly what: 'rests' | 'whips' | 'changes' }
  /** Begin on another stroke; the order stays. */
  | { readonly kind: 'rotation'; readonly start: number }
  /** The finger order begins on another finger; rhythm, strings and marks stay where they are. */
  | { readonly kind: 'start finger'; readonly by: number }
  /** One finger at normal strength, all others held down. */
  | { readonly kind: 'finger accent'; readonly finger: Finger }
  /** One string at normal strength, all others held down. */
  | { readonly kind: 'string accent'; readonly string: StringNumber }
  /** Every stroke of one finger played by another, and the other way round. */
  | { readonly kind: 'pair'; readonly from: Finger; readonly to: Finger }
  /** Strums through fewer strings, the first struck of them; the change comes sooner. */
  | { readonly kind: 'fewer strings'; readonly strings: number }
  /** A stretch played through, landing on the stroke after it, then as long a rest. */
  | { readonly kind: 'burst'; readonly from: number; readonly strokes: number }
  | { readonly kind: 'layer'; readonly layer: 'bass' | 'figure' }
  /** Every finger in turn sounds full, up to the ring finger and back: a pass for each. */
  | { readonly kind: 'accent through' }
  /** All strums on muted strings, or the pressed ones alone, each let go at once. */
  | { readonly kind: 'muted'; readonly what: 'all' | 'pressed alone' }
  /** Left fingers 1 2, 2 3, 3 4 and back against two right fingers, plucked or with a ligado. */
  | {
      readonly kind: 'left pairs';
      readonly right: string;
      readonly slurs: boolean;
      /** Ligados pulled off in place of hammered; or the lower note leads into the beat from before it. */
      readonly way?: 'pulled off' | 'into the beat';
    }
  /** The line's own notes on two strings with one between that is passed over, in turn. */
  | { readonly kind: 'string skips'; readonly from: StringNumber; readonly to: StringNumber }
  /** The pattern up to so many strokes: the bar shrinks. */
  | { readonly kind: 'first strokes'; readonly strokes: number }
  /** The right hand alone: no shape held. */
  | { readonly kind: 'open strings' };

/** Where a pattern asks most of the hand: whose joint it is, and its share of the time there is. */
export interface TightPlace {
  readonly fingers: readonly Finger[];
  readonly share: number;
  readonly bpm: Bpm;
}
/** A drill of a pattern. Its key names it for good, in any language. */
export interface Drill {
  readonly key: string;
  readonly variant: Variant;
  /** The tightest place, when the drill is about it. */
  readonly tight?: TightPlace;
}

/**
 * The key of a variant: what is varied with its figures.
 * @example variantKey({ kind: 'rotation', start: 3 }) // 'rotation 3'
 */
export const variantKey = ({ kind, ...figures }: Variant): string =>
  [kind, ...(Object.values(figures) as (string | number)[])].join(' ');
export const drillOf = (variant: Variant): Drill => ({ key: variantKey(variant), variant });

/**
 * The order in which a figure of two bars is learned: its cells one by one, each bar, the two seams, then both bars over ever
 * quicker harmony, at last begun with the second.
 */
export const FIGURE_WAYS = [
  'cell',
  'cell 2',
  'cell 3',
  'cell 4',
  'bar 1',
  'bar 2',
  'seam 1 2',
  'seam 2 1',
  'one chord',
  'two bars a chord',
  'one bar a chord',
  'from bar 2',
] as const;
export type FigureWay = (typeof FIGURE_WAYS)[number];
