import { TestBed } from '@angular/core/testing';
import { limitOf, type LogEntry, setLadder, setScript, TICKS_PER_COUNT } from '@ruffle-wheel/core';
import { Keys } from '../../keys/keys';
import {
  all,
  aWorld,
  button,
  choose,
  element,
  field,
  key,
  press,
  show,
  texts,
  type,
  type World,
  withLaterParts,
} from '../../testing/world';
import { PractisePlace } from './practise-place';
import { PracticeSession } from './session';
import { soon } from '../../testing/soon';

let world: World;
beforeEach(async () => {
  await withLaterParts(PractisePlace);
  world = await aWorld();
  world.open.adjust(setLadder('s-a', { start: 100, end: 130, step: 10, passes: 2 }));
});
const today = new Date().toISOString();
const yesterday = (bpm: number, more: Partial<LogEntry> = {}): LogEntry => ({
  id: 'before',
  studyId: 's',
  studyName: 'Study',
  sectionName: 'A',
  startedAt: new Date(Date.now() - 86_400_000).toISOString(),
  minutes: 10,
  passes: [
    { bpm, clean: true },
    { bpm, clean: true },
  ],
  pain: false,
  ...more,
});
const tempo = () => world.open.section()?.bpm;

describe('it goes by itself', () => {
  it('says what is asked for next, from the log and from what is spoken over now', async () => {
    const line = (id: string, more: Partial<LogEntry>) =>
      world.collection.saveLog(yesterday(100, { id, sectionId: 's-a', ...more }));
    world.collection.logRead.set(true);
    const f = await show(PractisePlace);
    const said = () => texts(f, '.session [role=status]').join();
    await soon(() => expect(said()).toMatch(/First clean with the right hand alone/));
    line('1', { drill: 'open strings' });
    await f.whenStable();
    expect(said()).toMatch(/The right hand goes alone/);
    line('2', { startedAt: today });
    await f.whenStable();
    expect(said()).toMatch(/on 0 of 3 days/);
    const session = TestBed.inject(PracticeSession);
    await session.begin();
    TestBed.inject(Keys).press(key('o'));
    session.mark(true);
    await f.whenStable();
    expect(said()).toMatch(/on 1 of 3 days/);
    await session.finish();
    expect(world.collection.log().filter((e) => e.spoken)).toHaveLength(1);
    // The next line is not spoken over until it is said so.
    session.close();
    await session.begin();
    session.mark(true);
    await session.finish();
    expect(world.collection.log().filter((e) => e.spoken)).toHaveLength(1);
    for (const [n, day] of ['2126-01-01', '2126-01-02'].entries())
      line(`w${n}`, { startedAt: `${day}T10:00:00.000Z`, spoken: true });
    await f.whenStable();
    expect(said()).toMatch(/It goes by itself/);
  });
});

