import { inject, Injectable } from '@angular/core';
import { Writes } from '../data';
import { OpenStudy } from './open-study';

/**
 * A tab that is left, hidden or closed: what is not yet stored is written in the same instant, and the player is
 * asked where something could be lost or is still to be chosen.
 */
@Injectable({ providedIn: 'root' })
export class Leaving {
  private readonly writes = inject(Writes);
  private readonly open = inject(OpenStudy);

  /** Begins to listen. */
  watch() {
    addEventListener('pagehide', () => this.writes.leave());
    document.addEventListener('visibilitychange', () => {
      if (document.visibilityState === 'hidden') this.writes.leave();
    });
    addEventListener('beforeunload', (e) => {
      if (this.asks()) e.preventDefault();
    });
  }
  /** Whether leaving now has to be asked about. */
  asks(): boolean {
    const kept = this.writes.leave();
    const state = this.open.saved();
    return !kept || state === 'failed' || state === 'conflict' || state === 'gone' || state === 'refused';
  }
}
