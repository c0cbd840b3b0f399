import { TestBed } from '@angular/core/testing';
import { type PlannedBlock, setLadder, setScript } from '@ruffle-wheel/core';
import {
  aWorld,
  all,
  button,
  field,
  key as keydown,
  press,
  show,
  texts,
  type,
  type World,
  withLaterParts,
} from '../../testing/world';
import { Keys } from '../../keys/keys';
import { PlanRun } from './plan-run';
import { PractisePlace } from './practise-place';
import { PracticeSession } from './session';

let world: World;
beforeEach(async () => {
  await withLaterParts(PractisePlace);
  world = await aWorld();
  world.open.adjust(setScript('s-a', 'p:5 i:3 m:2 a:1 m:2 i:3'));
  world.open.adjust(setLadder('s-a', { start: 100, end: 130, step: 10, passes: 1 }));
  vi.useFakeTimers({ toFake: ['setInterval', 'clearInterval', 'performance'] });
});
afterEach(() => vi.useRealTimers());
const key = (name: string) => TestBed.inject(Keys).press(keydown(name));
const run = () => TestBed.inject(PlanRun);
const session = () => TestBed.inject(PracticeSession);
const block = (kind: PlannedBlock['kind'], minutes: number, more: Partial<PlannedBlock> = {}): PlannedBlock => ({
  kind,
  minutes,
  bpm: null,
  why: { code: 'warm up', about: [] },
  ...more,
});
const here = { studyId: 's', sectionId: 's-a' };
/** A plan of the day with these blocks, taken up. */
async function planned(...blocks: PlannedBlock[]) {
  const f = await show(PractisePlace);
  await run().make(10);
  const plan = run().plan()!;
  world.collection.savePlan({ ...plan, minutes: blocks.reduce((sum, b) => sum + b.minutes, 0), blocks });
  f.detectChanges();
  return f;
}
async function pass(minutes: number) {
  for (let n = 0; n < minutes * 240; n++) {
    vi.advanceTimersByTime(250);
    await Promise.resolve();
    if (n % 40 === 0) await settle();
  }
  await settle();
}
/** Until storage has answered. */
const settle = async () => {
  for (let n = 0; n < 6; n++) await new Promise((r) => setTimeout(r, 4));
  await world.collection.settled();
  await new Promise((r) => setTimeout(r, 4));
};
const kinds = () =>
  run()
    .plan()
    ?.blocks.map((b) => `${b.kind}${b.done ? ` ${b.done.end}` : ''}`);

