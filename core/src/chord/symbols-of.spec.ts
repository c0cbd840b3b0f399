import { describe, expect, it } from 'vitest';
import { readShape, symbolsOfShape } from '../left-hand/index.js';
import { STANDARD_TUNING } from '../instrument/index.js';

const symbols = (frets: string, capo = 0) => symbolsOfShape(readShape(frets, ''), { tuning: STANDARD_TUNING, capo });

describe('chord symbols that a shape’s notes bear', () => {
  it.each([
    ['x-0-2-2-1-0', ['Am']],
    // A major chord high up between open strings.
    ['0-x-9-9-9-0', ['E']],
    ['3-2-0-0-0-1', ['G7']],
    // Two names for the same notes: the one over its bass is first.
    ['x-x-0-2-1-1', ['Dm7', 'F6/D']],
    // An inversion by its chord and its bass.
    ['x-3-2-2-1-0', ['Am/C']],
    ['x-3-2-2-1-3', ['C6', 'Am7/C']],
    ['3-x-2-2-1-0', ['C6/G', 'Am7/G']],
    ['x-x-x-x-x-3', []],
    ['x-x-x-x-0-0', []],
  ])('%s', (frets, found) => expect(symbols(frets)).toEqual(found));
  it('with a capo they say what sounds', () => expect(symbols('x-0-2-2-1-0', 2)).toEqual(['Bm']));
});
