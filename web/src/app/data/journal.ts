import { inject, Injectable } from '@angular/core';
import type { Aside } from './aside';
import { DATABASE_NAME } from './database-name';
import { isOperation, keyOf, type Operation } from './operations';
import { type Noted, QuickJournal } from './quick-journal';

/** Longer journals are refused by the browser's small storage: such work is asked about before a tab is left. */
const LONGEST_JOURNAL = 2_000_000;

/** What a tab that is no longer open has left undone. */
export interface Left {
  readonly tab: string;
  readonly operations: readonly Operation[];
  /** What could not be understood of it, as it was written. */
  readonly unread: readonly string[];
}

/**
 * What is not yet stored, written where it outlives its tab: with every gesture as it is made, and all of it in the
 * instant in which the tab is left. The next start does it again.
 */
@Injectable({ providedIn: 'root' })
export class Journal {
  private readonly name = inject(DATABASE_NAME);
  private readonly prefix = `${this.name} not yet stored `;
  private readonly asidePrefix = `${this.name} set aside `;
  private readonly quick = new QuickJournal(this.name);
  private n = 0;

  /** Notes an edit as it is made. @returns by which it is ended */
  note(tab: string, operation: Operation): number {
    const key = keyOf(operation);
    if (key === null || operation.kind === 'settings') return 0;
    const n = Math.max(this.n + 1, Date.now());
    this.n = n;
    this.quick.note({ tab, key, n, operation });
    return n;
  }
  /** What was noted is stored, or set aside. */
  end(tab: string, operation: Operation) {
    const key = keyOf(operation);
    if (key !== null) this.quick.end(tab, key);
  }
  /** Writes all that is not yet stored in this instant. @returns whether it is written */
  write(tab: string, operations: readonly Operation[]): boolean {
    try {
      if (operations.length === 0) {
        localStorage.removeItem(this.prefix + tab);
        return true;
      }
      const text = JSON.stringify({ at: Math.max(this.n, Date.now()), operations });
      if (text.length > LONGEST_JOURNAL) return false;
      localStorage.setItem(this.prefix + tab, text);
      return true;
    } catch {
      return operations.length === 0;
    }
  }
  /** What tabs that are no longer open have left; it stays until it is taken off. */
  async left(own: string): Promise<Left[]> {
    const open = await openTabs();
    const closed = (tab: string) => tab !== own && !open.has(tab);
    const noted = new Map<string, Noted[]>();
    for (const one of await this.quick.all())
      if (typeof one.tab === 'string' && closed(one.tab)) noted.set(one.tab, [...(noted.get(one.tab) ?? []), one]);
    const written = this.written(closed);
    const tabs = [...new Set([...written.keys(), ...noted.keys()])];
    return tabs.map((tab) => leftBy(tab, written.get(tab) ?? null, noted.get(tab) ?? []));
  }
  private written(closed: (tab: string) => boolean): Map<string, string> {
    const found = new Map<string, string>();
    for (const key of keysOf()) {
      const tab = key.slice(this.prefix.length);
      if (key.startsWith(this.prefix) && closed(tab)) found.set(tab, localStorage.getItem(key) ?? '');
    }
    return found;
  }
  /** A closed tab's journals are done. */
  takeOff(tab: string) {
    this.write(tab, []);
    this.quick.endAll(tab);
  }

  /** What tabs that are no longer open have set aside and nobody has let go. */
  async aside(own: string): Promise<Aside[]> {
    const open = await openTabs();
    return keysOf().flatMap((stored): Aside[] => {
      const key = stored.slice(this.asidePrefix.length);
      const tab = key.split(' ')[0] ?? '';
      if (!stored.startsWith(this.asidePrefix) || tab === own || open.has(tab)) return [];
      const text = localStorage.getItem(stored) ?? '';
      try {
        const { name, why, text: kept } = JSON.parse(text) as Record<keyof Aside, unknown>;
        const said = (v: unknown): string => (typeof v === 'string' ? v : '');
        return [{ key, name: said(name), why: said(why), text: said(kept) || text }];
      } catch {
        return [{ key, name: '', why: '', text }];
      }
    });
  }
  /** @returns whether it outlives this tab */
  setAside({ key, name, why, text }: Aside): boolean {
    try {
      localStorage.setItem(this.asidePrefix + key, JSON.stringify({ name, why, text }));
      return true;
    } catch {
      return false;
    }
  }
  letGo(key: string) {
    try {
      localStorage.removeItem(this.asidePrefix + key);
    } catch {
      // Storage that can't be reached holds nothing.
    }
  }
}

/** The later of a tab's two journals counts; edits that only the earlier one has are done first. */
function leftBy(tab: string, written: string | null, noted: readonly Noted[]): Left {
  const unread: string[] = [];
  const all: { readonly n: number; readonly operation: unknown }[] = [];
  if (written !== null) {
    try {
      const read = JSON.parse(written) as unknown;
      const { at = 0, operations = read } = (Array.isArray(read) ? {} : (read ?? {})) as {
        at?: number;
        operations?: unknown;
      };
      if (!Array.isArray(operations)) throw new TypeError('no list');
      for (const operation of operations as unknown[]) all.push({ n: at, operation });
    } catch {
      unread.push(written);
    }
  }
  all.push(...noted);
  const latest = new Map<string, Operation>();
  const inOrder = all.map((one, i) => ({ ...one, i })).sort((a, b) => a.n - b.n || a.i - b.i);
  inOrder.forEach(({ operation }, i) => {
    if (!isOperation(operation)) return void unread.push(JSON.stringify(operation) ?? '');
    const key = keyOf(operation) ?? `act ${i}`;
    latest.delete(key);
    latest.set(key, operation);
  });
  return { tab, operations: [...latest.values()], unread };
}
function keysOf(): string[] {
  try {
    return Array.from({ length: localStorage.length }, (_, n) => localStorage.key(n) ?? '');
  } catch {
    return [];
  }
}

const LOCK = 'ruffle-wheel tab ';
/** Tells other tabs, for as long as this one is open, that it is. */
export function sayOpen(tab: string) {
  if (typeof navigator === 'undefined' || !('locks' in navigator)) return;
  void navigator.locks.request(LOCK + tab, () => new Promise(() => undefined));
}
/** Tabs of this program that are open, this one too. */
export async function openTabs(): Promise<ReadonlySet<string>> {
  if (typeof navigator === 'undefined' || !('locks' in navigator)) return new Set();
  const { held = [] } = await navigator.locks.query();
  return new Set(held.flatMap((l) => (l.name?.startsWith(LOCK) ? [l.name.slice(LOCK.length)] : [])));
}
