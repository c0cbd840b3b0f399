import { inject, Injectable } from '@angular/core';
import { Dialogs } from '../../ui/dialogs';

/** The key to the letters of the hand script, shown on demand. */
@Injectable({ providedIn: 'root' })
export class Letters {
  private readonly dialogs = inject(Dialogs);

  async show() {
    if (await this.dialogs.isAnyOpen()) return;
    await this.dialogs.open(() => import('./letters-dialog').then((m) => m.LettersDialog), {
      width: '900px',
      maxWidth: '96vw',
      maxHeight: '92vh',
      restoreFocus: true,
    });
  }
}
