import { inject, Injectable, Injector } from '@angular/core';
import type { MatSnackBar } from '@angular/material/snack-bar';
import { shell as words } from '../words/shell';
import { WaysBack } from './ways-back';

/** The notice after taking over goes soon: it lies over the script, and Ctrl+Z leads back too. */
const BRIEF_MS = 5_000;
/** How long the way back stays on the page; Ctrl+Z and the bin lead back for longer. */
const UNDO_MS = 12_000;

/** A line at the foot of the page, with undo where something was taken away. What draws it comes after the first view. */
@Injectable({ providedIn: 'root' })
export class Notice {
  private readonly injector = inject(Injector);
  private readonly ways = inject(WaysBack);
  private bar: Promise<MatSnackBar> | null = null;

  /** Fetches what draws a notice, before it is needed. */
  ready(): Promise<MatSnackBar> {
    this.bar ??= import('@angular/material/snack-bar').then(
      (m) => this.injector.get(m.MatSnackBar),
      (e: unknown) => {
        // Asked again with the next notice.
        this.bar = null;
        throw e;
      },
    );
    return this.bar;
  }
  private show(text: string, action: string | undefined, duration: number, acted: () => void = () => {}) {
    this.ready()
      .then((bar) => bar.open(text, action, { duration }).onAction().subscribe(acted))
      .catch((e: unknown) => console.error(e));
  }

  say(text: string, ms = 4_000) {
    this.show(text, undefined, ms);
  }
  /** What is said, with a way out of it. */
  act(text: string, action: string, acted: () => void) {
    this.show(text, action, UNDO_MS, acted);
  }
  /** Something was deleted or replaced: it can be taken back from here, with Ctrl+Z, and from the bin. */
  withUndo(text: string, undo: () => void) {
    this.show(words.withKey(text), words.undoKey, UNDO_MS, this.ways.add(text, undo));
  }
  /** The open study was changed. @param back says false when something was changed since */
  withStudyUndo(text: string, back: () => boolean, brief = false) {
    this.show(text, words.undoKey, brief ? BRIEF_MS : UNDO_MS, () => {
      if (!back()) this.say(words.laterFirst);
    });
  }
}
