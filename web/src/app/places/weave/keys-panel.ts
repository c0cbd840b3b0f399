import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { openBasses, type Shape } from '@ruffle-wheel/core';
import type { KeyAnswers, KeysAsk } from '../../compute/protocol';
import { LongSolve } from '../../compute/solve';
import { Asking } from '../../parts/asking/asking';
import { Working } from '../../parts/asking/working';
import { AnswerButtons } from '../../parts/try-out/answer-buttons';
import { Collection, OpenStudy } from '../../study';
import { weave } from '../../words/weave';
import { sayFact } from '../../words/said/faults';
import { sayKey } from '../../words/said/left-hand';
import { sayRefusal } from '../../words/said/refusals';

/** The section in every key and capo place, the easiest first: shown, heard, taken. */
@Component({
  selector: 'app-keys-panel',
  imports: [Working, AnswerButtons],
  template: `
    <div class="answers">
      <p class="soft">{{ barsName() ? barsName() + ' ' + words.passage : words.help }}</p>
      <app-working [asking]="asking" />
      @if (refusal(); as why) {
        <p class="fault">{{ why }}</p>
      }
      <ol>
        @for (k of rows(); track k.n) {
          <li>
            <p>
              <b>{{ k.points }}</b> · {{ k.says }}
            </p>
            @if (k.lost) {
              <p class="soft">{{ words.lost(k.lost) }}</p>
            }
            @if (k.chart) {
              <p>
                <code data-own>{{ k.chart }}</code>
              </p>
            }
            @if (k.basses !== null) {
              <p class="soft">
                {{ k.basses.length ? words.openBasses + ' ' + k.basses.join(', ') : words.noOpenBass }}
              </p>
            }
            @if (k.fault) {
              <p class="soft">{{ k.fault }}</p>
            } @else if (k.shown && !k.here) {
              <p class="buttons"><app-answer-buttons [key]="'key ' + k.n" [shown]="k.shown" [name]="k.says" /></p>
            }
          </li>
        }
      </ol>
    </div>
  `,
  styleUrl: './answers.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class KeysPanel {
  protected readonly words = weave.keyChoice;
  private readonly open = inject(OpenStudy);
  private readonly collection = inject(Collection);
  private readonly solve = inject(LongSolve);
  /** Bars that are chosen on the page, and what they are called; without any the whole section is asked about. */
  readonly bars = input<readonly [number, number] | null>(null);
  readonly barsName = input('');
  private readonly ask = computed((): KeysAsk | null => {
    const [study, section] = [this.open.study(), this.open.written()];
    const profile = this.collection.profile();
    return study && section ? { study, section: section.id, profile, bars: this.bars() } : null;
  });
  protected readonly asking = new Asking<KeysAsk, KeyAnswers>(
    this.ask,
    (ask, progress) => this.solve.sectionKeys(ask, progress),
    () => undefined,
    this.solve,
  );
  private readonly seen = computed(() => this.asking.latest());
  protected readonly refusal = computed(() => {
    const { refusal, uncut = false } = this.seen()?.answer ?? {};
    return refusal ? sayFact(refusal) : uncut ? weave.noCut : '';
  });
  protected readonly rows = computed(() =>
    (this.seen()?.answer.keys ?? []).map(({ key, made }, n) => {
      const refused = 'code' in made;
      return {
        n,
        points: key.total === null ? this.words.none : this.words.points(key.total),
        says: sayKey(key),
        lost: key.lost.map(sayFact).join(', '),
        here: key.transposed === 0 && key.capo === this.seen()?.ask.study.instrument.capo,
        shown: refused ? null : made,
        chart: refused ? '' : (made.chart ?? ''),
        basses: refused || !made.chart ? null : this.openBasses(made.chart, made.shapes ?? []),
        fault: !refused ? '' : 'path' in made ? sayRefusal(made) : sayFact(made),
      };
    }),
  );
  private openBasses(chart: string, shapes: readonly Shape[]): string[] {
    const [section, study] = [this.open.written(), this.open.study()];
    // A shape that is found anew stands before the study's own of the name.
    return section && study ? openBasses({ cycle: section.cycle, chart }, [...study.shapes, ...shapes]) : [];
  }
}
