import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { MatSlider, MatSliderThumb } from '@angular/material/slider';
import { Collection } from '../../study';
import { shell as words } from '../../words/shell';

/** How loud the guitar, the claps and the click are, each by itself. */
@Component({
  selector: 'app-mixer',
  imports: [MatSlider, MatSliderThumb],
  template: `<div class="mixer" role="group" [attr.aria-label]="words.sound">
    @for (c of channels; track c) {
      <p>
        <span>{{ words[c] }}</span>
        <mat-slider min="0" max="100"
          ><input
            matSliderThumb
            [attr.aria-label]="words[c]"
            [value]="collection.settings()[c] * 100"
            (valueChange)="turn(c, $event)"
        /></mat-slider>
      </p>
    }
  </div>`,
  styles: `
    .mixer {
      display: flex;
      flex-wrap: wrap;
      gap: 0 34px;
      justify-content: flex-end;
      padding: 0 22px;
      background: var(--sheet);
      border-bottom: 1px solid var(--line);
    }
    p {
      display: flex;
      align-items: center;
      gap: 14px;
    }
    mat-slider {
      width: 150px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Mixer {
  protected readonly words = words.header;
  protected readonly channels = ['guitar', 'claps', 'click'] as const;
  protected readonly collection = inject(Collection);

  protected turn(channel: (typeof this.channels)[number], percent: number) {
    this.collection.set({ [channel]: percent / 100 });
  }
}
