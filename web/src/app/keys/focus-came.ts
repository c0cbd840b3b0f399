/** How the focus came to where it is: by Tab (or by arrows from there on), by another key, or by pointer. */
export type Way = 'tab' | 'key' | 'pointer';

/** Keys that walk on from a control that was reached by Tab. */
const WALKING: ReadonlySet<string> = new Set(['ArrowLeft', 'ArrowRight', 'ArrowUp', 'ArrowDown', 'Home', 'End']);

/**
 * Remembers how each focus came, at the moment when it comes. Asked at a key press the browser answers for that press
 * (`:focus-visible` is true after any key), not for the click before it.
 */
export class FocusCame {
  private last: Way = 'pointer';
  private readonly ways = new WeakMap<EventTarget, Way>();

  /** @param signal ends the listening */
  constructor(page: Document, signal: AbortSignal) {
    const listen = (type: string, heard: (e: Event) => void) =>
      page.addEventListener(type, heard, { capture: true, signal });
    listen('keydown', (e) => this.key((e as KeyboardEvent).key));
    for (const type of ['pointerdown', 'mousedown', 'touchstart']) listen(type, () => this.pointed(page.activeElement));
    listen('focusin', (e) => e.target && this.came(e.target));
  }
  private key(key: string) {
    if (key === 'Tab') this.last = 'tab';
    else if (!(WALKING.has(key) && this.last === 'tab')) this.last = 'key';
  }
  /** What has the focus and is pressed again has it from the pointer now; what is left is forgotten. */
  private pointed(focused: EventTarget | null) {
    this.last = 'pointer';
    if (focused) this.ways.set(focused, 'pointer');
  }
  /** A focus that is given back, as a dialog does when it goes, is what it was before. */
  private came(to: EventTarget) {
    this.ways.set(to, this.last === 'key' && this.ways.get(to) === 'tab' ? 'tab' : this.last);
  }
  /** @returns how the focus came to this element; by pointer where nobody saw it come */
  to(element: EventTarget | null): Way {
    return (element && this.ways.get(element)) ?? 'pointer';
  }
}
