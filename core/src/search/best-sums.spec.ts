import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bestSums } from './index.js';

describe('least sums of one of each', () => {
  it('are those of all, the least first', () => {
    const list = fc.array(fc.integer({ min: 0, max: 20 }), { minLength: 1, maxLength: 4 });
    fc.assert(
      fc.property(fc.array(list, { maxLength: 4 }), fc.integer({ min: 1, max: 5 }), (lists, k) => {
        const sorted = lists.map((l) => [...l].sort((a, b) => a - b));
        const all = sorted
          .reduce<number[]>((sums, l) => sums.flatMap((s) => l.map((n) => s + n)), [0])
          .sort((a, b) => a - b);
        const found = bestSums(sorted, k);
        expect(found.map((s) => s.total)).toEqual(all.slice(0, k));
        for (const { chosen, total } of found)
          expect(chosen.reduce((sum, c, i) => sum + (sorted[i]?.[c] ?? NaN), 0)).toBe(total);
      }),
    );
  });
  it('of nothing is one, and nothing', () => expect(bestSums([], 3)).toEqual([{ chosen: [], total: 0 }]));
});
