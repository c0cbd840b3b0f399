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
