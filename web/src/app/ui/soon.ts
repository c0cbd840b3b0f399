import {
  afterNextRender,
  DestroyRef,
  Directive,
  ErrorHandler,
  inject,
  Injectable,
  Injector,
  PendingTasks,
  TemplateRef,
  ViewContainerRef,
} from '@angular/core';

/** Parts of a place that are drawn one after another, each in a task of its own: the page answers keys between them. */
@Injectable({ providedIn: 'root' })
export class Turns {
  private readonly injector = inject(Injector);
  private readonly pending = inject(PendingTasks);
  private readonly faults = inject(ErrorHandler);
  private readonly waiting: (() => void)[] = [];
  private done: Promise<void> | null = null;

  /** @returns takes it out again where it has not had its turn */
  add(draw: () => void): () => void {
    this.waiting.push(draw);
    this.done ??= this.run();
    return () => {
      const n = this.waiting.indexOf(draw);
      if (n >= 0) this.waiting.splice(n, 1);
    };
  }
  /** When what is drawn next is there, with all its parts. */
  coming(): Promise<void> {
    return new Promise((resolve) =>
      afterNextRender(() => void (this.done ?? Promise.resolve()).then(resolve), { injector: this.injector }),
    );
  }
  private drawNext() {
    try {
      this.waiting.shift()?.();
    } catch (e) {
      // One part that can't be drawn leaves the others their turn.
      this.faults.handleError(e);
    }
  }
  private async run() {
    const drawn = this.pending.add();
    try {
      while (this.waiting.length) {
        await new Promise((resolve) => setTimeout(resolve));
        this.drawNext();
      }
    } finally {
      this.done = null;
      drawn();
    }
  }
}

/** Draws its element after the rest of the place, in its turn. */
@Directive({ selector: '[appSoon]' })
export class Soon {
  constructor() {
    const place = inject(ViewContainerRef);
    const template = inject<TemplateRef<unknown>>(TemplateRef);
    const leave = inject(Turns).add(() => place.createEmbeddedView(template).detectChanges());
    inject(DestroyRef).onDestroy(leave);
  }
}
