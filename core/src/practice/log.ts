import { type Fact, fact } from '../fault/index.js';
import type { Ladder, Study } from '../piece/index.js';
import { type Bpm, clampBpm } from '../time/index.js';
import type { PracticePass } from './ladder.js';

/** Passes that one line of the log holds. */
export const MOST_PASSES = 10_000;
export const LONGEST_SESSION_MINUTES = 1_440;
/** Letters of a drill's key: of a change it names two shapes. */
export const LONGEST_DRILL_KEY = 200;
/** Years that a session can lie in. */
export const FIRST_LOGGED_YEAR = 1970;
export const LAST_LOGGED_YEAR = 2100;

/** One practice session on one section. */
export interface LogEntry {
  readonly id: string;
  readonly studyId: string;
  readonly studyName: string;
  /** The section as it was called, with its drill, when the line was written. */
  readonly sectionName: string;
  /** The section's id; lines of before have none and go by its name. */
  readonly sectionId?: string;
  /** The drill's key; none = the section as written. */
  readonly drill?: string;
  /** ISO date and time at which it began. */
  readonly startedAt: string;
  readonly minutes: number;
  readonly passes: readonly PracticePass[];
  /** Pain, numbness or tingling was noted. */
  readonly pain: boolean;
  /** The hand was tense. */
  readonly tension?: boolean;
  /** Words or the count were spoken over it. */
  readonly spoken?: boolean;
  /** One cold pass, to see whether it still holds. */
  readonly cold?: boolean;
  /** The plan and its block that were followed, and the take that was recorded. */
  readonly plan?: string;
  readonly block?: number;
  readonly take?: string;
  readonly note?: string;
}

/** What a line of the log is about: a section as written, or one drill of it. */
export interface Practised {
  readonly studyId: string;
  readonly sectionId: string;
  readonly drill: string | null;
  /** As it is called now: lines of before go by it. */
  readonly sectionName: string;
}
/** Whether a line is about this: by ids and key, so that a rename keeps its history and namesakes never share it. */
export const isAbout = (e: LogEntry, what: Practised): boolean =>
  e.studyId === what.studyId &&
  (e.sectionId === undefined
    ? e.sectionName === what.sectionName
    : e.sectionId === what.sectionId && (e.drill ?? null) === what.drill);

/**
 * The fastest tempo that was held: by as many clean passes in a row as a rung asks for; null when none was.
 * @param asked clean passes a rung
 * @example reached({ passes: [{ bpm: 90, clean: true }, { bpm: 96, clean: false }] }, 1) // 90
 * @example reached({ passes: [{ bpm: 90, clean: true }, { bpm: 90, clean: false }, { bpm: 90, clean: true }] }, 2) // null
 */
export function reached(e: Pick<LogEntry, 'passes'>, asked: number): number | null {
  let best: number | null = null;
  let [bpm, clean] = [0, 0];
  for (const pass of e.passes) {
    clean = pass.clean ? (pass.bpm === bpm ? clean + 1 : 1) : 0;
    bpm = pass.bpm;
    if (clean >= asked && bpm > (best ?? 0)) best = bpm;
  }
  return best;
}
/** How many clean passes a rung asks for where nobody knows its ladder any more. */
const ASKED_BEFORE = 1;
/** How many clean passes in a row a line's rungs ask for: as its section's ladder stands now. */
export function askedIn(e: LogEntry, studies: readonly Study[]): number {
  const sections = studies.find((s) => s.id === e.studyId)?.sections;
  return sections?.find((s) => s.id === e.sectionId)?.ladder.passes ?? ASKED_BEFORE;
}

/** @example cleanShare({ passes: [{ bpm: 90, clean: true }, { bpm: 96, clean: false }] }) // 0.5 */
export const cleanShare = (e: Pick<LogEntry, 'passes'>): number =>
  e.passes.length ? e.passes.filter((p) => p.clean).length / e.passes.length : 0;

const DAY_MS = 86_400_000;
/**
 * Whole days between two ISO dates, times of day left out.
 * @example daysBetween('2026-03-01', '2026-03-08T10:00:00Z') // 7
 */
export const daysBetween = (from: string, to: string): number =>
  Math.round((Date.parse(to.slice(0, 10)) - Date.parse(from.slice(0, 10))) / DAY_MS);

/**
 * The ISO day so many days after another; before it, where the number is less than 0.
 * @example dayAfter('2026-02-28', 1) // '2026-03-01'
 */
export const dayAfter = (day: string, days: number): string =>
  new Date(Date.parse(day.slice(0, 10)) + days * DAY_MS).toISOString().slice(0, 10);

/** After a longer break one begins lower, the right hand first. */
export const LONG_BREAK_DAYS = 10;

/** A tempo to begin with, and why that. */
export interface NextTempo {
  readonly bpm: Bpm;
  readonly reason: Fact<'own start' | 'after pain' | 'after a break' | 'under the best'>;
}
/**
 * The tempo to begin with today: a rung under the one held in the latest session, lower after more than ten days
 * without playing and after pain; never under the ladder.
 * @param log entries of this study and section, any order
 * @param today ISO date
 */
export function nextTempo(log: readonly LogEntry[], ladder: Ladder, today: string): NextTempo {
  const latest = [...log].sort((a, b) => b.startedAt.localeCompare(a.startedAt))[0];
  const best = latest ? reached(latest, ladder.passes) : null;
  const from = (bpm: number) => clampBpm(Math.max(Math.min(ladder.start, ladder.end), bpm));
  if (latest?.pain)
    return {
      bpm: from(Math.min(ladder.start, (best ?? ladder.start) - 4 * ladder.step)),
      reason: fact('after pain'),
    };
  if (!latest || best === null) return { bpm: clampBpm(ladder.start), reason: fact('own start') };
  const days = daysBetween(latest.startedAt, today);
  if (days > LONG_BREAK_DAYS)
    return {
      bpm: from(best - 4 * ladder.step),
      reason: fact('after a break', best, days),
    };
  return { bpm: from(best - ladder.step), reason: fact('under the best', best) };
}

/**
 * Moves a made log in time so that its latest day becomes the day before `today`; gaps are kept.
 * @example shiftLog([], '2026-03-01') // []
 */
export function shiftLog(log: readonly LogEntry[], today: string): LogEntry[] {
  const latest = log.reduce((max, e) => (e.startedAt > max ? e.startedAt : max), '');
  if (!latest) return [];
  const days = daysBetween(latest, today) - 1;
  return log.map((e) => ({ ...e, startedAt: new Date(Date.parse(e.startedAt) + days * DAY_MS).toISOString() }));
}
