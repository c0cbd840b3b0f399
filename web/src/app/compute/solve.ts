import { Injectable } from '@angular/core';
import type {
  BothHandsResult,
  FitRequest,
  FitResult,
  KeyRequest,
  RankedKey,
  RowRequest,
  RowResult,
} from '@ruffle-wheel/core';
import { proxy, type Remote, wrap } from 'comlink';
import type { LineAnswers, LineAsk, MelodyAsk, Progress, ShapeAnswers, ShapeAsk, Solver } from './protocol';

/**
 * The solvers' own worker, apart from the one that reads while the player types. A newer request ends
 * the one still running, at once: its worker is dropped and the next one starts afresh.
 */
@Injectable({ providedIn: 'root' })
export class Solve {
  private worker: Worker | null = null;
  private remote: Remote<Solver> | null = null;
  private ticket = 0;
  private busy = false;
  private drop: () => void = () => undefined;

  /** @returns null when a newer request has overtaken this one, or it was cancelled */
  fit(request: FitRequest, progress: Progress): Promise<FitResult | null> {
    return this.run<FitResult>(async (solver) => solver.fitCycle(request, proxy(progress)));
  }
  /** A line under every school, one of them in its best few. @returns null when overtaken or cancelled */
  line(request: LineAsk, progress: Progress): Promise<LineAnswers | null> {
    return this.run<LineAnswers>(async (solver) => solver.fingerLine(request, proxy(progress)));
  }
  /** Shapes for a chord with easier substitutes. @returns null when overtaken or cancelled */
  shapes(request: ShapeAsk, progress: Progress): Promise<ShapeAnswers | null> {
    return this.run<ShapeAnswers>(async (solver) => solver.voicings(request, proxy(progress)));
  }
  /** A melody fretted and fingered. @returns null when overtaken or cancelled */
  melody(ask: MelodyAsk, progress: Progress): Promise<BothHandsResult | null> {
    return this.run<BothHandsResult>(async (solver) => solver.bothHands(ask, proxy(progress)));
  }
  /** Every transposition and capo place of a passage. @returns null when overtaken or cancelled */
  keys(request: KeyRequest, progress: Progress): Promise<RankedKey[] | null> {
    return this.run<RankedKey[]>(async (solver) => solver.rankKeys(request, proxy(progress)));
  }
  /** Shapes for a row of chords with least movement. @returns null when overtaken or cancelled */
  row(request: RowRequest, progress: Progress): Promise<RowResult | null> {
    return this.run<RowResult>(async (solver) => solver.shapeRow(request, proxy(progress)));
  }

  private async run<T>(ask: (solver: Remote<Solver>) => Promise<T>): Promise<T | null> {
    this.cancel();
    const ticket = ++this.ticket;
    this.busy = true;
    // A worker that was dropped never answers: whoever waits for it hears of the cancelling here.
    const result = await Promise.race([
      ask(this.solver()),
      new Promise<null>((drop) => (this.drop = () => drop(null))),
    ]);
    if (ticket !== this.ticket) return null;
    this.busy = false;
    return result;
  }

  cancel() {
    this.ticket++;
    this.drop();
    if (!this.busy) return;
    this.worker?.terminate();
    this.worker = null;
    this.remote = null;
    this.busy = false;
  }

  private solver(): Remote<Solver> {
    if (!this.remote) {
      this.worker = new Worker(new URL('./solver.worker', import.meta.url), { type: 'module', name: 'solver' });
      this.remote = wrap<Solver>(this.worker);
    }
    return this.remote;
  }
}

/** A worker of its own for what takes seconds, so that it and shorter answers don't end each other. */
@Injectable({ providedIn: 'root' })
export class LongSolve extends Solve {}
