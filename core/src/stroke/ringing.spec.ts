import { describe, expect, it } from 'vitest';
import type { StringNumber } from '../time/index.js';
import { ringingBefore } from './index.js';

const strokes = (text: string) =>
  text.split(' ').map((t) => ({
    strings: [...t].flatMap((c) => (/\d/.test(c) ? [Number(c) as StringNumber] : [])),
    rings: t.endsWith('~'),
  }));
const before = (text: string, loops = false) => ringingBefore(strokes(text), loops).map((s) => [...s].sort().join(''));

describe('what rings before a stroke', () => {
  it('is every string marked to ring and not struck since', () =>
    expect(before('5~ 3 2~ 3 2 1')).toEqual(['', '5', '5', '25', '25', '5']));
  it('a string struck anew without the mark rings no more', () => expect(before('5~ 5 3')).toEqual(['', '5', '']));
  it('several strings ring together', () => expect(before('53~ 1 3 1')).toEqual(['', '35', '35', '5']));
  it('of a pattern that goes round, what its end leaves ringing rings before its beginning', () => {
    expect(before('3 2 5~', true)).toEqual(['5', '5', '5']);
    expect(before('3 2 5~')).toEqual(['', '', '']);
    expect(before('5 2 5~ 5', true)).toEqual(['', '', '', '5']);
  });
  it('without a mark nothing rings, loop or not', () => expect(before('5 3 2', true)).toEqual(['', '', '']));
});
