import type { AccentCycle } from '../cycle/index.js';
import { isMuted, kindOfPattern } from '../right-hand/index.js';
import { isLanding, type Rotation } from '../round/index.js';
import { isWorthTelling } from '../search/index.js';
import type { FlatPattern } from '../script/index.js';
import { directionOf, fingersOf } from '../stroke/index.js';
import { TICKS_PER_COUNT, wrap } from '../time/index.js';

/** Another start that gives the accents more. */
export interface BetterStart {
  readonly rotation: Rotation;
  /** Over the whole round, or in the first turn alone where all starts come round through the same places. */
  readonly over: 'round' | 'first turn';
  /** Of the weight that the accents ask for: with this start, and as it is written. 0…1 */
  readonly given: number;
  readonly written: number;
}

/**
 * Another start that a teacher would propose: of an order that repeats under a free accent (picado on one string, tremolo,
 * rasgueado), where the accents gain a tenth or more. A composed line, a bass on the beat and a swing begin where they
 * begin; nothing is proposed for them.
 * @param starts all starts, the best first
 */
export function betterStart(
  flat: FlatPattern,
  cycle: AccentCycle,
  start: number,
  starts: readonly Rotation[],
): BetterStart | null {
  const [best] = starts;
  const written = starts.find((r) => r.slot === 0);
  if (!best || !written || best.slot === 0 || cycle.accents.length === 0 || !isFree(flat, start)) return null;
  if (!upStrokesMayFallOnCounts(flat, start) && upOnCount(flat, start - (flat.slots[best.slot]?.at ?? 0))) return null;
  const equal = starts.every((r) => r.overall === best.overall);
  const over = equal ? 'first turn' : 'round';
  const [given, before] = equal ? [best.firstTurn, written.firstTurn] : [best.overall, written.overall];
  return isWorthTelling(given, before) ? { rotation: best, over, given, written: before } : null;
}

/** An order that may begin on any of its fingers. */
function isFree(flat: FlatPattern, start: number): boolean {
  const { events, slots } = flat;
  // With rests in it it is a rhythm, and begins where that begins; a roll begins where the one before lands.
  if (events.length < slots.length) return false;
  const [first, second, last] = [events[0], events[1], events.at(-1)];
  if (first && isLanding(last?.motion, first.motion, second?.motion)) return false;
  const kind = kindOfPattern(flat);
  if (kind !== 'run' && kind !== 'tremolo' && (kind !== 'rasgueado' || isMuted(flat))) return false;
  // What the left hand does makes it a composed line; so does going from string to string.
  if (events.some((e) => e.motion.kind === 'ligado' || (e.motion.kind === 'stroke' && e.motion.stops?.some((s) => s))))
    return false;
  const strings = new Set(events.map((e) => (e.motion.kind === 'stroke' ? String(e.motion.strings) : '')));
  if (kind === 'run' && strings.size > 1) return false;
  const basses = events.filter((e) => fingersOf(e.motion).includes('p') && directionOf(e.motion) === null);
  return basses.length === 0 || !basses.every((e) => onCount(e.at, start));
}
const onCount = (at: number, start: number): boolean => wrap(at + start, TICKS_PER_COUNT) === 0;
const upOnCount = ({ events }: FlatPattern, start: number): boolean =>
  events.some((e) => directionOf(e.motion) === 'u' && onCount(e.at, start));
/** A hand that goes down on every count keeps its swing; one that comes up on counts already has none to keep. */
const upStrokesMayFallOnCounts = (flat: FlatPattern, start: number): boolean =>
  upOnCount(flat, start) || wrap(flat.length, TICKS_PER_COUNT) !== 0;
