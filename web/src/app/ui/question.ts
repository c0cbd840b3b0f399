import { ChangeDetectionStrategy, Component, inject, Injectable } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule } from '@angular/material/dialog';
import { firstValueFrom } from 'rxjs';
import { shell as words } from '../words/shell';
import { Dialogs } from './dialogs';

export interface Choice<T> {
  readonly value: T;
  readonly label: string;
  /** What it does, in a line. */
  readonly note?: string;
}
export interface Question<T> {
  readonly title: string;
  readonly text: string;
  /** What it is about, one by one. */
  readonly list?: readonly string[];
  readonly choices: readonly Choice<T>[];
}
/** Things listed; the rest is counted. */
const SHOWN = 8;

/** A question that has to be answered before something of the player's is touched. Esc leaves everything as it is. */
@Component({
  selector: 'app-question',
  imports: [MatDialogModule, MatButtonModule],
  template: `
    <h2 mat-dialog-title>{{ question.title }}</h2>
    <mat-dialog-content>
      <p>{{ question.text }}</p>
      @if (shown.length) {
        <ul>
          @for (line of shown; track $index) {
            <li>{{ line }}</li>
          }
          @if (more) {
            <li>{{ words.andMore(more) }}</li>
          }
        </ul>
      }
      <div class="choices">
        @for (c of question.choices; track c.label; let first = $first) {
          <button
            mat-stroked-button
            type="button"
            [mat-dialog-close]="{ value: c.value }"
            [attr.cdkFocusInitial]="first ? '' : null"
          >
            {{ c.label }}
          </button>
          <span class="soft">{{ c.note }}</span>
        }
        <button mat-button type="button" [mat-dialog-close]="null">{{ words.cancel }}</button>
        <span class="soft">{{ words.cancelNote }}</span>
      </div>
    </mat-dialog-content>
  `,
  styles: `
    p,
    ul {
      margin: 0 0 12px;
    }
    .choices {
      display: grid;
      grid-template-columns: minmax(160px, auto) 1fr;
      gap: 10px 14px;
      align-items: center;
    }
    @media (max-width: 500px) {
      .choices {
        grid-template-columns: 1fr;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class QuestionDialog {
  protected readonly words = words.question;
  protected readonly question = inject<Question<unknown>>(MAT_DIALOG_DATA);
  protected readonly shown = (this.question.list ?? []).slice(0, SHOWN);
  protected readonly more = Math.max(0, (this.question.list?.length ?? 0) - SHOWN);
}

/** Asks, and waits for the answer. */
@Injectable({ providedIn: 'root' })
export class Questions {
  private readonly dialogs = inject(Dialogs);

  /** @returns the choice, or null when the question was left */
  async ask<T>(question: Question<T>): Promise<T | null> {
    const shown = await this.dialogs.open<QuestionDialog, Question<T>, { readonly value: T } | null>(
      () => Promise.resolve(QuestionDialog),
      { data: question, maxWidth: '640px', autoFocus: '.choices button', restoreFocus: true },
    );
    const answer = await firstValueFrom(shown.afterClosed());
    return answer ? answer.value : null;
  }
}
