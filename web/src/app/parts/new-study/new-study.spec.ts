import { TestBed } from '@angular/core/testing';
import { MatDialogRef } from '@angular/material/dialog';
import { cycleById, DEFAULT_PROFILE } from '@ruffle-wheel/core';
import { Subject } from 'rxjs';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { all, aWorld, element, press, show, texts, type World } from '../../testing/world';
import { soon } from '../../testing/soon';
import { Compute } from '../../compute/compute';
import { NewStudyDialog } from './new-study-dialog';

let world: World;
let closed: unknown[];
let closing: Subject<void>;
beforeEach(async () => {
  closed = [];
  closing = new Subject();
  const dialog = { close: (made: unknown) => closed.push(made), beforeClosed: () => closing };
  world = await aWorld(undefined, [{ provide: MatDialogRef, useValue: dialog }]);
  world.collection.saveProfile({ ...DEFAULT_PROFILE, id: 'other', name: 'Other hand' });
  await world.collection.settled();
});
const chosen = () => all(fixture, '.chosen b').map((e) => e.textContent);
let fixture: Awaited<ReturnType<typeof show<NewStudyDialog>>>;
const open = async () => {
  fixture = await show(NewStudyDialog);
  document.body.append(element(fixture));
};
const option = (name: string) => all(fixture, '[role=option]').find((o) => o.textContent?.trim().startsWith(name))!;
const choose = async (name: string) => {
  option(name).focus();
  await fixture.whenStable();
};
const enter = async (name: string) => {
  option(name).dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true, cancelable: true }));
  await fixture.whenStable();
};

describe('a new study', () => {
  it('begins where the player is: the open cycle, the present hand, the first way to begin', async () => {
    await open();
    await soon(() => expect(chosen()).toEqual(['Bulería', world.collection.profile().name, expect.any(String)]));
    expect(texts(fixture, '.about')[0]).toContain('12 counts · accents 12 3 6 8 10 · 210 a minute as a rule');
  });
  it('one’s own hand comes first, before it is measured too, and is kept with the study', async () => {
    world.collection.profiles.set([
      { ...DEFAULT_PROFILE, id: 'ines', name: 'Inés' },
      { ...DEFAULT_PROFILE, id: 'tadeo', name: 'Tadeo' },
    ]);
    world.collection.set({ profileId: 'ines' });
    await open();
    const hands = () => texts(fixture, '.hands [role=option]');
    expect(hands()).toEqual([
      expect.stringMatching(/^My hand.*usual figures/),
      expect.stringMatching(/^Inés.*invented/),
      expect.stringMatching(/^Tadeo/),
    ]);
    await soon(() => expect(chosen()[1]).toBe('My hand'));
    await press(fixture, 'Begin');
    await soon(() => expect(closed).toEqual([true]));
    expect(world.collection.profile()).toMatchObject({ name: 'My hand', returnMs: DEFAULT_PROFILE.returnMs });
    // From then on it is one of the hands, and the first.
    const again = await show(NewStudyDialog);
    expect(texts(again, '.hands [role=option]')[0]).toBe('My hand');
  });
  it('what comes late into the list that was asked for takes the focus over', async () => {
    const compute = TestBed.inject(Compute);
    let arrive: () => void = () => undefined;
    const there = new Promise<void>((done) => (arrive = done));
    const now = compute.startingPoints.bind(compute);
    vi.spyOn(compute, 'startingPoints').mockImplementation((...asked) => there.then(() => now(...asked)));
    await open();
    await choose('Other hand');
    await enter('Other hand');
    expect(document.activeElement?.getAttribute('aria-label')).toBe('Begin with');
    arrive();
    await soon(() => expect(document.activeElement?.textContent).toContain('Rolls that land'));
    expect(document.activeElement?.getAttribute('aria-selected')).toBe('true');
  });
  it('Enter goes from cycle to hand to beginning, and makes it with tempo and ladder of its cycle', async () => {
    await open();
    await choose('Vals');
    expect(texts(fixture, '.about')[0]).toContain('3 counts');
    await enter('Vals');
    expect(document.activeElement?.textContent?.trim()).toBe(world.collection.profile().name);
    await choose('Other hand');
    await enter('Other hand');
    await soon(() => expect(document.activeElement?.textContent).toContain('Marked block'));
    // The arrows go on from the choice, though the list came late.
    const down = { key: 'ArrowDown', keyCode: 40, bubbles: true, cancelable: true };
    document.activeElement!.dispatchEvent(new KeyboardEvent('keydown', down));
    await fixture.whenStable();
    expect(document.activeElement?.textContent).toContain('Bass and two chords');
    await choose('Bass and two chords');
    await enter('Bass and two chords');
    const vals = cycleById('vals')!;
    expect(world.open.study()?.name).toBe('Vals');
    expect(world.open.section()).toMatchObject({
      script: 'p:b . ima:t . ima:t .',
      stepsPerCount: 2,
      bpm: vals.tempo.usual,
      ladder: { start: vals.tempo.low, end: vals.tempo.usual },
    });
    expect(world.collection.profile().name).toBe('Other hand');
    expect(closed).toEqual([true]);
  });
  it('who goes on before the ways to begin are worked out does not begin with nothing', async () => {
    let come: (points: unknown[]) => void = () => undefined;
    const compute = TestBed.inject(Compute);
    const points = await compute.startingPoints(cycleById('rumba')!, DEFAULT_PROFILE);
    vi.spyOn(compute, 'startingPoints').mockReturnValue(new Promise((r) => (come = r as typeof come)));
    await open();
    await choose('Rumba');
    expect(all(fixture, '.starts [role=option]')).toHaveLength(0);
    await press(fixture, 'Begin');
    expect(closed).toEqual([]);
    come(points);
    await soon(() => expect(closed).toEqual([true]));
    expect(world.open.section()?.script).toBe(points[0]?.script);
  });
  it('may begin with nothing; a name that is taken gets a number', async () => {
    for (const name of ['Rumba', 'Rumba 2']) {
      await open();
      await choose('Rumba');
      await choose('Nothing');
      await press(fixture, 'Begin');
      expect(world.open.study()?.name).toBe(name);
      expect(world.open.section()?.script).toBe('');
      element(fixture).remove();
    }
  });
  it('is heard while it is chosen: the claps of the cycle, then the way to begin; silent when it goes', async () => {
    await open();
    const { lent } = world.transport;
    await choose('Soleá');
    await soon(() => expect(lent).toHaveLength(1));
    await choose('Index alone');
    await soon(() => expect(lent).toHaveLength(2));
    const kinds = (plan: unknown) => new Set((plan as { sounds: { kind: string }[] }).sounds.map((s) => s.kind));
    expect([...kinds(lent[0])].sort()).toEqual(['clap', 'click']);
    expect(kinds(lent[1])).toContain('pluck');
    closing.next();
    expect(lent.at(-1)).toBeNull();
    all(fixture, 'mat-slide-toggle button')[0]!.click();
    await fixture.whenStable();
    const before = lent.length;
    await choose('Tangos');
    await fixture.whenStable();
    expect(lent).toHaveLength(before);
  });
  it('has its own cycles among the others', async () => {
    world.collection.saveCycle({ ...cycleById('rumba')!, id: 'own-1', name: 'Harbour sway' });
    await open();
    expect(TestBed.inject(MatDialogRef)).toBeTruthy();
    expect(option('Harbour sway')).toBeTruthy();
  });
});
