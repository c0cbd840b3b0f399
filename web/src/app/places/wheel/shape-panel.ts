import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import {
  cycleLength,
  fingersText,
  fingerShape,
  fretsText,
  handOn,
  type HeldShape,
  holdShape,
  OPEN_SHAPE,
  putShape,
  reachFault,
  readShape,
  removeShape,
  type Shape,
  shapeAt,
  shapeSpan,
} from '@ruffle-wheel/core';
import { Collection, OpenStudy, TypedTexts } from '../../study';
import { sayBeyondNeck } from '../../ui/beyond-neck';
import { Fretboard } from '../../ui/fretboard/fretboard';
import { Notice } from '../../ui/notice';
import { TuningFields } from '../../parts/tuning/tuning-fields';
import { wheel as wheelWords } from '../../words/wheel';
import { ChartField } from '../../parts/chart/chart-field';
import { AsFarAsSeen } from '../../ui/as-far-as-seen';
import { MatButton } from '@angular/material/button';
import { IconButton } from '../../ui/icon-button';
import { FIELD } from '../../ui/field';
import { sayDataFaults } from '../../words/said/refusals';
import { sayFact } from '../../words/said/faults';
import { newId } from '../../data/new-id';

/** The left hand under the pattern: what is held, the chart, and the study's shapes as text. */
@Component({
  selector: 'app-shape-panel',
  imports: [AsFarAsSeen, FIELD, IconButton, MatButton, ChartField, Fretboard, TuningFields],
  templateUrl: './shape-panel.html',
  styleUrl: './shape-panel.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ShapePanel {
  protected readonly words = wheelWords.shape;
  protected readonly open = inject(OpenStudy);
  protected readonly collection = inject(Collection);
  private readonly notice = inject(Notice);
  readonly held = input.required<readonly HeldShape[]>();
  readonly heard = input<number | null>(null);

  protected readonly editing = signal<Shape | null>(null);
  /** It is not the study's yet. */
  protected readonly fresh = computed(() => {
    const shape = this.editing();
    return shape !== null && !this.open.study()?.shapes.some((s) => s.id === shape.id);
  });
  private readonly typed = inject(TypedTexts);
  protected readonly name = this.typed.of('shape name');
  protected readonly frets = this.typed.of('shape frets');
  protected readonly fingers = this.typed.of('shape fingers');
  /** Without fingers the cheapest that hold the frets are laid on; null when none do. */
  private readonly read = computed(() => {
    const reading = readShape(this.frets(), this.fingers());
    const { frets, fingers } = reading;
    const faults = sayDataFaults(reading.faults);
    if (this.fingers().trim() || faults.length) return { frets, fingers, faults };
    const solved = fingerShape(frets, handOn(this.open.neck(), this.collection.profile()), 1)[0];
    return solved
      ? { frets, fingers: solved.fingers, faults }
      : { frets, fingers, faults: [{ path: 'fingers', message: this.words.unheld }] };
  });
  protected readonly faults = computed(() => [
    ...this.read().faults,
    ...(this.name().trim() ? [] : [{ path: 'name', message: this.words.nameless }]),
  ]);
  protected readonly preview = computed((): Shape => {
    const { frets, fingers } = this.read();
    return { id: 'preview', name: this.name() || '…', frets, fingers };
  });

  protected readonly shapes = computed(() => this.open.study()?.shapes ?? []);
  protected readonly now = computed(() => {
    const section = this.open.section();
    return section ? shapeAt(this.held(), Math.floor((this.heard() ?? 0) * cycleLength(section.cycle))) : OPEN_SHAPE;
  });
  protected readonly span = computed(() => this.spanOf(this.now()));
  protected readonly beyondNeck = computed(() => sayBeyondNeck(this.now().frets, this.open.capo()));
  protected readonly previewBeyond = computed(() => sayBeyondNeck(this.preview().frets, this.open.capo()));

  private spanOf(shape: Shape) {
    const neck = this.open.neck();
    const fault = reachFault(shape, handOn(neck, this.collection.profile()));
    return { mm: Math.round(shapeSpan(shape, neck)), beyond: fault && sayFact(fault) };
  }
  /** Fingers that fitted the frets before and don't any more are cleared: they are laid on anew. */
  protected typeFrets(frets: string) {
    const fit = (text: string) => !readShape(text, this.fingers()).faults.some((f) => f.path.startsWith('fingers'));
    const before = this.frets();
    this.frets.set(frets);
    if (fit(before) && !fit(frets)) this.fingers.set('');
  }
  protected frettedAs(s: Shape) {
    return fretsText(s);
  }

  /** Behind the last chord of the chart, in a bar of its own. */
  protected add(shape: Shape) {
    const section = this.open.section();
    if (section) this.open.apply(holdShape(section.id, shape));
  }
  protected edit(shape: Shape | null) {
    this.editing.set(shape ?? { ...OPEN_SHAPE, id: newId(), name: '' });
    this.name.set(shape?.name ?? '');
    this.frets.set(shape ? fretsText(shape) : '');
    this.fingers.set(shape ? fingersText(shape) : '');
  }
  /** @param join the section holds it from where its chart ends */
  protected keep(join: boolean) {
    const shape = this.editing();
    const section = this.open.section();
    if (!shape || !section || this.faults().length) return;
    const { frets, fingers } = this.read();
    const kept = { id: shape.id, name: this.name().trim(), frets, fingers };
    this.open.apply(join ? holdShape(section.id, kept) : putShape(kept));
    this.editing.set(null);
  }
  protected remove(shape: Shape) {
    this.open.apply(removeShape(shape.id));
    this.notice.withStudyUndo(`${this.words.removed}: ${shape.name}`, this.open.wayBack());
  }
}
