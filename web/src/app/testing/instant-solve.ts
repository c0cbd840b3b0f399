import type { CompRequest, FitRequest, KeyRequest, RowRequest } from '@ruffle-wheel/core';
import type {
  BassAsk,
  FalsetaAsk,
  HandsAsk,
  KeysAsk,
  LineAnswers,
  LineAsk,
  MelodyAsk,
  PieceAsk,
  RemediesAsk,
  ShapeAsk,
} from '../compute/protocol';
import { solver } from '../compute/solver';

const silent = () => undefined;

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
    return Promise.resolve(solver.fitCycle(request, silent));
  }
  /** How far the latest line has come, as its worker would tell. */
  tells: (share: number) => void = () => undefined;
  line(request: LineAsk, progress: (share: number) => void): Promise<LineAnswers> {
    this.lines.push(request);
    this.tells = progress;
    if (this.breaks) return Promise.reject(new Error(this.breaks));
    if (this.waits) return new Promise(() => undefined);
    return Promise.resolve(solver.fingerLine(request, silent));
  }
  shapes(ask: ShapeAsk) {
    return Promise.resolve(solver.voicings(ask, silent));
  }
  melody(ask: MelodyAsk) {
    return Promise.resolve(solver.bothHands(ask, silent));
  }
  keys(request: KeyRequest) {
    return Promise.resolve(solver.rankKeys(request, silent));
  }
  row(request: RowRequest) {
    return Promise.resolve(solver.shapeRow(request, silent));
  }
  comp(request: CompRequest) {
    return Promise.resolve(solver.comp(request, silent));
  }
  bass(ask: BassAsk) {
    return Promise.resolve(solver.bassLine(ask, silent));
  }
  falseta(ask: FalsetaAsk) {
    return Promise.resolve(solver.falseta(ask));
  }
  hands(ask: HandsAsk) {
    return Promise.resolve(solver.hands(ask));
  }
  conflicts(ask: PieceAsk) {
    return Promise.resolve(solver.conflicts(ask));
  }
  remedies(ask: RemediesAsk) {
    return Promise.resolve(solver.remedies(ask));
  }
  sectionKeys(ask: KeysAsk) {
    return Promise.resolve(solver.sectionKeys(ask, silent));
  }
  cancel() {
    this.cancelled++;
  }
}
