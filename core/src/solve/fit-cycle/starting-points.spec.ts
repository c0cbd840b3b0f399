import { describe, expect, it } from 'vitest';
import { CYCLES, cycleById } from '../../catalogue/index.js';
import { cycleLength } from '../../cycle/index.js';
import { DEFAULT_PROFILE } from '../../player/index.js';
import { flatten, parseScript } from '../../script/index.js';
import { sayWayToBegin } from '../../words/index.js';
import { startingPoints } from './index.js';

const of = (id: string) => startingPoints(cycleById(id)!, DEFAULT_PROFILE);

describe('starting points', () => {
  it.each(CYCLES.map((c) => [c.id, c] as const))('%s has three, without fault, that fill its turn', (_id, cycle) => {
    const points = startingPoints(cycle, DEFAULT_PROFILE);
    expect(new Set(points.map((p) => sayWayToBegin(p).name)).size).toBe(3);
    for (const { script, stepsPerCount } of points) {
      const { pattern, faults } = parseScript(script, { stepsPerCount });
      expect(faults).toEqual([]);
      expect(flatten(pattern).length, script).toBe(cycleLength(cycle));
    }
  });
  it('a turn of three is begun with figures of three', () =>
    expect(of('vals').map((p) => p.script)).toEqual([
      "{pima:t' .}x3",
      'p:b . ima:t . ima:t .',
      'p:b i:t m:t a:t m:t i:t',
    ]));
  it('a roll lands on the accents, and is written without brackets where the counts can be cut so', () => {
    expect(of('rumba')[0]).toMatchObject({ stepsPerCount: 4, script: 'id iu ad md id iu id iu ad md id iu {id iu}x2' });
    expect(of('buleria')[1]).toMatchObject({ way: 'index alone', stepsPerCount: 2, script: '{id iu}x12' });
  });
  it('three over two stay in brackets: no cut of the counts holds both bare', () =>
    expect(of('solea')[2]?.script).toBe('{[pd:54 pu:45 p:3_]:2}x12'));
});
