import { ChangeDetectionStrategy, Component, computed, inject, signal, viewChild } from '@angular/core';
import { FRET_SCHOOLS, type HandNote, MELODY_SCHOOLS, type SectionHands, WRITING_SCHOOLS } from '@ruffle-wheel/core';
import type { HandsAsk } from '../../compute/protocol';
import { Solve } from '../../compute/solve';
import { Asking } from '../../parts/asking/asking';
import { Working } from '../../parts/asking/working';
import { AnswerButtons } from '../../parts/try-out/answer-buttons';
import { TrialTablature } from '../../parts/try-out/trial-tablature';
import type { Shown } from '../../parts/try-out/try-out';
import { Collection, OpenStudy } from '../../study';
import { AsFarAsSeen } from '../../ui/as-far-as-seen';
import { SELECT } from '../../ui/select';
import { Toggle } from '../../ui/toggle';
import { weave } from '../../words/weave';
import { sayFact } from '../../words/said/faults';
import { sayFretSchool, sayLineSchool } from '../../words/said/schools';
import { sayHandNote, sayNotes, sayPlace } from '../../words/said/left-hand';

const WAYS = 3;

/** Fingers of both hands over the section, in the best few ways, each stroke with what it asks. */
@Component({
  selector: 'app-hand-ways',
  imports: [SELECT, Toggle, Working, AnswerButtons, AsFarAsSeen, TrialTablature],
  templateUrl: './hand-ways.html',
  styleUrl: './answers.scss',
  host: { '(keydown.control.enter)': 'first()?.take()' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HandWays {
  protected readonly words = weave.hands;
  protected readonly first = viewChild(AnswerButtons);
  private readonly open = inject(OpenStudy);
  private readonly collection = inject(Collection);
  private readonly solve = inject(Solve);
  protected readonly lefts = FRET_SCHOOLS.map(({ id }) => ({ id, ...sayFretSchool(id) }));
  protected readonly rights = MELODY_SCHOOLS.map(({ id }) => ({ id, ...sayLineSchool(id) }));
  protected readonly left = signal<string>(WRITING_SCHOOLS.left);
  protected readonly right = signal<string>(WRITING_SCHOOLS.right);
  protected readonly anew = signal(false);

  private readonly ask = computed((): HandsAsk | null => {
    const [section, study] = [this.open.written(), this.open.study()];
    if (!section || !study || section.script === '') return null;
    const wish = { left: this.left(), right: this.right(), anew: this.anew(), k: WAYS };
    return { study, section: section.id, profile: this.collection.profile(), wish };
  });
  protected readonly asking = new Asking<HandsAsk, SectionHands>(this.ask, (ask) => this.solve.hands(ask));
  private readonly seen = computed(() => (this.ask() ? (this.asking.latest()?.answer ?? null) : null));
  protected readonly faults = computed(() => this.seen()?.infeasible.map(sayFact) ?? []);
  protected readonly nothing = computed(() => this.seen()?.open === 0);
  protected readonly ways = computed(() => {
    const [seen, section] = [this.seen(), this.open.written()];
    if (!seen || !section || seen.open === 0) return [];
    return seen.ways.map((way, n) => {
      const shown: Shown = { script: way.script, stepsPerCount: section.stepsPerCount, start: section.start };
      return {
        n,
        shown,
        total: way.total,
        left: way.left,
        right: way.right,
        notes: way.notes.map((note: HandNote, i) => ({
          i,
          place: sayPlace(section.cycle, note.at + section.start),
          notes: sayNotes(note),
          says: sayHandNote(note, section.cycle).join('; '),
        })),
      };
    });
  });
}
