/**
 * The journal that is written with every gesture, in tables of its own. A record is handed to the browser within the
 * task that asks for it and committed there: nothing of it waits for this page, which may be gone or busy.
 */
export interface Noted {
  readonly tab: string;
  readonly key: string;
  /** The later of two of one tab has the higher number. */
  readonly n: number;
  readonly operation: unknown;
}
const TABLE = 'noted';

export class QuickJournal {
  private database: IDBDatabase | null = null;
  private waiting: (() => void)[] = [];
  private readonly opened: Promise<void>;

  constructor(name: string) {
    this.opened = new Promise((resolve) => {
      const gone = () => {
        this.waiting = [];
        resolve();
      };
      try {
        const asked = indexedDB.open(`${name} journal`, 1);
        asked.onupgradeneeded = () => asked.result.createObjectStore(TABLE, { keyPath: ['tab', 'key'] });
        asked.onerror = gone;
        asked.onsuccess = () => {
          this.database = asked.result;
          this.database.onversionchange = () => this.database?.close();
          for (const write of this.waiting.splice(0)) write();
          resolve();
        };
      } catch {
        gone();
      }
    });
  }

  note(noted: Noted) {
    this.write((table) => table.put(noted));
  }
  end(tab: string, key: string) {
    this.write((table) => table.delete([tab, key]));
  }
  /** What a tab has noted goes, all of it. */
  endAll(tab: string) {
    this.write((table) => table.delete(IDBKeyRange.bound([tab], [tab, []])));
  }
  /** Everything noted, in the order in which it was. Nothing where the tables can't be read. */
  async all(): Promise<Noted[]> {
    await this.opened;
    return new Promise((resolve) => {
      try {
        const asked = this.database?.transaction(TABLE, 'readonly').objectStore(TABLE).getAll();
        if (!asked) return resolve([]);
        asked.onsuccess = () => resolve((asked.result as Noted[]).sort((a, b) => a.n - b.n));
        asked.onerror = () => resolve([]);
      } catch {
        resolve([]);
      }
    });
  }

  /** What can't be noted is no fault: the operation itself is on its way, and says what becomes of it. */
  private write(act: (table: IDBObjectStore) => void) {
    if (!this.database) {
      this.waiting.push(() => this.write(act));
      return;
    }
    try {
      const transaction = this.database.transaction(TABLE, 'readwrite', { durability: 'relaxed' });
      transaction.onerror = (e) => e.preventDefault();
      act(transaction.objectStore(TABLE));
      // Without this the commit would wait for this page's next turn.
      transaction.commit();
    } catch {
      // Refused: nothing is noted.
    }
  }
}
