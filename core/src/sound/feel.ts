import type { AccentCycle } from '../cycle/index.js';
import type { Feel } from '../piece/index.js';
import { ticks, type Ticks, TICKS_PER_COUNT } from '../time/index.js';

/** Of a section, what its playback keeps to. */
export interface Felt {
  readonly cycle: AccentCycle;
  readonly feel?: Feel | null;
  readonly stepsPerCount?: number;
}
const EVEN = 50;

/**
 * Length of the pair of steps that swing together; 0 where they are even, or no two of them fill a part of a count.
 * @example swungPair({ cycle: cycleById('vals'), stepsPerCount: 2, feel: { swing: 66, leanMs: 0 } }) // 5040
 */
export const swungPair = ({ feel, stepsPerCount = 1 }: Felt): Ticks =>
  ticks(feel && feel.swing !== EVEN && stepsPerCount % 2 === 0 ? (2 * TICKS_PER_COUNT) / stepsPerCount : 0);

/**
 * Where what is written at a place sounds: the first step of a pair takes its share of it, the second what is left. A
 * pair that is cut off by the end stays even.
 * @param length of what is played, in ticks
 * @example feltAt(2520, 15120, { cycle: cycleById('vals'), stepsPerCount: 2, feel: { swing: 75, leanMs: 0 } }) // 3780
 */
export function feltAt(at: number, length: number, felt: Felt): Ticks {
  const pair = swungPair(felt);
  const begin = pair ? Math.floor(at / pair) * pair : 0;
  if (!pair || begin + pair > length) return ticks(at);
  const share = (pair * (felt.feel?.swing ?? EVEN)) / 100;
  const [inPair, half] = [at - begin, pair / 2];
  const own = inPair < half ? (inPair * share) / half : share + ((inPair - half) * (pair - share)) / half;
  return ticks(Math.round(begin + own));
}
