/**
 * Reads and checks what is stored and what comes in as a file, a portion at a time. It runs in a worker, so that the
 * page never waits for the schema library; where there are no workers, in the page itself.
 */
import { type Collection, type DataFault, type FileReading, KEPT, type Kept } from '@ruffle-wheel/core';
import { mendRow, readFile, refuseByLetters, refuseBySize } from '@ruffle-wheel/core/format';
import { Database } from './database';
import { faultOf, readRow, readSettingsRow } from './door';
import type { DamagedRow, Settings } from './rows';

export interface Portion {
  readonly rows: readonly unknown[];
  readonly damaged: readonly DamagedRow[];
  /** Key behind which the next portion begins; null at the end of the table. */
  readonly next: string | null;
}
export type FileLook =
  { readonly ok: true; readonly sizes: Readonly<Record<Kept, number>> } | Extract<FileReading, { readonly ok: false }>;
/** What a refused row says once it was mended. */
export type Mending =
  { readonly ok: true; readonly row: unknown; readonly changes: readonly DataFault[] } | { readonly ok: false };

/** Rows of one portion. */
const PORTION = 400;

export class Keeper {
  private database: Database | null = null;
  private taken: Collection | null = null;

  /** Names the database that is read. */
  open(name: string) {
    this.database = new Database(name);
  }
  private get db(): Database {
    if (!this.database) throw new Error('The keeper was not told which database to read.');
    return this.database;
  }

  async settings(): Promise<{ readonly there: boolean; readonly settings: Settings | null }> {
    await this.db.awake();
    const row = await this.db.settings.get('player');
    return { there: row !== undefined, settings: row === undefined ? null : readSettingsRow(row) };
  }
  /** The next portion of a table, by key. */
  async portion(table: Kept, after: string | null): Promise<Portion> {
    await this.db.awake();
    const rows = this.db.shelf(table);
    const here = () => (after === null ? rows.orderBy(':id') : rows.where(':id').above(after)).limit(PORTION);
    const [found, keys] = await this.db.transaction('r', rows, () =>
      Promise.all([here().toArray(), here().primaryKeys()]),
    );
    return { ...this.checked(table, found, keys), next: found.length < PORTION ? null : (keys.at(-1) ?? null) };
  }
  /** Single rows of a table; those that are not there are left out. */
  async some(table: Kept, ids: readonly string[]): Promise<Portion> {
    await this.db.awake();
    const found = await this.db.shelf(table).bulkGet([...ids]);
    const there = found.flatMap((row, n) => (row === undefined ? [] : [{ row, key: ids[n] ?? '' }]));
    const passed = this.checked(
      table,
      there.map((t) => t.row),
      there.map((t) => t.key),
    );
    return { ...passed, next: null };
  }
  private checked(table: Kept, rows: readonly unknown[], keys: readonly string[]) {
    const passed: unknown[] = [];
    const damaged: DamagedRow[] = [];
    rows.forEach((row, n) => {
      const read = readRow(table, row);
      if (read.ok) passed.push(read.value);
      else {
        const fault = read.faults[0];
        damaged.push({ table, id: keys[n] ?? '?', fault: fault ?? null });
      }
    });
    return { rows: passed, damaged };
  }
  /** What speaks against rows that are to be written, by their places. */
  faults(rows: readonly { readonly table: Kept; readonly row: unknown }[]): readonly DataFault[] {
    return rows.flatMap(({ table, row }) => faultOf(table, row) ?? []);
  }
  /** Makes a refused row one that passes, with as little changed as can be; nothing is written. */
  async mend(table: Kept, id: string): Promise<Mending> {
    const raw = (await this.db.shelf(table).get(id)) as { readonly study?: unknown } | undefined;
    const mended = mendRow(table, table === 'studies' ? raw?.study : raw);
    if (!mended) return { ok: false };
    // A row under another id than its study becomes the study of its own id's place.
    const row = { ...(mended.row as object), id };
    return { ok: true, row, changes: mended.changes };
  }

  /** Asked before a byte of a file is read; null when its size is no obstacle. */
  refusalOf(bytes: number): Extract<FileReading, { readonly ok: false }> | null {
    const refusal = refuseBySize(bytes);
    return refusal && !refusal.ok ? refusal : null;
  }
  /** Reads a file whole and keeps what passed, to be fetched portion by portion. */
  async look(file: Blob): Promise<FileLook> {
    this.taken = null;
    let text: string;
    try {
      text = decoded(new Uint8Array(await file.arrayBuffer()));
    } catch {
      return refuseByLetters() as Extract<FileReading, { ok: false }>;
    }
    const reading = readFile(text);
    if (!reading.ok) return reading;
    this.taken = reading.file;
    const { file: read } = reading;
    const sizes = Object.fromEntries(KEPT.map((list) => [list, read[list].length])) as Record<Kept, number>;
    return { ok: true, sizes };
  }
  part(list: Kept, from: number): readonly unknown[] {
    return this.taken?.[list].slice(from, from + PORTION) ?? [];
  }
}
/** @throws TypeError when the bytes are no text in the encoding that they claim */
function decoded(bytes: Uint8Array): string {
  const wide =
    bytes[0] === 0xff && bytes[1] === 0xfe ? 'utf-16le' : bytes[0] === 0xfe && bytes[1] === 0xff ? 'utf-16be' : null;
  return new TextDecoder(wide ?? 'utf-8', { fatal: true }).decode(bytes);
}
