import { ChangeDetectionStrategy, Component, computed, input, type OnInit, output, signal } from '@angular/core';
import {
  FAR_MOVE,
  type HandProfile,
  type LeftHand,
  MEASURED_STRINGS,
  NEAR_MOVE,
  neckOf,
  type Shape,
  perString,
  type LeftFinger,
} from '@ruffle-wheel/core';
import { NeckDrawing } from '../../ui/neck/neck-drawing';
import { measure as measureWords } from '../../words/measure';
import { LANDINGS, Measuring, type Reached } from './measuring';
import { MatButton } from '@angular/material/button';
import { focusOnStep, isLetter } from './guided';

const ANSWER_KEYS: Readonly<Record<string, Reached>> = { e: 'easily', j: 'just', n: 'not' };

/** A hand measured on the own guitar: lay the fingers down, say what reaches; time a barre and a few landings. */
@Component({
  selector: 'app-measure-hand',
  imports: [MatButton, NeckDrawing],
  templateUrl: './measure-hand.html',
  styleUrl: './measure-hand.scss',
  // A listener that gives back false would keep Enter and Tab from what has the focus.
  host: { '(keydown)': 'heard($event)' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MeasureHand implements OnInit {
  protected readonly words = measureWords;
  private readonly focus = focusOnStep();
  readonly profile = input.required<HandProfile>();
  readonly mirrored = input(false);
  readonly kept = output<LeftHand>();
  readonly closed = output();
  private readonly measure = signal<Measuring | null>(null);
  /** When the stopwatch was started; null while it stands. */
  protected readonly since = signal<number | null>(null);
  protected readonly answers: readonly Reached[] = ['easily', 'just', 'not'];
  protected readonly landings = LANDINGS;
  protected readonly near = NEAR_MOVE;
  protected readonly far = FAR_MOVE;
  protected readonly strings = MEASURED_STRINGS;

  protected readonly guide = computed(() => this.measure() ?? new Measuring(this.profile()));
  protected readonly step = computed(() => this.guide().step());
  protected readonly neck = computed(() => neckOf(this.profile()));
  protected readonly rung = computed(() => {
    const rung = this.guide().rung();
    return rung ? { ...rung, a: Number(rung.pair[0]) as 1 | 2 | 3, b: Number(rung.pair[1]) as 2 | 3 | 4 } : null;
  });
  /** The two fingers to be laid down. */
  protected readonly shape = computed((): Shape | null => {
    const rung = this.rung();
    if (!rung) return null;
    const on = <T>(a: T, b: T) =>
      perString((s) => (s === MEASURED_STRINGS[0] ? a : s === MEASURED_STRINGS[1] ? b : null));
    return {
      id: 'measure',
      name: this.words.lay,
      frets: on(rung.lower, rung.upper),
      fingers: on<LeftFinger>(rung.a, rung.b),
    };
  });
  protected readonly found = computed(() => {
    const { reach, barre, move, thumbOver } = this.guide().left();
    return {
      reach: Object.entries(reach).map(([pair, r]) => ({ pair: `${pair[0] ?? ''}–${pair[1] ?? ''}`, ...r })),
      barre: (barre / 1000).toFixed(1),
      move,
      thumbOver,
    };
  });

  ngOnInit() {
    this.measure.set(new Measuring(this.profile()));
    this.focus();
  }
  protected answer(how: Reached) {
    this.guide().answer(how);
    this.focus();
  }
  protected watch() {
    const since = this.since();
    if (since === null) return this.since.set(performance.now());
    this.since.set(null);
    this.guide().timed(performance.now() - since);
    this.focus();
  }
  protected go(way: 'next' | 'back') {
    this.since.set(null);
    this.guide()[way]();
    this.focus();
  }
  protected thumb(over: boolean) {
    this.guide().thumb(over);
    this.focus();
  }
  protected keep() {
    this.kept.emit(this.guide().left());
  }
  protected heard(e: KeyboardEvent): void {
    this.pressed(e);
  }
  /** Letters answer; they mean nothing else while a hand is measured. */
  pressed(e: KeyboardEvent): boolean {
    if (!isLetter(e)) return false;
    e.stopPropagation();
    const how = ANSWER_KEYS[e.key.toLowerCase()];
    if (how && this.step().kind === 'reach') this.answer(how);
    return true;
  }
}
