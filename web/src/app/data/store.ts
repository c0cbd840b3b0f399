import { inject, Injectable } from '@angular/core';
import type { AccentCycle, HandProfile, LogEntry, OwnCell, Study } from '@ruffle-wheel/core';
import { Subject } from 'rxjs';
import type { Table } from 'dexie';
import { Database, DATABASE_NAME } from './database';
import { type DamagedRow, DEFAULT_SETTINGS, type Settings, type StudyRow } from './rows';

export interface StoredCollection {
  readonly studies: StudyRow[];
  readonly log: LogEntry[];
  readonly profiles: HandProfile[];
  readonly cycles: AccentCycle[];
  readonly cells: OwnCell[];
  readonly damaged: DamagedRow[];
}
export type SaveResult =
  { readonly ok: true; readonly row: StudyRow } | { readonly ok: false; readonly theirs: StudyRow | null };
/** Told to the other tabs after something was stored. */
export interface Stored {
  readonly kind: 'study' | 'shelf' | 'log' | 'settings';
  readonly id?: string;
}
type Check<T> = (
  row: unknown,
) => { ok: true; value: T } | { ok: false; faults: readonly { path: string; message: string }[] };

/** Rows checked in one go before the page gets its turn again. */
const PORTION = 40;
async function inPortions<T>(rows: readonly unknown[], check: (row: unknown) => T[]): Promise<T[]> {
  const passed: T[] = [];
  for (let from = 0; from < rows.length; from += PORTION) {
    if (from > 0) await new Promise((resolve) => setTimeout(resolve));
    passed.push(...rows.slice(from, from + PORTION).flatMap(check));
  }
  return passed;
}

/** The only way to the tables: every row read back goes through its check, other tabs hear of every save. */
@Injectable({ providedIn: 'root' })
export class Store {
  private readonly name = inject(DATABASE_NAME);
  private readonly db = new Database(this.name);
  private readonly channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel(this.name);
  private readonly heard = new Subject<Stored>();
  /** What other tabs have stored. */
  readonly elsewhere = this.heard.asObservable();

  constructor() {
    if (this.channel) this.channel.onmessage = (e: MessageEvent<Stored>) => this.heard.next(e.data);
  }
  private tell(stored: Stored) {
    this.channel?.postMessage(stored);
  }

  async readAll(): Promise<StoredCollection> {
    const door = await import('./door');
    const damaged: DamagedRow[] = [];
    const pass = <T>(table: string, rows: unknown[], check: Check<T>): Promise<T[]> =>
      inPortions(rows, (row) => {
        const read = check(row);
        if (read.ok) return [read.value];
        const first = read.faults[0];
        const id = (row as { id?: unknown } | null)?.id;
        damaged.push({
          table,
          id: typeof id === 'string' ? id : '?',
          message: first ? `${first.path}: ${first.message}` : '',
        });
        return [];
      });
    const studies = await pass<StudyRow>('studies', await this.db.studies.toArray(), (row) => {
      const { revision, savedAt, study } = row as Partial<StudyRow>;
      const read = door.readStudyRow(study);
      if (!read.ok) return read;
      if (typeof revision !== 'number' || typeof savedAt !== 'string')
        return { ok: false, faults: [{ path: 'revision', message: 'is missing' }] };
      return { ok: true, value: { id: read.value.id, revision, savedAt, study: read.value } };
    });
    return {
      studies,
      log: await pass('log', await this.db.log.toArray(), door.readLogRow),
      profiles: await pass('profiles', await this.db.profiles.toArray(), door.readProfileRow),
      cycles: await pass('cycles', await this.db.cycles.toArray(), door.readCycleRow),
      cells: await pass('cells', await this.db.cells.toArray(), door.readCellRow),
      damaged,
    };
  }

  async readSettings(): Promise<Settings> {
    const row = await this.db.settings.get('player');
    if (row === undefined) return DEFAULT_SETTINGS;
    const door = await import('./door');
    return door.readSettingsRow(row) ?? { ...DEFAULT_SETTINGS, seeded: true };
  }
  async saveSettings(settings: Settings) {
    await this.db.settings.put(settings);
  }

