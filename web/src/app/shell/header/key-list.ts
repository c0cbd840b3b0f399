import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { type Act, type ActId, actsOf, SCOPES, shownKey } from '../../keys/acts';
import { Collection } from '../../study';
import { Toggle } from '../../ui/toggle';
import { Guide } from '../../parts/guide/guide';
import { Tour } from '../../parts/tour/tour';
import { acts } from '../../words/acts';
import { shell as words } from '../../words/shell';
import { welcome } from '../../words/welcome';

/** How keyboards' names are shown. */
const SHOWN: Readonly<Record<string, string>> = {
  ' ': words.keys.space,
  Escape: 'Esc',
};
/** Letters of strokes are written as in the script, all others as they stand on the keys. */
const STROKES = new Set('pimaedug');
const keyAsShown = (key: string, stroke: boolean): string => {
  const [, before = '', last = key] = /^((?:Ctrl\+|Shift\+)*)(.+)$/.exec(key) ?? [];
  return before + (SHOWN[last] ?? (/^[a-z]$/.test(last) && !stroke ? last.toUpperCase() : shownKey(last)));
};
/** A row of digits or letters by its ends. */
const MANY = 8;
const shownKeys = ({ keys, panel }: Act): string => {
  const stroke =
    panel === undefined && keys.every((k) => STROKES.has(k) || !/^[a-z]$/.test(k)) && keys.some((k) => STROKES.has(k));
  const all = keys.map((k) => keyAsShown(k, stroke && keys.length > 1));
  return keys.length > MANY && !stroke ? `${all[0] ?? ''}–${all[all.length - 1] ?? ''}` : all.join(' ');
};

/** Every key there is, place by place, made from the table of acts. */
@Component({
  selector: 'app-key-list',
  imports: [MatButton, MatDialogModule, Toggle],
  host: { '(keydown)': 'again($event)' },
  template: `
    <h2 mat-dialog-title tabindex="-1">{{ words.keys.title }}</h2>
    <mat-dialog-content tabindex="0" role="group" [attr.aria-label]="words.keys.title">
      <div class="columns">
        @for (scope of scopes; track scope.id) {
          <section>
            <h3>{{ scope.name }}</h3>
            <dl>
              @for (act of scope.acts; track act.id) {
                <div>
                  <dt data-own>{{ act.keys }}</dt>
                  <dd>{{ act.name }}</dd>
                </div>
              }
            </dl>
          </section>
        }
      </div>
    </mat-dialog-content>
    <mat-dialog-actions>
      <app-toggle [on]="letterKeys()" (click)="collection.set({ letterKeys: !letterKeys() })">{{
        words.keys.letterKeys
      }}</app-toggle>
      <button type="button" matButton="outlined" mat-dialog-close (click)="tour.begin()">
        {{ welcome.beginTour }}
      </button>
      <button type="button" matButton="outlined" mat-dialog-close (click)="guide.show()">{{ welcome.guide }}</button>
      <button type="button" matButton="outlined" mat-dialog-close>{{ words.keys.close }}</button>
    </mat-dialog-actions>
  `,
  styles: `
    h2:focus {
      outline: none;
    }
    .columns {
      columns: 2 340px;
      column-gap: 34px;
    }
    section {
      break-inside: avoid;
      margin-bottom: 18px;
    }
    h3 {
      margin: 0 0 4px;
      break-after: avoid;
    }
    dl {
      margin: 0;
    }
    dl div {
      display: grid;
      grid-template-columns: 118px 1fr;
      gap: 12px;
      break-inside: avoid;
      line-height: 1.4;
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
  protected readonly words = words;
  protected readonly welcome = welcome;
  protected readonly guide = inject(Guide);
  protected readonly tour = inject(Tour);
  protected readonly collection = inject(Collection);
  protected readonly letterKeys = computed(() => this.collection.settings().letterKeys ?? true);
  private readonly shown = inject<MatDialogRef<KeyList>>(MatDialogRef);
  protected readonly scopes = SCOPES.map((id) => ({
    id,
    name: acts.scopes[id],
    acts: actsOf(id).map((act) => ({
      id: act.id,
      keys: shownKeys(act),
      name: acts.names[act.id as ActId],
    })),
  }));
  /** The key that brought it puts it away. */
  protected again(e: KeyboardEvent) {
    if (e.key === '?') this.shown.close();
  }
}
