import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { barTicks, keepTrial, scoreOf } from '@ruffle-wheel/core';
import { OpenStudy } from '../../study';
import { SmallTablature } from '../../ui/small-tablature';
import { columnsOf } from '../../ui/struck-columns';
import { type Shown, trialOf } from './try-out';

/** Strokes drawn at the most, and bars that are looked at for them. */
const MOST_STROKES = 32;
const MOST_BARS = 4;

/** What an answer would play, as a small tablature with the fingers of both hands. */
@Component({
  selector: 'app-trial-tablature',
  imports: [SmallTablature],
  template: `
    @if (columns().length) {
      <app-small-tablature [label]="label()" [columns]="columns()" [here]="here()" />
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TrialTablature {
  private readonly open = inject(OpenStudy);
  readonly label = input.required<string>();
  readonly shown = input.required<Shown>();
  /** The first bar that is drawn, counted from 0, and the one behind the last; null = from the beginning. */
  readonly bars = input<readonly [number, number] | null>(null);
  readonly here = input<number | null>(null);
  protected readonly columns = computed(() => {
    const [study, id, shown] = [this.open.study(), this.open.written()?.id, this.shown()];
    if (!study || id === undefined) return [];
    const tried = keepTrial(id, trialOf(shown))(study);
    const section = tried.sections.find((s) => s.id === id);
    if (!section) return [];
    const [from, to] = this.bars() ?? [0, Math.max(MOST_BARS, barTicks(section.cycle).length)];
    const { events } = scoreOf({ ...section, bars: to }, tried);
    return columnsOf(events.filter((e) => e.bar >= from).slice(0, MOST_STROKES));
  });
}
