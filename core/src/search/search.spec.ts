import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  type ChoiceProblem,
  kBest,
  kBestChoices,
  leastTotal,
  SearchCancelled,
  type SearchProblem,
  withExactBound,
} from './index.js';

/** A ladder of `rungs` stages with `width` states each; costs from a table. */
function ladder(
  costs: readonly (readonly (readonly number[])[])[],
): SearchProblem<{ stage: number; at: number }, number, 'way'> {
  return {
    terms: ['way'],
    start: { stage: 0, at: 0 },
    key: (s) => s.stage * 100 + s.at,
    stage: (s) => s.stage,
    isEnd: (s) => s.stage === costs.length,
    moves: (s) =>
      (costs[s.stage]?.[s.at] ?? []).map((way, to) => ({
        to: { stage: s.stage + 1, at: to },
        step: to,
        total: way,
        cost: () => ({ way }),
      })),
  };
}
function enumerate(costs: readonly (readonly (readonly number[])[])[]): number[] {
  let totals = [{ at: 0, sum: 0 }];
  for (const table of costs)
    totals = totals.flatMap((p) => (table[p.at] ?? []).map((c, at) => ({ at, sum: p.sum + c })));
  return totals.map((t) => t.sum).sort((a, b) => a - b);
}
const table = (width: number) =>
  fc.array(fc.array(fc.integer({ min: 0, max: 9 }), { minLength: width, maxLength: width }), {
    minLength: width,
    maxLength: width,
  });
const tables = fc.array(table(3), { minLength: 1, maxLength: 6 });

describe('k cheapest paths', () => {
  it('are the k cheapest of all paths, in order', () => {
    fc.assert(
      fc.property(tables, fc.integer({ min: 1, max: 12 }), (costs, k) => {
        const { paths } = kBest(ladder(costs), k);
        expect(paths.map((p) => p.total)).toEqual(enumerate(costs).slice(0, k));
        expect(new Set(paths.map((p) => p.steps.join())).size).toBe(paths.length);
        for (const p of paths) expect(p.cost.way).toBe(p.total);
      }),
    );
  });
  it('a lower bound shortens the search and changes no answer', () => {
    fc.assert(
      fc.property(tables, (costs) => {
        const plain = ladder(costs);
        const rest = (s: { stage: number; at: number }): number =>
          s.stage === costs.length
            ? 0
            : Math.min(...(costs[s.stage]?.[s.at] ?? []).map((c, at) => c + rest({ stage: s.stage + 1, at })));
        const guided = { ...plain, bound: rest };
        expect(kBest(guided, 3).paths.map((p) => p.total)).toEqual(kBest(plain, 3).paths.map((p) => p.total));
        const exact = { ...guided, exact: true };
        expect(kBest(exact, 7).paths.map((p) => p.total)).toEqual(kBest(plain, 7).paths.map((p) => p.total));
        // With an exact bound the search walks straight to its one answer.
        expect(kBest(guided, 1).looked).toBeLessThanOrEqual(kBest(plain, 1).looked);
      }),
    );
  });
  it('the cheapest total alone, and the exact bound for stages that follow one another', () => {
    fc.assert(
      fc.property(tables, fc.integer({ min: 1, max: 9 }), (costs, k) => {
        const plain = ladder(costs);
        expect(leastTotal(plain)).toBe(enumerate(costs)[0]);
        expect(kBest(withExactBound(plain), k).paths.map((p) => p.total)).toEqual(enumerate(costs).slice(0, k));
      }),
    );
    expect(leastTotal(ladder([[[]]]))).toBeNull();
  });
  it('the same request gives the same paths', () => {
    const costs = [
      [[1, 1]],
      [
        [1, 1],
        [1, 1],
      ],
    ];
    expect(kBest(ladder(costs), 4)).toEqual(kBest(ladder(costs), 4));
  });
  it('can be cancelled', () => {
    const wide = Array.from({ length: 40 }, () =>
      Array.from({ length: 9 }, () => Array.from({ length: 9 }, (_, i) => i)),
    );
    expect(() => kBest(ladder(wide), 50, { cancelled: () => true })).toThrow(SearchCancelled);
  });
  it('no way through gives no path', () => expect(kBest(ladder([[[]]]), 3).paths).toEqual([]));
});

describe('k cheapest ways of one choice a stage', () => {
  /** The same ladder: a state is the rung that was chosen last. */
  const ofChoices = (costs: readonly (readonly (readonly number[])[])[]): ChoiceProblem => {
    const rest = (stage: number, at: number): number =>
      stage === costs.length ? 0 : Math.min(...(costs[stage]?.[at] ?? []).map((c, to) => c + rest(stage + 1, to)));
    return {
      stages: costs.length,
      start: 0,
      ways: (stage) => costs[stage]?.length ?? 0,
      points: (stage, at, choice) => costs[stage]?.[at]?.[choice] ?? 0,
      after: (_, __, choice) => choice,
      rest,
    };
  };
  it('are the k cheapest of all, each once, with the choices that cost it', () => {
    fc.assert(
      fc.property(tables, fc.integer({ min: 1, max: 12 }), (costs, k) => {
        const { ways } = kBestChoices(ofChoices(costs), k);
        expect(ways.map((w) => w.total)).toEqual(enumerate(costs).slice(0, k));
        expect(new Set(ways.map((w) => w.choices.join())).size).toBe(ways.length);
        for (const { choices, total } of ways)
          expect(choices.reduce((sum, c, n) => sum + (costs[n]?.[choices[n - 1] ?? 0]?.[c] ?? 0), 0)).toBe(total);
      }),
    );
  });
  it('are none where no end is in reach, and stop when they are told to', () => {
    const costs = [
      [[1], [2]],
      [[3], [4]],
    ];
    expect(kBestChoices({ ...ofChoices(costs), rest: () => Infinity }, 3).ways).toEqual([]);
    expect(() => kBestChoices(ofChoices(costs), 3, { cancelled: () => true })).toThrow(SearchCancelled);
  });
});
