import { LOWEST_BPM, HIGHEST_BPM, TICKS_PER_COUNT } from '../time/index.js';
import type { AccentCycle, DataFault } from './model.js';

export const MOST_COUNTS = 64;
export const LONGEST_LABEL = 6;

/** Every fault of a cycle with the path of its field; an empty list means that it can be used. */
export function checkCycle(c: AccentCycle): DataFault[] {
  const faults: DataFault[] = [];
  const say = (path: string, message: string) => faults.push({ path, message });
  if (!c.name.trim()) say('name', 'Give the cycle a name.');
  if (!Number.isInteger(c.counts) || c.counts < 1 || c.counts > MOST_COUNTS)
    say('counts', `A cycle has 1 to ${MOST_COUNTS} counts, not ${c.counts}.`);
  if (c.labels.length !== c.counts)
    say('labels', `${c.counts} counts need ${c.counts} labels; there are ${c.labels.length}.`);
  c.labels.forEach((label, i) => {
    if (!label.trim() || label.length > LONGEST_LABEL)
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
  c.groups.forEach((g, i) => {
    if (!Number.isInteger(g) || g <= 0) say(`groups[${i}]`, 'A group lasts longer than nothing.');
  });
  const sum = c.groups.reduce((a, g) => a + g, 0);
  if (sum !== length)
    say(
      'groups',
      `The groups add up to ${sum / TICKS_PER_COUNT} counts; the turn has ${c.counts}. Lengthen or shorten one.`,
    );
  const { low, usual, high } = c.tempo;
  if (!(LOWEST_BPM <= low && low <= usual && usual <= high && high <= HIGHEST_BPM))
    say('tempo', `Tempos run low ≤ usual ≤ high inside ${LOWEST_BPM}–${HIGHEST_BPM}.`);
  return faults;
}
