import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { type AccentMeeting, placeLabel } from '@ruffle-wheel/core';
import { OpenStudy } from '../../study';
import { wheel as wheelWords } from '../../words/wheel';
import { StartsTable } from './starts-table';
import { sayMet } from '../../words/said/strokes';

/** For every turn until it comes round: which finger meets which accent. */
@Component({
  selector: 'app-accents-panel',
  imports: [StartsTable],
  template: `<div class="scroll" tabindex="0" role="group" [attr.aria-label]="words.tabs.accents">
      <table>
        <thead>
          <tr>
            <th scope="col">{{ words.turnHead }}</th>
            @for (a of accents(); track a.at) {
              <th scope="col" class="accent">{{ a.label }}</th>
            }
          </tr>
        </thead>
        <tbody>
          @for (row of rows(); track row.turn) {
            <tr [class.here]="row.turn === turn()" [attr.aria-current]="row.turn === turn() ? 'true' : null">
              <th scope="row">{{ row.turn + 1 }}</th>
              @for (m of row.meetings; track m.at) {
                <td [class.weak]="m.weak" [class.silent]="!m.by">
                  <span aria-hidden="true">{{ short(m) }}</span>
                  <span class="unseen">{{ say(m) }}</span>
                  @if (m.weak) {
                    <span class="unseen">{{ words.weak }}</span>
                  }
                </td>
              }
            </tr>
          }
        </tbody>
      </table>
    </div>
    <app-starts-table />`,
  styleUrl: './accents-panel.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AccentsPanel {
  protected readonly words = wheelWords.wheel;
  private readonly open = inject(OpenStudy);
  readonly turn = input(0);
  protected readonly accents = computed(() => {
    const cycle = this.open.section()?.cycle;
    return cycle
      ? [...cycle.accents].sort((a, b) => a.at - b.at).map((a) => ({ at: a.at, label: placeLabel(cycle, a.at) }))
      : [];
  });
  protected readonly rows = computed(() => {
    const rows: { turn: number; meetings: AccentMeeting[] }[] = [];
    for (const m of this.open.reading()?.layout.meetings ?? [])
      (rows[m.turn] ??= { turn: m.turn, meetings: [] }).meetings.push(m);
    return rows;
  });
  protected short(m: AccentMeeting): string {
    if (!m.by) return '–';
    if (m.by.kind !== 'stroke') return m.by.kind;
    return m.by.fingers.join('') + (m.by.dir === 'd' ? ' ↓' : m.by.dir === 'u' ? ' ↑' : '');
  }
  protected say(m: AccentMeeting): string {
    return m.by ? sayMet(m.by) : this.words.nothing;
  }
}
