import { ElementRef, inject, signal } from '@angular/core';
import { MAT_TABS_CONFIG, type MatTabsConfig } from '@angular/material/tabs';
import { Turns } from './soon';

const LOOK: MatTabsConfig = { animationDuration: '0', stretchTabs: false, disablePagination: true };
/** Tabs that turn at once and stand as close as their words. Provided where the place is made. */
export const TAB_LOOK = { provide: MAT_TABS_CONFIG, useValue: LOOK };
/** What does not come by then is not waited for: the focus goes to the tab. */
const LONGEST_WAIT_MS = 10_000;
const QUIET_MS = 120;

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
        .then(() => this.whenDrawn())
        .then(() => this.focus()),
    );
  }
  /**
   * Until what a panel begins with is there. A panel that names nothing to begin with is there when nothing of it has
   * changed for a moment.
   */
  private whenDrawn(): Promise<void> {
    return new Promise((done) => {
      let quiet: ReturnType<typeof setTimeout> | undefined;
      const end = () => {
        watch.disconnect();
        clearTimeout(late);
        clearTimeout(quiet);
        done();
      };
      const look = () => {
        clearTimeout(quiet);
        if (!this.isDrawn()) return;
        if (this.first()) end();
        else quiet = setTimeout(end, QUIET_MS);
      };
      const watch = new MutationObserver(look);
      const late = setTimeout(end, LONGEST_WAIT_MS);
      watch.observe(this.host, { subtree: true, childList: true, attributes: true });
      look();
    });
  }
  private tab(): HTMLElement | undefined {
    return this.host.querySelectorAll<HTMLElement>('[role="tab"]')[this.open()];
  }
  /** The panel that the open tab controls, once the tab is turned. */
  private panel(): HTMLElement | null {
    const tab = this.tab();
    const id = tab?.getAttribute('aria-selected') === 'true' ? tab.getAttribute('aria-controls') : null;
    return id ? this.host.querySelector<HTMLElement>(`[id="${id}"]`) : null;
  }
  /** The panels themselves come a moment after their place. */
  private isDrawn(): boolean {
    const panel = this.panel();
    return !!panel?.firstElementChild?.firstElementChild && !panel.querySelector('[data-coming]');
  }
  private first(): HTMLElement | null {
    return this.panel()?.querySelector<HTMLElement>('[data-first]') ?? null;
  }
  private focus(): HTMLElement | null {
    const taken = this.first() ?? this.tab() ?? null;
    taken?.focus();
    return taken;
  }
}
