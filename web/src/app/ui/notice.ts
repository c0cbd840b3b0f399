import { inject, Injectable } from '@angular/core';
import { MatSnackBar } from '@angular/material/snack-bar';
import { words } from '../words/en';

/** A line at the foot of the page, with undo where something was taken away. */
@Injectable({ providedIn: 'root' })
export class Notice {
  private readonly bar = inject(MatSnackBar);

  say(text: string) {
    this.bar.open(text, undefined, { duration: 4_000 });
  }
  /** @param ms how long the way back stays on the page; shorter where Ctrl+Z leads back as well */
  withUndo(text: string, undo: () => void | Promise<unknown>, ms = 12_000) {
    const shown = this.bar.open(text, words.shelf.undo, { duration: ms });
    shown.onAction().subscribe(() => void undo());
  }
}
