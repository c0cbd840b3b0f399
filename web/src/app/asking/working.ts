import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { words } from '../words/en';

/** How far a long answer has come, and the way to end it. */
@Component({
  selector: 'app-working',
  template: `
    @if (share() !== null) {
      <p class="working" role="status">
        {{ words.working }}
        <progress [value]="share()" max="1" [attr.aria-label]="words.working"></progress>
        <button type="button" class="plain" (click)="stop.emit()">{{ words.cancel }}</button>
      </p>
    } @else if (failed()) {
      <p class="working" role="alert">
        {{ words.failed }} ({{ failed() }}).
        <button type="button" class="plain" (click)="again.emit()">{{ words.again }}</button>
      </p>
    } @else if (cancelled()) {
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
  protected readonly words = words.working;
  readonly share = input.required<number | null>();
  readonly cancelled = input(false);
  /** Why there is no answer. */
  readonly failed = input('');
  readonly again = output();
  readonly stop = output();
}
