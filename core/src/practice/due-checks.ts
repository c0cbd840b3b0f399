import type { Study } from '../piece/index.js';
import { askedIn, daysBetween, type LogEntry, reached } from './log.js';

/** Days after which what was held is asked for again, cold; the last goes on. */
export const CHECK_DAYS = [1, 3, 7, 14, 30] as const;

/** Something that was held once: where it stands, and when it is asked for again. */
export interface HeldLine {
  readonly studyId: string;
  readonly sectionId: string;
  readonly drill: string | null;
  /** As study and section are called now, and the drill as it was when it was played. */
  readonly studyName: string;
  readonly name: string;
  /** The tempo that was held. */
  readonly bpm: number;
  /** ISO day on which it was last played. */
  readonly since: string;
  readonly days: number;
  /** The check that comes next, counted from 0. */
  readonly step: number;
  /** Days by which that check is late; 0 on the day itself, below 0 while it is still to come. */
  readonly overdue: number;
  /** It was missed when it was last asked for, and not held since. */
  readonly lost: boolean;
}
/** What is to be played once, cold, to see whether it still holds. */
export type DueCheck = HeldLine;
interface Held {
  readonly bpm: number;
  /** The check that comes next. */
  readonly step: number;
  readonly since: string;
  readonly lost: boolean;
}
/** The first pass of a cold line alone says whether it holds. What was asked for had been held, in lines that may be gone. */
function afterCold(held: Held | null, e: LogEntry): Held | null {
  const [first] = e.passes;
  if (!first) return held;
  const step = first.clean ? Math.min((held?.step ?? 0) + 1, CHECK_DAYS.length - 1) : 0;
  return { bpm: held?.bpm ?? first.bpm, step, since: e.startedAt, lost: !first.clean };
}
/** A session moves the day; it is held from the first that held a tempo, at the tempo that was held last. */
function afterSession(held: Held | null, e: LogEntry, asked: number): Held | null {
  const bpm = reached(e, asked);
  if (!held) return bpm === null ? null : { bpm, step: 0, since: e.startedAt, lost: false };
  return { ...held, bpm: bpm ?? held.bpm, since: e.startedAt, lost: held.lost && bpm === null };
}

/**
 * What falls due today of all that was held once, the most overdue first: after 1, 3, 7, 14 and 30 days without it, one
 * cold pass. Its first pass counts: clean, and the gap grows; missed, and it is asked for again the next day.
 * @param log lines of any order
 * @param studies as they are now: what is gone from them is not asked for
 * @param today ISO date; a line of a later day, as of a clock set back, says nothing
 * @example dueChecks([], [], '2026-03-01') // []
 */
export const dueChecks = (log: readonly LogEntry[], studies: readonly Study[], today: string): DueCheck[] =>
  heldLines(log, studies, today).filter((line) => line.overdue >= 0);

/**
 * All that was held once, as it stands today: what falls due first comes first.
 * @param log lines of any order
 * @param studies as they are now: what is gone from them is left out
 * @param today ISO date; a line of a later day says nothing
 * @example heldLines([], [], '2026-03-01') // []
 */
export function heldLines(log: readonly LogEntry[], studies: readonly Study[], today: string): HeldLine[] {
  const lines = new Map<string, LogEntry[]>();
  for (const e of log) {
    if (e.sectionId === undefined || daysBetween(e.startedAt, today) < 0) continue;
    const key = JSON.stringify([e.studyId, e.sectionId, e.drill ?? null]);
    const own = lines.get(key);
    if (own) own.push(e);
    else lines.set(key, [e]);
  }
  const held = [...lines.values()].flatMap((own): HeldLine[] => {
    const inTime = own.sort((a, b) => a.startedAt.localeCompare(b.startedAt));
    const last = inTime.at(-1);
    const study = studies.find((s) => s.id === last?.studyId);
    const section = study?.sections.find((s) => s.id === last?.sectionId);
    if (!last || !study || !section) return [];
    let held: Held | null = null;
    for (const e of inTime) held = e.cold ? afterCold(held, e) : afterSession(held, e, askedIn(e, studies));
    if (!held) return [];
    const days = daysBetween(held.since, today);
    return [
      {
        studyId: study.id,
        sectionId: section.id,
        drill: last.drill ?? null,
        studyName: study.name,
        name: last.drill === undefined ? section.name : last.sectionName,
        bpm: held.bpm,
        since: held.since.slice(0, 10),
        days,
        step: held.step,
        overdue: days - (CHECK_DAYS[held.step] ?? 1),
        lost: held.lost,
      },
    ];
  });
  return held.sort((a, b) => b.overdue - a.overdue || a.since.localeCompare(b.since) || a.name.localeCompare(b.name));
}
