import { type AccentCycle, barTicks } from '../cycle/index.js';
import { TICKS_PER_COUNT } from '../time/index.js';

/** A name held for so long; '' = open strings. */
export interface Span {
  readonly name: string;
  readonly ticks: number;
}
/**
 * A name as a chart writes it: in quotation marks where it would be read as something else.
 * @example chartName('F♯ open') // '"F♯ open"'
 */
export const chartName = (name: string): string =>
  name === '' ? '.' : /[\s|{}":]|^[%.-]$/.test(name) ? `"${name.replace(/"/g, '""')}"` : name;

/**
 * Counts as a chart writes them.
 * @example countsText(7560) // '3/2'
 */
export const countsText = (length: number): string => {
  const counts = length / TICKS_PER_COUNT;
  if (Number.isInteger(counts)) return String(counts);
  for (let parts = 2; parts < 1_000; parts++) if (Number.isInteger(counts * parts)) return `${counts * parts}/${parts}`;
  return String(counts);
};

/**
 * A chart that holds names for so long, one after another; what goes over a bar line is held on.
 * @example printChart([{ name: 'D7', ticks: 15120 }, { name: 'G7', ticks: 5040 }], cycleById('tangos')) // 'D7:3 G7:1'
 */
export function printChart(spans: readonly Span[], cycle: AccentCycle): string {
  const lengths = barTicks(cycle);
  const bars: string[] = [];
  let bar: { name: string; length: number }[] = [];
  let room = lengths[0] ?? 0;
  const close = () => {
    const [only] = bar;
    const even = bar.every((b) => b.length === only?.length);
    bars.push(bar.map((b) => chartName(b.name) + (even ? '' : `:${countsText(b.length)}`)).join(' '));
    bar = [];
    room = lengths[bars.length % lengths.length] ?? 0;
  };
  for (const { name, ticks } of spans) {
    for (let left = ticks; left > 0;) {
      const part = Math.min(left, room);
      const last = bar.at(-1);
      if (last?.name === name) last.length += part;
      else bar.push({ name, length: part });
      left -= part;
      room -= part;
      if (room === 0) close();
    }
  }
  // The last bar is filled with what it ends on.
  const last = bar.at(-1);
  if (last && room > 0) last.length += room;
  if (bar.length) close();
  const text = bars.map((b, i) => (i > 0 && b === bars[i - 1] ? '%' : b)).join(' | ');
  return /^[\s.|%]*$/.test(text) ? '' : text;
}
