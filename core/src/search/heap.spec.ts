import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { Heap } from './heap.js';

describe('heap', () => {
  it('gives back what went in, least first', () => {
    fc.assert(
      fc.property(fc.array(fc.integer()), (list) => {
        const heap = new Heap<number>((a, b) => a < b);
        for (const n of list) heap.push(n);
        expect(heap.size).toBe(list.length);
        expect(list.map(() => heap.pop())).toEqual([...list].sort((a, b) => a - b));
        expect(heap.pop()).toBeUndefined();
      }),
    );
  });
  it('keeps its order while things come and go', () => {
    fc.assert(
      fc.property(fc.array(fc.option(fc.integer({ min: 0, max: 99 }))), (steps) => {
        const heap = new Heap<number>((a, b) => a < b);
        const plain: number[] = [];
        for (const s of steps) {
          if (s !== null) {
            heap.push(s);
            plain.push(s);
          } else {
            plain.sort((a, b) => a - b);
            expect(heap.pop()).toBe(plain.shift());
          }
        }
      }),
    );
  });
});
