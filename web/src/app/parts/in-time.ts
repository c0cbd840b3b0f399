import { computed, inject, Injectable, signal } from '@angular/core';
import { inTime, PLAIN_TIME, type Plan, type TimeKeeping } from '@ruffle-wheel/core';
import { Collection, OpenStudy } from '../study';

const HALF = 0.5;
const USUAL_SILENCE = { heard: 3, silent: 1 };

/** How the time is kept while something plays: by what, and how much of its tempo the music goes at. */
@Injectable({ providedIn: 'root' })
export class InTime {
  private readonly collection = inject(Collection);
  private readonly open = inject(OpenStudy);
  private readonly slow = signal(false);
  /** Everything goes at half its tempo; what is written, and the ladder, stay as they are. */
  readonly half = this.slow.asReadonly();
  readonly keeping = computed((): TimeKeeping => this.collection.settings().time ?? PLAIN_TIME);
  /**
   * How much of its tempo the music goes at. Where a click falls on fewer steps than a count has, it stays as fast as the
   * counts were, and the music goes slower: one step on a click, then two, then four.
   */
  readonly speed = computed(() => {
    const { stepsAClick } = this.keeping();
    const steps = this.open.section()?.stepsPerCount ?? 1;
    const share = stepsAClick > 0 ? Math.min(1, stepsAClick / steps) : 1;
    return share * (this.slow() ? HALF : 1);
  });
  /** The tempo at which something is heard that has another by itself. */
  at(bpm: number): number {
    return Math.round(bpm * this.speed());
  }
  toggleSilent() {
    this.keep({ silent: this.keeping().silent ? null : USUAL_SILENCE });
  }
  toggleHalf() {
    this.slow.update((on) => !on);
  }
  keep(change: Partial<TimeKeeping>) {
    this.collection.set({ time: { ...this.keeping(), ...change } });
  }
  /** The open section's plan as the player keeps time to it. */
  own(plan: Plan): Plan {
    const [section, study, keeping] = [this.open.section(), this.open.study(), this.keeping()];
    return section && study && keeping !== PLAIN_TIME ? inTime(plan, section, study, keeping) : plan;
  }
}
