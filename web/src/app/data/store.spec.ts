import { TestBed } from '@angular/core/testing';
import { DEFAULT_PROFILE, type Kept, type LogEntry, makeStudy, STANDARD_TUNING, type Study } from '@ruffle-wheel/core';
import { otherTab } from '../testing/other-tab';
import { Database } from './database';
import { DATABASE_NAME } from './database-name';
import { Keeping } from './keeping';
import type { Operation } from './operations';
import { type DamagedRow, DEFAULT_SETTINGS, type PlacedRow, type StudyRow } from './rows';
import type { Stored } from './outcome';
import { Store } from './store';
import { soon } from '../testing/soon';

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
const at = '2026-05-01T10:00:00.000Z';
const edit = (study: Study, revision: number, orSavedAt?: string): Operation => ({
  kind: 'study',
  study,
  savedAt: at,
  base: { revision, ...(orSavedAt ? { orSavedAt } : {}) },
});
const row = (study: Study): StudyRow => ({ id: study.id, revision: 0, savedAt: at, study });
const exchange = (part: Partial<Extract<Operation, { kind: 'exchange' }>>): Operation => ({
  kind: 'exchange',
  id: 'act',
  at,
  what: 'deleted',
  name: 'Study',
  come: [],
  go: [],
  ...part,
});

