import { ticks, type Ticks, TICKS_PER_COUNT, wrap } from '../time/index.js';
import type { AccentCycle } from './model.js';

/**
 * Length of one turn.
 * @example cycleLength(cycleById('vals')) // 15120
 */
export const cycleLength = (c: AccentCycle): Ticks => ticks(c.counts * TICKS_PER_COUNT);
/**
 * The lengths of the bars of one turn.
 * @example barTicks(cycleById('bossa-three-two')) // [20160, 20160]
 */
export const barTicks = (c: AccentCycle): readonly Ticks[] => c.bars ?? [cycleLength(c)];
/** Where the bars of a turn begin. */
export function barStarts(c: AccentCycle): Ticks[] {
  let at = 0;
  return barTicks(c).map((length) => {
    const start = ticks(at);
    at += length;
    return start;
  });
}

/**
 * Where a bar begins, counted from the first turn's beginning.
 * @param bar counted from 0; bars go on from turn to turn
 * @example barBegin(cycleById('bossa-three-two'), 3) // 60480
 */
export function barBegin(c: AccentCycle, bar: number): Ticks {
  const starts = barStarts(c);
  return ticks(Math.floor(bar / starts.length) * cycleLength(c) + (starts[bar % starts.length] ?? 0));
}
/**
 * The bar in which a place is, counted from 0; places go on from turn to turn.
 * @example barOf(cycleById('bossa-three-two'), 25200) // 1
 */
export function barOf(c: AccentCycle, at: number): number {
  const turn = cycleLength(c);
  const inTurn = ((at % turn) + turn) % turn;
  const starts = barStarts(c);
  return Math.floor(at / turn) * starts.length + starts.findLastIndex((s) => s <= inTurn);
}

/**
 * Weight of the accent on a position of the turn, 0 when there is none.
 * @example accentAt(cycleById('vals'), 0) // 1
 */
export const accentAt = (c: AccentCycle, at: number): number => c.accents.find((a) => a.at === at)?.weight ?? 0;

/**
 * Where groups begin inside the turn, the first always at 0.
 * @example groupStarts(cycleById('solea')).map((t) => t / 5040) // [0, 3, 6, 8, 10]
 */
export function groupStarts(c: AccentCycle): Ticks[] {
  const starts: Ticks[] = [];
  let at = 0;
  for (const g of c.groups) {
    starts.push(ticks(at));
    at += g;
  }
  return starts;
}

/** Places inside a count, in parts of it: quarters `ti & ta` (`e` and `a` are fingers), thirds `la li`. */
const INSIDE: readonly (readonly [part: number, name: string])[] = [
  [1 / 4, 'ti'],
  [1 / 3, 'la'],
  [1 / 2, '&'],
  [2 / 3, 'li'],
  [3 / 4, 'ta'],
];

/**
 * How a place of the turn is said aloud: “3”, “3 &”, “3 ti”, “3 li”; what has no name of its own goes after the named place
 * before it.
 * @example placeLabel(cycleById('vals'), 7560) // '2 &'
 */
export function placeLabel(c: AccentCycle, at: number): string {
  const place = wrap(at, cycleLength(c));
  const label = c.labels[Math.floor(place / TICKS_PER_COUNT)] ?? '?';
  const rest = place % TICKS_PER_COUNT;
  if (rest === 0) return label;
  const before = INSIDE.findLast(([part]) => part * TICKS_PER_COUNT <= rest);
  if (!before) return `after ${label}`;
  const name = `${label} ${before[1]}`;
  return before[0] * TICKS_PER_COUNT === rest ? name : `after ${name}`;
}
