import { describe, expect, it } from 'vitest';
import { fingersOver, readShape } from './index.js';

const over = (frets: string, fingers: string, ...stops: readonly (readonly [1 | 2 | 3 | 4 | 5 | 6, number])[]) =>
  fingersOver(
    readShape(frets, fingers),
    stops.map(([string, fret]) => ({ string, fret })),
  );

describe('a finger over a held shape', () => {
  it('is the one that stands there already', () => expect(over('x-3-2-0-1-0', 'x-3-2-0-1-0', [2, 1])).toEqual([1]));
  it('an open string needs none', () => expect(over('x-3-2-0-1-0', 'x-3-2-0-1-0', [1, 0])).toEqual([0]));
  it('is a free one in its place in the hand: 4 for the third fret on string 1 over a held C', () =>
    // 4: a fret out of its place, 2 points. 3: in its place but borrowed, 4 points.
    expect(over('x-3-2-0-1-0', 'x-3-2-0-1-0', [1, 3])).toEqual([4]));
  it('the bass’s own finger goes over to another bass string, where 4 would be free', () =>
    // 3: in its place, goes over, 1 point. 4: a fret out, 2 points.
    expect(over('x-3-2-0-1-0', 'x-3-2-0-1-0', [6, 3])).toEqual([3]));
  it('not where its string is struck next, and the first finger collapses on its own fret', () => {
    const c = readShape('x-3-2-0-1-0', 'x-3-2-0-1-0');
    expect(fingersOver(c, [{ string: 6, fret: 3 }], [5])).toEqual([4]);
    expect(fingersOver(c, [{ string: 6, fret: 3 }], [4, 3, 2])).toEqual([3]);
    // The string that the first finger keeps may well be struck.
    expect(fingersOver(c, [{ string: 1, fret: 1 }], [2])).toEqual([1]);
  });
  it('not while the bass is struck with it', () =>
    expect(over('x-3-2-0-1-0', 'x-3-2-0-1-0', [6, 3], [5, 3])).toEqual([4, 3]));
  it('a finger that is written for one stop is not taken for another', () => {
    const c = readShape('x-3-2-0-1-0', 'x-3-2-0-1-0');
    // 4 would be free, and is written for string 1: string 3 borrows 3, in its place, over 2 and 1.
    const stops = [
      { string: 1, fret: 3, finger: 4 },
      { string: 3, fret: 3 },
    ] as const;
    expect(fingersOver(c, stops)).toEqual([4, 3]);
  });
  it('with all four down the bass’s finger lends itself', () =>
    expect(over('x-3-5-4-5-x', 'x-1-3-2-4-x', [6, 3])).toEqual([1]));
  it('two frets away a free finger is as dear as a borrowed one in its place; the lower finger is taken', () =>
    // Position 1. Second fret on string 1: 2 is borrowed, 4 points; 4 is two frets out, 4 points.
    expect(over('x-3-2-0-1-0', 'x-3-2-0-1-0', [1, 2])).toEqual([2]));
});
