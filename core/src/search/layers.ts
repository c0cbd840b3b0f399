import type { Move, SearchProblem } from './model.js';

/**
 * The same problem with the exact cost of what is still to pay from every state that can be reached. Every
 * move must lead to the next stage. Each state's moves are asked for once, and kept.
 */
export function withExactBound<State, Step, Term extends string>(
  problem: SearchProblem<State, Step, Term>,
): SearchProblem<State, Step, Term> {
  const moves = new Map<string | number, readonly Move<State, Step, Term>[]>();
  const rest = new Map<string | number, number>();
  const layers: State[][] = [[problem.start]];
  for (let n = 0; (layers[n]?.length ?? 0) > 0; n++) {
    const next = new Map<string | number, State>();
    for (const state of layers[n] ?? []) {
      if (problem.isEnd(state)) continue;
      const found = problem.moves(state);
      moves.set(problem.key(state), found);
      for (const m of found) next.set(problem.key(m.to), m.to);
    }
    layers.push([...next.values()]);
  }
  for (const layer of layers.reverse())
    for (const state of layer) {
      let least = problem.isEnd(state) ? 0 : Infinity;
      for (const m of moves.get(problem.key(state)) ?? [])
        least = Math.min(least, m.total + (rest.get(problem.key(m.to)) ?? Infinity));
      rest.set(problem.key(state), least);
    }
  return {
    ...problem,
    exact: true,
    bound: (s) => rest.get(problem.key(s)) ?? Infinity,
    moves: (s) => moves.get(problem.key(s)) ?? problem.moves(s),
  };
}

/** The total of the cheapest path alone, layer by layer; null when no end is reached. Every move must lead to the next stage. */
export function leastTotal<State, Step, Term extends string>(problem: SearchProblem<State, Step, Term>): number | null {
  let layer = new Map<string | number, { state: State; total: number }>([[0, { state: problem.start, total: 0 }]]);
  let least: number | null = null;
  while (layer.size > 0) {
    const next = new Map<string | number, { state: State; total: number }>();
    for (const { state, total } of layer.values()) {
      if (problem.isEnd(state)) {
        if (least === null || total < least) least = total;
        continue;
      }
      for (const m of problem.moves(state)) {
        const key = problem.key(m.to);
        const there = next.get(key);
        if (!there || total + m.total < there.total) next.set(key, { state: m.to, total: total + m.total });
      }
    }
    layer = next;
  }
  return least;
}
