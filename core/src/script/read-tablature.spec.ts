import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { TICKS_PER_COUNT } from '../time/index.js';
import { sayFact } from '../words/index.js';
import { flatten, parseScript, readTablature } from './index.js';

const FOUR = 4 * TICKS_PER_COUNT;
const read = (text: string, bar = FOUR, steps = 2) => {
  const found = readTablature(text, bar, steps);
  if ('refusal' in found) throw new Error(sayFact(found.refusal));
  return found;
};
const refusal = (text: string, steps = 2) => {
  const found = readTablature(text, FOUR, steps);
  return 'refusal' in found ? sayFact(found.refusal) : '';
};
/** Six lines with some of them written; the others are empty and as long. */
const tab = (lines: Partial<Record<1 | 2 | 3 | 4 | 5 | 6, string>>, below = ''): string => {
  const length = Math.max(...Object.values(lines).map((l) => l.length));
  const barLines = new Set(Object.values(lines).flatMap((l) => [...l].flatMap((c, n) => (c === '|' ? [n] : []))));
  const whole = (l: string) => [...l.padEnd(length, '-')].map((c, n) => (barLines.has(n) ? '|' : c)).join('');
  const all = ([1, 2, 3, 4, 5, 6] as const).map((s) => `${'eBGDAE'[s - 1]}|${whole(lines[s] ?? '')}|`);
  return [...all, below].join('\n');
};

describe('tablature in plain text', () => {
  it('becomes a script with strings and frets, fingers to be worked out, letters where they stand', () => {
    const text = tab(
      { 1: '-----0-------0-', 2: '---1-------1---', 3: '-0-------0-----', 5: '-3-------2-----' },
      '   p i m         a',
    );
    expect(read(text)).toEqual({
      script: '??:5f3+3f0 i:2f1 m:1f0 - ??:5f2+3f0 ?:2f1 ?:1f0 -',
      bars: 1,
      notes: 8,
      moved: 0,
      lost: 0,
      unread: [],
      chords: [],
    });
    expect(read(tab({ 5: '-3-------' }, '   p')).script).toMatch(/^p:5f3 /);
  });
  it('bars and systems follow one another; what stands between them is passed over', () => {
    const two = `Verse\n${tab({ 1: '-0---0---0---0-|-2-------2-----' })}\n\nthen\n${tab({ 6: '-3-------------' })}`;
    const found = read(two);
    expect(found.bars).toBe(3);
    expect(found.script).toBe('?:1f0 - ?:1f0 - ?:1f0 - ?:1f0 - | ?:1f2 - - - ?:1f2 - - - | ?:6f3 - - - - - - -');
  });
  it('chords above stand on the count that they are nearest to, over a bar line on the first of its bar', () => {
    const bars = tab({ 1: '-0---0---0---0--|-2-------2------' });
    const chords = (above: string) =>
      read(`${above}\n${bars}`).chords.map((c) => `${c.at / TICKS_PER_COUNT} ${c.name}`);
    expect(chords('  Am      E7       F')).toEqual(['0 Am', '2 E7', '4 F']);
    expect(chords('  Am      E7      F')).toEqual(['0 Am', '2 E7', '4 F']);
    // Of two on one count the later one stands there.
    expect(chords('  Am Dm  E7')).toEqual(['0 Am', '1 Dm', '2 E7']);
    expect(chords('  A D  E')).toEqual(['0 D', '1 E']);
    // Counts between them and the strings, and letters of the right hand, are no chords.
    expect(chords('  Dm7 G7\n  1   2   3   4')).toEqual(['0 Dm7', '1 G7']);
    expect(chords('  a   m   i   a')).toEqual([]);
    expect(chords('  Am   slowly')).toEqual([]);
  });
  it('frets of two digits that end together with others of one begin together', () => {
    expect(read(tab({ 1: '-10-------10-----', 2: '--8--------9-----' })).script).toMatch(
      /^\?\?:2f8\+1f10 - - - \?\?:2f9\+1f10 /,
    );
    // Where some of one digit begin there they are meant.
    expect(read(tab({ 1: '-10-----', 2: '-8------', 3: '--7-----' }), FOUR, 2).script).toMatch(
      /^\?\?:2f8\+1f10 \?:3f7 /,
    );
  });
  it('lines without names, and spaces before them', () => {
    const bare = ['|-0---|', '|-----|', '|-----|', '|-----|', '|-----|', '|-----|'].map((l) => `   ${l}`).join('\n');
    expect(read(bare).notes).toBe(1);
  });
  it('slurs are the left hand’s alone, dead notes lie on the strings, two digits are one fret', () => {
    expect(read(tab({ 2: '-1h3-3p1-12/14-x-' }), FOUR, 2).script).toMatch(
      /^\?:2f1 L:2f3 \?:2f3 L:2f1 \?:2f12 - L:2f14 \?:2f0x$/,
    );
    expect(read(tab({ 2: '-x---' })).script).toMatch(/^\?:2f0x /);
    expect(read(tab({ 2: '-1*--' })).unread).toEqual(['*']);
    // Two on one string in one step follow one another; what finds none is counted.
    expect(read(tab({ 2: '------------12-1' }), FOUR, 1)).toMatchObject({ notes: 2, lost: 1 });
  });
  it('a note off the steps goes on the nearest, and is counted', () => {
    expect(read(tab({ 1: '-0-0-0---' }), 2 * TICKS_PER_COUNT, 1)).toMatchObject({ notes: 3 });
    expect(read(tab({ 1: '-0--0--0--' }), FOUR, 1).moved).toBeGreaterThan(0);
  });
  it('what can’t be read says why', () => {
    expect(refusal('p i m a')).toMatch(/no six lines/);
    expect(refusal(tab({ 1: '-----' }))).toMatch(/No fret stands/);
    expect(refusal(tab({ 1: '-0-24-' }))).toMatch(/String 1 fret 24 lies beyond the neck; 19/);
    expect(refusal(tab({ 1: '-0---' }), 11)).toMatch(/Take other steps/);
    expect(refusal('x'.repeat(70_000))).toMatch(/letters are too many/);
  });
  it('whatever is typed, the script has no fault and fills its bars', () => {
    const line = fc.string({
      unit: fc.constantFrom('-', '-', '-', '0', '2', '1', 'h', 'p', 'x', '|', '/', '*', ' '),
      minLength: 3,
      maxLength: 30,
    });
    fc.assert(
      fc.property(fc.tuple(line, line, line, line, line, line), (lines) => {
        const found = readTablature(lines.map((l, n) => `${'eBGDAE'[n]}|--${l}--|`).join('\n'), FOUR, 2);
        if ('refusal' in found) return;
        const { pattern, faults } = parseScript(found.script, { stepsPerCount: 2 });
        expect(faults).toEqual([]);
        expect(flatten(pattern).length).toBe(found.bars * FOUR);
      }),
      { numRuns: 300 },
    );
  });
});
