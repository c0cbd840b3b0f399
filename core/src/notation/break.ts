import { type AccentCycle, barStarts, barTicks, groupStarts } from '../cycle/index.js';
import { type Ticks, ticks, TICKS_PER_COUNT } from '../time/index.js';
import type { NotatedBar, Sign, Voice } from './model.js';

/** A bar is broken into no more parts. */
const MOST_PARTS = 4;
/**
 * Into how many parts bars are broken, so that their strokes can be read.
 * @param strokes of the bar that has most of them
 * @param room for so many in a system
 * @param counts of the shortest bar
 * @example partsFor(48, 30, 12) // 2
 */
export const partsFor = (strokes: number, room: number, counts: number): number =>
  Math.max(1, Math.min(MOST_PARTS, Math.floor(counts), Math.ceil(strokes / Math.max(1, room))));

/**
 * A bar broken over systems, where groups of its cycle begin, and on other counts only where those are too few: of all such
 * ways the one whose longest part is shortest.
 * @param parts no more than it has counts
 * @returns as many bars, the parts of one
 */
export function breakBar(bar: NotatedBar, parts: number): NotatedBar[] {
  if (parts < 2) return [bar];
  const cuts = cutsOf(bar, parts - 1);
  const edges = [0, ...cuts, bar.length];
  return edges.slice(0, -1).map((from, n) => partOf(bar, { from, to: edges[n + 1] ?? bar.length, n, of: parts }));
}
/**
 * Where the parts of a bar begin, in ticks from its beginning.
 * @param n the bar, counted from 0
 * @example partStarts(cycleById('solea'), 0, 3) // [0, 15120, 40320]
 */
export function partStarts(cycle: AccentCycle, n: number, parts: number): number[] {
  const lengths = barTicks(cycle);
  const own = n % lengths.length;
  const begin = barStarts(cycle)[own] ?? 0;
  const length = lengths[own] ?? 0;
  const seams = groupStarts(cycle)
    .map((s) => s - begin)
    .filter((s) => s > 0 && s < length);
  return [0, ...cutsOf({ length, seams }, parts - 1)];
}
/**
 * The places at which a bar is cut into so many parts, in ticks from its beginning.
 * @example breakAt({ length: 60480, seams: [15120, 40320] }, 3) // [15120, 40320]
 */
export const breakAt = (bar: { readonly length: number; readonly seams: readonly number[] }, parts: number): number[] =>
  cutsOf(bar, parts - 1);
function cutsOf(
  { length, seams }: { readonly length: number; readonly seams: readonly number[] },
  wanted: number,
): number[] {
  // Nothing is written over a seam, nor over a count that is divided.
  const whole = seams.filter((s) => s % TICKS_PER_COUNT === 0 && s > 0 && s < length);
  const counts = Array.from({ length: Math.ceil(length / TICKS_PER_COUNT) - 1 }, (_, i) => (i + 1) * TICKS_PER_COUNT);
  return evenly(whole.length >= wanted ? whole : counts, wanted, length);
}
/** So many of the places that leave the longest part as short as may be; of equal ways the first. */
function evenly(places: readonly number[], wanted: number, length: number): number[] {
  let [best, least]: [number[], number] = [places.slice(0, wanted), Infinity];
  const choose = (from: number, chosen: readonly number[]) => {
    if (chosen.length === wanted) {
      const edges = [0, ...chosen, length];
      const longest = Math.max(...edges.slice(1).map((e, i) => e - (edges[i] ?? 0)));
      if (longest < least) [best, least] = [[...chosen], longest];
      return;
    }
    for (let i = from; i < places.length; i++) choose(i + 1, [...chosen, places[i] ?? 0]);
  };
  choose(0, []);
  return best;
}
interface Part {
  readonly from: number;
  readonly to: number;
  readonly n: number;
  readonly of: number;
}
function partOf(bar: NotatedBar, { from, to, n, of }: Part): NotatedBar {
  const begin = ticks(bar.at + from);
  const inside = (at: number) => at >= from && at < to;
  const indexes = new Set<number>();
  bar.events.forEach((e, i) => {
    if (inside(e.at - bar.at) || (n === 0 && e.at < bar.at)) indexes.add(i);
  });
  for (const voice of [bar.voices.fingers, bar.voices.thumb])
    for (const s of voice) if (inside(s.at) && s.event !== null) indexes.add(s.event);
  const kept = [...indexes].sort((a, b) => a - b);
  const now = new Map(kept.map((i, at) => [i, at]));
  const signs = (voice: Voice): Sign[] =>
    bar.voices[voice].flatMap((s, i, all): Sign[] => {
      if (!inside(s.at)) return [];
      const next = all[i + 1];
      const over = s.at + s.ticks === to && next?.tied === true && next.event === s.event;
      const event = s.event === null ? null : (now.get(s.event) ?? null);
      return [{ ...s, at: ticks(s.at - from), event, ...(over ? { goesOver: true as const } : {}) }];
    });
  const held = bar.chords.filter((c) => c.at < to);
  const goingOn = held.findLast((c) => c.at <= from);
  return {
    ...bar,
    at: begin,
    length: ticks(to - from),
    inTurn: ticks(bar.inTurn + from),
    seams: bar.seams.filter((s) => s > from && s < to).map((s) => ticks(s - from)),
    time: n === 0 ? bar.time : null,
    opening: n === 0 ? bar.opening : null,
    level: bar.events.findLast((e) => e.at < begin)?.level ?? bar.level,
    events: kept.flatMap((i) => bar.events[i] ?? []),
    chords: [
      ...(goingOn ? [{ ...goingOn, at: 0 as Ticks, goesOn: goingOn.goesOn || goingOn.at < from }] : []),
      ...held.filter((c) => c.at > from).map((c) => ({ ...c, at: ticks(c.at - from) })),
    ],
    words: bar.words.filter((w) => inside(w.at)).map((w) => ({ ...w, at: ticks(w.at - from) })),
    voices: { fingers: signs('fingers'), thumb: signs('thumb') },
    part: [n, of],
  };
}
