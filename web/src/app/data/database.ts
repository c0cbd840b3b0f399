import { InjectionToken } from '@angular/core';
import type { AccentCycle, HandProfile, LogEntry, OwnCell } from '@ruffle-wheel/core';
import { Dexie, type Table } from 'dexie';
import type { Settings, StudyRow } from './rows';

/** Names the tables, and the channel over which tabs hear of each other's saves. */
export const DATABASE_NAME = new InjectionToken<string>('DATABASE_NAME', {
  providedIn: 'root',
  factory: () => 'ruffle-wheel',
});

/** Tables in the browser. A change of their form gets a new version with an upgrade, never an edit of this one. */
export class Database extends Dexie {
  readonly studies!: Table<StudyRow, string>;
  readonly log!: Table<LogEntry, string>;
  readonly profiles!: Table<HandProfile, string>;
  readonly cycles!: Table<AccentCycle, string>;
  readonly cells!: Table<OwnCell, string>;
  readonly settings!: Table<Settings, string>;

  constructor(name: string) {
    super(name);
    this.version(1).stores({
      studies: 'id, savedAt',
      log: 'id, studyId, startedAt',
      profiles: 'id',
      cycles: 'id',
      settings: 'key',
    });
    this.version(2).stores({ cells: 'id' });
  }
}
