import { sayRaise } from '../words/en/index.js';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CELLS } from '../catalogue/index.js';
import { DEFAULT_PROFILE } from '../player/index.js';
import { handLoad } from '../right-hand/index.js';
import { flatten, parseScript } from '../script/index.js';
import { anyPattern } from '../testing/arbitrary.js';
import { bpm } from '../time/index.js';
import { ceilingRaises, vary } from './index.js';

const read = (text: string, stepsPerCount = 2) => parseScript(text, { stepsPerCount }).pattern;
const top = (text: string, steps = 2) => handLoad(flatten(read(text, steps)), bpm(120), DEFAULT_PROFILE).ceiling!;
const raises = (text: string, steps = 2, cells = CELLS) =>
  ceilingRaises(read(text, steps), bpm(120), DEFAULT_PROFILE, cells);

describe('what raises the ceiling', () => {
  it('an exchange of fingers is reckoned through', () => {
    const exchange = raises('e m e m').find((r) => r.how === 'exchange')!;
    expect(sayRaise(exchange)).toBe('e and i change places');
    expect(exchange.ceiling).toBeCloseTo(top('i m i m'));
    expect(raises('.')).toEqual([]);
  });
  it('a run on the same finger is fingered anew by the schools', () => {
    const school = raises('i:3 i:3 i:2 i:2', 4).find((r) => r.how === 'school')!;
    expect(sayRaise(school)).toMatch(/^Fingered by “/);
    expect(school.ceiling).toBeGreaterThan(top('i:3 i:3 i:2 i:2', 4) * 1.9);
    expect(raises('i:3 im:32', 4).some((r) => r.how === 'school')).toBe(false);
  });
  it('the finger order begun elsewhere under an uneven rhythm', () => {
    // Each finger twice in a row, then a rest: begun one finger later, it repeats over the rest instead.
    const uneven = 'i i - - m m - -';
    const moved = raises(uneven, 4, []).filter((r) => r.how === 'start finger');
    expect(moved.map((r) => r.script)).toContain('i m - - m i - -');
    for (const r of moved) {
      expect(top(r.script, r.stepsPerCount)).toBeCloseTo(r.ceiling);
      expect(r.ceiling).toBeGreaterThan(top(uneven, 4) * 2);
    }
  });
  it('another cell as dense', () => {
    const cell = raises('ed md ed md', 4).find((r) => r.how === 'cell')!;
    expect(cell.stepsPerCount).toBe(4);
    expect(sayRaise(cell)).toContain('as dense');
    expect(top(cell.script, 4)).toBeCloseTo(cell.ceiling);
  });
  it('a loop has the same joints wherever it is begun: no rotation of the whole changes its ceiling', () =>
    fc.assert(
      fc.property(anyPattern, fc.nat({ max: 20 }), (pattern, start) => {
        const load = (p: typeof pattern) => handLoad(flatten(p), bpm(120), DEFAULT_PROFILE).ceiling ?? 0;
        // Holds belong to the stroke before them: begun on a hold, a pattern would be another.
        fc.pre(flatten(pattern).slots.every((s) => s.step.kind !== 'hold'));
        expect(load(vary(pattern, { kind: 'rotation', start }))).toBeCloseTo(load(pattern), 6);
      }),
    ));
});
