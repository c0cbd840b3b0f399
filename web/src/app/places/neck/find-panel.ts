import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import {
  chartName,
  fingersText,
  fretsText,
  type FrettedShape,
  holdShape,
  MOST_SHAPES,
  OPEN_SHAPE,
  pitchOf,
  type Shape,
  shapeSpan,
  type StringNumber,
  STRINGS,
  VOICING_TERMS,
  type VoicingAnswer,
  paidTerms,
} from '@ruffle-wheel/core';
import { Asking } from '../../parts/asking/asking';
import { Working } from '../../parts/asking/working';
import type { ShapeAnswers, ShapeAsk } from '../../compute/protocol';
import { Solve } from '../../compute/solve';
import { Collection, OpenStudy, TypedTexts } from '../../study';
import { shapeFrom } from '../../parts/shape-from';
import { TryOut } from '../../parts/try-out/try-out';
import { Notice } from '../../ui/notice';
import { neck as neckWords } from '../../words/neck';
import { SELECT } from '../../ui/select';
import { MatButton } from '@angular/material/button';
import { Toggle } from '../../ui/toggle';
import { FIELD } from '../../ui/field';
import { sayFact, sayFacts } from '../../words/said/faults';

const ANSWERS = 8;
/** Shapes for a chord symbol, filtered and ranked, with easier substitutes. */
@Component({
  selector: 'app-find-panel',
  imports: [FIELD, Toggle, MatButton, SELECT, Working],
  templateUrl: './find-panel.html',
  styleUrl: './panels.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FindPanel {
  protected readonly words = neckWords.neck;
  private readonly open = inject(OpenStudy);
  private readonly collection = inject(Collection);
  private readonly solve = inject(Solve);
  private readonly notice = inject(Notice);
  protected readonly tryOut = inject(TryOut);
  /** Place in the row that another shape can take. */
  readonly index = input<number | null>(null);
  readonly present = input<Shape | null>(null);

  protected readonly chord = inject(TypedTexts).of('find');
  protected readonly strings = signal<readonly StringNumber[]>([...STRINGS]);
  protected readonly opens = signal<'any' | 'some' | 'none'>('any');
  protected readonly highest = signal(12);
  protected readonly barre = signal(true);
  protected readonly root = signal(false);
  protected readonly easy = signal(false);
  protected readonly allStrings = STRINGS;
  protected readonly openChoices = ['any', 'some', 'none'] as const;
  protected readonly fretChoices = [3, 5, 7, 9, 12, 15];

  private readonly ask = computed((): ShapeAsk | null => {
    const chord = this.chord().trim();
    const study = this.open.study();
    if (!chord || !study) return null;
    const present = this.present();
    const same = present && present.name.replace(/\s/g, '') === chord.replace(/\s/g, '');
    const notes = chord.split(/[\s,]+/).map(pitchOf);
    const pitches = notes.flatMap((n) => n ?? []);
    return {
      name: chord,
      request: {
        // Several names with their octave are notes, each wanted once; one alone, such as G7, is a symbol.
        ...(notes.length > 1 && pitches.length === notes.length ? { notes: pitches } : { chord }),
        tuning: study.instrument.tuning,
        neck: this.open.neck(),
        profile: this.collection.profile(),
        strings: this.strings(),
        open: this.opens(),
        highestFret: this.highest(),
        barre: this.barre(),
        bass: this.root() ? 'root' : 'any',
        easy: this.easy(),
        k: ANSWERS,
      },
      hard: same ? { frets: present.frets, fingers: present.fingers } : null,
    };
  });
  protected readonly asking = new Asking<ShapeAsk, ShapeAnswers>(this.ask, (ask, progress) =>
    this.solve.shapes(ask, progress),
  );
  private readonly seen = computed(() => (this.ask() ? this.asking.latest() : null));
  protected readonly faults = computed(() => sayFacts(this.seen()?.answer.found.infeasible ?? []));
  protected readonly rows = computed(() => {
    const seen = this.seen();
    const found = seen?.answer.found;
    return !seen || !found || found.infeasible ? [] : found.answers.map((a) => this.row(seen.ask.name, a));
  });
  protected readonly easier = computed(() =>
    (this.seen()?.answer.easier ?? []).map((e) => ({
      ...this.shown(e.chord, e.shape),
      why: e.lost.length ? this.words.lost(e.lost.map(sayFact).join(', ')) : this.words.nothingLost,
    })),
  );
  private row(chord: string, a: VoicingAnswer) {
    const held = a.steps[0] ?? OPEN_SHAPE;
    const paid = paidTerms(VOICING_TERMS, a.cost);
    return {
      ...this.shown(chord, held),
      why: paid.map((t) => this.words.paid(this.words.terms[t], a.cost[t])).join(' · ') || this.words.nothingLost,
    };
  }
  private shown(chord: string, held: FrettedShape) {
    const shape = shapeFrom(chord, held);
    const neck = this.open.neck();
    return {
      shape,
      key: `shape ${shape.id}`,
      frets: fretsText(held),
      fingers: fingersText(held),
      mm: Math.round(shapeSpan(shape, neck)),
    };
  }

  protected toggle(string: StringNumber) {
    this.strings.update((list) => (list.includes(string) ? list.filter((s) => s !== string) : [...list, string]));
  }
  protected choose(opens: string) {
    this.opens.set(this.openChoices.find((o) => o === opens) ?? 'any');
  }
  /** The pattern goes on under this shape alone. */
  protected hear(key: string, shape: Shape) {
    const written = this.open.written();
    if (!written) return;
    const { script, stepsPerCount, start } = written;
    this.tryOut.show(key, { script, stepsPerCount, start, chart: chartName(shape.name), shapes: [shape] });
  }
  /** Into the row: after the last shape, or in place of the present one. */
  protected put(shape: Shape, replace: boolean) {
    this.tryOut.leave();
    const study = this.open.study();
    const section = this.open.written();
    if (!study || !section) return;
    if (study.shapes.length >= MOST_SHAPES && !study.shapes.some((s) => s.id === shape.id))
      return this.notice.say(this.words.tooMany);
    this.open.apply(holdShape(section.id, shape, replace ? this.index() : null));
    this.notice.withStudyUndo(`${shape.name} ${fretsText(shape)}`, this.open.wayBack());
  }
}
