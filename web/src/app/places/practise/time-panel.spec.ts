import { TestBed } from '@angular/core/testing';
import { setLadder, setSteps } from '@ruffle-wheel/core';
import { InTime } from '../../parts/in-time';
import { SectionPlaying } from '../../parts/section-playing';
import {
  aWorld,
  all,
  choose,
  chosen,
  field,
  press,
  show,
  texts,
  type,
  type World,
  withLaterParts,
} from '../../testing/world';
import { PractisePlace } from './practise-place';
import { PracticeSession } from './session';
import { TimePanel } from './time-panel';

let world: World;
beforeEach(async () => {
  await withLaterParts(PractisePlace);
  world = await aWorld();
});
/** What sounds when the open section is played now, by kind. */
async function heard() {
  await TestBed.inject(SectionPlaying).play();
  TestBed.inject(SectionPlaying).stop();
  const plan = world.transport.loaded.at(-1)!;
  return { plan, kinds: new Set(plan.sounds.map((s) => s.kind)) };
}

describe('keeping time', () => {
  it('foot, hum, palmas against and silent bars are heard in what is played next, and stay set', async () => {
    const f = await show(TimePanel);
    expect([...(await heard()).kinds].sort()).toEqual(['clap', 'click', 'pluck']);
    await press(f, 'Foot');
    await press(f, 'Hum the chord');
    await choose(f, 'Palmas', 'The cycle, and a second pair against it');
    await choose(f, 'Silent bars', '2 bars heard, 2 silent');
    const { plan, kinds } = await heard();
    expect([...kinds].sort()).toEqual(['clap', 'click', 'drone', 'foot', 'muffled clap', 'pluck']);
    expect(plan.silent).toEqual({ heard: 2 * 12 * 5040, silent: 2 * 12 * 5040 });
    expect(texts(f, 'p.soft').join()).toMatch(/In silent bars nothing sounds/);
    expect(world.collection.settings().time).toEqual({
      palmas: 'against',
      foot: true,
      drone: true,
      stepsAClick: 0,
      silent: { heard: 2, silent: 2 },
    });
    await choose(f, 'Silent bars', 'None');
    expect((await heard()).plan.silent).toBeUndefined();
  });
  it('a silence that another version of the list had stays to be chosen', async () => {
    TestBed.inject(InTime).keep({ silent: { heard: 5, silent: 2 } });
    const f = await show(TimePanel);
    expect(chosen(f, 'Silent bars')).toBe('5 bars heard, 2 silent');
  });
  it('one step on a click: the click stays as fast as the counts were, so the music is slower', async () => {
    world.open.apply(setSteps('s-a', 4));
    const f = await show(TimePanel);
    const steps = world.open.section()!.stepsPerCount;
    await choose(f, 'A click on', 'Every step');
    expect(TestBed.inject(InTime).speed()).toBe(1 / steps);
    await press(f, 'Half speed');
    expect(TestBed.inject(InTime).speed()).toBe(1 / steps / 2);
    const { plan } = await heard();
    const clicks = plan.sounds.filter((s) => s.kind === 'click').map((s) => s.at);
    expect((clicks[1] ?? 0) - (clicks[0] ?? 0)).toBe(5040 / steps);
  });
  it('how a section is felt is its own, can be taken back, and keeps to its bounds', async () => {
    const f = await show(TimePanel);
    await type(f, field(f, 'Behind the click'), '500');
    expect(world.open.section()?.feel).toEqual({ swing: 50, leanMs: 80 });
    await choose(f, 'A beat on', 'Every 3 counts');
    expect(world.open.section()?.feel).toEqual({ swing: 50, leanMs: 80, countsABeat: 3 });
    world.open.undo();
    world.open.undo();
    expect(world.open.section()?.feel).toBeNull();
    await type(f, all(f, 'input[type=range]')[0] as HTMLInputElement, '66');
    expect(world.open.section()?.feel?.swing).toBe(66);
  });
  it('steps in threes do not swing, and say so', async () => {
    world.open.apply(setSteps('s-a', 3));
    const f = await show(TimePanel);
    expect(texts(f, 'p.soft').join()).toMatch(/do not swing/);
    expect((all(f, 'input[type=range]')[0] as HTMLInputElement).disabled).toBe(true);
  });
});

describe('half speed', () => {
  it('is a pass at half the tempo, and leaves the ladder where it is', async () => {
    world.open.adjust(setLadder('s-a', { start: 100, end: 140, step: 10, passes: 1 }));
    const session = TestBed.inject(PracticeSession);
    await session.begin();
    TestBed.inject(InTime).toggleHalf();
    session.mark(true);
    session.mark(true);
    expect(session.passes().map((p) => p.bpm)).toEqual([50, 50]);
    expect(world.open.section()?.bpm).toBe(100);
    TestBed.inject(InTime).toggleHalf();
    session.mark(true);
    expect(world.open.section()?.bpm).toBe(110);
    session.takeBack();
    expect(world.open.section()?.bpm).toBe(100);
    session.takeBack();
    session.takeBack();
    expect(world.open.section()?.bpm).toBe(100);
    await session.finish();
  });
  it('the stage says the tempo that is heard, and of which', async () => {
    const f = await show(PractisePlace);
    const own = world.open.section()!.bpm;
    TestBed.inject(InTime).toggleHalf();
    await f.whenStable();
    expect(texts(f, '.under').join()).toMatch(new RegExp(`${Math.round(own / 2)}\\s*counts a minute\\s*of ${own}`));
  });
});
