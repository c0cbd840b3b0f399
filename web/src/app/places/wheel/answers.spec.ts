import { TestBed } from '@angular/core/testing';
import { lineSchool, setChart, setScript, setStart } from '@ruffle-wheel/core';
import { Router } from '@angular/router';
import { Solve } from '../../compute/solve';
import { AskedDrills } from '../../study';
import { InstantSolve } from '../../testing/instant-solve';
import { all, aWorld, button, choose, field, press, show, texts, type, type World } from '../../testing/world';
import { DrillsPanel } from './drills-panel';
import { FitPanel } from './fit-panel';
import { LinePanel } from './line-panel';
import { StartsTable } from './starts-table';
import { WeaveForm } from './weave-form';
import { soon } from '../../testing/soon';

let world: World;
let solve: InstantSolve;
let went: string[];
beforeEach(async () => {
  solve = new InstantSolve();
  world = await aWorld(undefined, [{ provide: Solve, useValue: solve }]);
  went = [];
  vi.spyOn(TestBed.inject(Router), 'navigateByUrl').mockImplementation(async (url) => !!went.push(String(url)));
});

describe('fit panel', () => {
  const panel = async () => {
    const f = await show(FitPanel);
    await soon(() => expect(texts(f, 'ol > li').length).toBe(5));
    return f;
  };
  it('asks for the section’s own cycle, tempo and hand, and shows the best five with costs and reasons', async () => {
    const f = await panel();
    expect(solve.fits.at(-1)).toMatchObject({ cycle: { id: 'buleria' }, bpm: world.open.section()?.bpm, k: 5 });
    expect(texts(f, '.bar').length).toBeGreaterThan(0);
    expect(texts(f, '.why').join(' ')).toMatch(/12 .* · 3 /);
  });
  it('a cell may come, must come, is not used, in turn', async () => {
    const f = await panel();
    const cell = () => all(f, '.cell')[0]!;
    cell().click();
    await f.whenStable();
    expect(cell().className).toContain('must');
    await soon(() => expect(solve.fits.at(-1)?.rules?.must).toEqual(['id iu']));
    cell().click();
    await f.whenStable();
    await soon(() => expect(solve.fits.at(-1)?.cells.map((c) => c.id)).not.toContain('id iu'));
  });
  it('an own cell must come, and is kept on the Shelf; a faulty one is refused in words', async () => {
    const f = await panel();
    await type(f, field(f, 'Own cell'), 'iid');
    all(f, 'form')[0]!.dispatchEvent(new Event('submit'));
    await f.whenStable();
    expect(texts(f, '.fault')[0]).toMatch(/One finger stands here twice/);
    await type(f, field(f, 'Own cell'), 'pd pu pd');
    all(f, 'form')[0]!.dispatchEvent(new Event('submit'));
    await soon(() => expect(solve.fits.at(-1)?.rules?.must).toContain('pd pu pd'));
    expect(world.collection.ownCells()).toMatchObject([{ script: 'pd pu pd', family: 'flamenco', stepsPerCount: 3 }]);
    await soon(() => expect(solve.fits.at(-1)?.cells.map((c) => c.id)).toContain('pd pu pd'));
  });
  it('takes a chain’s weakest joint to Practise', async () => {
    const f = await panel();
    await press(f, 'Drill its weakest joint: 2');
    expect(world.open.canUndo()).toBe(true);
    expect(TestBed.inject(AskedDrills).take()).toEqual(['weakest']);
    expect(went).toEqual(['/practise']);
  });
  it('says why when there is no chain', async () => {
    const f = await panel();
    for (const name of ['half a count', 'a count', 'two counts']) await press(f, name);
    await soon(() => expect(texts(f, '[role=alert]').join(' ')).toMatch(/No chain can be had/));
  });
  it('shows a chain on the wheel, plays it, and takes it over as one step of undo', async () => {
    const f = await panel();
    await press(f, 'Show and hear');
    expect(world.open.trying()).toBe(true);
    await soon(() => expect(world.transport.played).toHaveLength(1));
    await press(f, 'Back to what is written');
    expect(world.open.section()?.script).toBe('ed ad md id iu');
    await press(f, 'Take over');
    expect(world.open.study()?.sections[0]?.script).not.toBe('ed ad md id iu');
    world.open.undo();
    expect(world.open.section()?.script).toBe('ed ad md id iu');
  });
  it('compares two chains term by term', async () => {
    const f = await panel();
    const compare = all(f, 'ol .chip');
    compare[0]!.click();
    compare[2]!.click();
    await f.whenStable();
    expect(texts(f, 'table thead th')).toEqual(['Compare', '1', '3']);
    // Only what one of the two pays, and the sum.
    const paid = all(f, 'table tbody tr').map((r) => [...r.querySelectorAll('td')].map((td) => Number(td.textContent)));
    expect(paid.length).toBeGreaterThan(1);
    for (const [a, b] of paid) expect(a! + b!).toBeGreaterThan(0);
  });
});

