/** The validated doors, apart from the rest because they carry the schema library: import this lazily only. */
import Joi from 'joi/dist/joi-browser.min.mjs';
import type { Settings } from './rows';

export {
  readCellRow,
  readCycleRow,
  readFile,
  readLogRow,
  readProfileRow,
  readStudyRow,
  refuseBySize,
} from '@ruffle-wheel/core/format';
export { writeEverything, writeStudy } from '@ruffle-wheel/core/format';

const volume = Joi.number().min(0).max(1).required();
const settings = Joi.object({
  key: Joi.string().valid('player').required(),
  seeded: Joi.boolean().required(),
  theme: Joi.string().valid('system', 'day', 'stage').required(),
  wheelTurns: Joi.boolean().required(),
  neckMirrored: Joi.boolean(),
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
