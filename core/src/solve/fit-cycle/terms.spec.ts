import { describe, expect, it } from 'vitest';
import { CELLS, cycleById, CYCLES } from '../../catalogue/index.js';
import { type CycleSketch, makeCycle } from '../../cycle/index.js';
import { DEFAULT_PROFILE } from '../../player/index.js';
import { bpm, millis, ticks, TICKS_PER_COUNT } from '../../time/index.js';
import {
  densityOf,
  FIT_SCHOOLS,
  FIT_WEIGHTS,
  type FitCell,
  fitCell,
  fitCycle,
  fitScript,
  type FitRequest,
  type FitTerm,
  scoreFit,
} from './index.js';

const counts = (n: number) => ticks(n * TICKS_PER_COUNT);
const cycle = (more: Partial<CycleSketch> = {}) =>
  makeCycle({
    id: 'c',
    name: 'C',
    family: 'flamenco',
    counts: 2,
    accents: [],
    groups: [2],
    countNote: 'quarter',
    tempo: [20, 120, 400],
    ...more,
  });
/** One point a term, so that only what is looked at is paid. */
const NOTHING = {
  silent: 0,
  weak: 0,
  lean: 0,
  up: 0,
  off: 0,
  chord: 0,
  late: 0,
  joint: 0,
  variety: 0,
  seam: 0,
  density: 0,
  natural: 0,
  speed: 0,
  thumb: 0,
  wished: 0,
};
/** What a chain of [cell, counts] pays of one term that weighs 1 000. */
const paid = (
  term: FitTerm,
  chain: readonly (readonly [string, number])[],
  more: Partial<FitRequest> & { cells?: readonly FitCell[] } = {},
): number => {
  const scripts = [...new Set(chain.map(([script]) => script))];
  const own = (id: string) => more.cells?.find((c) => c.id === id) ?? { id, script: id };
  const request: FitRequest = {
    cycle: cycle(),
    profile: DEFAULT_PROFILE,
    bpm: bpm(60),
    weights: { ...NOTHING, [term]: 1000, ...(term === 'seam' ? { joint: 1000 } : {}) },
    ...more,
    lengths: [0.5, 1, 2].map(counts),
    cells: scripts.map(own),
  };
  return scoreFit(
    request,
    chain.map(([cell, n]) => ({ cell, length: counts(n) })),
  ).cost[term];
};
/** A chain of whole counts at the usual prices. */
const costOf = (cells: readonly string[], more: Partial<FitRequest>) => {
  const request: FitRequest = {
    ...{ cycle: cycle(), profile: DEFAULT_PROFILE, bpm: bpm(60), lengths: [counts(1)] },
    ...more,
    cells: [...new Set(cells)].map((id) => ({ id, script: id })),
  };
  return scoreFit(
    request,
    cells.map((cell) => ({ cell, length: counts(1) })),
  ).cost;
};
const accented = (...accents: (readonly [number, number])[]) => ({ cycle: cycle({ accents }) });
const leaning = (script: string, lean: 'first' | 'last' | 'landing') => ({ cells: [{ id: script, script, lean }] });
const twice = (script: string) => [[script, 1] as const, [script, 1] as const];