describe('line panel', () => {
  const panel = async (line: string) => {
    const f = await show(LinePanel);
    await type(f, field(f, 'Line by strings'), line);
    await soon(() => expect(all(f, 'tbody tr').length).toBeGreaterThan(5));
    await f.whenStable();
    return f;
  };
  it('begins as it is taught, other schools of its kind beside it, those of no kind folded away with the reason', async () => {
    const f = await panel('333222111');
    expect(texts(f, '.school .mdc-button__label > span:first-child').slice(0, 3)).toEqual([
      'As taught',
      'i m',
      'Habit first',
    ]);
    expect(texts(f, 'section > .help')[0]).toBe('Read as a run.');
    expect(texts(f, 'details .school .mdc-button__label > span:first-child')).toContain('p i m a');
    expect(texts(f, 'details .help')[0]?.replace(/\s+/g, ' ').trim()).toMatch(
      /^Read as a run. No teacher gives the others here: a run keeps one pair/,
    );
    expect(texts(f, '.string').slice(0, 9).join('')).toBe('333222111');
    const rows = all(f, 'tbody tr').map((r) => r.querySelectorAll('.other').length);
    expect(rows[0]).toBe(0);
    expect(Math.max(...rows)).toBeGreaterThan(0);
    expect(all(f, 'tbody tr:nth-child(1)')[0]!.querySelectorAll('.awkward').length).toBe(1);
    const plectrum = all(f, 'tbody')[0]!.querySelectorAll('tr:last-child td');
    expect([...plectrum].map((c) => c.textContent).join(' ')).toBe('r u r r u r r u r');
    expect(solve.lines.at(-1)).toMatchObject({ line: { stroke: 'rest' }, school: { id: 'taught' } });
    // A composed line has no seam; an order that repeats has.
    expect(solve.lines.at(-1)?.line.loop).toBeUndefined();
    await type(f, field(f, 'Line by strings'), '5321 5321');
    await soon(() => expect(solve.lines.at(-1)?.line).toMatchObject({ stroke: 'free', loop: 8 * 2520 }));
  });
  it('shows the chosen school note by note with its other ways', async () => {
    const f = await panel('333222111');
    await press(f, 'Fingering first');
    await soon(() => expect(solve.lines.at(-1)?.school).toEqual(lineSchool('fingering')));
    await f.whenStable();
    expect(texts(f, '.detail h3')).toEqual(['Fingering first']);
    expect(all(f, '.note')).toHaveLength(9);
    const first = texts(f, '.note b').join('');
    const second = all(f, '.detail .chip')[1]!;
    second.click();
    await f.whenStable();
    expect(texts(f, '.note b').join('')).not.toBe(first);
  });
  it('a finger is pinned on a note with its key, the rest is solved round it, and set free again', async () => {
    const f = await panel('3333');
    const note = () => all(f, '.note')[2]!;
    note().dispatchEvent(new KeyboardEvent('keydown', { key: 'a', bubbles: true }));
    await soon(() => expect(texts(f, '.note.pinned b')).toEqual(['a']));
    expect(field(f, 'Line by strings').value).toBe('33a33');
    note().dispatchEvent(new KeyboardEvent('keydown', { key: 'Backspace', bubbles: true }));
    await soon(() => expect(all(f, '.note.pinned')).toHaveLength(0));
    note().click();
    await soon(() => expect(all(f, '.note.pinned')).toHaveLength(1));
  });
  it('names what is no note and asks nothing', async () => {
    const f = await show(LinePanel);
    await type(f, field(f, 'Line by strings'), '39');
    expect(texts(f, '[role=alert]')[0]).toMatch(/strings are numbered 1 to 6/);
    expect(solve.lines).toEqual([]);
  });
  it('takes a fingering over as hand script, with the frets that the line names', async () => {
    const f = await panel('3f53f72f52f6');
    await press(f, 'Take over: As taught');
    expect(world.open.study()?.sections[0]).toMatchObject({
      script: expect.stringMatching(/^[ima]:3f5_ [ima]:3f7_ [ima]:2f5_ [ima]:2f6_$/) as string,
    });
  });
  it('what was typed is there again when the panel comes back; another section has its own', async () => {
    const f = await panel('3f5 {21}x2');
    f.destroy();
    const again = await show(LinePanel);
    expect(field(again, 'Line by strings').value).toBe('3f5 {21}x2');
  });
  it('the plectrum is a school of its own', async () => {
    const f = await panel('3321');
    await press(f, 'Plectrum');
    expect(texts(f, '.detail .why')[0]).toMatch(/0 whips/);
    await press(f, 'Take over: Plectrum');
    expect(world.open.study()?.sections[0]?.script).toBe('Pd:3 Pu:3 Pd:2 Pd:1');
  });
  it('an answer that fails is said, and asked anew', async () => {
    solve.breaks = 'the worker gave no answer';
    const f = await show(LinePanel);
    await type(f, field(f, 'Line by strings'), '3322');
    await soon(() => expect(texts(f, '.working')[0]).toMatch(/could not be worked out \(the worker gave no answer\)/));
    solve.breaks = '';
    await press(f, 'Try again');
    await soon(() => expect(all(f, '.working')).toHaveLength(0));
    expect(all(f, '.note').length).toBeGreaterThan(0);
  });
  it('a long answer can be cancelled; the last one stays', async () => {
    const f = await panel('3322');
    solve.waits = true;
    await type(f, field(f, 'Line by strings'), '332211');
    await soon(() => expect(texts(f, '[role=status]').join()).toMatch(/Working it out/));
    await press(f, 'Cancel');
    expect(solve.cancelled).toBeGreaterThan(0);
    expect(texts(f, '[role=status]').join()).toMatch(/^Cancelled/);
    // What was still on its way from the worker changes nothing.
    solve.tells(0.5);
    await f.whenStable();
    expect(texts(f, '[role=status]').join()).toMatch(/^Cancelled/);
  });
});

