import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import {
  addSection,
  cycleById,
  type PiecePlan,
  type Plan,
  setChart,
  setCycle,
  setForm,
  setScript,
} from '@ruffle-wheel/core';
import { Router } from '@angular/router';
import { Keys } from '../../keys/keys';
import { AskedDrills } from '../../study';
import {
  all,
  aWorld,
  button,
  choose,
  field,
  key,
  press,
  show,
  texts,
  type,
  type World,
  playOrStop,
} from '../../testing/world';
import { soon } from '../../testing/soon';
import { PageChoice } from '../../parts/print/page-choice';
import { StaveSystem } from '../../ui/stave/stave-system';
import { Notice } from '../../ui/notice';
import { FormPanel } from './form-panel';
import { WeavePlace } from './weave-place';

/** Signs are drawn where there is a canvas to measure them. */
@Component({ selector: 'app-stave-system', template: '', changeDetection: ChangeDetectionStrategy.OnPush })
class PlainSystem {
  readonly bars = input<unknown>();
  readonly cycle = input<unknown>();
  readonly width = input<unknown>();
  readonly here = input<unknown>();
  readonly string = input<unknown>();
  readonly range = input<unknown>();
  readonly signs = input<unknown>();
  readonly view = input<unknown>();
  readonly worded = input<unknown>();
}

let world: World;
beforeEach(async () => {
  TestBed.overrideComponent(WeavePlace, { remove: { imports: [StaveSystem] }, add: { imports: [PlainSystem] } });
  // Panels that are fetched when they are opened.
  await TestBed.compileComponents();
  world = await aWorld();
});
const script = () => world.open.section()?.script;

