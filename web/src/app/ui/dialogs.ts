import type { ComponentType } from '@angular/cdk/portal';
import { inject, Injectable, Injector } from '@angular/core';
import type { MatDialog, MatDialogConfig, MatDialogRef } from '@angular/material/dialog';
import { ANSWERED } from '../keys/answered';

/** Opens dialogs; what draws them, and their own part, are fetched when they are first wanted. */
@Injectable({ providedIn: 'root' })
export class Dialogs {
  private readonly injector = inject(Injector);

  /** @param part fetches the dialog's component */
  async open<C, D = unknown, R = unknown>(
    part: () => Promise<ComponentType<C>>,
    config: MatDialogConfig<D>,
  ): Promise<MatDialogRef<C, R>> {
    const [dialogs, component] = await Promise.all([this.dialogs(), part()]);
    const shown = dialogs.open<C, D, R>(component, config);
    shown.beforeClosed().subscribe(() => document.getElementById(shown.id)?.setAttribute(ANSWERED, ''));
    return shown;
  }
  /** Whether one is open. */
  async isAnyOpen(): Promise<boolean> {
    return (await this.dialogs()).openDialogs.length > 0;
  }
  private async dialogs(): Promise<MatDialog> {
    const { MatDialog } = await import('@angular/material/dialog');
    return this.injector.get(MatDialog);
  }
}
