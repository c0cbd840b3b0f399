import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { Best } from './best.js';

describe('the best few', () => {
  it('are the first of all that were pushed, whatever their order', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 30 })), fc.integer({ min: 1, max: 6 }), (list, most) => {
        const best = new Best<number>(most, (a, b) => a < b);
        for (const n of list) best.push(n);
        const kept: number[] = [];
        while (best.size > 0) kept.push(best.pop() as number);
        expect(kept).toEqual([...list].sort((a, b) => a - b).slice(0, most));
      }),
    );
  });
  it('of equals keeps the one pushed first', () => {
    const best = new Best<{ n: number; name: string }>(2, (a, b) => a.n < b.n);
    for (const name of ['a', 'b', 'c']) best.push({ n: 1, name });
    expect([best.pop()?.name, best.pop()?.name, best.pop()]).toEqual(['a', 'b', undefined]);
  });
});
