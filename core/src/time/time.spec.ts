import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  bpm,
  clampBpm,
  frameOf,
  lcm,
  millisOf,
  positionAtFrame,
  stepTicks,
  tapTempo,
  ticks,
  TICKS_PER_COUNT,
  wrap,
} from './index.js';

describe('ticks', () => {
  it.each([2, 3, 4, 5, 6, 7, 8, 9, 10, 12, 14, 15, 16])('%i steps fill a count exactly', (n) => {
    expect((stepTicks(n) ?? 0) * n).toBe(TICKS_PER_COUNT);
  });
  it.each([0, 11, 13, 17, 2.5])('%d steps to the count are refused', (n) => expect(stepTicks(n)).toBeNull());
  it('a fraction of a tick is refused', () => expect(() => ticks(0.5)).toThrow(RangeError));
});

describe('arithmetic', () => {
  it('lcm is the smallest common multiple', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 300 }), fc.integer({ min: 1, max: 300 }), (a, b) => {
        const l = lcm(a, b);
        let n = a;
        while (n % b !== 0) n += a;
        expect(l).toBe(n);
      }),
    );
  });
  it('wrap stays inside for negative positions', () => expect(wrap(-1, 12)).toBe(11));
});

describe('clock', () => {
  it('one count at 120 lasts 500 ms', () => expect(millisOf(TICKS_PER_COUNT, bpm(120))).toBe(500));
  it('frames never drift: count n lies within half a frame of its true place', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 5000 }), fc.integer({ min: 20, max: 400 }), (n, tempo) => {
        const f = frameOf(ticks(n * TICKS_PER_COUNT), bpm(tempo), 44_100);
        expect(Math.abs(f - (n * 60 * 44_100) / tempo)).toBeLessThanOrEqual(0.5);
      }),
    );
  });
  it('position and frame are inverse to within a frame', () => {
    const at = ticks(7 * TICKS_PER_COUNT + 1680);
    expect(positionAtFrame(frameOf(at, bpm(131), 48_000), bpm(131), 48_000)).toBeCloseTo(at, 0);
  });
});

describe('tap tempo', () => {
  it('four even taps half a second apart give 120', () => expect(tapTempo([0, 500, 1000, 1500])).toBe(120));
  it('a long pause starts afresh', () => {
    expect(tapTempo([0, 500, 9000])).toBeNull();
    expect(tapTempo([0, 500, 9000, 10_000, 11_000])).toBe(60);
  });
  it('stays inside 20–400', () => {
    expect(tapTempo([0, 150, 300])).toBe(400);
    // Two at once, or keys that were hit together, are none.
    expect(tapTempo([0, 500])).toBeNull();
    expect(tapTempo([0, 10, 20])).toBeNull();
    expect(clampBpm(Number.NaN)).toBe(20);
  });
});
