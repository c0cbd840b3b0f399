import { TestBed } from '@angular/core/testing';
import { type LogEntry, makeStudy } from '@ruffle-wheel/core';
import { Database, DATABASE_NAME } from './database';
import { DEFAULT_SETTINGS } from './rows';
import { Store } from './store';

const entry: LogEntry = {
  id: 'l',
  studyId: 's',
  studyName: 'S',
  sectionName: 'A',
  startedAt: '2026-05-01T10:00:00.000Z',
  minutes: 5,
  passes: [],
  pain: false,
};

describe('storage', () => {
  let store: Store;
  let name = '';
  beforeEach(() => {
    name = crypto.randomUUID();
    TestBed.configureTestingModule({ providers: [{ provide: DATABASE_NAME, useValue: name }] });
    store = TestBed.inject(Store);
  });

  it('keeps a study and gives it back with its revision', async () => {
    const saved = await store.saveStudy(makeStudy('s', 'Study'), 0);
    expect(saved).toMatchObject({ ok: true, row: { revision: 1 } });
    expect((await store.readAll()).studies).toMatchObject([{ id: 's', revision: 1, study: { name: 'Study' } }]);
  });
  it('never overwrites what another tab has stored since', async () => {
    await store.saveStudy(makeStudy('s', 'First'), 0);
    await store.saveStudy(makeStudy('s', 'Theirs'), 1);
    const late = await store.saveStudy(makeStudy('s', 'Mine'), 1);
    expect(late).toMatchObject({ ok: false, theirs: { revision: 2, study: { name: 'Theirs' } } });
    expect((await store.readStudy('s'))?.study.name).toBe('Theirs');
  });
  it('holds damaged rows back, names them, and leaves them stored', async () => {
    await store.saveStudy(makeStudy('s', 'Good'), 0);
    const db = new Database(name);
    await db.studies.put({ id: 'bad', revision: 1, savedAt: '', study: { ...makeStudy('bad', 'Bad'), capo: 99 } });
    await db.log.put({ ...entry, minutes: 'lots' as never });
    const all = await store.readAll();
    expect(all.studies.map((r) => r.id)).toEqual(['s']);
    expect(all.damaged.map((d) => [d.table, d.id])).toEqual([
      ['studies', 'bad'],
      ['log', 'l'],
    ]);
    expect(all.damaged[0]?.message).toMatch(/^capo/);
    expect(await db.studies.count()).toBe(2);
  });
  it('settings that are not whole fall back to defaults without seeding again', async () => {
    expect(await store.readSettings()).toEqual(DEFAULT_SETTINGS);
    await store.saveSettings({ ...DEFAULT_SETTINGS, theme: 'stage', seeded: true });
    expect((await store.readSettings()).theme).toBe('stage');
    await store.saveSettings({ ...DEFAULT_SETTINGS, claps: 'loud' as never });
    expect(await store.readSettings()).toEqual({ ...DEFAULT_SETTINGS, seeded: true });
  });
  it('clearing can be undone whole, damaged rows too', async () => {
    await store.saveStudy(makeStudy('s', 'Study'), 0);
    await new Database(name).studies.put({ id: 'bad', revision: 1, savedAt: '', study: null as never });
    await store.saveLog(entry);
    const undo = await store.clear();
    expect((await store.readAll()).studies).toEqual([]);
    await undo();
    const all = await store.readAll();
    expect([all.studies.length, all.log.length, all.damaged.length]).toEqual([1, 1, 1]);
  });
  it('taking in replaces the same id, raises its revision and leaves the rest', async () => {
    await store.saveStudy(makeStudy('s', 'Old'), 0);
    await store.saveStudy(makeStudy('t', 'Other'), 0);
    await store.merge({ studies: [makeStudy('s', 'New')], log: [entry], profiles: [], cycles: [], cells: [] });
    const all = await store.readAll();
    expect(all.studies.map((r) => [r.study.name, r.revision]).sort()).toEqual([
      ['New', 2],
      ['Other', 1],
    ]);
    expect(all.log).toEqual([entry]);
  });
});
