import { type AccentCycle, checkCycle } from '../cycle/index.js';
import { type DataFault, quoted } from '../fault/index.js';
import { checkShape, checkStopped } from '../left-hand/index.js';
import { notesWritten, type Study } from '../piece/index.js';
import type { HandProfile } from '../player/index.js';
import type { LogEntry } from '../practice/index.js';
import { checkCell, type OwnCell } from '../script/index.js';
import { check, type Checked } from './check.js';
import { cellSchema, cycleSchema, logEntrySchema, profileSchema, studySchema } from './schemas.js';

/** What the schema can't say: cycles that add up, shapes a hand can hold, shape ids that exist. */
export function studyFaults(study: Study): DataFault[] {
  const faults: DataFault[] = [];
  const under = (path: string, list: readonly DataFault[]) =>
    faults.push(...list.map((f) => ({ path: `${path}.${f.path}`, message: f.message })));
  const ids = new Set(study.shapes.map((s) => s.id));
  study.shapes.forEach((s, i) => under(`shapes[${i}]`, checkShape(s)));
  study.sections.forEach((s, i) => {
    under(`sections[${i}].cycle`, checkCycle(s.cycle));
    under(`sections[${i}]`, checkStopped(s.stopped ?? []).slice(0, 20));
    s.harmony.shapes.forEach((id, n) => {
      if (!ids.has(id))
        faults.push({
          path: `sections[${i}].harmony.shapes[${n}]`,
          message: `The study has no shape ${quoted(id)}.`,
        });
    });
  });
  return faults;
}

/** Doors for what is read back from storage or from a file: what does not pass is never handed on. */
export function readStudyRow(row: unknown, at = ''): Checked<Study> {
  const read = check<Study>(studySchema, row, studyFaults, at);
  if (!read.ok) return read;
  // Frets that used to stand beside the script stand in its strokes.
  const sections = read.value.sections.map(notesWritten);
  const same = sections.every((s, n) => s === read.value.sections[n]);
  return same ? read : { ok: true, value: { ...read.value, sections } };
}
export const readLogRow = (row: unknown, at = ''): Checked<LogEntry> => check<LogEntry>(logEntrySchema, row, none, at);
export const readProfileRow = (row: unknown, at = ''): Checked<HandProfile> =>
  check<HandProfile>(profileSchema, row, none, at);
export const readCycleRow = (row: unknown, at = ''): Checked<AccentCycle> =>
  check<AccentCycle>(cycleSchema, row, checkCycle, at);
export const readCellRow = (row: unknown, at = ''): Checked<OwnCell> => check<OwnCell>(cellSchema, row, checkCell, at);
const none = () => [];
