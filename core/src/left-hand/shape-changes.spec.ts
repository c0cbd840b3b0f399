import { describe, expect, it } from 'vitest';
import { makeNeck, touchPoint } from '../instrument/index.js';
import { DEFAULT_PROFILE, leftHandOf } from '../player/index.js';
import { millimetres } from '../time/index.js';
import { sayChange, sayFinger } from '../words/index.js';
import { changeBetween, changePoints, readShape, type Shape, type StrokeNear } from './index.js';
import { moveMs } from '../player/index.js';

const neck = makeNeck(millimetres(650));
const shape = (frets: string, fingers: string): Shape => {
  const read = readShape(frets, fingers);
  expect(read.faults).toEqual([]);
  return { id: frets, name: frets, frets: read.frets, fingers: read.fingers };
};
const C = shape('x-3-2-0-1-0', 'x-3-2-0-1-0');
const AM = shape('x-0-2-2-1-0', 'x-0-2-3-1-0');
const change = (from: Shape, to: Shape, strokes: readonly StrokeNear[] = []) =>
  changeBetween({ from, to, neck, profile: DEFAULT_PROFILE, strokes });
const actions = (c: ReturnType<typeof change>) => c.fingers.slice(0, 4).map((f) => f.action);

describe('between two shapes', () => {
  it('two that share two fingers report two that stay; one really moves', () => {
    const c = change(C, AM);
    expect(actions(c)).toEqual(['stays', 'stays', 'swaps', 'idle']);
    expect(c.moving).toBe(1);
    expect(sayChange(c).join(' ')).toMatch(/1 and 2 stay\. 1 finger really moves\./);
    expect(sayFinger(c.fingers[2]!)).toMatch(/^Finger 3 goes over to string 3 fret 2, \d+ mm$/);
  });
  it('the same finger on the same string two frets up is a guide, and on string 4 it squeaks', () => {
    const low = shape('x-x-2-0-0-0', 'x-x-2-0-0-0');
    const c = change(low, shape('x-x-4-0-0-0', 'x-x-2-0-0-0'));
    expect(c.fingers[1]).toMatchObject({ action: 'guides' });
    expect(c.moving).toBe(0);
    expect(c.squeaks).toEqual([4]);
    expect(sayChange(c).join(' ')).toMatch(/Lighten on string 4/);
    const high = change(shape('x-x-x-2-0-0', 'x-x-x-2-0-0'), shape('x-x-x-4-0-0', 'x-x-x-2-0-0'));
    expect(high.squeaks).toEqual([]);
  });
  it('a diminished seventh moved three frets keeps its shape, and all four fingers guide', () => {
    const c = change(shape('x-x-1-2-1-2', 'x-x-1-3-2-4'), shape('x-x-4-5-4-5', 'x-x-1-3-2-4'));
    expect(actions(c)).toEqual(['guides', 'guides', 'guides', 'guides']);
    expect(c.moving).toBe(0);
    // Frets grow narrower: the way is shorter than three first frets, longer than three sixth ones.
    expect(c.fingers[0]!.mm).toBeGreaterThan(80);
    expect(c.fingers[0]!.mm).toBeLessThan(110);
  });
  it('a finger comes down, one goes up', () => {
    const c = change(shape('0-2-2-0-0-0', '0-2-3-0-0-0'), shape('0-2-2-1-0-0', '0-2-3-1-0-0'));
    expect(actions(c)).toEqual(['lands', 'stays', 'stays', 'idle']);
    expect(actions(change(AM, shape('x-0-2-0-1-0', 'x-0-2-0-1-0')))).toEqual(['stays', 'stays', 'lifts', 'idle']);
  });
  it('the first finger that opens from one string to several is a hinge', () => {
    const c = change(shape('x-x-3-2-1-x', 'x-x-3-2-1-x'), shape('x-x-3-2-1-1', 'x-x-3-2-1-1'));
    expect(c.hinge).toBe(true);
    expect(change(C, AM).hinge).toBe(false);
  });
});

