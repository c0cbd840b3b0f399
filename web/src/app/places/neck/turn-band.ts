import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  computed,
  ElementRef,
  inject,
  input,
  output,
} from '@angular/core';
import { MatButton } from '@angular/material/button';
import { type AccentCycle, cycleLength, TICKS_PER_COUNT } from '@ruffle-wheel/core';
import { neck as neckWords } from '../../words/neck';

/** One chord of the row, where it stands. */
export interface BandChord {
  /** In ticks from where the chart begins. */
  readonly at: number;
  readonly until: number;
  readonly name: string;
  readonly frets: string;
  /** What the way to it takes and has; null where nothing changes or no stroke says. */
  readonly time: { readonly neededMs: number; readonly thereMs: number } | null;
}
/** Turns drawn at once: those around the present one. */
const DRAWN = 16;
/** Height of the line of counts that stays in sight, and what is left of the chord before, in px. */
const COUNTS = 26;
const EDGE = 30;

/** The row of shapes as it is played: a line for every turn, each chord as long as it is held, with the time of each change. */
@Component({
  selector: 'app-turn-band',
  imports: [MatButton],
  template: `
    <div class="scroll">
      <div class="counts" aria-hidden="true">
        @for (c of counts(); track c.n) {
          <span [class.accent]="c.accent" [style.left.%]="c.left">{{ c.label }}</span>
        }
      </div>
      <ol>
        @for (t of drawn(); track t.turn) {
          <li class="turn" [attr.aria-label]="words.turn(t.turn + 1, turns())">
            @for (c of t.chords; track c.n) {
              <button
                type="button"
                matButton="outlined"
                class="card parts"
                [class.goes-on]="c.goesOn"
                [attr.aria-current]="c.n === here() ? 'true' : null"
                [attr.title]="c.says"
                [style.left.%]="c.left"
                [style.width.%]="c.width"
                (click)="taken.emit(c.n)"
              >
                <b data-own>{{ c.name }}</b>&ngsp; <code data-own>{{ c.frets }}</code>&ngsp;
                @if (c.time; as t) {
                  <span class="bar" [class.late]="t.late"><span [style.width.%]="t.share"></span></span>
                  <span class="soft">{{ t.text }}</span>
                }
              </button>
            }
          </li>
        }
      </ol>
    </div>
    @if (turns() > drawnMost) {
      <p class="soft">{{ words.turns(first() + 1, first() + drawnMost, turns()) }}</p>
    }
  `,
  styleUrl: './turn-band.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TurnBand {
  readonly cycle = input.required<AccentCycle>();
  readonly chords = input.required<readonly BandChord[]>();
  readonly here = input.required<number>();
  readonly taken = output<number>();
  protected readonly words = neckWords.turnBand;
  protected readonly drawnMost = DRAWN;

  private readonly length = computed(() => cycleLength(this.cycle()));
  protected readonly turns = computed(() => Math.max(1, Math.ceil((this.chords().at(-1)?.until ?? 0) / this.length())));
  protected readonly counts = computed(() => {
    const { labels, accents } = this.cycle();
    const heavy = new Set<number>(accents.map((a) => a.at));
    return labels.map((label, n) => ({
      n,
      label,
      left: (100 * n) / labels.length,
      accent: heavy.has(n * TICKS_PER_COUNT),
    }));
  });
  protected readonly first = computed(() => {
    const turn = Math.floor((this.chords()[this.here()]?.at ?? 0) / this.length());
    return Math.max(0, Math.min(turn - DRAWN / 2, this.turns() - DRAWN));
  });
  protected readonly drawn = computed(() => {
    const [length, first] = [this.length(), this.first()];
    const shown = Math.min(DRAWN, this.turns());
    return Array.from({ length: shown }, (_, i) => {
      const turn = first + i;
      const [begin, end] = [turn * length, (turn + 1) * length];
      const chords = this.chords().flatMap((c, n) => {
        const [from, to] = [Math.max(begin, c.at), Math.min(end, c.until)];
        return from < to ? [this.card(c, n, (from - begin) / length, (to - from) / length, c.at < begin)] : [];
      });
      return { turn, chords };
    });
  });
  private card({ name, frets, time }: BandChord, n: number, left: number, width: number, goesOn: boolean) {
    const shown = goesOn ? null : time;
    const text = shown ? this.words.needsHas(shown.neededMs, shown.thereMs) : '';
    return {
      n,
      name,
      frets,
      goesOn,
      left: 100 * left,
      width: 100 * width,
      says: [name, frets, text].filter((x) => x).join(' '),
      time: shown && {
        text,
        late: shown.neededMs > shown.thereMs,
        share: Math.min(100, (100 * shown.neededMs) / Math.max(1, shown.thereMs)),
      },
    };
  }
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;

  constructor() {
    afterRenderEffect(() => {
      this.here();
      const box = this.host.querySelector<HTMLElement>('.scroll');
      const card = this.host.querySelector<HTMLElement>('[aria-current]');
      const row = card?.closest<HTMLElement>('.turn');
      if (!box || !card || !row) return;
      const [top, bottom] = [row.offsetTop, row.offsetTop + row.offsetHeight];
      if (top - COUNTS < box.scrollTop || bottom > box.scrollTop + box.clientHeight) box.scrollTop = top - COUNTS;
      const [left, right] = [card.offsetLeft, card.offsetLeft + card.offsetWidth];
      if (left < box.scrollLeft || right > box.scrollLeft + box.clientWidth) box.scrollLeft = left - EDGE;
    });
  }
}
