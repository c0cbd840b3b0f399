import { type ComponentFixture, TestBed } from '@angular/core/testing';
import { makeStudy, setScript, STANDARD_TUNING, USUAL_HABITS } from '@ruffle-wheel/core';
import { writeStudy } from '@ruffle-wheel/core/format';
import { MatSnackBar } from '@angular/material/snack-bar';
import { Subject } from 'rxjs';
import {
  all,
  aWorld,
  choose,
  element,
  field,
  fromMenu,
  press,
  show,
  texts,
  type,
  type World,
} from '../../testing/world';
import { Exchange } from '../../compute/exchange';
import { Database } from '../../data/database';
import { Keeping } from '../../data/keeping';
import { DATABASE_NAME } from '../../data/database-name';
import { Exports } from '../../study';
import { type Question, Questions } from '../../ui/question';
import { NewStudy } from '../../parts/new-study/new-study';
import { WaysBack } from '../../ui/ways-back';
import { Hands } from './hands';
import { ShelfPlace } from './shelf-place';
import { soon } from '../../testing/soon';

/** Keeps what was said and lets a test press undo. */
class Bar {
  readonly said: string[] = [];
  action = new Subject<void>();
  open(text: string) {
    this.said.push(text);
    this.action = new Subject();
    return { onAction: () => this.action };
  }
}
let world: World;
let bar: Bar;
/** Answers given to questions, in their order, and the questions. */
let answers: unknown[];
let asked: Question<unknown>[];
beforeEach(async () => {
  bar = new Bar();
  answers = [];
  asked = [];
  const ask = (question: Question<unknown>) => {
    asked.push(question);
    return Promise.resolve(answers.shift());
  };
  world = await aWorld(undefined, [
    { provide: MatSnackBar, useValue: bar },
    { provide: Questions, useValue: { ask } },
  ]);
  await world.collection.settled();
});
const exportedText = async () => {
  const { files } = await TestBed.inject(Exports).everything();
  return files[0]!.text();
};
/** Chooses a file, as a player does. */
async function chooseFile(f: ComponentFixture<unknown>, text: string, name = 'x.json') {
  const input = all(f, 'input[type=file]')[0] as HTMLInputElement;
  Object.defineProperty(input, 'files', { value: [new File([text], name)], configurable: true });
  Object.defineProperty(input, 'value', { value: '', writable: true, configurable: true });
  input.dispatchEvent(new Event('change'));
  await f.whenStable();
}
const names = () =>
  world.collection
    .studies()
    .map((r) => r.study.name)
    .sort();

