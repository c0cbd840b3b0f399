import { DestroyRef, inject, Injectable } from '@angular/core';
import { type ActId, type ActOf, actsOf, namesOfKey, type Scope } from './acts';
import { ANSWERED } from './answered';
import { FocusCame } from './focus-came';

/** What an act does; false where it can't be done now, so that another with its key may. */
export type Do = (e: KeyboardEvent) => unknown;
/** What a place's acts do. One that is left out is done by its panels, or not there. */
export type Acts<S extends Scope> = { readonly [A in ActOf<S>]: Do };
interface Acting {
  readonly scope: Scope;
  readonly acts: Readonly<Record<string, Do>>;
}

/** Keys on their way to the acts of the place on screen, and to those that hold in every place. */
@Injectable({ providedIn: 'root' })
export class Keys {
  /** Keys pressed while a place was still on its way; null when none is. */
  private held: KeyboardEvent[] | null = null;
  /** Keys meant for a field that is about to have the focus; null when none is. */
  private heldForField: KeyboardEvent[] | null = null;
  private place: Acting | null = null;
  private placePlays: (() => Promise<void>) | null = null;
  private everywhere: Acting = { scope: 'everywhere', acts: {} };

  /** Whether letters, digits and signs are keys; others are so always. */
  private letters: () => boolean = () => true;
  letterKeys(are: () => boolean) {
    this.letters = are;
  }
  /** What the acts do that hold everywhere; those of playing ask the place first. */
  forEverywhere(acts: Omit<Acts<'everywhere'>, 'leave'>) {
    this.everywhere = { scope: 'everywhere', acts };
  }
  /**
   * The place on screen is asked before what holds everywhere; it gives its keys back when it goes.
   * @param plays what playing and stopping means there, when it is more than sound
   */
  forPlace<S extends Exclude<Scope, 'everywhere'>>(
    scope: S,
    acts: Acts<S>,
    plays: (() => Promise<void>) | null = null,
  ) {
    const place: Acting = { scope, acts };
    this.place = place;
    this.placePlays = plays;
    inject(DestroyRef).onDestroy(() => {
      if (this.place !== place) return;
      this.place = null;
      this.placePlays = null;
    });
  }
  /** What playing and stopping means in the place on screen; null where it is only sound. */
  get plays(): (() => Promise<void>) | null {
    return this.placePlays;
  }

  /** A field is about to have the focus: what is pressed until then is meant for it. */
  forField(coming: Promise<HTMLElement | null>) {
    const held: KeyboardEvent[] = [];
    this.heldForField = held;
    void coming
      .catch(() => null)
      .then((field) => {
        if (this.heldForField !== held) return;
        this.heldForField = null;
        const text = held.map((e) => e.key).join('');
        if (field && isTextField(field)) typeInto(field, text);
        else for (const e of held) this.press(e);
      });
  }

  private readonly gone = new AbortController();
  /** How the focus came to a control decides whether Space and Enter are its own. */
  private readonly came = new FocusCame(document, this.gone.signal);
  /** Keys that are down and were taken: a button of the page would act when they come up. */
  private readonly down = new Set<string>();

  constructor() {
    const { signal } = this.gone;
    inject(DestroyRef).onDestroy(() => this.gone.abort());
    // Before a row of tabs or a choice itself, which have an ear for arrows and Space, and before a dialog that goes.
    const first = (e: KeyboardEvent) => {
      const clicked = (onTab(e) || isChoice(e.target)) && !this.byKeys(e.target);
      if ((clicked || isGoing(e.target)) && this.take(e)) e.stopPropagation();
    };
    document.addEventListener('keydown', first, { capture: true, signal });
    document.addEventListener('keydown', (e) => this.take(e), { signal });
    document.addEventListener('keyup', (e) => this.down.delete(e.key) && e.preventDefault(), { signal });
  }
  private take(e: KeyboardEvent): boolean {
    if (e.defaultPrevented || !this.press(e)) return false;
    this.down.add(e.key);
    e.preventDefault();
    return true;
  }

  /** Whether the key is for the field that has the focus rather than for the place. */
  private typing(e: KeyboardEvent): boolean {
    const target = e.target instanceof HTMLElement ? e.target : null;
    if (!target?.isConnected || isGoing(target)) return false;
    // A level is moved by arrows, a box is ticked by Space: all other keys are the place's.
    if (target.matches('input[type="range"]')) return /^(Arrow|Home|End|Page)/.test(e.key);
    if (target.matches('input[type="checkbox"], input[type="radio"]')) return false;
    // A choice that was closed with the pointer is done with.
    if (isChoice(target)) return this.byKeys(target);
    return target.closest(FIELDS) !== null;
  }
  /**
   * Escape gives the keys back to the place: whatever had the focus lets it go.
   * @returns whether that was to be seen; if not, the key is the place's
   */
  private leave(e: KeyboardEvent): boolean {
    // An open choice closes by itself; with that the key has done its one thing.
    if (!(e.target instanceof HTMLElement) || e.target === document.body) return false;
    if (e.target.matches('[role="combobox"][aria-expanded="true"]')) return true;
    const seen = this.typing(e) || this.came.to(e.target) === 'tab';
    e.target.blur();
    return seen;
  }
  /**
   * Space belongs to a control that was reached by Tab, Enter also to one that a key of its place led to; what was
   * clicked keeps neither.
   */
  onControl(e: KeyboardEvent): boolean {
    const target = e.target instanceof HTMLElement ? e.target : null;
    if (!target?.closest(CONTROLS)) return false;
    const way = this.came.to(target);
    return way === 'tab' || (e.key === 'Enter' && way !== 'pointer' && !(way === 'program' && isChoice(target)));
  }

