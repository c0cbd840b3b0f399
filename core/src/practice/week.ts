import { passedDays } from './course.js';
import { dayAfter } from './log.js';
import type { Course } from './records.js';

/** What is done on one day of a week of homework. */
export interface WeekTask {
  /** Of the course, counted from 0. */
  readonly step: number;
  /** Worked at, or played once, cold, to see whether it still holds. */
  readonly kind: 'work' | 'check';
  readonly bpm: number | null;
  readonly minutes: number;
  /** So often, with something else between. */
  readonly times: number;
  /** Boxes to be marked: one a clean pass. */
  readonly boxes: number;
}
export interface WeekDay {
  /** ISO day. */
  readonly day: string;
  readonly tasks: readonly WeekTask[];
}
const DAYS = 7;
const CHECK_MINUTES = 2;
/** One thing is not worked at for longer. */
const LONGEST_MINUTES = 10;
/** With less a day has no room for a check before its work. */
const LEAST_WITH_CHECK = 8;
const MOST_CHECKS = 3;
/** Where everything is passed it is looked at on these days. */
const KEPT_ON = [0, 2, 6];
/** Minutes a day that homework may ask for. */
export const WEEK_MINUTES = { low: 5, high: 60, usual: 20 } as const;

/**
 * A week of homework: every day the step that the course stands at, on as many days as its gate asks for, then the next
 * one; before it the step that was passed last, once and cold. The seventh day brings nothing new: what was passed in
 * the week is checked.
 * @param from ISO day of the first
 * @param minutes a day, inside `WEEK_MINUTES`
 * @example weekOf(courseFor(makeStudy('s', 'Stair').sections[0], makeStudy('s', 'Stair'), DEFAULT_PROFILE, 'c', '2026-01-05'), '2026-01-05', 20).length // 7
 */
export function weekOf(course: Course, from: string, minutes: number): readonly WeekDay[] {
  const { steps } = course;
  const before = steps.map((s) => passedDays(s).length);
  const days = [...before];
  const isPassed = (held: readonly number[], n: number) => (held[n] ?? 0) >= (steps[n]?.gate.days ?? 0);
  const open = () => steps.findIndex((_, n) => !isPassed(days, n));
  const check = (step: number): WeekTask => ({
    step,
    kind: 'check',
    bpm: steps[step]?.bpm ?? null,
    minutes: CHECK_MINUTES,
    times: 1,
    boxes: 1,
  });
  const whole = Math.round(Math.min(WEEK_MINUTES.high, Math.max(WEEK_MINUTES.low, minutes)));
  return Array.from({ length: DAYS }, (_, n): WeekDay => {
    const day = dayAfter(from, n);
    const at = open();
    const own = steps[at];
    const last = (at < 0 ? steps.length : at) - 1;
    const fits = Math.max(1, Math.min(MOST_CHECKS, Math.floor(whole / CHECK_MINUTES)));
    if (!own) return { day, tasks: KEPT_ON.includes(n) ? [check(last)] : [] };
    if (n === DAYS - 1) {
      const ofWeek = steps.flatMap((_s, k) => (k <= last && !isPassed(before, k) ? [k] : []));
      return { day, tasks: (ofWeek.length ? ofWeek : [Math.max(0, last)]).slice(0 - fits).map(check) };
    }
    const first = last >= 0 && whole >= LEAST_WITH_CHECK ? [check(last)] : [];
    const rest = whole - first.length * CHECK_MINUTES;
    const times = Math.ceil(rest / LONGEST_MINUTES);
    days[at] = (days[at] ?? 0) + 1;
    const work: WeekTask = {
      step: at,
      kind: 'work',
      bpm: own.bpm,
      minutes: Math.floor(rest / times),
      times,
      boxes: own.gate.clean,
    };
    return { day, tasks: [...first, work] };
  });
}
