import { computed, inject, Injectable, signal } from '@angular/core';
import {
  type AccentCycle,
  type Cell,
  CELLS,
  CYCLES,
  DEFAULT_PROFILE,
  type HandProfile,
  KEPT,
  type Kept,
  type Course,
  type Goal,
  type LogEntry,
  type OwnCell,
  type SessionPlan,
  type Study,
  type TakeRecord,
} from '@ruffle-wheel/core';
import { Subject } from 'rxjs';
import {
  type Base,
  type BinEntry,
  type BinKind,
  type DamagedRow,
  DEFAULT_SETTINGS,
  type Done,
  foreseen,
  type Operation,
  type Place,
  type PlacedRow,
  type Row,
  type Settings,
  type Shelf,
  Store,
  type StudyRow,
  Writes,
} from '../data';
import { newId } from '../data/new-id';
import type { Change, Conflict } from './change';
import { SORTED } from './sorted-rows';

const DAY_MS = 86_400_000;
/** What was deleted or replaced can be put back for so long. */
export const BIN_DAYS = 60;

/** The rows of every table. */
export type Held = { readonly [T in Kept]: readonly Shelf[T][] };
const now = () => new Date().toISOString();

/**
 * All that the player keeps, held as signals. A gesture shows at once and is stored by the one path of writes; what
 * storage refuses stays here, and in every export, until it is stored.
 */
@Injectable({ providedIn: 'root' })
export class Collection {
  private readonly store = inject(Store);
  private readonly writes = inject(Writes);
  readonly studies = signal<readonly StudyRow[]>([]);
  readonly log = signal<readonly LogEntry[]>([]);
  readonly profiles = signal<readonly HandProfile[]>([]);
  readonly ownCycles = signal<readonly AccentCycle[]>([]);
  readonly ownCells = signal<readonly OwnCell[]>([]);
  readonly goals = signal<readonly Goal[]>([]);
  readonly courses = signal<readonly Course[]>([]);
  readonly plans = signal<readonly SessionPlan[]>([]);
  readonly takes = signal<readonly TakeRecord[]>([]);
  readonly damaged = signal<readonly DamagedRow[]>([]);
  readonly bin = signal<readonly BinEntry[]>([]);
  readonly conflicts = signal<readonly Conflict[]>([]);
  readonly settings = signal<Settings>(DEFAULT_SETTINGS);
  /** The log is read after everything else: it may be long. */
  readonly logRead = signal(false);
  /** Shipped cells and own ones. */
  readonly cells = computed((): readonly Cell[] => [...CELLS, ...this.ownCells()]);
  readonly cycles = computed(() => [...CYCLES, ...this.ownCycles()]);
  readonly profile = computed(
    () => this.profiles().find((p) => p.id === this.settings().profileId) ?? this.profiles()[0] ?? DEFAULT_PROFILE,
  );
  /** The tables have not answered yet. */
  readonly opening = signal(false);
  /** Another tab, window or program holds them. */
  readonly held = this.store.held.asReadonly();
  private readonly left = new Subject<number>();
  /** So many rows of a bin entry could not be put back and stay in it. */
  readonly leftInBin = this.left.asObservable();
  private readonly altered = new Subject<Change>();
  readonly changed = this.altered.asObservable();
  /** Rows of acts of this session, so that they show at once when they are taken back. */
  private readonly actRows = new Map<
    string,
    { readonly rows: readonly PlacedRow[]; readonly came: readonly Place[] }
  >();
  private readonly signals = {
    studies: this.studies,
    log: this.log,
    profiles: this.profiles,
    cycles: this.ownCycles,
    cells: this.ownCells,
    goals: this.goals,
    courses: this.courses,
    plans: this.plans,
    takes: this.takes,
  };
  /** All that is kept, table by table, as it stands now. */
  whole(): Held {
    return Object.fromEntries(KEPT.map((table) => [table, this.signals[table]()])) as unknown as Held;
  }

  constructor() {
    this.store.elsewhere.subscribe(({ places, settings, bin }) => {
      if (settings) this.settings.update((s) => ({ ...s, ...settings }));
      if (bin) void this.readAside();
      if (places === null) void this.reload().then(() => this.altered.next({ places, elsewhere: true }));
      else if (places.length) void this.refresh(places).then(() => this.altered.next({ places, elsewhere: true }));
    });
    this.writes.done.subscribe((done) => void this.written(done));
  }

  // Reading

