import { inject, Injectable, signal } from '@angular/core';
import { KEPT, type Kept } from '@ruffle-wheel/core';
import { Subject } from 'rxjs';
import { NoAnswer } from './storage-refusal';
import { Database } from './database';
import { DATABASE_NAME } from './database-name';
import type { Portion } from './keeper';
import { Keeping } from './keeping';
import type { Outcome, Stored } from './outcome';
import { isPlace, isPlacedRow, type Operation, rowOf, type StudyEdit } from './operations';
import {
  type BinEntry,
  isBinEntry,
  isTypedRow,
  type BinnedRow,
  type DamagedRow,
  DEFAULT_SETTINGS,
  OPTIONAL_SETTINGS,
  OWN_TO_A_TAB,
  type Place,
  type PlacedRow,
  revisionOf,
  same,
  type Settings,
  type Shelf,
  type StudyRow,
  type TypedRow,
  type UnsettledRow,
} from './rows';
import { newId } from './new-id';

/** More rows than these are not named one by one: everything is read again. */
const MOST_NAMED = 60;
/** Texts of panels kept. */
const MOST_TYPED = 400;
/** Rows put between two turns of the page. */
const PORTION = 200;

/** The only way to the tables. What is read goes through its door, what is written too; other tabs hear of it. */
@Injectable({ providedIn: 'root' })
export class Store {
  private readonly name = inject(DATABASE_NAME);
  private readonly keeping = inject(Keeping);
  private readonly db = new Database(this.name);
  private readonly channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel(this.name);
  private readonly heard = new Subject<Stored>();
  /** What other tabs have stored. */
  readonly elsewhere = this.heard.asObservable();
  /** This tab, among those that are open. */
  readonly tab = newId();

  /** Another tab, window or program holds the tables, so that they can't be opened. */
  readonly held = signal(false);

  constructor() {
    this.db.on('blocked', () => this.held.set(true));
    this.db.on('ready', () => this.held.set(false));
    if (this.channel)
      this.channel.onmessage = ({ data }: MessageEvent<Partial<Stored>>) =>
        // A tab with another state of the program may say less.
        this.heard.next({ ...data, places: data.places ?? null });
  }
  private tell(stored: Stored) {
    const named = stored.places && stored.places.length > MOST_NAMED ? null : stored.places;
    this.channel?.postMessage({ ...stored, places: named });
  }

  /** A table portion by portion; the page has its turn between them. */
  async *read<T extends Kept>(table: T): AsyncGenerator<{ rows: Shelf[T][]; damaged: readonly DamagedRow[] }> {
    let after: string | null = null;
    do {
      const from: string | null = after;
      const portion: Portion = await this.keeping.ask((k) => k.portion(table, from));
      yield { rows: portion.rows as Shelf[T][], damaged: portion.damaged };
      after = portion.next;
    } while (after !== null);
  }
  /** Rows by their ids; those that are gone are left out. */
  async some(
    table: Kept,
    ids: readonly string[],
  ): Promise<{ rows: PlacedRow['row'][]; damaged: readonly DamagedRow[] }> {
    const portion = await this.keeping.ask((k) => k.some(table, ids));
    return { rows: portion.rows as PlacedRow['row'][], damaged: portion.damaged };
  }
  async readStudy(id: string): Promise<StudyRow | null> {
    return ((await this.some('studies', [id])).rows[0] as StudyRow | undefined) ?? null;
  }
  /** @returns settings with whether any were stored; what is not whole gives way to defaults */
  async readSettings(): Promise<{ readonly there: boolean; readonly settings: Settings }> {
    const { there, settings } = await this.keeping.ask((k) => k.settings());
    return { there, settings: settings ?? { ...DEFAULT_SETTINGS, seeded: there } };
  }
  /** Bin entries that are whole, the latest first. */
  async readBin(): Promise<BinEntry[]> {
    await this.db.awake();
    return (await this.db.bin.orderBy('at').reverse().toArray()).filter(isBinEntry);
  }
  /** Versions that wait for a choice; one that its door refuses stays stored and is not offered. */
  async readUnsettled(): Promise<UnsettledRow[]> {
    await this.db.awake();
    const rows = await this.db.unsettled.toArray();
    const whole = await Promise.all(
      rows.map(async ({ id, mine }) => {
        const row: StudyRow = { id, revision: 0, savedAt: '', study: mine };
        return (await this.keeping.ask((k) => k.faults([{ table: 'studies', row }]))).length === 0;
      }),
    );
    return rows.filter((_, n) => whole[n]);
  }
  /** Whether the tables of the shelf were read and found empty. @throws what the storage throws when it refuses */
  async isEmpty(): Promise<boolean> {
    await this.db.awake();
    return this.foundEmpty();
  }
  private async foundEmpty(): Promise<boolean> {
    const counts = await Promise.all(KEPT.map((table) => this.db.shelf(table).count()));
    return counts.every((n) => n === 0);
  }
  /** What was typed into panels, those rows that are whole. */
  async readTyped(): Promise<TypedRow[]> {
    return (await this.db.typed.toArray()).filter(isTypedRow);
  }
  /** A row as it is stored, whatever it is: to be exported as it is. */
  raw(table: Kept, id: string): Promise<unknown> {
    return this.db.shelf(table).get(id);
  }

