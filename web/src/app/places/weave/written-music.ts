import { computed, effect, inject, signal, untracked } from '@angular/core';
import {
  barStarts,
  barTicks,
  breakBar,
  type CursorStop,
  cycleLength,
  type NotatedBar,
  partsFor,
  partStarts,
  TICKS_PER_COUNT,
  type WrittenBars,
} from '@ruffle-wheel/core';
import { Compute } from '../../compute/compute';
import { OpenStudy } from '../../study';
import { strokesIn } from '../../ui/stave/system-layout';

/** More strokes than these in a bar give it a system of its own. */
const CROWDED = 13;
/** Units of a drawing in which two bars can be read. */
const TWO_BARS = 760;
/** Systems asked for beyond those in sight. */
const AHEAD = 2;

/** The open section as it is written: bars of the systems that are in sight. Made where the Weave is made. */
export class WrittenMusic {
  private readonly compute = inject(Compute);
  private readonly open = inject(OpenStudy);
  /** Width of the page, in units of its drawings. */
  readonly width = signal(1000);
  /** The first system in sight and the one behind the last. */
  readonly inSight = signal<readonly [number, number]>([0, 3]);
  private readonly answer = signal<{ readonly section: string; readonly written: WrittenBars } | null>(null);
  /** The one before stays until the next arrives. */
  readonly written = computed((): WrittenBars | null => {
    const answer = this.answer();
    return answer?.section === this.open.section()?.id ? (answer?.written ?? null) : null;
  });
  readonly barsInSystem = computed(() => ((this.written()?.busiest ?? 0) > CROWDED || this.width() < TWO_BARS ? 1 : 2));
  /** Systems that a bar is broken over, where one has too many strokes to be read. */
  readonly partsOfBar = computed(() => {
    const section = this.open.section();
    if (!section || this.barsInSystem() > 1) return 1;
    const shortest = Math.min(...barTicks(section.cycle)) / TICKS_PER_COUNT;
    return partsFor(this.written()?.busiest ?? 0, strokesIn(this.width()), shortest);
  });
  readonly systems = computed(() => {
    const all = this.written()?.of ?? 0;
    return Array.from({ length: Math.ceil(all / this.barsInSystem()) * this.partsOfBar() }, (_, n) => n);
  });
  /** The system in which a place is. */
  systemOf({ bar, at }: Pick<CursorStop, 'bar' | 'at'>): number {
    const [section, parts] = [this.open.section(), this.partsOfBar()];
    if (parts === 1 || !section) return Math.floor(bar / this.barsInSystem());
    const { cycle } = section;
    const turns = Math.floor(bar / barTicks(cycle).length);
    const begin = turns * cycleLength(cycle) + (barStarts(cycle)[bar % barTicks(cycle).length] ?? 0);
    return bar * parts + partStarts(cycle, bar, parts).findLastIndex((from) => begin + from <= at);
  }
  readonly stops = computed(() => this.written()?.stops ?? []);

  constructor() {
    const asked = computed(() => {
      const [from, to] = this.inSight();
      const [each, parts] = [this.barsInSystem(), this.partsOfBar()];
      const first = Math.floor(Math.max(0, from - AHEAD) / parts) * each;
      return { request: this.open.readingRequest(), from: first, to: Math.ceil((to + AHEAD) / parts) * each };
    });
    let newest = 0;
    effect(() => {
      const { request, from, to } = asked();
      if (!request) return;
      const n = ++newest;
      untracked(() => this.compute.writtenBars(request, from, to)).then(
        (written) => {
          if (n === newest) this.answer.set({ section: request.section.id, written });
        },
        // The shell says when the worker has failed; the page keeps what it had.
        () => undefined,
      );
    });
  }
  /** Bars in their parts, by number. */
  private readonly broken = computed(
    () => new Map((this.written()?.bars ?? []).map((b) => [b.n, breakBar(b, this.partsOfBar())] as const)),
  );
  /** Systems that were asked for, so that each is drawn once. */
  private readonly made = computed(() => ({ of: this.broken(), systems: new Map<number, readonly NotatedBar[]>() }));
  /** The bars of a system, or a part of one; none while they are on their way. */
  barsOf(system: number): readonly NotatedBar[] {
    const { of: broken, systems } = this.made();
    const there = systems.get(system);
    if (there) return there;
    const [each, parts] = [this.barsInSystem(), this.partsOfBar()];
    const first = Math.floor(system / parts) * each;
    const bars = Array.from({ length: each }, (_, i) => broken.get(first + i)?.[system % parts] ?? null);
    const own = bars.filter((b): b is NotatedBar => b !== null);
    systems.set(system, own);
    return own;
  }
}
