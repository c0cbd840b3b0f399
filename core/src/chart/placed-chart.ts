import type { AccentCycle } from '../cycle/index.js';
import { printChart, type Span } from './print-chart.js';

/**
 * A chart of chords that begin at places, each until the next; before the first one nothing is held. '' where there are
 * none.
 * @param chords in their order, in ticks
 * @param until where the last one ends
 * @example placedChart([{ at: 0, name: 'Am' }, { at: 20160, name: 'E7' }], 40320, cycleById('tangos')) // 'Am | E7'
 */
export function placedChart(
  chords: readonly { readonly at: number; readonly name: string }[],
  until: number,
  cycle: AccentCycle,
): string {
  const own = chords.filter((c) => c.at < until);
  const [first] = own;
  if (!first) return '';
  const spans = own.map(({ at, name }, n): Span => ({ name, ticks: (own[n + 1]?.at ?? until) - at }));
  const before = first.at > 0 ? [{ name: '', ticks: first.at }] : [];
  return printChart(
    [...before, ...spans].filter((s) => s.ticks > 0),
    cycle,
  );
}
