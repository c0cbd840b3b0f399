import { BreakpointObserver } from '@angular/cdk/layout';
import { ScrollingModule } from '@angular/cdk/scrolling';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { askedIn, cleanShare, type LogEntry, reached } from '@ruffle-wheel/core';
import { map } from 'rxjs';
import { isOfDemo, ownFirst } from '../../data/demo';
import { Collection } from '../../study';
import { Notice } from '../../ui/notice';
import { Soon } from '../../ui/soon';
import { logbook as logbookWords } from '../../words/logbook';
import { HoldsPanel } from './holds-panel';
import { TempoChart } from './tempo-chart';
import { SELECT } from '../../ui/select';
import { IconButton } from '../../ui/icon-button';

/** The demo's own lines, in the choice of a study. */
const DEMO = ' demo';
const DAY = new Intl.DateTimeFormat('en-GB', { weekday: 'short', day: 'numeric', month: 'short', year: 'numeric' });
/** A line of the log in px; on a narrow window it takes two. */
const LINE = 44;
const TWO_LINES = 64;

/** Am I getting there, does it hold? Every session, and the tempo reached over the weeks; lines are drawn as they come into sight. */
@Component({
  selector: 'app-logbook-place',
  imports: [HoldsPanel, IconButton, SELECT, Soon, ScrollingModule, TempoChart],
  templateUrl: './logbook-place.html',
  styleUrl: './logbook-place.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LogbookPlace {
  protected readonly words = logbookWords;
  protected readonly collection = inject(Collection);
  private readonly notice = inject(Notice);
  private readonly narrow = toSignal(
    inject(BreakpointObserver)
      .observe('(max-width: 700px)')
      .pipe(map((b) => b.matches)),
    { initialValue: false },
  );
  protected readonly lineHeight = computed(() => (this.narrow() ? TWO_LINES : LINE));
  protected readonly studyChoice = signal('');
  protected readonly studies = computed(() => {
    const names = new Map(this.collection.log().map((e) => [e.studyId, e.studyName]));
    return [...names].map(([id, name]) => ({ id, name })).sort((a, b) => a.name.localeCompare(b.name));
  });
  /** Some of the lines are invented, and some are not. */
  protected readonly demoApart = computed(() => {
    const log = this.collection.log();
    return log.some(isOfDemo) && !log.every(isOfDemo);
  });
  protected readonly invented = computed(() => this.entries().some(isOfDemo));
  protected readonly demo = DEMO;
  protected readonly entries = computed((): LogEntry[] => {
    const study = this.studyChoice();
    const log = this.collection.log();
    if (study === DEMO) return log.filter(isOfDemo);
    return [...ownFirst(study ? log.filter((e) => e.studyId === study) : log)];
  });
  protected readonly total = computed(() => Math.round(this.entries().reduce((sum, e) => sum + e.minutes, 0)));
  protected readonly byId = (_: number, entry: LogEntry) => entry.id;

  private readonly asked = (entry: LogEntry) =>
    askedIn(
      entry,
      this.collection.studies().map((r) => r.study),
    );
  /** Without a tempo that was reached there is nothing to draw. */
  protected readonly hasTempo = computed(() => this.entries().some((e) => reached(e, this.asked(e)) !== null));
  /** What a line shows; asked for those in sight alone. */
  protected view(entry: LogEntry) {
    return {
      day: DAY.format(new Date(entry.startedAt)),
      minutes: Math.round(entry.minutes * 10) / 10,
      reached: reached(entry, this.asked(entry)),
      marks: this.words.cleanOf(
        entry.passes.filter((p) => p.clean).length,
        entry.passes.length,
        Math.round(100 * cleanShare(entry)),
      ),
    };
  }

  protected remove(entry: LogEntry) {
    const undo = this.collection.deleteLog(entry);
    this.notice.withUndo(`${this.words.removed}: ${entry.studyName}`, undo);
  }
}
