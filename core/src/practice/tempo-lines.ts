import { daysBetween, type LogEntry, reached } from './log.js';

export interface TempoLine {
  readonly name: string;
  /** Best clean tempo of a day, or of several days where there are many; earliest first. */
  readonly points: readonly { readonly day: string; readonly bpm: number }[];
}
export interface TempoLines {
  /** The line practised last comes first. */
  readonly lines: readonly TempoLine[];
  /** Lines that were practised longer ago and are left out. */
  readonly more: number;
  /** First and last day of all lines; empty without any. */
  readonly from: string;
  readonly to: string;
}
/** What a chart can show and an eye can tell apart. */
const MOST_LINES = 10;
const MOST_POINTS = 120;

/**
 * Tempo reached over time, a line for each section of each study. However long the log, the lines stay short:
 * of many days the best is kept.
 * @param log any order
 */
export function tempoLines(log: readonly LogEntry[]): TempoLines {
  const byName = new Map<string, Map<string, number>>();
  const latest = new Map<string, string>();
  for (const entry of log) {
    const bpm = reached(entry);
    if (bpm === null) continue;
    const name = `${entry.studyName} · ${entry.sectionName}`;
    const day = entry.startedAt.slice(0, 10);
    const days = byName.get(name) ?? new Map<string, number>();
    byName.set(name, days);
    days.set(day, Math.max(bpm, days.get(day) ?? 0));
    if (entry.startedAt > (latest.get(name) ?? '')) latest.set(name, entry.startedAt);
  }
  const names = [...byName.keys()].sort((a, b) => ((latest.get(a) ?? '') < (latest.get(b) ?? '') ? 1 : -1));
  const lines = names.slice(0, MOST_LINES).map((name) => ({ name, points: thinned(byName.get(name) ?? new Map()) }));
  const days = lines.flatMap((l) => [l.points[0]?.day ?? '', l.points.at(-1)?.day ?? '']).sort();
  return { lines, more: names.length - lines.length, from: days[0] ?? '', to: days.at(-1) ?? '' };
}

/** The best of every stretch of days, so many days that the line keeps its shape in few points. */
function thinned(days: ReadonlyMap<string, number>): TempoLine['points'] {
  const points = [...days].map(([day, bpm]) => ({ day, bpm })).sort((a, b) => (a.day < b.day ? -1 : 1));
  const first = points[0];
  if (!first || points.length <= MOST_POINTS) return points;
  const stretch = Math.ceil((daysBetween(first.day, points.at(-1)?.day ?? first.day) + 1) / MOST_POINTS);
  const best = new Map<number, { day: string; bpm: number }>();
  for (const point of points) {
    const n = Math.floor(daysBetween(first.day, point.day) / stretch);
    if (point.bpm > (best.get(n)?.bpm ?? 0)) best.set(n, point);
  }
  return [...best.values()];
}