describe('pedal weave', () => {
  it('weaves a string into a melody under three habits, the cheapest first', async () => {
    const f = await show(WeaveForm);
    expect(texts(f, '.fault')[0]).toMatch(/bass melody first/);
    await type(f, field(f, 'Bass melody'), '6554');
    expect(texts(f, 'section b')).toHaveLength(3);
    expect(texts(f, 'code').join(' ')).toContain('p:6 i:2~ p:5 i:2~');
    await choose(f, 'Pedal string', '1');
    expect(texts(f, 'code').join(' ')).toContain('p:6 i:1~');
    await press(f, 'Take over: always i');
    expect(world.open.study()?.sections[0]).toMatchObject({
      stepsPerCount: 4,
      script: 'p:6 i:1~ p:5 i:1~ p:5 i:1~ p:4 i:1~',
    });
  });
  it('says what can’t be woven', async () => {
    const f = await show(WeaveForm);
    await type(f, field(f, 'Bass melody'), '62');
    expect(texts(f, '[role=alert]')[0]).toMatch(/string 2 itself/);
    expect(all(f, 'code')).toHaveLength(0);
  });
});

describe('every start', () => {
  it('is ranked with its share of the accents; another one is heard and taken', async () => {
    world.open.apply(setScript('s-a', 'iu id! iu id iu id'));
    const f = await show(StartsTable);
    expect(texts(f, 'tbody th')).toHaveLength(6);
    expect(texts(f, 'tr.here th')[0]).toMatch(/^1 iu as written$/);
    await press(f, 'Take over: Begin on step 2');
    expect(world.open.study()?.sections[0]?.script).toBe('id! iu id iu id iu');
  });
  it('all starts go to Practise as drills, one after another', async () => {
    const f = await show(StartsTable);
    await press(f, 'Practise all starts');
    expect(TestBed.inject(AskedDrills).take()).toEqual([1, 2, 3, 4].map((n) => `rotation ${n}`));
    expect(went).toEqual(['/practise']);
  });
  it('says where the pattern’s own order, or another, comes round against groups', async () => {
    world.open.apply(setScript('s-a', 'p:5 a:1 m:2 i:3'));
    const f = await show(StartsTable);
    expect(texts(f, 'p[aria-live]')[0]).toBe('Comes round after 12 notes; groups begin on p, i, m, a.');
    await type(f, field(f, 'Fingers'), 'im');
    expect(texts(f, 'p[aria-live]')[0]).toBe('Comes round after 6 notes; groups begin on i, m.');
    await type(f, field(f, 'Notes each'), '0');
    expect(texts(f, 'p[aria-live]')[0]).toMatch(/^Write fingers/);
  });
});

