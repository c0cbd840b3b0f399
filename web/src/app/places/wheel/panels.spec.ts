import { CYCLES, heldInTurn, setChart, setScript, setTempo } from '@ruffle-wheel/core';
import {
  all,
  aWorld,
  button,
  choose,
  chosen,
  element,
  editor,
  field,
  press,
  show,
  texts,
  type,
  type World,
} from '../../testing/world';
import { Solve } from '../../compute/solve';
import { InstantSolve } from '../../testing/instant-solve';
import { AccentsPanel } from './accents-panel';
import { CyclePanel } from './cycle-panel';
import { FindingsPanel } from './findings-panel';
import { ShapePanel } from './shape-panel';
import { soon } from '../../testing/soon';

let world: World;
beforeEach(async () => {
  world = await aWorld(undefined, [{ provide: Solve, useValue: new InstantSolve() }]);
});

describe('findings panel', () => {
  it('a plectrum has its load beside the fingers’, and sets the ceiling', async () => {
    world.open.apply(setScript(world.open.section()!.id, 'Pd:3 Pu:3 Pd:3 Pu:3'));
    const f = await show(FindingsPanel);
    await soon(() => expect(texts(f, 'h3')[0]).toBe('Ceiling over 400 (13.3 notes a second): the plectrum'));
    expect(texts(f, '.load .row > b')).toEqual(['P']);
    expect(texts(f, 'section p')[0]).toMatch(/the plectrum has \d+ ms between strokes and needs 70.*half a return/);
  });
  it('says what there is to say, the ceiling first, and the load of every finger', async () => {
    const f = await show(FindingsPanel);
    expect(texts(f, 'h3')[0]).toBe('Ceiling 229: the left hand; the right hand’s is 352');
    expect(texts(f, 'h3')).toContain('Comes round after 5 turns');
    expect(texts(f, '.row:not(.joint, .move) b')).toEqual(['e', 'a', 'm', 'i']);
    // The left hand's own beside it, and which of the two is the limit.
    expect(texts(f, '.row.move b')).toEqual(['C → EM', 'EM → C']);
    expect(texts(f, '.load p.soft').at(-1)).toBe('The left hand is the limit, at 229.');
    expect(texts(f, '.row .share')[3]).toMatch(/^\d+ % of yours$/);
  });
  it('looks for what would end a finding when it is asked, and takes it', async () => {
    world.open.apply(setScript(world.open.section()!.id, 'i:1 i:1 i:1 i:1'));
    world.open.apply(setTempo(world.open.section()!.id, 399));
    const f = await show(FindingsPanel);
    await soon(() => expect(texts(f, 'h3')[0]).toMatch(/^No room at 399/));
    await press(f, 'What would end it');
    await soon(() => button(f, 'Play it at'));
    const tempo = Number(/\d+/.exec(button(f, 'Play it at').textContent)![0]);
    await press(f, 'Play it at');
    expect(world.open.section()!.bpm).toBe(tempo);
    await soon(() => expect(texts(f, 'h3')[0]).toMatch(/^Ceiling/));
    // What only is so has no way out.
    expect(all(f, 'app-finding-card')[0]!.querySelector('app-what-ends')).toBeNull();
  });
  it('opens three, what is urgent before the rest, and folds the others by matter', async () => {
    world.open.apply(setScript('s-a', 'ed au id iu'));
    const f = await show(FindingsPanel);
    const open = all(f, '.findings > app-finding-card h3').map((h) => h.textContent);
    expect(open[0]).toMatch(/^Ceiling/);
    // A weak accent is to be watched; when it comes round only is so.
    expect(open[1]).toBe('4 of 5 accents fall on a weak stroke');
    expect(open).toHaveLength(3);
    expect(texts(f, 'mat-panel-title')).toEqual([
      'Turns and accents',
      'Chords and the left hand',
      'Load of each finger',
    ]);
    const folded = texts(f, 'mat-panel-description');
    expect(folded[0]).toContain('Comes round every turn');
    expect(folded[2]).toMatch(/^i \d+ %$/);
    expect(all(f, 'mat-expansion-panel.mat-expanded')).toHaveLength(0);
    // What is unfolded stays so when nothing has been there for a while.
    all(f, 'mat-expansion-panel-header')[0]!.click();
    for (const script of ['', 'ed ad md id iu']) {
      world.open.apply(setScript('s-a', script));
      await f.whenStable();
    }
    expect(all(f, 'mat-expansion-panel.mat-expanded')).toHaveLength(1);
  });
  it('leads to the place it is about and to what mends it', async () => {
    const f = await show(FindingsPanel);
    const led: unknown[] = [];
    f.componentInstance.lead.subscribe((l) => led.push(l));
    await press(f, 'Show the place');
    await press(f, 'Fit cells to the accents');
    expect(led).toEqual([
      { to: 'slot', slot: 3 },
      { to: 'fit', slot: undefined },
    ]);
    world.open.apply(setTempo('s-a', 390));
    await f.whenStable();
    await press(f, 'Practise slower');
    expect(led.at(-1)).toMatchObject({ to: 'ladder' });
  });
  it('marks the finger that is late above the ceiling', async () => {
    world.open.apply(setTempo('s-a', 390));
    const f = await show(FindingsPanel);
    expect(texts(f, '.late-tone h3')[0]).toBe('No room at 390: i is late');
    expect(texts(f, '.row.over:not(.move) b')).toEqual(['i']);
  });
  it('has a bar for every joint, and offers what would raise the ceiling, to hear or to take', async () => {
    world.open.apply(setScript('s-a', 'ed md ed md'));
    const f = await show(FindingsPanel);
    expect(texts(f, '.joint b')).toEqual(['e → m', 'm → e']);
    expect(texts(f, '.joint .rate')[0]).toMatch(/^\d+ \/ 50 ms$/);
    const raises = texts(f, '.raise');
    expect(raises.join(' ')).toMatch(/Four down, as dense/);
    await press(f, 'Take over: Four down, as dense');
    expect(world.open.study()?.sections[0]?.script).toBe('ed ad md id');
  });
});