describe('shelf', () => {
  it('asks what a new study begins with', async () => {
    const f = await show(ShelfPlace);
    const asked = vi.spyOn(TestBed.inject(NewStudy), 'ask').mockResolvedValue();
    await press(f, 'New study');
    expect(asked).toHaveBeenCalledOnce();
  });
  it('copies under the next free name', async () => {
    const f = await show(ShelfPlace);
    await fromMenu(f, 'More for Study', 'Copy');
    await soon(() => expect(names()).toEqual(['Study', 'Study 2']));
    expect(world.open.study()?.name).toBe('Study 2');
    expect(TestBed.inject(WaysBack).back()).toBe('Study 2');
    await soon(() => expect(names()).toEqual(['Study']));
    expect(world.open.study()?.name).toBe('Study');
  });
  it('deletes with undo, and opens another when the open one goes', async () => {
    world.collection.addStudy(makeStudy('t', 'Other'));
    const f = await show(ShelfPlace);
    await fromMenu(f, 'More for Study', 'Delete');
    await soon(() => expect(names()).toEqual(['Other']));
    await soon(() => expect(world.open.study()?.name).toBe('Other'));
    expect(bar.said).toEqual(['Study deleted. Ctrl+Z takes it back too.']);
    bar.action.next();
    await soon(() => expect(names()).toEqual(['Other', 'Study']));
  });
  it('by keyboard one goes on from the row that has come into the place of a deleted one', async () => {
    world.collection.addStudy(makeStudy('t', 'Other'));
    const f = await show(ShelfPlace);
    document.body.append(element(f));
    await fromMenu(f, 'More for Other', 'Delete');
    await soon(() => expect(document.activeElement?.getAttribute('aria-label')).toBe('More for Study'));
    element(f).remove();
  });

  it('by keyboard one goes on from the row before when the last one is deleted', async () => {
    world.collection.addStudy(makeStudy('t', 'Other'));
    const f = await show(ShelfPlace);
    document.body.append(element(f));
    const labels = [...element(f).querySelectorAll('.rows .more')].map((e) => e.getAttribute('aria-label') ?? '');
    await fromMenu(f, labels.at(-1) ?? '', 'Delete');
    await soon(() => expect(document.activeElement?.getAttribute('aria-label')).toBe(labels.at(-2)));
    element(f).remove();
  });
  it('clears everything once it was asked, with undo', async () => {
    const f = await show(ShelfPlace);
    answers.push(null, true);
    await fromMenu(f, 'More for all', 'Clear everything');
    expect(names()).toEqual(['Study']);
    await fromMenu(f, 'More for all', 'Clear everything');
    await soon(() => expect(world.collection.studies()).toEqual([]));
    await f.whenStable();
    expect(element(f).textContent).toMatch(/The shelf is empty/);
    bar.action.next();
    await soon(() => expect(world.open.study()?.name).toBe('Study'));
  });
  it('a study is renamed in its row', async () => {
    world.collection.addStudy(makeStudy('t', 'Other'));
    const f = await show(ShelfPlace);
    await fromMenu(f, 'More for Other', 'Rename');
    const name = field(f, 'Name of this study');
    name.value = 'Stairs';
    name.dispatchEvent(new Event('blur'));
    await soon(() => expect(names()).toEqual(['Stairs', 'Study']));
    await f.whenStable();
    expect(texts(f, '.rows h3')[0]).toMatch(/^Stairs/);
  });
  it('lists what was played or written last first, and finds by words of name, cycle and sections', async () => {
    for (const name of ['Old', 'Über Water']) world.collection.addStudy(makeStudy(name, name));
    const played = { studyId: 'Old', studyName: 'Old', sectionName: 'A', minutes: 1, passes: [], pain: false };
    const later = new Date(Date.now() + 60_000).toISOString();
    world.collection.saveLog({ id: 'l', startedAt: later, ...played });
    const f = await show(ShelfPlace);
    expect(texts(f, '.rows h3')[0]).toBe('Old');
    expect(texts(f, '.rows p')[0]).toMatch(/played/);
    await type(f, field(f, 'Search studies'), 'uber');
    expect(texts(f, '.rows h3')).toEqual(['Über Water']);
    await type(f, field(f, 'Search studies'), 'solea water');
    expect(texts(f, '.rows h3')).toEqual(['Über Water']);
    await type(f, field(f, 'Search studies'), 'xyz');
    expect(texts(f, '.rows')).toEqual(['No study is called so, in no such cycle, with no such section.']);
  });
  it('refuses a faulty file in words and lists its faults', async () => {
    const f = await show(ShelfPlace);
    const text = (await exportedText()).replace('"capo": 0', '"capo": 40');
    await chooseFile(f, text);
    await soon(() => expect(texts(f, '.refused').join(' ')).toMatch(/a fault; nothing was taken/));
    expect(texts(f, '.refused code')).toEqual(['studies[0].instrument.capo']);
    expect(names()).toEqual(['Study']);
  });
  it('takes a good file in and opens its one study', async () => {
    const f = await show(ShelfPlace);
    const other = setScript('t-a', 'p i m a')(makeStudy('t', 'From afar'));
    const text = writeStudy(other);
    await chooseFile(f, text);
    await soon(() => expect(world.open.study()?.name).toBe('From afar'));
    expect(bar.said[0]).toMatch(/^x.json: 1 study came in\./);
  });
  it('a file ends in words also where what reads it is missing: a study, a table of the log, the log as a table', async () => {
    const f = await show(ShelfPlace);
    const gone = () => Promise.reject(new Error('no worker'));
    vi.spyOn(TestBed.inject(Keeping), 'ask').mockImplementation(gone);
    await chooseFile(f, '{}');
    await soon(() => expect(texts(f, '.refused').join(' ')).toMatch(/could not be read/));
    expect(texts(f, '[role=status]').join(' ')).not.toMatch(/Reading the file/);
    vi.mocked(TestBed.inject(Keeping).ask).mockRestore();
    const exchange = TestBed.inject(Exchange);
    vi.spyOn(exchange, 'readLogTable').mockImplementation(gone);
    vi.spyOn(exchange, 'logTable').mockImplementation(gone);
    await chooseFile(f, 'started', 'log.csv');
    await soon(() => expect(texts(f, '.refused').join(' ')).toMatch(/could not be read/));
    await fromMenu(f, 'More for all', 'Log as a table');
    await soon(() => expect(bar.said.join(' ')).toMatch(/The log is empty|could not be made/));
  });
  it('a file that brings another version of mine asks; left, nothing is taken', async () => {
    const f = await show(ShelfPlace);
    const text = writeStudy({ ...world.open.study()!, note: 'theirs' });
    answers.push(null);
    await chooseFile(f, text);
    await soon(() => expect(asked).toHaveLength(1));
    expect(asked[0]).toMatchObject({
      list: ['study Study'],
      choices: [{ value: 'keep both' }, { value: 'leave mine' }, { value: 'take theirs' }],
    });
    expect(names()).toEqual(['Study']);
    answers.push('keep both');
    await chooseFile(f, text);
    await soon(() => expect(names()).toEqual(['Study', 'Study 2']));
    expect(bar.said.at(-1)).toMatch(/^x.json: 1 study came in\./);
  });
  it('what was deleted is listed for weeks, and put back from there; emptying asks', async () => {
    const f = await show(ShelfPlace);
    await fromMenu(f, 'More for Study', 'Delete');
    await soon(() => expect(texts(f, '.bin summary')).toEqual(['Deleted and replaced (1)']));
    await press(f, 'Put back Study');
    await soon(() => expect(names()).toEqual(['Study']));
    await soon(() => expect(world.collection.bin()).toEqual([]));
    await fromMenu(f, 'More for Study', 'Delete');
    await soon(() => expect(all(f, '.bin')).toHaveLength(1));
    answers.push(true);
    await press(f, 'Empty the bin');
    await soon(() => expect(world.collection.bin()).toEqual([]));
  });
  it('a row that can’t be read is listed, mended once it was asked, or deleted with undo', async () => {
    const db = new Database(TestBed.inject(DATABASE_NAME));
    const bad = { ...makeStudy('bad', 'Bad'), instrument: { tuning: STANDARD_TUNING, capo: 99 } };
    await db.studies.put({ id: 'bad', revision: 1, savedAt: '', study: bad });
    await world.collection.reload();
    const f = await show(ShelfPlace);
    expect(texts(f, 'app-unread li')[0]).toMatch(/^study bad instrument\.capo: It is 99; 12 is the most/);
    answers.push(true);
    await press(f, 'Mend bad');
    await soon(() => expect(names()).toEqual(['Bad', 'Study']));
    expect(asked[0]?.list).toEqual(['instrument.capo: It is 99; 12 is the most.']);
    await soon(() => expect(all(f, 'app-unread li')).toHaveLength(0));
    bar.action.next();
    await soon(() => expect(all(f, 'app-unread li')).toHaveLength(1));
    await press(f, 'Delete bad');
    await soon(() => expect(all(f, 'app-unread li')).toHaveLength(0));
    expect(names()).toEqual(['Study']);
  });
  it('a day that can’t be read is no reason for an empty shelf', async () => {
    world.collection.studies.update((rows) => rows.map((r) => ({ ...r, savedAt: '' })));
    const f = await show(ShelfPlace);
    expect(texts(f, '.rows p')[0]).toMatch(/saved on no known day/);
  });
  it('has a card for every technique', async () => {
    const f = await show(ShelfPlace);
    expect(texts(f, '.cards summary')).toEqual(expect.arrayContaining(['Picado', 'Alzapúa', 'Ghost', 'Plectrum']));
  });
});

