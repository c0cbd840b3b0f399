import { ChangeDetectionStrategy, Component, computed, inject, output } from '@angular/core';
import { Router } from '@angular/router';
import { DRILLED_CHANGES, drillsOfChange, type PlacedChange } from '@ruffle-wheel/core';
import { AskedDrills, OpenStudy } from '../../study';
import { RovingGroup, RovingItem } from '../../ui/roving';
import { neck as neckWords } from '../../words/neck';
import { MatButton } from '@angular/material/button';
import { sayChange, sayFinger, sayRightHand } from '../../words/said/left-hand';

/** Every change of the section, the hardest first: what stays, what moves, the time for it. The neck's text alternative. */
@Component({
  selector: 'app-changes-panel',
  imports: [MatButton, RovingGroup, RovingItem],
  template: `
    <div class="changes" appRoving="down">
      <h3>{{ words.hardest }}</h3>
      @for (c of rows(); track c.key) {
        <section>
          <p class="top">
            <button
              type="button"
              matButton="text"
              class="link parts"
              appRovingItem
              [attr.data-first]="$first ? '' : null"
              (click)="shown.emit(c.change)"
            >
              <span data-own>{{ c.from }} → {{ c.to }}</span>
            </button>
            <span class="soft">{{ words.at(c.label) }} · {{ words.mm(c.mm) }} · {{ words.points(c.points) }}</span>
          </p>
          <p>{{ c.said }}</p>
          @if (c.right) {
            <p class="right">{{ c.right }}</p>
          }
          @if (c.times) {
            <p class="soft">{{ c.times }}</p>
          }
          <ul>
            @for (f of c.fingers; track f) {
              <li>{{ f }}</li>
            }
          </ul>
          @if ($index < drilled) {
            <button
              type="button"
              matButton="outlined"
              [attr.aria-label]="words.drill + ': ' + c.from + ' → ' + c.to"
              (click)="drill(c.change)"
            >
              {{ words.drill }}
            </button>
          } @else {
            <p class="soft">{{ words.undrilled }}</p>
          }
        </section>
      } @empty {
        <p class="soft">{{ words.none }}</p>
      }
    </div>
  `,
  styleUrl: './panels.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ChangesPanel {
  protected readonly words = neckWords.neck;
  private readonly open = inject(OpenStudy);
  private readonly asked = inject(AskedDrills);
  private readonly router = inject(Router);
  readonly shown = output<PlacedChange>();
  /** The hardest ones have drills. */
  protected readonly drilled = DRILLED_CHANGES;

  protected readonly rows = computed(() => {
    const changes = this.open.writtenReading()?.changes ?? [];
    return changes.map((change) => {
      const { block } = change;
      return {
        change,
        key: `${change.from.id} ${change.to.id}`,
        from: change.from.name,
        to: change.to.name,
        label: change.label,
        mm: change.mm,
        points: change.difficulty,
        said: sayChange(change).join(' '),
        right: sayRightHand(change.rightHand).join(' '),
        times:
          block.thereMs === null || block.neededMs === 0 ? '' : this.words.blockTimes(block.neededMs, block.thereMs),
        fingers: change.fingers.filter((f) => f.action !== 'idle').map(sayFinger),
      };
    });
  });
  protected drill(change: PlacedChange) {
    const section = this.open.written();
    if (!section) return;
    this.asked.ask(drillsOfChange(section, change, this.open.study()?.cells).map((d) => d.key));
    void this.router.navigateByUrl('/practise');
  }
}
