import { computed, DestroyRef, effect, inject, type Signal, signal, untracked } from '@angular/core';
import type { Progress } from '../../compute/protocol';
import { Solve } from '../../compute/solve';
import { TryOut } from '../try-out/try-out';

/** After the last change of what is asked. */
const ASK_AFTER_MS = 120;
/** Work that is over sooner is not spoken of. */
const SAID_AFTER_MS = 250;

/**
 * A question that is put to a solver as it changes: a moment after the last change, the one before dropped.
 * Made where a component is made; it goes with it, and so does what the component tried out.
 */
export class Asking<Ask, Answer> {
  private readonly tryOut = inject(TryOut);
  /** Counts questions put and ended: the latest one speaks. */
  private runs = 0;
  private readonly got = signal<{ readonly ask: Ask; readonly answer: Answer } | null>(null);
  private readonly share = signal<number | null>(null);
  private readonly stopped = signal<Ask | null>(null);
  private readonly broke = signal<{ readonly ask: Ask; readonly why: string } | null>(null);
  /** The answer to the question as it stands now, or null. */
  readonly answer = computed(() => {
    const got = this.got();
    return got && got.ask === this.ask() ? got.answer : null;
  });
  /** The last answer there was; it stays on the screen while the next is worked out. */
  readonly latest = computed(() => this.got());
  /** How far a long answer has come, 0…1; null when nothing takes long. */
  readonly progress = this.share.asReadonly();
  /** Why the question as it stands got no answer; empty when nothing failed. */
  readonly failed = computed(() => {
    const broke = this.broke();
    return broke && broke.ask === this.ask() ? broke.why : '';
  });
  readonly cancelled = computed(() => this.stopped() !== null && this.stopped() === this.ask());

  constructor(
    private readonly ask: Signal<Ask | null>,
    private readonly put: (ask: Ask, progress: Progress) => Promise<Answer | null>,
    private readonly answered: () => void = () => undefined,
    private readonly solve: Pick<Solve, 'cancel'> = inject(Solve),
  ) {
    let timer: ReturnType<typeof setTimeout> | undefined;
    effect(() => {
      const asked = ask();
      clearTimeout(timer);
      if (asked) timer = setTimeout(() => void untracked(() => this.run(asked)), ASK_AFTER_MS);
    });
    inject(DestroyRef).onDestroy(() => {
      clearTimeout(timer);
      this.solve.cancel();
      this.tryOut.leave();
    });
  }

  private async run(asked: Ask) {
    const own = ++this.runs;
    const from = performance.now();
    let over = false;
    // What a worker that was dropped had still to say counts no more, nor what is said after the answer: it comes by
    // another way, and may come later.
    const says = (share: number) => {
      if (own === this.runs && !over) this.share.set(share);
    };
    const slow = setTimeout(() => says(0), SAID_AFTER_MS);
    let answer: Answer | null = null;
    try {
      answer = await this.put(asked, (share) => {
        if (performance.now() - from > SAID_AFTER_MS) says(share);
      });
      if (own === this.runs) this.broke.set(null);
    } catch (e) {
      if (own === this.runs) this.broke.set({ ask: asked, why: e instanceof Error ? e.message : String(e) });
    } finally {
      over = true;
      clearTimeout(slow);
    }
    if (own !== this.runs) return;
    this.share.set(null);
    if (answer === null) return;
    this.got.set({ ask: asked, answer });
    this.answered();
  }
  /** Puts the question anew as it stands. */
  again() {
    const asked = this.ask();
    this.broke.set(null);
    if (asked) void this.run(asked);
  }
  /** Ends the work at once; a change of the question asks anew. */
  cancel() {
    this.runs++;
    this.stopped.set(this.ask());
    this.share.set(null);
    this.solve.cancel();
  }
}
