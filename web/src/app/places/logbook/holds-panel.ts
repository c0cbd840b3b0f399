import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { heldLines, type HeldLine, type LogEntry, minutesByKind, practiceDays } from '@ruffle-wheel/core';
import { today } from '../../data/today';
import { Collection } from '../../study';
import { sayBlockKind } from '../../words/said/plan';
import { logbook } from '../../words/logbook';

/** So many weeks are seen at once. */
const WEEKS = 12;
/** From so many minutes on a day is a full one. */
const FULL_MINUTES = 60;
const DAY = new Intl.DateTimeFormat('en-GB', { weekday: 'short', day: 'numeric', month: 'short', timeZone: 'UTC' });

/** Does it hold? What holds, what is due, what was lost; and the days on which one practised. */
@Component({
  selector: 'app-holds-panel',
  templateUrl: './holds-panel.html',
  styleUrl: './holds-panel.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HoldsPanel {
  readonly entries = input.required<readonly LogEntry[]>();
  protected readonly words = logbook.holds;
  private readonly collection = inject(Collection);
  private readonly lines = computed(() =>
    heldLines(
      this.entries(),
      this.collection.studies().map((row) => row.study),
      today(),
    ),
  );
  /** In the order in which they ask for something. */
  protected readonly states = computed(() => {
    const of = (state: State) => ({ state, lines: this.lines().filter((l) => stateOf(l) === state) });
    return STATES.map(of).filter(({ lines }) => lines.length > 0);
  });
  protected readonly when = (l: HeldLine): string =>
    l.overdue >= 0 ? this.words.due(l.days) : this.words.in(-l.overdue);
  protected readonly days = computed(() =>
    practiceDays(this.entries(), today(), WEEKS).map((d) => ({
      ...d,
      monday: new Date(d.day).getUTCDay() === 1,
      share: Math.min(1, d.minutes / FULL_MINUTES),
      said: d.minutes > 0 ? this.words.day(DAY.format(new Date(d.day)), Math.round(d.minutes), d.pain) : null,
    })),
  );
  /** What the time of these weeks went to. */
  protected readonly kinds = computed(() => {
    const first = this.days()[0]?.day ?? '';
    const all = minutesByKind(this.entries().filter((e) => e.startedAt.slice(0, 10) >= first));
    const most = all[0]?.minutes ?? 1;
    return all.map(({ kind, minutes }) => ({
      kind,
      said: sayBlockKind(kind),
      minutes: Math.round(minutes),
      share: minutes / most,
    }));
  });
  protected readonly practised = computed(() => this.days().filter((d) => d.minutes > 0).length);
  protected readonly weeks = WEEKS;
}
const STATES = ['lost', 'due', 'holds'] as const;
type State = (typeof STATES)[number];
const stateOf = (l: HeldLine): State => (l.lost ? 'lost' : l.overdue >= 0 ? 'due' : 'holds');
