import type { ObjectSchema } from 'joi';
import { type AccentCycle, checkCycle } from '../cycle/index.js';
import { type DataFault, dataFault, quoted } from '../fault/index.js';
import { checkShape } from '../left-hand/index.js';
import { namedCellFault, type Study } from '../piece/index.js';
import type { HandProfile } from '../player/index.js';
import type { Course, Goal, LogEntry, SessionPlan, TakeRecord } from '../practice/index.js';
import { checkCell, type OwnCell } from '../script/index.js';
import { bringStudyForward } from './bring-forward.js';
import { check, type Checked } from './check.js';
import type { Collection, Kept } from './model.js';
import { courseSchema, goalSchema, planSchema, takeSchema } from './record-schemas.js';
import { cellSchema, cycleSchema, logEntrySchema, profileSchema, studySchema } from './schemas.js';

/** What the schema can't say: cycles that add up, shapes a hand can hold, names that stand once. */
export function studyFaults(study: Study): DataFault[] {
  const faults: DataFault[] = [];
  const under = (path: string, list: readonly DataFault[]) =>
    faults.push(...list.map((f) => ({ ...f, path: `${path}.${f.path}` })));
  const once = (list: 'shapes' | 'cells') => {
    const names = new Set<string>();
    study[list].forEach(({ name }, i) => {
      if (names.has(name)) faults.push(dataFault(`${list}[${i}].name`, 'name twice', quoted(name)));
      names.add(name);
    });
  };
  study.shapes.forEach((s, i) => under(`shapes[${i}]`, checkShape(s)));
  study.sections.forEach((s, i) => under(`sections[${i}].cycle`, checkCycle(s.cycle)));
  study.cells.forEach((c, i) => {
    const fault = namedCellFault(c);
    if (fault) faults.push({ ...fault, path: `cells[${i}]` });
  });
  once('shapes');
  once('cells');
  return faults;
}

/** How a list's rows are read. */
export interface RowDoor<T> {
  readonly schema: ObjectSchema;
  readonly read: (row: unknown, at?: string) => Checked<T>;
}
/** A row that makes its own reading fail is refused like any other, and those beside it are read. */
function door<T>(read: (row: unknown, at: string) => Checked<T>): (row: unknown, at?: string) => Checked<T> {
  return (row, at = '') => {
    try {
      return read(row, at);
    } catch {
      return { ok: false, faults: [dataFault(at || 'the row', 'can’t be read')] };
    }
  };
}
const none = () => [];
/** Doors for what is read back from storage or from a file: what does not pass is never handed on, nothing is thrown. */
export const readStudyRow = door<Study>((row, at) => check(studySchema, bringStudyForward(row), studyFaults, at));
export const readLogRow = door<LogEntry>((row, at) => check(logEntrySchema, row, none, at));
export const readProfileRow = door<HandProfile>((row, at) => check(profileSchema, row, none, at));
export const readCycleRow = door<AccentCycle>((row, at) => check(cycleSchema, row, checkCycle, at));
export const readGoalRow = door<Goal>((row, at) => check(goalSchema, row, none, at));
export const readCourseRow = door<Course>((row, at) => check(courseSchema, row, none, at));
export const readPlanRow = door<SessionPlan>((row, at) => check(planSchema, row, none, at));
export const readTakeRow = door<TakeRecord>((row, at) => check(takeSchema, row, none, at));
export const readCellRow = door<OwnCell>((row, at) => check<OwnCell>(cellSchema, row, checkCell, at));

/** One row a list that is kept: its schema, and the door that its rows pass. */
export const ROWS: { readonly [L in Kept]: RowDoor<Collection[L][number]> } = {
  studies: { schema: studySchema, read: readStudyRow },
  log: { schema: logEntrySchema, read: readLogRow },
  profiles: { schema: profileSchema, read: readProfileRow },
  cycles: { schema: cycleSchema, read: readCycleRow },
  cells: { schema: cellSchema, read: readCellRow },
  goals: { schema: goalSchema, read: readGoalRow },
  courses: { schema: courseSchema, read: readCourseRow },
  plans: { schema: planSchema, read: readPlanRow },
  takes: { schema: takeSchema, read: readTakeRow },
};
