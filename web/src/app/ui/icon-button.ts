import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { MatIconButton } from '@angular/material/button';
import { MatTooltip } from '@angular/material/tooltip';
import { Icon, type IconName } from './icons';

/** A button that is drawn rather than written; its name stands in its tooltip. */
@Component({
  selector: 'app-icon-button',
  imports: [Icon, MatIconButton, MatTooltip],
  template: `
    <button
      matIconButton
      type="button"
      [matTooltip]="label()"
      [attr.aria-label]="label()"
      [attr.aria-expanded]="expanded()"
      [disabled]="disabled()"
    >
      <app-icon [name]="icon()" />
    </button>
  `,
  styles: `
    :host {
      display: inline-flex;
    }
    button {
      display: grid;
      place-items: center;
      padding: 0;
      font-size: inherit;
      border: 1px solid var(--edge);
      border-radius: var(--radius);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class IconButton {
  readonly icon = input.required<IconName>();
  readonly label = input.required<string>();
  readonly disabled = input(false);
  /** Of a button that opens something. */
  readonly expanded = input<boolean | null>(null);
}
