import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cycleById } from '../catalogue/index.js';
import { rotations } from '../round/index.js';
import { flatten, parseScript } from '../script/index.js';
import { SCRIPTS_OF } from '../testing/arbitrary.js';
import { directionOf } from '../stroke/index.js';
import { betterStart } from './index.js';

const of = (script: string, stepsPerCount = 2, cycle = 'tangos', start = 0) => {
  const flat = flatten(parseScript(script, { stepsPerCount }).pattern);
  const own = cycleById(cycle)!;
  return betterStart(flat, own, start, rotations(flat, own));
};

describe('another start', () => {
  it('is for a rasgueado whose strong stroke misses the accents, where a tenth or more is gained', () => {
    // Index down is the strong one, and waits until the third half count.
    const better = of('eu ed id md', 2, 'marcato-four');
    expect(better?.rotation.slot).toBeGreaterThan(0);
    expect(better!.given).toBeGreaterThanOrEqual(1.1 * better!.written);
  });
  it('is not for rolls: each lands on the first flick of the next', () => {
    for (const roll of ['ed ad md id', 'ed ad md id iu', 'ad md id'])
      for (const cycle of ['marcato-four', 'buleria']) expect(of(roll, 2, cycle)).toBeNull();
  });
  it('is for picado on one string and for a tremolo whose thumb is off the beat', () => {
    expect(of('a:1, m:1, i:1!', 3, 'tangos')?.rotation.slot).toBe(2);
    expect(of('a:1, m:1, i:1, p:5!', 4, 'marcato-four')?.rotation.slot).toBe(3);
  });
  it.each([
    ['a bass on the beat', 'p:5 i:3 m:2 a:1', 4],
    ['a comping thumb', 'p i ma i', 2],
    ['a pedal weave', 'p:6, i:2~! p:5, i:2~!', 2],
    ['a tremolo whose thumb is on the beat', 'p:5, a:1! m:1 i:1', 4],
    ['a swing', 'iu! id iu! id', 2],
    ['a scale that goes from string to string', 'i:3, m:3! i:2, m:2!', 2],
    ['a composed line', 'i:1f3, m:1f5! i:1f7, m:1f5!', 2],
    ['a line with ligados', 'i:1, L:1f3 m:1! L:1f5', 2],
    ['what begins well already', 'id, ad, md, ed,', 4],
    ['silence', '. .', 2],
  ])('none for %s', (_what, script, steps) => expect(of(script, steps)).toBeNull());
  it('less than a tenth more is not worth it, over the round or in the first turn', () => {
    const flat = flatten(parseScript('eu ed id md', { stepsPerCount: 2 }).pattern);
    const given = (overall: number, firstTurn: number) =>
      betterStart(flat, cycleById('tangos')!, 0, [
        { slot: 3, overall, firstTurn },
        { slot: 0, overall: 0.5, firstTurn: 0.5 },
      ]);
    expect(given(0.54, 1)).toBeNull();
    expect(given(0.56, 1)).toMatchObject({ over: 'round', given: 0.56, written: 0.5 });
    expect(given(0.5, 0.54)).toBeNull();
    expect(given(0.5, 0.56)).toMatchObject({ over: 'first turn', given: 0.56 });
  });
  it('never puts an up stroke on a count where the hand goes down on all of them', () => {
    expect(of('ad, iu! md, iu!', 2)).toBeNull();
    fc.assert(
      fc.property(SCRIPTS_OF.rasgueado, fc.constantFrom('tangos', 'buleria', 'rumba'), (script, cycle) => {
        const flat = flatten(parseScript(script, { stepsPerCount: 2 }).pattern);
        const better = of(script, 2, cycle);
        const ups = (from: number) =>
          flat.events.some((e) => directionOf(e.motion) === 'u' && (e.at - from) % 5040 === 0);
        if (better && !ups(0) && flat.length % 5040 === 0)
          expect(ups(flat.slots[better.rotation.slot]!.at)).toBe(false);
      }),
    );
  });
});
