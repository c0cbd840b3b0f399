/** Tempo steps from `start` towards `end`; an end below the start walks down, where control shows. */
export interface Ladder {
  readonly start: number;
  readonly end: number;
  /** Counts a minute between rungs, above 0. */
  readonly step: number;
  /** Clean passes in a row that earn the next rung. */
  readonly passes: number;
}