describe('hands', () => {
  const hand = () => world.collection.profile();
  it('a limit changes the hand, bounds hold, nonsense goes back to what stood there', async () => {
    const f = await show(Hands);
    await type(f, field(f, 'i'), '210');
    await soon(() => expect(hand().returnMs.i).toBe(210));
    await type(f, field(f, 'm'), '5');
    await soon(() => expect(hand().returnMs.m).toBe(20));
    const span = field(f, 'Easy span');
    await type(f, span, '');
    expect(span.value).toBe('110');
  });
  it('a plectrum has its own return: the usual one until it is measured', async () => {
    const f = await show(Hands);
    const plectrum = field(f, 'Plectrum down again');
    expect(plectrum.value).toBe('140');
    expect(hand().plectrumMs).toBeUndefined();
    await type(f, plectrum, '180');
    await soon(() => expect(hand().plectrumMs).toBe(180));
  });
  it('the orders that a hand takes by habit are its own, the usual ones first', async () => {
    const f = await show(Hands);
    await choose(f, 'Runs alternate', 'm a');
    await soon(() => expect(hand().habits).toEqual({ ...USUAL_HABITS, pair: ['m', 'a'] }));
    await choose(f, 'Tremolo', 'p i m a');
    await soon(() => expect(hand().habits).toMatchObject({ pair: ['m', 'a'], tremolo: ['p', 'i', 'm', 'a'] }));
  });
  it('what schools do not agree on is settled, and left open again; notes are its own', async () => {
    const f = await show(Hands);
    await choose(f, 'Tip joints', 'firm');
    await soon(() => expect(hand().choices).toEqual({ tips: 'firm' }));
    await choose(f, 'Thumb, while fingers alternate', 'rests on string 6');
    await soon(() => expect(hand().choices).toEqual({ tips: 'firm', thumb: 'on string 6' }));
    await choose(f, 'Tip joints', 'open');
    await soon(() => expect(hand().choices).toEqual({ thumb: 'on string 6' }));
    await type(f, field(f, 'Notes of your own, a line each'), 'wrist low');
    await soon(() => expect(hand().notes).toBe('wrist low'));
  });
  it('new hands begin as a copy, with the cautions unread', async () => {
    const f = await show(Hands);
    await press(f, 'New hand');
    await soon(() => expect(world.collection.profiles()).toHaveLength(1));
    expect(hand()).toMatchObject({ name: 'New hand', cautionsRead: false });
    await f.whenStable();
    await type(f, field(f, 'Name'), 'Vera');
    await soon(() => expect(hand().name).toBe('Vera'));
    await choose(f, 'Little finger', 'q');
    await soon(() => expect(hand().littleFinger).toBe('q'));
  });
  it('shows the cautions and keeps that they were read', async () => {
    const f = await show(Hands);
    expect(texts(f, '.cautions li')[0]).toMatch(/Pain, numbness or tingling: stop/);
    const read = all(f, '.read input')[0] as HTMLInputElement;
    read.click();
    await soon(() => expect(hand().cautionsRead).toBe(true));
  });
});
