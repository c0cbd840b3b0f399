import { explainFit, sayFacts } from '../../words/index.js';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cycleById } from '../../catalogue/index.js';
import { type AccentCycle, cycleLength, makeCycle } from '../../cycle/index.js';
import { DEFAULT_PROFILE } from '../../player/index.js';
import { flatten, parseScript } from '../../script/index.js';
import { bpm, ticks, type Ticks, TICKS_PER_COUNT } from '../../time/index.js';
import {
  FIT_SCHOOLS,
  FIT_TERMS,
  type FitCell,
  fitCycle,
  type FitLink,
  type FitRequest,
  fitScript,
  scoreFit,
} from './index.js';

const CELLS: FitCell[] = ['id iu', 'ad md id', 'ed ad md id iu', 'pu md pd', 'G i m', 'p:5* id (u) iu', 'md id'].map(
  (script, n): FitCell => ({
    id: script,
    script,
    ...(n % 3 === 1 ? { lean: n % 2 ? ('landing' as const) : ('last' as const) } : {}),
    ...(n === 5 ? { natural: ticks(TICKS_PER_COUNT) } : {}),
  }),
);
const counts = (n: number): Ticks => ticks(n * TICKS_PER_COUNT);
const buleria = cycleById('buleria')!;
const ask = (more: Partial<FitRequest>): FitRequest => ({
  cycle: buleria,
  cells: CELLS.slice(0, 4),
  profile: DEFAULT_PROFILE,
  bpm: bpm(180),
  ...more,
});

/** Every chain that fills the cycle and keeps the rules, scored from outside. */
function enumerate(request: FitRequest, lengths: readonly Ticks[]): number[] {
  const turn = cycleLength(request.cycle);
  const { must = [], never = [], fixed = [] } = request.rules ?? {};
  const totals: number[] = [];
  const walk = (links: FitLink[], at: number) => {
    if (at === turn) {
      const begins = new Map<number, string>();
      let place = 0;
      for (const l of links) {
        begins.set(place, l.cell);
        place += l.length;
      }
      if (must.every((m) => links.some((l) => l.cell === m)) && fixed.every((f) => begins.get(f.at) === f.cell))
        totals.push(scoreFit(request, links).total);
      return;
    }
    for (const c of request.cells)
      for (const length of lengths)
        if (!never.includes(c.id) && at + length <= turn) walk([...links, { cell: c.id, length }], at + length);
  };
  walk([], 0);
  return totals.sort((a, b) => a - b);
}
const smallCycle: fc.Arbitrary<AccentCycle> = fc
  .record({
    n: fc.integer({ min: 1, max: 3 }),
    weights: fc.array(fc.constantFrom(0, 0.3, 0.7, 1), { minLength: 6, maxLength: 6 }),
  })
  .map(({ n, weights }) =>
    makeCycle({
      id: 'c',
      name: 'C',
      family: 'flamenco',
      counts: n,
      accents: weights.slice(0, 2 * n).flatMap((w, i) => (w > 0 ? [[i / 2, w] as const] : [])),
      groups: [n],
      countNote: 'quarter',
      tempo: [60, 120, 200],
    }),
  );

