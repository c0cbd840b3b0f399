import { type LogEntry, reached } from './log.js';
import { kindOfWork } from './kinds-of-work.js';

/** On so many days it has to be clean with words or the count spoken over it. */
export const SPOKEN_DAYS = 3;
/** How far a section goes by itself. */
export interface ByItself {
  /** Clean with the right hand alone. */
  readonly hand: boolean;
  /** Clean as written. */
  readonly both: boolean;
  /** Days on which it was clean with words spoken over it, up to `SPOKEN_DAYS`. */
  readonly days: number;
}
/**
 * Whether a section goes by itself: clean with the right hand alone, then with both, then with words or the count spoken
 * over it on three days. Spoken over and missed, its days begin anew.
 * @param log lines of any order
 * @example byItself([], 's', 'a') // { hand: false, both: false, days: 0 }
 */
export function byItself(log: readonly LogEntry[], studyId: string, sectionId: string): ByItself {
  const own = log.filter((e) => e.studyId === studyId && e.sectionId === sectionId && e.passes.length > 0);
  const inOrder = own.sort((a, b) => a.startedAt.localeCompare(b.startedAt));
  let [hand, both] = [false, false];
  let days = new Set<string>();
  for (const e of inOrder) {
    const clean = reached(e, 1) !== null;
    const kind = kindOfWork(e);
    if (kind === 'right hand' && clean) hand = true;
    if (e.drill !== undefined) continue;
    if (clean && hand) both = true;
    if (!e.spoken) continue;
    if (!clean) days = new Set();
    else if (both) days.add(e.startedAt.slice(0, 10));
  }
  return { hand, both, days: Math.min(SPOKEN_DAYS, days.size) };
}
