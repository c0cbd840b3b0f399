import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { type Finding, type Remedy } from '@ruffle-wheel/core';
import type { PieceAsk } from '../../compute/protocol';
import { Solve } from '../../compute/solve';
import { Asking } from '../../parts/asking/asking';
import { Working } from '../../parts/asking/working';
import { RemedyButtons } from '../../parts/remedies/remedy-buttons';
import { Collection, OpenStudy } from '../../study';
import { AsFarAsSeen } from '../../ui/as-far-as-seen';
import { weave } from '../../words/weave';
import { sayFinding } from '../../words/said/findings';

/** Findings for which remedies are looked for, the gravest first. */
const MOST_MENDED = 40;
/** A place of the piece. */
export interface PiecePlace {
  readonly section: string;
  /** From the section's beginning, in ticks. */
  readonly at: number;
}
/** What can't be held, comes late or sounds otherwise than it is called, over the whole piece, with what would end it. */
@Component({
  selector: 'app-conflicts-panel',
  imports: [MatButton, Working, AsFarAsSeen, RemedyButtons],
  templateUrl: './conflicts-panel.html',
  styleUrl: './answers.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ConflictsPanel {
  protected readonly words = weave.conflicts;
  private readonly open = inject(OpenStudy);
  private readonly solve = inject(Solve);
  private readonly collection = inject(Collection);
  readonly goTo = output<PiecePlace>();

  private readonly ask = computed((): PieceAsk | null => {
    const study = this.open.study();
    return study ? { study, profile: this.collection.profile() } : null;
  });
  /** Ways out of the gravest; they come after the list, for each is tried out. */
  private readonly remedies = signal<{ readonly of: readonly Finding[]; readonly ways: readonly Remedy[][] } | null>(
    null,
  );
  protected readonly asking = new Asking<PieceAsk, Finding[]>(
    this.ask,
    (ask) => this.solve.conflicts(ask),
    () => void this.lookForRemedies(),
  );
  protected readonly rows = computed(() => {
    const names = new Map(this.open.study()?.sections.map((s) => [s.id, s.name]));
    const found = this.asking.latest()?.answer ?? [];
    const known = this.remedies();
    return found.map((finding, n) => {
      const { section, bar, label } = finding.place;
      const { title, lines, hint } = sayFinding(finding);
      const remedies = (known?.of === found ? known.ways[n] : null) ?? [];
      return {
        ...{ n, finding, title, remedies },
        where: this.words.place(names.get(section) ?? '', bar + 1, label),
        // What to do about it is said where nothing is offered.
        lines: remedies.length ? lines.filter((line) => line !== hint) : lines,
      };
    });
  });
  /** Nothing stands against the piece as it was last looked at. */
  protected readonly clear = computed(() => this.asking.latest() !== null && this.rows().length === 0);

  private async lookForRemedies() {
    const latest = this.asking.latest();
    if (!latest) return;
    const of = latest.answer;
    // Without ways out the list still stands, each with what to do about it.
    const ways = await this.solve.remedies({ ...latest.ask, findings: of.slice(0, MOST_MENDED) }).catch(() => null);
    if (ways) this.remedies.set({ of, ways });
  }
}
