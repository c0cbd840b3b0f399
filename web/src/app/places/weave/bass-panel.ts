import { ChangeDetectionStrategy, Component, computed, inject, signal, viewChild } from '@angular/core';
import { type Approach, type BassHabit, BASS_TERMS, barOf, layersOf, placeLabel, paidTerms } from '@ruffle-wheel/core';
import type { BassAnswers, BassAsk } from '../../compute/protocol';
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
import { sayBass } from '../../words/said/answers';
import { sayFact } from '../../words/said/faults';
import { sayLayers } from '../../words/said/strokes';

const WAYS = 3;

/** Other basses under what is written: root, root and fifth, or walking, each note with what it asks of the left hand. */
@Component({
  selector: 'app-bass-panel',
  imports: [SELECT, Working, AnswerButtons, AsFarAsSeen],
  templateUrl: './bass-panel.html',
  styleUrl: './answers.scss',
  // From any field of the panel, without going past all others.
  host: { '(keydown.control.enter)': 'first()?.take()' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BassPanel {
  protected readonly first = viewChild(AnswerButtons);
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

  private readonly ask = computed((): BassAsk | null => {
    const [section, study] = [this.open.written(), this.open.study()];
    if (!section || !study) return null;
    const wishes = { habit: this.habit(), approach: { by: this.by(), from: this.from() }, k: WAYS };
    return { study, section: section.id, profile: this.collection.profile(), wishes };
  });
  /** Bass against figure as it is written. */
  protected readonly layers = computed(() => {
    const [reading, section] = [this.open.reading(), this.open.section()];
    return reading && section ? sayLayers(layersOf(reading.flat, section), section.cycle, section.start) : [];
  });
  protected readonly asking = new Asking<BassAsk, BassAnswers>(this.ask, (ask, progress) =>
    this.solve.bass(ask, progress),
  );
  private readonly answer = computed(() => this.asking.latest()?.answer ?? null);
  protected readonly faults = computed(() => this.answer()?.infeasible.map(sayFact) ?? []);
  protected readonly ways = computed(() => {
    const [seen, section] = [this.answer(), this.open.written()];
    if (!seen || !section) return [];
    const { stepsPerCount, start, cycle } = section;
    return seen.ways.map(({ answer, facts, script, places }, n) => {
      const shown: Shown = { script, stepsPerCount, start };
      return {
        n,
        total: answer.total,
        terms: paidTerms(BASS_TERMS, answer.cost).map((t) => this.words.paid(this.words.terms[t], answer.cost[t])),
        shown,
        notes: facts.map((f, i) => {
          const { at = 0, chord = '' } = places[i] ?? {};
          return {
            i,
            bar: barOf(cycle, at) + 1,
            at: placeLabel(cycle, at),
            chord,
            place: f.fret === 0 ? this.words.open(f.string) : `${f.string} / ${f.fret}`,
            finger: f.fret === 0 ? '' : String(f.finger),
            says: sayBass(f),
          };
        }),
      };
    });
  });
}
