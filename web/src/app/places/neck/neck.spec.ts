import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import {
  cycleById,
  cycleLength,
  type LeftMove,
  setCell,
  setChart,
  setCycle,
  setScript,
  STANDARD_TUNING,
  stopsOf,
} from '@ruffle-wheel/core';
import { Keys } from '../../keys/keys';
import { LongSolve, Solve } from '../../compute/solve';
import { AskedDrills } from '../../study';
import { InstantSolve } from '../../testing/instant-solve';
import { all, aWorld, button, choose, field, key, press, show, texts, type, type World } from '../../testing/world';
import { ChangesPanel } from './changes-panel';
import { FindPanel } from './find-panel';
import { MelodyPanel } from './melody-panel';
import { NeckPlace } from './neck-place';
import { RowPanel } from './row-panel';
import { soon } from '../../testing/soon';

let world: World;
beforeEach(async () => {
  const solve = new InstantSolve();
  world = await aWorld(undefined, [
    { provide: Solve, useValue: solve },
    { provide: LongSolve, useValue: solve },
  ]);
});
const unfold = (e: HTMLElement | undefined) => {
  (e as HTMLDetailsElement).open = true;
  e!.dispatchEvent(new Event('toggle'));
};
const chart = () => world.open.section()?.chart;

describe('the neck', () => {
  const place = async () => {
    const f = await show(NeckPlace);
    const keys = TestBed.inject(Keys);
    const hit = async (...names: string[]) => {
      for (const name of names) expect(keys.press(key(name)), name).toBe(true);
      await f.whenStable();
    };
    return { f, hit };
  };
  const said = (f: Awaited<ReturnType<typeof place>>['f']) =>
    all(f, 'app-neck-drawing svg')[0]?.getAttribute('aria-label') ?? '';

  it('shows the shapes in order with the time each change has, and says what every finger does', async () => {
    const { f, hit } = await place();
    expect(texts(f, '.card b')).toEqual(['C', 'EM']);
    expect(texts(f, '.card .soft')[1]).toMatch(/^\d+ \/ \d+ ms$/);
    await hit('ArrowRight');
    expect(texts(f, 'h1')).toEqual(['EM']);
    expect(said(f)).toMatch(
      /^EM: string 6 open, string 5 fret 2 finger 1.*From C: Finger 1 goes over to string 5 fret 2/,
    );
    await hit('ArrowRight');
    expect(texts(f, 'h1')).toEqual(['C']);
  });
  it('lays the row out over the turns it takes, each chord as long as it is held', async () => {
    world.open.apply(setChart('s-a', 'C:3 EM:9 | EM:8 C:4'));
    const { f, hit } = await place();
    expect(texts(f, '.counts .accent')).toEqual(['12', '3', '6', '8', '10']);
    expect(all(f, '.turn').map((t) => t.getAttribute('aria-label'))).toEqual(['Turn 1 of 2', 'Turn 2 of 2']);
    // The chord that goes on over the turn's end is one chord in two places.
    expect(texts(f, '.card b')).toEqual(['C', 'EM', 'EM', 'C']);
    const part = (text: string) => Math.round((parseFloat(text) * 12) / 100);
    expect(all(f, '.card').map((c) => [part(c.style.left), part(c.style.width)])).toEqual([
      [0, 3],
      [3, 9],
      [0, 8],
      [8, 4],
    ]);
    await hit('ArrowRight');
    expect(all(f, '.card[aria-current]').map((c) => c.className.includes('goes-on'))).toEqual([false, true]);
    expect(all(f, '.card')[1]?.getAttribute('title')).toMatch(/^EM 0-2-2-0-0-0 \d+ \/ \d+ ms$/);
    all(f, '.card')[3]!.click();
    await f.whenStable();
    expect(texts(f, 'h1')).toEqual(['C']);
  });
  it('where a shape stands in the row twice, the music goes on from the one that is chosen', async () => {
    world.open.apply(setChart('s-a', 'C | EM | C | EM'));
    const { f, hit } = await place();
    const current = () => all(f, '.card').findIndex((c) => c.getAttribute('aria-current') === 'true');
    await hit('ArrowRight', 'ArrowRight');
    expect([texts(f, 'h1'), current()]).toEqual([['C'], 2]);
    const turn = cycleLength(world.open.section()!.cycle);
    world.transport.heard.set(3 * turn + 10);
    await f.whenStable();
    expect([texts(f, 'h1'), current()]).toEqual([['EM'], 3]);
    world.transport.heard.set(2 * turn + 10);
    await f.whenStable();
    expect([texts(f, 'h1'), current()]).toEqual([['C'], 2]);
  });
  it('of a long chart draws the turns around the present one', async () => {
    world.open.apply(setChart('s-a', '{C | EM}x30'));
    const { f, hit } = await place();
    expect(all(f, '.turn')).toHaveLength(16);
    expect(texts(f, 'app-turn-band p')).toEqual(['Turns 1–16 of 60']);
    await hit('ArrowLeft');
    expect(texts(f, 'app-turn-band p')).toEqual(['Turns 45–60 of 60']);
    expect(all(f, '.card[aria-current]')).toHaveLength(1);
  });
  it('says of the change at hand what each finger does, what it needs and what it has', async () => {
    const { f, hit } = await place();
    await hit('ArrowRight');
    expect(texts(f, 'app-change-times h2')).toEqual(['C → EM on 12']);
    const said = texts(f, 'app-change-times li');
    expect(said[0]).toMatch(/^1 Finger 1 goes over to string 5 fret 2, \d+ mm \d+ \/ \d+ ms$/);
    expect(said.at(-1)).toMatch(/^3 Finger 3 lifts$/);
    // All bars are drawn to one scale: the longest is the whole width.
    const bars = all(f, 'app-change-times .track span').map((b) => parseFloat(b.style.width));
    expect(Math.max(...bars)).toBe(100);
    // Nothing moves while one shape goes round.
    world.open.apply(setChart('s-a', 'C'));
    await f.whenStable();
    expect(all(f, 'app-change-times')).toHaveLength(0);
  });
  it('draws tips with their fingers, the former shape in outline, and the ways between', async () => {
    const { f, hit } = await place();
    await hit('ArrowRight');
    expect(texts(f, 'svg .finger').sort()).toEqual(['1', '2']);
    expect(all(f, 'svg .ghost')).toHaveLength(3);
    expect(all(f, 'svg .way').length).toBeGreaterThan(0);
  });
  it('writes a shape by keys: string, fret, silence; fingers come by themselves; it takes the old one’s place', async () => {
    const { f, hit } = await place();
    await hit('ArrowDown', 'ArrowDown', '3');
    expect(texts(f, 'h1')).toEqual(['Written on the neck']);
    expect(said(f)).toMatch(/string 2 fret 3 finger [1-4]/);
    await hit('+', 'ArrowUp', 'x');
    expect(said(f)).toMatch(/string 2 fret 4 finger [1-4], string 1 silent/);
    await hit('Enter');
    expect(chart()).toBe('"C 2" | EM');
    expect(world.open.study()?.shapes.at(-1)).toMatchObject({ name: 'C 2', frets: [null, 3, 2, 0, 4, null] });
    world.open.undo();
    expect(chart()).toBe('C | EM');
  });
  it('= and a digit name the finger of a string, where the hand can hold it so', async () => {
    const { f, hit } = await place();
    await hit('ArrowDown', 'ArrowDown', '=', '2');
    // C has 2 on string 4 already: one finger can't be on two frets.
    expect(texts(f, 'h1')).toEqual(['C']);
    await hit('=', '1', '3', '=', '4');
    expect(said(f)).toMatch(/string 2 fret 3 finger 4/);
    // Another key in between, and the digit is a fret again.
    await hit('=', 'ArrowUp', 'ArrowDown', '1');
    expect(said(f)).toMatch(/string 2 fret 1/);
  });
  it('a shape that no fingers hold is not kept, and says so', async () => {
    const { f, hit } = await place();
    await hit('ArrowDown', '9', 'ArrowDown', 'ArrowDown', '2', 'ArrowDown', '7', 'ArrowDown', '1');
    expect(texts(f, '[role=alert]').join()).toMatch(/No fingers can hold this/);
    expect(button(f, 'Keep shape').disabled).toBe(true);
    await hit('Escape');
    expect(texts(f, 'h1')).toEqual(['C']);
  });
  it('a press on the board stops a string there, a second one opens it', async () => {
    const { f } = await place();
    all(f, 'svg .pick')[5]!.dispatchEvent(new Event('click'));
    await f.whenStable();
    expect(said(f)).toMatch(/string 1 fret 1/);
    all(f, 'svg .pick')[5]!.dispatchEvent(new Event('click'));
    await f.whenStable();
    expect(said(f)).toMatch(/string 1 open/);
  });
  it('turns round for a left-handed player, and remembers it', async () => {
    const { f } = await place();
    const nut = () => Number(all(f, 'svg .wood')[0]!.getAttribute('x'));
    expect(nut()).toBe(0);
    await press(f, 'Left-handed');
    expect(nut()).toBeLessThan(0);
    expect(world.collection.settings().neckMirrored).toBe(true);
  });
  it('plays the shapes as block chords, left hand alone, and goes back to the pattern', async () => {
    const { f, hit } = await place();
    const written = world.open.section()?.script;
    await hit('b');
    expect(world.open.section()?.script).toMatch(/^id( -)+ id( -)+$/);
    expect(chart()).toBe('C | EM');
    expect(button(f, 'Block chords').getAttribute('aria-pressed')).toBe('true');
    await hit('b');
    expect(world.open.section()?.script).toBe(written);
  });
  it('walks through a line that stands alone, by keys and with the music', async () => {
    const stopped = [
      { at: 0, string: 6 as const, fret: 2, finger: 1 as const },
      { at: 0, string: 3 as const, fret: 3, finger: 2 as const },
      { at: 2520, string: 2 as const, fret: 2, finger: 1 as const },
    ];
    world.open.apply(setCell('s-a', 'pi:63 m:2', 2, stopped));
    world.open.apply(setChart('s-a', ''));
    const { f, hit } = await place();
    expect(texts(f, 'h1')).toEqual(['Note 1 of 2']);
    expect(texts(f, 'app-small-tablature tr').map((t) => t.replace(/\s+/g, ' ').trim())).toEqual([
      'String 1',
      'String 2 2 finger 1',
      'String 3 3 finger 2',
      'String 4',
      'String 5',
      'String 6 2 finger 1',
      'Right hand pi m',
    ]);
    expect(texts(f, 'svg .finger').sort()).toEqual(['1', '2']);
    await hit('ArrowRight');
    expect(said(f)).toMatch(
      /^Note 2 of 2: string 2 fret 2 finger 1\. From Note 1 of 2: Finger 1 goes over to string 2/,
    );
    expect(texts(f, 'td.here').flatMap((t) => t.replace(/\s+/g, ' ').trim() || [])).toEqual(['2 finger 1', 'm']);
    await hit('ArrowRight');
    expect(texts(f, 'h1')).toEqual(['Note 1 of 2']);
  });
  it('says where the right hand goes with the chord', async () => {
    world.open.apply(setScript('s-a', 'p:b ima:t p:b ima:t'));
    const { f, hit } = await place();
    await hit('ArrowRight');
    expect(texts(f, '.board .right')[0]).toMatch(/^The right hand moves: the thumb goes from string 5 to 6/);
    const list = await show(ChangesPanel);
    expect(texts(list, '.right').some((t) => /the thumb goes from string 6 to 5/.test(t))).toBe(true);
  });
  it('has capo and tuning at hand; own strings are written by names, and what breaks is warned of', async () => {
    const { f } = await place();
    await choose(f, 'Capo', '2');
    expect(world.open.study()?.instrument.capo).toBe(2);
    await choose(f, 'Tuning', 'Own …');
    await type(f, field(f, 'Strings 6 to 1'), 'D A D F# A');
    expect(texts(f, '[role=alert]').join()).toMatch(/names six strings/);
    expect(world.open.study()?.instrument.tuning[0]).toBe(40);
    await type(f, field(f, 'Strings 6 to 1'), 'D A D F# A D');
    expect(world.open.study()?.instrument.tuning).toEqual([38, 45, 50, 54, 57, 62]);
    expect(texts(f, '[role=status]')).toEqual([]);
    await type(f, field(f, 'Strings 6 to 1'), 'E A D G B A4');
    expect(texts(f, '[role=status]').join()).toMatch(/String 1 may break: A4 is 5 semitones/);
    world.open.undo();
    await f.whenStable();
    expect(texts(f, '[role=status]')).toEqual([]);
  });
  it('without strokes it says where the times come from', async () => {
    world.open.apply(setScript('s-a', ''));
    const { f } = await place();
    expect(texts(f, '.card .soft')).toEqual([]);
    expect(texts(f, '.board p').join()).toMatch(/No strokes yet/);
  });
  it('walks through a line over a shape: the finger that is borrowed, and by when it is back', async () => {
    world.open.apply(setChart('s-a', 'C'));
    world.open.apply(setScript('s-a', 'i:1f3=1 - - m:2 {.}x20'));
    const { f, hit } = await place();
    expect(texts(f, 'h1')).toEqual(['C']);
    expect(all(f, '.tip.line')).toHaveLength(0);
    const keys = TestBed.inject(Keys);
    expect(keys.press(key('ArrowRight', { shiftKey: true }))).toBe(true);
    await f.whenStable();
    expect(texts(f, 'h1')).toEqual(['C · Note 1 of 1']);
    expect(all(f, '.tip.line')).toHaveLength(1);
    expect(all(f, '.away')).toHaveLength(1);
    expect(said(f)).toMatch(/string 2 open, string 1 fret 3 finger 1/);
    expect(texts(f, '.borrowed')[0]).toMatch(/^Finger 1 leaves string 2.*until it is back, by 1 &\.$/);
    await hit('Escape');
    expect(texts(f, 'h1')).toEqual(['C']);
  });
  it('shows a move of the list: the note that it leads to, on its own chord', async () => {
    world.open.apply(setScript('s-a', 'p:b - i:1f3=4 - m:2 - {.}x18'));
    const { f } = await place();
    const move = world.open.reading()!.moves.find((m) => m.line?.chords[1] === 'EM' && m.to.name === 'EM 1f3')!;
    (f.componentInstance as unknown as { show: (m: LeftMove) => void }).show(move);
    await f.whenStable();
    expect(texts(f, 'h1')[0]).toMatch(/^EM · Note 2 of 2$/);
  });
  it('without shapes it says where they come from', async () => {
    world.open.apply(setChart('s-a', ''));
    const { f } = await place();
    expect(texts(f, '.board p.soft')[0]).toMatch(/No shape yet/);
  });
});

