import { ChangeDetectionStrategy, Component, inject, input, output } from '@angular/core';
import { Collection, OpenStudy } from '../../study';
import { Strip } from '../../ui/strip/strip';
import { TurnInView } from './turn-in-view';

/** The turn in view as a line: what the right hand plays, what the left one holds, and what of it is heard. */
@Component({
  selector: 'app-turn-strip',
  imports: [Strip],
  template: `
    @if (open.section(); as section) {
      <app-strip
        [cycle]="section.cycle"
        [flat]="open.reading()?.flat ?? null"
        [slots]="view.slots()"
        [little]="collection.profile().littleFinger"
        [workedOut]="view.workedOut()"
        [left]="view.leftHand()"
        [said]="view.said()"
        [heard]="view.heard()"
        [selected]="selected()"
        [large]="large()"
        [label]="label()"
        (pick)="pick.emit($event)"
      />
    }
  `,
  styles: `
    :host {
      display: block;
      min-width: 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TurnStrip {
  protected readonly open = inject(OpenStudy);
  protected readonly collection = inject(Collection);
  protected readonly view = inject(TurnInView);
  readonly label = input.required<string>();
  readonly selected = input<number | null>(null);
  readonly large = input(false);
  readonly pick = output<number>();
}