describe('a planned session', () => {
  it('is made by one key, shows why each block is there, and is kept', async () => {
    const f = await show(PractisePlace);
    key('w');
    await settle();
    f.detectChanges();
    expect(texts(f, 'ol b')[0]).toBe('Warm up');
    expect(texts(f, 'ol .min').reduce((sum, t) => sum + parseFloat(t), 0)).toBe(20);
    expect(texts(f, 'ol .soft').every((t) => t !== '')).toBe(true);
    expect(world.collection.plans()).toHaveLength(1);
    await press(f, 'Put the plan away');
    expect(all(f, 'ol')).toHaveLength(0);
  });
  it('minutes of one’s own are asked for within bounds', async () => {
    const f = await show(PractisePlace);
    key('t');
    await f.whenStable();
    await type(f, field(f, 'Minutes'), '2');
    await press(f, 'Plan');
    expect(texts(f, '[role=alert]').join()).toMatch(/from 3 to 180/);
    await type(f, field(f, 'Minutes'), '8');
    await press(f, 'Plan');
    await settle();
    f.detectChanges();
    expect(run().plan()?.minutes).toBe(8);
  });
  it('blocks follow one another by themselves: silence by its time, what sounds by its pass; the line belongs to its block', async () => {
    await planned(block('warm-up', 1), block('together', 1, { about: here, bpm: 90 }), block('break', 0.5));
    key(' ');
    await settle();
    expect(run().on()).toBe(true);
    expect(session().running()).toBe(false);
    await pass(1.1);
    expect(session().running()).toBe(true);
    expect(world.transport.played.at(-1)).toBe(90);
    session().mark(false);
    await pass(1.2);
    expect(kinds()).toEqual(['warm-up clean', 'together not clean', 'break']);
    expect(world.collection.log()[0]).toMatchObject({ sectionId: 's-a', plan: run().plan()!.id, block: 1 });
    await pass(0.6);
    expect(run().on()).toBe(false);
    expect(run().at()).toBe(-1);
  });
  it('by pedal alone: the same pedal begins, goes on from silence, and marks', async () => {
    await planned(
      block('warm-up', 1),
      block('check', 1, { about: here, bpm: 90 }),
      block('together', 1, { about: here, bpm: 80 }),
    );
    for (let n = 0; n < 2; n++) {
      key('PageDown');
      await settle();
    }
    expect(session().running()).toBe(true);
    expect(session().cold()).toBe(90);
    key('PageDown');
    await pass(0.05);
    // The one cold pass is over with its mark, and the next block has begun.
    expect(kinds()).toEqual(['warm-up clean', 'check clean', 'together']);
    expect(world.collection.log()[0]).toMatchObject({ cold: true, passes: [{ bpm: 90, clean: true }] });
    expect(world.transport.played.at(-1)).toBe(80);
    expect(world.collection.log().filter((e) => e.cold)).toHaveLength(1);
  });
  it('is skipped, shortened, swapped, taken up again, and noted as tense', async () => {
    const f = await planned(
      block('warm-up', 3),
      block('together', 2, { about: here, bpm: 90 }),
      block('form', 2, { about: { studyId: 's' } }),
    );
    key(' ');
    await settle();
    key('h');
    expect(run().block()?.minutes).toBe(2);
    key('x');
    await settle();
    expect(kinds()).toEqual(['together', 'warm-up', 'form']);
    expect(session().running()).toBe(true);
    key('m');
    key('s');
    await settle();
    expect(kinds()).toEqual(['together skipped', 'warm-up', 'form']);
    expect(run().plan()?.blocks[0]?.done?.tension).toBe(true);
    await run().takeUp(0);
    await settle();
    expect(kinds()).toEqual(['together', 'warm-up', 'form']);
    key(' ');
    await settle();
    expect(run().on()).toBe(false);
    f.detectChanges();
    expect(button(f, 'Start (Space)')).toBeDefined();
  });
  it('what a block is about is gone: it is said and skipped, and the next one comes', async () => {
    await planned(
      block('together', 1, { about: { studyId: 'gone', sectionId: 'x' } }),
      block('together', 1, { about: here, bpm: 70 }),
    );
    key(' ');
    await settle();
    await settle();
    expect(kinds()).toEqual(['together skipped', 'together']);
    expect(world.transport.played.at(-1)).toBe(70);
  });
  it('a form is played as it is ordered, with its tempi, and its line is of no section; it ends, and comes again', async () => {
    await planned(block('form', 4, { about: { studyId: 's' } }));
    const before = world.open.section()?.bpm;
    key(' ');
    await settle();
    expect(world.transport.instead).toHaveLength(1);
    expect(world.transport.instead[0]?.round).toBe(false);
    session().mark(true);
    expect(world.open.section()?.bpm).toBe(before);
    const [line] = world.collection.log();
    expect(line).toMatchObject({ sectionName: 'Study', block: 0, passes: [{ clean: true }] });
    expect(line).not.toHaveProperty('sectionId');
    world.transport.stop();
    await pass(0.1);
    expect(world.transport.instead).toHaveLength(2);
    await pass(3.5);
    world.transport.stop();
    await pass(0.1);
    expect(kinds()).toEqual(['form clean']);
  });
  it('after pain the ladder does not climb above the tempo at which it came', async () => {
    world.collection.saveLog({
      id: 'hurt',
      studyId: 's',
      studyName: 'Study',
      sectionName: 'A',
      sectionId: 's-a',
      startedAt: new Date(Date.now() - 86_400_000).toISOString(),
      minutes: 5,
      passes: [{ bpm: 104, clean: true }],
      pain: true,
    });
    await planned(block('together', 2, { about: here, bpm: 100 }));
    key(' ');
    await settle();
    for (let n = 0; n < 3; n++) session().mark(true);
    expect(
      session()
        .passes()
        .map((p) => p.bpm),
    ).toEqual([100, 104, 104]);
  });
  it('late, the rest is planned anew', async () => {
    await planned(
      ...Array.from({ length: 4 }, () => block('warm-up', 2)),
      block('form', 4, { about: { studyId: 's' } }),
    );
    key(' ');
    await settle();
    await pass(0.5);
    await run().pause();
    vi.advanceTimersByTime(4 * 60_000);
    await run().start();
    await pass(1.6);
    const rest = run()
      .plan()!
      .blocks.filter((b) => !b.done);
    expect(rest.reduce((sum, b) => sum + b.minutes, 0)).toBeLessThanOrEqual(6);
    expect(rest.at(-1)?.kind).toBe('form');
  });
  it('something else taken up by hand is what Space begins then, at its own tempo and on a line of its own', async () => {
    const f = await planned(block('together', 1, { about: here, bpm: 90 }));
    key(' ');
    await settle();
    session().mark(true);
    await press(f, 'Pause (Space)');
    await settle();
    const plan = run().plan();
    await press(f, 'Put the plan away');
    await settle();
    expect(run().plan()).toBeNull();
    key(' ');
    await settle();
    expect(run().on()).toBe(false);
    expect(session().running()).toBe(true);
    session().mark(true);
    await session().finish();
    const lines = world.collection.log();
    expect(lines.map((e) => e.plan)).toEqual(expect.arrayContaining([plan!.id, undefined]));
    expect(lines).toHaveLength(2);
  });
});
