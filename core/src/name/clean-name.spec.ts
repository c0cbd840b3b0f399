import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { quoted } from '../fault/index.js';
import { cleanName, LONGEST_NAME } from './index.js';

describe('names', () => {
  it('keep what a player typed, in any script', () => {
    for (const name of ['Soleá por bulería', '夜の港', 'שיר', '🎸', 'A · 2'] as const)
      expect(cleanName(name)).toBe(name);
  });
  it('lose marks that turn the text beside them, control letters and white space at the ends', () => {
    expect(cleanName('  Lantern \u202Estair\u2069 ')).toBe('Lantern stair');
    expect(cleanName('Salt\n\tRope\u0000')).toBe('Salt Rope');
  });
  it('of letters that show nothing are no names', () => {
    for (const name of ['', ' ', '\u200B\u200D', '\u3164', '\u2800\u2800', '\u0301', '\uFEFF', '\uD800'])
      expect(cleanName(name)).toBe('');
  });
  it('end on a letter and never in the middle of one', () => {
    expect(cleanName(`${'x'.repeat(59)} y`)).toBe('x'.repeat(59));
    expect(cleanName('🎸'.repeat(40))).toBe('🎸'.repeat(30));
  });
  it('cleaned once are clean', () =>
    fc.assert(
      fc.property(fc.string({ unit: 'binary', maxLength: 90 }), (text) => {
        const clean = cleanName(text);
        expect(clean.length).toBeLessThanOrEqual(LONGEST_NAME);
        expect(cleanName(clean)).toBe(clean);
      }),
    ));
});
it('a fault repeats a few letters, never the whole text', () => {
  expect(quoted('zz')).toBe('“zz”');
  expect(quoted('z'.repeat(20_000))).toBe(`“${'z'.repeat(15)}…”`);
});
