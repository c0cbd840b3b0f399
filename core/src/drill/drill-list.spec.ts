import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cycleById } from '../catalogue/index.js';
import { STANDARD_TUNING } from '../instrument/index.js';
import { makeSection, makeStudy, type Section } from '../piece/index.js';
import { DEFAULT_PROFILE } from '../player/index.js';
import { readSection } from '../reading/index.js';
import { flatten, parseScript } from '../script/index.js';
import { numberedStrings } from '../stroke/index.js';
import { shapes } from '../testing/told-findings.js';
import { sayDrills } from '../words/index.js';
import { drillList, type ListedDrill, MOST_LISTED } from './index.js';

function listOf(script: string, more: Partial<Section> = {}): { section: Section; drills: ListedDrill[] } {
  const cycle = more.cycle ?? cycleById('tangos')!;
  const section = { ...makeSection('s', 'S', cycle), script, stepsPerCount: 2, bpm: 100, ...more };
  const study = { ...makeStudy('x', 'X'), shapes, sections: [section] };
  const { moves } = readSection({ section, shapes, tuning: STANDARD_TUNING, capo: 0, profile: DEFAULT_PROFILE });
  return { section, drills: drillList(section, study, DEFAULT_PROFILE, moves) };
}
const names = (script: string, list: 'piece' | 'exercise', more: Partial<Section> = {}) =>
  sayDrills(listOf(script, more).drills.filter((d) => d.list === list)).map((d) => d.name);
const made = (script: string, key: string, more: Partial<Section> = {}) =>
  listOf(script, more)
    .drills.find((d) => d.key.startsWith(key))
    ?.make();

