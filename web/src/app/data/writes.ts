import { computed, inject, Injectable, signal } from '@angular/core';
import { Subject } from 'rxjs';
import { Journal, sayOpen } from './journal';
import { foreseen, joined, keyOf, type Operation } from './operations';
import type { Place, PlacedRow } from './rows';
import { type Outcome, Store } from './store';

export interface Done {
  readonly operation: Operation;
  readonly outcome: Outcome;
}
/** After a write the next one of the same thing waits so long: typing is stored in steps, not letter by letter. */
const GAP_MS = 60;
/** A refused write is tried again after so long, then later and later. */
const AGAIN_MS = [500, 1_000, 2_000, 5_000, 10_000];

/**
 * The one path of everything that is written. Operations are done one after another, each at once when nothing
 * waits before it. One that storage refuses stays in memory and is tried again until it is stored.
 */
@Injectable({ providedIn: 'root' })
export class Writes {
  private readonly store = inject(Store);
  private readonly journal = inject(Journal);
  private readonly waiting = signal<readonly Operation[]>([]);
  private readonly current = signal<Operation | null>(null);
  private readonly tries = signal(0);
  private readonly refusedNow = signal<{ readonly operation: Operation; readonly why: string } | null>(null);
  private readonly finished = new Subject<Done>();
  private again: ReturnType<typeof setTimeout> | undefined;
  private lastWrite = { key: '', at: -Infinity };
  private idlers: (() => void)[] = [];

  /** What has become of operations, as they are done. */
  readonly done = this.finished.asObservable();
  /** Everything not yet stored, in its order. */
  readonly pending = computed((): readonly Operation[] => {
    const current = this.current();
    return current ? [current, ...this.waiting()] : this.waiting();
  });
  /** Storage has refused, and is asked again. */
  readonly failing = computed(() => this.tries() > 0 && this.pending().length > 0);
  /** A row that its own door would not let in again: it stays in memory, in words. */
  readonly refused = this.refusedNow.asReadonly();

  constructor() {
    sayOpen(this.store.tab);
  }

  put(operation: Operation) {
    const key = keyOf(operation);
    this.waiting.update((list) => {
      const n = key === null ? -1 : list.findIndex((o) => keyOf(o) === key);
      const there = list[n];
      return there ? list.map((o, i) => (i === n ? joined(there, operation) : o)) : [...list, operation];
    });
    if (this.refusedNow() && keyOf(this.refusedNow()!.operation) === key) this.refusedNow.set(null);
    // A new gesture is a good moment to ask a storage again that has refused.
    if (this.tries() > 0) this.retry();
    else void this.run();
  }

  private running = false;
  private async run() {
    if (this.running) return;
    this.running = true;
    try {
      for (;;) {
        const next = this.current() ?? this.waiting()[0];
        if (!next) break;
        if (!this.current()) {
          await this.pause(next);
          // It may have been joined with a newer one meanwhile.
          this.current.set(this.waiting()[0] ?? null);
          this.waiting.update((list) => list.slice(1));
        }
        const operation = this.current();
        if (!operation || !(await this.tryOne(operation))) return;
      }
      this.journal.write(this.store.tab, []);
    } finally {
      this.running = false;
      if (this.pending().length === 0 || this.failing()) this.idlers.splice(0).forEach((tell) => tell());
    }
  }
  private async pause(operation: Operation) {
    const left = this.lastWrite.at + GAP_MS - performance.now();
    if (!this.hurry && left > 0 && keyOf(operation) === this.lastWrite.key)
      await new Promise((resolve) => setTimeout(resolve, left));
  }
  private hurry = false;

  /** @returns whether the next one may follow */
  private async tryOne(operation: Operation): Promise<boolean> {
    let outcome: Outcome;
    try {
      outcome = await this.store.perform(operation);
    } catch {
      const wait = AGAIN_MS[Math.min(this.tries(), AGAIN_MS.length - 1)];
      this.tries.update((n) => n + 1);
      clearTimeout(this.again);
      this.again = setTimeout(() => this.retry(), wait);
      return false;
    }
    this.tries.set(0);
    this.lastWrite = { key: keyOf(operation) ?? '', at: performance.now() };
    if (!outcome.ok && 'refused' in outcome) this.refusedNow.set({ operation, why: outcome.refused });
    this.current.set(null);
    // Before anybody hears of it: what they put next was made on what is stored now.
    this.waiting.update((list) => list.map((o) => rebased(o, operation, outcome)));
    this.finished.next({ operation, outcome });
    return true;
  }
  /** Asks a storage that has refused at once again. */
  retry() {
    clearTimeout(this.again);
    void this.run();
  }

  /** Until everything is stored, or storage refuses. */
  settled(): Promise<void> {
    if (this.pending().length === 0 || this.failing()) return Promise.resolve();
    return new Promise((tell) => this.idlers.push(tell));
  }

  /**
   * What is not yet stored is written to the journal in this instant, for the tab may be gone in the next.
   * @returns whether nothing of it can be lost now
   */
  leave(): boolean {
    this.hurry = true;
    setTimeout(() => (this.hurry = false));
    const [current, ...waiting] = [this.current(), ...this.waiting()];
    const inFlight = current?.kind === 'study' ? current : null;
    const list = waiting.flatMap((o) => (o ? [o] : []));
    const operations = [
      ...(current ? [current] : []),
      ...list.map((o) =>
        // The save on its way may land or not: both count as what this edit was made on.
        o.kind === 'study' && inFlight?.study.id === o.study.id
          ? { ...o, base: { ...inFlight.base, orSavedAt: inFlight.savedAt } }
          : o,
      ),
    ];
    const kept = this.journal.write(this.store.tab, operations);
    void this.run();
    return kept && !this.refusedNow();
  }
  /** What earlier tabs have left undone comes in before anything else. */
  async takeUp() {
    for (const { tab, operations } of await this.journal.left(this.store.tab)) {
      for (const operation of operations) this.put(operation);
      await this.settled();
      if (!this.failing()) this.journal.write(tab, []);
    }
  }

  /** Rows as they will be once everything is stored, over what the tables hold. */
  overlay<T extends PlacedRow['row']>(table: Place['table'], rows: readonly T[]): T[] {
    const refused = this.refused();
    const changes = new Map(
      [...(refused ? [refused.operation] : []), ...this.pending()]
        .flatMap(foreseen)
        .filter((f) => f.table === table)
        .map((f) => [f.id, f.row as T | null]),
    );
    if (changes.size === 0) return [...rows];
    const kept = rows.filter((r) => !changes.has(r.id));
    return [...kept, ...[...changes.values()].flatMap((r) => (r ? [r] : []))];
  }
}
/** An edit that waited while the study was stored before it stands on what was stored. */
function rebased(waiting: Operation, done: Operation, outcome: Outcome): Operation {
  if (waiting.kind !== 'study' || !outcome.ok) return waiting;
  const { id } = waiting.study;
  const revision = done.kind === 'study' && done.study.id === id ? outcome.row?.revision : outcome.revisions?.get(id);
  return revision === undefined ? waiting : { ...waiting, base: { revision } };
}
