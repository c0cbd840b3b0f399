import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { FalsetaField } from './falseta-field';
import { HandWays } from './hand-ways';
import { TablatureField } from './tablature-field';

/** A falseta told in the player's order or read from tablature, and fingers of both hands for what is written. */
@Component({
  selector: 'app-falseta-panel',
  imports: [FalsetaField, TablatureField, HandWays],
  template: `
    <app-falseta-field [bar]="bar()" (written)="written.emit($event)" />
    <app-tablature-field />
    <app-hand-ways />
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: minmax(0, 1fr);
      gap: 6px;
      padding: 12px 16px 16px;
      font-size: 17px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FalsetaPanel {
  /** The bar that the cursor stands in, counted from 0. */
  readonly bar = input.required<number>();
  /** The bar after what was written. */
  readonly written = output<number>();
}