describe('a practice session', () => {
  const session = () => TestBed.inject(PracticeSession);
  it('begins at the ladder’s start, or a rung under what was clean last time', async () => {
    await session().begin();
    expect(tempo()).toBe(100);
    await session().finish();
    session().close();
    world.collection.saveLog(yesterday(120));
    await session().begin();
    expect(tempo()).toBe(110);
    expect(world.transport.played.at(-1)).toBe(110);
  });
  it('climbs with clean passes and falls after two misses', async () => {
    const s = session();
    await s.begin();
    s.mark(true);
    s.mark(true);
    expect(tempo()).toBe(110);
    s.mark(false);
    s.mark(false);
    expect(tempo()).toBe(100);
    expect(s.passes()).toHaveLength(4);
  });
  it('counts from a tempo that the player sets by hand', async () => {
    const s = session();
    await s.begin();
    s.mark(true);
    world.open.setTempo(120);
    s.mark(true);
    expect(tempo()).toBe(120);
    s.mark(true);
    expect(tempo()).toBe(130);
  });
  it('a pass is marked once, when it is over: not in the count-in, not twice', async () => {
    const s = session();
    await s.begin();
    let at: number | null = null;
    vi.spyOn(world.transport, 'progress').mockImplementation(() => at);
    expect(s.mark(true)).toBe(false);
    at = 0.5;
    expect(s.mark(true)).toBe(false);
    at = 0.97;
    expect(s.mark(true)).toBe(true);
    at = 1.4;
    expect(s.mark(true)).toBe(false);
    at = 2.1;
    expect(s.mark(true)).toBe(true);
    expect(s.passes()).toHaveLength(2);
  });
  it('a mark can be taken back: the ladder stands as before it, and the pass can be marked anew', async () => {
    const s = session();
    await s.begin();
    s.mark(true);
    s.mark(true);
    expect(tempo()).toBe(110);
    s.takeBack();
    expect(tempo()).toBe(100);
    expect(s.passes()).toHaveLength(1);
    expect(world.collection.log()[0]?.passes).toHaveLength(1);
    expect(s.mark(true)).toBe(true);
    expect(tempo()).toBe(110);
    // Also past a tempo that was set by hand.
    world.open.setTempo(120);
    s.mark(true);
    s.takeBack();
    s.takeBack();
    expect(s.passes()).toHaveLength(1);
  });
  it('stopping writes one line; going on lengthens the same line', async () => {
    const s = session();
    await s.begin();
    s.mark(true);
    await s.finish();
    await s.begin();
    s.mark(true);
    await s.finish();
    expect(world.collection.log()).toHaveLength(1);
    expect(world.collection.log()[0]).toMatchObject({ studyName: 'Study', sectionName: 'A', pain: false });
    expect(world.collection.log()[0]?.passes).toHaveLength(2);
    expect(world.collection.log()[0]!.startedAt >= today.slice(0, 10)).toBe(true);
  });
  it('a moment without a mark leaves no line', async () => {
    await session().begin();
    await session().finish();
    expect(world.collection.log()).toEqual([]);
  });
  it('marks outside a session do nothing', () => {
    session().mark(true);
    expect(session().passes()).toEqual([]);
  });
  it('pain ends the session, is written down, and slows what comes next', async () => {
    const s = session();
    world.collection.saveLog(yesterday(130));
    await s.begin();
    s.mark(true);
    await s.notePain();
    expect(s.running()).toBe(false);
    expect(world.collection.log()[0]?.pain).toBe(true);
    s.close();
    expect(s.today()?.reason.code).toBe('after pain');
  });
  it('pain is written down before a session too, and nothing sounds for it', async () => {
    await session().notePain();
    expect(world.transport.played).toEqual([]);
    expect(world.collection.log()[0]).toMatchObject({ pain: true, minutes: 0, passes: [] });
    expect(session().pain()).toBe(true);
  });
  it('a drill climbs on a line of its own', async () => {
    const s = session();
    world.collection.saveLog(yesterday(130));
    s.drill.set('In threes');
    expect(s.label()).toBe('A · In threes');
    expect(s.today()?.bpm).toBe(100);
    await s.begin();
    s.mark(true);
    await s.finish();
    expect(world.collection.log()[0]?.sectionName).toBe('A · In threes');
  });
});

