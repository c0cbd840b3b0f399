/** The validated doors, apart from the rest because they carry the schema library: import this lazily only. */
import {
  type DataFault,
  dataFault,
  type Kept,
  MOST_BARS_SILENT,
  MOST_IN_SET,
  MOST_STEPS_A_CLICK,
  PAGE_LOOKS,
  PALMAS,
} from '@ruffle-wheel/core';
import { type Checked, readStudyRow, ROWS } from '@ruffle-wheel/core/format';
import Joi from 'joi/dist/joi-browser.min.mjs';
import { OPTIONAL_SETTINGS, revisionOf, type Settings, type StudyRow } from './rows';

const volume = Joi.number().min(0).max(1).required();
const bars = Joi.number().integer().min(1).max(MOST_BARS_SILENT).required();
const time = Joi.object({
  palmas: Joi.string()
    .valid(...PALMAS)
    .required(),
  foot: Joi.boolean().required(),
  drone: Joi.boolean().required(),
  stepsAClick: Joi.number().integer().min(0).max(MOST_STEPS_A_CLICK).required(),
  silent: Joi.object({ heard: bars, silent: bars }).allow(null).required(),
});
const settings = Joi.object({
  key: Joi.string().valid('player').required(),
  seeded: Joi.boolean().required(),
  theme: Joi.string().valid('system', 'day', 'stage').required(),
  wheelTurns: Joi.boolean().required(),
  ...Object.fromEntries(OPTIONAL_SETTINGS.map((name) => [name, Joi.boolean()])),
  page: Joi.string().valid(...PAGE_LOOKS),
  time,
  set: Joi.array().items(Joi.string().max(80)).max(MOST_IN_SET),
  countIn: Joi.boolean().required(),
  loop: Joi.boolean().required(),
  guitar: volume,
  claps: volume,
  click: volume,
  profileId: Joi.string().allow('').max(80).required(),
  studyId: Joi.string().allow('').max(80).required(),
  sectionId: Joi.string().allow('').max(80).required(),
}).required();

/** Settings read back, or null when they are not whole: defaults serve then. */
export function readSettingsRow(row: unknown): Settings | null {
  const { error, value } = settings.validate(row) as { error?: unknown; value: Settings };
  return error ? null : value;
}

const isDate = (text: unknown): text is string =>
  typeof text === 'string' && /^\d{4}-/.test(text) && !Number.isNaN(Date.parse(text));

/** A study's row: its own fields are mended, for they only order and count; the study itself has to pass. */
function readWholeStudyRow(row: unknown): Checked<StudyRow> {
  const { id, savedAt, revision, study } = (row ?? {}) as Partial<Record<keyof StudyRow, unknown>>;
  const read = readStudyRow(study);
  if (!read.ok) return read;
  if (read.value.id !== id) return { ok: false, faults: [dataFault('id', 'another’s id', read.value.id)] };
  return {
    ok: true,
    value: {
      id: read.value.id,
      revision: revisionOf({ revision }),
      savedAt: isDate(savedAt) ? savedAt : '',
      study: read.value,
    },
  };
}
/** A stored row through the door of its table. */
export const readRow = (table: Kept, row: unknown): Checked<unknown> =>
  table === 'studies' ? readWholeStudyRow(row) : ROWS[table].read(row);
/** What speaks against a row, or null. */
export function faultOf(table: Kept, row: unknown): DataFault | null {
  const read = readRow(table, row);
  return read.ok ? null : (read.faults[0] ?? null);
}
