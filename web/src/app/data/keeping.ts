import { inject, Injectable } from '@angular/core';
import { WorkerDied, WorkerLink } from '../compute/worker-link';
import { DATABASE_NAME } from './database-name';
import type { Keeper } from './keeper';

/** A worker that does not answer so long after it was started, or in the middle of its work, has died. */
const START_MS = 10_000;
const SILENT_MS = 60_000;

/** The keeper as it is asked from here: every answer comes later. */
export type AskedKeeper = {
  [M in keyof Keeper]: Keeper[M] extends (...args: infer A) => infer R ? (...args: A) => Promise<Awaited<R>> : never;
};

/** The way to the keeper: in its worker, or in the page where there is none or it died. */
@Injectable({ providedIn: 'root' })
export class Keeping {
  private readonly name = inject(DATABASE_NAME);
  private readonly link = new WorkerLink<Keeper>(
    () => new Worker(new URL('./keeper.worker', import.meta.url), { type: 'module', name: 'keeper' }),
  );
  private opened: Promise<void> | null = null;
  private own: Promise<Keeper> | null = null;
  private broken = typeof Worker === 'undefined';

  /** Puts a question to the keeper; when its worker dies meanwhile it is asked anew, in the page. */
  async ask<T>(question: (keeper: AskedKeeper) => Promise<T>): Promise<T> {
    if (!this.broken) {
      try {
        this.opened ??= this.link.ask((k) => k.open(this.name), START_MS);
        await this.opened;
        return await this.link.ask((remote) => question(remote as unknown as AskedKeeper), SILENT_MS);
      } catch (e) {
        if (!(e instanceof WorkerDied)) throw e;
        this.broken = true;
        this.link.drop();
      }
    }
    return question((await this.inPage()) as unknown as AskedKeeper);
  }
  private inPage(): Promise<Keeper> {
    this.own ??= import('./keeper').then(({ Keeper: Own }) => {
      const keeper = new Own();
      keeper.open(this.name);
      return keeper;
    });
    return this.own;
  }
}
