import { effect, inject, Injectable, signal } from '@angular/core';
import { Engine } from './sound/engine';
import { Transport } from './sound/transport';
import { Collection, OpenStudy } from './study';

/** Reads what is stored, opens the study of last time, and ties settings and plan to sound and page. */
@Injectable({ providedIn: 'root' })
export class Startup {
  private readonly collection = inject(Collection);
  private readonly open = inject(OpenStudy);
  private readonly transport = inject(Transport);
  private readonly trouble = signal<string | null>(null);
  readonly failed = this.trouble.asReadonly();
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
      if (reading) this.transport.load(reading.plan, reading.countIn);
    });
    effect(() => {
      const tempo = this.open.section()?.bpm;
      if (tempo) this.transport.setTempo(tempo);
    });
  }

  async begin() {
    try {
      await this.collection.load();
    } catch {
      this.trouble.set(
        'This browser’s storage can’t be read, so nothing can be kept here. Allow storage for this page, or leave private browsing.',
      );
      return;
    }
    this.openLast();
    this.ready.set(true);
    Engine.warm();
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
