import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatMenuModule } from '@angular/material/menu';
import { PAGE_LOOKS } from '@ruffle-wheel/core';
import { PageChoice } from '../../parts/print/page-choice';
import { weave } from '../../words/weave';

/** What the page shows: chosen here, kept, and the same on paper. */
@Component({
  selector: 'app-page-menu',
  imports: [MatButton, MatMenuModule],
  template: `
    <button type="button" matButton="outlined" [matMenuTriggerFor]="menu">
      {{ words.shows(words.looks[choice.view().look]) }}
    </button>
    <mat-menu #menu="matMenu">
      @for (look of looks; track look) {
        <button
          mat-menu-item
          type="button"
          role="menuitemradio"
          [attr.aria-checked]="choice.view().look === look"
          (click)="choice.choose(look)"
        >
          <span class="mark" aria-hidden="true">{{ choice.view().look === look ? '✓' : '' }}</span>
          {{ words.looks[look] }}
        </button>
      }
      <button
        mat-menu-item
        type="button"
        role="menuitemcheckbox"
        [attr.aria-checked]="choice.view().slashes"
        (click)="choice.turnSlashes()"
      >
        <span class="mark" aria-hidden="true">{{ choice.view().slashes ? '✓' : '' }}</span>
        {{ words.slashes }}
      </button>
    </mat-menu>
  `,
  styles: `
    :host {
      display: inline-block;
    }
    .mark {
      display: inline-block;
      width: 1.2em;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PageMenu {
  protected readonly words = weave.page;
  protected readonly looks = PAGE_LOOKS;
  protected readonly choice = inject(PageChoice);
}
