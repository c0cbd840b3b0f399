import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { answers as answersWords } from '../../words/answers';
import type { Asking } from './asking';
import { MatButton } from '@angular/material/button';

/** How far a long answer has come and the way to end it; why there is none and the way to ask anew. */
@Component({
  selector: 'app-working',
  imports: [MatButton],
  template: `
    @let share = asking().progress();
    @let failed = asking().failed();
    @if (share !== null) {
      <p class="working" role="status">
        {{ words.working }}
        <progress [value]="share" max="1" [attr.aria-label]="words.working"></progress>
        <button type="button" matButton="outlined" (click)="asking().cancel()">{{ words.cancel }}</button>
      </p>
    } @else if (failed) {
      <p class="working" role="alert">
        {{ words.failed }} ({{ failed }}).
        <button type="button" matButton="outlined" (click)="asking().again()">{{ words.again }}</button>
      </p>
    } @else if (asking().cancelled()) {
      <p class="working" role="status">{{ words.cancelled }}</p>
    }
  `,
  styles: `
    .working {
      display: flex;
      align-items: center;
      gap: 10px;
      margin: 0;
    }
    progress {
      flex: 1;
      accent-color: var(--pomegranate);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Working {
  protected readonly words = answersWords.working;
  readonly asking =
    input.required<Pick<Asking<never, unknown>, 'progress' | 'failed' | 'cancelled' | 'cancel' | 'again'>>();
}
