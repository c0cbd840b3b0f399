import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { type ShapeChange } from '@ruffle-wheel/core';
import { neck as neckWords } from '../../words/neck';
import { sayFinger } from '../../words/said/left-hand';

/** The change at hand, finger by finger: what each does, the time it takes and the time there is for it, to one scale. */
@Component({
  selector: 'app-change-times',
  template: `
    <h2>
      <span data-own>{{ change().from.name }} → {{ change().to.name }}</span>
      @if (on()) {
        <span class="soft">{{ words.on(on()) }}</span>
      }
    </h2>
    <ul>
      @for (f of fingers(); track f.finger) {
        <li>
          <span class="finger" [class.stays]="f.stays" aria-hidden="true">{{ f.finger }}</span>
          <span class="says">{{ f.says }}</span>
          @if (f.needed) {
            <span class="track" aria-hidden="true"
              ><span class="there" [style.width.%]="f.there"></span
              ><span class="needed" [class.late]="f.late" [style.width.%]="f.share"></span
            ></span>
            <span class="number">{{ f.needed }}</span>
          }
        </li>
      }
    </ul>
  `,
  styleUrl: './change-times.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ChangeTimes {
  readonly change = input.required<ShapeChange>();
  /** The count that it is made on; '' where no stroke says. */
  readonly on = input('');
  protected readonly words = neckWords.changeTimes;
  protected readonly fingers = computed(() => {
    const moving = this.change().fingers.filter((f) => f.action !== 'idle');
    const most = Math.max(1, ...moving.flatMap((f) => [f.neededMs, f.thereMs ?? 0]));
    return moving.map((f) => {
      const timed = f.action !== 'stays' && f.action !== 'lifts' && f.neededMs > 0;
      return {
        finger: String(f.finger),
        says: sayFinger(f),
        stays: f.action === 'stays',
        there: (100 * (f.thereMs ?? 0)) / most,
        share: (100 * f.neededMs) / most,
        late: f.thereMs !== null && f.neededMs > f.thereMs,
        needed: timed ? this.words.needs(f.neededMs, f.thereMs) : '',
      };
    });
  });
}
