import { describe, expect, it } from 'vitest';
import { apart, makeNeck, touchPoint } from '../instrument/index.js';
import { millimetres, millis } from '../time/index.js';
import {
  DEFAULT_PROFILE,
  FAR_MOVE,
  FINGER_PAIRS,
  leftHandOf,
  moveBits,
  moveConstants,
  NEAR_MOVE,
  reachFrom,
  reachLadder,
  withLeftHand,
  withoutLeftHand,
} from './index.js';

const neck = makeNeck(millimetres(650));

describe('measuring a hand', () => {
  it.each(FINGER_PAIRS)('fingers %s climb from narrow to wide in steps of 5 mm or a little more', (pair) => {
    const rungs = reachLadder(pair, neck);
    expect(rungs.length).toBeGreaterThan(5);
    rungs.forEach((r, i) => {
      expect(r.upper).toBeGreaterThan(r.lower);
      expect(Math.abs(apart(touchPoint(4, r.lower, neck), touchPoint(3, r.upper, neck)) - r.mm)).toBeLessThanOrEqual(
        0.5,
      );
      const before = rungs[i - 1];
      if (before) expect(r.mm - before.mm).toBeGreaterThanOrEqual(5);
      if (before) expect(r.mm - before.mm).toBeLessThan(16);
    });
    const { ease, limit } = leftHandOf(DEFAULT_PROFILE).reach[pair];
    expect(rungs[0]!.mm).toBeLessThan(ease);
    expect(rungs.at(-1)!.mm).toBeGreaterThan(limit);
  });
  it('the widest easy rung is ease, the widest that was reached the limit', () => {
    expect(reachFrom(90, 108)).toEqual({ ease: 90, limit: 108 });
    expect(reachFrom(90, null)).toEqual({ ease: 90, limit: 90 });
    expect(reachFrom(null, 100)).toEqual({ ease: 80, limit: 100 });
    expect(reachFrom(null, null)).toBeNull();
  });
  it('a near and a far landing give back the constants they were made with', () => {
    const ms = (move: typeof NEAR_MOVE | typeof FAR_MOVE) => 70 + 45 * moveBits(move, neck);
    expect(moveConstants(ms(NEAR_MOVE), ms(FAR_MOVE), neck)).toEqual({ start: 70, perBit: 45 });
    expect(moveConstants(300, 200, neck)).toEqual({ start: 300, perBit: 0 });
  });
  it('is kept with the profile, its span that of fingers 1 and 4, and can be forgotten again', () => {
    const left = { ...leftHandOf(DEFAULT_PROFILE), barre: millis(5000) };
    const reach = { ...left.reach, '14': { ease: millimetres(92), limit: millimetres(80) } };
    const measured = withLeftHand(DEFAULT_PROFILE, { ...left, reach });
    expect(measured.span).toBe(92);
    expect(measured.left?.reach['14']).toEqual({ ease: 92, limit: 92 });
    expect(leftHandOf(measured).barre).toBe(5000);
    expect('left' in withoutLeftHand(measured)).toBe(false);
  });
});
