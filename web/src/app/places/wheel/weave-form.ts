import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import {
  bpm,
  LINE_TERMS,
  lineScript,
  PEDAL_HABIT_NAME,
  readLine,
  stoppedNotes,
  type StringNumber,
  STRINGS,
  ticks,
  weaveHabits,
  weavePedal,
  paidTerms,
} from '@ruffle-wheel/core';
import { Collection, OpenStudy, TypedTexts } from '../../study';
import { wheel as wheelWords } from '../../words/wheel';
import { answers as answersWords } from '../../words/answers';
import { AnswerButtons } from '../../parts/try-out/answer-buttons';
import { SELECT } from '../../ui/select';
import { FIELD } from '../../ui/field';
import { sayFact, sayFault } from '../../words/said/faults';

/** Longer melodies belong into the line field: this answer is reckoned as one types. */
const MOST_NOTES = 200;

/** A bass melody with a pedal string woven in, under each habit of the finger that plays it. */
@Component({
  selector: 'app-weave-form',
  imports: [FIELD, SELECT, AnswerButtons],
  template: `
    <details>
      <summary>{{ words.title }}</summary>
      <p class="soft">{{ words.intro }}</p>
      <div class="fields">
        <mat-form-field class="melody"
          ><mat-label>{{ words.melody }}</mat-label
          ><input matInput #melody maxlength="400" [value]="text()" (input)="text.set(melody.value)"
        /></mat-form-field>
        <mat-form-field
          ><mat-label>{{ words.pedal }}</mat-label
          ><mat-select [value]="pedal()" (selectionChange)="choosePedal('' + $event.value)">
            @for (s of strings; track s) {
              <mat-option [value]="s">{{ s }}</mat-option>
            }
          </mat-select></mat-form-field
        >
      </div>
      @if (fault(); as f) {
        <p class="fault" [attr.role]="text() ? 'alert' : null" [class.soft]="!text()">{{ f }}</p>
      }
      @for (r of rows(); track r.id) {
        <section>
          <p class="row">
            <b>{{ r.name }}</b> <span class="soft">{{ r.why }}</span>
          </p>
          <code data-own>{{ r.shown.script }}</code>
          <p class="row"><app-answer-buttons [key]="'weave ' + r.id" [shown]="r.shown" [name]="r.name" /></p>
        </section>
      }
    </details>
  `,
  styleUrl: './line-panel.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WeaveForm {
  protected readonly words = wheelWords.weave;
  private readonly open = inject(OpenStudy);
  private readonly collection = inject(Collection);
  protected readonly strings = [...STRINGS].reverse();
  protected readonly text = inject(TypedTexts).of('pedal weave');
  protected readonly pedal = signal<StringNumber>(2);

  private readonly steps = computed(() => this.open.written()?.stepsPerCount ?? 2);
  private readonly melody = computed(() => readLine(this.text(), this.steps()));
  private readonly woven = computed(() => weavePedal(this.melody(), this.pedal(), this.steps()));
  protected readonly fault = computed(() => {
    const { faults, notes } = this.melody();
    if (notes.length > MOST_NOTES) return this.words.tooMany(notes.length, MOST_NOTES);
    const { fault } = this.woven();
    return faults[0] ? sayFault(faults[0]) : fault && sayFact(fault);
  });
  protected readonly rows = computed(() => {
    const woven = this.woven();
    if (this.fault()) return [];
    const { stepsPerCount, steps, notes } = woven;
    const loop = ticks(this.melody().length);
    const request = {
      notes,
      bpm: bpm(this.open.section()?.bpm ?? 0),
      profile: this.collection.profile(),
      stroke: 'free' as const,
      loop,
    };
    return weaveHabits(request).map(({ habit, answer }) => {
      const paid = paidTerms(LINE_TERMS, answer.cost).map((t) =>
        answersWords.answer.paid(wheelWords.line.terms[t], answer.cost[t]),
      );
      return {
        id: habit,
        name: PEDAL_HABIT_NAME[habit],
        why: paid.length ? paid.join(' · ') : this.words.smooth,
        shown: { script: lineScript(steps, answer.steps, 'free'), stepsPerCount, stopped: stoppedNotes(steps) },
      };
    });
  });
  protected choosePedal(text: string) {
    const string = STRINGS.find((s) => String(s) === text);
    if (string) this.pedal.set(string);
  }
}
