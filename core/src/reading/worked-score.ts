import { flatten, parseScript } from '../script/index.js';
import { scoreOf } from '../score/index.js';
import type { ReadingRequest } from './reading-request.js';
import { workOut } from './work-out.js';

/** A section's script as it is read, with what is not written worked out, and the score of both. */
export function workedScore({ section, shapes, tuning, capo, profile, called = [] }: ReadingRequest) {
  const { cycle, start, stepsPerCount } = section;
  const instrument = { tuning, capo };
  const { pattern: written, faults } = parseScript(section.script, { stepsPerCount, cycle, start, cells: called });
  const worked = workOut(written, section, { instrument, shapes }, profile);
  const flat = flatten(worked.pattern);
  const score = scoreOf(section, { instrument, shapes }, { flat, workedOut: worked.workedOut });
  return { written, faults, worked, flat, score };
}
