import { computed, signal } from '@angular/core';
import type { Study } from '@ruffle-wheel/core';

/** Changes of one kind that follow each other so fast are undone in one step. */
const ONE_STEP_MS = 900;
const MOST_UNDONE = 200;

interface Step {
  readonly study: Study;
  /** What came over it was another tab's. */
  readonly under: boolean;
}
/** Where a step of undo or redo leads. */
export interface Way {
  readonly study: Study;
  /** It takes back what another tab has stored: a choice between two versions. */
  readonly overTheirs: boolean;
}

/** What a study was before each of its changes, and what has been taken back. */
export class History {
  private readonly past = signal<readonly Step[]>([]);
  private readonly future = signal<readonly Step[]>([]);
  private lastStep = { key: '', at: 0 };
  readonly canUndo = computed(() => this.past().length > 0);
  readonly canRedo = computed(() => this.future().length > 0);

  clear() {
    this.past.set([]);
    this.future.set([]);
  }
  /**
   * @param key steps with the same key that follow within a moment become one; '' joins none
   * @param whenever joined to the last step of its key however long ago that was
   * @param theirs what comes over it is another tab's
   */
  step(before: Study, key = '', theirs = false, whenever = false) {
    const now = performance.now();
    const { key: last, at } = this.lastStep;
    const joined = key !== '' && key === last && (whenever || now - at < ONE_STEP_MS) && this.future().length === 0;
    this.lastStep = { key, at: now };
    if (!joined) this.past.update((p) => [...p, { study: before, under: theirs }].slice(-MOST_UNDONE));
    this.future.set([]);
  }
  /** The study before; null when there is none. */
  undo(now: Study): Way | null {
    return this.go(this.past, this.future, now);
  }
  redo(now: Study): Way | null {
    return this.go(this.future, this.past, now);
  }
  private go(from: typeof this.past, to: typeof this.past, now: Study): Way | null {
    const next = from().at(-1);
    if (!next) return null;
    from.update((list) => list.slice(0, -1));
    to.update((list) => [...list, { study: now, under: next.under }]);
    this.lastStep = { key: '', at: performance.now() };
    return { study: next.study, overTheirs: next.under && from === this.past };
  }
  /** When something was last changed here, on the clock of the page. */
  changedAt(): number {
    return this.canUndo() ? this.lastStep.at : 0;
  }
}
