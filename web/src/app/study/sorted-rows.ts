import type { Kept, LogEntry, SessionPlan, TakeRecord } from '@ruffle-wheel/core';
import type { Row, StudyRow } from '../data';

/** ISO texts: the order of their letters is the order of time. */
const later = (a: string, b: string): number => (a < b ? 1 : a > b ? -1 : 0);
/** As the tables give them. */
const byId = (a: Row, b: Row): number => (a.id < b.id ? -1 : a.id > b.id ? 1 : 0);
/** How the rows of each table stand: what was last first, the rest as the tables give them. */
export const SORTED: Record<Kept, (a: Row, b: Row) => number> = {
  profiles: byId,
  cycles: byId,
  cells: byId,
  goals: byId,
  courses: byId,
  plans: (a, b) => later((a as SessionPlan).startedAt, (b as SessionPlan).startedAt),
  takes: (a, b) => later((a as TakeRecord).startedAt, (b as TakeRecord).startedAt),
  studies: (a, b) =>
    later((a as StudyRow).savedAt, (b as StudyRow).savedAt) ||
    (a as StudyRow).study.name.localeCompare((b as StudyRow).study.name),
  log: (a, b) => later((a as LogEntry).startedAt, (b as LogEntry).startedAt),
};
