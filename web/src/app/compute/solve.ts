import { Injectable } from '@angular/core';
import type { FitRequest, FitResult, LineRequest, SchoolLine } from '@ruffle-wheel/core';
import { type Remote, wrap } from 'comlink';
import type { Solver } from './protocol';

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

  /** @returns null when a newer request has overtaken this one, or it was cancelled */
  fit(request: FitRequest): Promise<FitResult | null> {
    return this.run<FitResult>(async (solver) => solver.fitCycle(request));
  }
  /** The best fingering of a line under every school. @returns null when overtaken or cancelled */
  schools(request: Omit<LineRequest, 'school' | 'k'>): Promise<SchoolLine[] | null> {
    return this.run((solver) => solver.compareSchools(request));
  }

  private async run<T>(ask: (solver: Remote<Solver>) => Promise<T>): Promise<T | null> {
    this.cancel();
    const ticket = ++this.ticket;
    this.busy = true;
    const result = await ask(this.solver());
    if (ticket !== this.ticket) return null;
    this.busy = false;
    return result;
  }

  cancel() {
    this.ticket++;
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
