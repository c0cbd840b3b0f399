import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { barTicks, LONGEST_TABLATURE, placedChart, readTablature } from '@ruffle-wheel/core';
import { AnswerButtons } from '../../parts/try-out/answer-buttons';
import type { Shown } from '../../parts/try-out/try-out';
import { OpenStudy, TypedTexts } from '../../study';
import { FIELD } from '../../ui/field';
import { weave } from '../../words/weave';
import { sayFact } from '../../words/said/faults';

/** Tablature in plain text becomes the section's script: looked at first, then taken. */
@Component({
  selector: 'app-tablature-field',
  imports: [FIELD, AnswerButtons, MatButton],
  template: `
    <details>
      <summary>{{ words.title }}</summary>
      <mat-form-field
        ><mat-label>{{ words.label }}</mat-label
        ><textarea
          matInput
          #t
          rows="8"
          wrap="off"
          spellcheck="false"
          [maxLength]="longest"
          [value]="text()"
          (input)="text.set(t.value)"
        ></textarea
        ><mat-hint>{{ words.help }}</mat-hint></mat-form-field
      >
      @if (putAway() && text() === '') {
        <p class="buttons">
          <button type="button" matButton (click)="text.set(putAway())">{{ words.again }}</button>
        </p>
      }
      @if (fault(); as f) {
        <p class="fault" role="alert">{{ f }}</p>
      }
      @if (read(); as r) {
        <p>{{ r.says }}</p>
        <code data-own>{{ r.shown.script }}</code>
        <p class="buttons">
          <app-answer-buttons key="tablature" [shown]="r.shown" [name]="words.title" (taken)="putItAway()" />
        </p>
      }
    </details>
  `,
  styles: `
    details {
      padding: 8px 0;
    }
    mat-form-field {
      width: 100%;
    }
    textarea {
      overflow-x: auto;
      white-space: pre;
    }
  `,
  styleUrl: './entry.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TablatureField {
  protected readonly words = weave.tablature;
  private readonly open = inject(OpenStudy);
  protected readonly text = inject(TypedTexts).of('tablature');
  protected readonly longest = LONGEST_TABLATURE;
  /** What was read and is written now: it is put away, so that it is not written twice. */
  protected readonly putAway = signal('');
  protected putItAway() {
    this.putAway.set(this.text());
    this.text.set('');
  }
  private readonly found = computed(() => {
    const section = this.open.written();
    if (!section || this.text().trim() === '') return null;
    return readTablature(this.text(), barTicks(section.cycle)[0] ?? 0, section.stepsPerCount);
  });
  protected readonly fault = computed(() => {
    const found = this.found();
    return found && 'refusal' in found ? sayFact(found.refusal) : '';
  });
  protected readonly read = computed(() => {
    const [found, section] = [this.found(), this.open.written()];
    if (!found || 'refusal' in found || !section) return null;
    const { script, bars, notes, moved, lost, unread, chords } = found;
    const length = bars * (barTicks(section.cycle)[0] ?? 0);
    const chart = placedChart(chords, length, section.cycle);
    const shown: Shown = { script, stepsPerCount: section.stepsPerCount, start: 0, ...(chart ? { chart } : {}) };
    const says = [
      this.words.counted(bars, notes),
      ...(moved ? [this.words.moved(moved)] : []),
      ...(lost ? [this.words.lost(lost)] : []),
      ...(chart ? [this.words.chart(chart)] : []),
      ...(unread.length ? [this.words.unread(unread.join(' '))] : []),
    ];
    return { says: `${says.join('; ')}.`, shown };
  });
}
