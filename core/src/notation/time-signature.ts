import type { AccentCycle, CountNote } from '../cycle/index.js';
import { TICKS_PER_COUNT } from '../time/index.js';

const BEAT_TYPE: Record<CountNote, number> = { half: 2, quarter: 4, eighth: 8 };
/** No beat is written finer. */
const FINEST_BEAT = 64;

/**
 * How many quarters a count is written as.
 * @example quartersInCount(cycleById('seguiriya')) // 0.5
 */
export const quartersInCount = ({ countNote }: Pick<AccentCycle, 'countNote'>): number => 4 / BEAT_TYPE[countNote];

/** So many beats, and which note each is. */
export type BarTime = readonly [beats: number, type: number];
/**
 * The time of a bar.
 * @param length in ticks
 * @example timeOf(4 * TICKS_PER_COUNT, cycleById('bossa-three-two')) // [4, 4]
 */
export function timeOf(length: number, { countNote }: AccentCycle): BarTime {
  let [beats, type]: [number, number] = [length / TICKS_PER_COUNT, BEAT_TYPE[countNote]];
  while (!Number.isInteger(beats) && type < FINEST_BEAT) [beats, type] = [beats * 2, type * 2];
  return [Math.round(beats), type];
}
