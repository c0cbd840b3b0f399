import { today } from '../data/today';
import { inject, Injectable } from '@angular/core';
import {
  copyStudy,
  type FileReading,
  KEPT,
  type Kept,
  LONGEST_ID,
  type LogEntry,
  type SaidDataFault,
  shiftLog,
  type Study,
} from '@ruffle-wheel/core';
import type { Place, PlacedRow } from '../data';
import { type Arrival, arrivalOf, type Meeting, rowsToTake } from '../data/arrival';
import { Keeping } from '../data/keeping';
import { shell as words } from '../words/shell';
import { Collection } from './collection';
import { newId } from '../data/new-id';

/** A file that was not taken, as the player is told. */
export interface Refusal {
  readonly ok: false;
  readonly code: string;
  readonly message: string;
  readonly faults: readonly SaidDataFault[];
}
async function said({ code, why, faults }: Extract<FileReading, { readonly ok: false }>): Promise<Refusal> {
  const { sayDataFaults, sayRefusal } = await import('../words/said/refusals');
  return { ok: false, code, message: sayRefusal(why), faults: sayDataFaults(faults) };
}
/** What an invented player has done and means to do; none of it is shown where nothing can be stored. */
const OF_A_PLAYER: ReadonlySet<Kept> = new Set(['log', 'goals', 'courses', 'plans', 'takes']);
/** The demo is off the shelf. */
export interface Removed {
  readonly ok: true;
  readonly stays: readonly PlacedRow[];
  readonly back: () => void;
}
export type ArrivalResult = { readonly ok: true; readonly arrival: Arrival } | Refusal;

/** What comes in from outside: looked at first, taken after the player has chosen, with a way back. */
@Injectable({ providedIn: 'root' })
export class Arrivals {
  private readonly keeping = inject(Keeping);
  private readonly collection = inject(Collection);

  private held() {
    return this.collection.whole();
  }

  /** Reads a file and compares it with the shelf; nothing is taken yet. */
  async look(file: Blob, name: string, log: (entries: LogEntry[]) => LogEntry[] = (l) => l): Promise<ArrivalResult> {
    const bySize = await this.keeping.ask((k) => k.refusalOf(file.size));
    if (bySize) return said(bySize);
    const look = await this.keeping.ask((k) => k.look(file));
    if (!look.ok) return said(look);
    const came: PlacedRow[] = [];
    const at = new Date().toISOString();
    for (const table of KEPT) {
      let rows: unknown[] = [];
      while (rows.length < look.sizes[table]) {
        const from = rows.length;
        const part = await this.keeping.ask((k) => k.part(table, from));
        if (part.length === 0) break;
        rows = rows.concat(part);
      }
      if (table === 'log') rows = log(rows as LogEntry[]);
      for (const row of rows)
        came.push(
          table === 'studies'
            ? { table, row: { id: (row as Study).id, revision: 0, savedAt: at, study: row as Study } }
            : ({ table, row } as PlacedRow),
        );
    }
    return this.compare(name, came);
  }
  /** What came some other way, compared with the shelf. */
  compare(name: string, came: readonly PlacedRow[]): ArrivalResult {
    return { ok: true, arrival: arrivalOf(name, came, this.held()) };
  }
  /** The demo data, their log moved so that it ends yesterday. */
  async lookAtDemo(): Promise<ArrivalResult> {
    const refusal = (why: string): Refusal => ({
      ok: false,
      code: 'not fetched',
      message: words.demo.failed(why),
      faults: [],
    });
    let response: Response;
    try {
      response = await fetch('demo/residency.json');
    } catch {
      return refusal(words.demo.noAnswer);
    }
    if (!response.ok) return refusal(String(response.status));
    return this.look(await response.blob(), words.demo.name, (log) => shiftLog(log, today()));
  }
  /** @returns what came in with the way back, or null when there was nothing to take */
  take(arrival: Arrival, how: Meeting): { readonly came: readonly PlacedRow[]; readonly back: () => void } | null {
    const come = rowsToTake(arrival, how, this.held(), () => newId());
    if (come.length === 0) return null;
    return { came: come, back: this.collection.exchange('replaced', arrival.from, come, []) };
  }
  /**
   * The invented players go with all that is theirs, in one step; what the player has made another of it stays.
   * @returns what stays and the way back; null where nothing of the demo is on the shelf
   */
  async removeDemo(): Promise<Removed | Refusal | null> {
    const result = await this.lookAtDemo();
    if (!result.ok) return result;
    const { from, alike, differing } = result.arrival;
    // Sessions are told again with other days each time; nobody edits them.
    const theirs = (p: PlacedRow) => OF_A_PLAYER.has(p.table);
    const go = [...alike, ...differing.filter(theirs)].map((p): Place => ({ table: p.table, id: p.row.id }));
    if (go.length === 0) return null;
    const stays = differing.filter((p) => !theirs(p));
    return { ok: true, stays, back: this.collection.exchange('cleared', from, [], go) };
  }
  /** On the very first start, with nothing stored at all, the demo data are brought; asked again as they are stored. */
  async seed(): Promise<Refusal | null> {
    const result = await this.lookAtDemo();
    if (!result.ok) return result;
    const { from, fresh } = result.arrival;
    this.collection.exchange('replaced', from, fresh, [], { ifEmpty: true });
    this.collection.set({ seeded: true, profileId: this.collection.profiles()[0]?.id ?? '' });
    return null;
  }
  /**
   * The demo data while the tables don't answer, so that there is something to play: nothing of them is written, and
   * under ids of their own none of them can take the place of a row that is there.
   */
  async showDemo(): Promise<void> {
    const result = await this.lookAtDemo();
    if (!result.ok) return;
    const rows = result.arrival.fresh.flatMap((placed): PlacedRow[] => {
      const id = `${placed.row.id}-${newId()}`.slice(-LONGEST_ID);
      if (OF_A_PLAYER.has(placed.table)) return [];
      if (placed.table !== 'studies') return [{ table: placed.table, row: { ...placed.row, id } } as PlacedRow];
      const { study } = placed.row;
      return [{ table: 'studies', row: { ...placed.row, id, study: copyStudy(study, id, study.name) } }];
    });
    this.collection.showUnstored(rows);
  }
}
