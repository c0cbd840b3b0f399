import { makeStudy, setScript } from '@ruffle-wheel/core';
import { MatSnackBar } from '@angular/material/snack-bar';
import { Subject } from 'rxjs';
import { all, aWorld, button, element, field, press, show, texts, type, type World } from '../../testing/world';
import { Hands } from './hands';
import { ShelfPlace } from './shelf-place';

/** Keeps what was said and lets a test press undo. */
class Bar {
  readonly said: string[] = [];
  action = new Subject<void>();
  open(text: string) {
    this.said.push(text);
    this.action = new Subject();
    return { onAction: () => this.action };
  }
}
let world: World;
let bar: Bar;
beforeEach(async () => {
  bar = new Bar();
  world = await aWorld(undefined, [{ provide: MatSnackBar, useValue: bar }]);
});
const names = () =>
  world.collection
    .studies()
    .map((r) => r.study.name)
    .sort();

describe('shelf', () => {
  it('makes a new study and opens it', async () => {
    const f = await show(ShelfPlace);
    await press(f, 'New study');
    await vi.waitFor(() => expect(world.open.study()?.name).toBe('New study'));
    await press(f, 'New study');
    await vi.waitFor(() => expect(names()).toEqual(['New study', 'New study 2', 'Study']));
  });
  it('copies under the next free name', async () => {
    const f = await show(ShelfPlace);
    await press(f, 'Copy Study');
    await vi.waitFor(() => expect(names()).toEqual(['Study', 'Study 2']));
    expect(world.open.study()?.name).toBe('Study 2');
  });
  it('deletes with undo, and opens another when the open one goes', async () => {
    await world.collection.addStudy(makeStudy('t', 'Other'));
    const f = await show(ShelfPlace);
    await press(f, 'Delete Study');
    await vi.waitFor(() => expect(names()).toEqual(['Other']));
    await vi.waitFor(() => expect(world.open.study()?.name).toBe('Other'));
    expect(bar.said).toEqual(['Study deleted']);
    bar.action.next();
    await vi.waitFor(() => expect(names()).toEqual(['Other', 'Study']));
  });
  it('clears everything with undo', async () => {
    const f = await show(ShelfPlace);
    await press(f, 'Clear everything');
    await vi.waitFor(() => expect(world.collection.studies()).toEqual([]));
    await f.whenStable();
    expect(element(f).textContent).toMatch(/The shelf is empty/);
    bar.action.next();
    await vi.waitFor(() => expect(world.open.study()?.name).toBe('Study'));
  });
  it('names study and section, adds and removes sections', async () => {
    const f = await show(ShelfPlace);
    await type(f, field(f, 'Name of the open study'), 'Stairs');
    await type(f, field(f, 'Name of the open section'), 'Intro');
    expect(world.open.study()).toMatchObject({ name: 'Stairs', sections: [{ name: 'Intro' }] });
    expect(button(f, 'Remove this section').disabled).toBe(true);
    await press(f, 'Add a section');
    expect(world.open.section()?.name).toBe('B');
    await press(f, 'Remove this section');
    expect(world.open.study()?.sections).toHaveLength(1);
  });
  it('refuses a faulty file in words and lists its faults', async () => {
    const f = await show(ShelfPlace);
    const text = (await world.collection.exportEverything()).replace('"capo": 0', '"capo": 40');
    const input = all(f, 'input[type=file]')[0] as HTMLInputElement;
    Object.defineProperty(input, 'files', { value: [new File([text], 'x.json')], configurable: true });
    Object.defineProperty(input, 'value', { value: '', writable: true });
    input.dispatchEvent(new Event('change'));
    await vi.waitFor(() => expect(texts(f, '.refused').join(' ')).toMatch(/a fault; nothing was taken/));
    expect(texts(f, '.refused code')).toEqual(['studies[0].capo']);
    expect(names()).toEqual(['Study']);
  });
  it('takes a good file in and opens its one study', async () => {
    const f = await show(ShelfPlace);
    const other = setScript('t-a', 'p i m a')(makeStudy('t', 'From afar'));
    const text = await world.collection.exportStudy(other);
    const input = all(f, 'input[type=file]')[0] as HTMLInputElement;
    Object.defineProperty(input, 'files', { value: [new File([text], 'x.json')], configurable: true });
    Object.defineProperty(input, 'value', { value: '', writable: true });
    input.dispatchEvent(new Event('change'));
    await vi.waitFor(() => expect(world.open.study()?.name).toBe('From afar'));
    expect(bar.said[0]).toMatch(/1 studies, 0 sessions/);
  });
  it('has a card for every technique', async () => {
    const f = await show(ShelfPlace);
    expect(texts(f, '.cards summary')).toEqual(expect.arrayContaining(['Picado', 'Alzapúa', 'Ghost', 'Plectrum']));
  });
});

describe('hands', () => {
  const hand = () => world.collection.profile();
  it('a limit changes the hand, bounds hold, nonsense goes back to what stood there', async () => {
    const f = await show(Hands);
    await type(f, field(f, 'i'), '210');
    await vi.waitFor(() => expect(hand().returnMs.i).toBe(210));
    await type(f, field(f, 'm'), '5');
    await vi.waitFor(() => expect(hand().returnMs.m).toBe(20));
    const span = field(f, 'Easy span');
    await type(f, span, '');
    expect(span.value).toBe('110');
  });
  it('new hands begin as a copy, with the cautions unread', async () => {
    const f = await show(Hands);
    await press(f, 'New hands');
    await vi.waitFor(() => expect(world.collection.profiles()).toHaveLength(1));
    expect(hand()).toMatchObject({ name: 'New hands', cautionsRead: false });
    await f.whenStable();
    await type(f, field(f, 'Name'), 'Vera');
    await vi.waitFor(() => expect(hand().name).toBe('Vera'));
    await type(f, field(f, 'Little finger'), 'q');
    await vi.waitFor(() => expect(hand().littleFinger).toBe('q'));
  });
  it('shows the cautions and keeps that they were read', async () => {
    const f = await show(Hands);
    expect(texts(f, '.cautions li')[0]).toMatch(/Pain, numbness or tingling: stop/);
    const read = all(f, '.read input')[0] as HTMLInputElement;
    read.checked = true;
    read.dispatchEvent(new Event('change'));
    await vi.waitFor(() => expect(hand().cautionsRead).toBe(true));
  });
});