describe('storage', () => {
  let store: Store;
  let db: Database;
  beforeEach(() => {
    const name = crypto.randomUUID();
    TestBed.configureTestingModule({ providers: [{ provide: DATABASE_NAME, useValue: name }] });
    store = TestBed.inject(Store);
    db = new Database(name);
  });
  const all = async (table: Kept) => {
    const rows: unknown[] = [];
    const damaged: DamagedRow[] = [];
    for await (const portion of store.read(table)) {
      rows.push(...portion.rows);
      damaged.push(...portion.damaged);
    }
    return { rows, damaged };
  };

  it('keeps a study and gives it back with its revision', async () => {
    expect(await store.perform(edit(makeStudy('s', 'Study'), 0))).toMatchObject({ ok: true, row: { revision: 1 } });
    expect((await all('studies')).rows).toMatchObject([{ id: 's', revision: 1, study: { name: 'Study' } }]);
  });
  it('never overwrites what another tab has stored since, and keeps mine beside it', async () => {
    await store.perform(edit(makeStudy('s', 'First'), 0));
    await otherTab().save(makeStudy('s', 'Theirs'));
    const late = await store.perform(edit(makeStudy('s', 'Mine'), 1));
    expect(late).toMatchObject({ ok: false, theirs: { revision: 2, study: { name: 'Theirs' } } });
    expect((await store.readStudy('s'))?.study.name).toBe('Theirs');
    expect(await store.readUnsettled()).toMatchObject([{ id: 's', mine: { name: 'Mine' } }]);
  });
  it('an edit made on a save that was on its way counts as made on it', async () => {
    await store.perform(edit(makeStudy('s', 'First'), 0));
    expect(await store.perform(edit(makeStudy('s', 'Second'), 0, at))).toMatchObject({
      ok: true,
      row: { revision: 2 },
    });
    // The same to the letter is no conflict either.
    expect(await store.perform(edit(makeStudy('s', 'Second'), 0))).toMatchObject({ ok: true });
  });
  it('a row that its own door would refuse is not written', async () => {
    const refused = await store.perform(
      edit({ ...makeStudy('s', 'Study'), instrument: { tuning: STANDARD_TUNING, capo: 99 } }, 0),
    );
    expect(refused).toEqual({ ok: false, refused: 'instrument.capo: It is 99; 12 is the most.' });
    const log = await store.perform({ kind: 'row', table: 'log', row: { ...entry, minutes: -1 } });
    expect(log).toMatchObject({ refused: expect.stringMatching(/^minutes/) as string });
    expect(await db.studies.count()).toBe(0);
  });

  it('holds damaged rows back, names them by their keys, and leaves them stored', async () => {
    await store.perform(edit(makeStudy('s', 'Good'), 0));
    await db.studies.put({ ...row({ ...makeStudy('bad', 'Bad'), instrument: { tuning: STANDARD_TUNING, capo: 99 } }) });
    await db.studies.put({ ...row(makeStudy('s', 'Twice')), id: 'elsewhere' });
    await db.log.put({ ...entry, minutes: 'lots' as never });
    const { rows, damaged } = await all('studies');
    expect(rows.map((r) => (r as StudyRow).study.name)).toEqual(['Good']);
    expect(damaged).toMatchObject([
      { table: 'studies', id: 'bad', fault: { path: 'instrument.capo' } },
      { table: 'studies', id: 'elsewhere', fault: { code: 'another’s id' } },
    ]);
    expect((await all('log')).damaged).toHaveLength(1);
    expect(await db.studies.count()).toBe(3);
  });
  it('a day or a revision that is nonsense is mended: the study opens and can be edited', async () => {
    await db.studies.put({ id: 's', revision: 'x' as never, savedAt: 'yesterday', study: makeStudy('s', 'Study') });
    expect(await store.readStudy('s')).toMatchObject({ revision: 0, savedAt: '' });
    expect(await store.perform(edit(makeStudy('s', 'Edited'), 0))).toMatchObject({ ok: true, row: { revision: 1 } });
  });
  it('a refused row is mended without touching it', async () => {
    await db.studies.put(row({ ...makeStudy('bad', 'Bad'), instrument: { tuning: STANDARD_TUNING, capo: 99 } }));
    const mended = await TestBed.inject(Keeping).ask((k) => k.mend('studies', 'bad'));
    expect(mended).toMatchObject({
      ok: true,
      row: { id: 'bad', instrument: { capo: 12 } },
      changes: [{ path: 'instrument.capo', code: 'above the most' }],
    });
    expect((await all('studies')).damaged).toHaveLength(1);
    await db.studies.put({ ...row(makeStudy('s', 'Twice')), id: 'elsewhere' });
    const own = await TestBed.inject(Keeping).ask((k) => k.mend('studies', 'elsewhere'));
    expect(own).toMatchObject({ ok: true, row: { id: 'elsewhere', name: 'Twice' } });
  });

  it('settings are stored change by change: two tabs keep each other’s', async () => {
    expect(await store.readSettings()).toEqual({ there: false, settings: DEFAULT_SETTINGS });
    const other = otherTab();
    const heard: Stored[] = [];
    other.store.elsewhere.subscribe((s) => heard.push(s));
    await store.perform({ kind: 'settings', change: { theme: 'stage', seeded: true, studyId: 's' } });
    await other.store.perform({ kind: 'settings', change: { loop: false } });
    expect((await store.readSettings()).settings).toMatchObject({ theme: 'stage', loop: false, seeded: true });
    await soon(() => expect(heard).toEqual([{ places: [], settings: { theme: 'stage', seeded: true } }]));
    await store.perform({ kind: 'settings', change: { claps: 'loud' as never } });
    expect((await store.readSettings()).settings).toEqual({ ...DEFAULT_SETTINGS, seeded: true });
  });

  it('what is deleted can be put back whole, damaged rows too, and later deletions do not take its way', async () => {
    await store.perform(edit(makeStudy('s', 'Study'), 0));
    await db.log.put({ ...entry, minutes: 'lots' as never });
    await store.perform(exchange({ id: 'one', go: [{ table: 'studies', id: 's' }] }));
    await store.perform(exchange({ id: 'two', go: [{ table: 'log', id: 'l' }] }));
    expect([await db.studies.count(), await db.log.count()]).toEqual([0, 0]);
    expect((await store.readBin()).map((e) => [e.id, e.rows])).toEqual([
      ['two', 1],
      ['one', 1],
    ]);
    await store.perform({ kind: 'put back', id: 'one' });
    await store.perform({ kind: 'put back', id: 'two' });
    expect(await db.studies.get('s')).toMatchObject({ study: { name: 'Study' } });
    expect(await db.log.get('l')).toMatchObject({ minutes: 'lots' });
    expect(await store.readBin()).toEqual([]);
  });
  it('goals, courses, plans and takes come, go to the bin and come back like everything else', async () => {
    const about = { studyId: 's' };
    const rows: PlacedRow[] = [
      { table: 'goals', row: { id: 'g', name: 'Rope', kind: 'tempo', about, bpm: 120, begun: '2026-05-01', note: '' } },
      { table: 'courses', row: { id: 'c', name: 'Turn', about, steps: [], begun: '2026-05-01', note: '' } },
      { table: 'plans', row: { id: 'p', startedAt: at, minutes: 20, blocks: [] } },
      {
        table: 'takes',
        row: {
          ...{ id: 't', about, studyName: 'S', sectionName: 'A', startedAt: at, bpm: 90, seconds: 30 },
          ...{ source: 'microphone', profileId: 'steady-hand', result: null, note: '' },
        },
      },
    ];
    const tables = rows.map((r) => r.table);
    const stored = async () => Promise.all(tables.map(async (table) => (await all(table)).rows));
    expect((await store.perform(exchange({ what: 'replaced', come: rows }))).ok).toBe(true);
    expect(await stored()).toEqual(rows.map((r) => [r.row]));
    await store.perform(exchange({ id: 'gone', go: rows.map((r) => ({ table: r.table, id: r.row.id })) }));
    expect(await stored()).toEqual(rows.map(() => []));
    await store.perform({ kind: 'put back', id: 'gone' });
    expect(await stored()).toEqual(rows.map((r) => [r.row]));
    // Their doors are asked before they are written.
    const odd = { ...rows[2]!.row, minutes: -1 };
    expect((await store.perform({ kind: 'row', table: 'plans', row: odd } as Operation)).ok).toBe(false);
  });
  it('what comes in replaces the same id, raises its revision, and can be taken back', async () => {
    await store.perform(edit(makeStudy('s', 'Old'), 0));
    const come = [
      { table: 'studies' as const, row: row(makeStudy('s', 'New')) },
      { table: 'studies' as const, row: row(makeStudy('t', 'Other')) },
      { table: 'log' as const, row: entry },
    ];
    const outcome = await store.perform(exchange({ id: 'in', what: 'replaced', come }));
    expect(outcome.ok && [...(outcome.revisions ?? [])]).toEqual([
      ['s', 2],
      ['t', 1],
    ]);
    await store.perform({ kind: 'put back', id: 'in' });
    expect((await all('studies')).rows).toMatchObject([{ id: 's', study: { name: 'Old' } }]);
    expect(await db.log.count()).toBe(0);
    // What had come is in the bin in its turn.
    const [kept] = await store.readBin();
    expect(kept).toMatchObject({ rows: 3 });
    await store.perform({ kind: 'put back', id: kept!.id });
    expect((await store.readStudy('s'))?.study.name).toBe('New');
    expect((await store.readStudy('t'))?.study.name).toBe('Other');
  });
  it('what lies damaged in the bin or waits for a choice is not offered, and does no harm', async () => {
    await db.bin.put({ id: 'x', at: 'never', what: 'eaten' as never, name: 'X', rows: 1, came: [] });
    await db.unsettled.put({
      key: 'k',
      id: 's',
      mine: { ...makeStudy('s', 'S'), instrument: { tuning: STANDARD_TUNING, capo: 99 } },
    });
    expect(await store.readBin()).toEqual([]);
    expect(await store.readUnsettled()).toEqual([]);
    await store.perform({ kind: 'settings', change: { loop: false, odd: 1 } as never });
    expect((await store.readSettings()).settings).toMatchObject({ loop: false });
  });
  it('rows of the bin that are no rows stay there, told; the others go back', async () => {
    await store.perform(edit(makeStudy('s', 'Study'), 0));
    await store.perform(exchange({ id: 'one', go: [{ table: 'studies', id: 's' }] }));
    for (const damage of [
      { table: 'studies', row: null },
      { table: 'nowhere', row: { id: 'x' } },
      { table: 'log', row: { id: 7 } },
    ])
      await db.binned.add({ entry: 'one', ...damage } as never);
    await db.bin.update('one', { came: [null, { table: 'log' }] as never });
    expect(await store.perform({ kind: 'put back', id: 'one' })).toMatchObject({ ok: true, stayed: 3 });
    expect(await store.readStudy('s')).toMatchObject({ study: { name: 'Study' } });
    expect(await store.readBin()).toMatchObject([{ id: 'one', rows: 3, came: [] }]);
  });
  it('what comes only into empty tables does not come into others', async () => {
    await store.perform(edit(makeStudy('s', 'Mine'), 0));
    const come = [
      { table: 'studies' as const, row: row(makeStudy('s', 'Shipped')) },
      { table: 'log' as const, row: entry },
    ];
    expect(await store.perform(exchange({ id: 'in', come, ifEmpty: true }))).toEqual({
      ok: true,
      touched: [
        { table: 'studies', id: 's' },
        { table: 'log', id: 'l' },
      ],
    });
    expect([(await store.readStudy('s'))?.study.name, await db.log.count()]).toEqual(['Mine', 0]);
    await store.perform(exchange({ id: 'out', go: [{ table: 'studies', id: 's' }] }));
    await store.perform(exchange({ id: 'in', come, ifEmpty: true }));
    expect([(await store.readStudy('s'))?.study.name, await db.log.count()]).toEqual(['Shipped', 1]);
  });
  it('an act that was done before its tab was left is not done twice', async () => {
    await store.perform(edit(makeStudy('s', 'Old'), 0));
    const act = exchange({ id: 'in', come: [{ table: 'studies', row: row(makeStudy('s', 'New')) }] });
    await store.perform(act);
    await store.perform(act);
    await store.perform({ kind: 'put back', id: 'in' });
    expect((await store.readStudy('s'))?.study.name).toBe('Old');
  });
  it('tables that could not be opened once are opened when they are asked again', async () => {
    const real = IDBFactory.prototype.open;
    const refusing = vi.spyOn(IDBFactory.prototype, 'open').mockImplementation(() => {
      throw new DOMException('not now', 'InvalidStateError');
    });
    await expect(store.isEmpty()).rejects.toThrow();
    refusing.mockImplementation(real);
    refusing.mockRestore();
    expect(await store.isEmpty()).toBe(true);
    expect(await store.perform(edit(makeStudy('s', 'Study'), 0))).toMatchObject({ ok: true });
  });
  it('one refused row of many lets none of them in', async () => {
    const come = [
      { table: 'log' as const, row: entry },
      { table: 'profiles' as const, row: { ...DEFAULT_PROFILE, span: 1 as never } },
    ];
    expect(await store.perform(exchange({ come }))).toMatchObject({
      ok: false,
      refused: expect.stringMatching(/^span/) as string,
    });
    expect(await db.log.count()).toBe(0);
  });
  it('a large table is read portion by portion, nothing twice and nothing left out', async () => {
    await db.log.bulkPut(Array.from({ length: 1_234 }, (_, n) => ({ ...entry, id: `l${n}` })));
    const sizes: number[] = [];
    const ids = new Set<string>();
    for await (const { rows } of store.read('log')) {
      sizes.push(rows.length);
      rows.forEach((r) => ids.add(r.id));
    }
    expect(ids.size).toBe(1_234);
    expect(Math.max(...sizes)).toBeLessThanOrEqual(400);
  });
});
