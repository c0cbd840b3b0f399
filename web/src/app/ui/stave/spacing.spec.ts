import { spaced, type Spaced } from './spacing';

const sign = (lasts: number, left = 0, right = 10): Spaced => ({ lasts, left, right });
const gaps = (signs: readonly Spaced[], width: number) => {
  const places = spaced(signs, width);
  return places.slice(1).map((x, i) => x - places[i]!);
};

describe('signs across a bar', () => {
  it('of one length lie equally far apart, whatever accidentals stand before them', () => {
    const own = gaps([sign(1), sign(1, 12), sign(1), sign(1, 20), sign(1)], 400);
    expect(Math.max(...own) - Math.min(...own)).toBeLessThan(0.01);
  });
  it('longer ones have more room, and not as much more as they are longer', () => {
    const [long = 0, short = 0] = gaps([sign(4), sign(1), sign(4)], 300);
    expect(long / short).toBeGreaterThan(2);
    expect(long / short).toBeLessThan(4);
  });
  it('nothing runs into what stands beside it while there is room', () => {
    const signs = [sign(1), sign(1, 30), sign(1), sign(1)];
    const own = gaps(signs, 120);
    expect(own[0]).toBeGreaterThanOrEqual(43);
    expect(own[1]).toBeCloseTo(own[2]!, 1);
  });
  it('fill the width, and stay within it where it is too narrow', () => {
    for (const width of [60, 100, 1_000]) {
      const signs = [sign(1, 8), sign(2, 20), sign(1), sign(1, 30)];
      const places = spaced(signs, width);
      expect(places[0]).toBe(8);
      expect(places.at(-1)!).toBeLessThan(width);
      expect([...places].sort((a, b) => a - b)).toEqual(places);
    }
    const even = spaced([sign(1), sign(1), sign(1), sign(1)], 400);
    expect(even.at(-1)).toBeCloseTo(300, 0);
  });
  it('of nothing there are none', () => expect(spaced([], 100)).toEqual([]));
});