  /** Reads settings and everything but the log; that follows, portion by portion. */
  async load() {
    const { settings } = await this.store.readSettings();
    this.settings.set(settings);
    await this.writes.takeUp();
    await Promise.all([...KEPT.filter((t) => t !== 'log').map((t) => this.readTable(t)), this.readAside()]);
    void this.forgetOld();
    this.readingLog = this.readTable('log').then(() => this.logRead.set(true));
  }
  private readingLog: Promise<void> = Promise.resolve();
  /** Until the whole log is here, or can't be read. */
  async wholeLog(): Promise<void> {
    await this.readingLog.catch(() => undefined);
  }
  async reload() {
    await Promise.all([...KEPT.map((t) => this.readTable(t)), this.readAside()]);
    this.logRead.set(true);
  }
  private async readTable(table: Kept) {
    const rows: Row[] = [];
    const damaged: DamagedRow[] = [];
    for await (const portion of this.store.read(table)) {
      // One by one: a portion's rows as arguments would have a limit.
      for (const row of portion.rows) rows.push(row);
      damaged.push(...portion.damaged);
    }
    this.hold(table, this.writes.overlay(table, rows));
    this.damaged.update((list) => [...list.filter((d) => d.table !== table), ...damaged]);
  }
  private hold(table: Kept, rows: readonly Row[]) {
    this.signals[table].set([...rows].sort(SORTED[table]) as never);
  }
  private async readAside() {
    this.bin.set(await this.store.readBin());
    this.conflicts.set((await this.store.readUnsettled()).map(({ key, id, mine }) => ({ key, id, mine })));
  }
  /** Reads single rows again. */
  private async refresh(places: readonly Place[]) {
    for (const table of KEPT) {
      const ids = [...new Set(places.flatMap((p) => (p.table === table ? [p.id] : [])))];
      if (ids.length === 0) continue;
      const { rows, damaged } = await this.store.some(table, ids);
      const gone = new Set(ids);
      const others = (this.signals[table]() as readonly Row[]).filter((r) => !gone.has(r.id));
      this.hold(table, this.writes.overlay(table, [...others, ...rows]));
      this.damaged.update((list) => [...list.filter((d) => d.table !== table || !gone.has(d.id)), ...damaged]);
    }
  }
  row(id: string): StudyRow | null {
    return this.studies().find((r) => r.id === id) ?? null;
  }

  /** Rows from elsewhere while the tables don't answer: seen, heard, and not written. */
  showUnstored(rows: readonly PlacedRow[]) {
    this.show(rows.map((p) => ({ table: p.table, id: p.row.id, row: p.row })));
  }
  /** A study's row as it was just read. */
  takeRow(row: StudyRow) {
    this.show([{ table: 'studies', id: row.id, row }]);
  }

  // Writing

  private put(operation: Operation) {
    this.show(foreseen(operation));
    this.writes.put(operation);
  }
  private show(changes: readonly (Place & { readonly row: Row | null })[]) {
    for (const table of KEPT) {
      const here = changes.filter((c) => c.table === table);
      if (here.length === 0) continue;
      const ids = new Set(here.map((c) => c.id));
      const others = (this.signals[table]() as readonly Row[]).filter((r) => !ids.has(r.id));
      const rows = here.flatMap((c) => (c.row ? [c.row] : []));
      this.hold(table, [...others, ...rows]);
    }
  }
  private async written({ operation, outcome }: Done) {
    if (operation.kind === 'study') {
      const { id } = operation.study;
      if (outcome.ok && outcome.row) {
        const { revision } = outcome.row;
        this.studies.update((rows) => rows.map((r) => (r.id === id ? { ...r, revision } : r)));
        const settled = this.store.unsettledKey(id);
        if (this.conflicts().some((c) => c.key === settled))
          this.conflicts.update((list) => list.filter((c) => c.key !== settled));
      } else if (!outcome.ok && 'theirs' in outcome) {
        const conflict = { key: this.store.unsettledKey(id), id, mine: operation.study };
        this.conflicts.update((list) => [...list.filter((c) => c.key !== conflict.key), conflict]);
      }
    }
    // What was shown of it before it was done is taken back to what is stored; a table that does not answer stays as seen.
    if (!outcome.ok && 'failed' in outcome)
      await this.reload().then(
        () => this.altered.next({ places: null, elsewhere: false }),
        () => undefined,
      );
    if (!outcome.ok) return;
    const { revisions, touched, stayed } = outcome;
    if (revisions?.size)
      this.studies.update((rows) => rows.map((r) => ({ ...r, revision: revisions.get(r.id) ?? r.revision })));
    if (touched) {
      await this.refresh(touched);
      this.altered.next({ places: touched, elsewhere: false });
    }
    if (stayed) this.left.next(stayed);
    if (operation.kind === 'exchange' || operation.kind === 'put back' || operation.kind === 'settle')
      await this.readAside();
  }
  /** Until everything is stored, or storage has refused. */
  settled(): Promise<void> {
    return this.writes.settled();
  }