describe('accents panel', () => {
  it('has a row for every turn and a column for every accent, weak ones said to be weak', async () => {
    const f = await show(AccentsPanel, { turn: 1 });
    expect(texts(f, '.scroll thead th')).toEqual(['Turn', '12', '3', '6', '8', '10']);
    expect(all(f, '.scroll tbody tr')).toHaveLength(5);
    // The roll before lands there.
    expect(texts(f, '.scroll tbody tr:nth-child(1) td')[0]).toBe('e ↓ e down');
    expect(texts(f, '.scroll tr.here th')).toEqual(['2']);
    world.open.apply(setScript('s-a', 'ed au id iu'));
    await f.whenStable();
    expect(texts(f, '.scroll tbody tr:nth-child(1) td')[0]).toBe('e ↓ e down weak');
  });
});

describe('shape panel', () => {
  const panel = () => show(ShapePanel, { held: heldInTurn(world.open.section()!, world.open.study()!.shapes, 0) });
  it('shows what is held with its span', async () => {
    const f = await panel();
    expect(texts(f, 'h3')).toContain('Held now: C');
    expect(element(f).textContent).toMatch(/x-3-2-0-1-0 · span \d+ mm/);
  });
  it('writes the chart as it is typed, with its faults, bars and pushes', async () => {
    const f = await panel();
    await press(f, 'Add to the chart: C');
    expect(world.open.section()?.chart).toBe('C | EM | C');
    editor(f, 'Chart').textChange.emit('C:3 "EM');
    await f.whenStable();
    expect(world.open.study()?.sections[0]?.chart).toBe('C:3 "EM');
    expect(texts(f, 'app-fault-list li')[0]).toMatch(/quotation mark is never closed.*Write "EM"/);
    await press(f, 'Write "EM"');
    expect(world.open.section()?.chart).toBe('C:3 "EM"');
    await type(f, field(f, 'Bars of this section'), '8');
    expect(world.open.section()?.bars).toBe(8);
    await type(f, field(f, 'Bars of this section'), '');
    expect(world.open.section()?.bars).toBeNull();
    world.open.apply(setScript('s-a', '{id . . .}x6'));
    await f.whenStable();
    expect(() => button(f, 'Push every change')).not.toThrow();
  });
  it('fingers that no longer fit the frets are cleared, and laid on anew', async () => {
    const f = await panel();
    await press(f, 'Edit C');
    const fingers = () => field(f, 'Fingers 6 to 1').value;
    expect(fingers()).toBe('x-3-2-0-1-0');
    // On the way to other frets nothing is lost.
    await type(f, field(f, 'Frets 6 to 1'), 'x-3-2-0-1');
    expect(fingers()).toBe('x-3-2-0-1-0');
    await type(f, field(f, 'Frets 6 to 1'), 'x-3-2-3-1-0');
    expect(fingers()).toBe('');
    expect(texts(f, 'form .faults li')).toEqual([]);
  });
  it('finds shapes for symbols as they are typed; they are heard then, and kept when the field is left', async () => {
    const f = await panel();
    editor(f, 'Chart').textChange.emit('C | Am7 | C');
    await soon(() => expect(texts(f, '.found b')).toEqual(['Am7']));
    expect(world.open.study()?.shapes).toHaveLength(2);
    expect(world.open.shapes().map((s) => s.name)).toContain('Am7');
    editor(f, 'Chart').left.emit();
    await f.whenStable();
    expect(world.open.study()?.shapes.at(-1)?.name).toBe('Am7');
    expect(texts(f, '.found')).toEqual([]);
    // Text and shapes are one step, and what is taken back is not kept again by itself.
    world.open.undo();
    await new Promise((r) => setTimeout(r, 300));
    expect(world.open.section()?.chart).toBe('C | EM');
    expect(world.open.study()?.shapes).toHaveLength(2);
    world.open.redo();
    expect([world.open.section()?.chart, world.open.study()?.shapes.length]).toEqual(['C | Am7 | C', 3]);
    // What came some other way is offered.
    world.open.apply(setChart('s-a', 'C | Dm7'));
    await soon(() => expect(texts(f, '.found b')).toEqual(['Dm7']));
    await press(f, 'Keep them');
    expect(world.open.study()?.shapes.at(-1)?.name).toBe('Dm7');
  });
  it('frets in a chart become a shape with fingers, and are called by their notes', async () => {
    const f = await panel();
    editor(f, 'Chart').textChange.emit('C | 0-x-9-9-9-0');
    await soon(() => expect(texts(f, '.found span').join(' ')).toMatch(/0-x-9-9-9-0 fingers x?0?.*sounds as E/));
    editor(f, 'Chart').left.emit();
    await f.whenStable();
    expect(world.open.study()?.shapes.at(-1)).toMatchObject({
      name: '0-x-9-9-9-0',
      chord: 'E',
      frets: [0, null, 9, 9, 9, 0],
    });
  });
  it('keeps a new shape only without faults, and says each of them', async () => {
    const f = await panel();
    await press(f, 'New shape');
    await type(f, field(f, 'Frets'), 'x-3-2-0-1');
    expect(texts(f, '.faults li').join(' ')).toMatch(/names six strings.*Give the shape a name/);
    expect(button(f, 'Keep, at').disabled).toBe(true);
    await type(f, field(f, 'Name'), 'G');
    await type(f, field(f, 'Frets'), '3-2-0-0-0-3');
    await type(f, field(f, 'Fingers'), '2-1-0-0-0-3');
    all(f, 'form')[0]!.dispatchEvent(new Event('submit'));
    await f.whenStable();
    expect(world.open.study()?.shapes.at(-1)).toMatchObject({ name: 'G', frets: [3, 2, 0, 0, 0, 3] });
    expect(world.open.section()?.chart).toBe('C | EM | G');
    // Edited later it stays where it is held.
    await press(f, 'Edit G');
    await type(f, field(f, 'Name'), 'G open');
    await press(f, 'Keep shape');
    expect(world.open.section()?.chart).toBe('C | EM | "G open"');
  });
  it('lays fingers on by itself where none are written', async () => {
    const f = await panel();
    await press(f, 'New shape');
    await type(f, field(f, 'Name'), 'Am');
    await type(f, field(f, 'Frets'), 'x-0-2-2-1-0');
    await press(f, 'Keep for later');
    expect(world.open.section()?.chart).toBe('C | EM');
    expect(world.open.study()?.shapes.at(-1)?.fingers).toEqual([null, 0, 2, 3, 1, 0]);
    await press(f, 'New shape');
    await type(f, field(f, 'Name'), 'Ladder');
    await type(f, field(f, 'Frets'), '1-2-3-4-5-x');
    expect(texts(f, '.faults li')).toEqual([
      'No fingers of this hand hold it. Leave a string out, or write its fingers yourself.',
    ]);
    await type(f, field(f, 'Fingers'), '1-2-3-4-5-x');
    expect(texts(f, '.faults li')[0]).toMatch(/String 2: “5” is no finger/);
    expect(button(f, 'Keep for later').disabled).toBe(true);
  });
  it('takes a shape away: its chords are open strings; undo brings both back', async () => {
    const f = await panel();
    await press(f, 'Remove EM');
    expect(world.open.study()?.shapes).toHaveLength(1);
    expect(world.open.section()?.chart).toBe('C | .');
    world.open.undo();
    expect(world.open.section()?.chart).toBe('C | EM');
  });
  it('capo and tuning belong to the study', async () => {
    const f = await panel();
    await choose(f, 'Capo', '3');
    await choose(f, 'Tuning', 'Sixth to D');
    expect(world.open.study()).toMatchObject({ instrument: { capo: 3, tuning: [38, 45, 50, 55, 59, 64] } });
  });
});

