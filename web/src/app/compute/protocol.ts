import type {
  FitRequest,
  FitResult,
  LineRequest,
  LineResult,
  Reading,
  ReadingRequest,
  SchoolLine,
} from '@ruffle-wheel/core';

/** What the reading worker can be asked. Types only: the machinery stands in the clients and the workers. */
export interface Computer {
  readSection(request: ReadingRequest): Reading;
}
/** Told from time to time how far a solver has come, 0…1. */
export type Progress = (share: number) => void;
/** A line under every school, and the school that is looked at in its k best fingerings. */
export interface LineAsk {
  readonly line: Omit<LineRequest, 'school' | 'k'>;
  readonly school: LineRequest['school'];
  readonly k: number;
}
export interface LineAnswers {
  readonly schools: readonly SchoolLine[];
  readonly best: LineResult;
}
/** What the solver worker can be asked. */
export interface Solver {
  fitCycle(request: FitRequest, progress: Progress): FitResult;
  fingerLine(request: LineAsk, progress: Progress): LineAnswers;
}
