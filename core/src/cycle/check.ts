import type { DataFault } from '../fault/index.js';
import { cleanName, LONGEST_NAME } from '../name/index.js';
import { HIGHEST_BPM, LOWEST_BPM, TICKS_PER_COUNT } from '../time/index.js';
import { type AccentCycle, COUNT_NOTES, FAMILIES } from './model.js';

export const MOST_COUNTS = 64;
export const LONGEST_LABEL = 6;
export const MOST_ACCENTS = 1_024;
export const LONGEST_SCHOOL = 120;
export const LONGEST_CYCLE_NOTE = 500;

/**
 * Every fault of a cycle with the path of its field; an empty list means that it can be used.
 * @example checkCycle(cycleById('buleria')) // []
 */
export function checkCycle(c: AccentCycle): DataFault[] {
  const faults: DataFault[] = [];
  const say = (path: string, message: string) => faults.push({ path, message });
  if (c.name === '' || cleanName(c.name) !== c.name)
    say('name', `Give the cycle a name of up to ${LONGEST_NAME} letters.`);
  if (!FAMILIES.includes(c.family)) say('family', `A cycle belongs to ${FAMILIES.join(', ')}.`);
  if (!COUNT_NOTES.includes(c.countNote)) say('countNote', `A count is a ${COUNT_NOTES.join(', ')}.`);
  if ((c.school ?? '').length > LONGEST_SCHOOL) say('school', `A school has ${LONGEST_SCHOOL} letters at most.`);
  if ((c.note ?? '').length > LONGEST_CYCLE_NOTE) say('note', `A note has ${LONGEST_CYCLE_NOTE} letters at most.`);
  if (c.accents.length > MOST_ACCENTS) say('accents', `A cycle has ${MOST_ACCENTS} accents at most.`);
  if (c.groups.length > MOST_ACCENTS) say('groups', `A cycle has ${MOST_ACCENTS} groups at most.`);
  if (!Number.isInteger(c.counts) || c.counts < 1 || c.counts > MOST_COUNTS)
    say('counts', `A cycle has 1 to ${MOST_COUNTS} counts, not ${c.counts}.`);
  if (c.labels.length !== c.counts)
    say('labels', `${c.counts} counts need ${c.counts} labels; there are ${c.labels.length}.`);
  c.labels.forEach((label, i) => {
    if (cleanName(label) === '' || label.length > LONGEST_LABEL)
      say(`labels[${i}]`, `A label has 1 to ${LONGEST_LABEL} letters.`);
  });
  const length = c.counts * TICKS_PER_COUNT;
  const seen = new Set<number>();
  c.accents.forEach((a, i) => {
    if (!Number.isInteger(a.at) || a.at < 0 || a.at >= length)
      say(`accents[${i}].at`, `An accent lies inside the turn, before count ${c.counts + 1}.`);
    if (!(a.weight >= 0 && a.weight <= 1)) say(`accents[${i}].weight`, 'A weight lies between 0 and 1.');
    if (seen.has(a.at)) say(`accents[${i}].at`, 'Two accents lie on one place; keep the heavier.');
    seen.add(a.at);
  });
  c.wishedSilent?.forEach((at, i) => {
    if (!Number.isInteger(at) || at < 0 || at >= length)
      say(`wishedSilent[${i}]`, `A silent place lies inside the turn, before count ${c.counts + 1}.`);
  });
  c.groups.forEach((g, i) => {
    if (!Number.isInteger(g) || g <= 0) say(`groups[${i}]`, 'A group lasts longer than nothing.');
  });
  const sum = c.groups.reduce((a, g) => a + g, 0);
  if (sum !== length)
    say(
      'groups',
      `The groups add up to ${sum / TICKS_PER_COUNT} counts; the turn has ${c.counts}. Lengthen or shorten one.`,
    );
  const bars = (c.bars ?? []).reduce((a, b) => a + b, 0);
  if (c.bars && (bars !== length || c.bars.some((b) => !Number.isInteger(b) || b <= 0)))
    say('bars', `The bars add up to ${bars / TICKS_PER_COUNT} counts; the turn has ${c.counts}.`);
  const { low, usual, high } = c.tempo;
  if (!(LOWEST_BPM <= low && low <= usual && usual <= high && high <= HIGHEST_BPM))
    say('tempo', `Tempos run low ≤ usual ≤ high inside ${LOWEST_BPM}–${HIGHEST_BPM}.`);
  return faults;
}