  async readStudy(id: string): Promise<StudyRow | null> {
    const row = await this.db.studies.get(id);
    if (!row) return null;
    const door = await import('./door');
    const read = door.readStudyRow(row.study);
    return read.ok ? { ...row, study: read.value } : null;
  }

  /**
   * Saves a study if it still has the revision it was read with; otherwise gives back what another tab
   * has stored in the meantime, and stores nothing.
   * @param revision as read; 0 for a study not stored before
   */
  async saveStudy(study: Study, revision: number): Promise<SaveResult> {
    const result = await this.db.transaction('rw', this.db.studies, async (): Promise<SaveResult> => {
      const there = await this.db.studies.get(study.id);
      if ((there?.revision ?? 0) !== revision) return { ok: false, theirs: there ?? null };
      const row: StudyRow = { id: study.id, revision: revision + 1, savedAt: new Date().toISOString(), study };
      await this.db.studies.put(row);
      return { ok: true, row };
    });
    if (result.ok) this.tell({ kind: 'study', id: study.id });
    return result;
  }

  async deleteStudy(id: string) {
    await this.db.studies.delete(id);
    this.tell({ kind: 'shelf' });
  }
  /** Puts a deleted study back as it was, its revision raised. */
  async restoreStudy(row: StudyRow) {
    await this.db.studies.put({ ...row, revision: row.revision + 1 });
    this.tell({ kind: 'shelf' });
  }
  async saveLog(entry: LogEntry) {
    await this.db.log.put(entry);
    this.tell({ kind: 'log' });
  }
  async deleteLog(id: string) {
    await this.db.log.delete(id);
    this.tell({ kind: 'log' });
  }
  async saveProfile(profile: HandProfile) {
    await this.db.profiles.put(profile);
    this.tell({ kind: 'shelf' });
  }
  async saveCycle(cycle: AccentCycle) {
    await this.db.cycles.put(cycle);
    this.tell({ kind: 'shelf' });
  }
  async deleteCycle(id: string) {
    await this.db.cycles.delete(id);
    this.tell({ kind: 'shelf' });
  }
  async saveCell(cell: OwnCell) {
    await this.db.cells.put(cell);
    this.tell({ kind: 'shelf' });
  }
  async deleteCell(id: string) {
    await this.db.cells.delete(id);
    this.tell({ kind: 'shelf' });
  }

  /** Puts imported things beside what is there: the same id is replaced, everything else stays. All or nothing. */
  async merge(c: {
    studies: readonly Study[];
    log: readonly LogEntry[];
    profiles: readonly HandProfile[];
    cycles: readonly AccentCycle[];
    cells: readonly OwnCell[];
  }) {
    const { studies, log, profiles, cycles, cells } = this.db;
    await this.db.transaction('rw', [studies, log, profiles, cycles, cells], async () => {
      const there = new Map(
        (await studies.bulkGet(c.studies.map((s) => s.id))).flatMap((r) => (r ? [[r.id, r.revision] as const] : [])),
      );
      const savedAt = new Date().toISOString();
      await studies.bulkPut(
        c.studies.map((study) => ({ id: study.id, revision: (there.get(study.id) ?? 0) + 1, savedAt, study })),
      );
      await log.bulkPut([...c.log]);
      await profiles.bulkPut([...c.profiles]);
      await cycles.bulkPut([...c.cycles]);
      await cells.bulkPut([...c.cells]);
    });
    this.tell({ kind: 'shelf' });
  }

  /** Everything as stored, unchecked, to be able to undo a clearing. */
  async clear(): Promise<() => Promise<void>> {
    const { studies, log, profiles, cycles, cells } = this.db;
    const tables = [studies, log, profiles, cycles, cells] as unknown as Table<unknown, string>[];
    const kept = await this.db.transaction('rw', tables, async () => {
      const rows = await Promise.all(tables.map((t) => t.toArray()));
      await Promise.all(tables.map((t) => t.clear()));
      return rows;
    });
    this.tell({ kind: 'shelf' });
    return async () => {
      await this.db.transaction('rw', tables, async () => {
        await Promise.all(tables.map((t, i) => t.bulkPut(kept[i] ?? [])));
      });
      this.tell({ kind: 'shelf' });
    };
  }
}
