import { sayDrills } from '../words/index.js';
import { describe, expect, it } from 'vitest';
import { cycleById } from '../catalogue/index.js';
import { heldInTurn, readChart } from '../chart/index.js';
import { drillsOfChange, sectionDrills } from '../drill/index.js';
import { STANDARD_TUNING } from '../instrument/index.js';
import { readShape, type Shape } from '../left-hand/index.js';
import { makeSection, type Section } from '../piece/index.js';
import { DEFAULT_PROFILE } from '../player/index.js';
import { readSection } from '../reading/index.js';
import { parseScript } from '../script/index.js';

const shape = (id: string, frets: string, fingers: string): Shape => {
  const { frets: f, fingers: g } = readShape(frets, fingers);
  return { id, name: id, frets: f, fingers: g };
};
const shapes = [
  shape('C', 'x-3-2-0-1-0', 'x-3-2-0-1-0'),
  shape('Am', 'x-0-2-2-1-0', 'x-0-2-3-1-0'),
  shape('F', '1-3-3-2-1-1', '1-3-4-2-1-1'),
];
const chords = (made: { chart: string }) => readChart(made.chart, cycleById('tangos')!).chords.map((c) => c.name);
const section = (more: Partial<Section>): Section => ({
  ...makeSection('s', 'S', cycleById('tangos')!),
  script: 'p:b i:3 m:2 a:1',
  chart: 'C | Am | F',
  bpm: 120,
  ...more,
});
const read = (s: Section) =>
  readSection({ section: s, shapes, tuning: STANDARD_TUNING, capo: 0, profile: DEFAULT_PROFILE });

describe('the changes of a section', () => {
  it('are those its harmony makes, going round, each pair once, the hardest first', () => {
    const { changes } = read(section({}));
    expect(new Set(changes.map((c) => `${c.from.name} ${c.to.name}`))).toEqual(new Set(['C Am', 'Am F', 'F C']));
    expect(changes.map((c) => c.difficulty)).toEqual([...changes.map((c) => c.difficulty)].sort((a, b) => b - a));
    expect(changes.find((c) => c.to.name === 'Am')).toMatchObject({ from: { name: 'C' }, moving: 1 });
    expect(changes[0]).toMatchObject({ from: { name: 'Am' }, to: { name: 'F' } });
    expect(changes.every((c) => c.label === '1')).toBe(true);
  });
  it('have half the time at twice the tempo', () => {
    const there = (bpm: number) => read(section({ bpm })).changes.find((c) => c.to.name === 'F')!.sequential!.thereMs;
    expect(there(120) / there(240)).toBeCloseTo(2, 1);
  });
  it('there are none without shapes, or with one', () => {
    expect(read(section({ chart: '' })).changes).toEqual([]);
    expect(read(section({ chart: 'C' })).changes).toEqual([]);
  });
});

describe('drills of a section', () => {
  it('the three hardest changes alone and under the pattern, each playable, with both shapes held in turn', () => {
    const s = section({ script: 'id iu id iu' });
    const drills = sayDrills(sectionDrills(s, DEFAULT_PROFILE, read(s).moves));
    const names = drills.map((d) => d.name);
    expect(new Set(drills.map((d) => d.key)).size).toBe(drills.length);
    expect(new Set(names).size).toBe(names.length);
    const hardest = read(s).moves[0]!;
    // The same drills of one change alone.
    const ofOne = drillsOfChange(s, hardest);
    const own = sectionDrills(s, DEFAULT_PROFILE, [hardest]).filter((d) => d.matter.kind === 'change');
    expect(ofOne.map((d) => [d.key, d.make()])).toEqual(own.map((d) => [d.key, d.make()]));
    expect(names).toContain(`Change alone: ${hardest.from.name} → ${hardest.to.name}`);
    for (const d of drills) {
      const made = d.make();
      expect(parseScript(made.script, made).faults, d.name).toEqual([]);
      if (d.matter.kind === 'change') expect(new Set(chords(made))).toHaveProperty('size', 2);
    }
    const alone = drills.find((d) => d.name.startsWith('Change alone'))!.make();
    expect(chords(alone).slice(0, 2)).toEqual([hardest.from.name, hardest.to.name]);
  });
  it('a change comes after half the pattern: by turns, or in the middle of a turn', () => {
    const made = (script: string, more: Partial<Section> = {}) => {
      const s = section({ script, ...more });
      return sayDrills(sectionDrills(s, DEFAULT_PROFILE, read(s).moves))
        .find((d) => /after half the pattern/.test(d.name))
        ?.make();
    };
    const turn = made('p:b i:3 m:2 a:1 p:b i:3 m:2 a:1')!;
    const held = heldInTurn({ ...section({}), ...turn }, shapes, 0);
    expect(held.map((h) => [h.from / 5040, h.to / 5040, h.shape.id])).toEqual([
      [0, 2, chords(turn)[0]],
      [2, 4, chords(turn)[1]],
    ]);
    expect(chords(made('p:b i:3 m:2 a:1')!)).toHaveLength(4);
    expect(made('{p:b i:3 m:2 a:1}x4')?.chart).toMatch(/^\w+ \| \w+$/);
    expect(made('p:b i:3 m:2')).toBeUndefined();
  });
  it('the bar shrinks to ever fewer strokes, without a rest, the change after each', () => {
    const among = (script: string) => {
      const s = section({ script });
      return sayDrills(sectionDrills(s, DEFAULT_PROFILE, read(s).moves.slice(0, 1)))
        .filter((d) => d.key.startsWith('change among'))
        .map((d) => ({ name: d.name.replace(/:.*/, ''), why: d.why, ...d.make() }));
    };
    const found = among('p:5 i:3 m:2 a:1 p:4 i:3 m:2 a:1');
    expect(found.map((d) => [d.name, d.script])).toEqual([
      ['Change after 6 strokes', 'p:5 i:3 m:2 a:1 p:4 i:3'],
      ['Change after 5 strokes', 'p:5 i:3 m:2 a:1 p:4'],
      ['Change after 4 strokes', 'p:5 i:3 m:2 a:1'],
    ]);
    expect(found[1]!.why).toBe('The bar shrinks, without a rest.');
    // A silence that is written stays; what comes behind the last stroke belongs to it.
    expect(among('p:5 i:3 a:1 . p:4 i:3 m:2 a:1')[2]).toMatchObject({ script: 'p:5 i:3 a:1 . p:4' });
    // Each chord has as many strokes, wherever the bar lines fall.
    const held = heldInTurn({ ...section({}), ...found[0]! }, shapes, 0);
    expect(held.map((h) => h.from / 5040)).toEqual([0, 3]);
    expect(among('p:5 i:3 m:2 a:1')).toEqual([]);
    // A swing begins each chord on a down stroke; a rasgueado is no bar that could be cut.
    expect(among('id iu id iu id iu id iu').map((d) => d.script)).toEqual(['id iu id iu id iu', 'id iu id iu']);
    expect(among('ed ad md id iu ed ad md id iu')).toEqual([]);
  });
});