describe('changes', () => {
  it('are listed with every finger’s part, and the drills of each go to Practise', async () => {
    const went: string[] = [];
    vi.spyOn(TestBed.inject(Router), 'navigateByUrl').mockImplementation(async (url) => !!went.push(String(url)));
    const f = await show(ChangesPanel);
    expect(texts(f, '.link').sort()).toEqual(['C → EM', 'EM → C']);
    expect(texts(f, 'li').some((t) => /^Finger 1 goes over to string 5 fret 2, \d+ mm$/.test(t))).toBe(true);
    await press(f, 'Drill: C → EM');
    expect(TestBed.inject(AskedDrills).take()[0]).toBe('change alone c em');
    expect(went).toEqual(['/practise']);
  });
  it('frets in strokes are moves too: ranked with the arm’s way, shown on the neck, drilled, and taken round into bar 1', async () => {
    vi.spyOn(TestBed.inject(Router), 'navigateByUrl').mockResolvedValue(true);
    world.open.apply(setChart('s-a', ''));
    world.open.apply(setScript('s-a', 'i:1f1=1 m:1f3=3 i:1f1=1 m:2f12=4 {.}x20 | {.}x24'));
    const f = await show(ChangesPanel);
    const shown: LeftMove[] = [];
    f.componentInstance.shown.subscribe((move) => shown.push(move));
    await soon(() => expect(texts(f, '.link')).toHaveLength(4));
    expect(texts(f, '.top .soft')[0]).toMatch(
      /^bar 1, on [^·]+ · arm \d{3} mm, with the fingers \d{3} mm · \d+ points$/,
    );
    expect(texts(f, 'section p').join()).toMatch(/The arm carries the hand \d{3} mm along the neck\./);
    await press(f, texts(f, '.link')[0]!);
    expect(shown[0]?.line).not.toBeNull();
    await press(f, 'Drill: 1f1 → 2f12');
    expect(TestBed.inject(AskedDrills).take()[0]).toMatch(/^move /);
    await press(f, 'Bar 1 round into bar 1: 1f1 → 2f12');
    expect(TestBed.inject(AskedDrills).take()).toEqual(['round 1']);
  });
});

