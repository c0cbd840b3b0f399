import {
  bothHands,
  compareSchools,
  easier,
  fingerLine,
  fitCycle,
  type FitRequest,
  type KeyRequest,
  rankKeys,
  type RowRequest,
  shapeRow,
  voicings,
} from '@ruffle-wheel/core';
import type { LineAnswers, LineAsk, MelodyAsk, ShapeAnswers, ShapeAsk } from '../compute/protocol';

/** The solvers in the page; keeps what it was asked. */
export class InstantSolve {
  readonly fits: FitRequest[] = [];
  readonly lines: LineAsk[] = [];
  cancelled = 0;
  /** Why it fails, as a worker that died would say; empty while it answers. */
  breaks = '';
  /** Answers no more, as a solver does with a very long line. */
  waits = false;
  fit(request: FitRequest) {
    this.fits.push(request);
    return Promise.resolve(fitCycle(request));
  }
  /** How far the latest line has come, as its worker would tell. */
  tells: (share: number) => void = () => undefined;
  line(request: LineAsk, progress: (share: number) => void): Promise<LineAnswers> {
    this.lines.push(request);
    this.tells = progress;
    if (this.breaks) return Promise.reject(new Error(this.breaks));
    if (this.waits) return new Promise(() => undefined);
    const { line, school, k } = request;
    return Promise.resolve({ best: fingerLine({ ...line, school, k }), schools: compareSchools(line) });
  }
  shapes({ request, hard }: ShapeAsk): Promise<ShapeAnswers> {
    const { chord } = request;
    const found = voicings(request);
    const from = hard ?? (found.infeasible ? null : (found.answers[0]?.steps[0] ?? null));
    return Promise.resolve({ found, easier: from && chord !== undefined ? easier({ ...request, chord }, from) : [] });
  }
  melody({ read, request }: MelodyAsk) {
    return Promise.resolve(bothHands(read, request));
  }
  keys(request: KeyRequest) {
    return Promise.resolve(rankKeys(request));
  }
  row(request: RowRequest) {
    return Promise.resolve(shapeRow(request));
  }
  cancel() {
    this.cancelled++;
  }
}
