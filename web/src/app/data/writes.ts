import { computed, inject, Injectable, signal } from '@angular/core';
import { Subject } from 'rxjs';
import { type Aside, nameOf } from './aside';
import { Journal, type Left, sayOpen } from './journal';
import { foreseen, joined, keyOf, type Operation } from './operations';
import type { Place, PlacedRow } from './rows';
import { isStorageRefusal } from './storage-refusal';
import type { Outcome } from './outcome';
import { Store } from './store';
import { newId } from './new-id';

export interface Done {
  readonly operation: Operation;
  readonly outcome: Outcome;
}
/** After a write the next one of the same thing waits so long: typing is stored in steps, not letter by letter. */
const GAP_MS = 60;
/** A refused write is tried again after so long, then later and later. */
const AGAIN_MS = [500, 1_000, 2_000, 5_000, 10_000];

/** Work set aside in this session, with the operation itself. */
interface OwnAside extends Aside {
  readonly operation: Operation;
  /** A row that its own door refuses is shown as it is here; what fails otherwise is not. */
  readonly shown: boolean;
}

/**
 * The one path of everything that is written. Operations are done one after another, each at once when nothing
 * waits before it. One that storage refuses stays in memory and is tried again until it is stored; one that would
 * never be stored is set aside, so that those after it are.
 */
@Injectable({ providedIn: 'root' })
export class Writes {
  private readonly store = inject(Store);
  private readonly journal = inject(Journal);
  private readonly waiting = signal<readonly Operation[]>([]);
  private readonly current = signal<Operation | null>(null);
  private readonly tries = signal(0);
  private readonly own = signal<readonly OwnAside[]>([]);
  private readonly before = signal<readonly Aside[]>([]);
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
  /** What is not stored and will not be by itself, of this session and of those before. */
  readonly aside = computed((): readonly Aside[] => [...this.before(), ...this.own()]);
  /** Why a study is not stored, or null. */
  refusedWhy(study: string): string | null {
    return this.own().find(({ operation: o }) => o.kind === 'study' && o.study.id === study)?.why ?? null;
  }

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
    if (key !== null) this.forget(key);
    const latest = key === null ? null : this.waiting().find((o) => keyOf(o) === key);
    if (latest) this.journal.note(this.store.tab, this.asLeft(latest));
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
    } catch (error) {
      if (!isStorageRefusal(error)) {
        const why = error instanceof Error ? error.message : String(error);
        this.ended(operation, { ok: false, failed: why });
        return true;
      }
      const wait = AGAIN_MS[Math.min(this.tries(), AGAIN_MS.length - 1)];
      this.tries.update((n) => n + 1);
      clearTimeout(this.again);
      this.again = setTimeout(() => this.retry(), wait);
      return false;
    }
    this.ended(operation, outcome);
    return true;
  }
  /** An operation is stored, refused or set aside: the next one's turn. */
  private ended(operation: Operation, outcome: Outcome) {
    this.tries.set(0);
    const key = keyOf(operation);
    this.lastWrite = { key: key ?? '', at: performance.now() };
    this.current.set(null);
    // A newer one of the same thing has taken its place in the journal.
    if (!this.waiting().some((o) => key !== null && keyOf(o) === key)) {
      if (!outcome.ok && !('theirs' in outcome)) this.setAside(operation, outcome);
      this.journal.end(this.store.tab, operation);
    }
    // Before anybody hears of it: what they put next was made on what is stored now.
    this.waiting.update((list) => list.map((o) => rebased(o, operation, outcome)));
    this.finished.next({ operation, outcome });
  }
  private setAside(
    operation: Operation,
    outcome: Exclude<Outcome, { readonly ok: true } | { readonly theirs: unknown }>,
  ) {
    const shown = 'refused' in outcome;
    const aside: Aside = {
      key: `${this.store.tab} ${keyOf(operation) ?? newId()}`,
      name: nameOf(operation),
      why: 'refused' in outcome ? outcome.refused : outcome.failed,
      text: JSON.stringify(operation, null, 1),
    };
    this.journal.setAside(aside);
    this.own.update((list) => [...list.filter((a) => a.key !== aside.key), { ...aside, operation, shown }]);
  }
  /** A newer operation has taken the place of one that was set aside. */
  private forget(key: string) {
    const gone = this.own().find(({ operation }) => keyOf(operation) === key);
    if (gone) this.letGo(gone.key);
  }
  /** The player needs no longer what was set aside. */
  letGo(key: string) {
    this.journal.letGo(key);
    this.own.update((list) => list.filter((a) => a.key !== key));
    this.before.update((list) => list.filter((a) => a.key !== key));
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
    const current = this.current();
    const operations = [...(current ? [current] : []), ...this.waiting().map((o) => this.asLeft(o))];
    const kept = this.journal.write(this.store.tab, operations);
    void this.run();
    return kept && this.own().every((a) => this.journal.setAside(a));
  }
  /** A waiting operation as the next start may find it: the save on its way before it may have landed or not. */
  private asLeft(operation: Operation): Operation {
    const inFlight = this.current();
    return operation.kind === 'study' && inFlight?.kind === 'study' && inFlight.study.id === operation.study.id
      ? { ...operation, base: { ...inFlight.base, orSavedAt: inFlight.savedAt } }
      : operation;
  }
  private readonly taken = new Set<string>();
  /** What earlier tabs have left undone comes in before anything else. */
  async takeUp() {
    this.before.set(await this.journal.aside(this.store.tab));
    for (const left of await this.journal.left(this.store.tab)) {
      // Asked for again while storage did not answer: it waits here already.
      if (this.taken.has(left.tab)) continue;
      this.taken.add(left.tab);
      await this.takeUpOne(left);
    }
  }
  private async takeUpOne({ tab, operations, unread }: Left) {
    const whole = unread.map((text, n) =>
      this.journal.setAside({ key: `${tab} unread ${n}`, name: '', why: '', text }),
    );
    this.before.set(await this.journal.aside(this.store.tab));
    for (const operation of operations) this.put(operation);
    await this.settled();
    if (!this.failing() && whole.every(Boolean)) this.journal.takeOff(tab);
  }

  /** Rows as they will be once everything is stored, over what the tables hold. */
  overlay<T extends PlacedRow['row']>(table: Place['table'], rows: readonly T[]): T[] {
    const aside = this.own().flatMap((a) => (a.shown ? [a.operation] : []));
    const changes = new Map(
      [...aside, ...this.pending()]
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
