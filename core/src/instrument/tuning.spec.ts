import { describe, expect, it } from 'vitest';
import { pitchName, pitchOf, readTuning, STANDARD_TUNING, TUNINGS, tuningText, tuningWarnings } from './index.js';
import { sayFact } from '../words/en/refused/facts.js';

const read = (text: string) => readTuning(text);

describe('a tuning in text', () => {
  it('names six strings from 6 to 1; without octaves each is nearest to its usual pitch', () => {
    expect(read('E2 A2 D3 G3 B3 E4').tuning).toEqual(STANDARD_TUNING);
    expect(read('D A D G B E').tuning).toEqual([38, 45, 50, 55, 59, 64]);
    expect(read('d a d f# a d').tuning).toEqual([38, 45, 50, 54, 57, 62]);
    expect(read('C♯2, A2, D3, G3, B♭3, E♭4').tuning).toEqual([37, 45, 50, 55, 58, 63]);
  });
  it('every shipped tuning is read back from its own text', () => {
    for (const t of TUNINGS) expect(read(tuningText(t.strings)).tuning).toEqual(t.strings);
  });
  it.each([
    ['E A D G B', /names six strings.*this names 5/],
    ['E A D H B E', /^String 3: “H” is no note/],
    ['E A D G B E9', /^String 1: E9 is no pitch for a guitar string/],
    ['', /this names 0/],
  ])('what is none says why: %s', (text, why) => expect(sayFact(read(text).faults![0]!)).toMatch(why));
});

describe('strings that break', () => {
  it('are warned of, with what they bear; slack ones rattle; shipped tunings are fine', () => {
    expect(tuningWarnings([40, 45, 50, 55, 59, 68]).map(sayFact)).toEqual([
      'String 1 may break: A♭4 is 4 semitones over its usual E4. Tune it to F♯4 at most, or put a thinner string on.',
    ]);
    expect(sayFact(tuningWarnings([33, 45, 50, 55, 59, 64])[0]!)).toMatch(
      /^String 6 hangs slack: A1 is 7 semitones under/,
    );
    for (const t of TUNINGS) expect(tuningWarnings(t.strings)).toEqual([]);
  });
});

describe('note names', () => {
  it('a sharp B is in the octave above, a flat C in the one below', () => {
    expect(pitchOf('B#3')).toBe(60);
    expect(pitchOf('cb4')).toBe(59);
    expect(pitchName(pitchOf('F♯2')!)).toBe('F♯2');
    expect(pitchOf('H2')).toBeNull();
  });
});
