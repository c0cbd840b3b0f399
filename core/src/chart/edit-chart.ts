import type { AccentCycle } from '../cycle/index.js';
import type { Range } from '../fault/index.js';
import type { ChartChord } from './model.js';
import { chartName } from './print-chart.js';
import { readChart } from './read-chart.js';

/** The chords as they are written: each place of the text once, without those that are only held on. */
export function writtenChords(text: string, cycle: AccentCycle): ChartChord[] {
  const places = new Map<number, ChartChord>();
  for (const chord of readChart(text, cycle).chords) {
    const written = text.slice(chord.range.from, chord.range.to);
    if (written && !/^[%-](:|$)/.test(written) && !places.has(chord.range.from)) places.set(chord.range.from, chord);
  }
  return [...places.values()].sort((a, b) => a.range.from - b.range.from);
}
const countsBehind = (written: string): string => /:[\d.,/]+$/.exec(written)?.[0] ?? '';

/** The chart with another name at one of its written places; its counts stay. */
function put(text: string, { from, to }: Range, name: string): string {
  return text.slice(0, from) + chartName(name) + countsBehind(text.slice(from, to)) + text.slice(to);
}
const onlyOpen = (text: string) => /^[\s.|%-]*$/.test(text);

/**
 * The chart with one name in place of another, wherever it stands; '' = open strings.
 * @example renameInChart('Am | "D 7":2 Am:2', 'D 7', 'D7', cycleById('tangos')) // 'Am | D7:2 Am:2'
 */
export function renameInChart(text: string, before: string, after: string, cycle: AccentCycle): string {
  const places = writtenChords(text, cycle).filter((c) => c.name === before);
  const changed = places.reduceRight((t, c) => put(t, c.range, after), text);
  return places.length && onlyOpen(changed) ? '' : changed;
}
/**
 * The chart with a chord in place of the n-th that is written, or in a bar of its own behind the last.
 * @param at null = behind the last
 * @example chordInChart('Am', 'D7', null, cycleById('tangos')) // 'Am | D7'
 */
export function chordInChart(text: string, name: string, at: number | null, cycle: AccentCycle): string {
  const there = at === null ? undefined : writtenChords(text, cycle)[at];
  if (there) return put(text, there.range, name);
  return text.trim() === '' ? chartName(name) : `${text.replace(/[\s|]+$/, '')} | ${chartName(name)}`;
}
