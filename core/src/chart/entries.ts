import { type Range, textFault } from '../fault/index.js';
import { TICKS_PER_COUNT } from '../time/index.js';
import type { ChartFault } from './model.js';

/** Chords and bars of a chart with its repeats written out. */
export const MOST_CHORDS = 4_096;
const MOST_TIMES = 256;
const DEEPEST = 4;
export const MOST_CHART_FAULTS = 100;

/** A name with its counts, `%`, `-`, or a bar line. */
export type Entry =
  | { readonly kind: 'bar' }
  | { readonly kind: 'again' | 'hold'; readonly range: Range; readonly counts: string | null }
  | { readonly kind: 'chord'; readonly name: string; readonly range: Range; readonly counts: string | null };

const TOKEN = /"((?:[^"]|"")*)("?)(?::([^\s|{}"]*))?|\}(?:x([^\s|{}"]*))?|[{|]|[^\s|{}"]+/g;

/** Bars of names written out: entries in their order, repeats unrolled. What charts and words under the counts share. */
export function entriesOf(text: string, faults: ChartFault[]): Entry[] | null {
  const open: { from: number; entries: Entry[] }[] = [{ from: 0, entries: [] }];
  const say = (...fault: Parameters<typeof textFault<ChartFault['code']>>) => {
    if (faults.length < MOST_CHART_FAULTS) faults.push(textFault(...fault));
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
export function entryBars(entries: readonly Entry[]): Exclude<Entry, { kind: 'bar' }>[][] {
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
export function ticksOfCounts(text: string): number | null {
  const m = /^(\d{1,4})(?:[.,](\d{1,3})|\/(\d{1,3}))?$/.exec(text);
  if (!m) return null;
  const [, whole = '', decimals, parts] = m;
  const counts = parts ? Number(whole) / Number(parts) : Number(`${whole}.${decimals ?? '0'}`);
  const at = counts * TICKS_PER_COUNT;
  return Number.isFinite(at) && at > 0 && Math.abs(at - Math.round(at)) < 1e-6 ? Math.round(at) : null;
}
