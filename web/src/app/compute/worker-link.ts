import { type Remote, wrap } from 'comlink';

/** A worker that died, could not be fetched, or has said nothing for too long. */
export class WorkerDied extends Error {
  constructor() {
    super('the worker gave no answer');
  }
}

/** One worker behind typed questions. It starts with the first; when it dies, whoever waits for an answer is told. */
export class WorkerLink<T> {
  private worker: Worker | null = null;
  private remote: Remote<T> | null = null;
  private readonly waiting = new Set<{ readonly end: () => void; readonly heard: () => void }>();

  constructor(private readonly make: () => Worker) {}

  /**
   * @param silentMs a worker that says nothing for so long is taken for dead
   * @throws WorkerDied, or what the question itself throws
   */
  ask<R>(question: (remote: Remote<T>) => Promise<R>, silentMs: number): Promise<R> {
    return new Promise((resolve, reject) => {
      let timer: ReturnType<typeof setTimeout> | undefined;
      const done = () => {
        clearTimeout(timer);
        this.waiting.delete(one);
      };
      const one = {
        end: () => {
          done();
          reject(new WorkerDied());
        },
        heard: () => {
          clearTimeout(timer);
          timer = setTimeout(() => this.drop(), silentMs);
        },
      };
      this.waiting.add(one);
      one.heard();
      question(this.started()).then(resolve, reject).finally(done);
    });
  }
  /** A sign of life, such as progress told. */
  heard() {
    for (const one of this.waiting) one.heard();
  }
  /** Ends the worker; the next question starts another. */
  drop() {
    this.worker?.terminate();
    this.worker = null;
    this.remote = null;
    for (const one of [...this.waiting]) one.end();
  }
  private started(): Remote<T> {
    if (!this.remote) {
      const worker = this.make();
      worker.addEventListener('error', (e) => {
        // Told to who waits: the console need not hear of it too.
        e.preventDefault();
        if (worker === this.worker) this.drop();
      });
      this.worker = worker;
      this.remote = wrap<T>(worker);
    }
    return this.remote;
  }
}