describe('a drill', () => {
  const chosen = async () => {
    const f = await show(PractisePlace);
    const name = (await choose(f, 'Drill')).find((n) => /long.*short/i.test(n)) ?? '';
    await choose(f, 'Drill', name);
    expect(world.open.section()?.script).not.toBe('ed ad md id iu');
    return { f, name };
  };
  it('keeps its tempo to itself: the section has its own, on the ladder and by hand', async () => {
    const before = world.open.written()!.bpm;
    const { f } = await chosen();
    await TestBed.inject(PracticeSession).begin();
    expect(tempo()).toBe(100);
    world.open.setTempo(50);
    expect(tempo()).toBe(50);
    TestBed.inject(PracticeSession).mark(true);
    TestBed.inject(PracticeSession).mark(true);
    expect(tempo()).toBe(60);
    expect(world.open.written()?.bpm).toBe(before);
    await choose(f, 'Drill', 'As written');
    expect(tempo()).toBe(before);
    f.destroy();
    await world.collection.settled();
    expect(world.open.study()?.sections[0]?.bpm).toBe(before);
    expect(world.collection.log()[0]?.passes.map((p) => p.bpm)).toEqual([50, 50]);
  });
  it('undo leaves it alone: what is written before it is what it is made of', async () => {
    world.open.apply(setScript('s-a', 'id iu id iu ad'));
    const { f, name } = await chosen();
    const drilled = world.open.section()!.script;
    world.open.undo();
    await f.whenStable();
    expect(world.open.written()?.script).toBe('ed ad md id iu');
    expect(TestBed.inject(PracticeSession).drill()).toBe(name);
    expect(world.open.section()?.script).not.toBe('ed ad md id iu');
    expect(world.open.section()?.script).not.toBe(drilled);
    world.open.redo();
    await f.whenStable();
    expect(world.open.section()?.script).toBe(drilled);
    // Where nothing is left to drill, it ends, and its name with it.
    world.open.apply(setScript('s-a', ''));
    await f.whenStable();
    expect(TestBed.inject(PracticeSession).drill()).toBeNull();
    expect(world.open.tried()).toBeNull();
  });
});

