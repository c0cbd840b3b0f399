import { describe, expect, it } from 'vitest';
import { readChord, transposeChord } from './index.js';

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

describe('chord symbols as players write them', () => {
  it.each([
    ['Lam', 'Am'],
    ['Fadd9', 'Fadd9'],
    ['Faug', 'Faug'],
    ['Fam', 'Fm'],
    ['Sol7', 'G7'],
    ['Fa', 'F'],
    ['Mi', 'E'],
    ['Si♭', 'Bb'],
    ['Dom', 'Cm'],
    ['Fa#m7', 'F#m7'],
    ['Re', 'D'],
    ['E7(b9)', 'E7b9'],
    ['D7(9)', 'D9'],
    ['Dm(maj7)', 'DmM7'],
    ['C7M', 'Cmaj7'],
    ['Cm7M', 'CmM7'],
    ['A7/4', 'A7sus4'],
    ['E7(#9)', 'E7#9'],
    ['Bm7(b5)', 'Bm7b5'],
    ['B°', 'Bdim'],
    ['Bº7', 'Bdim7'],
    ['C6/9', 'C69'],
    ['A-7', 'Am7'],
    ['Amin7', 'Am7'],
    ['F#ø', 'F#m7b5'],
    ['Esus', 'Esus4'],
    ['C+', 'Caug'],
    ['am7', 'Am7'],
    ['G7 (b9)', 'G7b9'],
    ['A7[b9]', 'A7b9'],
  ])('%s has the tones of %s', (written, same) => {
    const [a, b] = [readChord(written), readChord(same)];
    const classes = (r: typeof a) => (r.ok ? r.chord.tones.map((t) => t.pitchClass).sort((x, y) => x - y) : r.refusal);
    expect(a.ok).toBe(true);
    expect(classes(a)).toEqual(classes(b));
  });
  it.each([
    ['E(b9)', 4, '1P 3M 5P 9m'],
    ['F(#11)', 5, '1P 3M 5P 11A'],
    ['F(9)', 5, '1P 3M 5P 9M'],
    ['A7(13)', 9, '1P 3M 5P 7m 13M'],
    ['G7/13', 7, '1P 3M 5P 7m 13M'],
    ['Cadd4', 0, '1P 3M 5P 4P'],
    ['D7add11', 2, '1P 3M 5P 7m 11P'],
    ['E7(b9,b13)', 4, '1P 3M 5P 7m 9m 13m'],
    ['Eb9', 3, '1P 3M 5P 7m 9M'],
  ])('%s: a bracket never melts into the root, and adds what it says', (written, root, wanted) => {
    const read = readChord(written);
    expect(read).toMatchObject({ ok: true, chord: { root } });
    expect(tones(written)).toBe(wanted);
  });
  it.each([
    ['Lam/Sol', 9, 7],
    ['C/Sol', 0, 7],
    ['G7(b9)/B', 7, 11],
    ['D/F#', 2, 6],
  ])('%s has its bass', (written, root, bass) =>
    expect(readChord(written)).toMatchObject({ ok: true, chord: { root, bass } }),
  );
  it('what has two readings is refused with both', () => {
    expect(readChord('C2')).toMatchObject({ ok: false, near: ['Csus2', 'Cadd9'] });
    expect(readChord('E4')).toMatchObject({ ok: false, near: ['Esus4', 'Eadd4'] });
    expect(readChord('G7+')).toMatchObject({ ok: false, near: ['Gmaj7', 'G7#5'] });
  });
  it('several chords written as one are told apart', () => {
    expect(readChord('Am-G-F-E')).toMatchObject({ ok: false, near: ['Am G F E'] });
    expect(readChord('Am,')).toMatchObject({ ok: false, near: ['Am'] });
    expect(readChord('Lam-Sol-Fa-Mi')).toMatchObject({ ok: false, near: ['Lam Sol Fa Mi'] });
    expect(readChord('A-7').ok).toBe(true);
  });
  it('another key takes solfège and basses along', () => {
    expect(transposeChord('Sol7/Si', 2)).toBe('A7/C#');
    expect(transposeChord('Am7', -2)).toBe('Gm7');
  });
});
