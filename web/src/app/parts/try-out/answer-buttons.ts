import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, input, output } from '@angular/core';
import { answers as answersWords } from '../../words/answers';
import { type Shown, TryOut } from './try-out';
import { MatButton } from '@angular/material/button';

/** Show and hear an answer, or take it over: the same two buttons under every answer of a solver. */
@Component({
  selector: 'app-answer-buttons',
  imports: [MatButton],
  template: `
    <button
      type="button"
      matButton="outlined"
      [attr.aria-pressed]="isShown()"
      [attr.aria-label]="named(isShown() ? words.back : words.show)"
      (click)="tryOut.show(key(), shown())"
    >
      {{ isShown() ? (brief() ? words.backBrief : words.back) : brief() ? words.showBrief : words.show }}
    </button>
    <button type="button" matButton="outlined" [attr.aria-label]="named(words.take)" (click)="take()">
      {{ brief() ? words.takeBrief : words.take }}
    </button>
  `,
  styles: `
    :host {
      display: contents;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AnswerButtons {
  protected readonly words = answersWords.answer;
  protected readonly tryOut = inject(TryOut);
  /** Tells this answer from all others that can be shown. */
  readonly key = input.required<string>();
  readonly shown = input.required<Shown>();
  /** For screen readers: which answer. */
  readonly name = input('');
  /** One word a button, for tables. */
  readonly brief = input(false);
  readonly taken = output();
  protected readonly isShown = computed(() => this.tryOut.shown() === this.key());
  constructor() {
    // What is tried out goes when its answer goes.
    inject(DestroyRef).onDestroy(() => {
      if (this.isShown()) this.tryOut.leave();
    });
  }
  /** What is done, and to which answer. */
  protected named(does: string): string {
    return this.name() ? this.words.named(does, this.name()) : does;
  }
  /** The same as pressing its second button. */
  take() {
    this.tryOut.take(this.shown(), this.named(this.words.taken));
    this.taken.emit();
  }
}
