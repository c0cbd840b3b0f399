import { computed, inject, linkedSignal, signal } from '@angular/core';
import type { CursorStop, StringNumber } from '@ruffle-wheel/core';
import { Transport } from '../../sound/transport';
import { OpenStudy } from '../../study';
import type { WrittenMusic } from './written-music';

/** The one cursor of the page: a stroke and a string; while it sounds, the stroke that is heard. */
export class WeaveCursor {
  private readonly transport = inject(Transport);
  private readonly open = inject(OpenStudy);
  private readonly sectionId = computed(() => this.open.section()?.id);
  /** Another section begins at its first stroke. */
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
  readonly index = computed((): number | null => {
    const all = this.music.stops().length;
    return all === 0 ? null : Math.min(this.heard() ?? this.chosen(), all - 1);
  });
  readonly stop = computed((): CursorStop | null => this.music.stops()[this.index() ?? -1] ?? null);

  /** So many strokes on or back; past the end it stays. */
  step(way: number) {
    const now = this.index();
    if (now !== null) this.chosen.set(Math.max(0, Math.min(this.music.stops().length - 1, now + way)));
  }
  /** To the first stroke of the next bar that has one, or of the one before. */
  toBar(way: 1 | -1) {
    const [stops, now] = [this.music.stops(), this.stop()];
    if (!now) return;
    const first = stops.findIndex((s) => s.bar === now.bar);
    const before = stops[first - 1];
    const n =
      way > 0 ? stops.findIndex((s) => s.bar > now.bar) : before ? stops.findIndex((s) => s.bar === before.bar) : first;
    if (n >= 0) this.chosen.set(n);
  }
  /** To the stroke at a place of the score. */
  toPlace(at: number) {
    const n = lastAtOrBefore(this.music.stops(), at);
    if (n !== null) this.chosen.set(n);
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