  /**
   * Does one operation, whole or not at all.
   * @throws what the storage throws when it refuses
   */
  async perform(operation: Operation): Promise<Outcome> {
    await this.db.awake();
    const refused = await this.refusal(operation);
    if (refused) return { ok: false, refused };
    switch (operation.kind) {
      case 'study':
        return this.edit(operation);
      case 'row':
        await this.db.shelf(operation.table).put(operation.row);
        this.tell({ places: [{ table: operation.table, id: operation.row.id }] });
        return { ok: true };
      case 'settings':
        await this.putSettings(operation.change);
        return { ok: true };
      case 'typed':
        await this.putTyped(operation);
        return { ok: true };
      case 'exchange':
        return this.exchange(operation);
      case 'put back':
        return { ok: true, ...(await this.putBack(operation.id)) };
      case 'settle':
        return { ok: true, revisions: await this.settle(operation) };
    }
  }

  /** What an operation would write, put to its own door first. */
  private async refusal(operation: Operation): Promise<string | null> {
    const rows =
      operation.kind === 'row'
        ? [operation]
        : operation.kind === 'study'
          ? [{ table: 'studies' as const, row: rowOf(operation, 0) }]
          : operation.kind === 'settle' && operation.copy
            ? [{ table: 'studies' as const, row: operation.copy }]
            : operation.kind === 'exchange'
              ? operation.come
              : [];
    for (let from = 0; from < rows.length; from += PORTION) {
      const portion = rows.slice(from, from + PORTION).map(({ table, row }) => ({ table, row }));
      const faults = await this.keeping
        .ask((k) => k.faults(portion))
        .catch((e: unknown) => Promise.reject(new NoAnswer(e instanceof Error ? e.message : String(e))));
      if (faults[0]) return (await import('../words/said/refusals')).sayDataFault(faults[0]);
    }
    return null;
  }

  private async edit(edit: StudyEdit): Promise<Outcome> {
    const { studies, unsettled } = this.db;
    const { id } = edit.study;
    const outcome = await this.db.transaction('rw', studies, unsettled, async (): Promise<Outcome> => {
      const there = await studies.get(id);
      const now = revisionOf(there);
      const onIt =
        now === edit.base.revision || (there?.savedAt !== undefined && there.savedAt === edit.base.orSavedAt);
      if (!onIt && !(there && same(there.study, edit.study))) {
        await unsettled.put({ key: this.unsettledKey(id), id, mine: edit.study });
        return { ok: false, theirs: there ?? null };
      }
      const row = rowOf(edit, now + 1);
      await studies.put(row);
      // What waited for a choice is what is stored now.
      await unsettled.delete(this.unsettledKey(id));
      return { ok: true, row };
    });
    if (outcome.ok) this.tell({ places: [{ table: 'studies', id }] });
    return outcome;
  }
  /** Under which this tab keeps its version of a study. */
  unsettledKey(id: string): string {
    return `${id} ${this.tab}`;
  }

  private async putSettings(change: Partial<Settings>) {
    await this.db.transaction('rw', this.db.settings, async () => {
      const there = await this.db.settings.get('player');
      const known = Object.entries(change).filter(
        ([name]) => name in DEFAULT_SETTINGS || OPTIONAL_SETTINGS.some((own) => own === name),
      );
      await this.db.settings.put({ ...DEFAULT_SETTINGS, ...there, ...Object.fromEntries(known), key: 'player' });
    });
    const shared = Object.fromEntries(
      Object.entries(change).filter(([name]) => !OWN_TO_A_TAB.includes(name as keyof Settings)),
    ) as Partial<Settings>;
    if (Object.keys(shared).length) this.tell({ places: [], settings: shared });
  }

  private async putTyped({ key, text, at }: Extract<Operation, { kind: 'typed' }>) {
    const { typed } = this.db;
    await this.db.transaction('rw', typed, async () => {
      if (text === '') return typed.delete(key);
      await typed.put({ key, text, at });
      const over = (await typed.count()) - MOST_TYPED;
      // What has been left alone longest goes: its section may be gone too.
      if (over > 0) await typed.bulkDelete(await typed.orderBy('at').limit(over).primaryKeys());
    });
  }

