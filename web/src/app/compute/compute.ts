import { Injectable, signal } from '@angular/core';
import type { Reading, ReadingRequest } from '@ruffle-wheel/core';
import { type Remote, wrap } from 'comlink';
import type { Computer } from './protocol';

/** A reading with the request it answers. */
export interface AnsweredReading {
  readonly request: ReadingRequest;
  readonly reading: Reading;
}

/**
 * The only door to the solvers. One request runs at a time; while it runs only the newest one waits,
 * so that fast typing never queues up work nobody will look at.
 */
@Injectable({ providedIn: 'root' })
export class Compute {
  private worker: Remote<Computer> | null = null;
  private waiting: ReadingRequest | null = null;
  private running = false;
  private readonly latest = signal<AnsweredReading | null>(null);
  readonly answered = this.latest.asReadonly();

  protected start(): Remote<Computer> | Computer {
    return wrap<Computer>(
      new Worker(new URL('./reading.worker', import.meta.url), { type: 'module', name: 'reading' }),
    );
  }

  /** Asks for a reading; the answer arrives in `answered`, unless a newer request has overtaken it. */
  ask(request: ReadingRequest) {
    this.waiting = request;
    if (!this.running) void this.run();
  }

  private async run() {
    this.running = true;
    this.worker ??= this.start() as Remote<Computer>;
    while (this.waiting) {
      const request = this.waiting;
      this.waiting = null;
      const reading = await this.worker.readSection(request);
      if (!this.waiting) this.latest.set({ request, reading });
    }
    this.running = false;
  }
}