describe('what a chain pays', () => {
  it('silent: an accent met by nothing, by its weight; none where it may be silent', () => {
    expect(paid('silent', twice('id .'), accented([0.5, 0.8]))).toBe(800);
    expect(paid('silent', twice('id iu'), accented([0.5, 0.8]))).toBe(0);
    expect(paid('silent', twice('id .'), { ...accented([0.5, 0.8]), rules: { silent: [counts(0.5)] } })).toBe(0);
  });
  it('weak: what is missing of the strength; a quarter is given by a lean, a tenth by landing', () => {
    // m down has 0.85, a down 0.7.
    expect(paid('weak', twice('id md'), accented([0.5, 1]))).toBe(150);
    expect(paid('weak', twice('ad md'), accented([0, 1]))).toBe(300);
    expect(paid('weak', twice('id ad'), { ...accented([0.5, 1]), ...leaning('id ad', 'last') })).toBe(50);
    expect(paid('weak', twice('ed id'), { ...accented([1, 1]), ...leaning('ed id', 'landing') })).toBe(400);
  });
  it('lean: an accent that is neither marked, nor a last stroke, nor landed on', () => {
    expect(paid('lean', twice('id iu'), accented([1, 0.5]))).toBe(500);
    expect(paid('lean', twice('id! iu'), accented([1, 0.5]))).toBe(0);
    expect(paid('lean', twice('id iu'), { ...accented([0.5, 0.5]), ...leaning('id iu', 'last') })).toBe(0);
    expect(paid('lean', twice('id iu'), { ...accented([1, 0.5]), ...leaning('id iu', 'landing') })).toBe(0);
  });
  it('up: an accent met by an up stroke, by its weight; one that is met by a down stroke is not', () => {
    expect(paid('up', twice('iu id'), accented([0, 0.8]))).toBe(800);
    expect(paid('up', twice('iu id'), accented([0.5, 0.8]))).toBe(0);
    expect(paid('up', twice('iu id'))).toBe(0);
  });
  it('off: what is marked or landed on between the accents; an unmarked stroke is no fault', () => {
    expect(paid('off', twice('id iu'), accented([0, 1]))).toBe(0);
    expect(paid('off', twice('id iu!'), accented([0, 1]))).toBe(2000);
    expect(paid('off', twice('id iu'), { ...accented([0, 1]), ...leaning('id iu', 'landing') })).toBe(1000);
  });
  it('late: a finger that has half the time it needs pays half, round the seam too', () => {
    const profile = { ...DEFAULT_PROFILE, returnMs: { ...DEFAULT_PROFILE.returnMs, a: millis(2000) } };
    expect(
      paid(
        'late',
        [
          ['ad', 1],
          ['ad', 1],
        ],
        { profile },
      ),
    ).toBe(2 * 1000);
    expect(paid('late', [['ad', 2]], { profile })).toBe(0);
  });
  it('joint and seam: the hand that goes the same way twice in too little time; flicks unfold', () => {
    const at = (tempo: number, chain: readonly (readonly [string, number])[], term: FitTerm) =>
      paid(term, chain, { bpm: bpm(tempo) });
    // A tenth of a second is needed: there is a quarter of one at 120, half of that at 400 is less.
    expect(at(120, twice('pd pd'), 'joint')).toBe(0);
    expect(at(400, twice('pd pd'), 'joint')).toBeGreaterThan(0);
    expect(at(400, twice('pd pd'), 'seam')).toBe(at(400, twice('pd pd'), 'joint'));
    expect(at(400, twice('id iu'), 'joint')).toBe(0);
    expect(at(400, twice('ad md'), 'joint')).toBe(0);
  });
  it('variety: every cell beyond the first', () => {
    expect(paid('variety', twice('id iu'))).toBe(0);
    expect(
      paid('variety', [
        ['id iu', 1],
        ['ad md', 1],
      ]),
    ).toBe(1000);
  });
  it('density: a count with half or twice the strokes of the style', () => {
    expect(paid('density', twice('id iu'), { density: 2 })).toBe(0);
    expect(paid('density', twice('id iu'), { density: 4 })).toBe(2000);
    expect(paid('density', twice('id iu'), { density: 1 })).toBe(2000);
    expect(paid('density', [['id iu', 2]], { density: 2 })).toBe(2000);
    // Five and a half to nine strokes a second in flamenco; in tango and bossa nova one or two to a count, or what the accents ask for.
    expect(densityOf({ cycle: cycle(), bpm: bpm(120) })).toEqual([2.75, 4.5]);
    expect(densityOf({ cycle: cycle({ family: 'plain' }), bpm: bpm(60) })).toEqual([2, 4]);
    expect(densityOf({ cycle: cycle({ family: 'tango' }), bpm: bpm(120) })).toEqual([1, 2]);
    expect(densityOf({ cycle: cycleById('milonga')!, bpm: bpm(90) })).toEqual([2, 4]);
    expect(densityOf({ cycle: cycle(), bpm: bpm(120), density: 3 })).toEqual([3, 3]);
    // A breath is as far from it as twice its strokes.
    expect(paid('density', [['.', 2]])).toBe(2000);
  });
  it('chord: one that is plucked between the accents; a bass may go on, and a figure that is marked', () => {
    const tango = cycle({ family: 'tango', accents: [[0, 1]] });
    const off = (...cells: string[]) => costOf(cells, { cycle: tango }).off;
    expect(off('ima:t', 'ima:t')).toBe(40);
    expect(off('ima:t', 'p:b')).toBe(0);
    expect(off('p:b! ima:t', 'p:b')).toBe(0);
  });
  it('a bass alone is half a lean, a block a whole one; off the beat a thumb that nothing marks pays', () => {
    const tango = cycle({ family: 'tango', accents: [[0, 1]] });
    const cost = (...cells: string[]) => costOf(cells, { cycle: tango });
    expect(cost('pima:t', 'p:b').lean).toBe(0);
    expect(cost('p:b', 'p:b').lean).toBe(55);
    expect(cost('i:3', 'p:b').lean).toBe(110);
    expect(cost('pima:t', '. p:b').off).toBe(90);
    expect(cost('pima:t', '. i:3').off).toBe(0);
  });
  it('natural: half or twice the length that a cell is learned at', () => {
    const natural = { cells: [{ id: 'p:b ima:t', script: 'p:b ima:t', natural: counts(1) }] };
    expect(paid('natural', twice('p:b ima:t'), natural)).toBe(0);
    expect(paid('natural', [['p:b ima:t', 2]], natural)).toBe(1000);
    expect(paid('natural', [['p:b ima:t', 2]])).toBe(0);
    // A roll that lands goes from flick to flick in 60 to 125 ms: in 250 it is twice too slow, in 30 twice too quick.
    const roll = leaning('ad md id iu', 'landing');
    expect(paid('natural', twice('ad md id iu'), { ...roll, bpm: bpm(120) })).toBe(0);
    expect(paid('natural', twice('ad md id iu'), { ...roll, bpm: bpm(60) })).toBe(2 * 1000);
    expect(paid('natural', twice('ad md id iu'), { ...roll, bpm: bpm(500) })).toBe(2 * 1000);
    expect(paid('natural', twice('ad md id iu'))).toBe(0);
  });
  it('speed: strokes twice as fast after a joint, and back again at the seam', () => {
    expect(paid('speed', twice('id iu'))).toBe(0);
    expect(
      paid('speed', [
        ['id iu', 1],
        ['id iu id iu', 1],
      ]),
    ).toBe(2000);
  });
  it('thumb: basses that double their pace', () => {
    expect(
      paid('thumb', [
        ['p:b ima:t', 1],
        ['ima:t p:b', 1],
      ]),
    ).toBe(0);
    expect(
      paid('thumb', [
        ['p:b ima:t', 1],
        ['p:b p:b', 1],
      ]),
    ).toBe(2000);
    expect(
      paid('thumb', [
        ['p:b ima:t', 1],
        ['id iu', 1],
      ]),
    ).toBe(0);
  });
  it('wished: a stroke where the cycle is left open, by its strength', () => {
    const open = { cycle: cycle({ wishedSilent: [0] }) };
    expect(paid('wished', twice('id iu'), open)).toBe(1000);
    expect(paid('wished', twice('ed iu'), open)).toBe(500);
    expect(paid('wished', twice('. iu'), open)).toBe(0);
  });
});

