import { type DataFault, dataFault } from '../fault/index.js';
import { cleanName, LONGEST_NAME } from '../name/index.js';
import { HIGHEST_BPM, LOWEST_BPM, TICKS_PER_COUNT } from '../time/index.js';
import { type AccentCycle, COUNT_NOTES, FAMILIES } from './model.js';

export const MOST_COUNTS = 64;
export const LONGEST_LABEL = 6;
export const MOST_ACCENTS = 1_024;
export const LONGEST_SCHOOL = 120;
export const LONGEST_CYCLE_NOTE = 500;

export type CycleFaultCode =
  | 'cycle unnamed'
  | 'no such family'
  | 'no such count note'
  | 'school too long'
  | 'note too long'
  | 'too many accents'
  | 'too many groups'
  | 'no such number of counts'
  | 'labels for every count'
  | 'label’s length'
  | 'accent outside'
  | 'no such weight'
  | 'accent twice'
  | 'silence outside'
  | 'group of nothing'
  | 'groups’ sum'
  | 'bars’ sum'
  | 'tempos out of order';

/**
 * Every fault of a cycle with the path of its field; an empty list means that it can be used.
 * @example checkCycle(cycleById('buleria')) // []
 */
export function checkCycle(c: AccentCycle): DataFault[] {
  const faults: DataFault[] = [];
  const say = (path: string, code: CycleFaultCode, ...about: (string | number)[]) =>
    faults.push(dataFault(path, code, ...about));
  if (c.name === '' || cleanName(c.name) !== c.name) say('name', 'cycle unnamed', LONGEST_NAME);
  if (!FAMILIES.includes(c.family)) say('family', 'no such family', ...FAMILIES);
  if (!COUNT_NOTES.includes(c.countNote)) say('countNote', 'no such count note', ...COUNT_NOTES);
  if ((c.school ?? '').length > LONGEST_SCHOOL) say('school', 'school too long', LONGEST_SCHOOL);
  if ((c.note ?? '').length > LONGEST_CYCLE_NOTE) say('note', 'note too long', LONGEST_CYCLE_NOTE);
  if (c.accents.length > MOST_ACCENTS) say('accents', 'too many accents', MOST_ACCENTS);
  if (c.groups.length > MOST_ACCENTS) say('groups', 'too many groups', MOST_ACCENTS);
  if (!Number.isInteger(c.counts) || c.counts < 1 || c.counts > MOST_COUNTS)
    say('counts', 'no such number of counts', MOST_COUNTS, c.counts);
  if (c.labels.length !== c.counts) say('labels', 'labels for every count', c.counts, c.labels.length);
  c.labels.forEach((label, i) => {
    if (cleanName(label) === '' || label.length > LONGEST_LABEL) say(`labels[${i}]`, 'label’s length', LONGEST_LABEL);
  });
  const length = c.counts * TICKS_PER_COUNT;
  const seen = new Set<number>();
  c.accents.forEach((a, i) => {
    if (!Number.isInteger(a.at) || a.at < 0 || a.at >= length) say(`accents[${i}].at`, 'accent outside', c.counts + 1);
    if (!(a.weight >= 0 && a.weight <= 1)) say(`accents[${i}].weight`, 'no such weight');
    if (seen.has(a.at)) say(`accents[${i}].at`, 'accent twice');
    seen.add(a.at);
  });
  c.wishedSilent?.forEach((at, i) => {
    if (!Number.isInteger(at) || at < 0 || at >= length) say(`wishedSilent[${i}]`, 'silence outside', c.counts + 1);
  });
  c.groups.forEach((g, i) => {
    if (!Number.isInteger(g) || g <= 0) say(`groups[${i}]`, 'group of nothing');
  });
  const sum = c.groups.reduce((a, g) => a + g, 0);
  if (sum !== length) say('groups', 'groups’ sum', sum / TICKS_PER_COUNT, c.counts);
  const bars = (c.bars ?? []).reduce((a, b) => a + b, 0);
  if (c.bars && (bars !== length || c.bars.some((b) => !Number.isInteger(b) || b <= 0)))
    say('bars', 'bars’ sum', bars / TICKS_PER_COUNT, c.counts);
  const { low, usual, high } = c.tempo;
  if (!(LOWEST_BPM <= low && low <= usual && usual <= high && high <= HIGHEST_BPM))
    say('tempo', 'tempos out of order', LOWEST_BPM, HIGHEST_BPM);
  return faults;
}