describe('cycle panel', () => {
  it('lists families and names, and the schools of the present one with their accents', async () => {
    const f = await show(CyclePanel);
    expect(await choose(f, 'Accent cycle')).toEqual([...new Set(CYCLES.map((c) => c.name))]);
    expect(chosen(f, 'Accent cycle')).toBe('Bulería');
    expect(all(f, '.school')).toHaveLength(4);
    expect(texts(f, '.school[aria-pressed=true] b')).toEqual(['counted from 12']);
  });
  it('takes another school or another cycle', async () => {
    const f = await show(CyclePanel);
    await press(f, '12 3 7 8 10');
    expect(world.open.section()?.cycle.id).toBe('buleria-seven');
    await choose(f, 'Accent cycle', 'Vals');
    expect(world.open.section()?.cycle.id).toBe('vals');
  });
  it('makes an own cycle, names its faults, and keeps it', async () => {
    const f = await show(CyclePanel);
    await press(f, 'Make an own cycle');
    await type(f, field(f, 'Counts'), '7');
    expect(field(f, 'Labels').value).toBe('1 2 3 4 5 6 7');
    await type(f, field(f, 'Groups'), '4+2');
    expect(texts(f, '.faults li').join(' ')).toMatch(/add up to 6 counts; the turn has 7/);
    await type(f, field(f, 'Groups'), '4+x');
    expect(texts(f, '.faults li').join(' ')).toMatch(/Lengths in counts/);
    await type(f, field(f, 'Groups'), '4+3');
    await type(f, field(f, 'Accents'), '1 5!7');
    await type(f, field(f, 'Tempo'), '12');
    expect(texts(f, '.faults li').join(' ')).toMatch(/counts a minute it goes at as a rule, 20 to 400/);
    await type(f, field(f, 'Tempo'), '100');
    all(f, 'form')[0]!.dispatchEvent(new Event('submit'));
    await soon(() => expect(world.open.section()?.cycle).toMatchObject({ counts: 7, groups: [4 * 5040, 3 * 5040] }));
    expect(world.open.section()?.cycle.tempo).toEqual({ low: 60, usual: 100, high: 140 });
    expect(world.collection.ownCycles()).toHaveLength(1);
    await f.whenStable();
    await press(f, 'Delete own cycle');
    await soon(() => expect(world.collection.ownCycles()).toHaveLength(0));
  });
});
