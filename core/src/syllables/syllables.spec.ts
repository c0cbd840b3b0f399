import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cycleById } from '../catalogue/index.js';
import { barBegin, cycleLength } from '../cycle/index.js';
import { ticks, TICKS_PER_COUNT } from '../time/index.js';
import { cutWords, LONGEST_WORDS, printWords, readWords, type Syllable, wordsUntil } from './index.js';

const tangos = cycleById('tangos')!;
const buleria = cycleById('buleria')!;
const read = (text: string, cycle = tangos) =>
  readWords(text, cycle).syllables.map((s) => [s.at / TICKS_PER_COUNT, s.text + (s.goesOn ? '-' : '')]);
const codes = (text: string) => readWords(text, tangos).faults.map((f) => [f.code, text.slice(f.from, f.to)]);

describe('words under the counts', () => {
  it('stand one a count, bar by bar; a full stop is a count without', () => {
    expect(read('la voz | . llama')).toEqual([
      [0, 'la'],
      [1, 'voz'],
      [5, 'llama'],
    ]);
  });
  it('syllables go on into the next; several words stand on one count in quotation marks', () => {
    expect(read('ju- ro "y va"')).toEqual([
      [0, 'ju-'],
      [1, 'ro'],
      [2, 'y va'],
    ]);
  });
  it('with counts of their own, halves and thirds too', () => {
    expect(read('ay:2 te:1/2 vi:1/2')).toEqual([
      [0, 'ay'],
      [2, 'te'],
      [2.5, 'vi'],
    ]);
  });
  it('bars come again with % and brackets; a bar of nothing is written by a full stop', () => {
    expect(read('hey | % | .').map(([at]) => at)).toEqual([0, 4]);
    expect(readWords('hey | % | .', tangos).length).toBe(3 * cycleLength(tangos));
    expect(read('{uno dos}x2').map(([at]) => at)).toEqual([0, 1, 2, 3]);
  });
  it('come round as script and chart do', () => {
    expect(wordsUntil('hey | .', tangos, 4 * cycleLength(tangos)).map((s) => s.at / TICKS_PER_COUNT)).toEqual([0, 8]);
    expect(wordsUntil('', tangos, cycleLength(tangos))).toEqual([]);
  });
  it('faults say where: more words than counts, nothing before, what is no number, what is never closed', () => {
    expect(codes('a b c d e')).toEqual([['more words than counts', 'a b c d e']]);
    expect(codes('% | a')).toEqual([['no words before', '%']]);
    expect(codes('a % b')).toEqual([['no words before', '%']]);
    expect(codes('a:x')).toEqual([['counts wanted', 'a:x']]);
    expect(codes('{a b')).toEqual([['never closed', '{']]);
    expect(readWords('a '.repeat(LONGEST_WORDS), tangos).faults).toMatchObject([{ code: 'words too long' }]);
  });
  it('what is beyond the bar does not run into the next', () =>
    expect(read('a b c d e | f').map(([at]) => at)).toEqual([0, 1, 2, 3, 4]));
  it('a stretch of them stands on its own, counted from its turn’s beginning', () => {
    const bar = cycleLength(tangos);
    expect(cutWords('uno | dos | tres', tangos, bar, 3 * bar)).toBe('dos | tres');
    expect(cutWords('uno . tres', tangos, 2 * TICKS_PER_COUNT, bar, 2 * TICKS_PER_COUNT)).toBe('tres');
    expect(cutWords('uno | .', tangos, bar, 2 * bar)).toBe('');
  });
});

describe('words as they are written', () => {
  it('are again where a bar says the same, and silent bars stay silent', () => {
    const hey = (count: number) => ({ at: ticks(count * TICKS_PER_COUNT), text: 'hey', goesOn: false });
    expect(printWords([hey(0), hey(4)], tangos, 4 * cycleLength(tangos))).toBe('hey | % | . | .');
    expect(printWords([], tangos, cycleLength(tangos))).toBe('');
  });
  const word = fc.record({
    count: fc.integer({ min: 0, max: 47 }),
    part: fc.constantFrom(0, 1 / 2, 1 / 3, 1 / 4, 3 / 4, 1 / 5),
    text: fc.stringMatching(/^[a-zé|"%.:-]{1,6}( [a-z"]{1,3})?$/),
    goesOn: fc.boolean(),
  });
  const syllables = (words: readonly { count: number; part: number; text: string; goesOn: boolean }[]): Syllable[] =>
    [...new Map(words.map((w) => [w.count + w.part, w])).values()]
      .map((w) => ({ at: ticks(Math.round((w.count + w.part) * TICKS_PER_COUNT)), text: w.text, goesOn: w.goesOn }))
      .sort((a, b) => a.at - b.at);
  it('read back they are the same, wherever they stand', () =>
    fc.assert(
      fc.property(fc.array(word, { minLength: 1, maxLength: 30 }), fc.constantFrom(tangos, buleria), (words, cycle) => {
        // A hyphen at a word’s end says that it goes on.
        const own = syllables(words).filter((s) => !s.text.endsWith('-'));
        const text = printWords(own, cycle, barBegin(cycle, 48 / (cycleLength(cycle) / TICKS_PER_COUNT)));
        const back = readWords(text, cycle);
        expect(back.faults).toEqual([]);
        expect(back.syllables).toEqual(own);
      }),
    ));
});
