import type { LeftFinger, PageLook, ScoreEvent, StringNumber } from '@ruffle-wheel/core';

/** What of a page the player has chosen. */
export interface PageView {
  readonly look: PageLook;
  /** Strums on one shape again and again are slashes. */
  readonly slashes: boolean;
}
export const PLAIN_VIEW: PageView = { look: 'staff', slashes: false };
/** One system in units of its drawing: a staff line is ten above the next. */
export interface SystemLayout {
  readonly height: number;
  /** The staff's topmost line; of a rhythm without pitches the middle one alone is drawn. */
  readonly staff: number;
  readonly pitches: boolean;
  /** The thinnest string's line; null where there are none. */
  readonly strings: number | null;
  /** Where the right hand's stitches stand, levels, the frets of chords, and words. */
  readonly stitches: number;
  readonly levels: number;
  readonly frets: number | null;
  readonly words: number;
}
const RHYTHM_TOP = 88;
const SIX_LINES = { staff: RHYTHM_TOP, pitches: false, strings: 166, levels: 154, frets: null } as const;
const LOOKS: Readonly<Record<PageLook, Omit<SystemLayout, 'words'>>> = {
  staff: { staff: 92, pitches: true, strings: 190, levels: 182, frets: null, stitches: 282, height: 312 },
  tablature: { ...SIX_LINES, stitches: 258, height: 288 },
  hand: { ...SIX_LINES, stitches: 258, height: 288 },
  rhythm: { ...SIX_LINES, strings: null, frets: 158, levels: 158, stitches: 186, height: 216 },
};
/** What a line of words takes. */
const WORDS = 24;
/** @param words there are some under the counts */
export const layoutOf = (look: PageLook, words: boolean): SystemLayout => {
  const own = LOOKS[look];
  return { ...own, words: own.height + 10, height: own.height + (words ? WORDS : 0) };
};
/** From one string to the next. */
export const STRING_GAP = 13;
/** A place of a string on six lines. */
export const stringY = (string: number, strings: number): number => strings + (string - 1) * STRING_GAP;

/** Units that a stroke needs so as not to touch the next, and what a system needs beside its strokes. */
const STROKE = 14;
const BESIDE = 110;
/** Units across for so many strokes: as many as there are, or more that are drawn smaller. */
export const unitsFor = (strokes: number, width: number): number => Math.max(width, BESIDE + strokes * STROKE);
/** Units that a stroke has where it can be read at ease. */
const AT_EASE = 25;
/** So many strokes can be read in a system of a width. */
export const strokesIn = (width: number): number => Math.floor((width - BESIDE) / AT_EASE);
/** Pixels to a unit at the least: what finds no room then is scrolled to. */
export const LEAST_SCALE = 0.76;
/** A stroke where it is drawn. */
export interface DrawnStop {
  readonly at: number;
  readonly bar: number;
  readonly x: number;
  readonly headX: number;
  readonly event: ScoreEvent;
  readonly notes: {
    readonly string: StringNumber;
    readonly fret: number;
    readonly left: LeftFinger | null;
    readonly workedOut: boolean;
    /** Height of its head on the staff. */
    readonly head: number | null;
    /** Height of its place on the six lines; null where it has none. */
    readonly tab: number | null;
  }[];
}
export interface Drawn {
  readonly width: number;
  readonly stops: DrawnStop[];
  /** Bows over the tablature, from a note to the one that the left hand alone sounds after it. */
  readonly slurs: readonly { readonly key: number; readonly from: number; readonly to: number; readonly y: number }[];
  readonly tuplets: { readonly key: string; readonly x: number; readonly y: number; readonly text: string }[];
  readonly bars: {
    readonly n: number;
    readonly x: number;
    readonly width: number;
    /** Where its first sign stands, and where it ends. */
    readonly start: number;
    readonly end: number;
    /** Places, in ticks from its beginning, and where they are. */
    readonly points: readonly (readonly [number, number])[];
  }[];
}

/** Where a place of a bar stands: between the signs around it. */
export function xOf(bar: Drawn['bars'][number], at: number, length: number): number {
  const points: (readonly [number, number])[] = [...bar.points, [length, bar.end - 6]];
  const after = points.findIndex(([t]) => t >= at);
  const [t1, x1] = points[after] ?? points[points.length - 1] ?? [length, bar.end];
  if (t1 === at || after <= 0) return t1 === at ? x1 : bar.start;
  const [t0, x0] = points[after - 1] ?? [0, bar.start];
  return x0 + ((x1 - x0) * (at - t0)) / Math.max(1, t1 - t0);
}
