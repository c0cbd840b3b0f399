import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { MatButton } from '@angular/material/button';

/** A button that is on or off. What a press means stands where it is used, as its click. */
@Component({
  selector: 'app-toggle',
  imports: [MatButton],
  template: `<button matButton="outlined" type="button" class="chip" [attr.aria-pressed]="on()">
    <ng-content />
  </button>`,
  styles: `
    :host {
      display: inline-flex;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Toggle {
  readonly on = input.required<boolean>();
}
