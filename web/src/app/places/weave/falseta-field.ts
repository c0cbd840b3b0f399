import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal, viewChild } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { LONGEST_FALSETA, type ToldFalseta } from '@ruffle-wheel/core';
import type { FalsetaAsk } from '../../compute/protocol';
import { LongSolve } from '../../compute/solve';
import { Asking } from '../../parts/asking/asking';
import { shapeFrom } from '../../parts/shape-from';
import { AnswerButtons } from '../../parts/try-out/answer-buttons';
import { TrialTablature } from '../../parts/try-out/trial-tablature';
import type { Shown } from '../../parts/try-out/try-out';
import { Collection, OpenStudy, TypedTexts } from '../../study';
import { FIELD } from '../../ui/field';
import { weave } from '../../words/weave';
import { sayRefusal } from '../../words/said/refusals';
import { sayFaults } from '../../words/said/faults';

const SHOWN_FAULTS = 4;

/** A falseta as a player tells it, string by string; it is written from the cursor's bar on. */
@Component({
  selector: 'app-falseta-field',
  imports: [FIELD, AnswerButtons, MatButton, TrialTablature],
  template: `
    <p class="soft">{{ words.help }}</p>
    <mat-form-field
      ><mat-label>{{ words.label(bar() + 1) }}</mat-label
      ><textarea
        matInput
        #t
        data-first
        rows="4"
        spellcheck="false"
        autocapitalize="off"
        [maxLength]="longest"
        [value]="text()"
        (input)="text.set(t.value)"
      ></textarea>
    </mat-form-field>
    @if (putAway() && text() === '') {
      <p class="buttons">
        <button type="button" matButton (click)="text.set(putAway())">{{ words.again }}</button>
      </p>
    }
    <details>
      <summary>{{ words.signs }}</summary>
      <dl>
        @for (s of words.signList; track s[0]) {
          <dt>
            <code data-own>{{ s[0] }}</code>
          </dt>
          <dd class="soft">{{ s[1] }}</dd>
        }
      </dl>
    </details>
    @for (f of faults(); track $index) {
      <p class="fault" role="alert">{{ f }}</p>
    }
    @if (told(); as told) {
      <p>
        {{ told.says }}
        @for (s of told.shapes; track s) {
          <span class="soft">{{ s }}</span>
        }
      </p>
      <app-trial-tablature [label]="words.name" [shown]="told.shown" [bars]="told.drawn" />
      <code data-own>{{ told.script }}</code>
      <p class="buttons">
        <app-answer-buttons key="falseta" [shown]="told.shown" [name]="words.name" (taken)="isWritten(told.next)" />
      </p>
    }
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: minmax(0, 1fr);
      gap: 6px;
    }
    p,
    dl,
    dd {
      margin: 0;
    }
    dl {
      display: grid;
      grid-template-columns: auto minmax(0, 1fr);
      gap: 2px 12px;
      padding: 6px 0;
    }
  `,
  styleUrl: './entry.scss',
  host: { '(keydown.control.enter)': 'buttons()?.take()' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FalsetaField {
  protected readonly words = weave.falseta;
  protected readonly buttons = viewChild(AnswerButtons);
  readonly bar = input.required<number>();
  readonly written = output<number>();
  /** What was told and is written now: it is put away, so that it is not written twice. */
  protected readonly putAway = signal('');
  private readonly open = inject(OpenStudy);
  private readonly collection = inject(Collection);
  private readonly solve = inject(LongSolve);
  protected readonly text = inject(TypedTexts).of('falseta');
  protected readonly longest = LONGEST_FALSETA;

  private readonly ask = computed((): FalsetaAsk | null => {
    const [section, study, text] = [this.open.written(), this.open.study(), this.text()];
    if (!section || !study || text.trim() === '') return null;
    return { study, section: section.id, profile: this.collection.profile(), bar: this.bar(), text };
  });
  private readonly asking = new Asking<FalsetaAsk, ToldFalseta>(
    this.ask,
    (ask) => this.solve.falseta(ask),
    undefined,
    this.solve,
  );
  protected isWritten(next: number) {
    this.putAway.set(this.text());
    this.text.set('');
    this.written.emit(next);
  }
  private readonly seen = computed(() => (this.ask() ? this.asking.latest() : null));
  protected readonly faults = computed((): string[] => {
    const seen = this.seen();
    if (!seen) return [];
    const { read, texts } = seen.answer;
    const typed = seen.ask.text;
    const said = sayFaults(read.faults).map((f) => `${typed.slice(f.from, f.to).trim() || '…'}  ${f.message}`);
    const more = said.length - SHOWN_FAULTS;
    return [
      ...said.slice(0, SHOWN_FAULTS),
      ...(more > 0 ? [this.words.moreFaults(more)] : []),
      ...(texts && 'code' in texts ? [sayRefusal(texts)] : []),
    ];
  });
  protected readonly told = computed(() => {
    const [seen, section] = [this.seen(), this.open.written()];
    if (!seen || !section) return null;
    const { read, texts, shapes } = seen.answer;
    if (!texts || 'code' in texts) return null;
    const kept = shapes.map((s) => shapeFrom(s.name, s));
    const shown: Shown = { ...texts, stepsPerCount: section.stepsPerCount, start: 0, shapes: kept };
    const [first, last] = [seen.ask.bar + 1, seen.ask.bar + read.bars];
    const says = [this.words.bars(first, last), ...(read.filled ? [this.words.filled(read.filled)] : [])];
    return {
      says: `${says.join('; ')}.`,
      script: read.script,
      shapes: shapes.map((s) => s.name),
      shown,
      next: last,
      drawn: [first - 1, last] as const,
    };
  });
}