  private async exchange(operation: Extract<Operation, { kind: 'exchange' }>): Promise<Outcome> {
    const { come, go, ifEmpty } = operation;
    const { bin, binned } = this.db;
    const touched = [...come.map((c) => ({ table: c.table, id: c.row.id })), ...go];
    const revisions = await this.db.transaction('rw', [bin, binned, ...this.db.shelves], async () => {
      if (ifEmpty && !(await this.foundEmpty())) return null;
      // Done already by a tab that was left before it heard so.
      if (await bin.get(operation.id)) return new Map<string, number>();
      return this.exchangeWithin(operation, come, go);
    });
    // Nothing came: what was shown of it goes again.
    if (!revisions) return { ok: true, touched };
    this.tell({ places: touched, bin: true });
    return { ok: true, revisions };
  }
  private async exchangeWithin(
    { id, at, what, name }: Pick<BinEntry, 'id' | 'at' | 'what' | 'name'>,
    come: readonly PlacedRow[],
    go: readonly Place[],
  ): Promise<ReadonlyMap<string, number>> {
    const { bin, binned } = this.db;
    const revisions = new Map<string, number>();
    let rows = 0;
    const came: Place[] = [];
    for (const table of KEPT) {
      const incoming = come.filter((c) => c.table === table).map((c) => c.row);
      const keys = [...incoming.map((r) => r.id), ...go.filter((g) => g.table === table).map((g) => g.id)];
      for (let from = 0; from < keys.length; from += PORTION) {
        const portion = keys.slice(from, from + PORTION);
        const before = await this.db.shelf(table).bulkGet(portion);
        const gone = before.flatMap((row): BinnedRow[] => (row === undefined ? [] : [{ entry: id, table, row }]));
        rows += gone.length;
        if (gone.length) await binned.bulkAdd(gone);
        before.forEach((row, n) => {
          const key = portion[n];
          if (row === undefined && key !== undefined) came.push({ table, id: key });
        });
        const put = incoming.slice(from, from + PORTION).map((row) => {
          if (table !== 'studies') return row;
          const there = before[portion.indexOf(row.id)] as Partial<StudyRow> | undefined;
          const revision = revisionOf(there) + 1;
          revisions.set(row.id, revision);
          return { ...(row as StudyRow), revision };
        });
        if (put.length) await this.db.shelf(table).bulkPut(put);
        await this.db.shelf(table).bulkDelete(portion.slice(Math.max(0, incoming.length - from)));
      }
    }
    const coming = new Set(come.map((c) => `${c.table} ${c.row.id}`));
    const kept = came.filter((c) => coming.has(`${c.table} ${c.id}`));
    if (rows || kept.length) await bin.put({ id, at, what, name, rows, came: kept });
    return revisions;
  }

  /**
   * Rows of a bin entry go back; what stands in their places by then goes to the bin in its turn. What is no row of any
   * table stays in the bin; what its door refuses goes back as it was stored, to be mended there.
   */
  private async putBack(id: string): Promise<{ readonly touched: readonly Place[]; readonly stayed: number }> {
    const { bin, binned } = this.db;
    const touched: Place[] = [];
    let stayed = 0;
    await this.db.transaction('rw', [bin, binned, ...this.db.shelves], async () => {
      const entry = await bin.get(id);
      if (!entry) return;
      const rows = await binned.where('entry').equals(id).toArray();
      const whole = rows.filter((r) => isPlacedRow(r));
      stayed = rows.length - whole.length;
      await binned.bulkDelete(whole.flatMap((r) => r.n ?? []));
      if (stayed) await bin.put({ ...entry, rows: stayed, came: [] });
      else await bin.delete(id);
      const come = whole.map((r) => ({ table: r.table, row: r.row }) as PlacedRow);
      const came = Array.isArray(entry.came) ? entry.came.filter(isPlace) : [];
      const name = String(entry.name);
      const other = { id: newId(), at: new Date().toISOString(), what: 'replaced' as const, name };
      await this.exchangeWithin(other, come, came);
      // What was only put back where nothing stood is no act of its own.
      const made = await bin.get(other.id);
      if (made && made.rows === 0) await bin.delete(other.id);
      touched.push(...come.map((c) => ({ table: c.table, id: c.row.id })), ...came);
    });
    this.tell({ places: touched, bin: true });
    return { touched, stayed };
  }

  private async settle({ key, id, at, name, copy }: Extract<Operation, { kind: 'settle' }>) {
    const { studies, unsettled, bin, binned } = this.db;
    const revisions = new Map<string, number>();
    await this.db.transaction('rw', studies, unsettled, bin, binned, async () => {
      const there = await unsettled.get(key);
      if (copy) {
        const revision = revisionOf(await studies.get(copy.id)) + 1;
        revisions.set(copy.id, revision);
        await studies.put({ ...copy, revision });
      } else if (there) {
        // Put back, mine is a study of its own beside theirs.
        const own = newId();
        const row: StudyRow = { id: own, revision: 1, savedAt: at, study: { ...there.mine, id: own } };
        await binned.add({ entry: own, table: 'studies', row });
        await bin.put({ id: own, at, what: 'other version', name, rows: 1, came: [] });
      }
      await unsettled.delete(key);
    });
    this.tell({ places: copy ? [{ table: 'studies', id: copy.id }] : [{ table: 'studies', id }], bin: true });
    return revisions;
  }

  /** Deletes bin entries for good. */
  async emptyBin(ids: readonly string[]) {
    await this.db.transaction('rw', this.db.bin, this.db.binned, async () => {
      await this.db.binned
        .where('entry')
        .anyOf([...ids])
        .delete();
      await this.db.bin.bulkDelete([...ids]);
    });
    this.tell({ places: [], bin: true });
  }
}
