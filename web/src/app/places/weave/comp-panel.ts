import { ChangeDetectionStrategy, Component, computed, inject, signal, viewChild } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { Router } from '@angular/router';
import {
  barTicks,
  BEAT_KINDS,
  type BeatKind,
  bpm,
  COMP_TERMS,
  type CompRequest,
  FIGURE_WAYS,
  figureDrill,
  figureKey,
  fretsText,
  type NamedChart,
  ticks,
  TICKS_PER_COUNT,
  paidTerms,
} from '@ruffle-wheel/core';
import type { CompAnswers, CompAsk, CompWay } from '../../compute/protocol';
import { Solve } from '../../compute/solve';
import { Asking } from '../../parts/asking/asking';
import { Working } from '../../parts/asking/working';
import { shapeFrom } from '../../parts/shape-from';
import { AnswerButtons } from '../../parts/try-out/answer-buttons';
import type { Shown } from '../../parts/try-out/try-out';
import { AskedDrills, Collection, OpenStudy } from '../../study';
import { FIELD } from '../../ui/field';
import { SELECT } from '../../ui/select';
import { Toggle } from '../../ui/toggle';
import { sayFigure } from '../../words/said/catalogue';
import { weave } from '../../words/weave';
import { CompForm, HABITS, LENGTHS, PUSHES, SIDES, STEPS } from './comp-form';
import { sayComp, sayCompChord } from '../../words/said/answers';
import { sayFact } from '../../words/said/faults';

const WAYS = 3;

/** The chart as an accompaniment: a figure of cells, the thumb's habit, ties pushed or cut; the best few, chord by chord. */
@Component({
  selector: 'app-comp-panel',
  imports: [FIELD, SELECT, Toggle, MatButton, Working, AnswerButtons],
  templateUrl: './comp-panel.html',
  styleUrl: './answers.scss',
  // From any field of the panel, without going past all others.
  host: { '(keydown.control.enter)': 'first()?.take()' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CompPanel {
  protected readonly first = viewChild(AnswerButtons);
  protected readonly words = weave.comp;
  protected readonly bassWords = weave.bass;
  protected readonly sayFigure = sayFigure;
  private readonly open = inject(OpenStudy);
  private readonly collection = inject(Collection);
  private readonly solve = inject(Solve);
  private readonly asked = inject(AskedDrills);
  private readonly router = inject(Router);
  protected readonly form = new CompForm();
  protected readonly wishes = this.form.wishes;
  protected readonly kinds = BEAT_KINDS;
  protected readonly habits = HABITS;
  protected readonly lengths = LENGTHS;
  protected readonly pushes = PUSHES;
  protected readonly steps = STEPS;
  protected readonly sides = SIDES;
  protected readonly letters = computed(() => this.wishes().cells.map((c) => ({ ...c, n: c.beats.map((_, i) => i) })));

  /** The study's charts under this figure are asked for. */
  protected readonly ordering = signal(false);
  private readonly namedCharts = computed((): readonly NamedChart[] => {
    const own = this.open.written()?.cycle;
    const bars = own ? barTicks(own).join() : '';
    const all = (this.open.study()?.sections ?? []).filter(
      (s) => s.chart.trim() !== '' && barTicks(s.cycle).join() === bars,
    );
    return all.filter((s, n) => all.findIndex((other) => other.chart === s.chart) === n);
  });
  protected readonly hasCharts = computed(() => this.namedCharts().length > 1);
  protected readonly charts = computed(() =>
    (this.seen()?.answer.charts ?? []).map((c) => ({ name: c.name, says: this.words.chart(c.cuts, c.ceiling) })),
  );
  private readonly ask = computed((): CompAsk | null => {
    const [section, study] = [this.open.written(), this.open.study()];
    const w = this.wishes();
    if (!section || !study || this.form.strings().unread) return null;
    const shapes = w.keep ? study.shapes : [];
    return {
      cycle: section.cycle,
      chart: section.chart,
      figure: { cells: w.cells, order: w.order, beat: ticks(w.beat * TICKS_PER_COUNT) },
      firstBar: w.turned ? 1 : 0,
      habit: w.habit,
      approach: { by: w.by, from: w.from },
      bassLength: w.length,
      muted: w.muted,
      pushes: w.pushes,
      strings: this.form.strings().strings,
      given: Object.fromEntries(
        shapes.map(({ name, chord, frets, fingers }) => [
          name,
          chord === undefined ? { frets, fingers } : { chord, frets, fingers },
        ]),
      ),
      tuning: study.instrument.tuning,
      neck: this.open.neck(),
      profile: this.collection.profile(),
      tempo: bpm(section.bpm),
      k: WAYS,
      ...(this.ordering() ? { charts: this.namedCharts().map(({ name, chart }) => ({ name, chart })) } : {}),
    };
  });
  protected readonly asking = new Asking<CompAsk, CompAnswers>(this.ask, (ask, progress) =>
    this.solve.comp(ask, progress),
  );
  private readonly seen = computed(() => (this.ask() ? this.asking.latest() : null));
  protected readonly faults = computed((): readonly string[] => {
    const { unread } = this.form.strings();
    if (unread) return [this.words.unread(unread)];
    return this.seen()?.answer.infeasible.map(sayFact) ?? [];
  });
  protected readonly ways = computed(() => {
    const seen = this.seen();
    if (!seen || this.faults().length) return [];
    return seen.answer.ways.map((way, n) => this.wayOf(way, n, seen.ask));
  });
  private wayOf({ answer, text, facts }: CompWay, n: number, ask: CompRequest) {
    const own = new Set(Object.keys(ask.given ?? {}));
    const shown: Shown = {
      ...text,
      start: 0,
      chart: ask.chart,
      // Shapes that are there already stay the study's own.
      shapes: answer.names.flatMap((name, i) => {
        const held = answer.shapes[i];
        return held && name !== '' && !own.has(name) ? [shapeFrom(name, held)] : [];
      }),
    };
    return {
      n,
      total: answer.total,
      terms: paidTerms(COMP_TERMS, answer.cost).map((t) => this.words.paid(this.words.terms[t], answer.cost[t])),
      shapes: answer.names.flatMap((name, i) => {
        const held = answer.shapes[i];
        return held && name !== '' ? [{ name, frets: fretsText(held) }] : [];
      }),
      pushed: answer.pushes.some((p) => p),
      says: sayComp(facts),
      script: text.script,
      chords: facts.chords.map((c, i) => ({
        i,
        name: c.name,
        bar: c.bar + 1,
        says: sayCompChord(c, ask.cycle),
      })),
      shown,
    };
  }
  /** What is written is a figure of two bars, which has its drills. */
  protected readonly isFigure = computed(() => {
    const [section, study] = [this.open.written(), this.open.study()];
    return !!section && !!study && figureDrill(section, study, figureKey('cell')) !== null;
  });
  protected practise() {
    this.asked.ask(FIGURE_WAYS.map(figureKey));
    void this.router.navigateByUrl('/practise');
  }
  protected setBeat(letter: string, n: number, kind: unknown) {
    this.form.setBeat(letter, n, kind as BeatKind);
  }
  protected takeFigure(id: unknown) {
    const figure = this.form.figures().find((f) => f.id === id);
    if (figure) this.form.take(figure);
  }
}
