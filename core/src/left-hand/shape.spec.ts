import { describe, expect, it } from 'vitest';
import { makeNeck, pitchName, STANDARD_TUNING, touchAt, wireAt } from '../instrument/index.js';
import { soundStroke } from '../right-hand/index.js';
import { readStep } from '../script/index.js';
import type { Motion } from '../stroke/index.js';
import { fret, millimetres } from '../time/index.js';
import {
  bassString,
  checkShape,
  fingersText,
  fretsText,
  OPEN_SHAPE,
  readShape,
  type Shape,
  shapeSpan,
  trebleSet,
} from './index.js';

const shape = (frets: string, fingers = ''): Shape => ({ id: 's', name: 'S', ...readShape(frets, fingers) });
const standard = { tuning: STANDARD_TUNING, capo: 0 };
const sound = (step: string, held: Shape, capo = 0) =>
  soundStroke(readStep(step).step as Motion, held, { ...standard, capo }).map(
    (n) => `${n.finger}${n.string}=${pitchName(n.midi)}`,
  );
const onFive = shape('x-3-2-0-1-0', 'x-3-2-0-1-0');

describe('a shape in text', () => {
  it('is read with its fingers, string 6 first, and written back', () => {
    expect(onFive).toMatchObject({ frets: [null, 3, 2, 0, 1, 0], faults: [] });
    expect(fretsText(onFive)).toBe('x-3-2-0-1-0');
    expect(fingersText(onFive)).toBe('x-3-2-0-1-0');
    expect(readShape('x32010', '').frets).toEqual(onFive.frets);
  });
  it.each([
    ['x-3-2-0-1', '', 'frets'],
    ['x-3-2-0-1-99', '', 'frets[1]'],
    ['x-3-2-0-1-0', 'x-9-2-0-1-0', 'fingers[5]'],
    ['x-3-2-0-1-0', 'x-1-2-0-1-0', 'fingers[2]'],
    ['x-3-2-0-1-0', '3-3-2-0-1-0', 'fingers[6]'],
    ['x-3-2-0-1-0', 'x-2-3-0-1-0', 'fingers'],
    ['x-x-x-x-x-x', '', 'frets'],
    ['0-0-0-1-0-0', '0-0-0-T-0-0', 'fingers[3]'],
    ['1-0-0-0-0-0', '0-0-0-0-0-0', 'fingers[6]'],
  ])('%s with %s is refused at %s', (frets, fingers, path) =>
    expect(readShape(frets, fingers).faults[0]?.path).toBe(path),
  );
  it('a barre is one finger on one fret', () => expect(readShape('1-3-3-2-1-1', '1-3-4-2-1-1').faults).toEqual([]));
  it('needs a name', () => expect(checkShape({ ...OPEN_SHAPE, name: '' })[0]?.path).toBe('name'));
});

describe('bass string and treble set', () => {
  it.each([
    ['x-3-2-0-1-0', 5, [4, 3, 2]],
    ['x-x-0-2-3-2', 4, [3, 2, 1]],
    ['3-2-0-0-0-3', 6, [4, 3, 2]],
    ['5-x-5-5-5-x', 6, [4, 3, 2]],
    ['x-5-x-5-6-7', 5, [3, 2, 1]],
  ])('%s: thumb on %i, fingers on %j', (frets, bass, set) => {
    expect(bassString(shape(frets))).toBe(bass);
    expect(trebleSet(shape(frets))).toEqual(set);
  });
});

describe('strokes under a shape', () => {
  it('b and t follow the shape', () => {
    expect(sound('p:b', onFive)).toEqual(['p5=C3']);
    expect(sound('ima:t', onFive)).toEqual(['i4=E3', 'm3=G3', 'a2=C4']);
    expect(sound('pima:t', shape('x-x-0-2-3-2'))).toEqual(['p4=D3', 'i3=A3', 'm2=D4', 'a1=F♯4']);
    expect(sound('m:t', onFive)).toEqual(['m3=G3']);
  });
  it('without strings fingers play at home and strums take all that sounds', () => {
    expect(sound('p', onFive)).toEqual(['p5=C3']);
    expect(sound('ima', onFive)).toEqual(['i3=G3', 'm2=C4', 'a1=E4']);
    expect(sound('id', onFive)).toEqual(['i5=C3', 'i4=E3', 'i3=G3', 'i2=C4', 'i1=E4']);
    expect(sound('iu', onFive)[0]).toBe('i1=E4');
  });
  it('the capo raises every string', () => expect(sound('p:6', OPEN_SHAPE, 2)).toEqual(['p6=F♯2']));
  it('a numbered string that the shape leaves out sounds open', () => expect(sound('p:6', onFive)).toEqual(['p6=E2']));
  it('taps and slaps have no pitch', () => expect(sound('G', onFive)).toEqual([]));
});

describe('the neck in millimetres', () => {
  const L = millimetres(650);
  it('the twelfth wire halves the string', () => expect(wireAt(fret(12), L)).toBeCloseTo(325));
  it('a finger touches behind its wire, never on it', () => {
    for (let f = 1; f <= 12; f++) {
      expect(touchAt(f, 0, L)).toBeLessThan(wireAt(fret(f), L));
      expect(touchAt(f, 0, L)).toBeGreaterThan(wireAt(fret(f - 1), L));
    }
  });
  it('the same shape is narrower higher up', () => {
    expect(shapeSpan(onFive, makeNeck(L))).toBeGreaterThan(shapeSpan(onFive, makeNeck(L, 5)));
    expect(shapeSpan(OPEN_SHAPE, makeNeck(L))).toBe(0);
  });
});
