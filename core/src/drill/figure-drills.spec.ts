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
  it('is its cells as written, each bar, both seams, then both bars over ever quicker harmony', () => {
    const [a, b, c, d] = [
      'p:b - ima:t -',
      'pima:6f3=3+4+3+2 ima:432 - ima:t>',
      'pima:t ima:t - ima:t',
      "p:f' - ima:t -",
    ];
    // Under other chords than its own what is numbered is left to them.
    const whole = [a, 'pima:t ima:t - ima:t>', c, d];
    const all = FIGURE_WAYS.map((way) => made(way));
    expect(all.map((x) => x?.script)).toEqual([
      ...[a, b, c, d],
      `${a} ${b}`,
      `${c} ${d}`,
      `. . . . ${b} ${c} . . . .`,
      `. . . . ${d} ${a} . . . .`,
      whole.join(' '),
      whole.join(' '),
      whole.join(' '),
      [...whole.slice(2), ...whole.slice(0, 2)].join(' '),
    ]);
    expect(all.map((x) => x?.chart)).toEqual([
      ...['Am7 | %', 'Am7 | %', 'D7 | %', 'D7 | %', 'Am7 | %', 'D7 | %', 'Am7 | D7', 'D7 | Am7', 'Am7 | %'],
      'Am7 | % | D7 | % | G | %',
      'Am7 | D7 | G | Am7 | D7 | G',
      'Am7 | D7 | G | Am7 | D7 | G',
    ]);
    for (const x of all)
      expect(parseScript(x!.script, { stepsPerCount: 2, cycle: bossa, start: 0 }).faults).toEqual([]);
  });
  it('a cell that comes again is one, and a bar that is the first again is none', () => {
    const again = { ...section, script: 'p:b - ima:t - p:b - ima:t - | p:b - ima:t - p:b - ima:t -' };
    expect(['cell', 'cell 2', 'cell 3', 'bar 2'].map((way) => made(way as FigureWay, again)?.script)).toEqual([
      'p:b - ima:t -',
      undefined,
      undefined,
      undefined,
    ]);
  });
  it('on one chord its strings and frets stay as they are written', () => {
    const own = { ...section, chart: 'Am7' };
    expect(made('one chord', own)?.script).toContain('pima:6f3=3+4+3+2 ima:432');
  });
  it('has names for a player, and keys for the log', () => {
    const drills = FIGURE_WAYS.map((way) => askedDrill(section, study, figureKey(way))!);
    expect(new Set(sayDrills(drills).map((d) => d.name)).size).toBe(FIGURE_WAYS.length);
    expect(drills[6]?.key).toBe('figure seam 1 2');
  });
  it('strums, a bass line alone, groups, and a pattern that begins elsewhere are none', () => {
    expect(made('cell', { ...section, script: 'id - iu - id - iu - | id - iu - id - iu -' })).toBeUndefined();
    expect(made('cell', { ...section, script: '[p i m]:8 | p:b - - - - - - -' })).toBeUndefined();
    expect(made('cell', { ...section, script: 'p:b - p:f - p:b - p:f -' })).toBeUndefined();
    expect(made('cell', { ...section, script: '{p:b - p:f -}x4' })).toBeUndefined();
    expect(made('cell', { ...section, start: TICKS_PER_COUNT })).toBeUndefined();
    // An arpeggio is no comping, whatever its signs.
    expect(made('cell', { ...section, script: '{p:b i:3 m:2 a:1 m:2 i:3 m:2 i:3}x2' })).toBeUndefined();
    expect(askedDrill(section, study, 'figure elsewhere')).toBeNull();
  });
});
