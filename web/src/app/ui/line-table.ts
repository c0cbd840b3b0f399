import { afterRenderEffect, ChangeDetectionStrategy, Component, ElementRef, inject, input } from '@angular/core';

/** A line note by note: a row for strings, frets, fingers, a column for each note; the present one is marked and kept in view. */
@Component({
  selector: 'app-line-table',
  template: `
    <div class="scroll" tabindex="0" role="group" [attr.aria-label]="label()">
      <table>
        <tbody>
          @for (line of lines(); track line.name) {
            <tr>
              <th scope="row">{{ line.name }}</th>
              @for (c of line.cells; track $index) {
                <td [class.here]="$index === here()" [attr.aria-current]="$index === here() ? 'true' : null">
                  {{ c }}
                </td>
              }
            </tr>
          }
        </tbody>
      </table>
    </div>
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
      white-space: nowrap;
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
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;

  constructor() {
    afterRenderEffect(() => {
      const n = this.here();
      const box = this.host.querySelector<HTMLElement>('.scroll');
      const cell = n === null ? null : this.host.querySelectorAll<HTMLElement>('tr:first-child td')[n];
      if (box && cell) box.scrollLeft = cell.offsetLeft - box.clientWidth / 2;
    });
  }
}
