import { type AccentCycle, barTicks } from '../cycle/index.js';
import { quoted, type Range, textFault } from '../fault/index.js';
import { ticks, TICKS_PER_COUNT } from '../time/index.js';
import { entryBars, ticksOfCounts, entriesOf, type Entry, MOST_CHART_FAULTS } from './entries.js';
import type { ChartChord, ChartFault, ReadChart } from './model.js';
import { chartName, countsText } from './print-chart.js';

export const LONGEST_CHART = 20_000;
/**
 * Reads a chart: chords by name, bars by `|`, `:3` for so many counts, `%` for the bar before once more, `-` for a chord
 * that goes on, `.` for open strings, `{ … }x2` for what repeats, quotation marks round a name with white space.
 * Chords without counts share what is left of their bar equally.
 * @example readChart('D7:3 G7', cycleById('tangos')).chords.map((c) => c.at / 5040) // [0, 3]
 */
export function readChart(text: string, cycle: AccentCycle): ReadChart {
  const faults: ChartFault[] = [];
  const nothing = { chords: [], bars: 0, length: ticks(0), faults };
  if (text.length > LONGEST_CHART) {
    faults.push(textFault({ from: LONGEST_CHART, to: text.length }, 'chart too long', [LONGEST_CHART, text.length]));
    return nothing;
  }
  const entries = entriesOf(text, faults);
  if (!entries) return nothing;
  const lengths = barTicks(cycle);
  const chords: ChartChord[] = [];
  const bars = entryBars(entries);
  let at = 0;
  let before: readonly { name: string; range: Range; share: number }[] = [];
  bars.forEach((bar, n) => {
    const length = lengths[n % lengths.length] ?? 0;
    const said = bar[0]?.kind === 'again' && bar.length === 1 ? null : spread(bar, length, chords, faults, text);
    if (!said && before.length === 0 && bar[0] && 'range' in bar[0]) {
      const fault = textFault<ChartFault['code']>(bar[0].range, 'nothing before it', ['%'], '');
      if (faults.length < MOST_CHART_FAULTS) faults.push(fault);
    }
    // A bar of another length takes of the one before what fits.
    const own = said ?? before.map((s) => ({ ...s, range: bar[0]?.range ?? s.range }));
    if (said) before = said;
    let from = at;
    own.forEach((s, i) => {
      const until = i === own.length - 1 ? at + length : Math.min(at + length, from + s.share);
      if (until > from) chords.push({ at: ticks(from), until: ticks(until), name: s.name, bar: n, range: s.range });
      from = until;
    });
    if (own.length === 0)
      chords.push({
        at: ticks(at),
        until: ticks(at + length),
        name: chords.at(-1)?.name ?? '',
        bar: n,
        range: NOWHERE,
      });
    at += length;
  });
  return { chords, bars: bars.length, length: ticks(at), faults };
}
/** A bar in which nothing is written goes on with what was held. */
const NOWHERE: Range = { from: 0, to: 0 };

/** Chords that share a bar change on its counts and halves of them; what is meant otherwise is written with counts. */
const LEAST_SHARE = TICKS_PER_COUNT / 2;
type Chord = Exclude<Entry, { kind: 'bar' }>;
const written = (e: Chord): string => {
  const name = e.kind === 'chord' ? chartName(e.name) : e.kind === 'again' ? '%' : '-';
  return e.counts === null ? name : `${name}:${e.counts}`;
};
/**
 * The same chords as the bar has room for them: with more chords than counts the last ones in a bar of their own, else
 * whole counts for each and the rest for the first.
 */
function sharedBetter(bar: readonly Chord[], counted: readonly (number | null)[], left: number): string | null {
  const room = Math.floor(left / TICKS_PER_COUNT);
  const open = counted.filter((c) => c === null).length;
  const texts = bar.map(written);
  if (room === 0) return null;
  if (open > room) {
    const fits = bar.length - (open - room);
    return `${texts.slice(0, fits).join(' ')} | ${texts.slice(fits).join(' ')}`;
  }
  const each = Math.floor(room / open);
  const first = countsText(left - each * (open - 1) * TICKS_PER_COUNT);
  return texts
    .map((text, i) => (counted[i] === null ? `${text}:${i === counted.indexOf(null) ? first : each}` : text))
    .join(' ');
}

/** The chords of one bar with their ticks. */
function spread(
  bar: readonly Exclude<Entry, { kind: 'bar' }>[],
  length: number,
  before: readonly ChartChord[],
  faults: ChartFault[],
  text: string,
): { name: string; range: Range; share: number }[] {
  const say = (...fault: Parameters<typeof textFault<ChartFault['code']>>) => {
    if (faults.length < MOST_CHART_FAULTS) faults.push(textFault(...fault));
  };
  const counted = bar.map((e) => (e.counts === null ? null : ticksOfCounts(e.counts)));
  bar.forEach((e, i) => {
    if (e.counts !== null && counted[i] === null) say(e.range, 'counts wanted', [quoted(e.counts)]);
  });
  const given = counted.reduce<number>((sum, c) => sum + (c ?? 0), 0);
  const open = counted.filter((c) => c === null).length;
  const whole = { from: bar[0]?.range.from ?? 0, to: bar.at(-1)?.range.to ?? 0 };
  const counts = (n: number) => Math.round((n / TICKS_PER_COUNT) * 1000) / 1000;
  const left = length - given;
  if (left < 0 || (left === 0 && open > 0)) say(whole, 'beyond the bar', [counts(given), counts(length), open]);
  else if (open === 0 && left > 0 && bar.length > 0) say(whole, 'bar not full', [counts(given), counts(length)]);
  else if (open > 0 && !Number.isInteger(left / open)) say(whole, 'shared unevenly', [open, counts(left)]);
  else if (open > 0 && (left / open) % LEAST_SHARE !== 0) {
    const better = sharedBetter(bar, counted, left);
    const asIs = !/[{}]/.test(text.slice(whole.from, whole.to)) && whole.to > whole.from;
    if (better === null) say(whole, 'shared unevenly', [open, counts(left)]);
    else say(whole, 'shared oddly', [open, counts(left), better], asIs ? better : undefined);
  }
  let name = before.at(-1)?.name ?? '';
  return bar.map((e, i) => {
    if (e.kind === 'again') say(e.range, 'nothing before it', ['%'], '');
    if (e.kind === 'chord') name = e.name;
    const share = counted[i] ?? Math.max(0, Math.floor(left / Math.max(1, open)));
    return { name, range: e.range, share };
  });
}
