import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CELLS } from '../catalogue/index.js';
import { DEFAULT_PROFILE } from '../player/index.js';
import { handLoad } from '../right-hand/index.js';
import { flatten, parseScript } from '../script/index.js';
import { anyPattern, SCRIPTS_OF } from '../testing/arbitrary.js';
import { bpm } from '../time/index.js';
import { sayRaise } from '../words/index.js';
import { ceilingRaises, vary } from './index.js';

const read = (text: string, stepsPerCount = 2) => parseScript(text, { stepsPerCount }).pattern;
const top = (text: string, steps = 2) => handLoad(flatten(read(text, steps)), bpm(120), DEFAULT_PROFILE).ceiling!;
/** Raises at a share of the pattern's own ceiling. */
const raises = (text: string, share = 1, cells = CELLS, steps = 4) =>
  ceilingRaises(read(text, steps), bpm(Math.round(top(text, steps) * share)), DEFAULT_PROFILE, cells);
/** All of a pattern but which of the upper fingers plays. */
const music = (text: string, steps = 4) =>
  flatten(read(text, steps)).events.map(({ at, duration, motion: m }) => ({
    at,
    duration,
    ...(m.kind === 'stroke'
      ? { strings: m.strings, dir: m.dir, marks: m.marks, stops: m.stops, thumb: m.fingers.includes('p') }
      : { motion: m }),
  }));

describe('what raises the ceiling', () => {
  it('a finger of an arpeggio gives its string to another, and the order p i m a stays', () => {
    // The ring finger is the slowest; the middle one is free.
    const [best] = raises('p:5 i:3 a:1 i:3 a:1 i:3');
    expect(best).toMatchObject({ how: 'exchange', from: 'a', to: 'm', both: false });
    expect(sayRaise(best!)).toBe('m in place of a');
    expect(best!.ceiling).toBeCloseTo(top(best!.script, 4));
    // Where all three lie on their strings none can go elsewhere.
    expect(raises('p:5 i:3 m:2 a:1 a:1 m:2')).toEqual([]);
  });
  it('a run that limps on one finger is fingered by a school, never with the thumb', () => {
    const found = raises('i:3_ i:3_ i:3_ i:2_ i:2_ i:2_');
    expect(found.length).toBeGreaterThan(0);
    for (const r of found) {
      expect(r.how).toBe('school');
      expect(r.script).not.toContain('p');
      expect(music(r.script)).toEqual(music('i:3_ i:3_ i:3_ i:2_ i:2_ i:2_'));
    }
    expect(sayRaise(found[0]!)).toMatch(/^Fingered by “/);
    expect(found[0]!.ceiling).toBeGreaterThan(top('i:3_ i:3_ i:3_ i:2_ i:2_ i:2_', 4) * 1.9);
  });
  it('a rasgueado gets a cell whose hand goes the same way', () => {
    const [cell] = raises('ed md ed md');
    expect(cell).toMatchObject({ how: 'cell', cell: 'Four down' });
    expect(sayRaise(cell!)).toContain('as dense');
    // Down, down, down, up: the fan and the index alone go other ways.
    expect(raises('md id md iu').map((r) => r.how === 'cell' && r.cell)).not.toContain('Index down and up');
  });
  it('is offered only where the ceiling is near', () => {
    expect(raises('ed md ed md', 0.76).length).toBeGreaterThan(0);
    expect(raises('ed md ed md', 0.74)).toEqual([]);
  });
  it('and where a tenth or more is gained', () => {
    const cells = (n: number) => [{ ...CELLS[0]!, name: 'Own', script: 'ed ad md id', stepsPerCount: n }];
    const gain = top('ed ad md id', 4) / top('ad md id ad md id', 4);
    expect(gain).toBeGreaterThan(1.1);
    expect(raises('ad md id ad md id', 1, cells(4)).length).toBe(1);
    for (const r of raises('ad md id', 1))
      expect(r.ceiling).toBeGreaterThanOrEqual(1.1 * Math.round(top('ad md id', 4)));
  });
  it.each([
    ['comping: i never goes to the bass', 'p:b ima:t p:b ima:t'],
    ['an arpeggio is not fingered as a scale is', '{p:5 i:3 m:2 a:1}x4'],
    ['a pedal weave', 'p:6 i:2 p:5 i:2'],
    ['a swing', 'id iu id iu'],
    ['muted chops', 'idx iux idx iux'],
    ['a plectrum has no fingers', 'Pd:3 Pu:3 Pd:2 Pu:2'],
    ['the thumb alone', 'p:6_ p:5_ p:4_'],
    ['silence', '. .'],
  ])('nothing for %s', (_what, text) => expect(raises(text, 1.5)).toEqual([]));
  it('keeps the music of every kind of playing: strings, places, ways, marks and the thumb', () => {
    let offered = 0;
    for (const [kind, scripts] of Object.entries(SCRIPTS_OF))
      fc.assert(
        fc.property(scripts, fc.integer({ min: 5, max: 20 }), (text, share) => {
          const cells = [...CELLS, { ...CELLS[0]!, name: 'Two down', script: 'ad md', stepsPerCount: 2 }];
          for (const r of raises(text, share / 10, cells)) {
            offered++;
            const own = flatten(read(text, 4)).length;
            const other = flatten(read(r.script, r.stepsPerCount)).length;
            // Round and round until both begin together.
            const [a, b] = [
              Array.from({ length: other }, () => text).join(' '),
              Array.from({ length: own }, () => r.script).join(' '),
            ].map((t) => music(t.split(' ').slice(0, 64).join(' ')));
            expect(b, `${kind}: ${text} → ${r.script}`).toEqual(a);
          }
        }),
        { numRuns: 25 },
      );
    // Some thirty as a rule; the scripts are random, so that few runs have fewer than half of it.
    expect(offered).toBeGreaterThan(4);
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
