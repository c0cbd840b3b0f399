import { dayAfter, daysBetween, LONG_BREAK_DAYS, type LogEntry } from './log.js';

/** A day of practice. */
export interface PracticeDay {
  /** ISO day. */
  readonly day: string;
  readonly minutes: number;
  /** Pain was noted. */
  readonly pain: boolean;
}
const DAYS_A_WEEK = 7;

/**
 * So many weeks up to today, from a Monday on: every day with its minutes, days without any among them.
 * @param log any order; later days are left out
 * @example practiceDays([], '2026-03-04', 1).map((d) => d.day) // ['2026-03-02', '2026-03-03', '2026-03-04']
 */
export function practiceDays(log: readonly LogEntry[], today: string, weeks: number): PracticeDay[] {
  const found = new Map<string, { minutes: number; pain: boolean }>();
  for (const e of log) {
    const day = e.startedAt.slice(0, 10);
    const before = found.get(day);
    found.set(day, { minutes: (before?.minutes ?? 0) + e.minutes, pain: e.pain || (before?.pain ?? false) });
  }
  const monday = (new Date(`${today}T00:00:00Z`).getUTCDay() + DAYS_A_WEEK - 1) % DAYS_A_WEEK;
  const before = monday + (weeks - 1) * DAYS_A_WEEK;
  return Array.from({ length: before + 1 }, (_, i) => {
    const day = dayAfter(today, i - before);
    const { minutes = 0, pain = false } = found.get(day) ?? {};
    return { day, minutes, pain };
  });
}

/** A stretch of days on which nothing was played. */
export interface LongBreak {
  /** The last day before it and the first one after it. */
  readonly from: string;
  readonly to: string;
  readonly days: number;
}
/**
 * Breaks after which one begins lower, earliest first.
 * @param log any order
 * @example longBreaks([]) // []
 */
export function longBreaks(log: readonly LogEntry[]): readonly LongBreak[] {
  const days = [...new Set(log.map((e) => e.startedAt.slice(0, 10)))].sort();
  return days.slice(1).flatMap((to, n) => {
    const from = days[n] ?? to;
    const between = daysBetween(from, to);
    return between > LONG_BREAK_DAYS ? [{ from, to, days: between }] : [];
  });
}
