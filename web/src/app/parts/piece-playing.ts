import { inject, Injectable, signal } from '@angular/core';
import { partAt, type PiecePlan } from '@ruffle-wheel/core';
import { Compute } from '../compute/compute';
import { Transport } from '../sound/transport';
import { Collection, OpenStudy } from '../study';
import { InTime } from './in-time';

/** Plays the open study from end to end as its form has it; the page follows from section to section. */
@Injectable({ providedIn: 'root' })
export class PiecePlaying {
  private readonly compute = inject(Compute);
  private readonly transport = inject(Transport);
  private readonly open = inject(OpenStudy);
  private readonly collection = inject(Collection);
  private readonly time = inject(InTime);
  private readonly part = signal<number | null>(null);
  private first = 0;
  private readonly names = signal<readonly string[]>([]);
  /** The parts of the form, by the names of their sections. */
  readonly parts = this.names.asReadonly();

  /** The part of the form that is heard, counted from 0; null while none is. */
  heard(): number | null {
    return this.transport.running() ? this.part() : null;
  }

  /**
   * @param first the part to begin with, counted from 0
   * @returns false where there is nothing to play
   */
  async play(first = 0): Promise<boolean> {
    const study = this.open.study();
    const plan = study && (await this.compute.piecePlan(study, first, this.time.keeping()));
    if (!plan || this.open.study() !== study) return false;
    this.first = first;
    const named = new Map(study.sections.map((s) => [s.id, s.name]));
    const before = Array.from({ length: first }, () => '');
    this.names.set([...before, ...plan.parts.map((p) => named.get(p.section) ?? '')]);
    this.part.set(first);
    this.follow(plan, 0);
    await this.transport.playInstead(plan, plan.tempo, {
      round: false,
      countIn: this.collection.settings().countIn,
      placeIn: (at) => this.follow(plan, at),
    });
    return true;
  }
  stop() {
    this.transport.stop();
  }
  /** Where the music is in its section, which is the open one from there on. */
  private follow(plan: PiecePlan, at: number): number {
    const here = partAt(plan, at);
    if (!here) return 0;
    this.part.set(this.first + here.part);
    if (here.section !== this.open.section()?.id) this.open.chooseSection(here.section);
    return here.at;
  }
}
