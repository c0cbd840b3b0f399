import { Injector } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { DATABASE_NAME } from '../data/database-name';
import { Journal } from '../data/journal';
import { Keeping } from '../data/keeping';
import { type Outcome, Store, Writes } from '../data';
import type { Study } from '@ruffle-wheel/core';

export interface OtherTab {
  readonly store: Store;
  readonly writes: Writes;
  /** Stores a study as an edit of what is stored now. */
  save(study: Study): Promise<Outcome>;
}
/** Another tab over the same tables. */
export function otherTab(): OtherTab {
  const injector = Injector.create({
    providers: [
      { provide: DATABASE_NAME, useValue: TestBed.inject(DATABASE_NAME) },
      { provide: Keeping },
      { provide: Store },
      { provide: Journal },
      { provide: Writes },
    ],
  });
  const store = injector.get(Store);
  return {
    store,
    writes: injector.get(Writes),
    save: async (study) => {
      const revision = (await store.readStudy(study.id))?.revision ?? 0;
      return store.perform({ kind: 'study', study, savedAt: new Date().toISOString(), base: { revision } });
    },
  };
}
/** A storage that refuses for as long as it is told to. */
export function refusingStorage(): { refuses: boolean } {
  const storage = { refuses: true };
  for (const method of ['put', 'add', 'delete'] as const) {
    const real = IDBObjectStore.prototype[method] as (...args: unknown[]) => IDBRequest;
    vi.spyOn(IDBObjectStore.prototype, method).mockImplementation(function (this: IDBObjectStore, ...args: unknown[]) {
      if (storage.refuses) throw new DOMException('full', 'QuotaExceededError');
      return real.apply(this, args) as never;
    });
  }
  return storage;
}
