import type { ObjectSchema } from 'joi';
import { checkCycle, type AccentCycle, type DataFault } from '../cycle/index.js';
import { checkShape } from '../fretting/index.js';
import type { HandProfile } from '../hand/index.js';
import { checkCell, type OwnCell } from '../pattern/index.js';
import type { Study } from '../piece/index.js';
import type { LogEntry } from '../practice/index.js';
import { cellSchema, cycleSchema, logEntrySchema, profileSchema, studySchema } from './schemas.js';

export type Checked<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly faults: readonly DataFault[] };

/** What the schema can't say: cycles that add up, shapes a hand can hold, shape ids that exist. */
export function studyFaults(study: Study, at = ''): DataFault[] {
  const faults: DataFault[] = [];
  const under = (path: string, list: readonly DataFault[]) =>
    faults.push(...list.map((f) => ({ path: `${at}${path}.${f.path}`, message: f.message })));
  const ids = new Set(study.shapes.map((s) => s.id));
  study.shapes.forEach((s, i) => under(`shapes[${i}]`, checkShape(s)));
  study.sections.forEach((s, i) => {
    under(`sections[${i}].cycle`, checkCycle(s.cycle));
    s.harmony.shapes.forEach((id, n) => {
      if (!ids.has(id))
        faults.push({
          path: `${at}sections[${i}].harmony.shapes[${n}]`,
          message: `The study has no shape “${id.slice(0, 40)}”.`,
        });
    });
  });
  return faults;
}

function check<T>(schema: ObjectSchema, row: unknown, more: (value: T) => DataFault[] = () => []): Checked<T> {
  const { error, value } = schema.required().validate(row, { abortEarly: false, convert: false }) as {
    error?: { details: readonly { path: readonly (string | number)[]; message: string }[] };
    value: T;
  };
  const faults = error ? error.details.map(schemaFault) : more(value);
  return faults.length ? { ok: false, faults } : { ok: true, value };
}

/** A schema's complaint as a path and a sentence. */
export const schemaFault = (d: { path: readonly (string | number)[]; message: string }): DataFault => ({
  path: pathText(d.path),
  message: `${d.message.replace(/^"[^"]*"\s*/, 'It ').slice(0, 200)}.`,
});
const pathText = (path: readonly (string | number)[]): string =>
  path.map((p, i) => (typeof p === 'number' ? `[${p}]` : i === 0 ? p : `.${p}`)).join('') || 'the file';

/** Doors for rows read back from storage: what does not pass is never handed on. */
export const readStudyRow = (row: unknown): Checked<Study> => check<Study>(studySchema, row, (s) => studyFaults(s));
export const readLogRow = (row: unknown): Checked<LogEntry> => check(logEntrySchema, row);
export const readProfileRow = (row: unknown): Checked<HandProfile> => check(profileSchema, row);
export const readCycleRow = (row: unknown): Checked<AccentCycle> => check<AccentCycle>(cycleSchema, row, checkCycle);
export const readCellRow = (row: unknown): Checked<OwnCell> => check<OwnCell>(cellSchema, row, checkCell);
