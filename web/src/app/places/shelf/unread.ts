import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import type { LogEntry, Study } from '@ruffle-wheel/core';
import type { DamagedRow, PlacedRow } from '../../data';
import { Keeping } from '../../data/keeping';
import { Collection, Exports } from '../../study';
import { Notice } from '../../ui/notice';
import { Questions } from '../../ui/question';
import { saveFile } from '../../ui/save-file';
import { sayDataFault } from '../../words/said/refusals';
import { shelf as shelfWords } from '../../words/shelf';
import { MatButton } from '@angular/material/button';

/** Stored rows that their doors refuse: each can be exported as it is, mended, or deleted with a way back. */
@Component({
  selector: 'app-unread',
  imports: [MatButton],
  template: `
    @if (collection.damaged().length) {
      <div class="refused">
        <h3>{{ words.damaged }}</h3>
        <p>{{ words.damagedNote }}</p>
        <ul>
          @for (d of collection.damaged(); track d.table + d.id) {
            <li>
              <p>
                <b>{{ words.one[d.table](d.id) }}</b> {{ d.fault ? sayDataFault(d.fault) : '' }}
              </p>
              <span class="buttons">
                <button type="button" matButton="outlined" [attr.aria-label]="words.mendNamed(d.id)" (click)="mend(d)">
                  {{ words.mend }}
                </button>
                <button
                  type="button"
                  matButton="outlined"
                  [attr.aria-label]="words.exportNamed(d.id)"
                  (click)="exportRow(d)"
                >
                  {{ words.exportOne }}
                </button>
                <button
                  type="button"
                  matButton="outlined"
                  [attr.aria-label]="words.removeNamed(d.id)"
                  (click)="remove(d)"
                >
                  {{ words.remove }}
                </button>
              </span>
            </li>
          }
        </ul>
      </div>
    }
  `,
  styleUrl: './kept-aside.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Unread {
  protected readonly words = shelfWords;
  protected readonly sayDataFault = sayDataFault;
  protected readonly collection = inject(Collection);
  private readonly keeping = inject(Keeping);
  private readonly exports = inject(Exports);
  private readonly questions = inject(Questions);
  private readonly notice = inject(Notice);

  protected async exportRow(damaged: DamagedRow) {
    saveFile(await this.exports.raw(damaged), `${damaged.table} ${damaged.id}`);
  }
  protected async mend({ table, id }: DamagedRow) {
    const mended = await this.keeping.ask((k) => k.mend(table, id));
    if (!mended.ok) return this.notice.say(this.words.unmendable);
    const w = this.words.mending;
    const sure = await this.questions.ask({
      title: w.title,
      text: w.text,
      list: mended.changes.map(sayDataFault),
      choices: [{ value: true, label: this.words.mend, note: w.note }],
    });
    if (!sure) return;
    const row = mended.row as Study | LogEntry;
    const placed =
      table === 'studies'
        ? { table, row: { id: row.id, revision: 0, savedAt: new Date().toISOString(), study: row } }
        : { table, row };
    const name = 'name' in row ? row.name : row.studyName;
    const back = this.collection.exchange('unread', name, [placed as PlacedRow], []);
    this.notice.withUndo(`${name}: ${this.words.mended}`, back);
  }
  protected remove({ table, id }: DamagedRow) {
    const back = this.collection.exchange('unread', `${table} ${id}`, [], [{ table, id }]);
    this.notice.withUndo(this.words.deleted(`${table} ${id}`), back);
  }
}
