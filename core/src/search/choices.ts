import { SearchCancelled, type SearchWatch } from './model.js';

/** A way of one choice a stage, where exactly what is still to pay is known everywhere. */
export interface ChoiceProblem {
  readonly stages: number;
  /** What a stage must know of the choices before it, as a whole number. */
  readonly start: number;
  /** How many choices there are at a stage. */
  ways(stage: number): number;
  /** Points of a choice. */
  points(stage: number, state: number, choice: number): number;
  /** The state that it leads to, in which the next stage is begun. */
  after(stage: number, state: number, choice: number): number;
  /** Exactly what is still to pay in a state in which a stage is begun; Infinity where no end is in reach. */
  rest(stage: number, state: number): number;
}
export interface ChosenWay {
  /** By stage. */
  readonly choices: readonly number[];
  readonly total: number;
}
/** The beginnings of ways that are kept at a stage, the best first, as columns: long lines would make heaps of objects. */
class Beginnings {
  size = 0;
  readonly states: Int32Array;
  readonly paid: Float64Array;
  readonly least: Float64Array;
  readonly parents: Int32Array;
  readonly choices: Int32Array;
  constructor(private readonly most: number) {
    [this.states, this.parents, this.choices] = [new Int32Array(most), new Int32Array(most), new Int32Array(most)];
    [this.paid, this.least] = [new Float64Array(most), new Float64Array(most)];
  }
  /** Whether one that ends at this is among the best; of equals the one found first. */
  takes(least: number): boolean {
    return least < (this.size < this.most ? Infinity : (this.least[this.most - 1] ?? 0));
  }
  put(state: number, paid: number, least: number, parent: number, choice: number) {
    if (this.size < this.most) this.size++;
    let at = this.size - 1;
    for (; at > 0 && least < (this.least[at - 1] ?? 0); at--) this.copy(at - 1, at);
    this.states[at] = state;
    this.paid[at] = paid;
    this.least[at] = least;
    this.parents[at] = parent;
    this.choices[at] = choice;
  }
  private copy(from: number, to: number) {
    this.states[to] = this.states[from] ?? 0;
    this.paid[to] = this.paid[from] ?? 0;
    this.least[to] = this.least[from] ?? 0;
    this.parents[to] = this.parents[from] ?? 0;
    this.choices[to] = this.choices[from] ?? 0;
  }
}
const ASK_EVERY = 512;

/**
 * The k cheapest ways, exactly, cheapest first: of the beginnings of every length the k with the cheapest ends are kept,
 * for no other can begin one of the k best. Of equals the one found first is kept. Memory is a few numbers a stage, so
 * that time grows with the length alone.
 * @throws SearchCancelled when the watch says so
 */
export function kBestChoices(
  problem: ChoiceProblem,
  k: number,
  watch: SearchWatch = {},
): { readonly ways: readonly ChosenWay[]; readonly looked: number } {
  const { stages } = problem;
  const parents = new Int32Array(stages * k);
  const choices = new Int32Array(stages * k);
  let looked = 0;
  let [kept, next] = [new Beginnings(k), new Beginnings(k)];
  const rest = problem.rest(0, problem.start);
  if (kept.takes(rest)) kept.put(problem.start, 0, rest, 0, 0);
  for (let stage = 0; stage < stages; stage++) {
    if (stage % ASK_EVERY === 0) {
      if (watch.cancelled?.()) throw new SearchCancelled();
      watch.progress?.(stage / stages);
    }
    next.size = 0;
    const ways = problem.ways(stage);
    for (let parent = 0; parent < kept.size; parent++) {
      const [state, paid] = [kept.states[parent] ?? 0, kept.paid[parent] ?? 0];
      for (let choice = 0; choice < ways; choice++) {
        looked++;
        const to = problem.after(stage, state, choice);
        const total = paid + problem.points(stage, state, choice);
        const least = total + problem.rest(stage + 1, to);
        if (next.takes(least)) next.put(to, total, least, parent, choice);
      }
    }
    [kept, next] = [next, kept];
    parents.set(kept.parents, stage * k);
    choices.set(kept.choices, stage * k);
  }
  const found = Array.from(kept.least.subarray(0, kept.size), (total, i) => ({ choices: back(i), total }));
  return { ways: found, looked };

  function back(end: number): number[] {
    const chosen = new Array<number>(stages);
    for (let stage = stages - 1, i = end; stage >= 0; stage--) {
      chosen[stage] = choices[stage * k + i] ?? 0;
      i = parents[stage * k + i] ?? 0;
    }
    return chosen;
  }
}
