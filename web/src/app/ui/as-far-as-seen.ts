import { ChangeDetectionStrategy, Component, DestroyRef, ElementRef, inject, input, signal } from '@angular/core';

/** Rows drawn at first, and each time their end comes near. */
const PORTION = 24;
/** How near, in px. */
const NEAR = 500;

/**
 * Stands behind a long list of rows of any height: as one scrolls or tabs towards it, more of them are drawn.
 * `#end="asFarAsSeen"`, and `rows.slice(0, end.drawn())`.
 */
@Component({
  selector: 'app-as-far-as-seen',
  exportAs: 'asFarAsSeen',
  template: '',
  styles: ':host { display: block; height: 1px; }',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AsFarAsSeen {
  /** Rows there are. */
  readonly of = input.required<number>();
  private readonly most = signal(PORTION);
  readonly drawn = this.most.asReadonly();

  constructor() {
    const host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    // Where nothing can be watched, everything is drawn.
    if (typeof IntersectionObserver === 'undefined') {
      this.most.set(Infinity);
      return;
    }
    const watch = new IntersectionObserver(
      (seen) => {
        if (!seen.some((s) => s.isIntersecting) || this.most() >= this.of()) return;
        this.most.update((n) => n + PORTION);
        // What is drawn then may leave the end where it can still be seen.
        watch.unobserve(host);
        setTimeout(() => watch.observe(host));
      },
      { rootMargin: `${NEAR}px` },
    );
    watch.observe(host);
    inject(DestroyRef).onDestroy(() => watch.disconnect());
  }
}
