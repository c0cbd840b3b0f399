import { inject, Injectable } from '@angular/core';
import { Router } from '@angular/router';
import { firstValueFrom } from 'rxjs';
import { Keys } from '../../keys/keys';
import { Dialogs } from '../../ui/dialogs';
import type { NewStudyDialog } from './new-study-dialog';
import type { Answered } from './answered';

/** Asks what a new study begins with, and opens it on the Wheel. */
@Injectable({ providedIn: 'root' })
export class NewStudy {
  private readonly dialogs = inject(Dialogs);
  private readonly router = inject(Router);
  private readonly keys = inject(Keys);
  private asking = false;

  async ask() {
    if (this.asking) return;
    this.asking = true;
    let opened: () => void = () => undefined;
    const made = new Promise<void>((resolve) => (opened = resolve));
    // What is pressed from the answer on is meant for the study that it makes.
    const answered = () => void this.keys.until(made);
    try {
      const shown = await this.dialogs.open<NewStudyDialog, Answered, boolean>(
        () => import('./new-study-dialog').then((m) => m.NewStudyDialog),
        {
          data: { answered },
          width: '940px',
          maxWidth: '96vw',
          maxHeight: '94vh',
          autoFocus: false,
          restoreFocus: true,
        },
      );
      if (await firstValueFrom(shown.afterClosed())) {
        await this.router.navigateByUrl('/wheel');
        // The keys belong to the place now: Space plays.
        if (document.activeElement instanceof HTMLElement) document.activeElement.blur();
      }
    } finally {
      opened();
      this.asking = false;
    }
  }
}
