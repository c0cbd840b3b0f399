import {
  DEFAULT_PROFILE,
  leftHandOf,
  moveConstants,
  neckOf,
  reachLadder,
  TAPPED_PAIRS,
  TAPS_ALONE,
} from '@ruffle-wheel/core';
import { all, aWorld, button, field, press, show, texts, type, type World } from '../../testing/world';
import { TestBed } from '@angular/core/testing';
import { WaysBack } from '../../ui/ways-back';
import { Hands } from './hands';
import { LANDINGS, Measuring } from './measuring';
import { Tapping } from './tapping';
import { soon } from '../../testing/soon';

const ladder = reachLadder('12', neckOf(DEFAULT_PROFILE));

describe('measuring a left hand', () => {
  it('climbs while it reaches: the last easy rung is ease, the last reached one the limit', () => {
    const m = new Measuring(DEFAULT_PROFILE);
    const first = ladder.findIndex((r) => r.mm === m.rung()!.mm);
    m.answer('easily');
    m.answer('easily');
    m.answer('just');
    m.answer('not');
    expect(m.left().reach['12']).toEqual({ ease: ladder[first + 1]!.mm, limit: ladder[first + 2]!.mm });
    expect(m.step()).toEqual({ kind: 'reach', pair: '23' });
  });
  it('goes down when the first rung is too wide already', () => {
    const m = new Measuring(DEFAULT_PROFILE);
    const first = ladder.findIndex((r) => r.mm === m.rung()!.mm);
    expect(first).toBeGreaterThan(1);
    m.answer('not');
    m.answer('just');
    m.answer('easily');
    const { ease, limit } = m.left().reach['12'];
    expect(limit).toBe(ladder[first - 1]!.mm);
    expect(ease).toBe(first > 1 ? ladder[first - 2]!.mm : ladder[0]!.mm);
  });
  it('leaves what is skipped as it was, and goes back', () => {
    const m = new Measuring(DEFAULT_PROFILE);
    m.next();
    m.next();
    expect(m.step()).toEqual({ kind: 'reach', pair: '34' });
    m.back();
    expect(m.step()).toEqual({ kind: 'reach', pair: '23' });
    expect(m.left()).toEqual(leftHandOf(DEFAULT_PROFILE));
  });
  it('ends at the top of the ladder, and times barre and landings', () => {
    const m = new Measuring(DEFAULT_PROFILE);
    for (let n = 0; n < 60 && m.step().kind === 'reach'; n++) m.answer('easily');
    expect(m.left().reach['12'].ease).toBe(ladder.at(-1)!.mm);
    m.timed(6_400);
    m.timed(LANDINGS * 180);
    m.timed(LANDINGS * 300);
    m.thumb(true);
    expect(m.step().kind).toBe('done');
    const { barre, move, thumbOver } = m.left();
    expect(barre).toBe(6_400);
    expect(thumbOver).toBe(true);
    expect(move).toEqual(moveConstants(180, 300, neckOf(DEFAULT_PROFILE)));
  });
});

describe('the left hand on the shelf', () => {
  let world: World;
  beforeEach(async () => {
    world = await aWorld();
  });
  const hand = () => world.collection.profile();
  const hit = async (f: Awaited<ReturnType<typeof show<Hands>>>, name: string) => {
    const e = new KeyboardEvent('keydown', { key: name, bubbles: true, cancelable: true });
    all(f, 'app-measure-hand')[0]!.dispatchEvent(e);
    await f.whenStable();
  };

  it('is measured by keys from the first pair to the end, and kept', async () => {
    const f = await show(Hands);
    await press(f, 'Measure this hand');
    expect(texts(f, '.task')[0]).toMatch(
      /^Lay finger 1 on string 4, fret \d+, finger 2 on string 3, fret \d+ · \d+ mm/,
    );
    for (let pair = 0; pair < 6; pair++) {
      await hit(f, 'e');
      await hit(f, 'j');
      await hit(f, 'n');
    }
    expect(texts(f, '.task')[0]).toMatch(/^Lay a barre/);
    await press(f, 'Start');
    await press(f, 'Stop');
    await press(f, 'Leave as it was');
    await press(f, 'Leave as it was');
    await press(f, 'No');
    expect(all(f, 'tbody tr')).toHaveLength(6);
    await press(f, 'Keep these measures');
    await soon(() => expect(hand().left).toBeDefined());
    expect(hand().left!.reach['14'].limit).toBeGreaterThan(hand().left!.reach['14'].ease);
    expect(hand().span).toBe(hand().left!.reach['14'].ease);
  });
  it('letters mean nothing else meanwhile, and answer wherever the focus is', async () => {
    const f = await show(Hands);
    await press(f, 'Measure this hand');
    const heard: string[] = [];
    const listen = (e: KeyboardEvent) => heard.push(e.key);
    document.body.append(f.nativeElement as HTMLElement);
    document.addEventListener('keydown', listen);
    await hit(f, 'n');
    await hit(f, 'x');
    const before = texts(f, '.task')[0];
    expect(f.componentInstance.pressed(new KeyboardEvent('keydown', { key: 'e' }))).toBe(true);
    await f.whenStable();
    expect(texts(f, '.task')[0]).not.toBe(before);
    document.removeEventListener('keydown', listen);
    expect(heard).toEqual([]);
  });
  it('every figure is set by hand; ease never passes the limit; the strings’ width belongs to it', async () => {
    const f = await show(Hands);
    const cell = (label: string) => all(f, `input[aria-label="${label}"]`)[0] as HTMLInputElement;
    await type(f, cell('easily 1–4, mm'), '140');
    await soon(() => expect(hand().left?.reach['14']).toEqual({ ease: 140, limit: 140 }));
    await f.whenStable();
    await type(f, cell('at most 1–4, mm'), '90');
    await soon(() => expect(hand().left?.reach['14']).toEqual({ ease: 90, limit: 90 }));
    await f.whenStable();
    await type(f, field(f, 'Barre over six strings'), '4.5');
    await type(f, field(f, 'String 6 to 1 at the nut'), '45');
    await soon(() => expect(hand()).toMatchObject({ nutSpacing: 9, left: { barre: 4500 } }));
    await f.whenStable();
    expect(() => field(f, 'Easy span')).toThrow();
    await press(f, 'Forget the measures');
    await soon(() => expect(hand().left).toBeUndefined());
    await f.whenStable();
    expect(field(f, 'Easy span').value).toBe('90');
    expect(() => button(f, 'Forget')).toThrow();
  });
});

