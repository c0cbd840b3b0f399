import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  type ElementRef,
  input,
  output,
  viewChild,
} from '@angular/core';
import {
  accentAt,
  type AccentCycle,
  cycleLength,
  groupStarts,
  printStep,
  TICKS_PER_COUNT,
  type FlatPattern,
  type TurnSlot,
  onStrings,
  type Step,
} from '@ruffle-wheel/core';
import { drawings } from '../../words/drawings';

/** Least room for one slot, in pixels; longer turns scroll. */
const SLOT_PX = 27;
/** Width of a letter of a step, in pixels. */
const LETTER_PX = 9.6;

/** A step as the right hand sees it: frets stand in a lane below. */
function rightHandOf(step: Step): Step {
  if (step.kind === 'ligado') return { ...step, stop: null };
  if (step.kind !== 'stroke' || !step.stops) return step;
  return onStrings(step, { strings: step.strings, ...(step.placeMarks ? { placeMarks: step.placeMarks } : {}) });
}
/** Frets that a stroke brings with it, in the order of its strings: “2·3”. */
function fretsOf(step: Step | undefined): string {
  const stops = step?.kind === 'ligado' ? [step.stop] : step?.kind === 'stroke' ? (step.stops ?? []) : [];
  return stops.some((s) => s !== null) ? stops.map((stop) => (stop ? String(stop.fret) : '–')).join('·') : '';
}

/** What the left hand does over a stretch of the turn. */
export interface LeftStretch {
  /** Places in the turn, in ticks. */
  readonly from: number;
  readonly to: number;
  /** False while the fingers lie on the strings or are off them. */
  readonly pressed: boolean;
  /** The chord, where it begins; '' where it goes on. */
  readonly name: string;
}

/** What is sung or said at a place. */
export interface SaidWord {
  readonly at: number;
  readonly text: string;
}

/** One turn unrolled: counts above, the script's steps below, each under its count. */
@Component({
  selector: 'app-strip',
  templateUrl: './strip.html',
  styleUrl: './strip.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Strip {
  readonly cycle = input.required<AccentCycle>();
  readonly flat = input.required<FlatPattern | null>();
  readonly slots = input.required<readonly TurnSlot[]>();
  readonly little = input('e');
  /** Slots whose fingers are not all written. */
  readonly workedOut = input<ReadonlySet<number>>(new Set());
  readonly left = input<readonly LeftStretch[]>([]);
  /** Words under the counts, in ticks from the turn's beginning. */
  readonly said = input<readonly SaidWord[]>([]);
  readonly selected = input<number | null>(null);
  readonly heard = input<number | null>(null);
  readonly label = input('');
  /** Letters to be read from a stand. */
  readonly large = input(false);
  readonly pick = output<number>();
  private readonly frame = viewChild.required<ElementRef<HTMLElement>>('frame');

  private readonly length = computed(() => cycleLength(this.cycle()));
  private readonly slotWidth = computed(() => {
    const longest = Math.max(0, ...this.cells().map((c) => Math.max(c.text.length + c.level.length, c.frets.length)));
    return Math.max(SLOT_PX, longest * LETTER_PX + 9);
  });
  /** Strokes bring frets with them: the left hand has a lane of its own. */
  protected readonly leftLane = computed(() => this.cells().some((c) => c.frets));
  protected readonly least = computed(() => Math.max(this.slots().length * this.slotWidth(), this.cycle().counts * 24));
  protected readonly counts = computed(() => {
    const seams = new Set<number>(groupStarts(this.cycle()));
    return this.cycle().labels.map((label, n) => ({
      n,
      label,
      left: (100 * n) / this.cycle().counts,
      strong: accentAt(this.cycle(), n * TICKS_PER_COUNT) >= 0.5,
      seam: seams.has(n * TICKS_PER_COUNT),
    }));
  });
  protected readonly cells = computed(() =>
    this.slots().map((s, n) => {
      const here = this.flat()?.slots[s.slot];
      const step = here?.step;
      // Said where it becomes louder or softer; a pass begins in the usual way.
      const before = this.flat()?.slots[s.slot - 1]?.level ?? 'mf';
      return {
        n,
        left: (100 * s.inTurn) / this.length(),
        width: (100 * s.duration) / this.length(),
        text: step ? printStep(rightHandOf(step), this.little()) : '',
        frets: fretsOf(step),
        level: here && here.level !== before ? here.level : '',
        thumb: step?.kind === 'stroke' && step.fingers[0] === 'p' && step.fingers.length === 1,
        quiet: !step || step.kind === 'rest' || step.kind === 'hold' || step.kind === 'ghost',
        worked: this.workedOut().has(s.slot),
        accent: accentAt(this.cycle(), s.inTurn) > 0,
        chosen: n === this.selected(),
      };
    }),
  );

  protected readonly saidAt = computed(() =>
    this.said().map((w, n) => ({ n, text: w.text, left: (100 * w.at) / this.length() })),
  );
  protected readonly stretches = computed(() =>
    this.left().map((l) => ({
      ...l,
      left: (100 * l.from) / this.length(),
      width: (100 * (l.to - l.from)) / this.length(),
      said: drawings.held(l.name, l.pressed),
    })),
  );

  constructor() {
    // Keeps what is heard, or else the selected slot, in sight without moving the page.
    effect(() => {
      const n = this.selected();
      const heard = this.heard();
      const box = this.frame().nativeElement;
      const slot = n === null ? undefined : this.slots()[n];
      const share = heard ?? (slot ? slot.inTurn / this.length() : null);
      if (share === null || box.scrollWidth <= box.clientWidth) return;
      const x = share * box.scrollWidth;
      if (x < box.scrollLeft || x > box.scrollLeft + box.clientWidth - 2 * SLOT_PX)
        box.scrollLeft = heard === null ? x - box.clientWidth / 2 : x - SLOT_PX;
    });
  }
}
