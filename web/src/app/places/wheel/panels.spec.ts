import { TestBed } from '@angular/core/testing';
import { compareSchools, fitCycle, type FitRequest, heldInTurn, type LineRequest, setTempo } from '@ruffle-wheel/core';
import { Solve } from '../../compute/solve';
import { all, aWorld, button, element, field, press, show, texts, type, type World } from '../../testing/world';
import { AccentsPanel } from './accents-panel';
import { CyclePanel } from './cycle-panel';
import { FindingsPanel } from './findings-panel';
import { FitPanel } from './fit-panel';
import { LinePanel } from './line-panel';
import { ShapePanel } from './shape-panel';

/** The solvers in the page; keeps what it was asked. */
class InstantSolve {
  readonly fits: FitRequest[] = [];
  readonly lines: Omit<LineRequest, 'school' | 'k'>[] = [];
  fit(request: FitRequest) {
    this.fits.push(request);
    return Promise.resolve(fitCycle(request));
  }
  schools(request: Omit<LineRequest, 'school' | 'k'>) {
    this.lines.push(request);
    return Promise.resolve(compareSchools(request));
  }
  cancel() {
    return undefined;
  }
}
let world: World;
let solve: InstantSolve;
beforeEach(async () => {
  solve = new InstantSolve();
  world = await aWorld(undefined, [{ provide: Solve, useValue: solve }]);
});

describe('findings panel', () => {
  it('says what there is to say, the ceiling first, and the load of every finger', async () => {
    const f = await show(FindingsPanel);
    expect(texts(f, 'h3')[0]).toMatch(/^Ceiling 352: i$/);
    expect(texts(f, 'h3')).toContain('Comes round after 5 turns');
    expect(texts(f, '.row b')).toEqual(['e', 'a', 'm', 'i']);
    expect(texts(f, '.row .share')[3]).toMatch(/^\d+ % of yours$/);
  });
  it('marks the finger that is late above the ceiling', async () => {
    world.open.apply(setTempo('s-a', 390));
    const f = await show(FindingsPanel);
    expect(texts(f, '.late-tone h3')[0]).toBe('No room at 390: i is late');
    expect(texts(f, '.row.over b')).toEqual(['i']);
  });
});

describe('accents panel', () => {
  it('has a row for every turn and a column for every accent, weak ones said to be weak', async () => {
    const f = await show(AccentsPanel, { turn: 1 });
    expect(texts(f, 'thead th')).toEqual(['Turn', '12', '3', '6', '8', '10']);
    expect(all(f, 'tbody tr')).toHaveLength(5);
    expect(texts(f, 'tbody tr:nth-child(1) td')[0]).toBe('e ↓ e down weak');
    expect(texts(f, 'tr.here th')).toEqual(['2']);
  });
});

describe('shape panel', () => {
  const panel = () => show(ShapePanel, { held: heldInTurn(world.open.section()!, world.open.study()!.shapes, 0) });
  it('shows what is held with its span', async () => {
    const f = await panel();
    expect(texts(f, 'h3')[0]).toBe('Held now: C');
    expect(element(f).textContent).toMatch(/x-3-2-0-1-0 · span \d+ mm/);
  });
  it('changes the order: another shape, one more, one less, per group', async () => {
    const f = await panel();
    await type(f, all(f, 'ol select')[0] as HTMLSelectElement, 'em');
    expect(world.open.section()?.harmony.shapes).toEqual(['em', 'em']);
    await press(f, 'Add to the order: C');
    await press(f, 'Take out of the order: EM 1');
    expect(world.open.section()?.harmony.shapes).toEqual(['em', 'c']);
    await type(f, field(f, 'Shapes change'), 'group');
    expect(world.open.section()?.harmony.per).toBe('group');
  });
  it('keeps a new shape only without faults, and says each of them', async () => {
    const f = await panel();
    await press(f, 'New shape');
    await type(f, field(f, 'Frets'), 'x-3-2-0-1');
    expect(texts(f, '.faults li').join(' ')).toMatch(/names six strings.*Give the shape a name/);
    expect(button(f, 'Keep shape').disabled).toBe(true);
    await type(f, field(f, 'Name'), 'G');
    await type(f, field(f, 'Frets'), '3-2-0-0-0-3');
    await type(f, field(f, 'Fingers'), '2-1-0-0-0-3');
    all(f, 'form')[0]!.dispatchEvent(new Event('submit'));
    await f.whenStable();
    expect(world.open.study()?.shapes.at(-1)).toMatchObject({ name: 'G', frets: [3, 2, 0, 0, 0, 3] });
  });
  it('takes a shape away, out of every order too; undo brings both back', async () => {
    const f = await panel();
    await press(f, 'Remove EM');
    expect(world.open.study()?.shapes).toHaveLength(1);
    expect(world.open.section()?.harmony.shapes).toEqual(['c']);
    world.open.undo();
    expect(world.open.section()?.harmony.shapes).toEqual(['c', 'em']);
  });
  it('capo and tuning belong to the study', async () => {
    const f = await panel();
    await type(f, field(f, 'Capo'), '3');
    await type(f, field(f, 'Tuning'), '38,45,50,55,59,64');
    expect(world.open.study()).toMatchObject({ capo: 3, tuning: [38, 45, 50, 55, 59, 64] });
  });
});

