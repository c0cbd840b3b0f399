/** One of each list, and what they come to. */
export interface Sum {
  /** By list. */
  readonly chosen: readonly number[];
  readonly total: number;
}
/**
 * The k least sums of one number from each list, the least first; ties go to the earlier ones.
 * @example bestSums([[1, 5], [2, 3]], 3).map((s) => s.total) // [3, 4, 7]
 */
export function bestSums(lists: readonly (readonly number[])[], k: number): Sum[] {
  let best: Sum[] = [{ chosen: [], total: 0 }];
  for (const list of lists)
    best = best
      .flatMap(({ chosen, total }) => list.slice(0, k).map((n, i) => ({ chosen: [...chosen, i], total: total + n })))
      .sort((a, b) => a.total - b.total)
      .slice(0, k);
  return best;
}
