import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { STANDARD_TUNING, TUNINGS } from '../instrument/index.js';
import { bassString, type Shape, trebleSet } from '../left-hand/index.js';
import { flatten } from '../script/index.js';
import { directionOf } from '../stroke/index.js';
import { anyPattern } from '../testing/arbitrary.js';
import { perString, sixOf } from '../time/index.js';
import { soundStroke } from './index.js';

const anyShape: fc.Arbitrary<Shape> = fc
  .array(fc.option(fc.integer({ min: 0, max: 12 })), { minLength: 6, maxLength: 6 })
  .filter((frets) => frets.some((f) => f !== null))
  .map((frets) => ({ id: 's', name: 'S', frets: sixOf(frets), fingers: perString(() => null) }));

describe('strokes under any shape', () => {
  it('meet each string once, down from thick to thin, up from thin to thick', () => {
    fc.assert(
      fc.property(anyPattern, anyShape, (pattern, shape) => {
        for (const { motion } of flatten(pattern).events) {
          const strings = soundStroke(motion, shape, { tuning: STANDARD_TUNING, capo: 0 }).map((n) => n.string);
          expect(new Set(strings).size).toBe(strings.length);
          const way = directionOf(motion);
          if (way) expect(strings).toEqual([...strings].sort((a, b) => (way === 'd' ? b - a : a - b)));
        }
      }),
    );
  });
  it('the capo raises every note by as many semitones, whatever is played', () => {
    fc.assert(
      fc.property(anyPattern, anyShape, fc.integer({ min: 1, max: 12 }), (pattern, shape, capo) => {
        for (const { motion } of flatten(pattern).events) {
          const open = soundStroke(motion, shape, { tuning: STANDARD_TUNING, capo: 0 });
          const raised = soundStroke(motion, shape, { tuning: STANDARD_TUNING, capo });
          expect(raised.map((n) => n.midi - capo)).toEqual(open.map((n) => n.midi));
        }
      }),
    );
  });
  it('the treble set never holds the bass string nor one that is not sounded', () => {
    fc.assert(
      fc.property(anyShape, (shape) => {
        const bass = bassString(shape);
        for (const s of trebleSet(shape)) {
          expect(s).not.toBe(bass);
          expect(shape.frets[6 - s]).not.toBeNull();
        }
      }),
    );
  });
  it('every tuning has six strings that rise', () => {
    for (const t of TUNINGS) expect([...t.strings].sort((a, b) => a - b)).toEqual(t.strings);
  });
});
