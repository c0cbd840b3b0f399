import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { type DueCheck, dueChecks } from '@ruffle-wheel/core';
import { ownFirst } from '../../data/demo';
import { today } from '../../data/today';
import { Collection } from '../../study';
import { practise } from '../../words/practise';

/** So many checks are listed; the others come after them. */
const SHOWN = 4;

/** Does it hold? What was held once and falls due today, of one's own where there is some. */
@Component({
  selector: 'app-due-list',
  imports: [MatButton],
  templateUrl: './due-list.html',
  styleUrl: './listed.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DueList {
  /** Something sounds: nothing else is taken up meanwhile. */
  readonly running = input.required<boolean>();
  readonly chosen = output<DueCheck>();
  protected readonly words = practise;
  private readonly collection = inject(Collection);
  protected readonly due = computed((): readonly DueCheck[] => {
    const studies = this.collection.studies().map((row) => row.study);
    return this.collection.logRead() ? dueChecks(ownFirst(this.collection.log()), studies, today()) : [];
  });
  protected readonly checks = computed(() => this.due().slice(0, SHOWN));
}