const best = (id: string, more: Partial<FitRequest> = {}) => {
  const own = cycleById(id)!;
  const cells = CELLS.filter((c) => c.family === own.family).map(fitCell);
  const found = fitCycle({ cycle: own, cells, profile: DEFAULT_PROFILE, bpm: bpm(own.tempo.usual), k: 1, ...more });
  if (found.infeasible) throw new Error(JSON.stringify(found.infeasible));
  return found.answers[0]!;
};

describe('the shipped cells on the shipped cycles', () => {
  it.each(CYCLES.filter((c) => c.family === 'flamenco' && c.groups.length > 1).map((c) => c.id))(
    '%s: rolls land on its accents, and no accent is silent',
    (id) => {
      const { steps, cost } = best(id);
      expect(cost.silent).toBe(0);
      const rolls = steps.filter((s) => CELLS.find((c) => c.script === s.cell)?.lean === 'landing');
      expect(rolls.length).toBeGreaterThanOrEqual(cycleById(id)!.accents.length - 1);
      expect(cost.off).toBe(0);
      expect(new Set(steps.map((s) => s.cell)).size).toBeGreaterThan(1);
    },
  );
  it('a cell of a whole bar is used whole: three, three, two on 3-3-2', () => {
    expect(best('three-three-two').steps).toEqual([{ cell: 'p:b! i m p:b! i m p:b! ima', length: counts(4) }]);
    expect(best('three-three-two').cost).toMatchObject({ weak: 0, lean: 0, off: 0, natural: 0 });
  });
  it.each(['bossa-three-two', 'bossa-two-three', 'bossa-even-close'])('%s keeps one pace of the thumb', (id) =>
    expect(best(id).cost).toMatchObject({ thumb: 0, speed: 0 }),
  );
  it('denser when slow: a soleá has more strokes to a count than a bulería', () => {
    const perCount = (id: string) => {
      const { steps } = best(id);
      const strokes = steps.reduce((n, s) => n + s.cell.split(' ').length, 0);
      return strokes / cycleById(id)!.counts;
    };
    expect(perCount('solea')).toBeGreaterThan(1.5 * perCount('buleria'));
  });
  it('a cell too fine for every length stays out, and is told; one that is asked for refuses', () => {
    const own = cycleById('buleria')!;
    const fine = { id: 'eleven', script: Array.from({ length: 11 }, () => 'id').join(' ') };
    const cells = [fitCell(CELLS[0]!), fine];
    const ask = { cycle: own, cells, profile: DEFAULT_PROFILE, bpm: bpm(200) };
    const found = fitCycle(ask);
    expect(found.infeasible ? [] : found.leftOut).toEqual([{ code: 'cell can’t be spread', about: ['eleven'] }]);
    expect(fitCycle({ ...ask, rules: { must: ['eleven'] } }).infeasible?.[0]?.code).toBe('cell can’t be spread');
    expect(fitCycle({ ...ask, cells: [fine] }).infeasible?.[0]?.code).toBe('cell can’t be spread');
  });
  it.each([
    // The thumb strums what lies between, three flicks roll into every accent and land on it.
    [
      'buleria',
      '{pd pu}x2 [ad md id]:2 {pd pu}x2 [ad md id]:2 pd pu [ad md id]:2 pd pu [ad md id]:2 pd pu [ad md id]:2',
    ],
    // The 1 is left open.
    ['tangos', '[.]:2 [ad md id]:2 pd pu [ad md id]:2 pd pu [ad md id]:2 {pd pu}x2'],
    ['farruca', '{id iu}x2 [ed ad md id iu]:4 {id iu}x2 [ed ad md id iu]:4'],
  ])('%s as a teacher has it', (id, script) => {
    const own = cycleById(id)!;
    const cells = CELLS.filter((c) => c.family === own.family).map(fitCell);
    expect(fitScript({ cells }, best(id).steps).script).toBe(script);
  });
  it.each(CYCLES.map((c) => c.id))('%s: no accent is met by an up stroke', (id) => expect(best(id).cost.up).toBe(0));
  it('two cells of one name are refused', () => {
    const cell = fitCell(CELLS[0]!);
    const own = cycleById('buleria')!;
    const found = fitCycle({ cycle: own, cells: [cell, cell], profile: DEFAULT_PROFILE, bpm: bpm(200) });
    expect(found.infeasible).toEqual([{ code: 'cell twice', about: ['id iu'] }]);
  });
});

describe('the prices, as they were weighed against each other', () => {
  it('balanced', () =>
    expect(FIT_WEIGHTS).toEqual({
      ...{ silent: 1000, weak: 600, lean: 110, up: 100, off: 90, chord: 40, wished: 150 },
      ...{ late: 800, joint: 120, seam: 180, thumb: 200 },
      ...{ variety: 70, density: 40, natural: 60, speed: 20 },
    }));
  it('schools change what they name', () => {
    const [balanced, accents, easy, few] = FIT_SCHOOLS.map((s) => s.weights);
    expect(balanced).toBe(FIT_WEIGHTS);
    expect(accents).toEqual({ ...FIT_WEIGHTS, weak: 1200, off: 160, joint: 40, seam: 60, variety: 20, natural: 30 });
    expect(easy).toEqual({
      ...FIT_WEIGHTS,
      ...{ weak: 300, off: 30, late: 1600, joint: 320, seam: 420, density: 20, speed: 60 },
    });
    expect(few).toEqual({ ...FIT_WEIGHTS, variety: 400 });
  });
});
