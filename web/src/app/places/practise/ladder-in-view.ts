import { computed, inject, Injectable } from '@angular/core';
import { type Ladder, limitOf, rungCount } from '@ruffle-wheel/core';
import { OpenStudy } from '../../study';
import { PracticeSession } from './session';

/** The open section's ladder: its rungs, which are clean, and which are higher than the hand can follow. */
@Injectable()
export class LadderInView {
  private readonly open = inject(OpenStudy);
  private readonly session = inject(PracticeSession);
  readonly ladder = computed((): Ladder => this.open.section()?.ladder ?? { start: 60, end: 60, step: 1, passes: 1 });
  /** Highest tempo at which nothing of this hand is late. */
  private readonly ceiling = computed(() => {
    const reading = this.open.reading();
    return (reading && limitOf(reading)?.ceiling) ?? Infinity;
  });
  readonly rungs = computed(() => {
    const l = this.ladder();
    const n = Math.min(24, rungCount(l));
    const way = Math.sign(l.end - l.start) || 1;
    const here = this.open.section()?.bpm ?? 0;
    return Array.from({ length: n }, (_, i) => {
      const bpm = way > 0 ? Math.min(l.end, l.start + i * l.step) : Math.max(l.end, l.start - i * l.step);
      const clean = this.session.passes().some((p) => p.clean && p.bpm === bpm);
      return { bpm, here: bpm === here, clean, over: bpm > this.ceiling(), height: 30 + (70 * i) / Math.max(1, n - 1) };
    });
  });
  /** The ceiling, where the ladder leads higher than it; else null. */
  readonly overCeiling = computed(() => {
    const { start, end } = this.ladder();
    return Math.max(start, end) > this.ceiling() ? Math.floor(this.ceiling()) : null;
  });
}
