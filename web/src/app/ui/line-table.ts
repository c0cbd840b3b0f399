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

/**
 * A line note by note: a row for strings, frets, fingers, a column for each step, its notes on lines of their own; the
 * present one is marked and kept in view.
 */
@Component({
  selector: 'app-line-table',
  template: `
    <div class="scroll" tabindex="0" role="group" [attr.aria-label]="label()">
      <table>
        <tbody>
          @for (line of drawn(); track line.name) {
            <tr>
              <th scope="row">{{ line.name }}</th>
              @for (c of line.cells; track c.n) {
                <td
                  [class.here]="c.n === here()"
                  [attr.aria-current]="c.n === here() ? 'true' : null"
                  [textContent]="c.text"
                ></td>
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
  styles: `
    .scroll {
      overflow-x: auto;
    }
    table {
      border-collapse: collapse;
      font-variant-numeric: tabular-nums;
    }
    th {
      position: sticky;
      left: 0;
      padding-right: 10px;
      background: var(--sheet);
      font-weight: 400;
      color: var(--ink-soft);
      text-align: left;
    }
    td {
      min-width: 20px;
      padding: 0 3px;
      text-align: center;
      font-weight: 700;
      vertical-align: top;
      line-height: 1.2;
      /* Notes of one step stand one under another, never as one number. */
      white-space: pre-line;
    }
    .part {
      margin: 2px 0 0;
      color: var(--ink-soft);
    }
    .here {
      background: var(--cloth);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LineTable {
  readonly label = input.required<string>();
  readonly lines = input.required<readonly { readonly name: string; readonly cells: readonly string[] }[]>();
  readonly here = input<number | null>(null);
  protected readonly words = neckWords.lineTable;
  private readonly length = computed(() => Math.max(0, ...this.lines().map((l) => l.cells.length)));
  /** The first note drawn: in steps, so that going on from note to note does not draw the table anew. */
  private readonly first = computed(() => {
    const most = Math.max(0, this.length() - DRAWN);
    const step = DRAWN / 2;
    return Math.min(most, Math.max(0, Math.floor(((this.here() ?? 0) - step / 2) / step) * step));
  });
  protected readonly drawn = computed(() =>
    this.lines().map(({ name, cells }) => ({
      name,
      cells: cells.slice(this.first(), this.first() + DRAWN).map((text, i) => ({ n: this.first() + i, text })),
    })),
  );
  /** Which notes of how many, where not all are drawn. */
  protected readonly part = computed(() => {
    const [all, first] = [this.length(), this.first()];
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
