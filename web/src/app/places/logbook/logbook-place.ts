import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatTableModule } from '@angular/material/table';
import { cleanShare, type LogEntry, reached } from '@ruffle-wheel/core';
import { Collection } from '../../study';
import { Icon } from '../../ui/icons';
import { Notice } from '../../ui/notice';
import { words } from '../../words/en';
import { TempoChart } from './tempo-chart';

const DAY = new Intl.DateTimeFormat('en-GB', { weekday: 'short', day: 'numeric', month: 'short', year: 'numeric' });

/** Am I getting there, does it hold? Every session, and the tempo reached over the weeks. */
@Component({
  selector: 'app-logbook-place',
  imports: [MatTableModule, TempoChart, Icon],
  templateUrl: './logbook-place.html',
  styleUrl: './logbook-place.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LogbookPlace {
  protected readonly words = words.logbook;
  protected readonly collection = inject(Collection);
  private readonly notice = inject(Notice);
  protected readonly columns = ['day', 'study', 'minutes', 'reached', 'marks', 'remove'];
  protected readonly studyChoice = signal('');
  protected readonly studies = computed(() => {
    const names = new Map(this.collection.log().map((e) => [e.studyId, e.studyName]));
    return [...names].map(([id, name]) => ({ id, name })).sort((a, b) => a.name.localeCompare(b.name));
  });
  protected readonly entries = computed(() =>
    this.collection.log().filter((e) => !this.studyChoice() || e.studyId === this.studyChoice()),
  );
  protected readonly rows = computed(() =>
    this.entries().map((entry) => ({
      entry,
      day: DAY.format(new Date(entry.startedAt)),
      minutes: Math.round(entry.minutes * 10) / 10,
      reached: reached(entry),
      marks: `${entry.passes.filter((p) => p.clean).length} of ${entry.passes.length} (${Math.round(100 * cleanShare(entry))} %)`,
    })),
  );
  protected readonly total = computed(() => Math.round(this.entries().reduce((sum, e) => sum + e.minutes, 0)));

  protected remove(entry: LogEntry) {
    const undo = this.collection.deleteLog(entry);
    this.notice.withUndo(`${this.words.removed}: ${entry.studyName}`, undo);
  }
}