describe('practise', () => {
  const place = async () => {
    const f = await show(PractisePlace);
    const keys = TestBed.inject(Keys);
    const hit = async (...names: string[]) => {
      for (const n of names) {
        keys.press(key(n));
        await f.whenStable();
      }
    };
    return { f, hit };
  };
  it('is played from keys alone: begin, clean, not clean, stop', async () => {
    const { f, hit } = await place();
    await hit(' ');
    expect(button(f, 'Stop and write down')).toBeTruthy();
    await hit('PageDown', 'PageDown', 'PageUp');
    expect(texts(f, '.mark')).toEqual(['✓', '✓', '–']);
    expect(texts(f, '.rung.here')).toEqual(['110']);
    await hit(' ');
    await soon(() => expect(world.collection.log()).toHaveLength(1));
    await f.whenStable();
    expect(element(f).textContent).toMatch(/Written to the logbook: .* 3 passes, 100 held/);
  });
  it('says where the ladder leads higher than the hand can follow, and marks those rungs', async () => {
    const f = await show(PractisePlace);
    expect(all(f, 'p.over')).toHaveLength(0);
    const ceiling = Math.floor(limitOf(world.open.reading()!)!.ceiling);
    world.open.adjust(setLadder('s-a', { start: ceiling - 20, end: ceiling + 10, step: 10, passes: 2 }));
    await soon(() =>
      expect(texts(f, 'p.over')[0]).toMatch(new RegExp(`^Above ${ceiling} a finger of this hand is late`)),
    );
    const over = texts(f, '.rung.over').map(Number);
    expect(over.length).toBeGreaterThan(0);
    expect(Math.min(...over)).toBeGreaterThan(ceiling);
    await type(f, field(f, 'To'), String(ceiling));
    await soon(() => expect(all(f, 'p.over')).toHaveLength(0));
  });
  it('shows the ladder as rungs, and takes a new one with its bounds', async () => {
    const { f } = await place();
    expect(texts(f, '.rung')).toEqual(['100', '110', '120', '130']);
    await type(f, field(f, 'To'), '80');
    expect(texts(f, '.rung')).toEqual(['100', '90', '80']);
    await type(f, field(f, 'Step'), '0');
    expect(world.open.section()?.ladder.step).toBe(1);
    await type(f, field(f, 'From'), '9999');
    expect(world.open.section()?.ladder.start).toBe(400);
  });
  it('shows the count heard, heavier on an accent, and the shape that comes next', async () => {
    const { f } = await place();
    world.transport.heard.set(3 * TICKS_PER_COUNT);
    await f.whenStable();
    expect(texts(f, '.beat')).toEqual(['3']);
    expect(all(f, '.beat.strong')).toHaveLength(1);
    expect(texts(f, '.shapes')[0]).toMatch(/^C ?x-3-2-0-1-0 ?next ?EM ?0-2-2-0-0-0 ?on ?12/);
    world.transport.heard.set(4 * TICKS_PER_COUNT);
    await f.whenStable();
    expect(all(f, '.beat.strong')).toHaveLength(0);
  });
  it('what was held falls due, cold: the first pass counts, ends it and is written so', async () => {
    world.collection.saveLog(yesterday(120, { sectionId: 's-a' }));
    world.collection.logRead.set(true);
    const { f, hit } = await place();
    expect(texts(f, 'app-due-list li')[0]).toContain('120, 1 day ago');
    await press(f, 'Check it: Study, A');
    expect(texts(f, '.cold')[0]).toContain('One pass at 120, cold.');
    // Space is Begin's now, wherever the check was chosen.
    expect(document.activeElement).toBe(button(f, 'Begin (Space)'));
    await hit(' ');
    expect(tempo()).toBe(120);
    await hit('PageUp');
    await soon(() => expect(TestBed.inject(PracticeSession).running()).toBe(false));
    const written = world.collection.log().find((e) => e.cold);
    expect(written).toMatchObject({ sectionId: 's-a', passes: [{ bpm: 120, clean: false }] });
    await f.whenStable();
    expect(all(f, '.cold, app-due-list li')).toEqual([]);
  });
  it('a check that is not wanted is practice as ever', async () => {
    world.collection.saveLog(yesterday(120, { sectionId: 's-a' }));
    world.collection.logRead.set(true);
    const { f, hit } = await place();
    await press(f, 'Check it: Study, A');
    await press(f, 'Practise it instead');
    expect(all(f, '.cold')).toEqual([]);
    await hit(' ');
    expect(tempo()).toBe(110);
    await hit(' ');
    expect(world.collection.log().some((e) => e.cold)).toBe(false);
  });
  it('what is to be kept in mind is shown before and while one plays, in stand view too', async () => {
    const profile = world.collection.profile();
    world.collection.saveProfile({ ...profile, choices: { plectrum: 'in the palm' }, notes: 'wrist low' });
    const { f, hit } = await place();
    const shown = () => texts(f, '.in-mind li');
    await soon(() => expect(shown()).toEqual(['The plectrum is parked in the palm.', 'wrist low']));
    await soon(() => field(f, 'Reminder 1'));
    await type(f, field(f, 'Reminder 2'), 'breathe');
    await soon(() => expect(world.open.study()?.reminders).toEqual(['breathe']));
    await f.whenStable();
    expect(shown()).toEqual(['breathe', 'The plectrum is parked in the palm.', 'wrist low']);
    await hit('v');
    await f.whenStable();
    expect(shown()).toHaveLength(3);
    await hit('v');
    world.open.undo();
    await f.whenStable();
    expect(shown()).toHaveLength(2);
  });
  it('stand view hides all but what is played, and V or Esc leaves it', async () => {
    const { f, hit } = await place();
    await hit('v');
    expect(all(f, '.place.stand')).toHaveLength(1);
    // The letters of the turn are there while it plays.
    expect(texts(f, 'app-strip .cell').slice(0, 3)).toEqual(['ed', 'ad', 'md']);
    expect(all(f, 'app-strip .turn.large')).toHaveLength(1);
    expect(all(f, '.ladder')).toHaveLength(0);
    await hit('Escape');
    expect(all(f, '.ladder')).toHaveLength(1);
  });
  it('offers drills of the section, shows one, and goes back when the place is left', async () => {
    const { f } = await place();
    const names = await choose(f, 'Drill');
    expect(names).toEqual(expect.arrayContaining(['As written', 'Open strings', 'From the 2nd step', 'In threes']));
    await choose(f, 'Drill', 'Open strings');
    expect(world.open.section()?.chart).toBe('');
    await choose(f, 'Drill', 'From the 2nd step');
    expect(world.open.section()?.script).toBe('ad md id iu ed');
    await press(f, 'Begin');
    expect(world.open.study()?.sections[0]?.script).toBe('ed ad md id iu');
    f.destroy();
    expect(world.open.section()?.script).toBe('ed ad md id iu');
  });
});