describe('the weave', () => {
  const place = async () => {
    const f = await show(WeavePlace);
    await soon(() => expect(texts(f, '.says').join()).toMatch(/Bar 1/));
    const hit = async (...names: string[]) => {
      for (const name of names) {
        const [plain = '', shift] = name.split('+').reverse();
        expect(TestBed.inject(Keys).press(key(plain, { shiftKey: shift === 'Shift' })), name).toBe(true);
        await f.whenStable();
      }
    };
    const says = () => texts(f, '.says')[0] ?? '';
    return { f, hit, says };
  };

  it('walks step by step and bar by bar, and says what stands there', async () => {
    world.open.apply(setScript('s-a', 'p:5 ima:432 . - {p:6 i:3}x10'));
    world.open.apply(setChart('s-a', 'C | EM'));
    const { hit, says } = await place();
    expect(says()).toMatch(/^Bar 1 of 2 · p:5 thumb plucks string 5/);
    await hit('ArrowRight');
    expect(says()).toMatch(/ima:432 index, middle and ring pluck strings 4 3 2/);
    await hit('ArrowRight', 'ArrowRight');
    expect(says()).toMatch(/ - the stroke before goes on/);
    await hit('Shift+ArrowRight');
    expect(says()).toMatch(/^Bar 2 of 2 · p:5/);
    await hit('End', 'Shift+ArrowLeft', 'Home', 'ArrowLeft');
    expect(says()).toMatch(/^Bar 1 of 2 · p:5/);
  });
  it('writes with the keys of the wheel, and frets and left fingers on the string of the cursor', async () => {
    world.open.apply(setScript('s-a', '. . . .'));
    const { hit } = await place();
    await hit('p', 'ArrowRight', 'ArrowDown', 'ArrowDown', '1', '2');
    expect(script()).toBe('p ?:2f12 . .');
    await hit('=', '3');
    expect(script()).toBe('p ?:2f12=3 . .');
    await hit('ArrowDown', '0');
    expect(script()).toBe('p ??:2f12=3+3f0 . .');
    await hit('ArrowUp', 'Delete');
    expect(script()).toBe('p ?:3f0 . .');
    // Left, digits lead to the places again.
    await hit('ArrowRight', '5', 'Escape', 'i');
    expect(script()).toBe('p ?:3f0 i:2f5 .');
    world.open.undo();
    expect(script()).toBe('p ?:3f0 ?:2f5 .');
  });
  it('shows what is chosen for the page, by N and by its menu, and keeps it', async () => {
    const { f, hit } = await place();
    const view = () => TestBed.inject(PageChoice).view();
    expect(view()).toEqual({ look: 'staff', slashes: false });
    await hit('n', 'n');
    expect(view().look).toBe('hand');
    expect(world.collection.settings().page).toBe('hand');
    await press(f, 'Page: right hand on six lines');
    const item = (name: string) =>
      [...document.querySelectorAll<HTMLElement>('[mat-menu-item]')].find((e) => e.textContent?.includes(name))!;
    expect(item('right hand').getAttribute('aria-checked')).toBe('true');
    item('rhythm and chords').click();
    await f.whenStable();
    expect(view().look).toBe('rhythm');
    await press(f, 'Page: rhythm and chords');
    item('as slashes').click();
    await f.whenStable();
    expect(view()).toEqual({ look: 'rhythm', slashes: true });
    await hit('n');
    expect(view().look).toBe('staff');
  });
  it('R writes the bar again and goes on to it', async () => {
    world.open.apply(setScript('s-a', Array.from({ length: 24 }, () => 'p').join(' ')));
    world.open.apply(setChart('s-a', ''));
    const { hit, says } = await place();
    await hit('ArrowRight', 'r');
    expect(world.open.section()?.script).toMatch(/^(p ){24}\| (p ?){24}$/);
    await soon(() => expect(says()).toMatch(/^Bar 2 of 2/));
    const said = vi.spyOn(TestBed.inject(Notice), 'say');
    await hit('Home', 'r');
    expect(said.mock.calls[0]?.[0]).toMatch(/the same already/);
  });
  it('says why a chord’s own strings take no fret', async () => {
    world.open.apply(setScript('s-a', 'ima:t id'));
    const said = vi.spyOn(TestBed.inject(Notice), 'say');
    const { hit } = await place();
    await hit('ArrowDown', '3');
    expect(script()).toBe('ima:t id');
    expect(said.mock.calls[0]?.[0]).toMatch(/strings are the chord’s own/);
  });
  it('bars are chosen, go round with a bar of clicks before them, and to Practise', async () => {
    world.open.apply(setScript('s-a', Array.from({ length: 48 }, (_, n) => (n < 24 ? 'p' : 'i')).join(' ')));
    world.open.apply(setChart('s-a', ''));
    const { f, hit } = await place();
    await hit('Shift+ArrowRight', 'v');
    expect(texts(f, '.range')[0]).toMatch(/^Bar 2\D/);
    await hit('Home');
    expect(texts(f, '.range')[0]).toMatch(/^Bars 1 to 2/);
    await hit('ArrowRight', 'v', 'Shift+ArrowRight');
    expect(texts(f, '.range')[0]).toMatch(/^Bars 1 to 2/);
    await playOrStop();
    const { plan, placeIn } = world.transport.instead[0]!;
    // A bar of clicks, then two bars.
    expect((plan as Plan).length).toBe(36 * 5040);
    expect([placeIn(0), placeIn(13 * 5040)]).toEqual([0, 5040]);
    await playOrStop();
    expect(world.transport.running()).toBe(false);
    const went = vi.spyOn(TestBed.inject(Router), 'navigateByUrl').mockResolvedValue(true);
    await press(f, 'Practise them');
    expect(went).toHaveBeenCalledWith('/practise');
    expect(TestBed.inject(AskedDrills).take()).toEqual(['bars 1 2']);
    await hit('v');
    expect(texts(f, '.range')).toEqual([]);
    await playOrStop();
    expect(world.transport.instead).toHaveLength(1);
  });
  it('is heard in parts by W and by its buttons, the bars chosen alike; the page stays whole', async () => {
    world.open.apply(setScript('s-a', '{pima:t - p:b ima:t}x6 {pima:t - p:b ima:t}x6'));
    world.open.apply(setChart('s-a', 'C | EM'));
    const { f, hit } = await place();
    const on = () => texts(f, '.apart [aria-pressed=true]').join();
    const heard = () => {
      const plan = world.transport.instead.at(-1)!.plan as Plan;
      return plan.sounds.flatMap((x) => (x.kind === 'pluck' ? [x] : [])).length;
    };
    expect(on()).toBe('all');
    await hit('w');
    expect(on()).toBe('right hand');
    await hit('w', 'w');
    expect(on()).toBe('basses');
    await playOrStop();
    expect(heard()).toBe(24);
    // While it sounds another part takes over from its beginning.
    await press(f, 'left hand');
    await soon(() => expect(world.transport.instead).toHaveLength(2));
    expect(heard()).toBeLessThan(20);
    await playOrStop();
    await hit('v', 'v');
    await press(f, 'basses');
    await playOrStop();
    expect(heard()).toBe(12);
    await playOrStop();
    expect(script()).toBe('{pima:t - p:b ima:t}x6 {pima:t - p:b ima:t}x6');
    // Of one voice there is nothing to take apart.
    world.open.apply(setScript('s-a', 'i:3 m:2'));
    const said = vi.spyOn(TestBed.inject(Notice), 'say');
    await press(f, 'figure');
    expect(said.mock.calls[0]?.[0]).toMatch(/no such part/);
    await hit('w');
    expect(on()).toBe('all');
  });
  it('a count is written as another note, and the music stays', async () => {
    const { f } = await place();
    await soon(() => expect(all(f, 'mat-select').length).toBeGreaterThan(0));
    await choose(f, 'A count is written as', 'an eighth note');
    expect(world.open.section()?.cycle.countNote).toBe('eighth');
    world.open.undo();
    expect(world.open.section()?.cycle.countNote).toBe('quarter');
  });
  it('bars that are alike are said so, and offered once to Practise', async () => {
    world.open.apply(setScript('s-a', Array.from({ length: 72 }, (_, n) => (n < 24 || n >= 48 ? 'p' : 'i')).join(' ')));
    world.open.apply(setChart('s-a', ''));
    const { f, hit, says } = await place();
    await hit('End');
    expect(says()).toMatch(/^Bar 3 of 3, as bar 1 ·/);
    await hit('Shift+ArrowLeft');
    expect(says()).toMatch(/^Bar 2 of 3 ·/);
    vi.spyOn(TestBed.inject(Router), 'navigateByUrl').mockResolvedValue(true);
    await press(f, 'Practise bar by bar');
    expect(TestBed.inject(AskedDrills).take()).toEqual(['bars 1 1', 'bars 2 2']);
  });
  it('an empty section says so and takes its first stroke by keys', async () => {
    world.open.apply(setScript('s-a', ''));
    const f = await show(WeavePlace);
    await soon(() => expect(texts(f, '.empty').join()).toMatch(/^Nothing is written/));
    expect(TestBed.inject(Keys).press(key('ArrowDown'))).toBe(true);
    expect(TestBed.inject(Keys).press(key('3'))).toBe(true);
    expect(script()).toMatch(/^\?:1f3( \.){23}$/);
  });
});