describe('measuring a right hand by tapping', () => {
  const tapEvery = (t: Tapping, ms: number, from = 1_000) => {
    for (let n = 0; n < TAPS_ALONE; n++) t.tap(from + n * ms);
  };
  const tapPairs = (t: Tapping, ms: number) => {
    for (let n = 0; n < 2 * TAPPED_PAIRS; n++) t.tap(500 * (n >> 1) + ms * (n % 2));
  };
  it('takes each finger’s gap, the slower pair of fingers, and thumb to finger', () => {
    const t = new Tapping(DEFAULT_PROFILE);
    // Nothing is tapped before one is warm.
    tapEvery(t, 100);
    expect(t.step()).toEqual({ kind: 'warm' });
    t.go(1);
    for (const ms of [200, 150, 160, 210, 260]) tapEvery(t, ms);
    expect(t.step()).toEqual({ kind: 'pair', from: 'm', to: 'i' });
    for (const ms of [45, 62, 70]) tapPairs(t, ms);
    expect(t.step()).toEqual({ kind: 'done' });
    expect(t.figures()).toEqual({
      returnMs: { p: 200, i: 150, m: 160, a: 210, e: 260 },
      jointMs: 62,
      thumbJointMs: 70,
    });
  });
  it('what is uneven is tapped again, what is skipped stays', () => {
    const t = new Tapping(DEFAULT_PROFILE);
    t.go(1);
    for (let n = 0; n < TAPS_ALONE; n++) t.tap(n * 200 + (n % 2) * 120);
    expect(t.said()?.tapped).toEqual({ why: 'uneven' });
    expect(t.step()).toMatchObject({ finger: 'p' });
    expect(t.tapped()).toBe(0);
    t.go(1);
    expect(t.figures().returnMs).toEqual(DEFAULT_PROFILE.returnMs);
  });
  it('letters are taps; the figures are kept with the hand', async () => {
    const world = await aWorld();
    const f = await show(Hands);
    expect(texts(f, 'p').join(' ')).toMatch(/Usual figures of a steady amateur/);
    await press(f, 'Measure the right hand by tapping');
    await press(f, 'I am warm');
    const key = (at: number) => {
      const e = new KeyboardEvent('keydown', { key: 'j', bubbles: true, cancelable: true });
      Object.defineProperty(e, 'timeStamp', { value: at });
      return f.componentInstance.pressed(e);
    };
    for (let n = 0; n < TAPS_ALONE; n++) expect(key(n * 222)).toBe(true);
    await f.whenStable();
    expect(texts(f, '[role=status]').join(' ')).toMatch(/p: 222 ms from tap to tap/);
    for (let n = 0; n < 7; n++) await press(f, 'Leave as it was');
    await press(f, 'Keep these figures');
    await soon(() => expect(world.collection.profile().returnMs.p).toBe(222));
    await f.whenStable();
    expect(texts(f, 'p').join(' ')).not.toMatch(/Usual figures/);
    TestBed.inject(WaysBack).back();
    expect(world.collection.profile().returnMs).toEqual(DEFAULT_PROFILE.returnMs);
  });
  it('an invented hand stays as it is: what is measured is one’s own, beside it', async () => {
    const world = await aWorld();
    const ines = { ...DEFAULT_PROFILE, id: 'ines', name: 'Inés' };
    world.collection.saveProfile(ines);
    world.collection.set({ profileId: 'ines' });
    const f = await show(Hands);
    expect(texts(f, 'p').join(' ')).toMatch(/An invented player/);
    await press(f, 'Measure the right hand by tapping');
    for (let n = 0; n < 9; n++) await press(f, 'Leave as it was');
    await press(f, 'Keep these figures');
    await soon(() => expect(world.collection.profile().name).toBe('My hand'));
    expect(world.collection.profiles().find((p) => p.id === 'ines')).toEqual(ines);
  });
  it('every change of a hand is taken back by undo', async () => {
    const world = await aWorld();
    const mine = { ...DEFAULT_PROFILE, id: 'mine', name: 'Mine' };
    world.collection.saveProfile(mine);
    const f = await show(Hands);
    await type(f, field(f, 'Scale length'), '640');
    await press(f, 'New hand');
    expect(world.collection.profile().name).toBe('New hand');
    const ways = TestBed.inject(WaysBack);
    expect(ways.back()).toBe('New hand');
    expect(world.collection.profile()).toMatchObject({ name: 'Mine', scaleLength: 640 });
    expect(ways.back()).toBe('Figures of Mine');
    expect(world.collection.profile()).toEqual(mine);
  });
});
