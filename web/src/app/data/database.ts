import { KEPT, type Kept } from '@ruffle-wheel/core';
import { Dexie, type Table } from 'dexie';
import type { BinEntry, BinnedRow, Settings, Shelf, StudyRow, TypedRow, UnsettledRow } from './rows';

/** Tables in the browser. A change of their form gets a new version with an upgrade, never an edit of one that was. */
export class Database extends Dexie {
  readonly studies!: Table<StudyRow, string>;
  readonly log!: Table<Shelf['log'], string>;
  readonly profiles!: Table<Shelf['profiles'], string>;
  readonly cycles!: Table<Shelf['cycles'], string>;
  readonly cells!: Table<Shelf['cells'], string>;
  readonly goals!: Table<Shelf['goals'], string>;
  readonly courses!: Table<Shelf['courses'], string>;
  readonly plans!: Table<Shelf['plans'], string>;
  readonly takes!: Table<Shelf['takes'], string>;
  readonly settings!: Table<Settings, string>;
  readonly bin!: Table<BinEntry, string>;
  readonly binned!: Table<BinnedRow, number>;
  readonly unsettled!: Table<UnsettledRow, string>;
  readonly typed!: Table<TypedRow, string>;

  constructor(name: string) {
    super(name);
    // The library tells the console when another connection holds the tables; here the player is told.
    for (const tell of [...(this.on.blocked.subscribers as (() => void)[])]) this.on.blocked.unsubscribe(tell);
    this.version(1).stores({
      studies: 'id, savedAt',
      log: 'id, studyId, startedAt',
      profiles: 'id',
      cycles: 'id',
      settings: 'key',
    });
    this.version(2).stores({ cells: 'id' });
    this.version(3).stores({ bin: 'id, at', binned: '++n, entry', unsettled: 'key, id' });
    this.version(4).stores({ typed: 'key, at' });
    this.version(5).stores({ goals: 'id', courses: 'id', plans: 'id, startedAt', takes: 'id, startedAt' });
  }
  /** Opens the tables where they are closed: once refused they stay so until they are asked again. */
  async awake(): Promise<void> {
    if (!this.isOpen()) await this.open();
  }
  /** A table of the shelf, whatever its rows are. */
  shelf(table: Kept): Table<{ readonly id: string }, string> {
    return this.table(table);
  }
  /** All tables of the shelf. */
  get shelves(): Table[] {
    return KEPT.map((table) => this.table(table));
  }
}
