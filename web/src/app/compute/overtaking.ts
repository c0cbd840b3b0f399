import { proxy, type Remote } from 'comlink';
import type { Progress } from './protocol';
import { WorkerLink } from './worker-link';

/** Long work tells how far it is several times a second; a worker that is silent for so long has died. */
const SILENT_MS = 30_000;

/** A worker whose newer question ends the one still running, at once: it is dropped and the next one starts afresh. */
export abstract class Overtaking<T> {
  private readonly link: WorkerLink<T>;
  private ticket = 0;
  private busy = false;

  constructor(make: () => Worker) {
    this.link = new WorkerLink<T>(make);
  }
  /** @returns null when a newer question has overtaken this one, or it was cancelled */
  protected async run<R>(ask: (worker: Remote<T>) => Promise<R>): Promise<R | null> {
    this.cancel();
    const ticket = ++this.ticket;
    this.busy = true;
    try {
      const result = await this.link.ask(ask, SILENT_MS);
      return ticket === this.ticket ? result : null;
    } catch (e) {
      // A worker that was dropped never answers: that is no fault of the question.
      if (ticket !== this.ticket) return null;
      throw e;
    } finally {
      if (ticket === this.ticket) this.busy = false;
    }
  }
  /** Progress is a sign of life. */
  protected told(progress: Progress) {
    return proxy((share: number) => {
      this.link.heard();
      progress(share);
    });
  }
  cancel() {
    this.ticket++;
    if (this.busy) this.link.drop();
    this.busy = false;
  }
}
