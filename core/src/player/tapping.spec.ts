import { describe, expect, it } from 'vitest';
import { TAPPED_PAIRS, tappedJoint, tappedReturn, TAPS_ALONE } from './index.js';

/** Taps with these gaps between them. */
const taps = (gaps: readonly number[]) => gaps.reduce((at, g) => [...at, (at.at(-1) ?? 0) + g], [1000]);
const many = (n: number, gap: (n: number) => number) => Array.from({ length: n }, (_, i) => gap(i));

describe('one finger alone', () => {
  it('has the usual gap of its taps; the first two find their way', () =>
    expect(tappedReturn(taps([400, 300, ...many(TAPS_ALONE - 3, () => 170)]))).toEqual({ ms: 170 }));
  it('a late one or two are left out', () =>
    expect(tappedReturn(taps(many(TAPS_ALONE, (n) => (n === 6 ? 300 : 180 + (n % 3)))))).toEqual({ ms: 181 }));
  it('that is uneven says nothing', () =>
    expect(tappedReturn(taps(many(TAPS_ALONE, (n) => (n % 2 ? 120 : 260))))).toEqual({ why: 'uneven' }));
  it('before there are enough it says nothing', () =>
    expect(tappedReturn(taps(many(TAPS_ALONE - 2, () => 170)))).toEqual({ why: 'too few' }));
  it('what is faster than any finger is the least there is', () =>
    expect(tappedReturn(taps(many(TAPS_ALONE, () => 3)))).toEqual({ ms: 20 }));
});

describe('two fingers one after the other', () => {
  const pairs = (gap: (n: number) => number, breath: number) =>
    taps(many(2 * TAPPED_PAIRS - 1, (n) => (n % 2 === 0 ? gap(n) : breath)));
  it('have the usual gap within a pair', () =>
    expect(tappedJoint(pairs((n) => 52 + (n % 3), 400))).toEqual({ ms: 53 }));
  it('without a breath between pairs it can’t be told which is which', () =>
    expect(tappedJoint(pairs(() => 80, 90))).toEqual({ why: 'no breath' }));
  it('that are uneven, or too few, say nothing', () => {
    expect(tappedJoint(pairs((n) => (n % 4 ? 40 : 90), 500))).toEqual({ why: 'uneven' });
    expect(tappedJoint(pairs(() => 50, 400).slice(2))).toEqual({ why: 'too few' });
  });
});
