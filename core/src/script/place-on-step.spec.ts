import { describe, expect, it } from 'vitest';
import type { StringNumber } from '../time/index.js';
import { placeOnStep, type PlaceChange } from './place-on-step.js';
import { readStep } from './read-step.js';

const fret = (n: number): PlaceChange => ({ kind: 'fret', fret: n });
const placed = (step: string, string: StringNumber, change: PlaceChange) =>
  placeOnStep(readStep(step).step!, string, change);

describe('a string set on a step', () => {
  it('where nothing was, becomes a note whose right finger is worked out', () => {
    expect(placed('.', 2, fret(3))).toBe('?:2f3');
    expect(placed('-', 6, fret(0))).toBe('?:6f0');
    expect(placed('G', 1, fret(12))).toBe('?:1f12');
  });
  it('another fret on a string that is struck keeps who strikes it; the left finger goes with the old fret', () => {
    expect(placed('i:2f1=1', 2, fret(3))).toBe('i:2f3');
    expect(placed('pi:5f0+2f1!', 2, fret(3))).toBe('pi:5f0+2f3!');
    expect(placed('p:5', 5, fret(2))).toBe('p:5f2');
    expect(placed('m', 1, fret(2))).toBe('m:1f2');
  });
  it('a string that joins leaves it open which finger plays which', () => {
    expect(placed('i:2f1', 1, fret(0))).toBe('??:2f1+1f0');
    expect(placed('?:2f1', 6, fret(3))).toBe('??:2f1+6f3');
  });
  it('the left finger is written at the fret that sounds', () => {
    expect(placed('i:2f1', 2, { kind: 'finger', finger: 1, fret: 1 })).toBe('i:2f1=1');
    expect(placed('i:2', 2, { kind: 'finger', finger: 3, fret: 4 })).toBe('i:2f4=3');
    expect(placed('L:2f3', 2, { kind: 'finger', finger: 4, fret: 3 })).toBe('L:2f3=4');
    expect(placed('.', 2, { kind: 'finger', finger: 1, fret: 1 })).toBeNull();
  });
  it('a string taken away leaves the others; the last one leaves silence', () => {
    expect(placed('i:2f1', 2, { kind: 'none' })).toBe('.');
    expect(placed('??:5f0+2f1', 5, { kind: 'none' })).toBe('?:2f1');
    expect(placed('pi:5f0+2f1', 5, { kind: 'none' })).toBe('?:2f1');
    expect(placed('L:2f3', 2, { kind: 'none' })).toBe('.');
    expect(placed('i:2f1', 3, { kind: 'none' })).toBeNull();
  });
  it('a ligado goes to another fret on its own string only', () => {
    expect(placed('L:2f3=4', 2, fret(5))).toBe('L:2f5');
    expect(placed('L:2f3', 1, fret(5))).toBeNull();
  });
  it('strums and the chord’s own strings are left alone', () => {
    for (const step of ['id', 'Pd:3', 'Pw:3', 'ima:t', 'p:b', 'ima']) expect(placed(step, 2, fret(1))).toBeNull();
  });
});
