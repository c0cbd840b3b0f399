import { describe, expect, it } from 'vitest';
import { readLine, voicesOf } from './index.js';

/** Voices of a line by strings: t the thumb's, f the fingers', - of both. */
const voices = (text: string) =>
  voicesOf(readLine(text, 2).notes)
    .map((v) => (v === undefined ? '-' : v[0]))
    .join('');

describe('whose the notes of a written line are', () => {
  it('strings 6 to 4 of an arpeggio are the thumb’s', () => {
    expect(voices('5321 4321')).toBe('tffftfff');
    expect(voices('654321')).toBe('tttfff');
    expect(voices('4323')).toBe('tfff');
  });
  it('three string changes in four make it one, fewer do not', () => {
    expect(voices('51221')).toBe('tffff');
    expect(voices('5112')).toBe('t---');
  });
  it('all on 6 to 4 under a melody is the thumb’s: where a bass rings, or begins with it', () => {
    expect(voices('5~1122 6112')).toBe('tfffftfff');
    expect(voices('[61]1122 51112')).toBe('-fffftffff');
    // A chord of the thin strings is no bass, nor does a thin string that rings make one.
    expect(voices('[32]44332')).toBe('------');
    expect(voices('1~44332')).toBe('------');
  });
  it('a run that goes through the thick strings string by string is the fingers’, if it comes easier', () => {
    expect(voices('5~111222333444333')).toBe('tfffffffff---fff');
    expect(voices('44433344')).toBe('--------');
  });
  it('what leaps down to them is the thumb’s', () => {
    expect(voices('5 111 222 6 222')).toBe('t------t---');
    expect(voices('4 333')).toBe('----');
    expect(voices('5 333 4 222')).toBe('t-------');
  });
  it('a note alone may be either’s', () => expect(voices('5')).toBe('-'));
});