describe('fitCycle against enumeration', () => {
  const lengths = [counts(1), counts(0.5)];
  const cells = fc.subarray(CELLS, { minLength: 1, maxLength: 3 });
  it('gives the optimum and all k scores that enumeration gives, at any tempo and in every school', () => {
    fc.assert(
      fc.property(
        smallCycle,
        cells,
        fc.integer({ min: 40, max: 400 }),
        fc.constantFrom(...FIT_SCHOOLS),
        (cycle, chosen, tempo, school) => {
          const request = ask({ cycle, cells: chosen, lengths, bpm: bpm(tempo), weights: school.weights, k: 8 });
          const result = fitCycle(request);
          const answers = result.infeasible ? [] : result.answers;
          expect(answers.map((a) => a.total)).toEqual(enumerate(request, lengths).slice(0, 8));
          for (const a of answers) expect(scoreFit(request, a.steps)).toEqual(a);
          expect(new Set(answers.map((a) => JSON.stringify(a.steps))).size).toBe(answers.length);
        },
      ),
      { numRuns: 120 },
    );
  });
  it('keeps the rules: must, never, fixed places, accents that may stay silent', () => {
    fc.assert(
      fc.property(
        smallCycle,
        cells,
        fc.integer({ min: 0, max: 5 }),
        fc.boolean(),
        (cycle, chosen, half, mayBeSilent) => {
          const at = counts(half / 2);
          if (at >= cycleLength(cycle)) return;
          const rules = {
            must: chosen.slice(0, 1).map((c) => c.id),
            never: chosen.slice(2).map((c) => c.id),
            fixed: chosen[1] ? [{ at, cell: chosen[1].id }] : [],
            silent: mayBeSilent ? cycle.accents.map((a) => a.at) : [],
          };
          const request = ask({ cycle, cells: chosen, lengths, rules, k: 6 });
          const result = fitCycle(request);
          expect(result.infeasible ? [] : result.answers.map((a) => a.total)).toEqual(
            enumerate(request, lengths).slice(0, 6),
          );
        },
      ),
      { numRuns: 80 },
    );
  });
});

describe('fitCycle on a bulería', () => {
  it('fills twelve counts exactly and closes its strong strokes on the accents', () => {
    const result = fitCycle(ask({ k: 3 }));
    if (result.infeasible) throw new Error(sayFacts(result.infeasible).join());
    for (const a of result.answers) expect(a.steps.reduce((sum, l) => sum + l.length, 0)).toBe(cycleLength(buleria));
    expect(result.answers[0]?.cost.silent).toBe(0);
  });
  it('slower or faster hands change the answer’s cost, never its terms', () => {
    const fast = fitCycle(ask({ bpm: bpm(400), k: 1 }));
    const slow = fitCycle(ask({ bpm: bpm(60), k: 1 }));
    if (fast.infeasible || slow.infeasible) throw new Error('feasible');
    expect(slow.answers[0]!.total).toBeLessThanOrEqual(fast.answers[0]!.total);
    expect(Object.keys(fast.answers[0]!.cost)).toEqual([...FIT_TERMS]);
  });
  it('the seam is paid for: a chain that turns back into its beginning costs more than one that does not', () => {
    const cycle = makeCycle({
      id: 'c',
      name: 'C',
      family: 'flamenco',
      counts: 1,
      accents: [[0, 1]],
      groups: [1],
      countNote: 'quarter',
      tempo: [60, 90, 120],
    });
    const of = (script: string) =>
      scoreFit(ask({ cycle, bpm: bpm(400), cells: [{ id: 'x', script }] }), [{ cell: 'x', length: counts(1) }]).cost
        .seam;
    expect(of('pd pu')).toBe(0);
    expect(of('pd pu pd')).toBeGreaterThan(0);
    // Fingers that unfold one after another need no turning back.
    expect(of('ad md id')).toBe(0);
  });
});

