import { inject, Injectable, Injector } from '@angular/core';

/** The key to the letters of the hand script, shown on demand. */
@Injectable({ providedIn: 'root' })
export class Letters {
  private readonly injector = inject(Injector);

  async show() {
    const [{ MatDialog }, { LettersDialog }] = await Promise.all([
      import('@angular/material/dialog'),
      import('./letters-dialog'),
    ]);
    const dialogs = this.injector.get(MatDialog);
    if (dialogs.openDialogs.length === 0)
      dialogs.open(LettersDialog, { width: '900px', maxWidth: '96vw', maxHeight: '92vh', restoreFocus: true });
  }
}
