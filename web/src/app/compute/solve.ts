import { Injectable } from '@angular/core';
import type { FitRequest, FitResult } from '@ruffle-wheel/core';
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
  async fit(request: FitRequest): Promise<FitResult | null> {
    this.cancel();
    const ticket = ++this.ticket;
    this.busy = true;
    const result = await this.solver().fitCycle(request);
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