describe('a chain taken over', () => {
  const result = fitCycle(ask({ k: 5 }));
  const answers = result.infeasible ? [] : result.answers;
  it('is hand script that plays every stroke where the chain has it', () => {
    for (const a of answers) {
      const { script, stepsPerCount } = fitScript(ask({}), a.steps);
      const { pattern, faults } = parseScript(script, { stepsPerCount });
      expect(faults).toEqual([]);
      const flat = flatten(pattern);
      expect(flat.length).toBe(cycleLength(buleria));
      const begins: number[] = [];
      let at = 0;
      for (const link of a.steps) {
        begins.push(at);
        at += link.length;
      }
      const places = new Set(flat.events.map((e) => e.at as number));
      expect(begins.every((b) => places.has(b))).toBe(true);
    }
  });
  it('writes runs of one cell as a repeat', () =>
    expect(
      fitScript(
        ask({}),
        Array.from({ length: 12 }, () => ({ cell: 'id iu', length: counts(1) })),
      ),
    ).toEqual({ script: '{id iu}x12', stepsPerCount: 2 }));
  it('cuts the counts so that as little as can be stands in brackets', () => {
    const request = { cells: ['id iu', 'ad md id iu'].map((script) => ({ id: script, script })) };
    const chain = (...links: [string, number][]) =>
      fitScript(
        request,
        links.map(([cell, n]) => ({ cell, length: counts(n) })),
      );
    expect(chain(['id iu', 0.5], ['id iu', 0.5], ['ad md id iu', 1])).toEqual({
      script: '{id iu}x2 ad md id iu',
      stepsPerCount: 4,
    });
    // One of another pace stays in brackets, however often it comes in a row.
    expect(
      chain(['id iu', 1], ['ad md id iu', 2], ...Array.from({ length: 3 }, (): [string, number] => ['id iu', 0.5])),
    ).toEqual({
      script: 'id iu ad md id iu {[id iu]}x3',
      stepsPerCount: 2,
    });
  });
  it('is explained: accents met, joints, seam', () => {
    const lines = explainFit(ask({}), answers[0]!).join(' ');
    expect(lines).toMatch(/12 .* · 3 /);
    expect(lines).toMatch(answers[0]!.cost.seam > 0 ? /turns back/ : /joins its own beginning/);
  });
});

it('a chain close to what the hand can do says so, with its ceiling', () => {
  const chain = Array.from({ length: 12 }, () => ({ cell: 'id iu', length: counts(1) }));
  const said = (tempo: number) => {
    const request = ask({ bpm: bpm(tempo) });
    const score = scoreFit(request, chain);
    if ('faults' in score) throw new Error('no chain');
    return explainFit(request, score).filter((l) => /Close/.test(l));
  };
  // Half a return of i is 85 ms: half a count at 352.9. Nine tenths of that are 317.6.
  expect(said(318)).toEqual(['Close to what this hand can do: its ceiling is 352.']);
  expect(said(317)).toEqual([]);
  // Beyond it lateness is what there is to say.
  expect(said(360)).toEqual([]);
});

describe('asks that can’t be met come back as words', () => {
  const reasons = (more: Partial<FitRequest>) => sayFacts(fitCycle(ask(more)).infeasible ?? []).join(' ');
  it.each([
    ['no cells', { cells: [] }, /at least one cell/],
    ['a rule that contradicts another', { rules: { must: ['id iu'], never: ['id iu'] } }, /asked for and forbidden/],
    ['an unknown cell in a rule', { rules: { must: ['zz'] } }, /not among those chosen/],
    ['a faulty cell', { cells: [{ id: 'bad', script: 'ii' }] }, /“bad” can’t be read at “ii”/],
    ['an empty cell', { cells: [{ id: 'rest', script: '' }] }, /has no strokes/],
    ['cells longer than the cycle', { lengths: [counts(24)] }, /longer than the cycle/],
    ['lengths that don’t add up', { lengths: [counts(5)] }, /can’t fill 12 counts exactly/],
    [
      'two cells fixed on one place',
      {
        rules: {
          fixed: [
            { at: counts(3), cell: 'id iu' },
            { at: counts(3), cell: 'pu md pd' },
          ],
        },
      },
      /Two cells are fixed on 3/,
    ],
    [
      'a must that leaves no room',
      { lengths: [counts(12)], rules: { must: ['id iu', 'ad md id'] } },
      /must come.*Loosen/,
    ],
    ['everything forbidden', { rules: { never: CELLS.slice(0, 4).map((c) => c.id) } }, /Every cell is forbidden/],
  ] as const)('%s', (_what, more, words) => expect(reasons(more as Partial<FitRequest>)).toMatch(words));
});
