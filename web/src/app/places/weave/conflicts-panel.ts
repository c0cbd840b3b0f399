import { ChangeDetectionStrategy, Component, computed, inject, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { type Conflict, type Remedy, remedyCommand, sayConflict, sayRemedy } from '@ruffle-wheel/core';
import type { PieceAsk } from '../../compute/protocol';
import { Solve } from '../../compute/solve';
import { Asking } from '../../parts/asking/asking';
import { Working } from '../../parts/asking/working';
import { Collection, OpenStudy } from '../../study';
import { AsFarAsSeen } from '../../ui/as-far-as-seen';
import { Notice } from '../../ui/notice';
import { weave } from '../../words/weave';

/** A place of the piece. */
export interface PiecePlace {
  readonly section: string;
  /** From the section's beginning, in ticks. */
  readonly at: number;
}
/** What can't be held, comes late or sounds otherwise than it is called, over the whole piece, with what would end it. */
@Component({
  selector: 'app-conflicts-panel',
  imports: [MatButton, Working, AsFarAsSeen],
  templateUrl: './conflicts-panel.html',
  styleUrl: './answers.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ConflictsPanel {
  protected readonly words = weave.conflicts;
  private readonly open = inject(OpenStudy);
  private readonly notice = inject(Notice);
  private readonly solve = inject(Solve);
  private readonly collection = inject(Collection);
  readonly goTo = output<PiecePlace>();

  private readonly ask = computed((): PieceAsk | null => {
    const study = this.open.study();
    return study ? { study, profile: this.collection.profile() } : null;
  });
  protected readonly asking = new Asking<PieceAsk, Conflict[]>(this.ask, (ask) => this.solve.conflicts(ask));
  protected readonly rows = computed(() => {
    const names = new Map(this.open.study()?.sections.map((s) => [s.id, s.name]));
    return (this.asking.latest()?.answer ?? []).map((conflict, n) => ({
      n,
      conflict,
      where: `${names.get(conflict.section) ?? ''}, ${this.words.bar} ${conflict.bar + 1}, ${conflict.label}`,
      says: sayConflict(conflict),
      remedies: conflict.remedies.map((remedy) => ({ remedy, says: sayRemedy(remedy) })),
    }));
  });
  /** Nothing stands against the piece as it was last looked at. */
  protected readonly clear = computed(() => this.asking.latest() !== null && this.rows().length === 0);

  protected take(conflict: Conflict, remedy: Remedy, says: string) {
    this.open.apply(remedyCommand(conflict.section, remedy));
    this.notice.withStudyUndo(`${says}: ${this.words.taken}`, this.open.wayBack(), true);
  }
}
