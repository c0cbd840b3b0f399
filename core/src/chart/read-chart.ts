import { type AccentCycle, barTicks } from '../cycle/index.js';
import { quoted, type Range, textFault } from '../fault/index.js';
import { ticks, TICKS_PER_COUNT } from '../time/index.js';
import type { ChartChord, ChartFault, ReadChart } from './model.js';
import { chartName, countsText } from './print-chart.js';

export const LONGEST_CHART = 20_000;
/** Chords and bars of a chart with its repeats written out. */
export const MOST_CHORDS = 4_096;
const MOST_TIMES = 256;
const DEEPEST = 4;
const MOST_FAULTS = 100;

/** A name with its counts, `%`, `-`, or a bar line. */
type Entry =
  | { readonly kind: 'bar' }
  | { readonly kind: 'again' | 'hold'; readonly range: Range; readonly counts: string | null }
  | { readonly kind: 'chord'; readonly name: string; readonly range: Range; readonly counts: string | null };

const TOKEN = /"((?:[^"]|"")*)("?)(?::([^\s|{}"]*))?|\}(?:x([^\s|{}"]*))?|[{|]|[^\s|{}"]+/g;

/** The chart written out: entries in their order, repeats unrolled. */
function entriesOf(text: string, faults: ChartFault[]): Entry[] | null {
  const open: { from: number; entries: Entry[] }[] = [{ from: 0, entries: [] }];
  const say = (...fault: Parameters<typeof textFault<ChartFault['code']>>) => {
    if (faults.length < MOST_FAULTS) faults.push(textFault(...fault));
  };
  let size = 0;
  for (const m of text.matchAll(TOKEN)) {
    const [whole, inQuotes, closed, quotedCounts, timesText] = m;
    const range = { from: m.index, to: m.index + whole.length };
    const here = open.at(-1)?.entries ?? [];
    if (whole === '|') here.push({ kind: 'bar' });
    else if (whole === '{') {
      if (open.length > DEEPEST) say(range, 'too deep', [DEEPEST], '');
      else open.push({ from: range.from, entries: [] });
    } else if (whole.startsWith('}')) {
      if (open.length === 1) {
        say(range, 'nothing to close', ['}'], '');
        continue;
      }
      const inner = open.pop()?.entries ?? [];
      if (!inner.some((e) => e.kind !== 'bar')) say(range, 'nothing between', [], '');
      const n = Number(timesText);
      const known = timesText !== undefined && /^\d+$/.test(timesText) && n >= 1 && n <= MOST_TIMES;
      if (timesText === undefined) say(range, 'how often', [], '}x2');
      else if (!known) say(range, 'number wanted', ['}x', 1, MOST_TIMES], '}x2');
      // Bars are repeated as bars: one ends where the next begins.
      const bars = inner.some((e) => e.kind === 'bar');
      const into = open.at(-1)?.entries ?? [];
      const times = known ? n : 2;
      size += inner.length * (times - 1);
      if (size > MOST_CHORDS) break;
      for (let i = 0; i < times; i++) {
        if (bars && i > 0 && inner[0]?.kind !== 'bar' && inner.at(-1)?.kind !== 'bar') into.push({ kind: 'bar' });
        into.push(...inner);
      }
    } else if (inQuotes !== undefined) {
      if (closed !== '"') say(range, 'quotation open', [], `${whole}"`);
      here.push({ kind: 'chord', name: inQuotes.replace(/""/g, '"').trim(), range, counts: quotedCounts ?? null });
    } else {
      const [, name = '', counts] = /^(.+?)(?::([^:]*))?$/.exec(whole) ?? [];
      const kind = name === '%' ? 'again' : name === '-' ? 'hold' : 'chord';
      here.push({ kind, name: name === '.' ? '' : name, range, counts: counts ?? null });
    }
    if (++size > MOST_CHORDS) break;
  }
  if (size > MOST_CHORDS) {
    say({ from: 0, to: text.length }, 'too many chords', [MOST_CHORDS]);
    return null;
  }
  while (open.length > 1) {
    const inner = open.pop();
    say({ from: inner?.from ?? 0, to: (inner?.from ?? 0) + 1 }, 'never closed', ['{', '}x2']);
    open.at(-1)?.entries.push(...(inner?.entries ?? []));
  }
  return open[0]?.entries ?? [];
}

/** Entries by bars; bar lines at both ends are decoration. */
function barsOf(entries: readonly Entry[]): Exclude<Entry, { kind: 'bar' }>[][] {
  const bars: Exclude<Entry, { kind: 'bar' }>[][] = [[]];
  for (const e of entries) {
    if (e.kind === 'bar') bars.push([]);
    else bars.at(-1)?.push(e);
  }
  if (bars[0]?.length === 0) bars.shift();
  if (bars.length > 0 && bars.at(-1)?.length === 0) bars.pop();
  return bars;
}

/** Counts as they are written, in ticks; null when they say nothing that a tick can hold. */
function countTicks(text: string): number | null {
  const m = /^(\d{1,4})(?:[.,](\d{1,3})|\/(\d{1,3}))?$/.exec(text);
  if (!m) return null;
  const [, whole = '', decimals, parts] = m;
  const counts = parts ? Number(whole) / Number(parts) : Number(`${whole}.${decimals ?? '0'}`);
  const at = counts * TICKS_PER_COUNT;
  return Number.isFinite(at) && at > 0 && Math.abs(at - Math.round(at)) < 1e-6 ? Math.round(at) : null;
}

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
  const bars = barsOf(entries);
  let at = 0;
  let before: readonly { name: string; range: Range; share: number }[] = [];
  bars.forEach((bar, n) => {
    const length = lengths[n % lengths.length] ?? 0;
    const said = bar[0]?.kind === 'again' && bar.length === 1 ? null : spread(bar, length, chords, faults, text);
    if (!said && before.length === 0 && bar[0] && 'range' in bar[0]) {
      const fault = textFault<ChartFault['code']>(bar[0].range, 'nothing before it', ['%'], '');
      if (faults.length < MOST_FAULTS) faults.push(fault);
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
    if (faults.length < MOST_FAULTS) faults.push(textFault(...fault));
  };
  const counted = bar.map((e) => (e.counts === null ? null : countTicks(e.counts)));
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
