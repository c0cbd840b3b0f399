import { DestroyRef, inject, Injectable } from '@angular/core';
import { type ActOf, actsOf, namesOfKey, type Scope } from './acts';

/** An answered dialog has begun to go after so long. */
const GOING_MS = 60;

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

  /** Whether the key is for the field that has the focus rather than for the place. */
  static typing(e: KeyboardEvent): boolean {
    const target = e.target instanceof HTMLElement ? e.target : null;
    // A level is moved by arrows; Space plays all the same.
    if (e.key === ' ' && target?.matches('input[type="range"]')) return false;
    return !!target?.closest(
      'input, textarea, select, [contenteditable="true"], [role="listbox"], [role="combobox"], [role="menu"]',
    );
  }
  /** What is pressed in a dialog is the dialog's, unless it is going away. */
  private static inDialog(e: KeyboardEvent): boolean {
    const dialog = e.target instanceof HTMLElement ? e.target.closest('[role="dialog"]') : null;
    return dialog !== null && dialog.isConnected && !dialog.matches('.mdc-dialog--closing');
  }
  /** A key pressed just as a dialog was answered was meant for what comes after it. */
  private afterDialog(e: KeyboardEvent) {
    if (e.key.length > 1 || e.key === ' ') return;
    setTimeout(() => !Keys.inDialog(e) && this.press(e), GOING_MS);
  }
  /** Escape gives the keys back to the place: whatever had the focus lets it go. */
  private static leave(e: KeyboardEvent): boolean {
    const typing = Keys.typing(e);
    if (e.target instanceof HTMLElement && e.target !== document.body) e.target.blur();
    return typing;
  }
  /** Space and Enter belong to a control that was reached with the keyboard. */
  static onControl(e: KeyboardEvent): boolean {
    const target = e.target instanceof HTMLElement ? e.target : null;
    return !!target?.closest('button, a, summary, [role="tab"], [role="switch"]') && !!target.matches(':focus-visible');
  }

  /** @returns whether the key was taken */
  press(e: KeyboardEvent): boolean {
    if (e.ctrlKey || e.metaKey) return this.act(this.everywhere, e);
    if (e.key === 'Escape' && Keys.leave(e)) return true;
    if (e.altKey || Keys.typing(e)) return false;
    if (Keys.inDialog(e)) {
      this.afterDialog(e);
      return false;
    }
    if (this.heldForField && e.key.length === 1) return this.heldForField.push(e) > 0;
    if (this.held && e.key.length === 1) return this.held.push(e) > 0;
    return (this.place !== null && !Keys.onTabs(e) && this.act(this.place, e)) || this.act(this.everywhere, e);
  }
  /** Does the first act of the key that can be done. */
  private act({ scope, acts }: Acting, e: KeyboardEvent): boolean {
    for (const name of namesOfKey(e))
      for (const { id, keys } of actsOf(scope))
        if (keys.includes(name) && acts[id] && acts[id](e) !== false) return true;
    return false;
  }
  /** Arrows on a row of tabs turn to the next tab. */
  private static onTabs(e: KeyboardEvent): boolean {
    return e.key.startsWith('Arrow') && e.target instanceof HTMLElement && e.target.closest('[role="tab"]') !== null;
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
