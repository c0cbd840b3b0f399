import { TestBed } from '@angular/core/testing';
import { setScript, TICKS_PER_COUNT } from '@ruffle-wheel/core';
import { Keys } from '../../keys/keys';
import { all, aWorld, element, key, press, show, texts, type World } from '../../testing/world';
import { soon } from '../../testing/soon';
import { WheelPlace } from './wheel-place';

let world: World;
beforeEach(async () => {
  const ignore = () => undefined;
  const query = {
    matches: false,
    addEventListener: ignore,
    removeEventListener: ignore,
    addListener: ignore,
    removeListener: ignore,
  };
  vi.stubGlobal('matchMedia', () => query);
  world = await aWorld();
});
afterEach(() => vi.unstubAllGlobals());

const place = async () => {
  const f = await show(WheelPlace);
  const keys = TestBed.inject(Keys);
  const hit = async (...names: string[]) => {
    for (const n of names) {
      keys.press(key(n));
      TestBed.tick();
      await f.whenStable();
    }
  };
  return { f, hit };
};
const script = () => world.open.section()?.script;

describe('the wheel, by keys', () => {
  it('arrows choose a slot and go on into the next turn', async () => {
    const { f, hit } = await place();
    await hit('ArrowRight');
    expect(texts(f, '.hint')[0]).toMatch(/^Step 12 ed/);
    await hit('ArrowLeft');
    expect(element(f).textContent).toMatch(/turn 10 of 10/);
    expect(texts(f, '.hint')[0]).toMatch(/^Step 11 & iu/);
    await hit('Escape');
    expect(texts(f, '.hint')[0]).toMatch(/choose a step/);
  });
  it('a finding leads to its place on the wheel, and to the panel that mends it', async () => {
    const { f } = await place();
    await press(f, 'Show the place');
    // The index goes down, and up again at once.
    expect(texts(f, '.hint')[0]).toMatch(/^Step 1 & id/);
    await press(f, 'Accents and starts');
    await soon(() => expect(texts(f, '[role=tab][aria-selected=true]')).toEqual(['Accents']));
  });
  it('letters write a stroke on the chosen slot; without one they do nothing', async () => {
    const { hit } = await place();
    await hit('m');
    expect(script()).toBe('ed ad md id iu');
    await hit('ArrowRight', 'ArrowRight', 'i', 'u', '!');
    expect(script()).toBe('ed iu! md id iu');
    await hit('.', '-');
    expect(script()).toBe('ed - md id iu');
    world.open.undo();
    world.open.undo();
    expect(script()).toBe('ed iu! md id iu');
  });
  it('fingers that are worked out are set apart, and K writes them in, as one step of undo', async () => {
    const { f, hit } = await place();
    world.open.apply(setScript('s-a', '?:3 ?:2 i:1'));
    await f.whenStable();
    expect(all(f, '.stitch.worked-out').length).toBeGreaterThan(0);
    await hit('k');
    expect(script()).toMatch(/^[pima]:3 [pima]:2 i:1$/);
    expect(all(f, '.stitch.worked-out')).toHaveLength(0);
    world.open.undo();
    expect(script()).toBe('?:3 ?:2 i:1');
  });
  it('the strip shows what the left hand holds and where it lets go', async () => {
    world.open.apply(setScript('s-a', 'id - idx - id - - - {.}x16'));
    const { f } = await place();
    expect(texts(f, '.hold').slice(0, 3)).toEqual(['C', '', '']);
    expect(
      all(f, '.hold')
        .map((h) => h.classList.contains('released'))
        .slice(0, 3),
    ).toEqual([false, true, false]);
  });
  it('page keys turn the turns', async () => {
    const { f, hit } = await place();
    await hit('PageDown', 'PageDown');
    expect(element(f).textContent).toMatch(/turn 3 of 10/);
    await hit('PageUp', 'PageUp', 'PageUp');
    expect(element(f).textContent).toMatch(/turn 10 of 10/);
  });
});

describe('the wheel, seen', () => {
  it('an empty one offers three cells of its family, and takes one', async () => {
    world.open.apply(setScript('s-a', ''));
    const { f } = await place();
    expect(all(f, '.empty button')).toHaveLength(3);
    all(f, '.empty button')[1]!.click();
    await f.whenStable();
    expect(script()).toBe('{id iu}x12');
    expect(all(f, '.empty')).toHaveLength(0);
  });
  it('lists faults with what would work, and writes the remedy', async () => {
    world.open.apply(setScript('s-a', 'ed ii p:54'));
    const { f } = await place();
    expect(texts(f, '.faults li > code')).toEqual(['ii', 'p:54']);
    await press(f, 'Write pd:54');
    expect(script()).toBe('ed ii pd:54');
  });
  it('follows what is heard: the turn, the count and the shape of that turn', async () => {
    const { f } = await place();
    world.transport.heard.set((12 + 3.25) * TICKS_PER_COUNT);
    await f.whenStable();
    expect(element(f).querySelector('.big')?.textContent).toContain('3');
    expect(element(f).textContent).toMatch(/turn 2 of 10/);
    expect(texts(f, '.held-name')[0]).toBe('EM');
    world.transport.heard.set(0 - TICKS_PER_COUNT * 2);
    await f.whenStable();
    expect(element(f).textContent).toMatch(/Counting in/);
  });
  it('says turn, accents and shapes to a screen reader', async () => {
    const { f } = await place();
    expect(element(f).querySelector('app-wheel-drawing svg')?.getAttribute('aria-label')).toBe(
      'Bulería, turn 1 of 10. Accents: 12 e down, 3 a down, 6 m down, 8 a down and 10 e down. Shapes: C.',
    );
  });
});
