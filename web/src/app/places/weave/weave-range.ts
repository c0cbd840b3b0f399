import { InTime } from '../../parts/in-time';
import { SectionPlaying } from '../../parts/section-playing';
import { computed, inject, linkedSignal } from '@angular/core';
import { askedDrill, barBegin, type Plan, rangeKey, rangePlan, ticks } from '@ruffle-wheel/core';
import { Router } from '@angular/router';
import { Transport } from '../../sound/transport';
import { AskedDrills, Collection, OpenStudy } from '../../study';

/** Bars that are practised one by one at a time. */
const MOST_BARS = 32;

/** Bars chosen on the page: they go round with a bar of clicks before them, and to Practise. */
export class WeaveRange {
  private readonly open = inject(OpenStudy);
  private readonly transport = inject(Transport);
  private readonly playing = inject(SectionPlaying);
  private readonly asked = inject(AskedDrills);
  private readonly router = inject(Router);
  private readonly collection = inject(Collection);
  private readonly time = inject(InTime);
  private readonly sectionId = computed(() => this.open.section()?.id);
  /** First and last bar, counted from 0; another section has none. */
  private readonly chosen = linkedSignal<string | undefined, readonly [number, number | null] | null>({
    source: this.sectionId,
    computation: () => null,
  });
  /** It has begun, and its last bar is not chosen yet. */
  readonly growing = computed(() => this.chosen()?.[1] === null);

  /** The bars as they are; while it grows, up to the bar that the cursor is in. */
  bars(here: number): readonly [number, number] | null {
    const chosen = this.chosen();
    if (!chosen) return null;
    const [a, b] = [chosen[0], chosen[1] ?? here];
    return [Math.min(a, b), Math.max(a, b)];
  }
  /** Begins at a bar, ends at a bar, and goes. */
  mark(bar: number) {
    const chosen = this.chosen();
    if (!chosen) this.chosen.set([bar, null]);
    else if (chosen[1] === null) this.chosen.set([chosen[0], bar]);
    else this.clear();
  }
  clear() {
    this.chosen.set(null);
  }

  /**
   * Plays the bars round and round, or stops; without any, the section as everywhere.
   * @param part what is heard in place of the whole
   */
  async play(here: number, part: Plan | null) {
    const [section, bars] = [this.open.section(), this.bars(here)];
    const { countIn } = this.collection.settings();
    if (this.playing.stop()) return;
    if (!section) return;
    if (!bars && !part) return this.playing.play();
    const plan = part ?? (await this.heardPlan());
    if (!bars && part)
      return this.transport.playInstead(part, section.bpm, { round: true, countIn, placeIn: (at) => at });
    if (!bars || !plan) return;
    const [from, to] = [barBegin(section.cycle, bars[0]), Math.min(plan.length, barBegin(section.cycle, bars[1] + 1))];
    const lead = ticks(barBegin(section.cycle, bars[0] + 1) - from);
    await this.transport.playInstead(rangePlan(plan, from, ticks(to), lead), section.bpm, {
      round: true,
      countIn: false,
      // While it is counted in the cursor waits at the first bar.
      placeIn: (at) => from + Math.max(0, at - lead),
    });
  }
  private async heardPlan(): Promise<Plan | undefined> {
    const plan = (await this.open.readNow())?.plan;
    return plan && this.time.own(plan);
  }
  /** Every bar by itself, those that are alike once. @returns false where none can be cut out */
  practiseEach(alike: readonly number[]): boolean {
    const [section, study] = [this.open.section(), this.open.study()];
    if (!section || !study) return false;
    const keys = alike.flatMap((first, bar) => (first === bar ? [rangeKey(bar, bar)] : []));
    const cut = keys.slice(0, MOST_BARS).filter((key) => askedDrill(section, study, key));
    if (cut.length === 0) return false;
    this.asked.ask(cut);
    void this.router.navigateByUrl('/practise');
    return true;
  }
  /** @returns false where the bars can't be cut out */
  practise(here: number): boolean {
    const [section, study, bars] = [this.open.section(), this.open.study(), this.bars(here)];
    const key = bars ? rangeKey(bars[0], bars[1]) : null;
    if (!section || !study || !key || !askedDrill(section, study, key)) return false;
    this.asked.ask([key]);
    void this.router.navigateByUrl('/practise');
    return true;
  }
}