  /** Changes settings; other tabs hear of what holds there too. */
  set(change: Partial<Settings>) {
    const before = this.settings();
    const names = Object.keys(change) as (keyof Settings)[];
    if (names.every((n) => before[n] === change[n])) return;
    this.settings.set({ ...before, ...change });
    this.writes.put({ kind: 'settings', change });
  }
  /** A study as it was edited. @param base what the edit was made on */
  saveStudy(study: Study, base: Base) {
    this.put({ kind: 'study', study, savedAt: now(), base });
  }
  addStudy(study: Study) {
    this.saveStudy(study, { revision: 0 });
  }
  saveLog(entry: LogEntry) {
    this.put({ kind: 'row', table: 'log', row: entry });
  }
  saveGoal(goal: Goal) {
    this.put({ kind: 'row', table: 'goals', row: goal });
  }
  saveCourse(course: Course) {
    this.put({ kind: 'row', table: 'courses', row: course });
  }
  savePlan(plan: SessionPlan) {
    this.put({ kind: 'row', table: 'plans', row: plan });
  }
  saveProfile(profile: HandProfile) {
    this.put({ kind: 'row', table: 'profiles', row: profile });
  }
  saveCycle(cycle: AccentCycle) {
    this.put({ kind: 'row', table: 'cycles', row: cycle });
  }
  saveCell(cell: OwnCell) {
    this.put({ kind: 'row', table: 'cells', row: cell });
  }

  /**
   * Rows come, rows go, and what stood in their places can be put back.
   * @returns the way back
   */
  exchange(
    what: BinKind,
    name: string,
    come: readonly PlacedRow[],
    go: readonly Place[],
    more: { readonly ifEmpty?: true } = {},
  ): () => void {
    const id = newId();
    const places = [...go, ...come.map((c): Place => ({ table: c.table, id: c.row.id }))];
    const rows: PlacedRow[] = [];
    const came: Place[] = [];
    for (const table of KEPT) {
      const held = new Map((this.signals[table]() as readonly Row[]).map((r) => [r.id, r]));
      for (const place of places.filter((p) => p.table === table)) {
        const row = held.get(place.id);
        if (row) rows.push({ table, row } as PlacedRow);
        else came.push(place);
      }
    }
    this.actRows.set(id, { rows, came });
    const touched = new Set(places.map((p) => `${p.table} ${p.id}`));
    this.damaged.update((list) => list.filter((d) => !touched.has(`${d.table} ${d.id}`)));
    this.put({ kind: 'exchange', id, at: now(), what, name: name.slice(0, 120), come, go, ...more });
    this.altered.next({ places, elsewhere: false });
    return () => this.putBack(id);
  }
  private remove(what: BinKind, name: string, table: Kept, id: string): () => void {
    return this.exchange(what, name, [], [{ table, id }]);
  }
  deleteStudy(id: string): () => void {
    return this.remove('deleted', this.row(id)?.study.name ?? id, 'studies', id);
  }
  deleteLog(entry: LogEntry): () => void {
    return this.remove('deleted', `${entry.studyName} · ${entry.sectionName}`, 'log', entry.id);
  }
  deleteGoal(goal: Goal): () => void {
    return this.remove('deleted', goal.name, 'goals', goal.id);
  }
  deleteCourse(course: Course): () => void {
    return this.remove('deleted', course.name, 'courses', course.id);
  }
  deleteProfile(profile: HandProfile): () => void {
    return this.remove('deleted', profile.name, 'profiles', profile.id);
  }
  deleteCycle(cycle: AccentCycle): () => void {
    return this.remove('deleted', cycle.name, 'cycles', cycle.id);
  }
  deleteCell(cell: OwnCell): () => void {
    return this.remove('deleted', cell.name, 'cells', cell.id);
  }
  /** Clears the whole shelf. @param name what the bin calls it */
  clear(name: string): () => void {
    const go = KEPT.flatMap((table) =>
      (this.signals[table]() as readonly Row[]).map((r): Place => ({ table, id: r.id })),
    );
    return this.exchange('cleared', name, [], go);
  }
  /** What was deleted or replaced goes back to where it was. */
  putBack(id: string) {
    const known = this.actRows.get(id);
    if (known) {
      this.actRows.delete(id);
      this.show([
        ...known.came.map((p) => ({ ...p, row: null })),
        ...known.rows.map((p) => ({ table: p.table, id: p.row.id, row: p.row })),
      ]);
    }
    this.writes.put({ kind: 'put back', id });
    if (!known) return;
    const places = [...known.came, ...known.rows.map((p) => ({ table: p.table, id: p.row.id }))];
    this.altered.next({ places, elsewhere: false });
  }
  private async forgetOld() {
    const limit = new Date(Date.now() - BIN_DAYS * DAY_MS).toISOString();
    const old = this.bin().filter((e) => e.at < limit);
    if (old.length) await this.emptyBin(old.map((e) => e.id)).catch(() => undefined);
  }
  async emptyBin(ids: readonly string[]) {
    await this.store.emptyBin(ids);
    await this.readAside();
  }

  /** The player keeps mine as a study, under its own id or another, or lets it go to the bin. */
  settle(conflict: Conflict, copy: Study | null) {
    const { key, id, mine } = conflict;
    const row = copy ? { id: copy.id, revision: 0, savedAt: now(), study: copy } : null;
    this.conflicts.update((list) => list.filter((c) => c.key !== key));
    this.put({ kind: 'settle', key, id, at: now(), name: mine.name, copy: row });
  }
}
