import type { PlannedBlock } from '../records.js';

/** A session is cut in half minutes. */
export const HALVES = 2;
/** A block that a session would have, in half minutes. */
export interface Wanted {
  readonly block: Omit<PlannedBlock, 'minutes'>;
  readonly least: number;
  readonly want: number;
  readonly most: number;
  /** What the time is too short for goes by its worth, the least first. */
  readonly worth: number;
  /** Takes what is left when all have their most. */
  readonly grows?: boolean;
}

/**
 * Blocks that fill the time, in the order in which they are wanted. What is worth most comes in while there is time for its
 * least; what comes in shares the time as they want it, none beyond its most while another has room. Where none may grow,
 * time is left over.
 * @param halves half minutes there are, 1 or more
 */
export function allot(wanted: readonly Wanted[], halves: number): PlannedBlock[] {
  const kept = worthMost(wanted, halves);
  const given = kept.map((w) => Math.min(w.least, halves));
  for (let left = halves - given.reduce((a, b) => a + b, 0); left > 0; left--) {
    const n = emptiest(kept, given, (w, has) => has < w.most);
    const more = n < 0 ? emptiest(kept, given, (w) => w.grows === true) : n;
    if (more < 0) break;
    given[more] = (given[more] ?? 0) + 1;
  }
  return kept.map(({ block }, n) => ({ ...block, minutes: (given[n] ?? 0) / HALVES }));
}
/** Of the most worth first what still fits, in the order in which it is wanted; one thing always. */
function worthMost(wanted: readonly Wanted[], halves: number): Wanted[] {
  const taken = new Set<Wanted>();
  let free = halves;
  for (const one of [...wanted].sort((a, b) => b.worth - a.worth)) {
    if (taken.size > 0 && one.least > free) continue;
    taken.add(one);
    free -= one.least;
  }
  return wanted.filter((w) => taken.has(w));
}
/** Which has the smallest share of what it wants; -1 where none may have more. */
function emptiest(wanted: readonly Wanted[], given: readonly number[], may: (w: Wanted, has: number) => boolean) {
  let [found, least] = [-1, Infinity];
  wanted.forEach((w, n) => {
    const share = (given[n] ?? 0) / w.want;
    if (may(w, given[n] ?? 0) && share < least) [found, least] = [n, share];
  });
  return found;
}
