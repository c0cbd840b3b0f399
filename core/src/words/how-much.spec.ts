import { describe, expect, it } from 'vitest';
import { cycleById } from '../catalogue/index.js';
import { layersOf } from '../drill/index.js';
import { parseScript } from '../script/index.js';
import { few, placesByTurn, placeInTurn, toldLayers } from './how-much.js';

describe('how much is told', () => {
  it('the first of a list with how many more, none where all are told', () => {
    expect(few(['a', 'b', 'c'], 2)).toEqual({ shown: ['a', 'b'], more: 1 });
    expect(few(['a', 'b'], 2).more).toBe(0);
  });
  it('a place that comes in every turn names no turns; others are gathered by theirs', () => {
    const at = (label: string, turn: number) => ({ label, turn });
    const list = [at('3', 0), at('3', 1), at('8', 1), at('10', 1)];
    expect(placesByTurn(list, 2)).toEqual([
      { labels: ['3'], turns: null },
      { labels: ['8', '10'], turns: [2] },
    ]);
  });
  it('a place is counted in its turn', () => {
    expect(placeInTurn(cycleById('tangos')!, 5 * 5040)).toEqual({ label: '2', turn: 2 });
  });
  it('of two layers four bars are gone through; one layer alone is not told', () => {
    const tangos = cycleById('tangos')!;
    const layers = (script: string) => layersOf(parseScript(script, { stepsPerCount: 1 }).pattern);
    expect(toldLayers(layers('{pima:t ima:t p:b ima:t}x5'), tangos, 0)?.together).toMatchObject({
      bars: [{ bar: 1 }, { bar: 2 }, { bar: 3 }, { bar: 4 }],
      goesOn: true,
    });
    expect(toldLayers(layers('{pima:t ima:t p:b ima:t}x4'), tangos, 0)?.together?.goesOn).toBe(false);
    expect(toldLayers(layers('i m i m'), tangos, 0)).toBeNull();
  });
});
