import { type Bpm, clampBpm } from './units.js';

/** A pause longer than this starts a new count of taps. */
const LONGEST_GAP_MS = 3_000;
const TAPS_KEPT = 6;

/**
 * The tempo that a player taps: the mean of the latest gaps, so that one late tap moves it little.
 * @param taps times of the taps in milliseconds, oldest first
 * @returns null until there are two taps without a long pause between them
 * @example tapTempo([0, 500, 1000]) // 120
 */
export function tapTempo(taps: readonly number[]): Bpm | null {
  let first = taps.length - 1;
  while (first > 0 && (taps[first] ?? 0) - (taps[first - 1] ?? 0) <= LONGEST_GAP_MS) first--;
  const run = taps.slice(first).slice(-TAPS_KEPT);
  if (run.length < 2) return null;
  const span = (run[run.length - 1] ?? 0) - (run[0] ?? 0);
  return span > 0 ? clampBpm((60_000 * (run.length - 1)) / span) : null;
}
