import { TestBed } from '@angular/core/testing';
import { setLadder } from '@ruffle-wheel/core';
import { aWorld, all, choose, field, press, show, texts, type, type World, withLaterParts } from '../../testing/world';
import { Notice } from '../../ui/notice';
import { CoursePanel } from './course-panel';
import { GoalsPanel } from './goals-panel';
import { PractisePlace } from './practise-place';
import { PracticeSession } from './session';

let world: World;
beforeEach(async () => {
  await withLaterParts(PractisePlace);
  world = await aWorld();
  world.open.adjust(setLadder('s-a', { start: 100, end: 140, step: 10, passes: 1 }));
});
const NEXT_YEAR = `${new Date().getFullYear() + 1}-01-15`;

describe('goals', () => {
  it('a day to play on, a tempo, a form from memory, a pair of fingers', async () => {
    const f = await show(GoalsPanel);
    await type(f, field(f, 'Called'), 'Friday');
    await type(f, field(f, 'Day'), NEXT_YEAR);
    await press(f, 'Set it');
    await choose(f, 'What for', 'A tempo');
    await type(f, field(f, 'Tempo'), '132');
    await press(f, 'Set it');
    await choose(f, 'What for', 'A pair of fingers, daily');
    await type(f, field(f, 'Minutes a day'), '4');
    await press(f, 'Set it');
    const kept = world.collection.goals();
    expect(kept.map((g) => g.kind).sort()).toEqual(['by a date', 'finger pair', 'tempo']);
    expect(kept.find((g) => g.kind === 'by a date')).toMatchObject({
      name: 'Friday',
      about: { studyId: 's' },
      by: NEXT_YEAR,
    });
    expect(kept.find((g) => g.kind === 'tempo')).toMatchObject({ bpm: 132, about: { studyId: 's', sectionId: 's-a' } });
    expect(kept.find((g) => g.kind === 'finger pair')).toMatchObject({ pair: ['m', 'a'], minutesADay: 4 });
    expect(kept.find((g) => g.kind === 'finger pair')?.about).toBeUndefined();
    expect(texts(f, 'li .soft')[0]).toBe(`Study, by 15 Jan ${NEXT_YEAR.slice(0, 4)}`);
  });
  it('what cannot be is refused in words, and nothing is kept of it', async () => {
    const f = await show(GoalsPanel);
    await type(f, field(f, 'Day'), '2020-01-01');
    await press(f, 'Set it');
    expect(texts(f, '[role=alert]')).toEqual(['Choose a day, today or later.']);
    await choose(f, 'What for', 'A tempo');
    await type(f, field(f, 'Tempo'), '4000');
    await press(f, 'Set it');
    expect(texts(f, '[role=alert]').join()).toMatch(/from 20 to 400/);
    expect(world.collection.goals()).toEqual([]);
  });
  it('is reached, open again, deleted, and taken back', async () => {
    const f = await show(GoalsPanel);
    await choose(f, 'What for', 'The form from memory');
    await press(f, 'Set it');
    await press(f, 'Reached, or not yet');
    expect(world.collection.goals()[0]?.reached).toMatch(/^\d{4}/);
    await press(f, 'Reached, or not yet');
    expect(world.collection.goals()[0]).not.toHaveProperty('reached');
    const [goal] = world.collection.goals();
    const undo = vi.spyOn(TestBed.inject(Notice), 'withUndo').mockImplementation(() => undefined);
    await press(f, 'Delete goal');
    expect(world.collection.goals()).toEqual([]);
    expect(all(f, 'li')).toEqual([]);
    undo.mock.calls[0]?.[1]();
    expect(world.collection.goals()).toEqual([goal]);
  });
});

describe('steps with gates', () => {
  it('are made of what is open; a day of clean passes counts, and opens the next', async () => {
    const f = await show(CoursePanel);
    await press(f, 'Make steps of what is open');
    await f.whenStable();
    const steps = () => texts(f, 'li b[data-own]');
    expect(steps()[0]).toBe('1 · Right hand alone');
    expect(texts(f, 'li[aria-current] b')[0]).toBe('1 · Right hand alone');
    const course = world.collection.courses()[0]!;
    expect(course.about).toEqual({ studyId: 's', sectionId: 's-a' });
    for (const day of ['2000-01-01', '2000-01-02'])
      world.collection.saveLog({
        id: day,
        studyId: 's',
        studyName: 'Study',
        sectionName: 'A',
        sectionId: 's-a',
        drill: 'open strings',
        startedAt: `${day}T10:00:00.000Z`,
        minutes: 3,
        passes: [{ bpm: 100, clean: true }],
        pain: false,
      });
    world.collection.saveCourse({ ...course, begun: '2000-01-01' });
    world.collection.logRead.set(true);
    f.detectChanges();
    expect(texts(f, 'li .good')).toEqual(['passed']);
    expect(texts(f, 'li[aria-current] b')[0]).toMatch(/^2 · /);
  });
  it('takes steps of the player’s own, leaves some out, and refuses what cannot be', async () => {
    const f = await show(CoursePanel);
    await press(f, 'Make steps of what is open');
    await f.whenStable();
    const n = world.collection.courses()[0]!.steps.length;
    await type(f, field(f, 'What is to be done'), 'With the singer');
    await type(f, field(f, 'Clean in a row'), '0');
    await press(f, 'Add it');
    expect(texts(f, '[role=alert]')).toEqual(['Clean in a row: 1 to 50, please.']);
    await type(f, field(f, 'Clean in a row'), '3');
    await press(f, 'Add it');
    expect(world.collection.courses()[0]!.steps.at(-1)).toMatchObject({
      what: 'own',
      text: 'With the singer',
      gate: { clean: 3, days: 2 },
    });
    await press(f, 'Leave out step 1');
    expect(world.collection.courses()[0]!.steps).toHaveLength(n);
    await press(f, 'Delete these steps');
    expect(world.collection.courses()).toEqual([]);
  });
  it('a step opens its drill, and begins at its tempo', async () => {
    const f = await show(PractisePlace);
    const place = f.componentInstance as unknown as { takeStep(step: unknown): Promise<void> };
    await place.takeStep({
      what: 'right hand alone',
      text: '',
      drill: 'open strings',
      bpm: 77,
      gate: { clean: 1, days: 1, by: 'mark' },
      passed: [],
    });
    const session = TestBed.inject(PracticeSession);
    expect(session.drillKey()).toBe('open strings');
    await session.begin();
    expect(world.transport.played.at(-1)).toBe(77);
  });
});
