import { describe, expect, it } from 'vitest';
import { CELLS, cycleById } from '../../catalogue/index.js';
import { DEFAULT_PROFILE } from '../../player/index.js';
import { bpm } from '../../time/index.js';
import { FIT_SCHOOLS, fitCycle, type FitRequest, type FitWeights, scoreFit } from './index.js';
import { sayFacts } from '../../words/index.js';

const cells = CELLS.filter((c) => c.family === 'flamenco').map((c) => ({ id: c.script, script: c.script }));
const ask = (weights: FitWeights, more: Partial<FitRequest> = {}): FitRequest => ({
  cycle: cycleById('buleria')!,
  cells,
  profile: DEFAULT_PROFILE,
  bpm: bpm(200),
  weights,
  ...more,
});
const best = (request: FitRequest) => {
  const result = fitCycle(request);
  if (result.infeasible) throw new Error(sayFacts(result.infeasible).join(' '));
  return result.answers[0]!;
};

describe('schools of fitting', () => {
  it.each(FIT_SCHOOLS.map((s) => [s.id, s] as const))(
    '%s: nobody else’s best chain is cheaper under its own weights',
    (_name, school) => {
      const own = best(ask(school.weights));
      for (const other of FIT_SCHOOLS) {
        const theirs = best(ask(other.weights));
        expect(scoreFit(ask(school.weights), theirs.steps).total).toBeGreaterThanOrEqual(own.total);
      }
    },
  );
  it('few cells takes no more different cells than balanced', () => {
    const different = (name: string) =>
      new Set(best(ask(FIT_SCHOOLS.find((s) => s.id === name)!.weights)).steps.map((l) => l.cell)).size;
    expect(different('few')).toBeLessThanOrEqual(different('balanced'));
  });
  it('accents first meets every accent with all the weight it can have', () =>
    expect(best(ask(FIT_SCHOOLS.find((s) => s.id === 'accents')!.weights)).cost.silent).toBe(0));
  it('more rules never make a chain cheaper', () => {
    const weights = FIT_SCHOOLS[0]!.weights;
    const free = best(ask(weights)).total;
    for (const cell of cells.slice(0, 5))
      expect(best(ask(weights, { rules: { must: [cell.id] } })).total).toBeGreaterThanOrEqual(free);
  });
  it('more cells never make the best chain dearer', () => {
    const weights = FIT_SCHOOLS[0]!.weights;
    const few = cells.slice(0, 3).map((c) => ({ id: c.script, script: c.script }));
    expect(best(ask(weights)).total).toBeLessThanOrEqual(best(ask(weights, { cells: few })).total);
  });
});
