import { effect, inject, Injectable, signal } from '@angular/core';
import { first } from 'rxjs';
import { Store, Writes } from '../data';
import { Engine } from '../sound/engine';
import { Transport } from '../sound/transport';
import { Arrivals, Collection, Leaving, OpenStudy } from '../study';
import { Troubles } from './troubles';
import { words } from '../words/en';

/** Reads what is stored, opens the study of last time, and ties settings and plan to sound and page. */
@Injectable({ providedIn: 'root' })
export class Startup {
  private readonly store = inject(Store);
  private readonly writes = inject(Writes);
  private readonly collection = inject(Collection);
  private readonly arrivals = inject(Arrivals);
  private readonly open = inject(OpenStudy);
  private readonly leaving = inject(Leaving);
  private readonly transport = inject(Transport);
  private readonly troubles = inject(Troubles);
  readonly ready = signal(false);

  constructor() {
    effect(() => {
      const s = this.collection.settings();
      for (const v of ['guitar', 'claps', 'click'] as const) this.transport.setVolume(v, s[v]);
      this.transport.loop = s.loop;
      document.documentElement.dataset['theme'] = s.theme;
    });
    effect(() => {
      const reading = this.open.reading();
      if (reading) this.transport.load(() => reading.plan, reading.countIn);
    });
    effect(() => {
      const tempo = this.open.section()?.bpm;
      if (tempo) this.transport.setTempo(tempo);
    });
  }

  async begin() {
    this.leaving.watch();
    try {
      await this.collection.load();
      await this.seed();
    } catch {
      // What is made now stays in memory and in exports; it is stored as soon as storage answers.
      this.troubles.say({ matter: 'storage', text: words.startup.noStorage });
      await this.arrivals.seed().catch(() => null);
    }
    this.openLast();
    this.ready.set(true);
    Engine.warm();
    // Asked for once there is something to keep.
    this.writes.done
      .pipe(first(({ operation }) => operation.kind !== 'settings'))
      .subscribe(() => void navigator.storage?.persist?.().catch(() => false));
  }
  /** Demo data come into empty tables only; what failed to come is asked for again at the next start. */
  private async seed() {
    if (this.collection.settings().seeded) return;
    if (!(await this.store.isEmpty())) return this.collection.set({ seeded: true });
    const refused = await this.arrivals.seed();
    if (!refused) return this.troubles.end('demo');
    const again = async () => {
      await this.seed();
      if (!this.open.study()) this.openLast();
    };
    this.troubles.say({ matter: 'demo', text: refused.message, again: () => void again() });
  }

  /** Opens the study of last time, or the first there is. */
  openLast() {
    const { studyId, sectionId } = this.collection.settings();
    const rows = this.collection.studies();
    const row = rows.find((r) => r.id === studyId) ?? rows.find((r) => r.id === 'lantern-stair') ?? rows[0];
    if (row) this.open.open(row, sectionId);
    else this.open.close();
  }
}
