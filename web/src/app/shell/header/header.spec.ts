import { setChart, setScript } from '@ruffle-wheel/core';
import { all, aWorld, element, press, show, texts, type, type World } from '../../testing/world';
import { TestBed } from '@angular/core/testing';
import { soon } from '../../testing/soon';
import { MatDialogRef } from '@angular/material/dialog';
import { ACTS } from '../../keys/acts';
import { Header } from './header';
import { Mixer } from './mixer';
import { KeyList } from './key-list';

let world: World;
beforeEach(async () => {
  world = await aWorld();
});

describe('header', () => {
  it('names study, section, cycle, ceiling with its finger, and what is saved', async () => {
    const f = await show(Header);
    expect(texts(f, '.cycle')).toEqual(['Bulería · counted from 12']);
    expect(texts(f, '.ceiling')).toEqual(['ceiling 229 · left']);
    expect(texts(f, '.saved')).toEqual(['Saved']);
    // Without chords the left hand has nothing to do.
    world.open.apply(setChart('s-a', ''));
    await f.whenStable();
    await soon(() => expect(texts(f, '.ceiling')).toEqual(['ceiling 352 · i']));
  });
  it('says when the tempo is over the ceiling, and when no stroke sets one', async () => {
    const f = await show(Header);
    world.open.setTempo(380);
    await f.whenStable();
    expect(all(f, '.ceiling.over')).toHaveLength(1);
    world.open.apply(setScript('s-a', ''));
    await f.whenStable();
    expect(texts(f, '.ceiling')).toEqual(['no strokes yet']);
    world.open.apply(setScript('s-a', 'i - - - - - - -'));
    await f.whenStable();
    expect(texts(f, '.ceiling')).toEqual(['ceiling over 400 · i']);
  });
  it('takes a typed tempo inside its bounds', async () => {
    const f = await show(Header);
    const tempo = all(f, 'input[type=number]')[0] as HTMLInputElement;
    await type(f, tempo, '7');
    expect(world.open.section()?.bpm).toBe(20);
    await type(f, tempo, '133');
    expect(world.open.section()?.bpm).toBe(133);
  });
  it('plays and stops, steps the tempo by the ladder, switches count-in and loop', async () => {
    const f = await show(Header);
    await press(f, 'Play');
    expect(world.transport.played).toHaveLength(1);
    await press(f, 'Stop');
    expect(world.transport.running()).toBe(false);
    const before = world.open.section()!;
    await press(f, 'Faster');
    expect(world.open.section()?.bpm).toBe(before.bpm + before.ladder.step);
    await press(f, 'Count-in');
    await press(f, 'Loop');
    expect(world.collection.settings()).toMatchObject({ countIn: false, loop: false });
  });
  it('volumes are set apart', async () => {
    const f = await show(Mixer);
    const claps = all(f, 'input[aria-label=Claps]')[0] as HTMLInputElement;
    expect(claps.value).toBe('50');
    await type(f, claps, '20');
    expect(world.collection.settings()).toMatchObject({ claps: 0.2, click: 0.3, guitar: 0.8 });
  });
  it('the light goes from system to day to stage and round', async () => {
    const f = await show(Header);
    const seen: string[] = [];
    for (let n = 0; n < 3; n++) {
      await press(f, 'Light');
      seen.push(world.collection.settings().theme);
    }
    expect(seen).toEqual(['day', 'stage', 'system']);
  });
  it('undo and redo follow what was done', async () => {
    const f = await show(Header);
    world.open.apply(setScript('s-a', 'p'));
    await f.whenStable();
    await press(f, 'Undo');
    expect(world.open.section()?.script).toBe('ed ad md id iu');
    await press(f, 'Redo');
    expect(world.open.section()?.script).toBe('p');
  });
  it('the key list has every act with its keys, place by place, and the key that brought it puts it away', async () => {
    TestBed.resetTestingModule();
    const close = vi.fn();
    world = await aWorld(undefined, [{ provide: MatDialogRef, useValue: { close } }]);
    const f = await show(KeyList);
    expect(texts(f, 'h3')).toEqual(['Everywhere', 'Wheel', 'Neck', 'Weave', 'Practise', 'Shelf']);
    expect(all(f, 'dd')).toHaveLength(ACTS.length);
    const keys = texts(f, 'dt');
    for (const shown of [
      'Space',
      'Enter',
      '[',
      'p i m a e',
      'V',
      'Ctrl+S',
      'Ctrl+Shift+Z Ctrl+Y',
      '0–9',
      'Shift+←',
      '+ -',
      '← ',
      'A–Z',
    ])
      expect(keys, shown).toContain(shown.trim());
    element(f).dispatchEvent(new KeyboardEvent('keydown', { key: '?' }));
    expect(close).toHaveBeenCalledOnce();
  });
});
