import { inject, Injectable } from '@angular/core';
import { copyStudy, freeName, LONGEST_ID, type Study } from '@ruffle-wheel/core';
import { type DamagedRow, Store } from '../data';
import { ownFirst } from '../data/demo';
import { Collection } from './collection';

/** The page has its turn after so long. */
const TURN_MS = 12;

/** What the player takes away in files: everything that is kept here, stored already or not. */
@Injectable({ providedIn: 'root' })
export class Exports {
  private readonly collection = inject(Collection);
  private readonly store = inject(Store);

  /** Everything, in as many files as it takes, with the rows that can't be read and are in none of them. */
  async everything(): Promise<{ readonly files: readonly Blob[]; readonly unread: readonly DamagedRow[] }> {
    const { filePieces } = await import('@ruffle-wheel/core/format');
    const { damaged } = this.collection;
    const held = this.collection.whole();
    const files: string[][] = [];
    let from = performance.now();
    // Where two tabs have two versions of a study, mine is a study beside theirs.
    const mine = this.collection
      .conflicts()
      .map((c) => copyStudy(c.mine, c.key.slice(0 - LONGEST_ID), freeName(c.mine.name, [c.mine.name])));
    const shelf = { ...held, studies: [...held.studies.map((r) => r.study), ...mine] };
    for (const { file, text } of filePieces('everything', shelf)) {
      (files[file] ??= []).push(text);
      if (performance.now() - from < TURN_MS) continue;
      await new Promise((resolve) => setTimeout(resolve));
      from = performance.now();
    }
    return { files: files.map(blobOf), unread: damaged() };
  }
  async study(study: Study): Promise<Blob> {
    const { writeStudy } = await import('@ruffle-wheel/core/format');
    return blobOf([writeStudy(study)]);
  }
  /**
   * A study with its courses, for who is to work through them.
   * @param played with the lines of the logbook that are of it, for who has set them
   */
  async work(study: Study, played: boolean): Promise<Blob> {
    const { writeStudy } = await import('@ruffle-wheel/core/format');
    const courses = this.collection.courses().filter((c) => c.about.studyId === study.id);
    await this.collection.wholeLog();
    const lines = played ? ownFirst(this.collection.log()).filter((e) => e.studyId === study.id) : [];
    return blobOf([writeStudy(study, { courses, log: lines })]);
  }
  /** A row that can't be read, as it is stored. */
  async raw({ table, id }: Pick<DamagedRow, 'table' | 'id'>): Promise<Blob> {
    return blobOf([JSON.stringify({ table, row: await this.store.raw(table, id) }, null, 1)]);
  }
}
const blobOf = (parts: string[]) => new Blob(parts, { type: 'application/json' });
