import { TestBed } from '@angular/core/testing';
import { makeStudy, setScript, setTempo } from '@ruffle-wheel/core';
import { Compute } from '../compute/compute';
import { Store } from '../data';
import { DATABASE_NAME } from '../data/database';
import { Collection } from './collection';
import { OpenStudy } from './open-study';

const quiet = { ask: () => undefined, answered: () => null };

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
    await collection.addStudy(makeStudy('s', 'Study'));
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
    open.tryOut({ script: 'id iu', stepsPerCount: 4, start: 0 });
    expect(script()).toBe('id iu');
    expect(open.study()?.sections[0]?.script).toBe('p');
    open.tryOut(null);
    expect(script()).toBe('p');
    open.tryOut({ script: 'ed ad', stepsPerCount: 4, start: 0 });
    open.keepPreview();
    expect(open.study()?.sections[0]).toMatchObject({ script: 'ed ad', stepsPerCount: 4 });
    open.undo();
    expect(script()).toBe('p');
  });
  it('letters typed in one go are one step', () => {
    for (const text of ['e', 'ed', 'ed ', 'ed a', 'ed ad']) open.apply(setScript('s-a', text), 'script');
    open.undo();
    expect(script()).toBe('');
  });
  it('saves by itself what was made', async () => {
    open.apply(setScript('s-a', 'ed ad'));
    expect(open.saved()).toBe('saving');
    await vi.waitFor(() => expect(open.saved()).toBe('saved'));
    expect((await TestBed.inject(Store).readStudy('s'))?.study.sections[0]?.script).toBe('ed ad');
  });
  it('stops saving when another tab was faster; mine is kept as a copy', async () => {
    const store = TestBed.inject(Store);
    await store.saveStudy({ ...makeStudy('s', 'Study'), note: 'theirs' }, 1);
    open.apply(setScript('s-a', 'mine'));
    await vi.waitFor(() => expect(open.saved()).toBe('conflict'));
    await open.keepMineAsCopy();
    expect(open.study()).toMatchObject({ name: 'Study 2', sections: [{ script: 'mine' }] });
    expect((await store.readStudy('s'))?.study.note).toBe('theirs');
  });
  it('or theirs is shown and goes on from there', async () => {
    const store = TestBed.inject(Store);
    await store.saveStudy({ ...makeStudy('s', 'Study'), note: 'theirs' }, 1);
    open.apply(setScript('s-a', 'mine'));
    await vi.waitFor(() => expect(open.saved()).toBe('conflict'));
    await open.takeTheirs();
    expect(open.study()?.note).toBe('theirs');
    open.apply(setScript('s-a', 'after'));
    await vi.waitFor(() => expect(open.saved()).toBe('saved'));
  });
  it('deleting a study can be undone', async () => {
    const undo = await collection.deleteStudy('s');
    expect(collection.studies()).toEqual([]);
    await undo();
    expect(collection.studies()[0]?.study.name).toBe('Study');
  });
  it('everything exported, cleared and taken in again is exported the same to the letter', async () => {
    const before = await collection.exportEverything();
    await collection.clear();
    const result = await collection.importFile(new Blob([before]));
    expect(result).toMatchObject({ ok: true, studies: 1 });
    expect(await collection.exportEverything()).toBe(before);
  });
  it('a refused file changes nothing, and a huge one is not even read', async () => {
    const before = await collection.exportEverything();
    const huge = { size: 200 * 1024 * 1024, text: () => Promise.reject(new Error('was read')) } as unknown as Blob;
    expect(await collection.importFile(huge)).toMatchObject({ ok: false, code: 'too large' });
    expect(await collection.importFile(new Blob(['{']))).toMatchObject({ ok: false, code: 'not JSON' });
    expect(await collection.exportEverything()).toBe(before);
  });
});
