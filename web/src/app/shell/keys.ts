import { DestroyRef, inject, Injectable } from '@angular/core';
import { Router } from '@angular/router';
import { SectionPlaying } from '../parts/section-playing';
import { Transport } from '../sound/transport';
import { Collection, Exports, OpenStudy } from '../study';
import { NewStudy } from '../parts/new-study/new-study';
import { Notice } from '../ui/notice';
import { saveFile } from '../ui/save-file';
import { WaysBack } from '../ui/ways-back';
import { PLACES } from './places';
import { words } from '../words/en';

/** An answered dialog has begun to go after so long. */
const GOING_MS = 60;

/** Keys that hold in every place. A key typed into a field stays in the field. */
@Injectable({ providedIn: 'root' })
export class Keys {
  private readonly router = inject(Router);
  private readonly transport = inject(Transport);
  private readonly playing = inject(SectionPlaying);
  private readonly open = inject(OpenStudy);
  private readonly collection = inject(Collection);
  private readonly exports = inject(Exports);
  private readonly ways = inject(WaysBack);
  private readonly notice = inject(Notice);
  private readonly newStudy = inject(NewStudy);

  /** Keys pressed while a place was still on its way; null when none is. */
  private held: KeyboardEvent[] | null = null;
  /** Keys meant for a field that is about to have the focus; null when none is. */
  private heldForField: KeyboardEvent[] | null = null;
  private place: ((e: KeyboardEvent) => boolean) | null = null;
  private placePlays: (() => Promise<void>) | null = null;

  /**
   * The place on screen is asked before the keys that hold everywhere; it gives its keys back when it goes.
   * @param plays what playing and stopping means there, when it is more than sound
   */
  forPlace(handler: (e: KeyboardEvent) => boolean, plays: (() => Promise<void>) | null = null) {
    this.place = handler;
    this.placePlays = plays;
    inject(DestroyRef).onDestroy(() => {
      if (this.place !== handler) return;
      this.place = null;
      this.placePlays = null;
    });
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
    if (e.ctrlKey || e.metaKey) return this.withCtrl(e);
    if (e.key === 'Escape' && Keys.leave(e)) return true;
    if (e.altKey || Keys.typing(e)) return false;
    if (Keys.inDialog(e)) {
      this.afterDialog(e);
      return false;
    }
    if (this.heldForField && e.key.length === 1) return this.heldForField.push(e) > 0;
    if (this.held && e.key.length === 1) return this.held.push(e) > 0;
    if (this.place?.(e)) return true;
    const place = PLACES.find((p) => p.key === e.key);
    if (place) void this.goTo(`/${place.path}`);
    else if (e.key === ' ' && !Keys.onControl(e)) void this.playOrStop();
    else if (e.key === 'Enter' && !Keys.onControl(e)) this.tap();
    else if (e.key === '[') this.step(-1);
    else if (e.key === ']') this.step(1);
    else if (e.key === '0') void this.newStudy.ask();
    else if (e.key === 'l' || e.key === 'L') this.collection.set({ loop: !this.collection.settings().loop });
    else if (e.key === 'c' || e.key === 'C') this.collection.set({ countIn: !this.collection.settings().countIn });
    else return false;
    return true;
  }

  /** A place is fetched the first time it is wanted: what is pressed meanwhile is meant for it. */
  private async goTo(place: string) {
    this.held = [];
    try {
      await this.router.navigateByUrl(place);
    } finally {
      const meant = this.held;
      this.held = null;
      for (const e of meant) this.press(e);
    }
  }
  private withCtrl(e: KeyboardEvent): boolean {
    const key = e.key.toLowerCase();
    if (key === 's') void this.exportOpen();
    else if (key === 'z' || key === 'y') {
      const target = e.target instanceof HTMLElement ? e.target : null;
      // Plain fields keep their own undo; the script's undo is the study's.
      if (target?.closest('input, textarea')) return false;
      if (key === 'y' || e.shiftKey) this.open.redo();
      else this.undo();
    } else return false;
    return true;
  }

  /** Takes back whatever was done last: a step of the open study, or a deletion. */
  undo() {
    const way = this.ways.latest();
    if (way && way.at > this.open.changedAt()) this.notice.say(`${words.takenBack}: ${this.ways.back() ?? ''}`);
    else this.open.undo();
  }
  async playOrStop() {
    if (this.placePlays) return this.placePlays();
    await this.playing.playOrStop();
  }
  step(way: 1 | -1) {
    const section = this.open.section();
    if (section) this.open.setTempo(section.bpm + way * section.ladder.step);
  }
  tap() {
    const tempo = this.transport.tap();
    if (tempo !== null) this.open.setTempo(tempo);
  }
  async exportOpen() {
    const study = this.open.study();
    if (study) saveFile(await this.exports.study(study), study.name);
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
