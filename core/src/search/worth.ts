/** A gain of less than a tenth is not worth relearning for: silence is better. */
const LEAST_GAIN = 1.1;
/**
 * Whether something is so much better that it is worth telling.
 * @example isWorthTelling(109, 100) // false
 */
export const isWorthTelling = (better: number, now: number): boolean => better >= LEAST_GAIN * now;
