import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Ladder } from '../piece/index.js';
import { climb, type PracticePass } from './index.js';

const ladder: fc.Arbitrary<Ladder> = fc.record({
  start: fc.integer({ min: 40, max: 200 }),
  end: fc.integer({ min: 40, max: 200 }),
  step: fc.integer({ min: 1, max: 20 }),
  passes: fc.integer({ min: 1, max: 5 }),
});
const passes = fc
  .array(fc.boolean(), { maxLength: 60 })
  .map((list): PracticePass[] => list.map((clean) => ({ bpm: 100, clean })));

describe('laws of the ladder', () => {
  it('never leaves the stretch between four rungs below its slower end and its faster end', () => {
    fc.assert(
      fc.property(ladder, passes, (l, p) => {
        const { bpm } = climb(l, p);
        expect(bpm).toBeLessThanOrEqual(Math.max(l.start, l.end));
        expect(bpm).toBeGreaterThanOrEqual(Math.max(20, Math.min(l.start, l.end) - 4 * l.step));
      }),
    );
  });
  it('clean passes alone always arrive at the end and stay', () => {
    fc.assert(
      fc.property(ladder, (l) => {
        const enough = (Math.ceil(Math.abs(l.end - l.start) / l.step) + 1) * l.passes;
        const rung = climb(
          l,
          Array.from({ length: enough + l.passes }, () => ({ bpm: 0, clean: true })),
        );
        expect(rung).toMatchObject({ bpm: l.end, done: true });
      }),
    );
  });
  it('one miss among clean passes never slows it', () => {
    fc.assert(
      fc.property(ladder, fc.integer({ min: 0, max: 20 }), (l, n) => {
        const list = Array.from({ length: n }, () => ({ bpm: 0, clean: true }));
        const slower = climb(l, [...list, { bpm: 0, clean: false }]).bpm;
        expect(slower).toBe(climb(l, list).bpm);
      }),
    );
  });
  it('misses alone only ever slow it', () => {
    fc.assert(
      fc.property(ladder, fc.integer({ min: 0, max: 40 }), (l, n) => {
        const tempos = Array.from(
          { length: n + 1 },
          (_, i) =>
            climb(
              l,
              Array.from({ length: i }, () => ({ bpm: 0, clean: false })),
            ).bpm,
        );
        tempos.forEach((t, i) => expect(t).toBeLessThanOrEqual(tempos[i - 1] ?? t));
      }),
    );
  });
});
