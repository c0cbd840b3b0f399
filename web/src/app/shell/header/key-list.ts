import { A11yModule } from '@angular/cdk/a11y';
import { ChangeDetectionStrategy, Component, output } from '@angular/core';
import { words } from '../../words/en';
import { MatButton } from '@angular/material/button';

/** Every key there is, shown by `?`. */
@Component({
  selector: 'app-key-list',
  imports: [MatButton, A11yModule],
  template: `<div class="veil" (click)="closed.emit()" aria-hidden="true"></div>
    <section
      role="dialog"
      aria-modal="true"
      [attr.aria-label]="words.title"
      cdkTrapFocus
      [cdkTrapFocusAutoCapture]="true"
    >
      <h2>{{ words.title }}</h2>
      <dl>
        @for (row of words.list; track $index) {
          <dt>{{ row[0] }}</dt>
          <dd>{{ row[1] }}</dd>
        }
      </dl>
      <button type="button" matButton="outlined" (click)="closed.emit()">{{ words.close }}</button>
    </section>`,
  styles: `
    .veil {
      position: fixed;
      inset: 0;
      background: rgb(0 0 0 / 45%);
      z-index: 40;
    }
    section {
      position: fixed;
      z-index: 41;
      inset: 0;
      margin: auto;
      width: min(560px, 92vw);
      height: fit-content;
      max-height: 90vh;
      overflow: auto;
      box-sizing: border-box;
      padding: 20px 28px;
      background: var(--sheet);
      border: 1px solid var(--edge);
      border-radius: 10px;
    }
    dl {
      display: grid;
      grid-template-columns: max-content 1fr;
      gap: 6px 20px;
      margin: 10px 0 18px;
    }
    dt {
      font-weight: 700;
    }
    dd {
      margin: 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class KeyList {
  protected readonly words = words.keys;
  readonly closed = output();
}
