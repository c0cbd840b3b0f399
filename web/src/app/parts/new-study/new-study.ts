import { inject, Injectable, Injector } from '@angular/core';
import { Router } from '@angular/router';
import { firstValueFrom } from 'rxjs';

/** Asks what a new study begins with, and opens it on the Wheel. */
@Injectable({ providedIn: 'root' })
export class NewStudy {
  private readonly injector = inject(Injector);
  private readonly router = inject(Router);
  private asking = false;

  async ask() {
    if (this.asking) return;
    this.asking = true;
    try {
      const [{ MatDialog }, { NewStudyDialog }] = await Promise.all([
        import('@angular/material/dialog'),
        import('./new-study-dialog'),
      ]);
      const shown = this.injector
        .get(MatDialog)
        .open<InstanceType<typeof NewStudyDialog>, void, boolean>(NewStudyDialog, {
          width: '940px',
          maxWidth: '96vw',
          maxHeight: '94vh',
          autoFocus: false,
          restoreFocus: true,
        });
      if (await firstValueFrom(shown.afterClosed())) {
        await this.router.navigateByUrl('/wheel');
        // The keys belong to the place now: Space plays.
        if (document.activeElement instanceof HTMLElement) document.activeElement.blur();
      }
    } finally {
      this.asking = false;
    }
  }
}
