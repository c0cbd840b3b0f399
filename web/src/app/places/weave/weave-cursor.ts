import { computed, inject, linkedSignal, signal } from '@angular/core';
import { barBegin, barOf, type CursorStop, type StringNumber } from '@ruffle-wheel/core';
import { Transport } from '../../sound/transport';
import { OpenStudy } from '../../study';
import type { WrittenMusic } from './written-music';

/** The one cursor of the page: a stroke and a string; while it sounds, the stroke that is heard. */
export class WeaveCursor {
  private readonly transport = inject(Transport);
  private readonly open = inject(OpenStudy);
  private readonly sectionId = computed(() => this.open.section()?.id);
  /** Where it was put, from the beginning of the score; another section begins at its first step. */
  private readonly chosen = linkedSignal({ source: this.sectionId, computation: () => 0 });
  /** String that digits set; null while none is written on. */
  readonly string = signal<StringNumber | null>(null);

  constructor(private readonly music: WrittenMusic) {}

  private readonly heard = computed((): number | null => {
    const at = this.transport.heard();
    const length = this.open.reading()?.score.length ?? 0;
    if (at === null || at < 0 || length === 0) return null;
    return lastAtOrBefore(this.music.stops(), at % length);
  });
  readonly index = computed((): number | null => this.heard() ?? lastAtOrBefore(this.music.stops(), this.chosen()));
  readonly stop = computed((): CursorStop | null => this.music.stops()[this.index() ?? -1] ?? null);

  /** The bar that is written in: the cursor's, or the one behind the end to which it was sent. */
  readonly bar = computed((): number => {
    const [section, reading] = [this.open.section(), this.open.reading()];
    const at = this.chosen();
    const beyond = section && Number.isFinite(at) && this.heard() === null && at >= (reading?.score.length ?? 0);
    return beyond ? barOf(section.cycle, at) : (this.stop()?.bar ?? 0);
  });

  /** So many steps on or back; past the end it stays. */
  step(way: number) {
    const [now, stops] = [this.index(), this.music.stops()];
    if (now !== null) this.toStop(stops[Math.max(0, Math.min(stops.length - 1, now + way))]);
  }
  private toStop(stop: CursorStop | undefined) {
    if (stop) this.chosen.set(stop.at);
  }
  /** To the first step of the next bar, or of the one before. */
  toBar(way: 1 | -1) {
    const [stops, now] = [this.music.stops(), this.stop()];
    if (!now) return;
    const first = stops.findIndex((s) => s.bar === now.bar);
    const before = stops[first - 1]?.bar;
    if (way > 0) this.toStop(stops.find((s) => s.bar > now.bar));
    else this.toStop(before === undefined ? stops[first] : stops.find((s) => s.bar === before));
  }
  /** To the beginning of a bar, also of one that is only being written. */
  toBeginOf(bar: number) {
    const cycle = this.open.section()?.cycle;
    if (cycle) this.chosen.set(barBegin(cycle, bar));
  }
  /** To the step at a place of the score. */
  toPlace(at: number) {
    this.chosen.set(at);
  }
  /** String 1 is drawn on top: down goes to the thicker one. */
  toStringOn(way: 1 | -1) {
    this.string.update((s) => (s === null ? (way > 0 ? 1 : 6) : (Math.max(1, Math.min(6, s + way)) as StringNumber)));
  }
}
function lastAtOrBefore(stops: readonly CursorStop[], at: number): number | null {
  let [low, high] = [0, stops.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((stops[middle]?.at ?? Infinity) <= at) low = middle + 1;
    else high = middle;
  }
  return low > 0 ? low - 1 : stops.length ? 0 : null;
}