describe('finding a shape', () => {
  const panel = async (chord: string) => {
    const f = await show(FindPanel, { index: 1 });
    await type(f, field(f, 'Chord symbol'), chord);
    return f;
  };
  it('lists shapes with span and reasons; one is added to the row or put in the present one’s place', async () => {
    const f = await panel('Am');
    await soon(() => expect(texts(f, 'code')[0]).toBe('x-0-2-2-1-0'));
    await f.whenStable();
    expect(texts(f, '.shape .soft')[0]).toMatch(/^x-0-2-3-1-0 · span \d+ mm · /);
    await press(f, 'Add: Am x-0-2-2-1-0');
    expect(chart()).toBe('C | EM | Am');
    await press(f, 'Put here: Am x-0-2-2-1-0');
    expect(chart()).toBe('C | Am | Am');
    world.open.undo();
    world.open.undo();
    expect(chart()).toBe('C | EM');
  });
  it('is heard under the written pattern without being kept', async () => {
    const f = await panel('Am');
    await soon(() => expect(texts(f, 'code')[0]).toBe('x-0-2-2-1-0'));
    await f.whenStable();
    await press(f, 'Hear: Am x-0-2-2-1-0');
    expect(chart()).toBe('Am');
    expect(world.open.shapes()).toHaveLength(3);
    expect(world.open.study()?.shapes).toHaveLength(2);
    await press(f, 'Back: Am x-0-2-2-1-0');
    expect(chart()).toBe('C | EM');
  });
  it('filters, and names what to loosen; unknown symbols come with what is near', async () => {
    const f = await panel('Bm');
    await press(f, 'Barres');
    for (const string of ['6', '5', '4']) await press(f, string);
    await soon(() => expect(texts(f, 'code').every((c) => c.startsWith('x-x-x-'))).toBe(true));
    await type(f, field(f, 'Chord symbol'), 'H7');
    await soon(() => expect(texts(f, '[role=alert]')[0]).toMatch(/Near it: B7/));
  });
  it('takes notes by name too: shapes that sound these and no other', async () => {
    const f = await panel('e2 g#3 d4');
    await soon(() => expect(texts(f, 'code').length).toBeGreaterThan(0));
    await f.whenStable();
    expect(texts(f, '.shape b')[0]).toBe('e2 g#3 d4');
    for (const frets of texts(f, 'code')) {
      const sounding = frets.split('-').flatMap((x, i) => (x === 'x' ? [] : [STANDARD_TUNING[i]! + Number(x)]));
      expect(sounding.sort((a, b) => a - b)).toEqual([40, 56, 62]);
    }
  });
  it('one name alone is a chord, though G7 could be a note', async () => {
    const f = await panel('G7');
    await soon(() => expect(texts(f, 'code')[0]).toBe('3-2-0-0-0-1'));
  });
  it('offers easier ones and says what is lost', async () => {
    const f = await panel('E7b9');
    await soon(() => expect(texts(f, 'h3')).toContain('Easier, and what is lost'));
    expect(texts(f, '.shape .soft').join()).toMatch(/without the flat ninth/);
  });
});

