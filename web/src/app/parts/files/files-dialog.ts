import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule } from '@angular/material/dialog';
import type { Study } from '@ruffle-wheel/core';
import { files } from '../../words/files';
import { FilesOut } from './files-out';

/** A study of the Shelf as score files. */
@Component({
  selector: 'app-files-dialog',
  imports: [MatDialogModule, MatButtonModule, FilesOut],
  template: `
    <h2 mat-dialog-title>{{ words.shelf.out(study.name) }}</h2>
    <mat-dialog-content><app-files-out [study]="study" /></mat-dialog-content>
    <mat-dialog-actions
      ><button type="button" mat-button mat-dialog-close>{{ words.shelf.close }}</button></mat-dialog-actions
    >
  `,
  styles: `
    app-files-out {
      padding-top: 6px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FilesDialog {
  protected readonly words = files;
  protected readonly study = inject<Study>(MAT_DIALOG_DATA);
}
