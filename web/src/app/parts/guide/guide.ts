import { inject, Injectable } from '@angular/core';
import { Dialogs } from '../../ui/dialogs';

/** The guide, inside the application. */
@Injectable({ providedIn: 'root' })
export class Guide {
  private readonly dialogs = inject(Dialogs);

  async show() {
    await this.dialogs.open(() => import('./guide-dialog').then((m) => m.GuideDialog), {
      width: '860px',
      maxWidth: '96vw',
      maxHeight: '94vh',
      autoFocus: 'h2',
      restoreFocus: true,
    });
  }
}
