import type { Ladder, Study } from '../../piece/index.js';
import { askedIn, daysBetween, type LogEntry, reached } from '../log.js';

/** How the hands come to today's session. */
export interface Condition {
  /** Days since anything was played; null where nothing ever was. */
  readonly gap: number | null;
  /** Pain was noted so many days ago, and not enough played without it since; at the slowest tempo of that line. */
  readonly pain: { readonly days: number; readonly bpm: number | null } | null;
  /** The last line was tense. */
  readonly tension: boolean;
}
/** Pain is minded until it has stayed away on so many days, or so many days are gone. */
const CLEAR_DAYS = 3;
const PAIN_DAYS = 30;

/** In the order in which they were played. */
const upTo = (log: readonly LogEntry[], today: string): LogEntry[] =>
  log.filter((e) => daysBetween(e.startedAt, today) >= 0).sort((a, b) => a.startedAt.localeCompare(b.startedAt));
const dayOf = (e: LogEntry): string => e.startedAt.slice(0, 10);

/**
 * How the hands come to a session, as the log has it; lines of a later day, as of a clock set back, say nothing.
 * @example conditionOf([], '2026-03-01') // { gap: null, pain: null, tension: false }
 */
export function conditionOf(log: readonly LogEntry[], today: string): Condition {
  const lines = upTo(log, today);
  const last = lines.at(-1);
  const hurt = lines.filter((e) => e.pain).at(-1);
  const clear = new Set(lines.map(dayOf).filter((day) => hurt && day > dayOf(hurt)));
  const days = hurt ? daysBetween(hurt.startedAt, today) : Infinity;
  return {
    gap: last ? daysBetween(last.startedAt, today) : null,
    pain:
      hurt && clear.size < CLEAR_DAYS && days <= PAIN_DAYS
        ? { days, bpm: hurt.passes.length ? Math.min(...hurt.passes.map((p) => p.bpm)) : null }
        : null,
    tension: last?.tension ?? false,
  };
}

/** How a section stands in the log, its drills with it. */
export interface Standing {
  /** Days since it was played; null where it never was. */
  readonly days: number | null;
  /** What was played of it last was not held, and not long ago: the drill, null for the section as written. */
  readonly notClean: { readonly drill: string | null } | null;
  /** The tempo it was held at before a cold pass missed it; null where it was not lost. */
  readonly lost: number | null;
  /** The tempo that it has not come beyond for so many sessions. */
  readonly plateau: { readonly bpm: number; readonly sessions: number } | null;
  /** Whether a drill was ever held, by its key. */
  readonly held: (drill: string) => boolean;
}
/** What was missed longer ago is another beginning. */
const REMEMBERED_DAYS = 21;
/** Sessions, within as many days, that bring nothing new. */
const PLATEAU_SESSIONS = 4;
const PLATEAU_DAYS = 28;

/**
 * How a section stands today.
 * @param log any order; lines of other sections are left out
 */
export function standingOf(
  log: readonly LogEntry[],
  studies: readonly Study[],
  { studyId, sectionId, ladder }: { readonly studyId: string; readonly sectionId: string; readonly ladder: Ladder },
  today: string,
): Standing {
  const lines = upTo(
    log.filter((e) => e.studyId === studyId && e.sectionId === sectionId),
    today,
  );
  const last = lines.filter((e) => e.passes.length > 0).at(-1);
  const heldIn = (e: LogEntry) => reached(e, askedIn(e, studies));
  const lastDays = last ? daysBetween(last.startedAt, today) : Infinity;
  const asWritten = lines.filter((e) => e.drill === undefined);
  const drills = new Set(lines.flatMap((e) => (e.drill !== undefined && heldIn(e) !== null ? [e.drill] : [])));
  const missed = last !== undefined && (last.cold ? last.passes[0]?.clean === false : heldIn(last) === null);
  return {
    days: lines.length ? daysBetween(lines.at(-1)?.startedAt ?? today, today) : null,
    notClean: last && missed && lastDays <= REMEMBERED_DAYS ? { drill: last.drill ?? null } : null,
    lost: lostIn(asWritten, heldIn),
    plateau: plateauIn(asWritten, heldIn, ladder, today),
    held: (drill) => drills.has(drill),
  };
}
type HeldIn = (e: LogEntry) => number | null;
/** The tempo it was held at before its last cold pass missed it, with nothing held since. */
function lostIn(lines: readonly LogEntry[], heldIn: HeldIn): number | null {
  let held: number | null = null;
  let lost = false;
  for (const e of lines) {
    const [first] = e.passes;
    if (e.cold && first) [held, lost] = [held ?? first.bpm, !first.clean];
    else if (heldIn(e) !== null) [held, lost] = [heldIn(e), false];
  }
  return lost ? held : null;
}
function plateauIn(lines: readonly LogEntry[], heldIn: HeldIn, ladder: Ladder, today: string): Standing['plateau'] {
  const tempi = lines.filter((e) => !e.cold && e.passes.length > 0);
  const recent = tempi.slice(-PLATEAU_SESSIONS);
  const before = tempi.slice(0, -PLATEAU_SESSIONS);
  const best = (of: readonly LogEntry[]) => Math.max(0, ...of.map((e) => heldIn(e) ?? 0));
  const [first] = recent;
  if (!first || before.length === 0 || daysBetween(first.startedAt, today) > PLATEAU_DAYS) return null;
  const bpm = best(before);
  // A ladder that leads down has no tempo to come beyond.
  if (bpm === 0 || bpm >= ladder.end || best(recent) > bpm) return null;
  return { bpm, sessions: recent.length };
}
