import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import {
  type Approach,
  type BassHabit,
  type BassRequest,
  BASS_TERMS,
  barOf,
  placeLabel,
  sayBass,
  sayFact,
  scriptWithBass,
  sectionBass,
} from '@ruffle-wheel/core';
import type { BassAnswers } from '../../compute/protocol';
import { Solve } from '../../compute/solve';
import { Asking } from '../../parts/asking/asking';
import { Working } from '../../parts/asking/working';
import { AnswerButtons } from '../../parts/try-out/answer-buttons';
import type { Shown } from '../../parts/try-out/try-out';
import { Collection, OpenStudy } from '../../study';
import { AsFarAsSeen } from '../../ui/as-far-as-seen';
import { SELECT } from '../../ui/select';
import { weave } from '../../words/weave';
import { HABITS, SIDES, STEPS } from './comp-form';

const WAYS = 3;

/** Other basses under what is written: root, root and fifth, or walking, each note with what it asks of the left hand. */
@Component({
  selector: 'app-bass-panel',
  imports: [SELECT, Working, AnswerButtons, AsFarAsSeen],
  templateUrl: './bass-panel.html',
  styleUrl: './answers.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BassPanel {
  protected readonly words = weave.bass;
  private readonly open = inject(OpenStudy);
  private readonly collection = inject(Collection);
  private readonly solve = inject(Solve);
  protected readonly habits = HABITS;
  protected readonly steps = STEPS;
  protected readonly sides = SIDES;
  protected readonly habit = signal<BassHabit>('root fifth');
  protected readonly by = signal<Approach['by']>('any');
  protected readonly from = signal<Approach['from']>('any');

  /** What the thumb plays as it is written. */
  private readonly played = computed(() => {
    const [section, study] = [this.open.written(), this.open.study()];
    return section && study ? sectionBass(section, study, this.collection.profile()) : null;
  });
  private readonly ask = computed((): BassRequest | null => {
    const played = this.played();
    if (!played) return null;
    return { ...played.request, habit: this.habit(), approach: { by: this.by(), from: this.from() }, k: WAYS };
  });
  protected readonly asking = new Asking<BassRequest, BassAnswers>(this.ask, (ask, progress) =>
    this.solve.bass(ask, progress),
  );
  private readonly seen = computed(() => (this.ask() ? this.asking.latest() : null));
  protected readonly faults = computed((): readonly string[] =>
    this.played() ? (this.seen()?.answer.infeasible.map(sayFact) ?? []) : [this.words.none],
  );
  protected readonly ways = computed(() => {
    const [seen, section, study, played] = [this.seen(), this.open.written(), this.open.study(), this.played()];
    if (!seen || !section || !study || !played || this.asking.answer() === null) return [];
    return seen.answer.ways.map(({ answer, facts }, n) => {
      const shown: Shown = {
        script: scriptWithBass(section, study, played, answer.steps),
        stepsPerCount: section.stepsPerCount,
        start: section.start,
      };
      return {
        n,
        total: answer.total,
        terms: BASS_TERMS.filter((t) => answer.cost[t] > 0).map((t) => `${this.words.terms[t]} ${answer.cost[t]}`),
        shown,
        notes: facts.map((f, i) => {
          const stroke = seen.ask.strokes[i];
          const at = stroke?.at ?? 0;
          return {
            i,
            bar: barOf(section.cycle, at) + 1,
            at: placeLabel(section.cycle, at),
            chord: seen.ask.chords[stroke?.chord ?? 0]?.symbol ?? '',
            place: f.fret === 0 ? `${f.string} ${this.words.open}` : `${f.string} / ${f.fret}`,
            finger: f.fret === 0 ? '' : String(f.finger),
            says: sayBass(f),
          };
        }),
      };
    });
  });
}
