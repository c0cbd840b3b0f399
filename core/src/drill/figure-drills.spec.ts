import { describe, expect, it } from 'vitest';
import { cycleById } from '../catalogue/index.js';
import { makeSection, makeStudy, type Section } from '../piece/index.js';
import { parseScript } from '../script/index.js';
import { TICKS_PER_COUNT } from '../time/index.js';
import { sayDrills } from '../words/index.js';
import { askedDrill, FIGURE_WAYS, figureKey, type FigureWay } from './index.js';

const bossa = cycleById('bossa-three-two')!;
const study = makeStudy('s', 'Lamps');
const section: Section = {
  ...makeSection('a', 'Comping', bossa),
  stepsPerCount: 2,
  // Strings and frets of its own are left to the chord again.
  script: "p:b - ima:t - pima:6f3=3+4+3+2 ima:432 - ima>:t | pima:t ima:t - ima:t p':f - ima:t -",
  chart: 'Am7 | D7 | G',
};
const made = (way: FigureWay, s = section) => askedDrill(s, study, figureKey(way))?.make();

describe('a figure in the order in which it is learned', () => {
  it('is a beat, each bar, both seams, then both bars over ever quicker harmony', () => {
    const first = 'p:b - ima:t - pima:t ima:t - ima:t';
    const second = 'pima:t ima:t - ima:t p:b - ima:t -';
    const all = FIGURE_WAYS.map((way) => made(way));
    expect(all.map((d) => d?.script)).toEqual([
      'p:b - ima:t -',
      first,
      second,
      '. . . . pima:t ima:t - ima:t pima:t ima:t - ima:t . . . .',
      '. . . . p:b - ima:t - p:b - ima:t - . . . .',
      `${first} ${second}`,
      `${first} ${second}`,
      `${first} ${second}`,
      `${second} ${first}`,
    ]);
    expect(all.map((d) => d?.chart)).toEqual([
      ...Array.from({ length: 6 }, () => 'Am7 | %'),
      'Am7 | % | D7 | % | G | %',
      'Am7 | D7 | G | Am7 | D7 | G',
      'Am7 | D7 | G | Am7 | D7 | G',
    ]);
    for (const d of all)
      expect(parseScript(d!.script, { stepsPerCount: 2, cycle: bossa, start: 0 }).faults).toEqual([]);
  });
  it('a cell is half a bar where bars have halves, else a count; seams fill two bars of any length', () => {
    const of = (cycle: string, bar: string): Section => ({
      ...section,
      cycle: cycleById(cycle)!,
      script: `${bar} | ${bar}`,
      chart: 'Am7',
    });
    expect(made('cell', of('samba', 'p:b - ima:t -'))?.script).toBe('p:b -');
    const vals = of('vals', 'p:b - ima:t - ima:t -');
    expect(made('cell', vals)?.script).toBe('p:b -');
    expect(made('seam 1 2', vals)?.script.split(' ')).toHaveLength(12);
    const odd = { ...of('vals', 'p:b ima:t ima:t'), stepsPerCount: 1 };
    expect(made('seam 2 1', odd)?.script).toBe('. ima:t ima:t p:b . .');
  });
  it('has names for a player, and keys for the log', () => {
    const drills = FIGURE_WAYS.map((way) => askedDrill(section, study, figureKey(way))!);
    expect(new Set(sayDrills(drills).map((d) => d.name)).size).toBe(FIGURE_WAYS.length);
    expect(drills[3]?.key).toBe('figure seam 1 2');
  });
  it('strums, a bass line alone, groups, and a pattern that begins elsewhere are none', () => {
    expect(made('cell', { ...section, script: 'id - iu - id - iu - | id - iu - id - iu -' })).toBeUndefined();
    expect(made('cell', { ...section, script: '[p i m]:8 | p:b - - - - - - -' })).toBeUndefined();
    expect(made('cell', { ...section, script: 'p:b - p:f - p:b - p:f -' })).toBeUndefined();
    expect(made('cell', { ...section, script: '{p:b - p:f -}x4' })).toBeUndefined();
    expect(made('cell', { ...section, start: TICKS_PER_COUNT })).toBeUndefined();
    expect(askedDrill(section, study, 'figure elsewhere')).toBeNull();
  });
});
