import { SearchCancelled, type SearchProblem, type SearchWatch } from './model.js';

/** A state with its place among those of its stage. */
export interface StageState<State> {
  readonly state: State;
  readonly layer: number;
  readonly index: number;
}
/** All states of a stage, and their moves as plain numbers: kept for long lines, where objects would fill the memory. */
interface Layer<State> {
  readonly states: readonly StageState<State>[];
  readonly byKey: ReadonlyMap<string | number, StageState<State>>;
  /** Where each state's moves begin in the two lists after it. */
  readonly begins: number[];
  readonly targets: number[];
  readonly totals: number[];
  /** Exactly what is still to pay from each state. */
  rest: Float64Array;
}

/**
 * The same problem with the exact cost of what is still to pay from every state that can be reached. Every
 * move must lead to the next stage. Moves are asked for once for all, and again on the ways that are given back.
 * @param stages how many there are, for telling how far it has come
 * @throws SearchCancelled when the watch says so
 */
export function withExactBound<State, Step, Term extends string>(
  problem: SearchProblem<State, Step, Term>,
  stages = 0,
  watch: SearchWatch = {},
): SearchProblem<StageState<State>, Step, Term> {
  const start: StageState<State> = { state: problem.start, layer: 0, index: 0 };
  const layers: Layer<State>[] = [];
  const layerOf = (byKey: ReadonlyMap<string | number, StageState<State>>): Layer<State> => ({
    states: [...byKey.values()],
    byKey,
    begins: [],
    targets: [],
    totals: [],
    rest: new Float64Array(byKey.size).fill(Infinity),
  });
  for (let layer = layerOf(new Map([[problem.key(start.state), start]])); layer.states.length > 0;) {
    if (watch.cancelled?.()) throw new SearchCancelled();
    if (stages > 0) watch.progress?.(Math.min(1, layers.length / stages));
    layers.push(layer);
    const next = new Map<string | number, StageState<State>>();
    for (const { state } of layer.states) {
      layer.begins.push(layer.targets.length);
      if (problem.isEnd(state)) continue;
      for (const { to, total } of problem.moves(state)) {
        const key = problem.key(to);
        const there = next.get(key) ?? { state: to, layer: layers.length, index: next.size };
        next.set(key, there);
        layer.targets.push(there.index);
        layer.totals.push(total);
      }
    }
    layer.begins.push(layer.targets.length);
    layer = layerOf(next);
  }
  for (let n = layers.length - 1; n >= 0; n--) {
    const layer = layers[n] as Layer<State>;
    const onward = layers[n + 1]?.rest;
    layer.states.forEach(({ state }, i) => {
      let least = problem.isEnd(state) ? 0 : Infinity;
      for (let m = layer.begins[i] ?? 0; m < (layer.begins[i + 1] ?? 0); m++)
        least = Math.min(least, (layer.totals[m] ?? 0) + (onward?.[layer.targets[m] ?? 0] ?? Infinity));
      layer.rest[i] = least;
    });
  }
  const placedIn = (layer: number, state: State): StageState<State> =>
    layers[layer]?.byKey.get(problem.key(state)) ?? { state, layer, index: -1 };
  return {
    terms: problem.terms,
    start,
    key: (s) => `${s.layer} ${s.index}`,
    stage: (s) => problem.stage(s.state),
    isEnd: (s) => problem.isEnd(s.state),
    moves: (s) => problem.moves(s.state).map((m) => ({ ...m, to: placedIn(s.layer + 1, m.to) })),
    exact: true,
    bound: (s) => layers[s.layer]?.rest[s.index] ?? Infinity,
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
