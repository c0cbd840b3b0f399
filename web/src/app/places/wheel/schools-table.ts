import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { RovingGroup, RovingItem } from '../../ui/roving';
import { wheel as wheelWords } from '../../words/wheel';

/** A school beside others: its fingers note by note, or why it has none. */
export interface SchoolRow {
  readonly id: string;
  /** No teacher gives it for this kind of playing. */
  readonly folded: boolean;
  readonly name: string;
  readonly note: string;
  readonly total: string;
  readonly infeasible: string;
  readonly letters: readonly { readonly text: string; readonly other: boolean; readonly awkward: boolean }[];
}

/** Schools of a line side by side; one of them is chosen. */
@Component({
  selector: 'app-schools-table',
  imports: [MatButton, RovingGroup, RovingItem],
  templateUrl: './schools-table.html',
  styleUrl: './schools-table.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SchoolsTable {
  protected readonly words = wheelWords.line;
  readonly rows = input.required<readonly SchoolRow[]>();
  readonly strings = input.required<readonly string[]>();
  readonly chosen = input.required<string>();
  readonly choose = output<string>();
}
