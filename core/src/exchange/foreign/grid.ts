import { TICKS_PER_COUNT } from '../../time/index.js';

/** So fine a place is taken as it stands: of what was written, and of what was played, which is there by chance. */
export const FINEST = { written: 240, played: 16 } as const;
/** Divisions of a count without a rest. */
const EVEN = Array.from({ length: FINEST.written }, (_, n) => n + 1).filter((d) => TICKS_PER_COUNT % d === 0);
/** Those on which everything else is put. */
const COARSE = [1, 2, 3, 4, 6, 8];
/** So far off, in ticks, a place still is where it was meant: what dividing leaves over. */
const EXACTLY = 1;
/** How much nearer, in squares of counts a note, a finer grid must bring its notes. */
const FINER = 0.0008;
/** Notes that are further apart than this, in counts, and come to the same place. */
const APART = 0.07;
const COLLIDED = 0.05;

export interface Gridded {
  /** Ticks, whole. */
  readonly at: number;
  /** So far from where it was, in ticks. */
  readonly moved: number;
  /** Into so many parts its count is divided. */
  readonly division: number;
}
/**
 * Places on the coarsest division of each count that they fall on; where they fall on none, on that which is nearest for
 * its fineness.
 * @param places in ticks, with fraction
 * @param finest divisions of a count that are taken as they stand
 * @example onGrid([0, 2520.4, 5100, 6700]).map((g) => g.at) // [0, 2520, 5040, 6720]
 */
export function onGrid(places: readonly number[], finest: number = FINEST.played): Gridded[] {
  const counts = new Map<number, number[]>();
  for (const place of places) {
    const count = Math.floor((place + EXACTLY) / TICKS_PER_COUNT);
    counts.set(count, [...(counts.get(count) ?? []), place]);
  }
  const division = new Map<number, number>();
  for (const [count, own] of counts)
    division.set(
      count,
      divisionOf(
        own.map((p) => p - count * TICKS_PER_COUNT),
        finest,
      ),
    );
  return places.map((place) => {
    const own = division.get(Math.floor((place + EXACTLY) / TICKS_PER_COUNT)) ?? 1;
    const at = (Math.round((place * own) / TICKS_PER_COUNT) * TICKS_PER_COUNT) / own;
    return { at, moved: Math.abs(at - place), division: own };
  });
}
function divisionOf(places: readonly number[], finest: number): number {
  const exact = EVEN.find((d) => d <= finest && places.every((p) => offGrid(p, d) <= EXACTLY));
  if (exact !== undefined) return exact;
  const cost = (d: number) => {
    const unit = TICKS_PER_COUNT / d;
    const squares = places.reduce((sum, p) => sum + (offGrid(p, d) / TICKS_PER_COUNT) ** 2, 0) / places.length;
    const sorted = [...places].sort((a, b) => a - b);
    const collided = sorted.filter((p, n) => {
      const before = sorted[n - 1];
      return (
        before !== undefined &&
        p - before > APART * TICKS_PER_COUNT &&
        Math.round(p / unit) === Math.round(before / unit)
      );
    });
    return squares + d * FINER + collided.length * COLLIDED;
  };
  return COARSE.reduce((best, d) => (cost(d) < cost(best) - 1e-12 ? d : best), 1);
}
function offGrid(place: number, division: number): number {
  const unit = TICKS_PER_COUNT / division;
  return Math.abs(place - Math.round(place / unit) * unit);
}