describe('drills panel', () => {
  it('has every drill by its kind, the tightest place first; one is heard, one goes to Practise', async () => {
    const f = await show(DrillsPanel);
    expect(texts(f, 'summary')[0]).toMatch(/^Where it is tightest/);
    const rhythm = all(f, 'details').find((d) => d.textContent?.includes('Rhythm')) as HTMLDetailsElement;
    expect(rhythm.querySelectorAll('code')).toHaveLength(0);
    rhythm.open = true;
    rhythm.dispatchEvent(new Event('toggle'));
    await f.whenStable();
    await press(f, 'Show and hear: Long, short');
    expect(world.open.section()?.script).toMatch(/^\[ed - - ad\]:2/);
    await press(f, 'Practise: Long, short');
    expect(TestBed.inject(AskedDrills).take()).toEqual(['rhythm long-short']);
  });
  it('lists where bass and figure meet, by the labels of the cycle', async () => {
    world.open.apply(setScript('s-a', 'pa:51 i:3 p:4 ima:321'));
    world.open.apply(setStart('s-a', 5040));
    const f = await show(DrillsPanel);
    expect(texts(f, '.meet')[0]).toMatch(/Together on 1\. The thumb alone on .*usually dropped is the thumb’s on /);
    world.open.apply(setScript('s-a', 'p:5 i:3'));
    await f.whenStable();
    expect(texts(f, '.meet')[0]).toMatch(/never sound together/);
  });
  it('has nothing to drill in silence', async () => {
    world.open.apply(setScript('s-a', '. .'));
    world.open.apply(setChart('s-a', ''));
    const f = await show(DrillsPanel);
    expect(texts(f, 'p')[1]).toMatch(/Nothing to drill/);
    expect(() => button(f, 'Practise')).toThrow();
  });
});

it('a panel that goes takes what it tried out with it', async () => {
  const f = await show(LinePanel);
  world.open.tryTrial({ script: 'p', stepsPerCount: 2, start: 0 });
  f.destroy();
  expect(world.open.trying()).toBe(false);
  TestBed.resetTestingModule();
});
