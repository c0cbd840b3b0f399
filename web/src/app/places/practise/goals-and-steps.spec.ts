import { TestBed } from '@angular/core/testing';
import { type Course, courseWith, setLadder } from '@ruffle-wheel/core';
import { today } from '../../data/today';
import { soon } from '../../testing/soon';
import { watchSaved } from '../../testing/watch-saved';
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
afterEach(() => vi.restoreAllMocks());
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
  it('goes out as a file with its study, and comes back with what was played: the steps fill', async () => {
    const saved = watchSaved();
    const f = await show(CoursePanel);
    await press(f, 'Make steps of what is open');
    await f.whenStable();
    const course = world.collection.courses()[0]!;
    await press(f, 'Save as a file');
    await soon(() => expect(saved.map((x) => x.name)).toEqual(['Study steps.ruffle.json']));
    const sent = JSON.parse(await saved[0]!.blob.text()) as Record<string, unknown[]>;
    expect([sent['kind'], sent['studies']?.length, sent['courses'], sent['log']]).toEqual(['study', 1, [course], []]);
    const line = (id: string, studyId: string) => ({
      ...{ id, studyId, studyName: 'Study', sectionName: 'A', sectionId: 's-a', drill: 'open strings', minutes: 3 },
      ...{ startedAt: `${today()}T10:00:00.000Z`, passes: [{ bpm: 100, clean: true }], pain: false },
    });
    world.collection.saveLog(line('mine', 's'));
    world.collection.saveLog(line('other', 'another'));
    await press(f, 'With what was played');
    await soon(() => expect(saved).toHaveLength(2));
    const back = JSON.parse(await saved[1]!.blob.text()) as { log: { id: string }[]; courses: Course[] };
    expect(back.log.map((e) => e.id)).toEqual(['mine']);
    // The teacher's tool reads of it what was passed.
    expect(courseWith(back.courses[0]!, back.log as never).steps[0]?.passed).toEqual([today()]);
  });
  it('a week of homework asks for minutes, and says when its page could not be made', async () => {
    const saved = watchSaved();
    const f = await show(CoursePanel);
    await press(f, 'Make steps of what is open');
    await f.whenStable();
    await type(f, field(f, 'Minutes a day'), '500');
    await press(f, 'A week as a page');
    expect(texts(f, '[role=alert]')).toEqual(['Minutes a day: 5 to 60, please.']);
    await type(f, field(f, 'Minutes a day'), '20');
    await press(f, 'A week as a page');
    // Its letters are not to be had here: that is said, and nothing is saved. The page itself is made in a browser.
    await soon(() => expect(texts(f, '[role=alert]')).toEqual(['The page could not be made. Try again.']));
    expect(saved).toEqual([]);
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
