import { compareSchools, fingerLine, fitCycle, type FitRequest } from '@ruffle-wheel/core';
import type { LineAnswers, LineAsk } from '../compute/protocol';

/** The solvers in the page; keeps what it was asked. */
export class InstantSolve {
  readonly fits: FitRequest[] = [];
  readonly lines: LineAsk[] = [];
  cancelled = 0;
  /** Answers no more, as a solver does with a very long line. */
  waits = false;
  fit(request: FitRequest) {
    this.fits.push(request);
    return Promise.resolve(fitCycle(request));
  }
  line(request: LineAsk): Promise<LineAnswers> {
    this.lines.push(request);
    if (this.waits) return new Promise(() => undefined);
    const { line, school, k } = request;
    return Promise.resolve({ best: fingerLine({ ...line, school, k }), schools: compareSchools(line) });
  }
  cancel() {
    this.cancelled++;
  }
}