const PATTERNS: readonly (readonly [script: string, chart: string])[] = [
  ['i:1f5=1 m:1f7=3 i:1f8=4 m:1f7=3 i:1f5=1 m:2f8=4 i:2f6=2 m:2f5=1', ''],
  ['i:1 m:1 i:1 m:1', ''],
  ['p:b i:3 m:2 a:1 m:2 i:3 p:b i:3', 'C | Am'],
  ['p:b i:3 m:2 a:1', 'Am | F | G | E'],
  ['p:b a:1 m:1 i:1', 'C | Am'],
  ['pa:5+1f3 - m:1f1 i:1 pa:4+2f3 - m:2f1 -', 'C'],
  ['p:5 p:5f2 p:5f3 p:4 p:4f2 p:4f3 p:3 p:3f2', ''],
  ['pd:32 pu:23 p:4', 'Am | F'],
  ['pima:t - - -', 'C | F'],
  ['p:b - - ima:t p:b - ima:t - p:b - - ima:t p:b - - -', 'Am | C'],
  ['p:b ima:t p:b ima:t', 'C | F'],
  ['id iu id iu id iu id iu', 'C | G'],
  ['idx - iu id - iux id iu', 'Am | F'],
  ['ed ad md id iu', 'Am | F'],
  ['id! iu ad md id iu id! iu', 'Am | G | F | E'],
  ['Pd:3f2 Pu:3f4 Pd:2f1 Pu:2f3 Pd:1 Pu:1f2 Pd:1f3 Pu:1f2', ''],
];
describe('the drills that a teacher would give', () => {
  it.each(PATTERNS)(
    '%s over %s: a dozen at most of each, nothing twice, nothing that is the pattern itself',
    (script, chart) => {
      const { section, drills } = listOf(script, { chart });
      const played = drills.map((d) => JSON.stringify(d.make()));
      expect(new Set(played).size).toBe(played.length);
      for (const d of drills) {
        const own = d.make();
        expect([own.script, own.chart, own.stepsPerCount]).not.toEqual([section.script, section.chart, 2]);
        expect(parseScript(own.script, { stepsPerCount: own.stepsPerCount }).faults).toEqual([]);
      }
      for (const list of ['piece', 'exercise'] as const) {
        const said = sayDrills(drills.filter((d) => d.list === list));
        expect(said.length).toBeLessThanOrEqual(MOST_LISTED);
        expect(new Set(said.map((d) => d.name)).size).toBe(said.length);
      }
    },
  );
  it.each(PATTERNS)('%s over %s: what is from the piece strikes its strings, in its ways', (script, chart) => {
    const { section, drills } = listOf(script, { chart });
    const struck = (text: string, stepsPerCount: number) =>
      new Set(
        flatten(parseScript(text, { stepsPerCount }).pattern).events.flatMap((e) =>
          e.motion.kind === 'stroke' ? (numberedStrings(e.motion) ?? []) : [],
        ),
      );
    const own = struck(section.script, 2);
    for (const d of drills.filter((l) => l.list === 'piece'))
      for (const string of struck(d.make().script, d.make().stepsPerCount)) expect(own, d.key).toContain(string);
  });
  it('what would be more than a dozen ends with the twelfth', () => {
    const script = 'p:b i:3 m:2 a:1 m:2f3=4 i:3 p:b i:3 m:2 a:1f3=4 m:2 i:3';
    const { drills } = listOf(script, { chart: 'C:6 Am:6', bpm: 380, cycle: cycleById('buleria')! });
    expect(drills.filter((d) => d.list === 'piece')).toHaveLength(MOST_LISTED);
  });
  it('fewer strokes mean a shorter bar, without a rest, and the chords change as soon', () => {
    const chart = 'C | Am';
    const script = 'p:b i:3 m:2 a:1 m:2 i:3 p:b i:3';
    expect(made(script, 'change among 6', { chart })).toMatchObject({ script: 'p:b i:3 m:2 a:1 m:2 i:3' });
    expect(made(script, 'change among 4', { chart })).toMatchObject({ script: 'p:b i:3 m:2 a:1', chart: 'Am C' });
    const five = made(script, 'change among 5', { chart })!;
    expect(five.script).toBe('p:b i:3 m:2 a:1 m:2');
    expect(five.chart).toMatch(/^Am:5\/2 C:3\/2 \| C:1 Am:5\/2 C:1\/2 \|/);
    // A hand that swings begins each chord with a down stroke.
    expect(
      names('id iu id iu id iu id iu', 'piece', { chart: 'C | G' }).filter((n) => n.startsWith('Change after')),
    ).toEqual([expect.stringMatching(/half/), expect.stringMatching(/6 strokes/), expect.stringMatching(/4 strokes/)]);
  });
  it('a change alone is struck as the piece is: its own strum, or plucked', () => {
    expect(made('id iu id iu', 'change alone', { chart: 'C | G' })?.script).toMatch(/^id - /);
    expect(made('ed ad md id iu', 'change alone', { chart: 'Am | F' })?.script).toMatch(/^id - /);
    expect(made('p:b i:3 m:2 a:1', 'change alone', { chart: 'C | Am' })?.script).toMatch(/^pima:t - /);
  });
  it('a half that only goes on is no place for a change: the bar is half as long', () => {
    const half = made('pima:t - - -', 'change half', { chart: 'C | F', stepsPerCount: 1 });
    expect(half).toMatchObject({ script: 'pima:t -', chart: 'C F' });
    expect(made('id - - - - - - -', 'change half', { chart: 'C | F' })?.script).toBe('id - - -');
  });
  it('nothing changes within a count: not among the notes of a tremolo', () => {
    expect(names('p:b a:1 m:1 i:1', 'piece', { chart: 'C | Am', stepsPerCount: 4 })).not.toContainEqual(
      expect.stringMatching(/half/),
    );
    expect(names('p:b a:1 m:1 i:1 p:b a:1 m:1 i:1', 'piece', { chart: 'C | Am', stepsPerCount: 4 })).toContainEqual(
      expect.stringMatching(/half/),
    );
  });
  it('what is not heard is no drill: a place with twice its time', () => {
    expect(names('i:1 m:1 i:1 m:1', 'piece', { bpm: 60 })).not.toContainEqual(expect.stringMatching(/^Weakest/));
    expect(names('i:1 m:1 i:1 m:1', 'piece', { bpm: 160, stepsPerCount: 4 })).toContainEqual(
      expect.stringMatching(/^Weakest/),
    );
  });
  it('from the last bar round into the first, where there are several', () => {
    const two = 'p:b i:3 m:2 a:1 m:2 i:3 m:2 i:3 p:b i:3 m:2 a:1 m:2 i:3 p:b i:3';
    expect(names(two, 'piece')).toContain('From bar 2 round into bar 1');
    expect(names('p:b i:3 m:2 a:1', 'piece').some((n) => n.startsWith('From bar'))).toBe(false);
  });
  it('stays in the idiom: orders for arpeggios, starts for what goes round, the plectrum’s own', () => {
    expect(names('p:b i:3 m:2 a:1', 'exercise')).toContain('In the order p a m i');
    expect(names('p:b i:3 m:2 a:1', 'exercise').some((n) => /step|change places/.test(n))).toBe(false);
    expect(names('ed ad md id iu', 'exercise')).toContain('From the 2nd step');
    expect(names('id iu id iu', 'exercise', { chart: 'C | G' })).toEqual([]);
    expect(names('Pd:3 Pu:3 Pd:2 Pu:2', 'exercise')).toEqual([
      'Rest strokes alone',
      'Whips alone',
      'A new string after every two',
    ]);
    expect(listOf('. .').drills).toEqual([]);
  });
  it('under the plectrum a stretch begins and lands on a down stroke, whatever it is cut from', () => {
    const step = fc.constantFrom('Pd:3', 'Pu:3', 'Pd:2', 'Pu:2', 'Pd:1f2', 'Pu:1f3');
    fc.assert(
      fc.property(fc.array(step, { minLength: 4, maxLength: 8 }), (steps) => {
        for (const d of listOf(steps.join(' ')).drills) {
          if (d.matter.kind !== 'change' && !(d.matter.kind === 'pattern' && d.matter.drill.variant.kind === 'burst'))
            continue;
          const struck = d
            .make()
            .script.split(' ')
            .filter((t) => t.startsWith('P'));
          expect([struck[0]?.[1], struck.at(-1)?.[1]]).toEqual(['d', 'd']);
        }
      }),
      { numRuns: 30 },
    );
  });
});
