import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
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
      @for (item of items(); track item.name) {
        <button mat-menu-item type="button" [role]="item.role" [attr.aria-checked]="item.on" (click)="item.act()">
          <span class="mark" aria-hidden="true">{{ item.on ? '✓' : '' }}</span>
          {{ item.name }}
        </button>
      }
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
  protected readonly choice = inject(PageChoice);
  protected readonly items = computed(() => {
    const { look: now, slashes } = this.choice.view();
    return [
      ...PAGE_LOOKS.map((look) => ({
        ...{ role: 'menuitemradio' as const, name: this.words.looks[look], on: look === now },
        act: () => this.choice.choose(look),
      })),
      {
        role: 'menuitemcheckbox' as const,
        name: this.words.slashes,
        on: slashes,
        act: () => this.choice.turnSlashes(),
      },
    ];
  });
}
