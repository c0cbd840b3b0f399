import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, signal, viewChild } from '@angular/core';
import {
  chartOf,
  type Command,
  fingersText,
  type FrettedShape,
  fretsText,
  inOrder,
  LONGEST_CHART,
  MOST_BARS,
  pushedScript,
  putShape,
  readNames,
  type RowRequest,
  type RowResult,
  setBars,
  setChart,
  setScript,
  LEAST_STRINGS,
  symbolsOfShape,
  writtenFrets,
} from '@ruffle-wheel/core';
import { Solve } from '../../compute/solve';
import { Asking } from '../../parts/asking/asking';
import { Working } from '../../parts/asking/working';
import { Collection, OpenStudy } from '../../study';
import { chart as chartWords } from '../../words/chart';
import { shapeFrom } from '../../parts/shape-from';
import { MatButton } from '@angular/material/button';
import { FaultList, type ShownFault } from '../../ui/fault-list';
import { FIELD } from '../../ui/field';
import { Notice } from '../../ui/notice';
import { ScriptEditor } from '../../ui/script/script-editor';
import { chartCompletion } from './chart-completion';
import { Toggle } from '../../ui/toggle';
import { sayFact, sayFacts, sayFaults } from '../../words/said/faults';

const SHOWN_FAULTS = 5;

/** Which chord when: typed as it is, with shapes found for symbols that have none, bars and pushes. */
@Component({
  selector: 'app-chart-field',
  imports: [FIELD, FaultList, ScriptEditor, Toggle, MatButton, Working],
  templateUrl: './chart-field.html',
  styleUrl: './chart-field.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ChartField {
  protected readonly words = chartWords;
  protected readonly open = inject(OpenStudy);
  private readonly collection = inject(Collection);
  private readonly solve = inject(Solve);
  private readonly field = viewChild.required(ScriptEditor);
  private readonly notice = inject(Notice);
  protected readonly longest = LONGEST_CHART;
  protected readonly complete = chartCompletion(() => this.shapes());
  /** Shapes are kept when the field is left: what is typed on the way may be a symbol too. */
  protected readonly typing = signal(false);
  /** Something was typed whose shapes are still to be kept: what Ctrl+Z has taken back is not kept again by itself. */
  private readonly pending = signal(false);
  protected readonly mostBars = MOST_BARS;

  protected readonly section = this.open.written;
  protected readonly text = computed(() => this.section()?.chart ?? '');
  private readonly shapes = computed(() => this.open.study()?.shapes ?? []);
  private readonly names = computed(() => {
    const section = this.section();
    return section ? readNames(section, this.shapes()) : null;
  });
  protected readonly faults = computed(() => sayFaults(this.names()?.chartFaults ?? []).slice(0, SHOWN_FAULTS));
  protected readonly bars = computed(() => {
    const section = this.section();
    return section ? chartOf(section).bars : 0;
  });

  private readonly ask = computed((): RowRequest | null => {
    const study = this.open.study();
    const section = this.section();
    const wanting = this.names()?.wanting ?? [];
    if (!study || !section || wanting.length === 0) return null;
    const wanted = new Set(wanting);
    const held = new Map(study.shapes.map((s) => [s.name, s]));
    const chords = chartOf(section).chords.flatMap((c) => (wanted.has(c.name) || held.has(c.name) ? [c.name] : []));
    const row = chords.filter((c, i) => c !== chords[i - 1]);
    const played = this.open.reading()?.played;
    return {
      chords: row,
      plays: row.map((c) => played?.get(c) ?? []),
      given: Object.fromEntries(
        chords.flatMap((c) => {
          const shape = held.get(c);
          return shape ? [[c, { frets: shape.frets, fingers: shape.fingers }]] : [];
        }),
      ),
      round: true,
      tuning: study.instrument.tuning,
      neck: this.open.neck(),
      profile: this.collection.profile(),
      atLeast: LEAST_STRINGS,
      bass: 'root',
      k: 1,
    };
  });
  protected readonly asking: Asking<RowRequest, RowResult>;
  /** Shapes of least movement for the symbols that have none yet. */
  protected readonly found = computed(() => {
    const latest = this.asking.latest();
    if (!latest || latest.answer.infeasible) return [];
    const wanted = new Set(this.names()?.wanting ?? []);
    const [best] = latest.answer.answers;
    return latest.ask.chords.flatMap((name, i) => {
      const held = best?.shapes[i];
      if (!held || !wanted.delete(name)) return [];
      return [this.foundFor(name, held)];
    });
  });
  /** Frets that stand in a chord's place have fingers now, and the symbols that their notes bear. */
  private foundFor(name: string, held: FrettedShape) {
    const shape = shapeFrom(name, held);
    const study = this.open.study();
    if (!study || !writtenFrets(name)) return { shape, says: chartWords.held(fretsText(held), fingersText(held)) };
    const symbols = symbolsOfShape(held, study.instrument);
    const [chord] = symbols;
    const says = chartWords.fretted(fingersText(held), symbols);
    return { shape: chord === undefined ? shape : { ...shape, chord }, says };
  }
  protected readonly unfound = computed(() => {
    const latest = this.asking.latest();
    return latest && latest.ask === this.ask() ? sayFacts(latest.answer.infeasible ?? []) : [];
  });

  /** Null where no stroke could take a chord early. */
  protected readonly pushed = computed(() => this.open.writtenReading()?.pushed ?? null);

  constructor() {
    // What was found is kept before the question goes with the panel.
    inject(DestroyRef).onDestroy(() => this.keepPending());
    this.asking = new Asking<RowRequest, RowResult>(
      this.ask,
      (ask, progress) => this.solve.row(ask, progress),
      () => (this.typing() ? this.open.tryOut(this.shapesFound()) : this.keepPending()),
    );
  }
  private shapesFound(): Command {
    return inOrder(...this.found().map((f) => putShape(f.shape)));
  }
  private keepPending() {
    if (this.pending()) this.keepShapes();
  }
  protected keepShapes() {
    if (this.found().length === 0) return;
    this.pending.set(false);
    // One step with the text that asked for them.
    this.open.adjust(this.shapesFound(), this.stepKey(), true);
  }

  private stepKey(): string {
    return `chart ${this.section()?.id ?? ''}`;
  }
  protected type(chart: string) {
    const section = this.section();
    this.typing.set(true);
    this.pending.set(true);
    if (section) this.open.adjust(setChart(section.id, chart), this.stepKey());
  }
  protected tooLong(letters: number) {
    const [section, study] = [this.section(), this.open.study()];
    const refusal = section && study && setChart(section.id, 'C'.repeat(letters)).refusal?.(study);
    if (refusal) this.notice.say(sayFact(refusal), 12_000);
  }
  protected left() {
    if (!this.typing()) return;
    this.typing.set(false);
    this.open.tryOut(null);
    this.keepPending();
  }
  protected fix({ from, to, fix = '' }: ShownFault) {
    const section = this.section();
    if (section) this.open.apply(setChart(section.id, section.chart.slice(0, from) + fix + section.chart.slice(to)));
    void this.field().focus();
  }
  protected barsTo(value: string) {
    const section = this.section();
    if (section) this.open.apply(setBars(section.id, value.trim() === '' ? null : Number(value)));
  }
  protected push() {
    const [section, study] = [this.section(), this.open.study()];
    if (section && study) this.open.apply(setScript(section.id, pushedScript(section, study, this.pushed() !== true)));
  }
}
