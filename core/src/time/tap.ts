import { type Bpm, clampBpm, HIGHEST_BPM } from './units.js';

/** A pause longer than this starts a new count of taps. */
const LONGEST_GAP_MS = 3_000;
const TAPS_KEPT = 6;
/** One gap may be a slip; two that agree on a tempo are meant. */
const FEWEST_TAPS = 3;

/**
 * The tempo that a player taps: the mean of the latest gaps, so that one late tap moves it little.
 * @param taps times of the taps in milliseconds, oldest first
 * @returns null until there are three taps without a long pause between them, and where they come faster than any tempo
 * @example tapTempo([0, 500, 1000]) // 120
 */
export function tapTempo(taps: readonly number[]): Bpm | null {
  let first = taps.length - 1;
  while (first > 0 && (taps[first] ?? 0) - (taps[first - 1] ?? 0) <= LONGEST_GAP_MS) first--;
  const run = taps.slice(first).slice(-TAPS_KEPT);
  if (run.length < FEWEST_TAPS) return null;
  const tempo = (60_000 * (run.length - 1)) / ((run.at(-1) ?? 0) - (run[0] ?? 0));
  // Keys that were hit together are no tempo: 400 is not to be had by a slip.
  return tempo <= HIGHEST_BPM ? clampBpm(tempo) : null;
}
