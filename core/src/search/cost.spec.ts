import { describe, expect, it } from 'vitest';
import { addCost, paidTerms, pointsOf, zeroCost } from './index.js';

const TERMS = ['late', 'seam', 'open', 'leap'] as const;

describe('a cost by term', () => {
  it('begins with nothing, and adds each part under its term', () => {
    const cost = zeroCost(TERMS);
    expect(pointsOf(cost)).toBe(0);
    addCost(cost, { late: 3, leap: 2 });
    addCost(cost, { late: 1 });
    expect(cost).toEqual({ late: 4, seam: 0, open: 0, leap: 2 });
    expect(pointsOf(cost)).toBe(6);
    expect(pointsOf({ seam: 5 })).toBe(5);
  });
  it('what is paid comes dearest first, of equals as the table has it; what costs nothing is not told', () =>
    expect(paidTerms(TERMS, { late: 1, seam: 5, open: 0, leap: 5 })).toEqual(['seam', 'leap', 'late']));
});