  /** Does an act of the place on screen as one of its keys would. */
  do(act: ActId, key: string) {
    this.place?.acts[act]?.(new KeyboardEvent('keydown', { key }));
  }
  /** @returns whether the key was taken */
  press(e: KeyboardEvent): boolean {
    if (e.ctrlKey || e.metaKey) return this.act(this.everywhere, e);
    if (e.key === 'Escape' && this.leave(e)) return true;
    if (e.altKey) return false;
    if (e.key.length === 1 && e.key !== ' ' && !this.letters()) return false;
    // A dialog that was answered may still be there.
    if (this.held && e.key.length === 1 && (inDialog(e) || !this.typing(e))) return this.held.push(e) > 0;
    if (this.typing(e)) return false;
    if (inDialog(e)) return false;
    if (this.heldForField && e.key.length === 1) return this.heldForField.push(e) > 0;
    return (this.place !== null && !this.onTabs(e) && this.act(this.place, e)) || this.act(this.everywhere, e);
  }
  /** Does the first act of the key that can be done. */
  private act({ scope, acts }: Acting, e: KeyboardEvent): boolean {
    for (const name of namesOfKey(e))
      for (const { id, keys } of actsOf(scope))
        if (keys.includes(name) && acts[id] && acts[id](e) !== false) return true;
    return false;
  }
  private byKeys(element: EventTarget | null): boolean {
    const way = this.came.to(element);
    return way === 'tab' || way === 'key';
  }
  /** Arrows on a row of tabs turn to the next tab, unless the tab was clicked. */
  private onTabs(e: KeyboardEvent): boolean {
    return onTab(e) && this.byKeys(e.target);
  }
  /** A place is fetched the first time it is wanted: what is pressed meanwhile is meant for it. */
  async until(there: Promise<unknown>) {
    this.held = [];
    try {
      await there;
    } finally {
      const meant = this.held;
      this.held = null;
      for (const e of meant) this.press(e);
    }
  }
}
/** Whether it stands in a dialog that is answered and on its way out. */
const isGoing = (e: EventTarget | null): boolean => e instanceof Element && e.closest(`[${ANSWERED}]`) !== null;
/** What is pressed in a dialog is the dialog's, unless it is going away. */
const inDialog = (e: KeyboardEvent): boolean =>
  e.target instanceof Element && e.target.isConnected && !!e.target.closest('[role="dialog"]') && !isGoing(e.target);
/** What takes letters, and what is chosen from. */
const FIELDS = 'input, textarea, select, [contenteditable="true"], [role="listbox"], [role="combobox"], [role="menu"]';
const CONTROLS =
  'button, a, summary, input[type="checkbox"], input[type="radio"], [role="combobox"], [role="tab"], [role="switch"], [role="button"]';
/** A closed choice out of several. */
const isChoice = (e: EventTarget | null): boolean =>
  e instanceof HTMLElement &&
  e.matches('[role="combobox"]:not(input)') &&
  e.getAttribute('aria-expanded') !== 'true' &&
  !e.closest('[role="dialog"]');
const onTab = (e: KeyboardEvent): boolean =>
  e.key.startsWith('Arrow') && e.target instanceof HTMLElement && e.target.closest('[role="tab"]') !== null;
const isTextField = (e: HTMLElement): boolean =>
  e.isContentEditable ||
  e instanceof HTMLTextAreaElement ||
  (e instanceof HTMLInputElement && e.selectionStart !== null);
/** Puts letters into a field as if they had been typed there. */
function typeInto(field: HTMLElement, text: string) {
  field.focus();
  if (text === '') return;
  if (!(field instanceof HTMLTextAreaElement || field instanceof HTMLInputElement)) {
    // The script's editor takes a paste as its own change; the browser's own way would write styles into it.
    const data = new DataTransfer();
    data.setData('text/plain', text);
    field.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
    return;
  }
  field.setRangeText(text, field.selectionStart ?? 0, field.selectionEnd ?? 0, 'end');
  field.dispatchEvent(new Event('input', { bubbles: true }));
}
