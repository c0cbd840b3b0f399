import type { FitRequest, FitResult, LineRequest, Reading, ReadingRequest, SchoolLine } from '@ruffle-wheel/core';

/** What the reading worker can be asked. Types only: the machinery stands in the clients and the workers. */
export interface Computer {
  readSection(request: ReadingRequest): Reading;
}
/** What the solver worker can be asked. */
export interface Solver {
  fitCycle(request: FitRequest): FitResult;
  compareSchools(request: Omit<LineRequest, 'school' | 'k'>): SchoolLine[];
}
