/** A path's cost under one name. Costs are whole points, so that sums are exact in any order. */
export type CostSplit<Term extends string> = Readonly<Record<Term, number>>;

/** One way on from a state. */
export interface Move<State, Step, Term extends string> {
  readonly to: State;
  /** null = a move that adds nothing to the answer, such as closing a loop. */
  readonly step: Step | null;
  /** Points, 0 or more. */
  readonly total: number;
  /** The same by term, asked for only on paths that are given back; terms left out cost nothing. */
  readonly cost: () => Partial<Record<Term, number>>;
}

/**
 * A search over states. Moves never lead back: `stage` grows with every move, so a path is finite and
 * states of one stage can be settled before the next. Two states with the same key must have the same
 * moves, whatever path led to them.
 */
export interface SearchProblem<State, Step, Term extends string> {
  readonly terms: readonly Term[];
  readonly start: State;
  key(state: State): string | number;
  stage(state: State): number;
  isEnd(state: State): boolean;
  moves(state: State): readonly Move<State, Step, Term>[];
  /** Never more than what is still to pay from here; 0 when nothing is known. Makes the search short, not wrong. */
  bound?(state: State): number;
  /** The bound is exactly what is still to pay, Infinity where no end is in reach: the search keeps k ways open and no more. */
  readonly exact?: boolean;
}

export interface FoundPath<Step, Term extends string> {
  readonly steps: readonly Step[];
  readonly total: number;
  readonly cost: CostSplit<Term>;
}
export interface SearchResult<Step, Term extends string> {
  readonly paths: readonly FoundPath<Step, Term>[];
  /** Moves looked at. */
  readonly looked: number;
}
/** How a long search speaks with its caller. */
export interface SearchWatch {
  /** Asked every so often; true ends the search with what it has. */
  cancelled?(): boolean;
  /** 0…1 */
  progress?(share: number): void;
}
export class SearchCancelled extends Error {
  constructor() {
    super('search cancelled');
  }
}
