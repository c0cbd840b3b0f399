import { TestBed } from '@angular/core/testing';
import {
  addSection,
  cycleById,
  makeStudy,
  setForm,
  setCapo,
  setScript,
  setWords,
  type Study,
} from '@ruffle-wheel/core';
import { InTime } from '../../parts/in-time';
import { PiecePlaying } from '../../parts/piece-playing';
import { aWorld, all, button, choose, press, show, texts, type World, withLaterParts } from '../../testing/world';
import { PlanRun } from './plan-run';
import { PractisePlace } from './practise-place';
import { PracticeSession } from './session';
import { SetPanel } from './set-panel';

let world: World;
const capoAt = (study: Study, capo: number): Study => setCapo(capo)(study);
beforeEach(async () => {
  await withLaterParts(PractisePlace);
  world = await aWorld();
  const other = makeStudy('other', 'Salt Rope', cycleById('tangos'));
  world.collection.addStudy(capoAt(setScript(other.sections[0]!.id, 'p i m a')(other), 3));
  world.collection.addStudy(makeStudy('empty', 'Nothing yet', cycleById('tangos')));
  await world.collection.settled();
});
const blocks = () =>
  TestBed.inject(PlanRun)
    .plan()
    ?.blocks.map((b) => `${b.kind} ${b.about?.studyId ?? b.why.code}`);

describe('the set list', () => {
  it('keeps pieces in their order, and gets them ready with what has to be done between them', async () => {
    const f = await show(SetPanel);
    await choose(f, 'Add a study', 'Salt Rope');
    await choose(f, 'Add a study', 'Study');
    await choose(f, 'Add a study', 'Nothing yet');
    expect(texts(f, 'li b')).toEqual(['Salt Rope', 'Study', 'Nothing yet']);
    expect(texts(f, 'li .soft')[0]).toMatch(/^at \d+ · capo 3$/);
    expect(all(f, 'mat-select')).toHaveLength(0);
    await press(f, 'Earlier in the set: Study');
    expect(world.collection.settings().set).toEqual(['s', 'other', 'empty']);
    expect(button(f, 'Earlier in the set: Study').disabled).toBe(true);
    await press(f, 'Get the set ready');
    expect(blocks()).toEqual(['form s', 'break next, other capo', 'form other']);
    await press(f, 'Take out of the set: Study');
    expect(world.collection.settings().set).toEqual(['other', 'empty']);
  });
  it('a study that was deleted is no more in it; a set in which nothing is written says so', async () => {
    world.collection.set({ set: ['gone', 'empty'] });
    const f = await show(SetPanel);
    expect(texts(f, 'li b')).toEqual(['Nothing yet']);
    await press(f, 'Get the set ready');
    expect(texts(f, '[role=alert]')).toEqual(['Nothing is written in any of them.']);
    expect(TestBed.inject(PlanRun).plan()).toBeNull();
  });
  it('is played as it is: nothing of it is left out for time', async () => {
    await show(PractisePlace);
    const run = TestBed.inject(PlanRun);
    await run.makeSet(['other', 's'].map((id) => world.collection.row(id)!.study));
    const whole = run.plan()!;
    // Made shorter by hand, as if time had run out: it stays.
    world.collection.savePlan({ ...whole, minutes: 1 });
    await run.start();
    await run.pause();
    expect(run.plan()?.blocks.map((b) => b.minutes)).toEqual(whole.blocks.map((b) => b.minutes));
  });
});

describe('a piece of a set at half speed', () => {
  beforeEach(() => vi.useFakeTimers({ toFake: ['setInterval', 'clearInterval', 'performance'] }));
  afterEach(() => vi.useRealTimers());
  it('lasts twice as long; a break has its minutes', async () => {
    await show(PractisePlace);
    const run = TestBed.inject(PlanRun);
    await run.makeSet(['s', 'other'].map((id) => world.collection.row(id)!.study));
    const seconds = run.block()!.minutes * 60;
    TestBed.inject(InTime).toggleHalf();
    expect(run.left()).toBe(2 * seconds);
    await run.start();
    vi.advanceTimersByTime(10_000);
    expect(run.left()).toBeCloseTo(2 * seconds - 10, 5);
    await run.skip();
    expect(run.block()?.kind).toBe('break');
    expect(run.left()).toBe(run.block()!.minutes * 60);
    await run.pause();
  });
});

describe('what one looks up for', () => {
  it('the part of the form that is heard, and the one that follows', async () => {
    world.open.apply(addSection('b', 'Answer', cycleById('buleria')!));
    world.open.apply(setScript('b', 'p i m'));
    world.open.apply(setForm('A Answer A'));
    const f = await show(PractisePlace);
    TestBed.inject(PracticeSession).follows.set({ plan: 'p', block: 0, bpm: null, form: true, most: Infinity });
    await TestBed.inject(PiecePlaying).play();
    await f.whenStable();
    expect(texts(f, '.part b, .part .soft')).toEqual(['part 1 of 3: A', 'then Answer']);
    const { placeIn, plan } = world.transport.instead.at(-1)!;
    const { parts } = plan as { parts: { at: number }[] };
    placeIn(parts[2]!.at);
    f.detectChanges();
    expect(texts(f, '.part b, .part .soft')).toEqual(['part 3 of 3: A', 'the last part']);
  });
  it('the words of the bar, the one that is due marked', async () => {
    world.open.apply(setWords('s-a', 'hey - ho | ole'));
    const f = await show(PractisePlace);
    expect(texts(f, '.sung span').length).toBeGreaterThan(1);
    expect(all(f, '.sung .now')).toHaveLength(0);
    world.transport.state.set('playing');
    world.transport.heard.set(0);
    f.detectChanges();
    expect(texts(f, '.sung .now')).toEqual(['hey']);
    world.transport.heard.set(12 * 5040);
    f.detectChanges();
    expect(texts(f, '.sung')).toEqual(['ole']);
  });
});
