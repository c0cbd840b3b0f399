import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { type ActButton, buttonsOf, shownKey, type Scope } from '../../keys/acts';
import { Keys } from '../../keys/keys';
import { ButtonsWanted } from './buttons-wanted';
import { acts as words } from '../../words/acts';

/**
 * What a place's keys do, as buttons: there where the pointer is a finger, or when asked for. Made from the table of
 * acts, so that keys and buttons are never two lists.
 */
@Component({
  selector: 'app-act-buttons',
  imports: [MatButton],
  template: `
    @if (shown()) {
      @for (g of groups(); track g.group) {
        <div class="group" role="group" [attr.aria-label]="words.groups[g.group]">
          @for (b of g.buttons; track b.act + b.key) {
            <button type="button" matButton="outlined" [attr.aria-label]="b.name" (click)="keys.do(b.act, b.key)">
              @if (b.own) {
                <span data-own>{{ b.label }}</span>
              } @else {
                {{ b.label }}
              }
            </button>
          }
        </div>
      }
    }
  `,
  styleUrl: './act-buttons.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ActButtons {
  protected readonly words = words;
  protected readonly keys = inject(Keys);
  readonly scope = input.required<Scope>();

  protected readonly shown = inject(ButtonsWanted).shown;
  protected readonly groups = computed(() =>
    buttonsOf(this.scope()).map(({ group, buttons }) => ({ group, buttons: buttons.map(said) })),
  );
}
/** A button says its sign, or a word where the sign of its key would say nothing. */
function said({ act, key }: ActButton) {
  const word = words.buttons[act];
  const sign = shownKey(key);
  return word === undefined
    ? { act, key, label: sign, own: true, name: words.ofSign(words.names[act], sign) }
    : { act, key, label: word, own: false, name: words.names[act] };
}
