import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { BIN_DAYS, Collection } from '../../study';
import { Notice } from '../../ui/notice';
import { Questions } from '../../ui/question';
import { shelf as shelfWords } from '../../words/shelf';
import { MatButton } from '@angular/material/button';

const DAY = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' });
/** Entries shown at once. */
const SHOWN = 20;

/** What was deleted, replaced or cleared, the latest first: each can be put back for weeks. */
@Component({
  selector: 'app-bin',
  imports: [MatButton],
  template: `
    @if (entries().length) {
      <details class="bin">
        <summary>{{ words.bin }} ({{ entries().length }})</summary>
        <p class="soft">{{ words.binNote(days) }}</p>
        <ul>
          @for (e of shown(); track e.id) {
            <li>
              <span
                ><b data-own>{{ e.name }}</b> <span class="soft">{{ e.said }}</span></span
              >
              <button
                type="button"
                matButton="outlined"
                [attr.aria-label]="words.putBackNamed(e.name)"
                (click)="putBack(e.id, e.name)"
              >
                {{ words.putBack }}
              </button>
            </li>
          }
        </ul>
        @if (entries().length > shown().length) {
          <p class="soft">{{ words.binMore(entries().length - shown().length) }}</p>
        }
        <button type="button" matButton="outlined" (click)="empty()">{{ words.emptyBin }}</button>
      </details>
    }
  `,
  styleUrl: './kept-aside.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Bin {
  protected readonly words = shelfWords;
  private readonly collection = inject(Collection);
  private readonly questions = inject(Questions);
  private readonly notice = inject(Notice);
  protected readonly days = BIN_DAYS;
  /** An entry without rows only says what came in: its way back is the notice's. */
  protected readonly entries = computed(() =>
    this.collection
      .bin()
      .filter((e) => e.rows > 0)
      .map((e) => ({
        id: e.id,
        name: e.name,
        said: [
          this.words.binSaid(this.words.binKinds[e.what], DAY.format(new Date(e.at))),
          ...(e.rows > 1 ? [this.words.binRows(e.rows)] : []),
        ].join(', '),
      })),
  );
  protected readonly shown = computed(() => this.entries().slice(0, SHOWN));

  protected putBack(id: string, name: string) {
    this.collection.putBack(id);
    this.notice.say(this.words.isBack(name));
  }
  protected async empty() {
    const w = this.words.emptying;
    const sure = await this.questions.ask({
      title: w.title,
      text: w.text,
      list: this.entries().map((e) => `${e.name}, ${e.said}`),
      choices: [{ value: true, label: w.yes, note: w.note }],
    });
    if (sure) await this.collection.emptyBin(this.collection.bin().map((e) => e.id));
  }
}
