import { Best } from './best.js';
import { Heap } from './heap.js';
import {
  type CostSplit,
  type FoundPath,
  SearchCancelled,
  type SearchProblem,
  type SearchResult,
  type SearchWatch,
} from './model.js';

interface Node<State, Step, Term extends string> {
  readonly state: State;
  readonly total: number;
  /** total + bound */
  readonly least: number;
  readonly order: number;
  readonly parent: Node<State, Step, Term> | null;
  readonly step: Step | null;
  readonly cost: (() => Partial<Record<Term, number>>) | null;
}

const ASK_EVERY = 512;

/**
 * The k cheapest paths from the start to an end, exactly, cheapest first. Best-first with a lower bound:
 * each state is taken up at most k times, for a path through it that is not among its k cheapest can't be
 * among the k cheapest of all. Ties go to the path found first, and moves are looked at in their order,
 * so that the same request always gives the same answer.
 * @throws SearchCancelled when the watch says so
 */
export function kBest<State, Step, Term extends string>(
  problem: SearchProblem<State, Step, Term>,
  k: number,
  watch: SearchWatch = {},
): SearchResult<Step, Term> {
  const takeUp = atMost(k, problem);
  const before = (a: Node<State, Step, Term>, b: Node<State, Step, Term>) =>
    a.least < b.least || (a.least === b.least && later(a, b));
  // With an exact bound every open node stands for a different way that costs just its `least`: the k best
  // are all that can matter, and time and memory grow with the length of the way alone.
  const best = problem.exact ? new Best(k, before) : null;
  const open = best ?? new Heap(before);
  const bound = (s: State) => problem.bound?.(s) ?? 0;
  let order = 0;
  let looked = 0;
  let rounds = 0;
  const { start } = problem;
  open.push({ state: start, total: 0, least: bound(start), order, parent: null, step: null, cost: null });
  const paths: FoundPath<Step, Term>[] = [];
  while (open.size > 0 && paths.length < k) {
    if (++rounds % ASK_EVERY === 0) {
      if (watch.cancelled?.()) throw new SearchCancelled();
      watch.progress?.(paths.length / k);
    }
    const node = open.pop() as Node<State, Step, Term>;
    if (!takeUp(node.state)) continue;
    if (problem.isEnd(node.state)) {
      paths.push(pathOf(node, problem.terms));
      continue;
    }
    for (const move of problem.moves(node.state)) {
      looked++;
      const total = node.total + move.total;
      const rest = bound(move.to);
      if (rest === Infinity) continue;
      // What falls behind all that are kept is not even made.
      if (best && !best.takes((worst) => total + rest <= worst.least)) continue;
      open.push({
        state: move.to,
        total,
        least: total + rest,
        order: ++order,
        parent: node,
        step: move.step,
        cost: move.cost,
      });
    }
  }
  return { paths, looked };

  /** Among equals the one further on goes first, which reaches an end soonest; then the one found first. */
  function later(a: Node<State, Step, Term>, b: Node<State, Step, Term>): boolean {
    const [x, y] = [problem.stage(a.state), problem.stage(b.state)];
    return x > y || (x === y && a.order < b.order);
  }
}

/** Each state is taken up so many times; with an exact bound as often as it comes. */
function atMost<State, Step, Term extends string>(k: number, problem: SearchProblem<State, Step, Term>) {
  if (problem.exact) return () => true;
  const taken = new Map<string | number, number>();
  return (state: State): boolean => {
    const key = problem.key(state);
    const times = taken.get(key) ?? 0;
    if (times < k) taken.set(key, times + 1);
    return times < k;
  };
}

function pathOf<State, Step, Term extends string>(
  end: Node<State, Step, Term>,
  terms: readonly Term[],
): FoundPath<Step, Term> {
  const steps: Step[] = [];
  const sums = new Float64Array(terms.length);
  for (let n: Node<State, Step, Term> | null = end; n; n = n.parent) {
    if (n.step !== null) steps.push(n.step);
    const own = n.cost?.();
    if (!own) continue;
    for (let t = 0; t < terms.length; t++) sums[t] = (sums[t] ?? 0) + (own[terms[t] as Term] ?? 0);
  }
  const cost = Object.fromEntries(terms.map((t, i) => [t, sums[i] ?? 0])) as Record<Term, number>;
  return { steps: steps.reverse(), total: end.total, cost: cost satisfies CostSplit<Term> };
}
