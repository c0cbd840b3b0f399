import { describe, expect, it } from 'vitest';
import { cycleById } from '../catalogue/index.js';
import { makeSection } from '../piece/index.js';
import { flatten, parseScript, printScript } from '../script/index.js';
import { drilledChart } from './drilled-chart.js';
import type { Variant } from './index.js';
import { vary } from './index.js';
import { sourceSlots } from './source-slots.js';

const read = (text: string) => parseScript(text, { stepsPerCount: 2 }).pattern;
const from = (text: string, variant: Variant) => sourceSlots(read(text), variant);
const EIGHT = 'p i m a p i m a';

describe('where the strokes of a drill come from', () => {
  it('a start on another step counts on into the next pass', () =>
    expect(from('p i m a', { kind: 'rotation', start: 1 })).toEqual([1, 2, 3, 4]));
  it('a group counts with all of its steps', () =>
    expect(from('[p i m]:2 a', { kind: 'rotation', start: 1 })).toEqual([3, 4, 5, 6]));
  it('long and short hold the long one', () => {
    expect(from('p i', { kind: 'rhythm', shape: 'long-short' })).toEqual([0, 0, 0, 1]);
    expect(from('p i m', { kind: 'rhythm', shape: 'short-long' })).toEqual([0, 1, 1, 1, 2, 3, 3, 3, 4, 5, 5, 5]);
  });
  it('a burst is its stretch, its landing, and a rest as long', () =>
    expect(from(EIGHT, { kind: 'burst', from: 6, strokes: 2 })).toEqual([6, 7, 8, 8]));
  it('a burst does not begin on a ligado: the stroke that sounds its string comes along', () => {
    expect(from('p i L:3f2 a', { kind: 'burst', from: 2, strokes: 1 }).slice(0, 3)).toEqual([1, 2, 3]);
    expect(printScript(vary(read('p i L:3f2 a'), { kind: 'burst', from: 2, strokes: 1 }))).toMatch(/^i L:3f2 a/);
  });
  it('every slot of every rhythm and start has one', () => {
    for (const variant of [
      { kind: 'rhythm', shape: 'long-short' },
      { kind: 'rhythm', shape: 'short-long' },
      { kind: 'rhythm', shape: 'triplets' },
      { kind: 'rotation', start: 3 },
      { kind: 'accent through' },
      { kind: 'burst', from: 2, strokes: 3 },
    ] as const)
      expect(from(EIGHT, variant), variant.kind).toHaveLength(flatten(vary(read(EIGHT), variant)).slots.length);
  });
});

describe('the chart under a drill', () => {
  const section = { ...makeSection('s', 'S', cycleById('tangos')!), script: EIGHT, chart: 'C:2 G7:2' };
  const chart = (variant: Variant) => {
    const pattern = read(EIGHT);
    return drilledChart(section, pattern, vary(pattern, variant), variant);
  };
  it('turns with another start', () => expect(chart({ kind: 'rotation', start: 4 })).toBe('G7 C'));
  it('of strokes that keep their places stays as it is', () =>
    expect(chart({ kind: 'finger accent', finger: 'i' })).toBe('C:2 G7:2'));
  it('of a burst is the chords of its stretch', () =>
    expect(chart({ kind: 'burst', from: 4, strokes: 4 })).toBe('G7 C'));
  it('with one chord all through is that chord; on open strings it is none', () => {
    const one = { ...section, chart: 'C' };
    const pattern = read(EIGHT);
    const variant = { kind: 'rotation', start: 3 } as const;
    expect(drilledChart(one, pattern, vary(pattern, variant), variant)).toBe('C');
    expect(chart({ kind: 'open strings' })).toBe('');
  });
  it('loudness goes along with the strokes', () => {
    expect(printScript(vary(read('p @pp i m @mf a'), { kind: 'rotation', start: 1 }))).toBe('@pp i m @mf a p');
    expect(printScript(vary(read('p @ff i'), { kind: 'rhythm', shape: 'long-short' }))).toBe('[p - - @ff i]:2');
  });
});
