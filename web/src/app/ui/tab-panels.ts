import { afterNextRender, ElementRef, inject, Injector, signal } from '@angular/core';

/** Panels beside a drawing, each behind a tab and a key. Made where the component that shows them is made. */
export class TabPanels {
  private readonly injector = inject(Injector);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  /** The panel that is open. */
  readonly open = signal(0);

  /** @param keys a letter for each panel, in their order */
  constructor(private readonly keys: string) {}

  /** Opens the panel whose key was pressed and gives the focus to what it begins with. */
  pressed(e: KeyboardEvent): boolean {
    const n = e.key.length === 1 ? this.keys.indexOf(e.key.toLowerCase()) : -1;
    if (n < 0) return false;
    if (this.open() === n) this.focus();
    else {
      this.open.set(n);
      // The panel comes with the next render, its contents with the one after.
      afterNextRender(() => setTimeout(() => this.focus()), { injector: this.injector });
    }
    return true;
  }
  private focus() {
    const first = this.host.querySelector<HTMLElement>('.mat-mdc-tab-body-active [data-first]');
    (first ?? this.host.querySelector<HTMLElement>('[role="tab"][aria-selected="true"]'))?.focus();
  }
}
