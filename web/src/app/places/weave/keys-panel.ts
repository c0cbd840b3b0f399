import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { openBasses, sayFact, sayKey, type Shape } from '@ruffle-wheel/core';
import type { KeyAnswers, PieceAsk } from '../../compute/protocol';
import { LongSolve } from '../../compute/solve';
import { Asking } from '../../parts/asking/asking';
import { Working } from '../../parts/asking/working';
import { AnswerButtons } from '../../parts/try-out/answer-buttons';
import { Collection, OpenStudy } from '../../study';
import { weave } from '../../words/weave';

/** The section in every key and capo place, the easiest first: shown, heard, taken. */
@Component({
  selector: 'app-keys-panel',
  imports: [Working, AnswerButtons],
  template: `
    <div class="answers">
      <p class="soft">{{ words.help }}</p>
      <app-working [asking]="asking" />
      @if (refusal(); as why) {
        <p class="fault">{{ why }}</p>
      }
      <ol>
        @for (k of rows(); track k.n) {
          <li>
            <p>
              <b>{{ k.points }}</b> {{ words.points }} · {{ k.says }}
            </p>
            @if (k.lost) {
              <p class="soft">{{ words.lost }} {{ k.lost }}</p>
            }
            @if (k.chart) {
              <p>
                <code>{{ k.chart }}</code>
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
  private readonly ask = computed((): (PieceAsk & { section: string }) | null => {
    const [study, section] = [this.open.study(), this.open.written()];
    return study && section ? { study, section: section.id, profile: this.collection.profile() } : null;
  });
  protected readonly asking = new Asking<PieceAsk & { section: string }, KeyAnswers>(
    this.ask,
    (ask, progress) => this.solve.sectionKeys(ask, progress),
    () => undefined,
    this.solve,
  );
  private readonly seen = computed(() => this.asking.latest());
  protected readonly refusal = computed(() => {
    const why = this.seen()?.answer.refusal;
    return why ? sayFact(why) : '';
  });
  protected readonly rows = computed(() =>
    (this.seen()?.answer.keys ?? []).map(({ key, made }, n) => {
      const refused = 'code' in made;
      return {
        n,
        points: key.total ?? this.words.none,
        says: sayKey(key),
        lost: key.lost.map(sayFact).join(', '),
        here: key.transposed === 0 && key.capo === this.seen()?.ask.study.instrument.capo,
        shown: refused ? null : made,
        chart: refused ? '' : (made.chart ?? ''),
        basses: refused || !made.chart ? null : this.openBasses(made.chart, made.shapes ?? []),
        fault: refused ? sayFact(made) : '',
      };
    }),
  );
  private openBasses(chart: string, shapes: readonly Shape[]): string[] {
    const [section, study] = [this.open.written(), this.open.study()];
    // A shape that is found anew stands before the study's own of the name.
    return section && study ? openBasses({ cycle: section.cycle, chart }, [...study.shapes, ...shapes]) : [];
  }
}
