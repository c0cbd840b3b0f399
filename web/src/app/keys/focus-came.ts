/**
 * How the focus came to where it is: by Tab (or by arrows from there on), by another key, by pointer, or by the program
 * after something else was pressed with the pointer, as what reads the page aloud does it too.
 */
export type Way = 'tab' | 'key' | 'pointer' | 'program';

/** Keys that walk on from a control that was reached by Tab. */
const WALKING: ReadonlySet<string> = new Set(['ArrowLeft', 'ArrowRight', 'ArrowUp', 'ArrowDown', 'Home', 'End']);

/**
 * Remembers how each focus came, at the moment when it comes. Asked at a key press the browser answers for that press
 * (`:focus-visible` is true after any key), not for the click before it.
 */
export class FocusCame {
  private last: Exclude<Way, 'program'> = 'pointer';
  /** What was pressed with the pointer last. */
  private pressed: EventTarget | null = null;
  private readonly ways = new WeakMap<EventTarget, Way>();

  /** @param signal ends the listening */
  constructor(page: Document, signal: AbortSignal) {
    const listen = (type: string, heard: (e: Event) => void) =>
      page.addEventListener(type, heard, { capture: true, signal });
    listen('keydown', (e) => this.key((e as KeyboardEvent).key));
    for (const type of ['pointerdown', 'mousedown', 'touchstart'])
      listen(type, (e) => this.pointed(e.target, page.activeElement));
    listen('focusin', (e) => e.target && this.came(e.target));
  }
  private key(key: string) {
    if (key === 'Tab') this.last = 'tab';
    else if (!(WALKING.has(key) && this.last === 'tab')) this.last = 'key';
  }
  /** What has the focus and is pressed again has it from the pointer now. */
  private pointed(target: EventTarget | null, focused: EventTarget | null) {
    this.last = 'pointer';
    this.pressed = target;
    if (focused instanceof Node && target instanceof Node && focused.contains(target))
      this.ways.set(focused, 'pointer');
  }
  /** A focus that is given back, as a dialog does when it goes, is what it was before. */
  private came(to: EventTarget) {
    const before = this.ways.get(to);
    const under = to instanceof Node && this.pressed instanceof Node && to.contains(this.pressed);
    if (this.last === 'key') this.ways.set(to, before === 'tab' ? 'tab' : 'key');
    else if (this.last === 'pointer' && !under) this.ways.set(to, before ?? 'program');
    else this.ways.set(to, this.last);
  }
  /** @returns how the focus came to this element; by pointer where nobody saw it come */
  to(element: EventTarget | null): Way {
    return (element && this.ways.get(element)) ?? 'pointer';
  }
}
