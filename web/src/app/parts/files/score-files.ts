import { inject, Injectable } from '@angular/core';
import { SCORE_FORMATS, type Study } from '@ruffle-wheel/core';
import { Dialogs } from '../../ui/dialogs';

/** Endings of files that are read as scores. */
export const SCORE_FILES = Object.values(SCORE_FORMATS)
  .flatMap((f) => f.read.map((ending) => `.${ending}`))
  .join();
/** Whether a file is a score rather than what is exported here. */
export const isScoreFile = (name: string): boolean =>
  SCORE_FILES.split(',').some((e) => name.toLowerCase().endsWith(e));

const WIDE = { width: '720px', maxWidth: '96vw', maxHeight: '94vh' };

/** Opens what is shown over the page for score files. */
@Injectable({ providedIn: 'root' })
export class ScoreFiles {
  private readonly dialogs = inject(Dialogs);

  /** Looks at a file; it comes in where the player says. */
  async look(file: File) {
    await this.dialogs.open(() => import('./import-dialog').then((m) => m.ImportDialog), { data: file, ...WIDE });
  }
  /** A study as files. */
  async out(study: Study) {
    await this.dialogs.open(() => import('./files-dialog').then((m) => m.FilesDialog), { data: study, ...WIDE });
  }
}
