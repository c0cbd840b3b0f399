import { describe, expect, it } from 'vitest';
import { bassTones } from './index.js';

/** What one walks by, as semitones over the root. */
const scale = (symbol: string): number[] => {
  const { root, scale: notes } = bassTones(symbol)!;
  return [...notes].map((n) => (n - root + 12) % 12).sort((a, b) => a - b);
};

describe('the notes by which one walks under a chord', () => {
  it('a major chord has its high seventh, a dominant its low one', () => {
    expect(scale('C')).toEqual([0, 2, 4, 5, 7, 9, 11]);
    expect(scale('C7')).toEqual([0, 2, 4, 5, 7, 9, 10]);
  });
  it('a flat ninth lowers second and sixth', () => expect(scale('E7(b9)')).toEqual([0, 1, 4, 5, 7, 8, 10]));
  it('a minor chord has its sixth either way', () => expect(scale('Am')).toEqual([0, 2, 3, 5, 7, 8, 9, 10]));
  it('half diminished is not diminished', () => {
    expect(scale('Bm7b5')).toEqual([0, 1, 3, 5, 6, 8, 10]);
    expect(scale('Bdim7')).toEqual([0, 2, 3, 5, 6, 8, 9, 11]);
  });
  it('a chord without a third is walked as a dominant', () => expect(scale('C7sus4')).toEqual([0, 2, 4, 5, 7, 9, 10]));
  it('a slash names the bass, its fifth stays the chord’s; no symbol has none', () => {
    expect(bassTones('C/G')).toMatchObject({ root: 7, fifth: 7 });
    expect(bassTones('Harbour')).toBeNull();
  });
});
