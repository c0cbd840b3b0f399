import { inject, Injectable } from '@angular/core';
import { DATABASE_NAME } from './database-name';
import { isOperation, type Operation } from './operations';

/** Longer journals are refused by the browser's small storage: such work is asked about before a tab is left. */
const LONGEST_JOURNAL = 2_000_000;

/**
 * What a tab had not yet stored when it was left, written in the same instant: the tables answer later, and a page
 * that goes does not wait for them. The next start does it all again.
 */
@Injectable({ providedIn: 'root' })
export class Journal {
  private readonly prefix = `${inject(DATABASE_NAME)} not yet stored `;

  /** @returns whether it is written */
  write(tab: string, operations: readonly Operation[]): boolean {
    try {
      if (operations.length === 0) {
        localStorage.removeItem(this.prefix + tab);
        return true;
      }
      const text = JSON.stringify(operations);
      if (text.length > LONGEST_JOURNAL) return false;
      localStorage.setItem(this.prefix + tab, text);
      return true;
    } catch {
      return operations.length === 0;
    }
  }
  /** What tabs that are no longer open have left, oldest tab first; it stays until it is taken off. */
  async left(own: string): Promise<{ readonly tab: string; readonly operations: readonly Operation[] }[]> {
    const open = await openTabs();
    const found: { tab: string; operations: readonly Operation[] }[] = [];
    try {
      for (let n = 0; n < localStorage.length; n++) {
        const key = localStorage.key(n) ?? '';
        const tab = key.slice(this.prefix.length);
        if (!key.startsWith(this.prefix) || tab === own || open.has(tab)) continue;
        const read = JSON.parse(localStorage.getItem(key) ?? '[]') as unknown;
        if (Array.isArray(read)) found.push({ tab, operations: read.filter(isOperation) });
      }
    } catch {
      // Storage that can't be read holds nothing that could be done again.
    }
    return found;
  }
}

const LOCK = 'ruffle-wheel tab ';
/** Tells other tabs, for as long as this one is open, that it is. */
export function sayOpen(tab: string) {
  if (typeof navigator === 'undefined' || !('locks' in navigator)) return;
  void navigator.locks.request(LOCK + tab, () => new Promise(() => undefined));
}
async function openTabs(): Promise<ReadonlySet<string>> {
  if (typeof navigator === 'undefined' || !('locks' in navigator)) return new Set();
  const { held = [] } = await navigator.locks.query();
  return new Set(held.flatMap((l) => (l.name?.startsWith(LOCK) ? [l.name.slice(LOCK.length)] : [])));
}
