import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { SignBeside } from './stitch-signs';

/** The signs that marks put beside a stitch, side by side. */
@Component({
  selector: '[app-signs-beside]',
  template: `
    @for (s of signs(); track s.sign) {
      <svg:path
        class="beside"
        [class.open]="s.open"
        [attr.d]="s.path"
        [attr.transform]="'translate(' + s.x + ' ' + y() + ')'"
      />
    }
  `,
  styles: `
    .beside {
      fill: var(--ink);
    }
    .beside.open {
      fill: none;
      stroke: var(--ink);
      stroke-width: 1.9;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SignsBeside {
  readonly signs = input.required<readonly SignBeside[]>();
  /** From the middle of the stitch. */
  readonly y = input.required<number>();
}