describe('cycle panel', () => {
  it('lists families and names, and the schools of the present one with their accents', async () => {
    const f = await show(CyclePanel);
    expect(all(f, 'optgroup').map((g) => g.getAttribute('label'))).toEqual(['flamenco', 'tango', 'bossa nova']);
    expect(all(f, '.school')).toHaveLength(4);
    expect(texts(f, '.school[aria-pressed=true] b')).toEqual(['counted from 12']);
  });
  it('takes another school or another cycle', async () => {
    const f = await show(CyclePanel);
    await press(f, '12 3 7 8 10');
    expect(world.open.section()?.cycle.id).toBe('buleria-seven');
    await type(f, field(f, 'Accent cycle'), 'tango/Vals');
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
    all(f, 'form')[0]!.dispatchEvent(new Event('submit'));
    await vi.waitFor(() =>
      expect(world.open.section()?.cycle).toMatchObject({ counts: 7, groups: [4 * 5040, 3 * 5040] }),
    );
    expect(world.collection.ownCycles()).toHaveLength(1);
    await f.whenStable();
    await press(f, 'Delete own cycle');
    await vi.waitFor(() => expect(world.collection.ownCycles()).toHaveLength(0));
  });
});

describe('fit panel', () => {
  const panel = async () => {
    const f = await show(FitPanel);
    await vi.waitFor(() => expect(texts(f, 'ol > li').length).toBe(5));
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
    await vi.waitFor(() => expect(solve.fits.at(-1)?.rules?.must).toEqual(['id iu']));
    cell().click();
    await f.whenStable();
    await vi.waitFor(() => expect(solve.fits.at(-1)?.cells.map((c) => c.id)).not.toContain('id iu'));
  });
  it('an own cell must come; a faulty one is refused in words', async () => {
    const f = await panel();
    await type(f, field(f, 'Own cell'), 'ii');
    all(f, 'form')[0]!.dispatchEvent(new Event('submit'));
    await f.whenStable();
    expect(texts(f, '.fault')[0]).toMatch(/One finger stands here twice/);
    await type(f, field(f, 'Own cell'), 'pd pu pd');
    all(f, 'form')[0]!.dispatchEvent(new Event('submit'));
    await f.whenStable();
    await vi.waitFor(() => expect(solve.fits.at(-1)?.rules?.must).toContain('pd pu pd'));
  });
  it('says why when there is no chain', async () => {
    const f = await panel();
    for (const name of ['half a count', 'a count', 'two counts']) await press(f, name);
    await vi.waitFor(() => expect(texts(f, '[role=alert]').join(' ')).toMatch(/No chain can be had/));
  });
  it('shows a chain on the wheel, plays it, and takes it over as one step of undo', async () => {
    const f = await panel();
    await press(f, 'Show and hear');
    expect(world.open.preview()).not.toBeNull();
    await vi.waitFor(() => expect(world.transport.played).toHaveLength(1));
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
    expect(all(f, 'table tbody tr')).toHaveLength(8);
  });
});

describe('line panel', () => {
  it('fingers a typed line under every school, notes that differ marked, and the plectrum beside', async () => {
    const f = await show(LinePanel);
    await type(f, field(f, 'Line by strings'), '333222111');
    await vi.waitFor(() => expect(all(f, 'li')).toHaveLength(9));
    expect(texts(f, 'li b').slice(0, 3)).toEqual(['i m', 'm a', 'i a']);
    expect(all(f, 'li:nth-child(1) .other')).toHaveLength(0);
    expect(all(f, 'li:nth-child(2) .other').length).toBeGreaterThan(0);
    expect(texts(f, 'li:last-child .letters')[0]).toBe('r u r r u r r u r');
    expect(solve.lines.at(-1)).toMatchObject({ stroke: 'rest', loop: 9 * 2520 });
  });
  it('names what is no note and asks nothing', async () => {
    const f = await show(LinePanel);
    await type(f, field(f, 'Line by strings'), '39');
    expect(texts(f, '[role=alert]')[0]).toMatch(/strings are numbered 1 to 6/);
    expect(solve.lines).toEqual([]);
  });
  it('takes a fingering over as hand script', async () => {
    const f = await show(LinePanel);
    await type(f, field(f, 'Line by strings'), '3322');
    await vi.waitFor(() => expect(all(f, 'li').length).toBeGreaterThan(5));
    await press(f, 'Take over: i m');
    expect(world.open.study()?.sections[0]?.script).toMatch(/^[im]:3_ [im]:3_ [im]:2_ [im]:2_$/);
  });
  it('says where an order comes round against groups', async () => {
    const f = await show(LinePanel);
    expect(texts(f, '.order p')[0]).toBe('Comes round after 12 notes; groups begin on p, i, m, a.');
    await type(f, field(f, 'Notes a string'), '0');
    expect(texts(f, '.order p')[0]).toMatch(/^Write fingers/);
  });
});

it('a panel that goes takes what it tried out with it', async () => {
  const f = await show(LinePanel);
  world.open.tryOut({ script: 'p', stepsPerCount: 2, start: 0 });
  f.destroy();
  expect(world.open.preview()).toBeNull();
  TestBed.resetTestingModule();
});
