import { computed, effect, inject, signal, untracked } from '@angular/core';
import type { NotatedBar, WrittenBars } from '@ruffle-wheel/core';
import { Compute } from '../../compute/compute';
import { OpenStudy } from '../../study';

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
  readonly systems = computed(() => {
    const all = this.written()?.of ?? 0;
    return Array.from({ length: Math.ceil(all / this.barsInSystem()) }, (_, n) => n);
  });
  readonly stops = computed(() => this.written()?.stops ?? []);

  constructor() {
    const asked = computed(() => {
      const [from, to] = this.inSight();
      const each = this.barsInSystem();
      return { request: this.open.readingRequest(), from: Math.max(0, from - AHEAD) * each, to: (to + AHEAD) * each };
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
  /** The bars of a system; none while they are on their way. */
  barsOf(system: number): readonly NotatedBar[] {
    const written = this.written();
    const each = this.barsInSystem();
    if (!written) return [];
    const from = system * each - written.first;
    return from < 0 ? [] : written.bars.slice(from, from + each);
  }
}
