import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { makeStudy, setScript, type Study } from '@ruffle-wheel/core';
import { filePieces } from '@ruffle-wheel/core/format';
import { Compute } from '../compute/compute';
import { DATABASE_NAME } from '../data/database-name';
import { Keeper } from '../data/keeper';
import { Transport } from '../sound/transport';
import { Collection, OpenStudy } from '../study';
import { otherTab } from '../testing/other-tab';
import { soon } from '../testing/soon';
import { SilentTransport } from '../testing/world';
import { Startup } from './startup';
import { Troubles } from './troubles';

const shipped: Study[] = [
  { ...makeStudy('lantern-stair', 'Lantern Stair'), note: 'as shipped' },
  { ...makeStudy('salt-rope', 'Salt Rope'), note: 'as shipped' },
];
const file = () =>
  [...filePieces('everything', { studies: shipped, log: [], profiles: [], cycles: [], cells: [] })].map((p) => p.text);

describe('the start', () => {
  let collection: Collection;
  beforeEach(() => {
    TestBed.configureTestingModule({
      providers: [
        provideRouter([]),
        { provide: DATABASE_NAME, useValue: crypto.randomUUID() },
        { provide: Compute, useValue: { ask: () => undefined, answered: () => null } },
        { provide: Transport, useClass: SilentTransport },
      ],
    });
    vi.spyOn(globalThis, 'fetch').mockImplementation(() => Promise.resolve(new Response(file().join(''))));
  });
  const begin = async () => {
    collection = TestBed.inject(Collection);
    await TestBed.inject(Startup).begin();
  };
  afterEach(() => {
    vi.restoreAllMocks();
    localStorage.clear();
  });
  const names = () =>
    collection
      .studies()
      .map((r) => r.study.name)
      .sort();
  const mine = async () => {
    const { save } = otherTab();
    await save({ ...makeStudy('lantern-stair', 'Lantern Stair'), note: 'mine' });
    await save({ ...makeStudy('own', 'Of my own'), note: 'mine' });
    // Their news are over before the tab that is tried begins.
    await new Promise((resolve) => setTimeout(resolve, 50));
  };
  const stored = async () => {
    const { store } = otherTab();
    return Promise.all(
      ['lantern-stair', 'salt-rope', 'own'].map(async (id) => (await store.readStudy(id))?.study.note),
    );
  };
  /** Tables that can't be read so many times. */
  const failing = (times: number) => {
    let left = times;
    const real = Keeper.prototype.portion;
    vi.spyOn(Keeper.prototype, 'portion').mockImplementation(function (this: Keeper, table, after) {
      if (table === 'studies' && left-- > 0) return Promise.reject(new DOMException('once', 'UnknownError'));
      return real.call(this, table, after);
    });
  };

  it('brings the demo data into empty tables, and never again', async () => {
    await begin();
    expect(names()).toEqual(['Lantern Stair', 'Salt Rope']);
    await collection.settled();
    expect(await stored()).toEqual(['as shipped', 'as shipped', undefined]);
    expect(collection.settings().seeded).toBe(true);
    expect(TestBed.inject(OpenStudy).saved()).toBe('saved');
  });
  it('one failed read is asked again, and the player’s own rows are there', async () => {
    await mine();
    failing(1);
    await begin();
    expect(names()).toEqual(['Lantern Stair', 'Of my own']);
    await collection.settled();
    expect(await stored()).toEqual(['mine', undefined, 'mine']);
  });
  it('tables that can’t be read: the demo is shown from memory, nothing is written, and one’s own comes when they answer', async () => {
    await mine();
    failing(4);
    await begin();
    const open = TestBed.inject(OpenStudy);
    expect(names()).toEqual(['Lantern Stair', 'Salt Rope']);
    expect(open.saved()).toBe('opening');
    expect(TestBed.inject(Troubles).list()).toMatchObject([{ matter: 'storage' }]);
    await collection.settled();
    expect(await stored()).toEqual(['mine', undefined, 'mine']);
    expect((await otherTab().store.readSettings()).there).toBe(false);
    await soon(() => expect(names()).toEqual(['Lantern Stair', 'Of my own']));
    await soon(() => expect(open.study()?.note).toBe('mine'));
    await collection.settled();
    expect(await stored()).toEqual(['mine', undefined, 'mine']);
    expect(TestBed.inject(Troubles).list()).toEqual([]);
    expect(collection.bin()).toEqual([]);
  });
  it('what is made of the demo meanwhile is a study of its own beside the player’s', async () => {
    await mine();
    failing(4);
    await begin();
    const open = TestBed.inject(OpenStudy);
    open.apply(setScript(open.section()!.id, 'p i m a'));
    await soon(() => expect(open.saved()).toBe('saved'));
    expect(names()).toEqual(['Lantern Stair', 'Lantern Stair', 'Of my own']);
    expect(open.section()?.script).toBe('p i m a');
    expect(await stored()).toEqual(['mine', undefined, 'mine']);
  });
});
