import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  computed,
  ElementRef,
  inject,
  input,
} from '@angular/core';
import { neck as neckWords } from '../words/neck';

/** Notes drawn at once: those around the present one. */
const DRAWN = 64;
const STRINGS = [1, 2, 3, 4, 5, 6] as const;

/** What is struck at once: its places, and the right hand's letters. */
export interface TablatureColumn {
  readonly notes: readonly { readonly string: number; readonly fret: number | string; readonly left: string }[];
  readonly right: string;
}

/**
 * Notes in a row on six lines, the thinnest string on top: frets with the left hand's fingers beside them, the right hand's
 * letters below. The present note is marked and kept in view.
 */
@Component({
  selector: 'app-small-tablature',
  template: `
    <div class="scroll" tabindex="0" role="group" [attr.aria-label]="label()">
      <table>
        <tbody>
          @for (s of strings; track s) {
            <tr>
              <th scope="row">
                <span class="unseen">{{ words.string }}</span> {{ s }}
              </th>
              @for (c of drawn(); track c.n) {
                <td
                  class="line"
                  [class.here]="c.n === here()"
                  [attr.aria-current]="c.n === here() && c.at[s] ? 'true' : null"
                >
                  @if (c.at[s]; as note) {
                    <span class="place"
                      ><b>{{ note.fret }}</b>
                      @if (note.left) {
                        <sup
                          ><span class="unseen">{{ words.finger }}</span> {{ note.left }}</sup
                        >
                      }
                    </span>
                  }
                </td>
              }
            </tr>
          }
          @if (lettered()) {
            <tr>
              <th scope="row">
                <span class="unseen">{{ words.right }}</span>
              </th>
              @for (c of drawn(); track c.n) {
                <td class="hand" [class.here]="c.n === here()" data-own>{{ c.right }}</td>
              }
            </tr>
          }
        </tbody>
      </table>
    </div>
    @if (part(); as p) {
      <p class="part">{{ words.notes(p.first, p.last, p.all) }}</p>
    }
  `,
  styleUrl: './small-tablature.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SmallTablature {
  readonly label = input.required<string>();
  readonly columns = input.required<readonly TablatureColumn[]>();
  readonly here = input<number | null>(null);
  protected readonly words = neckWords.lineTable;
  protected readonly strings = STRINGS;
  protected readonly lettered = computed(() => this.columns().some((c) => c.right !== ''));
  /** The first note drawn: in steps, so that going on from note to note does not draw the table anew. */
  private readonly first = computed(() => {
    const most = Math.max(0, this.columns().length - DRAWN);
    const step = DRAWN / 2;
    return Math.min(most, Math.max(0, Math.floor(((this.here() ?? 0) - step / 2) / step) * step));
  });
  protected readonly drawn = computed(() =>
    this.columns()
      .slice(this.first(), this.first() + DRAWN)
      .map(({ notes, right }, i) => ({
        n: this.first() + i,
        right,
        at: Object.fromEntries(notes.map((note) => [note.string, note])),
      })),
  );
  /** Which notes of how many, where not all are drawn. */
  protected readonly part = computed(() => {
    const [all, first] = [this.columns().length, this.first()];
    return all > DRAWN ? { first: first + 1, last: Math.min(all, first + DRAWN), all } : null;
  });
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;

  constructor() {
    afterRenderEffect(() => {
      const n = this.here();
      const box = this.host.querySelector<HTMLElement>('.scroll');
      const cell = n === null ? null : this.host.querySelector<HTMLElement>('td.here');
      if (box && cell) box.scrollLeft = cell.offsetLeft - box.clientWidth / 2;
    });
  }
}
