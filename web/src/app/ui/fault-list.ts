import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { shell as words } from '../words/shell';

/** A fault in a text: where, what, and what could stand there instead; '' takes it out. */
export interface ShownFault {
  readonly from: number;
  readonly to: number;
  readonly message: string;
  readonly fix?: string | undefined;
}

/** Faults of a text with their remedies, each a button. */
@Component({
  selector: 'app-fault-list',
  imports: [MatButton],
  template: `<ul aria-live="polite">
    @for (f of faults(); track f.from + f.message) {
      <li>
        {{ f.message }}
        @if (f.fix !== undefined) {
          <button type="button" matButton="outlined" (click)="fixed.emit(f)">
            {{ f.fix ? words.write + ' ' + f.fix : words.takeOut }}
          </button>
        }
      </li>
    }
  </ul>`,
  styles: `
    ul {
      margin: 0;
      padding: 0;
      list-style: none;
      color: var(--pomegranate);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FaultList {
  protected readonly words = words.faultList;
  readonly faults = input.required<readonly ShownFault[]>();
  readonly fixed = output<ShownFault>();
}