describe('the form', () => {
  beforeEach(() => world.open.apply(addSection('t', 'Turn', cycleById('tangos')!)));

  it('is a text, blocks, and a list with bars, minutes and the count that each part begins on', async () => {
    const f = await show(FormPanel);
    await type(f, field(f, 'Form'), '{A}x2 Turn');
    expect(world.open.study()?.form).toBe('{A}x2 Turn');
    await soon(() => expect(texts(f, '.order li b')).toEqual(['A', 'A', 'Turn']));
    expect(all(f, '.blocks span')).toHaveLength(3);
    expect(texts(f, 'li .soft')[1]).toMatch(/^from bar \d+ · \d+ bars · 0:\d\d · begins on /);
    button(f, 'Open Turn').click();
    expect(world.open.section()?.id).toBe('t');
  });
  it('plays from end to end, or from any part on; the page goes along from section to section', async () => {
    world.open.apply(setForm('A Turn'));
    world.open.apply(setScript('t', 'p p p p'));
    const f = await show(FormPanel);
    await soon(() => expect(texts(f, 'li b').slice(0, 2)).toEqual(['A', 'Turn']));
    await press(f, 'Play the whole');
    await soon(() => expect(world.transport.instead).toHaveLength(1));
    const { plan, placeIn } = world.transport.instead[0]!;
    const { parts } = plan as PiecePlan;
    expect(parts.map((p) => p.section)).toEqual(['s-a', 't']);
    // A count of the second section is as long as its own tempo makes it.
    const second = parts[1]!;
    expect(placeIn(second.at + 5040 / second.stretch)).toBeCloseTo(5040);
    await f.whenStable();
    expect(world.open.section()?.id).toBe('t');
    expect(texts(f, 'li.here b')[0]).toBe('Turn');
    await press(f, 'Stop');
    expect(world.transport.running()).toBe(false);
    const went = vi.spyOn(TestBed.inject(Router), 'navigateByUrl').mockResolvedValue(true);
    world.open.apply(setCycle('s-a', cycleById('tangos')!));
    await soon(() => expect(texts(f, '.order li b').slice(0, 2)).toEqual(['A', 'Turn']));
    await press(f, 'The way here, into Turn: practise it');
    expect(world.open.section()?.id).toBe('s-a');
    expect(TestBed.inject(AskedDrills).take()).toEqual(['join t']);
    expect(went).toHaveBeenCalledWith('/practise');
    await press(f, 'From here: bar 1');
    await soon(() => expect(world.transport.instead).toHaveLength(2));
  });
  it('a name that no section has is offered to be made', async () => {
    const f = await show(FormPanel);
    await type(f, field(f, 'Form'), 'A "Low tide" A');
    await soon(() => expect(texts(f, '.make button')).toEqual(['Make a section “Low tide”']));
    await press(f, 'Make a section “Low tide”');
    expect(world.open.section()).toMatchObject({ name: 'Low tide', script: '' });
    await soon(() => expect(texts(f, '.order li b')).toEqual(['A', 'Low tide', 'A']));
    expect(all(f, '.make')).toHaveLength(0);
    world.open.undo();
    expect(world.open.study()?.sections.some((s) => s.name === 'Low tide')).toBe(false);
  });
  it('copies, moves, splits and joins its sections', async () => {
    world.open.chooseSection('t');
    world.open.apply(setScript('t', '{p i m a}x4'));
    const f = await show(FormPanel, { bar: 1 });
    const names = () => world.open.study()?.sections.map((s) => s.name);
    await press(f, 'Copy Turn');
    expect(names()).toEqual(['A', 'Turn', 'Turn 2']);
    await press(f, 'Earlier: Turn');
    expect(names()).toEqual(['Turn', 'A', 'Turn 2']);
    await press(f, 'Later: Turn');
    await press(f, 'Split at bar 2');
    expect(names()).toEqual(['A', 'Turn', 'Turn 3', 'Turn 2']);
    await press(f, 'Join with next: Turn');
    expect(names()).toEqual(['A', 'Turn', 'Turn 2']);
    world.open.undo();
    expect(names()).toEqual(['A', 'Turn', 'Turn 3', 'Turn 2']);
  });
  it('names its faults with what would mend them', async () => {
    world.open.apply(setForm('{A} Turn'));
    const f = await show(FormPanel);
    await soon(() => expect(texts(f, 'app-fault-list li')).toHaveLength(1));
    await press(f, 'Write }x2');
    expect(world.open.study()?.form).toBe('{A}x2 Turn');
    world.open.apply(setForm('Nowhere'));
    await soon(() => expect(texts(f, 'app-fault-list li')[0]).toMatch(/Nowhere/));
  });
});
