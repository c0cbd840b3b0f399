import { TestBed } from '@angular/core/testing';
import { DEFAULT_PROFILE, makeStudy, STANDARD_TUNING, type Study } from '@ruffle-wheel/core';
import { otherTab, refusingStorage } from '../testing/other-tab';
import { Database } from './database';
import { DATABASE_NAME } from './database-name';
import { isOperation, type Operation } from './operations';
import { Store } from './store';
import { type Done, Writes } from './writes';
import { soon } from '../testing/soon';

const named = (name: string): Study => makeStudy('s', name);
let at = 0;
const edit = (study: Study, revision = 0): Operation => ({
  kind: 'study',
  study,
  savedAt: new Date(++at * 1000).toISOString(),
  base: { revision },
});

describe('the one path of writes', () => {
  let writes: Writes;
  let db: Database;
  let done: Done[];
  beforeEach(() => {
    const name = crypto.randomUUID();
    TestBed.configureTestingModule({ providers: [{ provide: DATABASE_NAME, useValue: name }] });
    writes = TestBed.inject(Writes);
    db = new Database(name);
    done = [];
    writes.done.subscribe((d) => done.push(d));
  });
  afterEach(() => {
    vi.restoreAllMocks();
    localStorage.clear();
  });
  const stored = async () => (await db.studies.get('s'))?.study.name;

  it('stores at once; edits that follow each other fast become few writes and the last one stands', async () => {
    for (let n = 0; n < 40; n++) writes.put(edit(named(`Study ${n}`)));
    expect(writes.pending().length).toBeGreaterThan(0);
    await writes.settled();
    expect(await stored()).toBe('Study 39');
    expect(done.length).toBeLessThan(4);
    expect(done.every((d) => d.outcome.ok)).toBe(true);
  });
  it('what storage refuses stays, is tried again, and nothing after it is lost', async () => {
    const storage = refusingStorage();
    writes.put(edit(named('Kept')));
    writes.put({ kind: 'row', table: 'profiles', row: DEFAULT_PROFILE });
    await soon(() => expect(writes.failing()).toBe(true));
    expect(await stored()).toBeUndefined();
    expect(writes.overlay('studies', [])).toMatchObject([{ id: 's', study: { name: 'Kept' } }]);
    expect(writes.overlay('profiles', [])).toEqual([DEFAULT_PROFILE]);
    writes.put(edit(named('Kept and edited')));
    storage.refuses = false;
    await soon(() => expect(writes.pending()).toEqual([]));
    expect(await stored()).toBe('Kept and edited');
    expect(await db.profiles.count()).toBe(1);
    expect(writes.failing()).toBe(false);
  });
  it('a refused row says why, lets the others through, and is still counted as here', async () => {
    writes.put(edit({ ...named('Study'), instrument: { tuning: STANDARD_TUNING, capo: 99 } }));
    writes.put({ kind: 'row', table: 'profiles', row: DEFAULT_PROFILE });
    await writes.settled();
    expect(writes.refusedWhy('s')).toMatch(/^instrument\.capo/);
    expect(writes.refusedWhy('t')).toBeNull();
    expect(writes.aside()).toMatchObject([
      { name: 'Study', why: expect.stringMatching(/^instrument\.capo/) as string },
    ]);
    expect(writes.overlay('studies', [])).toHaveLength(1);
    expect(await db.profiles.count()).toBe(1);
    // It outlives this tab.
    const later = otherTab();
    await later.writes.takeUp();
    expect(later.writes.aside()[0]?.text).toContain('"capo": 99');
    writes.put(edit(named('Mended')));
    await writes.settled();
    expect(writes.refusedWhy('s')).toBeNull();
    expect(writes.aside()).toEqual([]);
    expect(await stored()).toBe('Mended');
  });
  it('an operation that can only fail is set aside and told; those after it are stored, over reloads too', async () => {
    await db.bin.put({ id: 'act', at: '2026-05-01T10:00:00.000Z', what: 'deleted', name: 'Log', rows: 1, came: [] });
    const real = Database.prototype.shelf;
    vi.spyOn(Database.prototype, 'shelf').mockImplementation(function (this: Database, table) {
      if (table === 'log') throw new TypeError('no table');
      return real.call(this, table);
    });
    const log = {
      id: 'l',
      studyId: 's',
      studyName: 'S',
      sectionName: 'A',
      startedAt: '2026-05-01T10:00:00.000Z',
      minutes: 5,
      passes: [],
      pain: false,
    };
    writes.put({ kind: 'row', table: 'log', row: log });
    writes.put(edit(named('After it')));
    writes.leave();
    await soon(() => expect(done).toHaveLength(2));
    expect(writes.failing()).toBe(false);
    expect(await stored()).toBe('After it');
    expect(writes.aside()).toMatchObject([{ name: 'S', why: 'no table' }]);
    const next = otherTab();
    await next.writes.takeUp();
    expect(next.writes.pending()).toEqual([]);
    expect(next.writes.aside()).toMatchObject([{ name: 'S', why: 'no table' }]);
    next.writes.letGo(next.writes.aside()[0]!.key);
    expect(localStorage).toHaveLength(0);
  });

  describe('a tab that is left', () => {
    /** The next start, in a tab of its own. */
    const next = async () => {
      const tab = otherTab();
      await tab.writes.takeUp();
      return tab;
    };
    it('has what it could not store in its journal, and the next start stores it', async () => {
      const storage = refusingStorage();
      writes.put(edit(named('Left')));
      writes.put({ kind: 'row', table: 'profiles', row: DEFAULT_PROFILE });
      expect(writes.leave()).toBe(true);
      await soon(() => expect(writes.failing()).toBe(true));
      storage.refuses = false;
      await next();
      expect(await stored()).toBe('Left');
      expect(await db.profiles.count()).toBe(1);
      expect(localStorage).toHaveLength(0);
    });
    it('an edit on a save that was on its way follows it, landed or not', async () => {
      for (const landed of [true, false]) {
        await db.studies.clear();
        localStorage.clear();
        // A tab that is gone: nothing of it reaches the tables any more.
        const own = otherTab();
        vi.spyOn(own.store, 'perform').mockRejectedValue(new DOMException('gone', 'UnknownError'));
        own.writes.put(edit(named('First')));
        await soon(() => expect(own.writes.failing()).toBe(true));
        own.writes.put(edit(named('Second')));
        own.writes.leave();
        const first = own.writes.pending()[0] as Extract<Operation, { kind: 'study' }>;
        if (landed) await db.studies.put({ id: 's', revision: 1, savedAt: first.savedAt, study: first.study });
        const tab = await next();
        expect(await stored()).toBe('Second');
        expect(await tab.store.readUnsettled()).toEqual([]);
      }
    });
    it('an edit that another tab has overtaken is kept beside theirs', async () => {
      const storage = refusingStorage();
      writes.put(edit(named('Mine')));
      writes.leave();
      await soon(() => expect(writes.failing()).toBe(true));
      storage.refuses = false;
      await otherTab().save(named('Theirs'));
      const tab = await next();
      expect(await stored()).toBe('Theirs');
      expect(await tab.store.readUnsettled()).toMatchObject([{ mine: { name: 'Mine' } }]);
    });
    it('a journal that is no journal does no harm', async () => {
      const prefix = `${TestBed.inject(DATABASE_NAME)} not yet stored `;
      localStorage.setItem(`${prefix}a`, '{');
      localStorage.setItem(`${prefix}b`, '[7, null, {"kind":"study"}, {"kind":"exchange","come":7}]');
      localStorage.setItem(`${prefix}c`, JSON.stringify([edit(named('Whole'))]));
      const tab = await next();
      // The whole one is done; of the others nothing is lost.
      expect(await stored()).toBe('Whole');
      expect(tab.writes.aside().map((a) => a.text)).toEqual([
        '{',
        '7',
        'null',
        '{"kind":"study"}',
        '{"kind":"exchange","come":7}',
      ]);
      expect((await next()).writes.aside()).toHaveLength(5);
    });
    it('a killed tab has noted its edits as they were made: the next start stores them', async () => {
      // Nothing of it reaches the tables, and nobody has told it that it ends.
      const killed = otherTab();
      vi.spyOn(killed.store, 'perform').mockReturnValue(new Promise(() => undefined));
      killed.writes.put(edit(named('On its way')));
      killed.writes.put(edit(named('Waiting')));
      killed.writes.put({ kind: 'row', table: 'profiles', row: DEFAULT_PROFILE });
      expect(localStorage).toHaveLength(0);
      await next();
      expect(await stored()).toBe('Waiting');
      expect(await db.profiles.count()).toBe(1);
      // Once stored it is not done again.
      await db.profiles.clear();
      await next();
      expect(await db.profiles.count()).toBe(0);
    });
    it('what was stored is noted no longer', async () => {
      writes.put(edit(named('Stored')));
      await writes.settled();
      await db.studies.clear();
      await next();
      expect(await stored()).toBeUndefined();
    });
    it('what is too long for it is asked about', () => {
      refusingStorage();
      writes.put({
        ...(edit(named('Long')) as Extract<Operation, { kind: 'study' }>),
        study: { ...named('Long'), note: 'x'.repeat(3e6) },
      });
      expect(writes.leave()).toBe(false);
    });
  });
  it('knows operations from what only looks like them', () => {
    const whole: Operation[] = [
      edit(named('S')),
      { kind: 'row', table: 'profiles', row: DEFAULT_PROFILE },
      { kind: 'settings', change: {} },
      { kind: 'exchange', id: 'i', at: 'a', what: 'deleted', name: 'n', come: [], go: [{ table: 'log', id: 'l' }] },
      { kind: 'put back', id: 'i' },
      { kind: 'settle', key: 'k', id: 'i', at: 'a', name: 'n', copy: null },
    ];
    expect(whole.map(isOperation)).toEqual(whole.map(() => true));
    for (const odd of [null, 1, {}, { kind: 'row', table: 'nowhere', row: { id: 'x' } }, { kind: 'exchange', id: 'i' }])
      expect(isOperation(odd)).toBe(false);
  });
  it('tells the store’s own tab apart from others', () =>
    expect(TestBed.inject(Store).tab).not.toBe(otherTab().store.tab));
});
