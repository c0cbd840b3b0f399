import { describe, expect, it } from 'vitest';
import { readChord } from './index.js';

const tones = (symbol: string) => {
  const read = readChord(symbol);
  return read.ok ? read.chord.tones.map((t) => t.interval).join(' ') : read.refusal.code;
};

describe('symbols that the chord library did not read before', () => {
  it('an eleventh over a major seventh', () => expect(tones('Cmaj11')).toBe('1P 3M 5P 7M 9M 11P'));
  it('a minor chord with a major seventh, written with a dash', () => expect(tones('C-maj7')).toBe('1P 3m 5P 7M'));
  it('their bass after a slash', () =>
    expect(readChord('Bb-maj7/F')).toMatchObject({ ok: true, chord: { root: 10, bass: 5 } }));
});
describe('symbols that it always read', () => {
  it.each([
    ['Am7', '1P 3m 5P 7m'],
    ['E7(b9)', '1P 3M 5P 7m 9m'],
    ['Bm7b5', '1P 3m 5d 7m'],
    ['D69', '1P 3M 5P 6M 9M'],
    ['Gsus4', '1P 4P 5P'],
  ])('%s', (symbol, wanted) => expect(tones(symbol)).toBe(wanted));
});
