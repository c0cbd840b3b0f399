import { type Bpm, millis, type Millis, ticks, type Ticks, TICKS_PER_COUNT } from './units.js';

/** @example gcd(12, 18) // 6 */
export function gcd(a: number, b: number): number {
  while (b !== 0) [a, b] = [b, a % b];
  return Math.abs(a);
}

/**
 * Least common multiple; exact while the product stays a safe integer, as all capped lengths do.
 * @example lcm(5, 12) // 60
 */
export const lcm = (a: number, b: number): number => (a === 0 || b === 0 ? 0 : (a / gcd(a, b)) * b);

/**
 * Remainder in 0…m−1, for negative n too.
 * @example wrap(-1, 12) // 11
 */
export const wrap = (n: number, m: number): number => ((n % m) + m) % m;

/** Steps that divide a count without remainder. */
export const STEPS_PER_COUNT: readonly number[] = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 12, 14, 15, 16];

/**
 * Length of one step, or null when the count can't be cut into so many equal steps.
 * @example stepTicks(4) // 1260
 */
export function stepTicks(stepsPerCount: number): Ticks | null {
  return STEPS_PER_COUNT.includes(stepsPerCount) ? ticks(TICKS_PER_COUNT / stepsPerCount) : null;
}

/**
 * How long a stretch of ticks lasts at a tempo, in milliseconds.
 * @example millisOf(ticks(5040), bpm(120)) // 500
 */
export const millisOf = (length: Ticks, tempo: Bpm): Millis => millis((length * 60_000) / (TICKS_PER_COUNT * tempo));

/**
 * The audio frame nearest to a position: round(ticks · 60 · rate / (5040 · bpm)).
 * Computed from the start each time, so no rounding adds up along a piece.
 * @example frameOf(ticks(5040), bpm(60), 48000) // 48000
 */
export const frameOf = (at: Ticks, tempo: Bpm, rate: number): number =>
  Math.round((at * 60 * rate) / (TICKS_PER_COUNT * tempo));

/**
 * The position (with fraction) that sounds at a frame: the inverse of frameOf, for the picture only.
 * @example positionAtFrame(24000, bpm(60), 48000) // 2520
 */
export const positionAtFrame = (frame: number, tempo: Bpm, rate: number): number =>
  (frame * TICKS_PER_COUNT * tempo) / (60 * rate);
