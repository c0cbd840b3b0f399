import { ChangeDetectionStrategy, Component, computed, inject, output } from '@angular/core';
import { Router } from '@angular/router';
import { drillsOfMove, type LeftMove, roundKey } from '@ruffle-wheel/core';
import { AskedDrills, OpenStudy } from '../../study';
import { RovingGroup, RovingItem } from '../../ui/roving';
import { neck as neckWords } from '../../words/neck';
import { MatButton } from '@angular/material/button';
import { sayChange, sayFinger, sayRightHand } from '../../words/said/left-hand';

/** Every move of the left hand in the section, the hardest first: what stays, what moves, the time for it. The neck's text alternative. */
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
            <span class="soft">{{ words.inBar(c.bar, c.label) }} · {{ c.way }} · {{ words.points(c.points) }}</span>
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
          <p class="acts">
            <button
              type="button"
              matButton="outlined"
              [attr.aria-label]="words.drill + ': ' + c.from + ' → ' + c.to"
              (click)="drill(c.change)"
            >
              {{ words.drill }}
            </button>
            @if (goesRound()) {
              <button
                type="button"
                matButton="text"
                [attr.aria-label]="words.round(c.bar) + ': ' + c.from + ' → ' + c.to"
                (click)="round(c.change)"
              >
                {{ words.round(c.bar) }}
              </button>
            }
          </p>
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
  readonly shown = output<LeftMove>();

  /** One bar alone leads into itself. */
  protected readonly goesRound = computed(() => (this.open.writtenReading()?.score.bars.length ?? 0) > 1);
  protected readonly rows = computed(() => {
    const moves = this.open.writtenReading()?.moves ?? [];
    return moves.map((change) => {
      const { block } = change;
      return {
        change,
        key: `${change.from.id} ${change.to.id}`,
        from: change.from.name,
        to: change.to.name,
        label: change.label,
        bar: change.bar + 1,
        way: change.arm > 0 ? this.words.armWay(change.arm, change.mm) : this.words.mm(change.mm),
        points: change.difficulty,
        said: sayChange(change).join(' '),
        right: sayRightHand(change.rightHand).join(' '),
        times:
          block.thereMs === null || block.neededMs === 0 ? '' : this.words.blockTimes(block.neededMs, block.thereMs),
        fingers: change.fingers.filter((f) => f.action !== 'idle').map(sayFinger),
      };
    });
  });
  protected drill(change: LeftMove) {
    const section = this.open.written();
    if (!section) return;
    this.ask(drillsOfMove(section, change, this.open.study()?.cells).map((d) => d.key));
  }
  /** From the bar of a move to the end, and round into the first. */
  protected round(change: LeftMove) {
    this.ask([roundKey(change.bar)]);
  }
  private ask(keys: readonly string[]) {
    this.asked.ask(keys);
    void this.router.navigateByUrl('/practise');
  }
}
