import { TestBed } from '@angular/core/testing';
import { provideRouter, Router } from '@angular/router';
import { Everywhere } from '../shell/everywhere';
import { Collection } from '../study';
import { namesOfKey } from './acts';
import { ANSWERED } from './answered';
import { Keys } from './keys';
import { soon } from '../testing/soon';

const key = (name: string, target?: HTMLElement, more: KeyboardEventInit = {}) => {
  const e = new KeyboardEvent('keydown', { key: name, bubbles: true, ...more });
  Object.defineProperty(e, 'target', { value: target ?? document.body });
  return e;
};

describe('keys', () => {
  let keys: Keys;
  beforeEach(() => {
    TestBed.configureTestingModule({ providers: [provideRouter([])] });
    keys = TestBed.inject(Keys);
    TestBed.inject(Everywhere);
  });
  /** A place whose letters are all taken. */
  const letters = (seen: string[]) =>
    TestBed.runInInjectionContext(() =>
      keys.forPlace('shelf', { measured: (e) => seen.push(e.key) > 0, measure: () => false, 'tap hand': () => false }),
    );
  it('L and C switch loop and count-in', () => {
    const { settings } = TestBed.inject(Collection);
    const before = settings();
    expect(keys.press(key('l'))).toBe(true);
    expect(keys.press(key('c'))).toBe(true);
    expect(settings()).toMatchObject({ loop: !before.loop, countIn: !before.countIn });
  });
  it('a key typed into a field stays there', () => {
    const field = document.body.appendChild(document.createElement('input'));
    expect(keys.press(key('l', field))).toBe(false);
    field.remove();
  });
  it('Escape leaves a field, so that keys belong to the place again', () => {
    const field = document.createElement('select');
    document.body.append(field);
    field.focus();
    expect(document.activeElement).toBe(field);
    expect(keys.press(key('Escape', field))).toBe(true);
    expect(document.activeElement).not.toBe(field);
    field.remove();
  });
  it('what is pressed while a place is still on its way is meant for that place', async () => {
    let arrive: (there: boolean) => void = () => undefined;
    vi.spyOn(TestBed.inject(Router), 'navigateByUrl').mockReturnValue(new Promise((r) => (arrive = r)));
    const seen: string[] = [];
    expect(keys.press(key('2'))).toBe(true);
    expect(keys.press(key('f'))).toBe(true);
    letters(seen);
    expect(seen).toEqual([]);
    arrive(true);
    await soon(() => expect(seen).toEqual(['f']));
    expect(keys.press(key('y'))).toBe(true);
  });
  it('what is pressed in a dialog is the dialog’s; from its answer on it is the place’s, Space too', () => {
    const seen: string[] = [];
    letters(seen);
    const dialog = document.body.appendChild(document.createElement('div'));
    dialog.setAttribute('role', 'dialog');
    const list = dialog.appendChild(document.createElement('div'));
    list.setAttribute('role', 'listbox');
    const pressed = (name: string) =>
      list.dispatchEvent(new KeyboardEvent('keydown', { key: name, bubbles: true, cancelable: true }));
    pressed('r');
    expect(seen).toEqual([]);
    dialog.setAttribute(ANSWERED, '');
    pressed('s');
    expect(seen).toEqual(['s']);
    expect(pressed(' ')).toBe(false);
    dialog.remove();
  });
  it('a level keeps its arrows and gives Space to the music', () => {
    const level = Object.assign(document.createElement('input'), { type: 'range' });
    document.body.append(level);
    const arrows: string[] = [];
    TestBed.runInInjectionContext(() =>
      keys.forPlace('neck', new Proxy({} as never, { get: () => (e: KeyboardEvent) => arrows.push(e.key) })),
    );
    expect(keys.press(key('ArrowLeft', level))).toBe(false);
    expect(keys.press(key(' ', level))).toBe(true);
    level.remove();
  });
  it('of two acts with one key the first that can be done is done; Shift goes before none', () => {
    const done: string[] = [];
    let busy = true;
    TestBed.runInInjectionContext(() =>
      keys.forPlace('shelf', {
        measured: () => busy && done.push('measured'),
        measure: () => done.push('measure'),
        'tap hand': () => false,
      }),
    );
    keys.press(key('m'));
    busy = false;
    keys.press(key('M'));
    expect(done).toEqual(['measured', 'measure']);
    expect(namesOfKey(key('ArrowLeft', undefined, { shiftKey: true }))).toEqual(['Shift+ArrowLeft', 'ArrowLeft']);
    expect(namesOfKey(key('Z', undefined, { ctrlKey: true, shiftKey: true }))).toEqual(['Ctrl+Shift+z']);
  });
  it('arrows on a row of tabs are the tabs’', () => {
    const seen: string[] = [];
    TestBed.runInInjectionContext(() =>
      keys.forPlace('neck', new Proxy({} as never, { get: () => (e: KeyboardEvent) => seen.push(e.key) })),
    );
    const tab = document.createElement('button');
    tab.setAttribute('role', 'tab');
    document.body.append(tab);
    document.body.dispatchEvent(new KeyboardEvent('keydown', { key: 'Tab', bubbles: true }));
    tab.focus();
    keys.press(key('ArrowRight', tab));
    keys.press(key('h', tab));
    expect(seen).toEqual(['h']);
    // Clicked, they are the place's.
    tab.dispatchEvent(new MouseEvent('mousedown', { bubbles: true }));
    tab.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowRight', bubbles: true }));
    expect(seen).toEqual(['h', 'ArrowRight']);
    tab.remove();
  });
  it('Space and Enter are a control’s that Tab led to; clicked, neither; led to by a key, Enter', () => {
    const control = document.body.appendChild(document.createElement('button'));
    const own = () => [' ', 'Enter'].map((k) => keys.onControl(key(k, control)));
    const reached = (by: Event) => {
      control.blur();
      control.dispatchEvent(by);
      control.focus();
      return own();
    };
    const pressed = (name: string) => new KeyboardEvent('keydown', { key: name, bubbles: true });
    expect(reached(pressed('Tab'))).toEqual([true, true]);
    expect(reached(new MouseEvent('mousedown', { bubbles: true }))).toEqual([false, false]);
    expect(reached(pressed('h'))).toEqual([false, true]);
    control.remove();
  });
  it('letters can be switched off; Space, arrows and the pedal stay keys', () => {
    const seen: string[] = [];
    TestBed.runInInjectionContext(() =>
      keys.forPlace('neck', new Proxy({} as never, { get: () => (e: KeyboardEvent) => seen.push(e.key) })),
    );
    keys.letterKeys(() => false);
    for (const k of ['x', '3', 'ArrowLeft', 'Escape']) keys.press(key(k));
    expect(seen).toEqual(['ArrowLeft', 'Escape']);
  });
  it('an unknown key is left alone', () => expect(keys.press(key('y'))).toBe(false));
  it('the place on screen is asked first, and gives its keys back when it goes', () => {
    const seen: string[] = [];
    letters(seen);
    expect(keys.press(key('l'))).toBe(true);
    expect(seen).toEqual(['l']);
    TestBed.resetTestingModule();
    expect(keys.press(key('y'))).toBe(false);
  });
});
