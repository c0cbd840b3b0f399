import { computed, inject, Injectable, signal } from '@angular/core';
import {
  type AccentCycle,
  type Cell,
  CELLS,
  CYCLES,
  DEFAULT_PROFILE,
  type HandProfile,
  type LogEntry,
  type OwnCell,
  shiftLog,
  type Study,
} from '@ruffle-wheel/core';
import { Store, type DamagedRow, DEFAULT_SETTINGS, type Settings, type StudyRow } from '../data';

export type ImportResult =
  | { readonly ok: true; readonly studies: number; readonly sessions: number; readonly first: string | null }
  | { readonly ok: false; readonly message: string; readonly faults: readonly { path: string; message: string }[] };

const newestFirst = (log: readonly LogEntry[]) => [...log].sort((a, b) => b.startedAt.localeCompare(a.startedAt));

/** All that the player keeps, held as signals and stored as it changes. */
@Injectable({ providedIn: 'root' })
export class Collection {
  private readonly store = inject(Store);
  readonly studies = signal<readonly StudyRow[]>([]);
  readonly log = signal<readonly LogEntry[]>([]);
  readonly profiles = signal<readonly HandProfile[]>([]);
  readonly ownCycles = signal<readonly AccentCycle[]>([]);
  readonly ownCells = signal<readonly OwnCell[]>([]);
  readonly damaged = signal<readonly DamagedRow[]>([]);
  readonly settings = signal<Settings>(DEFAULT_SETTINGS);
  /** Shipped cells and own ones. */
  readonly cells = computed((): readonly Cell[] => [...CELLS, ...this.ownCells()]);
  readonly cycles = computed(() => [...CYCLES, ...this.ownCycles()]);
  readonly profile = computed(
    () => this.profiles().find((p) => p.id === this.settings().profileId) ?? this.profiles()[0] ?? DEFAULT_PROFILE,
  );
  private settingsTimer: ReturnType<typeof setTimeout> | undefined;

  constructor() {
    this.store.elsewhere.subscribe((stored) => {
      if (stored.kind !== 'settings') void this.reload();
    });
  }

  /** Reads everything; on the very first start the demo data comes in through the import door. */
  async load() {
    this.settings.set(await this.store.readSettings());
    if (!this.settings().seeded) {
      await this.bringDemo();
      this.set({ seeded: true });
    } else await this.reload();
  }

  async reload() {
    const all = await this.store.readAll();
    this.studies.set(
      all.studies.sort((a, b) => b.savedAt.localeCompare(a.savedAt) || a.study.name.localeCompare(b.study.name)),
    );
    this.log.set(newestFirst(all.log));
    this.profiles.set(all.profiles);
    this.ownCycles.set(all.cycles);
    this.ownCells.set(all.cells);
    this.damaged.set(all.damaged);
  }

  /** A study saved by its own store: nothing needs to be read again. */
  takeSaved(row: StudyRow) {
    this.studies.update((rows) => [row, ...rows.filter((r) => r.id !== row.id)]);
  }

  /** Changes settings and stores them a moment later: sliders move in many small steps. */
  set(change: Partial<Settings>) {
    this.settings.update((s) => ({ ...s, ...change }));
    clearTimeout(this.settingsTimer);
    this.settingsTimer = setTimeout(() => void this.store.saveSettings(this.settings()), 150);
  }

  async bringDemo(): Promise<ImportResult> {
    const response = await fetch('demo/residency.json');
    if (!response.ok)
      return { ok: false, message: `The demo data could not be fetched (${response.status}).`, faults: [] };
    const today = new Date().toISOString().slice(0, 10);
    const result = await this.importText(await response.text(), (log) => shiftLog(log, today));
    if (result.ok && !this.settings().profileId) this.set({ profileId: this.profiles()[0]?.id ?? '' });
    return result;
  }

  /** Reads a file that the player chose; its size is asked before a byte of it is read. */
  async importFile(file: Blob): Promise<ImportResult> {
    const door = await import('../data/door');
    const tooLarge = door.refuseBySize(file.size);
    if (tooLarge && !tooLarge.ok) return tooLarge;
    return this.importText(await file.text());
  }

  private async importText(
    text: string,
    log: (entries: readonly LogEntry[]) => LogEntry[] = (l) => [...l],
  ): Promise<ImportResult> {
    const door = await import('../data/door');
    const reading = door.readFile(text);
    if (!reading.ok) return reading;
    const { file } = reading;
    await this.store.merge({ ...file, log: log(file.log) });
    await this.reload();
    return { ok: true, studies: file.studies.length, sessions: file.log.length, first: file.studies[0]?.id ?? null };
  }

  async exportEverything(): Promise<string> {
    const door = await import('../data/door');
    return door.writeEverything({
      studies: this.studies().map((r) => r.study),
      log: this.log(),
      profiles: this.profiles(),
      cycles: this.ownCycles(),
      cells: this.ownCells(),
    });
  }
  async exportStudy(study: Study): Promise<string> {
    const door = await import('../data/door');
    return door.writeStudy(study);
  }

  async addStudy(study: Study): Promise<void> {
    await this.store.saveStudy(study, 0);
    await this.reload();
  }
  /** Deletes a study; the function given back undoes it. */
  async deleteStudy(id: string): Promise<() => Promise<void>> {
    const row = this.studies().find((r) => r.id === id);
    await this.store.deleteStudy(id);
    await this.reload();
    return async () => {
      if (row) await this.store.restoreStudy(row);
      await this.reload();
    };
  }
  /** Clears studies, log, hands, cycles and cells; the function given back undoes it. */
  async clear(): Promise<() => Promise<void>> {
    const undo = await this.store.clear();
    await this.reload();
    return async () => {
      await undo();
      await this.reload();
    };
  }
  async saveLog(entry: LogEntry) {
    await this.store.saveLog(entry);
    this.log.update((log) => newestFirst([entry, ...log.filter((e) => e.id !== entry.id)]));
  }
  async deleteLog(entry: LogEntry): Promise<() => Promise<void>> {
    await this.store.deleteLog(entry.id);
    this.log.update((log) => log.filter((e) => e.id !== entry.id));
    return () => this.saveLog(entry);
  }
  async saveProfile(profile: HandProfile) {
    await this.store.saveProfile(profile);
    await this.reload();
  }
  async saveCycle(cycle: AccentCycle) {
    await this.store.saveCycle(cycle);
    await this.reload();
  }
  async deleteCycle(cycle: AccentCycle): Promise<() => Promise<void>> {
    await this.store.deleteCycle(cycle.id);
    await this.reload();
    return () => this.saveCycle(cycle);
  }
  async saveCell(cell: OwnCell) {
    await this.store.saveCell(cell);
    await this.reload();
  }
  async deleteCell(cell: OwnCell): Promise<() => Promise<void>> {
    await this.store.deleteCell(cell.id);
    await this.reload();
    return () => this.saveCell(cell);
  }
}
