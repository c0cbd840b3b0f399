import { ChangeDetectionStrategy, Component, computed, effect, inject, untracked } from '@angular/core';
import type { PlannedBlock } from '@ruffle-wheel/core';
import { Collection } from '../../study';
import { Notice } from '../../ui/notice';
import { practise } from '../../words/practise';
import { sayBlockKind, sayPlanned } from '../../words/said/plan';
import { PlanRun } from './plan-run';

/** Where a planned session stands: the block, the time it has left, and what comes after it. */
@Component({
  selector: 'app-plan-line',
  templateUrl: './plan-line.html',
  styleUrl: './plan-line.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PlanLine {
  protected readonly words = practise.planned;
  protected readonly run = inject(PlanRun);
  private readonly collection = inject(Collection);
  private readonly notice = inject(Notice);
  protected readonly kind = sayBlockKind;
  protected readonly why = (block: PlannedBlock) => sayPlanned(block.why);
  protected readonly clock = computed(() => {
    const seconds = Math.ceil(this.run.left());
    return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;
  });
  protected readonly then = computed(() => {
    const after = this.run.after();
    return after ? this.words.then(sayBlockKind(after.kind), this.nameOf(after)) : this.words.last;
  });
  private nameOf({ about }: PlannedBlock): string {
    const study = about && this.collection.row(about.studyId)?.study;
    return study?.sections.find((s) => s.id === about?.sectionId)?.name ?? study?.name ?? '';
  }

  constructor() {
    effect(() => {
      const said = this.run.said();
      untracked(() => {
        if (!said) return;
        this.run.said.set(null);
        const { words } = this;
        this.notice.say('gone' in said ? words.gone(sayBlockKind(said.gone.kind)) : words.late(said.late));
      });
    });
  }
}
