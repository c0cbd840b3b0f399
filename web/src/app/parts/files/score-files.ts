import { inject, Injectable, Injector } from '@angular/core';
import { SCORE_FORMATS, type Study } from '@ruffle-wheel/core';

/** Endings of files that are read as scores. */
export const SCORE_FILES = Object.values(SCORE_FORMATS)
  .flatMap((f) => f.read.map((ending) => `.${ending}`))
  .join();
/** Whether a file is a score rather than what is exported here. */
export const isScoreFile = (name: string): boolean =>
  SCORE_FILES.split(',').some((e) => name.toLowerCase().endsWith(e));

/** Opens what is shown over the page for score files. */
@Injectable({ providedIn: 'root' })
export class ScoreFiles {
  private readonly injector = inject(Injector);

  /** Looks at a file; it comes in where the player says. */
  async look(file: File) {
    const [{ MatDialog }, { ImportDialog }] = await Promise.all([
      import('@angular/material/dialog'),
      import('./import-dialog'),
    ]);
    this.injector
      .get(MatDialog)
      .open(ImportDialog, { data: file, width: '720px', maxWidth: '96vw', maxHeight: '94vh' });
  }
  /** A study as files. */
  async out(study: Study) {
    const [{ MatDialog }, { FilesDialog }] = await Promise.all([
      import('@angular/material/dialog'),
      import('./files-dialog'),
    ]);
    this.injector
      .get(MatDialog)
      .open(FilesDialog, { data: study, width: '720px', maxWidth: '96vw', maxHeight: '94vh' });
  }
}
