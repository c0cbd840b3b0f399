import { type FlatPattern, printStep } from '../script/index.js';
import { notate, type NotatedBar } from '../notation/index.js';
import { cutChords, type Score } from '../score/index.js';
import { wrap } from '../time/index.js';
import type { ReadingRequest } from './reading-request.js';
import { workedScore } from './worked-score.js';

/** A step that the cursor can stand on: a stroke, a silence, a hold. */
export interface CursorStop {
  /** From the beginning of the score. */
  readonly at: number;
  readonly bar: number;
  /** Its slot in the pattern. */
  readonly slot: number;
  /** Where it stands in the script. */
  readonly from: number;
  readonly to: number;
}
export interface WrittenBars {
  /** The bars that were asked for. */
  readonly bars: readonly NotatedBar[];
  readonly first: number;
  /** All bars there are. */
  readonly of: number;
  /** Strokes of the bar that has most of them. */
  readonly busiest: number;
  readonly stops: readonly CursorStop[];
  /** For every bar the first one that is played just as it is: itself where it is the first. */
  readonly alike: readonly number[];
}

/**
 * Some bars of a section as they are written, both hands worked out, and everywhere that a cursor can stand.
 * @param from the first bar, counted from 0
 * @param to behind the last
 */
export function writtenBars(request: ReadingRequest, from: number, to: number): WrittenBars {
  const { section } = request;
  const { score, flat } = workedScore(request);
  const strokes = new Map<number, number>();
  for (const e of score.events) strokes.set(e.bar, (strokes.get(e.bar) ?? 0) + 1);
  const first = Math.max(0, Math.min(from, score.bars.length));
  const cuts = cutChords(score, flat.length, section.start);
  const bars = notate(score, section.cycle, first, Math.max(first, Math.min(to, score.bars.length)));
  return {
    bars: bars.map((b) => ({
      ...b,
      chords: b.chords.map((c) => (!c.goesOn && cuts.has(b.at + c.at) ? { ...c, cuts: true } : c)),
    })),
    first,
    of: score.bars.length,
    busiest: Math.max(0, ...strokes.values()),
    stops: stopsOf(score, flat, section.start),
    alike: alikeBars(score),
  };
}
/** Bars in which the same is played at the same places under the same chords. */
function alikeBars({ bars, events, chords }: Score): number[] {
  const played: string[][] = bars.map(() => []);
  for (const e of events) {
    const notes = e.notes.map((n) => `${n.string}.${n.fret}.${n.right ?? ''}.${n.left ?? ''}`).join();
    played[e.bar]?.push(`${e.inBar} ${e.duration} ${printStep(e.motion)} ${notes} ${chords[e.chord]?.name ?? ''}`);
  }
  const first = new Map<string, number>();
  return bars.map((bar, n) => {
    const key = `${bar.length} ${played[n]?.join(' | ') ?? ''}`;
    const there = first.get(key) ?? n;
    first.set(key, there);
    return there;
  });
}
/** Every step of every pass, in order. */
function stopsOf({ bars, length }: Score, flat: FlatPattern, start: number): CursorStop[] {
  const stops: CursorStop[] = [];
  if (flat.length === 0) return stops;
  const begin = wrap(start, flat.length) - flat.length;
  let bar = 0;
  for (let pass = begin; pass < length; pass += flat.length)
    flat.slots.forEach((s, slot) => {
      const at = pass + s.at;
      if (at < 0 || at >= length) return;
      while (bar + 1 < bars.length && (bars[bar + 1]?.at ?? 0) <= at) bar++;
      stops.push({ at, bar, slot, from: s.range.from, to: s.range.to });
    });
  return stops;
}
