import { describe, expect, it } from 'vitest';
import { cycleById, CYCLES } from '../catalogue/index.js';
import { parseScript } from '../script/index.js';
import { layOnCycle } from './index.js';

// Turns until it comes round, worked out by hand from the lengths: a cell of five, seven and four half
// counts, and a four-finger order at three strokes to the count.
const TURNS: readonly (readonly [id: string, five: number, seven: number, four: number, inThrees: number])[] = [
  ['solea', 5, 7, 1, 1],
  ['alegrias', 5, 7, 1, 1],
  ['solea-por-buleria', 5, 7, 1, 1],
  ['buleria', 5, 7, 1, 1],
  ['buleria-seven', 5, 7, 1, 1],
  ['buleria-from-one', 5, 7, 1, 1],
  ['buleria-half', 5, 7, 1, 2],
  ['seguiriya', 5, 7, 1, 1],
  ['seguiriya-from-eight', 5, 7, 1, 1],
  ['guajira', 5, 7, 1, 1],
  ['guajira-from-twelve', 5, 7, 1, 1],
  ['fandango', 5, 7, 1, 1],
  ['sevillana', 5, 7, 1, 2],
  ['tangos', 5, 7, 1, 1],
  ['tangos-light-one', 5, 7, 1, 1],
  ['tientos', 5, 7, 1, 1],
  ['rumba', 5, 7, 1, 1],
  ['farruca', 5, 7, 1, 1],
  ['farruca-eight', 5, 7, 1, 1],
  ['marcato-four', 5, 7, 1, 1],
  ['marcato-two', 5, 7, 1, 1],
  ['sincopa', 5, 7, 1, 1],
  ['sincopa-anticipated', 5, 7, 1, 1],
  ['three-three-two', 5, 7, 1, 1],
  ['three-two-two-one', 5, 7, 1, 2],
  ['milonga', 5, 7, 1, 2],
  ['milonga-campera', 5, 7, 1, 2],
  ['habanera', 5, 7, 1, 2],
  ['vals', 5, 7, 2, 4],
  ['bossa-three-two', 5, 7, 1, 1],
  ['bossa-two-three', 5, 7, 1, 1],
  ['bossa-even-close', 5, 7, 1, 1],
  ['samba', 5, 7, 1, 2],
  ['baiao', 5, 7, 1, 2],
  ['choro', 5, 7, 1, 2],
  ['plain-four', 5, 7, 1, 1],
  ['plain-three', 5, 7, 2, 4],
];
const turns = (script: string, stepsPerCount: number, id: string) =>
  layOnCycle(parseScript(script, { stepsPerCount }).pattern, cycleById(id)!).realign.cycles;

describe('every cycle of the catalogue', () => {
  it('stands in the table', () => expect(TURNS.map(([id]) => id)).toEqual(CYCLES.map((c) => c.id)));
  it.each(TURNS)(
    '%s: five half counts after %i turns, seven after %i, four after %i, p i m a in threes after %i',
    (id, five, seven, four, inThrees) => {
      expect(turns('ed ad md id iu', 2, id)).toBe(five);
      expect(turns('{i m}x3 a', 2, id)).toBe(seven);
      expect(turns('p i m a', 2, id)).toBe(four);
      expect(turns('p i m a', 3, id)).toBe(inThrees);
    },
  );
});

describe('strokes that keep or change their place', () => {
  const onCounts = (script: string, stepsPerCount: number) => {
    const laid = layOnCycle(parseScript(script, { stepsPerCount }).pattern, cycleById('buleria')!);
    return new Set(laid.strokes.filter((s) => s.inTurn % 5040 === 0).map((s) => s.slot));
  };
  it('an abanico triplet, one a count, keeps the same stroke on every count', () =>
    expect(onCounts('pu md pd', 3).size).toBe(1));
  it('a five-stroke cell at three strokes a count does not', () => expect(onCounts('ed ad md id iu', 3).size).toBe(5));
  it('a tremolo p i a m i drifts over a four-step beat and not over a five-step one', () => {
    expect(onCounts('p i a m i', 4).size).toBe(5);
    expect(onCounts('p i a m i', 5).size).toBe(1);
  });
  it('the classical p a m i keeps the thumb on the beat of four', () =>
    expect(onCounts('p a m i', 4)).toEqual(new Set([0])));
});
