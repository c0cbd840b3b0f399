import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import {
  type AccentCycle,
  barTicks,
  fingersText,
  fretsText,
  MOST_SHAPES,
  printChart,
  type RowAnswer,
  type RowRequest,
  type RowResult,
  type Shape,
  LEAST_STRINGS,
} from '@ruffle-wheel/core';
import { Asking } from '../../parts/asking/asking';
import { Working } from '../../parts/asking/working';
import { Solve } from '../../compute/solve';
import { Collection, OpenStudy, TypedTexts } from '../../study';
import { AnswerButtons } from '../../parts/try-out/answer-buttons';
import type { Shown } from '../../parts/try-out/try-out';
import { neck as neckWords } from '../../words/neck';
import { shapeFrom } from '../../parts/shape-from';
import { Toggle } from '../../ui/toggle';
import { FIELD } from '../../ui/field';
import { sayFacts } from '../../words/said/faults';

const ANSWERS = 3;
/** Rows that are looked at for them: the same frets may be fingered in several ways. */
const LOOKED_AT = 40;

/** The cheapest row of each set of frets. */
function differentFrets(answers: readonly RowAnswer[]): RowAnswer[] {
  const found = new Map<string, RowAnswer>();
  for (const a of answers) {
    const frets = a.shapes.map(fretsText).join(' ');
    if (!found.has(frets) && found.size < ANSWERS) found.set(frets, a);
  }
  return [...found.values()];
}

/** Chord symbols in order become a row of shapes with least work, ways between them included. */
@Component({
  selector: 'app-row-panel',
  imports: [FIELD, Toggle, Working, AnswerButtons],
  template: `
    <div class="row-of">
      <mat-form-field class="wide"
        ><mat-label>{{ words.rowChords }}</mat-label
        ><textarea
          matInput
          #t
          data-first
          rows="3"
          spellcheck="false"
          [value]="text()"
          (input)="text.set(t.value)"
        ></textarea
        ><mat-hint>{{ words.rowHelp }}</mat-hint></mat-form-field
      >
      <div class="pair" role="group">
        @for (p of pers; track p) {
          <app-toggle [on]="per() === p" (click)="per.set(p)">{{
            p === 'turn' ? words.perTurn : words.perGroup
          }}</app-toggle>
        }
        <app-toggle [on]="root()" (click)="root.set(!root())">{{ words.rootBass }}</app-toggle>
      </div>
      <app-working [asking]="asking" />
      @for (f of faults(); track f) {
        <p class="fault" role="alert">{{ f }}</p>
      }
      @if (rows().length) {
        <h3>{{ words.rowFound }}</h3>
      }
      @for (r of rows(); track r.n) {
        <section>
          <p class="soft">
            <b>{{ r.n + 1 }}</b> · {{ words.points(r.total) }} · {{ words.paid(words.shapesCost, r.shapes) }} ·
            {{ words.paid(words.changesCost, r.changes) }}
          </p>
          <p class="shapes">
            @for (s of r.held; track $index) {
              <span
                ><b data-own>{{ s.name }}</b> <code data-own>{{ s.frets }}</code>
                <span class="soft">{{ s.fingers }}</span></span
              >
            }
          </p>
          <p class="buttons"><app-answer-buttons [key]="'row ' + r.n" [shown]="r.shown" [name]="'' + (r.n + 1)" /></p>
        </section>
      }
    </div>
  `,
  styleUrl: './panels.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RowPanel {
  protected readonly words = neckWords.neck;
  private readonly open = inject(OpenStudy);
  private readonly collection = inject(Collection);
  private readonly solve = inject(Solve);
  protected readonly pers = ['turn', 'group'] as const;
  protected readonly text = inject(TypedTexts).of('row');
  /** The thumb takes the root, unless the symbol names another bass. */
  protected readonly root = signal(true);
  protected readonly per = signal<'turn' | 'group'>('turn');

  private readonly ask = computed((): RowRequest | null => {
    const study = this.open.study();
    const chords = this.text()
      .split(/[\s|,]+/)
      .filter((c) => c !== '');
    if (!study || chords.length === 0) return null;
    const played = this.open.writtenReading()?.played.values() ?? [];
    const strings = [...new Set([...played].flat())];
    return {
      chords,
      plays: chords.map(() => strings),
      round: true,
      tuning: study.instrument.tuning,
      neck: this.open.neck(),
      profile: this.collection.profile(),
      atLeast: LEAST_STRINGS,
      bass: this.root() ? 'root' : 'any',
      k: LOOKED_AT,
    };
  });
  protected readonly asking = new Asking<RowRequest, RowResult>(this.ask, (ask, progress) =>
    this.solve.row(ask, progress),
  );
  private readonly seen = computed(() => (this.ask() ? this.asking.latest() : null));
  protected readonly faults = computed(() => {
    const seen = this.seen();
    if (!seen) return [];
    const different = new Set(seen.ask.chords).size;
    const already = this.open.study()?.shapes.length ?? 0;
    return [
      ...sayFacts(seen.answer.infeasible ?? []),
      ...(different + already > MOST_SHAPES ? [this.words.tooMany] : []),
    ];
  });
  protected readonly rows = computed(() => {
    const seen = this.seen();
    const written = this.open.written();
    if (!seen || seen.answer.infeasible || !written || this.faults().length) return [];
    return differentFrets(seen.answer.answers).map((a, n) => {
      const shapes = a.shapes.map((held, i) => shapeFrom(seen.ask.chords[i] ?? '', held));
      const { script, stepsPerCount, start } = written;
      const shown: Shown = {
        script,
        stepsPerCount,
        start,
        chart: this.chartOf(shapes, written.cycle),
        shapes: [...new Map(shapes.map((s) => [s.id, s])).values()],
      };
      return {
        n,
        total: a.total,
        shapes: a.cost.shapes,
        changes: a.cost.changes,
        held: shapes.map((s) => ({ name: s.name, frets: fretsText(s), fingers: this.words.heldBy(fingersText(s)) })),
        shown,
      };
    });
  });
  /** A chord a bar, or a chord with each group, round and round until they meet. */
  private chartOf(shapes: readonly Shape[], cycle: AccentCycle): string {
    const lengths = this.per() === 'turn' ? barTicks(cycle) : cycle.groups;
    const whole = Math.ceil(shapes.length / lengths.length) * lengths.length;
    const rounds = this.per() === 'turn' ? shapes.length : whole;
    return printChart(
      Array.from({ length: rounds }, (_, i) => ({
        name: shapes[i % shapes.length]?.name ?? '',
        ticks: lengths[i % lengths.length] ?? 0,
      })),
      cycle,
    );
  }
}
