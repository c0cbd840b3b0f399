import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { type KeyRequest, type RankedKey } from '@ruffle-wheel/core';
import { Asking } from '../../parts/asking/asking';
import { Working } from '../../parts/asking/working';
import type { MelodyAsk } from '../../compute/protocol';
import { LongSolve } from '../../compute/solve';
import { neck as neckWords } from '../../words/neck';
import { AsFarAsSeen } from '../../ui/as-far-as-seen';
import { MatButton } from '@angular/material/button';
import { Toggle } from '../../ui/toggle';
import { sayFact } from '../../words/said/faults';
import { sayKey } from '../../words/said/left-hand';

/** Keys listed at first; the rest are no easier. */
const SHOWN = 8;

/** Every transposition and capo place of a passage ranked, once it is asked for. */
@Component({
  selector: 'app-key-ranking',
  imports: [AsFarAsSeen, Toggle, MatButton, Working],
  template: `
    <details #details (toggle)="wanted.set(details.open)">
      <summary>{{ words.keys }}</summary>
      <p class="soft">{{ words.keysHelp }}</p>
      <app-working [asking]="asking" />
      @for (k of rows().slice(0, end.drawn()); track k.said) {
        <div class="shape">
          <span
            ><b>{{ k.points }}</b> {{ k.said }}</span
          >
          <span class="buttons">
            @if (k.key.total !== null) {
              <button
                type="button"
                matButton="outlined"
                [attr.aria-pressed]="heard() === k.said"
                [attr.aria-label]="(heard() === k.said ? words.quietKey : words.hearKey) + ': ' + k.said"
                (click)="hear.emit(k.key)"
              >
                {{ heard() === k.said ? words.quietKey : words.hearKey }}
              </button>
            }
            <button
              type="button"
              matButton="outlined"
              [attr.aria-label]="words.takeKey + ': ' + k.said"
              (click)="take.emit(k.key)"
            >
              {{ words.takeKey }}
            </button>
          </span>
          @if (k.lost) {
            <span class="soft">{{ words.lost(k.lost) }}</span>
          }
        </div>
      }
      <app-as-far-as-seen #end="asFarAsSeen" [of]="rows().length" />
      @if (rows().length) {
        <p class="buttons">
          <app-toggle [on]="whole()" (click)="whole.set(!whole())">{{ words.allKeys }}</app-toggle>
        </p>
      }
    </details>
  `,
  styleUrl: './panels.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class KeyRanking {
  protected readonly words = neckWords.neck;
  private readonly solve = inject(LongSolve);
  readonly passage = input.required<MelodyAsk>();
  readonly take = output<RankedKey>();
  readonly hear = output<RankedKey>();
  /** The key that is being heard, as it is said. */
  readonly heard = input('');
  protected readonly wanted = signal(false);
  /** All of them listed, those that can't be played too. */
  protected readonly whole = signal(false);
  private readonly ask = computed((): KeyRequest | null => {
    if (!this.wanted()) return null;
    const { read, request } = this.passage();
    return { ...request, events: read.events };
  });
  protected readonly asking = new Asking<KeyRequest, RankedKey[]>(
    this.ask,
    (ask, progress) => this.solve.keys(ask, progress),
    () => undefined,
    this.solve,
  );
  protected readonly rows = computed(() => {
    const all = this.asking.answer() ?? [];
    const here = all.find((k) => k.transposed === 0 && k.capo === this.passage().request.neck.capo);
    const best = this.whole() ? all : all.filter((k) => k.total !== null).slice(0, SHOWN);
    return [...best, ...(here && !best.includes(here) ? [here] : [])].map((key) => ({
      key,
      points: key.total ?? this.words.noKey,
      said: sayKey(key),
      lost: key.lost.map(sayFact).join(', '),
    }));
  });
}
