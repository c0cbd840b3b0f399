import { TestBed } from '@angular/core/testing';
import { DEFAULT_PROFILE, type Fact, makeStudy, setScript, setTempo } from '@ruffle-wheel/core';
import { writeStudy } from '@ruffle-wheel/core/format';
import { Compute } from '../compute/compute';
import { type Operation, Store } from '../data';
import type { Meeting } from '../data/arrival';
import { DATABASE_NAME } from '../data/database-name';
import { otherTab, refusingStorage } from '../testing/other-tab';
import { Arrivals } from './arrivals';
import { Collection } from './collection';
import { Exports } from './exports';
import { Leaving } from './leaving';
import { OpenStudy } from './open-study';
import { soon } from '../testing/soon';

const quiet = { ask: () => undefined, answered: () => null };
const deletion: Operation = {
  kind: 'exchange',
  id: 'gone',
  at: '2026-05-01T10:00:00.000Z',
  what: 'deleted',
  name: 'Study',
  come: [],
  go: [{ table: 'studies', id: 's' }],
};
afterEach(() => vi.restoreAllMocks());

describe('the open study', () => {
  let open: OpenStudy;
  let collection: Collection;
  beforeEach(async () => {
    TestBed.configureTestingModule({
      providers: [
        { provide: Compute, useValue: quiet },
        { provide: DATABASE_NAME, useValue: crypto.randomUUID() },
      ],
    });
    collection = TestBed.inject(Collection);
    collection.addStudy(makeStudy('s', 'Study'));
    open = TestBed.inject(OpenStudy);
    open.open(collection.studies()[0]!);
  });
  const script = () => open.section()?.script;

  it('undoes and redoes commands', () => {
    open.apply(setScript('s-a', 'p'));
    open.apply(setTempo('s-a', 99));
    open.undo();
    expect(open.section()?.bpm).not.toBe(99);
    expect(script()).toBe('p');
    open.undo();
    expect(script()).toBe('');
    expect(open.canUndo()).toBe(false);
    open.redo();
    open.redo();
    expect(open.section()).toMatchObject({ script: 'p', bpm: 99 });
    open.undo();
    open.apply(setScript('s-a', 'i'));
    expect(open.canRedo()).toBe(false);
  });
  it('what is tried out is shown, not stored, until it is kept; keeping it is one step of undo', () => {
    open.apply(setScript('s-a', 'p'));
    open.tryTrial({ script: 'id iu', stepsPerCount: 4, start: 0 });
    expect(script()).toBe('id iu');
    expect(open.study()?.sections[0]?.script).toBe('p');
    open.tryOut(null);
    expect(script()).toBe('p');
    open.tryTrial({ script: 'ed ad', stepsPerCount: 4, start: 0 });
    open.keepTried();
    expect(open.study()?.sections[0]).toMatchObject({ script: 'ed ad', stepsPerCount: 4 });
    open.undo();
    expect(script()).toBe('p');
  });
  it('letters typed in one go are one step', () => {
    for (const text of ['e', 'ed', 'ed ', 'ed a', 'ed ad']) open.apply(setScript('s-a', text), 'script');
    open.undo();
    expect(script()).toBe('');
  });
  it('saves by itself what was made, the latest at once', async () => {
    open.apply(setScript('s-a', 'ed ad'));
    expect(open.saved()).toBe('saving');
    await soon(() => expect(open.saved()).toBe('saved'));
    expect((await TestBed.inject(Store).readStudy('s'))?.study.sections[0]?.script).toBe('ed ad');
  });
  it('a gesture that the study can’t hold changes nothing and says why', () => {
    const said: Fact[] = [];
    open.refusals.subscribe((why) => said.push(why));
    open.apply(setScript('s-a', 'p'.repeat(20_002)));
    expect(script()).toBe('');
    expect(said).toMatchObject([{ about: expect.arrayContaining([20_000]) as unknown }]);
    expect(open.canUndo()).toBe(false);
  });
  it('what is not saved of one study is said of that study alone', async () => {
    collection.addStudy(makeStudy('t', 'Other'));
    collection.saveProfile({ ...DEFAULT_PROFILE, span: 1 as never });
    collection.saveStudy({ ...open.study()!, instrument: { ...open.study()!.instrument, capo: 99 } }, { revision: 1 });
    await open.flush();
    expect(open.saved()).toBe('refused');
    open.open(collection.row('t')!);
    expect(open.saved()).toBe('saved');
    open.open(collection.row('s')!);
    expect(open.saved()).toBe('refused');
    collection.saveStudy({ ...open.study()!, instrument: { ...open.study()!.instrument, capo: 3 } }, { revision: 1 });
    await soon(() => expect(open.saved()).toBe('saved'));
  });
  it('nothing is called saved while the tables don’t answer', async () => {
    await open.flush();
    collection.opening.set(true);
    expect(open.saved()).toBe('opening');
    collection.opening.set(false);
    expect(open.saved()).toBe('saved');
  });
  it('while storage refuses, everything stays here and in both exports, and is stored when it takes again', async () => {
    await open.flush();
    const storage = refusingStorage();
    open.apply(setScript('s-a', 'ed ad'));
    collection.saveProfile({ ...DEFAULT_PROFILE, name: 'Mine' });
    collection.addStudy(makeStudy('t', 'Made meanwhile'));
    await soon(() => expect(open.saved()).toBe('failed'));
    expect(TestBed.inject(Leaving).asks()).toBe(true);
    const text = await exported();
    expect(text).toContain('ed ad');
    expect(text).toContain('Made meanwhile');
    expect(collection.profile().name).toBe('Mine');
    // Another study opened meanwhile takes nothing away.
    open.open(collection.row('t')!);
    open.apply(setScript('t-a', 'p i'));
    storage.refuses = false;
    vi.restoreAllMocks();
    open.apply(setTempo('t-a', 77));
    await soon(() => expect(open.saved()).toBe('saved'));
    const { store } = otherTab();
    expect((await store.readStudy('s'))?.study.sections[0]?.script).toBe('ed ad');
    expect((await store.readStudy('t'))?.study.sections[0]).toMatchObject({ script: 'p i', bpm: 77 });
    expect(TestBed.inject(Leaving).asks()).toBe(false);
  });

  describe('beside another tab', () => {
    const theirs = (note: string) => otherTab().save({ ...makeStudy('s', 'Study'), note });
    beforeEach(() => open.flush());
    const inConflict = async () => {
      await theirs('theirs');
      open.apply(setScript('s-a', 'mine'));
      await soon(() => expect(open.saved()).toBe('conflict'));
      return open.conflict()!;
    };
    it('follows what the other has stored; taking it back is a choice between two versions', async () => {
      open.apply(setScript('s-a', 'p'));
      await open.flush();
      const { store } = otherTab();
      const now = (await store.readStudy('s'))!;
      await otherTab().save({ ...now.study, note: 'theirs' });
      await soon(() => expect(open.study()?.note).toBe('theirs'));
      open.undo();
      expect(open.study()?.note).toBe('');
      await soon(() => expect(open.saved()).toBe('conflict'));
      expect((await store.readStudy('s'))?.study.note).toBe('theirs');
      // Further back it stays one.
      open.undo();
      await open.flush();
      expect((await store.readStudy('s'))?.study.note).toBe('theirs');
      // Brought again, nothing is left to choose.
      open.redo();
      open.redo();
      await soon(() => expect(open.saved()).toBe('saved'));
      expect(await store.readUnsettled()).toEqual([]);
      expect((await store.readStudy('s'))?.study).toMatchObject({ note: 'theirs', sections: [{ script: 'p' }] });
    });
    it('stops saving when the other was faster; mine is kept as a copy', async () => {
      const conflict = await inConflict();
      expect(TestBed.inject(Leaving).asks()).toBe(true);
      open.keepMine(conflict);
      expect(open.study()).toMatchObject({ name: 'Study 2', sections: [{ script: 'mine' }] });
      await soon(() => expect(open.saved()).toBe('saved'));
      expect((await otherTab().store.readStudy('s'))?.study.note).toBe('theirs');
      expect(await otherTab().store.readUnsettled()).toEqual([]);
    });
    it('or theirs is shown and goes on from there; mine is a step of undo away, and in the bin', async () => {
      await open.takeTheirs(await inConflict());
      expect(open.study()?.note).toBe('theirs');
      await soon(() => expect(collection.bin()).toMatchObject([{ what: 'other version', name: 'Study' }]));
      open.undo();
      expect(script()).toBe('mine');
      await soon(() => expect(open.saved()).toBe('saved'));
      expect((await otherTab().store.readStudy('s'))?.study.sections[0]?.script).toBe('mine');
      collection.putBack(collection.bin()[0]!.id);
      await soon(() => expect(collection.studies()).toHaveLength(2));
    });
    it('a choice not yet made waits through other studies and the next start; nothing of mine goes', async () => {
      await inConflict();
      open.apply(setScript('s-a', 'mine and more'));
      await open.flush();
      collection.addStudy(makeStudy('t', 'Other'));
      open.open(collection.row('t')!);
      open.open(collection.row('s')!);
      expect(script()).toBe('mine and more');
      expect(open.saved()).toBe('conflict');
      expect(await exported()).toContain('mine and more');
      expect(await otherTab().store.readUnsettled()).toMatchObject([
        { mine: { sections: [{ script: 'mine and more' }] } },
      ]);
    });
    it('a study deleted elsewhere is no longer called saved; it can be kept', async () => {
      await otherTab().store.perform(deletion);
      await soon(() => expect(open.saved()).toBe('gone'));
      open.apply(setScript('s-a', 'p'));
      expect(await otherTab().store.readStudy('s')).toBeNull();
      open.restore();
      await soon(() => expect(open.saved()).toBe('saved'));
      expect((await otherTab().store.readStudy('s'))?.study.sections[0]?.script).toBe('p');
    });
    it('a study deleted elsewhere while it was edited here waits for a choice; kept, it has its own id', async () => {
      await otherTab().store.perform(deletion);
      collection.saveStudy({ ...open.study()!, note: 'late' }, { revision: 1 });
      await soon(() => expect(collection.conflicts()).toHaveLength(1));
      collection.studies.set([]);
      expect(open.keepMine(collection.conflicts()[0]!).id).toBe('s');
      await open.flush();
      expect((await otherTab().store.readStudy('s'))?.study.note).toBe('late');
    });
    it('an import over the open study there is noticed here', async () => {
      const come = [
        { table: 'studies' as const, row: { id: 's', revision: 0, savedAt: '', study: makeStudy('s', 'Imported') } },
      ];
      await otherTab().store.perform({
        kind: 'exchange',
        id: 'x',
        at: '',
        what: 'replaced',
        name: 'File',
        come,
        go: [],
      });
      await soon(() => expect(open.study()?.name).toBe('Imported'));
    });
  });

  it('deleting a study can be undone, however many are deleted after it', async () => {
    collection.addStudy(makeStudy('t', 'Other'));
    const [first, second] = [collection.deleteStudy('s'), collection.deleteStudy('t')];
    expect(collection.studies()).toEqual([]);
    first();
    second();
    expect(names()).toEqual(['Other', 'Study']);
    await open.flush();
    expect((await otherTab().store.readStudy('s'))?.study.name).toBe('Study');
    // Edits go on as if nothing had been.
    open.apply(setScript('s-a', 'after'));
    await soon(() => expect(open.saved()).toBe('saved'));
  });
  const exported = async () => {
    const { files } = await TestBed.inject(Exports).everything();
    return (await Promise.all(files.map((f) => f.text()))).join('');
  };
  const names = () =>
    collection
      .studies()
      .map((r) => r.study.name)
      .sort();
  const take = async (text: string, how: Meeting) => {
    const result = await TestBed.inject(Arrivals).look(new Blob([text]), 'file.json');
    return result.ok ? TestBed.inject(Arrivals).take(result.arrival, how) : null;
  };
  it('everything exported, cleared and taken in again is exported the same to the letter', async () => {
    const before = await exported();
    collection.clear('Everything');
    await open.flush();
    expect(await exported()).not.toBe(before);
    await take(before, 'leave mine');
    expect(await exported()).toBe(before);
  });
  describe('what a file brings of a study that is here otherwise', () => {
    const other = writeStudy({ ...makeStudy('s', 'Study'), note: 'from the file' });
    it('is told before anything is taken', async () => {
      const result = await TestBed.inject(Arrivals).look(new Blob([other]), 'file.json');
      expect(result).toMatchObject({ ok: true, arrival: { differing: [{ row: { id: 's' } }], fresh: [], already: 0 } });
      expect(collection.row('s')?.study.note).toBe('');
    });
    it.each<[Meeting, string[], string]>([
      ['leave mine', ['Study'], ''],
      ['keep both', ['Study', 'Study 2'], ''],
      ['take theirs', ['Study'], 'from the file'],
    ])('%s', async (how, left, note) => {
      const back = await take(other, how);
      expect(names()).toEqual(left);
      expect(collection.row('s')?.study.note).toBe(note);
      back?.back();
      expect(names()).toEqual(['Study']);
      expect(collection.row('s')?.study.note).toBe('');
    });
    it('replacing the open one shows it, also over edits not yet stored; one undo leads back', async () => {
      open.apply(setScript('s-a', 'unsaved'));
      await take(other, 'take theirs');
      expect(open.study()?.note).toBe('from the file');
      open.undo();
      expect(script()).toBe('unsaved');
      await soon(() => expect(open.saved()).toBe('saved'));
    });
  });
  it('a refused file changes nothing, and a huge one is not even read', async () => {
    const before = await exported();
    const look = (file: Blob) => TestBed.inject(Arrivals).look(file, 'file.json');
    const huge = {
      size: 200 * 1024 * 1024,
      arrayBuffer: () => Promise.reject(new Error('was read')),
    } as unknown as Blob;
    expect(await look(huge)).toMatchObject({ ok: false, code: 'too large' });
    expect(await look(new Blob(['{']))).toMatchObject({ ok: false, code: 'not JSON' });
    const latin = new Blob([new Uint8Array([123, 34, 0xe9, 34, 125])]);
    expect(await look(latin)).toMatchObject({ ok: false, code: 'damaged letters' });
    expect(await exported()).toBe(before);
  });
});
