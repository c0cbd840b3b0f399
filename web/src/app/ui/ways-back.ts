import { computed, Injectable, signal } from '@angular/core';

interface WayBack {
  readonly text: string;
  readonly undo: () => void;
  /** On the clock of the page. */
  readonly at: number;
}
/** Ways kept; older ones are reached through the bin. */
const MOST = 100;

/** What was deleted, replaced or cleared in this session, each with its way back, the latest on top. */
@Injectable({ providedIn: 'root' })
export class WaysBack {
  private readonly stack = signal<readonly WayBack[]>([]);
  readonly latest = computed(() => this.stack().at(-1) ?? null);

  /** @returns takes this one back, however many came after it */
  add(text: string, undo: () => void): () => void {
    const way: WayBack = { text, undo, at: performance.now() };
    this.stack.update((list) => [...list, way].slice(-MOST));
    return () => this.take(way);
  }
  private take(way: WayBack) {
    if (!this.stack().includes(way)) return;
    this.stack.update((list) => list.filter((w) => w !== way));
    way.undo();
  }
  /** Takes the latest back. @returns what it was, or null when there is none */
  back(): string | null {
    const way = this.latest();
    if (way) this.take(way);
    return way?.text ?? null;
  }
}
