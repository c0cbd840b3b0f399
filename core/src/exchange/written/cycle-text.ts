import { type AccentCycle, cycleLength, placeLabel } from '../../cycle/index.js';

/**
 * A cycle in one line: its name, its counts, the places that bear accents.
 * @example cycleText(cycleById('solea')) // 'Soleá (12): 3, 6, 8, 10, 12'
 */
export function cycleText(cycle: AccentCycle): string {
  const places = cycle.accents.filter((a) => a.at < cycleLength(cycle)).map((a) => placeLabel(cycle, a.at));
  return `${cycle.name} (${cycle.counts}): ${places.join(', ')}`.trimEnd();
}
/** A cycle by its id, among the words of a bar. */
export const cycleWord = (id: string): string => `cycle ${id}`;
