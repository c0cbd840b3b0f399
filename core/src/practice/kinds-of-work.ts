import type { LogEntry } from './log.js';
import type { PlannedBlock } from './records.js';

export type WorkKind = PlannedBlock['kind'];
/** How the keys of drills begin, by what kind of work they are. */
const BEGINS: readonly (readonly [start: string, kind: WorkKind])[] = [
  ['open strings', 'right hand'],
  ['muted', 'right hand'],
  ['block chords', 'block chords'],
  ['change', 'hard change'],
  ['pair', 'weak pair'],
  ['left pairs', 'weak pair'],
  ['burst', 'burst'],
];
/**
 * What kind of work a line of the log was: a check, the form, the right hand alone, the section as written, a drill.
 * @example kindOfWork({ drill: 'open strings', sectionId: 's' }) // 'right hand'
 */
export function kindOfWork(e: Pick<LogEntry, 'drill' | 'cold' | 'sectionId' | 'plan'>): WorkKind {
  const { drill, cold, sectionId, plan } = e;
  if (cold) return 'check';
  if (plan !== undefined && sectionId === undefined) return 'form';
  if (drill === undefined) return 'together';
  return BEGINS.find(([start]) => drill.startsWith(start))?.[1] ?? 'own';
}
/**
 * Minutes by kind of work, the most first; what was not worked at is left out.
 * @example minutesByKind([]) // []
 */
export function minutesByKind(
  log: readonly LogEntry[],
): readonly { readonly kind: WorkKind; readonly minutes: number }[] {
  const found = new Map<WorkKind, number>();
  for (const e of log) found.set(kindOfWork(e), (found.get(kindOfWork(e)) ?? 0) + e.minutes);
  return [...found]
    .flatMap(([kind, minutes]) => (minutes > 0 ? [{ kind, minutes }] : []))
    .sort((a, b) => b.minutes - a.minutes || a.kind.localeCompare(b.kind));
}
