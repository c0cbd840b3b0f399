import { describe, expect, it } from 'vitest';
import { makeCycle } from '../../cycle/index.js';
import { TICKS_PER_COUNT } from '../../time/index.js';
import type { LaidStroke } from './lay.js';
import { writtenTexts } from './write.js';

/** Bars of two counts and a half. */
const HALVES = makeCycle({
  ...{ id: 'h', name: 'Halves', family: 'tango', counts: 5, accents: [[0, 1]], groups: [2.5, 2.5], bars: [2.5, 2.5] },
  ...{ countNote: 'quarter', tempo: [60, 90, 120] },
});
const FOUR = makeCycle({
  ...{ id: 'f', name: 'Four', family: 'tango', counts: 4, accents: [[0, 1]], groups: [4] },
  ...{ countNote: 'quarter', tempo: [60, 90, 120] },
});
const stroke = (from: number, to: number): LaidStroke => ({
  at: from * TICKS_PER_COUNT,
  until: to * TICKS_PER_COUNT,
  notes: [
    {
      ...{ end: to * TICKS_PER_COUNT, midi: 55, string: 3, fret: 0, left: null, right: 'i', marks: [], dir: null },
      ...{ plectrum: null, ligado: false, golpe: '', slap: false, strummed: false },
    },
  ],
});
const written = (cycle: typeof FOUR, counts: number, ...strokes: LaidStroke[]) =>
  writtenTexts({ length: counts * TICKS_PER_COUNT, strokes, chords: [], levels: [], notes: [] }, strokes, cycle, {
    shapes: new Map(),
  });

describe('what is laid, as a script', () => {
  it('takes the steps with the fewest signs, brackets counted', () => {
    expect(written(FOUR, 4, stroke(0, 1), stroke(1, 2), stroke(2, 4))).toMatchObject({
      script: 'i:3 i:3 i:3 -',
      stepsPerCount: 1,
      bars: 1,
    });
    // One bracket is less to read than four counts cut in two.
    expect(written(FOUR, 4, stroke(0, 0.5), stroke(0.5, 4))).toMatchObject({ script: '[i:3 i:3] - - -' });
    const halves = Array.from({ length: 8 }, (_, n) => stroke(n / 2, (n + 1) / 2));
    expect(written(FOUR, 4, ...halves)).toMatchObject({ script: Array(8).fill('i:3').join(' '), stepsPerCount: 2 });
  });
  it('a bar that ends within a count is cut by steps that end with it', () =>
    expect(written(HALVES, 5, stroke(0, 2.5), stroke(2.5, 5))).toMatchObject({
      script: 'i:3 - - - - | i:3 - - - -',
      stepsPerCount: 2,
      bars: 2,
    }));
  it('what is silent is written as silence, from where a note ends', () =>
    expect(written(FOUR, 4, stroke(1, 2))).toMatchObject({ script: '. i:3 . .' }));
});
