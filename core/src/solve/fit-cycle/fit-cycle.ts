import { cycleLength, placeLabel } from '../../cycle/index.js';
import { type Fact, fact } from '../../fault/index.js';
import { kBest } from '../../search/index.js';
import { TICKS_PER_COUNT } from '../../time/index.js';
import { type Block, blocksOf, DEFAULT_LENGTHS } from './blocks.js';
import { fitProblem } from './fit-problem.js';
import type { FitRefusal, FitRequest, FitResult, FitWatch } from './model.js';

/** Cells in one request at most: the search keeps the set of those used as bits. */
export const MOST_CELLS = 30;

/**
 * The k best chains of cells that fill the cycle exactly, with the cost of each by named term. A chain is
 * a loop: its last cell joins its first.
 * @returns reasons when no chain can be had
 * @throws SearchCancelled when the watch says so
 */
export function fitCycle(request: FitRequest, watch: FitWatch = {}): FitResult {
  const never = new Set(request.rules?.never ?? []);
  const lengths = [...new Set(request.lengths ?? DEFAULT_LENGTHS)];
  const read = request.cells.map((cell, i) =>
    never.has(cell.id) ? { blocks: [], fault: null } : blocksOf(cell, i, lengths),
  );
  const blocks = read.flatMap((r) => r.blocks);
  const faults = read.flatMap((r) => (r.fault ? [r.fault] : []));
  // A cell too fine for every length stays out; the others may do without it.
  const leftOut = faults.filter((f) => f.code === 'cell can’t be spread' && blocks.length > 0 && !isAsked(request, f));
  const reasons = asksTooMuch(
    request,
    faults.filter((f) => !leftOut.includes(f)),
    blocks,
  );
  if (reasons.length) return { infeasible: reasons };
  const problem = fitProblem(request, blocks);
  if (!problem) return { infeasible: [cantFill(request, blocks)] };
  const { paths, looked } = kBest(problem, request.k ?? 5, watch);
  return paths.length ? { answers: paths, looked, leftOut } : { infeasible: [cantFill(request, blocks)] };
}
/** Whether the rules ask for the cell that a fact is about. */
const isAsked = ({ rules = {} }: FitRequest, { about }: Fact): boolean =>
  [...(rules.must ?? []), ...(rules.fixed ?? []).map((f) => f.cell)].some((id) => id === about[0]);

/** Contradictions that can be told without a search. */
function asksTooMuch(
  request: FitRequest,
  faults: readonly Fact<FitRefusal>[],
  blocks: readonly Block[],
): Fact<FitRefusal>[] {
  const { must = [], never = [], fixed = [] } = request.rules ?? {};
  const turn = cycleLength(request.cycle);
  const ids = new Set(request.cells.map((c) => c.id));
  const reasons = [...faults];
  if (request.cells.length === 0) reasons.push(fact('no cells'));
  const twice = request.cells.find((c, i) => request.cells.findIndex((o) => o.id === c.id) < i);
  if (twice) reasons.push(fact('cell twice', twice.id));
  if (request.cells.length > MOST_CELLS) reasons.push(fact('too many cells', MOST_CELLS));
  for (const id of [...must, ...fixed.map((f) => f.cell)]) {
    if (!ids.has(id)) reasons.push(fact('cell not chosen', id));
    else if (never.includes(id)) reasons.push(fact('cell asked and forbidden', id));
  }
  for (const f of fixed)
    if (f.at < 0 || f.at >= turn) reasons.push(fact('fixed outside the turn', request.cycle.counts));
  for (const [i, f] of fixed.entries())
    if (fixed.some((g, n) => n < i && g.at === f.at && g.cell !== f.cell))
      reasons.push(fact('two cells fixed on one place', placeLabel(request.cycle, f.at)));
  if (reasons.length === 0 && blocks.length === 0) reasons.push(fact('all cells forbidden'));
  if (blocks.length > 0 && blocks.every((b) => b.length > turn)) reasons.push(fact('cells longer than the turn'));
  return reasons;
}

function cantFill({ cycle, rules }: FitRequest, blocks: readonly Block[]): Fact<FitRefusal> {
  const counts = [...new Set(blocks.map((b) => b.length / TICKS_PER_COUNT))].sort((a, b) => a - b);
  const said = counts.map((c) => String(Math.round(c * 100) / 100)).join(', ');
  const musts = (rules?.must ?? []).flatMap((cell) => [cell, '']);
  const fixed = (rules?.fixed ?? []).flatMap((f) => [f.cell, placeLabel(cycle, f.at)]);
  return fact('cells don’t fill the turn', said, cycle.counts, ...musts, ...fixed);
}
