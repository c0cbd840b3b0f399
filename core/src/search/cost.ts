import type { CostSplit } from './model.js';

/**

 * A cost of which nothing is paid yet, term by term.

 * @example zeroCost(['late', 'seam']) // { late: 0, seam: 0 }

 */
export const zeroCost = <Term extends string>(terms: readonly Term[]): Record<Term, number> =>
  Object.fromEntries(terms.map((t) => [t, 0])) as Record<Term, number>;
/** Adds points to a cost, each under its term. @param more terms that are left out add nothing */
export function addCost<Term extends string>(into: Record<Term, number>, more: Partial<CostSplit<Term>>): void {
  for (const term in more) into[term] += more[term] ?? 0;
}
/**
 * All points of a cost.
 * @example pointsOf({ late: 3, seam: 2 }) // 5
 */
export function pointsOf<Term extends string>(cost: Partial<CostSplit<Term>>): number {
  let sum = 0;
  for (const term in cost) sum += cost[term] ?? 0;
  return sum;
}
/**
 * The terms for which something is paid, the dearest first; of equals as the table has them.
 * @example paidTerms(['late', 'seam', 'open'], { late: 1, seam: 5, open: 0 }) // ['seam', 'late']
 */
export const paidTerms = <Term extends string>(terms: readonly Term[], cost: Partial<CostSplit<Term>>): Term[] =>
  terms.filter((t) => (cost[t] ?? 0) > 0).sort((a, b) => (cost[b] ?? 0) - (cost[a] ?? 0));
