import { cycleById, CYCLES, cycleLength, layOnCycle, parseScript, TICKS_PER_COUNT } from '@ruffle-wheel/core';
import { at, foldCount, lift, RADIUS, ruffle, stitchScale } from './geometry';
import { stitchesOf } from './stitches';

const buleria = cycleById('buleria')!;

describe('ruffle rim', () => {
  it('stands out furthest where the accent is heaviest', () => {
    const on = (count: number) => lift(buleria, count / 12);
    expect(on(0)).toBeGreaterThan(on(8));
    expect(on(8)).toBeGreaterThan(on(1));
  });
  it('lies down between accents, also where a turn has few counts', () => {
    const tango = cycleById('three-three-two')!;
    const rest = lift(tango, 0.2);
    expect([0.1, 0.3, 0.45, 0.55, 0.65, 0.85].map((s) => lift(tango, s) < rest * 1.1)).toEqual(Array(6).fill(true));
    expect([0, 0.375, 0.75].map((s) => lift(tango, s) > rest * 2)).toEqual([true, true, true]);
  });
  it('an accent by the seam lifts both sides of it', () =>
    expect(lift(buleria, 0.999)).toBeGreaterThan(lift(buleria, 0.92)));
  it('has whole folds to every count of every cycle', () => {
    for (const c of CYCLES) expect(foldCount(c) % c.counts).toBe(0);
  });
  it('never reaches the count labels', () => {
    for (const c of CYCLES) {
      const numbers = ruffle(c, 0)
        .match(/-?\d+(\.\d+)?/g)!
        .map(Number);
      for (let n = 0; n + 1 < numbers.length; n += 2)
        expect(Math.hypot(numbers[n]!, numbers[n + 1]!)).toBeLessThan(RADIUS.label);
    }
  });
});

describe('stitches', () => {
  const stitches = (script: string) => {
    const { strokes } = layOnCycle(parseScript(script, { stepsPerCount: 2 }).pattern, buleria);
    return stitchesOf(
      strokes.filter((s) => s.turn === 0),
      buleria,
      24,
    );
  };
  it('stand at their place in the turn, twelve at the top, three at the right', () => {
    const [first] = stitches('i {.}x23');
    expect(first?.place.x).toBeCloseTo(0);
    expect(first?.place.y).toBeCloseTo(-RADIUS.fingers);
    expect(at((3 * TICKS_PER_COUNT) / cycleLength(buleria), 100).x).toBeCloseTo(100);
  });
  it('thumb and fingers together have one stitch in each lane', () =>
    expect(stitches('pima:t {.}x23').map((s) => [s.lane, s.letter])).toEqual([
      ['fingers', 'ima'],
      ['thumb', 'p'],
    ]));
  it('tell down, up, pluck, ghost, golpe and slap apart by shape, not by colour alone', () =>
    expect(new Set(stitches('id iu i (d) G S {.}x18').map((s) => s.path)).size).toBe(6));
  it('have the signs of their marks beside them, once where a stroke has two', () => {
    const signs = (script: string) => stitches(`${script} {.}x23`).map((s) => s.signs.map((b) => b.sign).join(' '));
    expect(signs("ix'")).toEqual(['dot cross']);
    expect(signs('idx')).toEqual(['cross']);
    expect(signs('pi:53*')).toEqual(['knock', '']);
    expect(signs('p:5_')).toEqual(['lean']);
    expect(signs('im:3%+2~')).toEqual(['wave palm']);
    // A soft one is paler.
    expect(signs('i!')).toEqual(['edge']);
    expect(signs('i,')).toEqual(['']);
    const [a, b] = stitches("ix' {.}x23")[0]!.signs;
    expect([a!.x, b!.x]).toEqual([-5, 5]);
  });
  it('are marked on accents', () => expect(stitches('i i {.}x22').map((s) => s.accented)).toEqual([true, false]));
  it('shrink when there are many', () =>
    expect(stitchScale(192, RADIUS.fingers)).toBeLessThan(stitchScale(24, RADIUS.fingers)));
});