describe('how hard a change is, in points', () => {
  const points = (from: Shape, to: Shape) => changePoints(from, to, neck);
  /** Where a finger touches, in mm from the nut. */
  const touch = (fret: number) => touchPoint(1, fret, neck).x;
  it('nothing where nothing moves', () => expect(points(C, C)).toBe(0));
  it('a finger that goes over: 10, and 2 for each centimetre', () => {
    const c = change(C, AM);
    expect(points(C, AM)).toBe(Math.round(10 + (2 * c.fingers[2]!.mm) / 10));
    expect(c.difficulty).toBe(points(C, AM));
  });
  it('a finger that slides: 3, and the arm’s way once, however many fingers it carries', () => {
    const from = shape('x-x-1-2-1-2', 'x-x-1-3-2-4');
    const to = shape('x-x-4-5-4-5', 'x-x-1-3-2-4');
    // The arm goes as far as the two fingers on the higher fret, where frets are narrower; the others go on a little.
    const arm = touch(5) - touch(2);
    const more = Math.round(touch(4) - touch(1) - arm);
    expect(more).toBeGreaterThan(0);
    expect(points(from, to)).toBe(Math.round(4 * 3 + (2 * (Math.round(arm) + 2 * more)) / 10));
  });
  it('a barre that comes down: 12 more; one that slides lies already', () => {
    const one = shape('x-x-x-x-1-0', 'x-x-x-x-1-0');
    const two = shape('x-x-x-x-1-1', 'x-x-x-x-1-1');
    const open = shape('x-x-x-x-0-0', 'x-x-x-x-0-0');
    // Both land from the air over their own fret: 10 for the finger, 12 mm of hover.
    expect(points(open, one)).toBe(Math.round(10 + 2.4));
    expect(points(open, two)).toBe(Math.round(10 + 2.4 + 12));
    const up = shape('x-x-x-x-3-3', 'x-x-x-x-1-1');
    expect(points(two, up)).toBe(Math.round(3 + (2 * Math.round(touch(3) - touch(1))) / 10));
    // Each barre for itself.
    const both = shape('x-x-3-3-1-1', 'x-x-3-3-1-1');
    expect(points(shape('x-x-3-0-1-0', 'x-x-3-0-1-0'), both)).toBe(0);
    expect(points(shape('x-x-0-0-0-0', 'x-x-0-0-0-0'), both)).toBe(Math.round(2 * (10 + 2.4 + 12)));
    // Opening over another string on its fret is a hinge.
    expect(points(one, two)).toBe(0);
    // Slid to another fret and opened there, it must come down.
    expect(points(one, up)).toBe(Math.round(3 + 12 + (2 * Math.round(touch(3) - touch(1))) / 10));
  });
});

describe('time for a change', () => {
  const strokes: StrokeNear[] = [
    { ms: -400, strings: [5] },
    { ms: -200, strings: [2] },
    { ms: 0, strings: [5] },
    { ms: 150, strings: [4] },
    { ms: 300, strings: [3] },
  ];
  it('runs from the last stroke on what a finger held to the first on what it will hold', () => {
    const c = change(C, AM, strokes);
    // Finger 3 leaves string 5 after its last stroke and is wanted on string 3.
    expect(c.fingers[2]).toMatchObject({ thereMs: 700 });
    expect(c.sequential).toMatchObject({ finger: 3, thereMs: 700 });
  });
  it('fingers land in the order in which their strings are struck; all at once has the first stroke’s time', () => {
    const open = shape('x-0-0-0-0-0', 'x-0-0-0-0-0');
    const c = change(open, shape('x-3-2-0-1-0', 'x-3-2-0-1-0'), strokes);
    const order = [...c.fingers].filter((f) => f.order !== null).sort((a, b) => a.order! - b.order!);
    expect(order.map((f) => f.finger)).toEqual([3, 2]);
    expect(c.block.thereMs).toBe(200);
    expect(c.block.neededMs).toBe(Math.max(...c.fingers.map((f) => f.neededMs)));
  });
  it('says when there is no room, with both figures', () => {
    const far = change(shape('x-x-x-1-x-x', 'x-x-x-1-x-x'), shape('x-x-x-x-9-x', 'x-x-x-x-1-x'), [
      { ms: -40, strings: [3] },
      { ms: 0, strings: [2] },
    ]);
    expect(sayChange(far).join(' ')).toMatch(/No room: finger 1 has 40 ms, needs about \d+\./);
    expect(far.difficulty).toBeGreaterThan(change(C, AM, strokes).difficulty);
  });
  it('a move takes longer the further it goes and the narrower its fret, by the logarithm of their ratio', () => {
    const left = leftHandOf(DEFAULT_PROFILE);
    const { start, perBit } = left.move;
    expect(moveMs(0, 30, left)).toBe(0);
    expect(moveMs(60, 30, left)).toBeCloseTo(start + 2 * perBit);
    expect(moveMs(120, 30, left) - moveMs(60, 30, left)).toBeCloseTo(perBit);
    expect(moveMs(60, 15, left)).toBeGreaterThan(moveMs(60, 30, left));
  });
});
