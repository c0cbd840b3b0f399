import { inject, Injectable } from '@angular/core';
import { MatSnackBar } from '@angular/material/snack-bar';
import { shell as words } from '../words/shell';
import { WaysBack } from './ways-back';

/** The notice after taking over goes soon: it lies over the script, and Ctrl+Z leads back too. */
const BRIEF_MS = 5_000;
/** How long the way back stays on the page; Ctrl+Z and the bin lead back for longer. */
const UNDO_MS = 12_000;

/** A line at the foot of the page, with undo where something was taken away. */
@Injectable({ providedIn: 'root' })
export class Notice {
  private readonly bar = inject(MatSnackBar);
  private readonly ways = inject(WaysBack);

  say(text: string, ms = 4_000) {
    this.bar.open(text, undefined, { duration: ms });
  }
  /** Something was deleted or replaced: it can be taken back from here, with Ctrl+Z, and from the bin. */
  withUndo(text: string, undo: () => void) {
    const back = this.ways.add(text, undo);
    this.bar.open(words.withKey(text), words.undoKey, { duration: UNDO_MS }).onAction().subscribe(back);
  }
  /** The open study was changed. @param back says false when something was changed since */
  withStudyUndo(text: string, back: () => boolean, brief = false) {
    const shown = this.bar.open(text, words.undoKey, { duration: brief ? BRIEF_MS : UNDO_MS });
    shown.onAction().subscribe(() => {
      if (!back()) this.say(words.laterFirst);
    });
  }
}
