import { ElementRef, inject, signal } from '@angular/core';
import { MAT_TABS_CONFIG, type MatTabsConfig } from '@angular/material/tabs';
import { Turns } from './soon';

const LOOK: MatTabsConfig = { animationDuration: '0', stretchTabs: false, disablePagination: true };
/** Tabs that turn at once and stand as close as their words. Provided where the place is made. */
export const TAB_LOOK = { provide: MAT_TABS_CONFIG, useValue: LOOK };
const WAIT_MS = 20;
const WAITED = 150;

/** Panels beside a drawing, each behind a tab and a key. Made where the component that shows them is made. */
export class TabPanels {
  private readonly drawn = inject(Turns);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  /** The panel that is open. */
  readonly open = signal(0);

  /**
   * @param keys a letter for each panel, in their order
   * @param held is handed the field that will have the focus: keys pressed until then are meant for it
   */
  constructor(
    private readonly keys: string,
    private readonly held: (coming: Promise<HTMLElement | null>) => void = () => undefined,
  ) {}

  /** Opens the panel whose key was pressed and gives the focus to what it begins with. */
  pressed(e: KeyboardEvent): boolean {
    const n = e.key.length === 1 ? this.keys.indexOf(e.key.toLowerCase()) : -1;
    if (n < 0) return false;
    this.turnTo(n);
    return true;
  }
  /** The same as pressing its key. */
  show(key: string) {
    this.turnTo(this.keys.indexOf(key));
  }
  private turnTo(n: number) {
    if (this.open() === n && this.isDrawn()) return void this.focus();
    this.open.set(n);
    // The panel comes with the next render, its contents with the one after.
    this.held(
      this.drawn
        .coming()
        .then(() => new Promise((resolve) => setTimeout(resolve)))
        .then(() => this.focusSoon()),
    );
  }
  /** What a panel begins with may come a moment after it. */
  private async focusSoon(): Promise<HTMLElement | null> {
    for (let tries = 0; tries < WAITED && !this.isDrawn(); tries++)
      await new Promise((resolve) => setTimeout(resolve, WAIT_MS));
    return this.focus();
  }
  /** The panels themselves come a moment after their place. */
  private isDrawn(): boolean {
    const panel = this.host.querySelector('.mat-mdc-tab-body-active .mat-mdc-tab-body-content');
    const tab = this.host.querySelectorAll('[role="tab"]')[this.open()];
    const turned = tab?.getAttribute('aria-selected') === 'true';
    return turned && !!panel?.firstElementChild && !panel.querySelector('[data-coming]');
  }
  private focus(): HTMLElement | null {
    const first = this.host.querySelector<HTMLElement>('.mat-mdc-tab-body-active [data-first]');
    const taken = first ?? this.host.querySelector<HTMLElement>('[role="tab"][aria-selected="true"]');
    taken?.focus();
    return taken;
  }
}
