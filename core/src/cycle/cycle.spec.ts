import { describe, expect, it } from 'vitest';
import { cycleById, CYCLES, cyclesByName } from '../catalogue/index.js';
import { TICKS_PER_COUNT } from '../time/index.js';
import {
  accentsText,
  checkCycle,
  groupStarts,
  groupsText,
  makeCycle,
  placeLabel,
  readAccents,
  readGroups,
} from './index.js';

const accents = (id: string) => {
  const c = cycleById(id);
  return c?.accents.map((a) => placeLabel(c, a.at)).join(' ');
};

describe('catalogue', () => {
  it.each(CYCLES.map((c) => [c.id, c] as const))('%s is without fault and says how it is felt', (_id, c) => {
    expect(checkCycle(c)).toEqual([]);
    expect(c.note).toBeTruthy();
  });
  it('ids are unique', () => expect(new Set(CYCLES.map((c) => c.id)).size).toBe(CYCLES.length));
  it.each([
    ['solea', '3 6 8 10 12'],
    ['alegrias', '3 6 8 10 12'],
    ['solea-por-buleria', '3 6 8 10 12'],
    ['buleria', '12 3 6 8 10'],
    ['buleria-seven', '12 3 7 8 10'],
    ['buleria-from-one', '3 6 8 10 12'],
    ['buleria-half', '1 4'],
    ['seguiriya', '1 2 3 4 5'],
    ['seguiriya-from-eight', '8 10 12 3 6'],
    ['guajira', '1 4 7 9 11'],
    ['fandango', '1 4 7 10 12'],
    ['sevillana', '1 4'],
    ['tangos', '2 3 4'],
    ['rumba', '1 2 & 4'],
    ['farruca', '1 3'],
    ['farruca-eight', '1 5'],
    ['marcato-four', '1 2 3 4'],
    ['marcato-two', '1 3'],
    ['sincopa', '1 1 & 2 & 3 4'],
    ['three-three-two', '1 2 & 4'],
    ['vals', '1'],
  ])('%s is accented on %s', (id, labels) => expect(accents(id)).toBe(labels));
  const eighthsOf = (id: string, per: number) => cycleById(id)?.accents.map((a) => (a.at * per) / TICKS_PER_COUNT);
  it('tango 3-2-2-1 stands on sixteenths 0 3 5 7', () =>
    expect(eighthsOf('three-two-two-one', 4)).toEqual([0, 3, 5, 7]));
  it('milonga and habanera are 3+1+2+2, campera 3+3+2', () => {
    expect(eighthsOf('milonga', 4)).toEqual([0, 3, 4, 6]);
    expect(eighthsOf('habanera', 4)).toEqual([0, 3, 4, 6]);
    expect(eighthsOf('milonga-campera', 4)).toEqual([0, 3, 6]);
  });
  it('bossa nova 3-2 stands on slots 0 3 6 10 13; 2-3 is the same with its bars changed round', () => {
    expect(eighthsOf('bossa-three-two', 2)).toEqual([0, 3, 6, 10, 13]);
    expect(eighthsOf('bossa-two-three', 2)).toEqual([0, 3, 6, 10, 13].map((s) => (s + 8) % 16).sort((a, b) => a - b));
  });
  it('three schools of bulería and its half stand under one name', () =>
    expect(cyclesByName(CYCLES, 'flamenco').find((n) => n.name === 'Bulería')?.variants).toHaveLength(4));
  it('soleá is grouped 3+3+2+2+2', () => expect(groupsText(cycleById('solea')?.groups ?? [])).toBe('3+3+2+2+2'));
});

describe('an own cycle', () => {
  const base = makeCycle({
    id: 'own',
    name: 'Seven',
    family: 'tango',
    counts: 7,
    accents: [[0, 1]],
    groups: [4, 3],
    countNote: 'eighth',
    tempo: [60, 90, 120],
  });
  it('of 7 counts in 4+3 is accepted', () => expect(checkCycle(base)).toEqual([]));
  it('names every fault with its path', () => {
    const bad = {
      ...base,
      name: ' ',
      labels: ['1'],
      groups: [TICKS_PER_COUNT],
      accents: [{ at: (9 * TICKS_PER_COUNT) as never, weight: 2 }],
      tempo: { low: 90, usual: 60, high: 500 },
    };
    expect(checkCycle(bad).map((f) => f.path)).toEqual([
      'name',
      'labels',
      'accents[0].at',
      'accents[0].weight',
      'groups',
      'tempo',
    ]);
  });
  it('refuses 65 counts', () => expect(checkCycle({ ...base, counts: 65 })[0]?.path).toBe('counts'));
  it('accents and groups are written and read as text', () => {
    const c = cycleById('rumba')!;
    expect(accentsText(c.accents)).toBe('1 2.5!8 4!9');
    expect(readAccents(accentsText(c.accents))).toEqual(c.accents);
    expect(readGroups(groupsText(c.groups))).toEqual(c.groups);
    expect(readAccents('1 two')).toBeNull();
    expect(readGroups('3+x')).toBeNull();
  });
});

describe('places', () => {
  it('are said with the count’s own label', () => {
    const c = cycleById('buleria')!;
    const said = (...places: number[]) => places.map((n) => placeLabel(c, n * TICKS_PER_COUNT));
    expect(said(0, 0.25, 0.5, 0.75, 1)).toEqual(['12', '12 ti', '12 &', '12 ta', '1']);
    expect(said(10, 10 + 1 / 3, 10 + 2 / 3)).toEqual(['10', '10 la', '10 li']);
    // What has no name of its own goes after the one before it; never a fraction.
    expect(said(1 / 8, 5 / 8, 1 / 5, 2 / 5)).toEqual(['after 12', 'after 12 &', 'after 12', 'after 12 la']);
  });
  it('groups begin where the one before ends', () =>
    expect(groupStarts(cycleById('seguiriya')!).map((t) => t / TICKS_PER_COUNT)).toEqual([0, 2, 4, 7, 10]));
});
