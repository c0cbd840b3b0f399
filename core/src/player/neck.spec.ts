import { describe, expect, it } from 'vitest';
import {
  apart,
  beyondNeck,
  fretWidth,
  lastFret,
  makeNeck,
  soundingLength,
  touchPoint,
  wireAt,
} from '../instrument/index.js';
import { fret, fromNut, millimetres } from '../time/index.js';
import { DEFAULT_PROFILE, leftHandOf, neckOf, reachOf } from './index.js';

const L = millimetres(650);
describe('the neck', () => {
  it('wire 12 lies at half the scale, wire 24 at three quarters', () => {
    expect(wireAt(fret(12), L)).toBeCloseTo(325);
    expect(wireAt(fret(24), L)).toBeCloseTo(487.5);
  });
  it('four fingers over frets 1 to 4 span about 98 mm between wires at the nut, at fret 7 about 69', () => {
    expect(wireAt(fret(4), L) - wireAt(fret(1), L)).toBeCloseTo(97.7, 0);
    expect(wireAt(fret(10), L) - wireAt(fret(7), L)).toBeCloseTo(69, 0);
  });
  it('a capo on 2 shrinks every span by the same factor, and the sounding length with it', () => {
    const [plain, capo] = [makeNeck(L), makeNeck(L, 2)];
    const factor = 2 ** (-2 / 12);
    expect(soundingLength(capo) / L).toBeCloseTo(factor);
    for (const fret of [1, 4, 9]) expect(fretWidth(fret, capo) / fretWidth(fret, plain)).toBeCloseTo(factor);
    const span = (neck: typeof plain) => touchPoint(3, 4, neck).x - touchPoint(3, 1, neck).x;
    expect(span(capo) / span(plain)).toBeCloseTo(factor);
  });
  it('strings spread toward the bridge, evenly to both sides', () => {
    const neck = makeNeck(L);
    const width = (fret: number) =>
      apart({ x: 0, y: touchPoint(1, fret, neck).y }, { x: 0, y: touchPoint(6, fret, neck).y });
    expect(width(1)).toBeGreaterThan(43);
    expect(width(12)).toBeCloseTo((43 + 58) / 2, 0);
    expect(touchPoint(6, 3, neck).y).toBeCloseTo(0 - touchPoint(1, 3, neck).y);
  });
});

describe('frets', () => {
  it('from the nut are never taken for frets from the capo: three with a capo on 2 is the fifth', () => {
    const neck = neckOf(DEFAULT_PROFILE, 2);
    expect(fromNut(3, 2)).toBe(5);
    expect(touchPoint(6, 3, neck).x).toBeCloseTo(touchPoint(6, 5, neckOf(DEFAULT_PROFILE)).x);
    // @ts-expect-error a fret from the nut is none from the capo
    expect(touchPoint(6, fromNut(3, 2), neck).x).toBeGreaterThan(touchPoint(6, 3, neck).x);
    // @ts-expect-error and the other way round
    expect(wireAt(5, neck.scaleLength)).toBeGreaterThan(0);
  });
});

describe('the left hand', () => {
  it('has a reach for every pair that follows from the span, the limit beyond the ease', () => {
    const reach = reachOf(110);
    expect(reach['14'].ease).toBe(110);
    for (const { ease, limit } of Object.values(reach)) expect(limit).toBeGreaterThan(ease);
    expect(reach['13'].ease).toBeLessThan(reach['14'].ease);
    expect(leftHandOf(DEFAULT_PROFILE).reach).toEqual(reachOf(DEFAULT_PROFILE.span));
  });
  it('what was measured is taken as it is', () => {
    const left = { ...leftHandOf(DEFAULT_PROFILE), thumbOver: true };
    expect(leftHandOf({ ...DEFAULT_PROFILE, left })).toEqual(left);
  });
});

describe('the player’s neck', () => {
  it('has the spacing that was measured, and a usual one without', () => {
    expect(neckOf(DEFAULT_PROFILE, 2)).toEqual(makeNeck(DEFAULT_PROFILE.scaleLength, 2));
    const wide = neckOf({ ...DEFAULT_PROFILE, nutSpacing: millimetres(9.4), bridgeSpacing: millimetres(12) });
    const across = (neck: typeof wide) => touchPoint(1, 1, neck).y - touchPoint(6, 1, neck).y;
    expect(across(wide)).toBeGreaterThan(across(neckOf(DEFAULT_PROFILE)) + 3.5);
  });
});

describe('the end of the neck', () => {
  it('lies at wire 19 from the nut; a capo takes frets away', () => {
    expect(lastFret(0)).toBe(19);
    expect(lastFret(12)).toBe(7);
    expect(beyondNeck([null, null, 22, 0, 19, null], 0)).toEqual([{ string: 4, fret: 22 }]);
    expect(beyondNeck([8, null, 7, 0, null, null], 12)).toEqual([{ string: 6, fret: 8 }]);
    expect(beyondNeck([3, 2, 0, 0, 0, 3], 12)).toEqual([]);
  });
});
