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
 * @param asked how many clean passes in a row hold a tempo, line by line
 */
export function tempoLines(log: readonly LogEntry[], asked: (e: LogEntry) => number = () => 1): TempoLines {
  const keyOf = lineKeys(log);
  const found = new Map<string, { readonly days: Map<string, number>; at: string; name: string }>();
  for (const entry of log) {
    const bpm = reached(entry, asked(entry));
    if (bpm === null) continue;
    const key = keyOf(entry);
    const line = found.get(key) ?? { days: new Map<string, number>(), at: '', name: '' };
    found.set(key, line);
    const day = entry.startedAt.slice(0, 10);
    line.days.set(day, Math.max(bpm, line.days.get(day) ?? 0));
    // It goes by what it was called last.
    if (entry.startedAt > line.at) Object.assign(line, { at: entry.startedAt, name: calledIn(entry) });
  }
  const names = [...found.values()].sort((a, b) => (a.at < b.at ? 1 : -1));
  const lines = names.slice(0, MOST_LINES).map(({ name, days }) => ({ name, points: thinned(days) }));
  const days = lines.flatMap((l) => [l.points[0]?.day ?? '', l.points.at(-1)?.day ?? '']).sort();
  return { lines, more: names.length - lines.length, from: days[0] ?? '', to: days.at(-1) ?? '' };
}

const calledIn = (e: LogEntry): string => `${e.studyName} · ${e.sectionName}`;
/** Tells lines apart by section and drill; lines of before join the section that was called so. */
function lineKeys(log: readonly LogEntry[]): (entry: LogEntry) => string {
  const own = (e: LogEntry) => `${e.studyId} ${e.sectionId ?? ''} ${e.drill ?? ''}`;
  const byName = new Map<string, string>();
  for (const e of log) if (e.sectionId !== undefined) byName.set(`${e.studyId} ${e.sectionName}`, own(e));
  return (e) => (e.sectionId === undefined ? (byName.get(`${e.studyId} ${e.sectionName}`) ?? calledIn(e)) : own(e));
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