describe('a row from symbols', () => {
  it('becomes shapes with least work; taken over it is one step of undo', async () => {
    const f = await show(RowPanel);
    await type(f, field(f, 'Chords in order'), 'Am7 D7 Gmaj7');
    await soon(() => expect(all(f, 'section')).toHaveLength(3));
    await press(f, 'a chord each group');
    await press(f, 'Take over: 1');
    expect(chart()).toBe('Am7:3 D7:3 Gmaj7:2 Am7:2 D7:2');
    expect(world.open.study()?.shapes).toHaveLength(5);
    world.open.undo();
    expect(chart()).toBe('C | EM');
    expect(world.open.study()?.shapes).toHaveLength(2);
  });
  it('names each chord that is not known, by its place', async () => {
    const f = await show(RowPanel);
    await type(f, field(f, 'Chords in order'), 'Am7 zz D7');
    await soon(() => expect(texts(f, '[role=alert]')[0]).toMatch(/^Chord 2, zz: /));
  });
});

describe('a melody for both hands', () => {
  it('gets strings, frets and both hands’ fingers; taken over it sounds as written', async () => {
    const f = await show(MelodyPanel);
    await type(f, field(f, 'Melody by note names'), '[a2~ e4] d4 c4 b3');
    await soon(() => expect(all(f, 'section')).toHaveLength(3));
    expect(texts(f, 'section:first-of-type th').map((t) => t.replace(/\s+/g, ' ').trim())).toEqual([
      ...[1, 2, 3, 4, 5, 6].map((s) => `String ${s}`),
      'Right hand',
    ]);
    expect(texts(f, 'section:first-of-type tr:last-child td')[0]).toMatch(/^p[ima]$/);
    await press(f, 'Take over: 1');
    const section = world.open.study()?.sections[0];
    expect(section?.script).toMatch(/^p[ima]:\df\d(=\d)?\+\df\d(=\d)? /);
    expect(stopsOf(world.open.reading()!.flat)).toHaveLength(5);
    expect(section?.chart).toBe('');
    const pitches = world.open.reading()!.plan.sounds.flatMap((s) => (s.kind === 'pluck' ? [s.midi] : []));
    expect(pitches.slice(0, 5).sort((a, b) => a - b)).toEqual([45, 59, 60, 62, 64]);
  });
  it('the right hand’s way is chosen: a m i begins afresh with each bar', async () => {
    world.open.apply(setCycle(world.open.section()!.id, cycleById('tangos')!));
    const f = await show(MelodyPanel);
    await type(f, field(f, 'Melody by note names'), 'e4 d4 e4 f4 e4 d4 c4 d4 e4 d4');
    await soon(() => expect(all(f, 'section')).toHaveLength(3));
    await choose(f, 'How the right hand fingers it', 'a m i afresh each bar');
    // Four counts a bar, two steps a count.
    await soon(() =>
      expect(texts(f, 'section:first-of-type tr:last-child td').slice(0, 10).join(' ')).toBe('a m i a m i a m a m'),
    );
    expect(all(f, 'section:first-of-type .fault')).toHaveLength(0);
  });
  it('ranks keys and capo places when asked, and is written in another one', async () => {
    const f = await show(MelodyPanel);
    await type(f, field(f, 'Melody by note names'), 'eb4 db4');
    await soon(() => expect(all(f, 'app-key-ranking details')).toHaveLength(1));
    expect(all(f, '.shape')).toHaveLength(0);
    unfold(all(f, 'app-key-ranking details')[0]);
    await soon(() => expect(all(f, '.shape').length).toBeGreaterThan(7));
    await f.whenStable();
    expect(texts(f, '.shape b').map(Number)).toEqual([...texts(f, '.shape b').map(Number)].sort((a, b) => a - b));
    const some = all(f, '.shape').length;
    await press(f, 'Every key and capo');
    expect(all(f, '.shape')).toHaveLength(96);
    await press(f, 'Every key and capo');
    expect(all(f, '.shape')).toHaveLength(some);
    const best = texts(f, '.shape span:first-child')
      .find((t) => /semitone/.test(t))!
      .replace(/^\S+ /, '');
    await press(f, `Take: ${best}`);
    expect(world.open.study()?.instrument.capo).toBe(Number(/capo (\d)/.exec(best)?.[1] ?? 0));
    expect(field(f, 'Melody by note names').value).not.toBe('eb4 db4');
    world.open.undo();
    expect(world.open.study()?.instrument.capo).toBe(0);
  });
  it('says why every note stands where it does, once it is asked', async () => {
    const f = await show(MelodyPanel);
    await type(f, field(f, 'Melody by note names'), '[a2 e4] d4 (Am7) b3');
    await soon(() => expect(all(f, 'section')).toHaveLength(3));
    await f.whenStable();
    expect(all(f, '.reasons')).toHaveLength(0);
    unfold(all(f, 'section details')[0]);
    await soon(() => expect(texts(f, '.reasons li')).toHaveLength(4));
    expect(texts(f, '.reasons li')[0]).toMatch(/^Note 1: string 5 open with /);
    expect(texts(f, '.reasons li')[2]).toMatch(/^Note 3: Am7/);
  });
  it('another key is heard with its capo before it is taken, and left again', async () => {
    const f = await show(MelodyPanel);
    await type(f, field(f, 'Melody by note names'), 'eb4 db4');
    await soon(() => expect(all(f, 'app-key-ranking details')).toHaveLength(1));
    unfold(all(f, 'app-key-ranking details')[0]);
    await soon(() => expect(texts(f, '.shape span:first-child').some((t) => /capo [1-7]/.test(t))).toBe(true));
    await f.whenStable();
    const said = texts(f, '.shape span:first-child')
      .find((t) => /capo [1-7]/.test(t))!
      .replace(/^\S+ /, '');
    const capo = Number(/capo (\d)/.exec(said)![1]);
    await press(f, `Hear: ${said}`);
    await soon(() => expect(world.open.capo()).toBe(capo));
    await f.whenStable();
    expect(world.open.study()?.instrument.capo).toBe(0);
    const by = Number(/(\d+) semitone/.exec(said)?.[1] ?? 0) * (/down/.test(said) ? -1 : 1);
    const sounds = world.open.reading()!.line.flatMap((e) => e.notes.map((n) => n.midi));
    expect(sounds.slice(0, 2)).toEqual([63 + by, 61 + by]);
    await press(f, `Back: ${said}`);
    expect(world.open.capo()).toBe(0);
    expect(field(f, 'Melody by note names').value).toBe('eb4 db4');
  });
  it('names what is no note, and what no hand can hold', async () => {
    const f = await show(MelodyPanel);
    await type(f, field(f, 'Melody by note names'), 'e4 x');
    expect(texts(f, '[role=alert]')[0]).toMatch(/“x” is no note/);
    await type(f, field(f, 'Melody by note names'), '[f2~ c6]');
    await soon(() => expect(texts(f, '[role=alert]')[0]).toMatch(/^Step 1: /));
  });
});
