import { type ComponentFixture, TestBed } from '@angular/core/testing';
import {
  cycleById,
  heldInTurn,
  layOnCycle,
  makeSection,
  parseScript,
  flatten,
  readShape,
  slotsInTurn,
} from '@ruffle-wheel/core';
import { Fretboard } from './fretboard/fretboard';
import { Strip } from './strip/strip';
import { WheelDrawing } from './wheel/wheel-drawing';

const cycle = cycleById('buleria')!;
const flat = flatten(parseScript('id! iu p:5 (d) . {i}x19', { stepsPerCount: 2 }).pattern);
const all = (f: ComponentFixture<unknown>, css: string) => [...(f.nativeElement as HTMLElement).querySelectorAll(css)];

describe('wheel drawing', () => {
  const draw = async () => {
    const fixture = TestBed.createComponent(WheelDrawing);
    fixture.componentRef.setInput('cycle', cycle);
    fixture.componentRef.setInput('strokes', layOnCycle(flat, cycle).strokes);
    fixture.componentRef.setInput('slots', slotsInTurn(flat, cycle, 0, 0));
    fixture.componentRef.setInput('held', heldInTurn(makeSection('s', 'S', cycle), [], 0));
    fixture.componentRef.setInput('label', 'Bulería, turn 1 of 1');
    await fixture.whenStable();
    return fixture;
  };
  it('speaks to screen readers and labels every count', async () => {
    const f = await draw();
    expect(all(f, 'svg')[0]?.getAttribute('aria-label')).toBe('Bulería, turn 1 of 1');
    expect(
      all(f, '.count')
        .map((t) => t.textContent?.trim())
        .join(' '),
    ).toBe('12 1 2 3 4 5 6 7 8 9 10 11');
  });
  it('has a stitch for every stroke, ghosts and thumb among them, none for a rest', async () => {
    const f = await draw();
    expect(all(f, '.stitch')).toHaveLength(23);
    expect(all(f, '.stitch.ghost')).toHaveLength(1);
    expect(all(f, '.stitch.thumb text').map((t) => t.textContent?.trim())).toEqual(['p']);
    expect(all(f, '.seam')).toHaveLength(5);
  });
  it('a slot can be picked, and shows that it is chosen', async () => {
    const f = await draw();
    const picked: number[] = [];
    f.componentInstance.pick.subscribe((n) => picked.push(n));
    all(f, '.pad')[4]!.dispatchEvent(new Event('click'));
    expect(picked).toEqual([4]);
    f.componentRef.setInput('selected', 4);
    await f.whenStable();
    expect(all(f, '.pad.chosen')).toHaveLength(1);
  });
  it('either the hand goes round or the wheel turns under it', async () => {
    const f = await draw();
    f.componentRef.setInput('heard', 0.25);
    await f.whenStable();
    expect(all(f, '.hand')[0]?.getAttribute('transform')).toBe('rotate(90)');
    f.componentRef.setInput('turning', true);
    await f.whenStable();
    expect(all(f, '.hand')[0]?.getAttribute('transform')).toBe('rotate(0)');
    expect(all(f, 'svg > g')[0]?.getAttribute('transform')).toBe('rotate(-90)');
  });
});

describe('strip', () => {
  it('shows the script’s steps under their counts, in the player’s own spelling', async () => {
    const five = flatten(parseScript('ed ad . -', { stepsPerCount: 2 }).pattern);
    const f = TestBed.createComponent(Strip);
    f.componentRef.setInput('cycle', cycle);
    f.componentRef.setInput('flat', five);
    f.componentRef.setInput('slots', slotsInTurn(five, cycle, 0, 0));
    f.componentRef.setInput('little', 'ch');
    await f.whenStable();
    const cells = all(f, '.cell') as HTMLElement[];
    expect(cells.slice(0, 4).map((c) => c.textContent)).toEqual(['chd', 'ad', '.', '-']);
    expect(cells[6]?.style.left).toBe('25%');
    expect(all(f, '.count.strong').map((c) => c.textContent)).toEqual(['12', '3', '6', '8', '10']);
  });
});

describe('words under the counts', () => {
  it('stand where they are said, below everything else', async () => {
    const f = TestBed.createComponent(Strip);
    f.componentRef.setInput('cycle', cycle);
    f.componentRef.setInput('flat', flat);
    f.componentRef.setInput('slots', slotsInTurn(flat, cycle, 0, 0));
    f.componentRef.setInput('said', [
      { at: 0, text: 'la' },
      { at: 6 * 5040, text: 'voz-' },
    ]);
    await f.whenStable();
    const words = all(f, '.word') as HTMLElement[];
    expect(words.map((w) => [w.textContent, w.style.left])).toEqual([
      ['la', '0%'],
      ['voz-', '50%'],
    ]);
  });
});

describe('the strip’s left hand', () => {
  it('has frets below the letters, ligados too, loudness where it changes, and what is worked out set apart', async () => {
    const flat = flatten(parseScript('p:5f3=3 L:5f5 @pp i:2 m:2', { stepsPerCount: 2 }).pattern);
    const f = TestBed.createComponent(Strip);
    f.componentRef.setInput('cycle', cycle);
    f.componentRef.setInput('flat', flat);
    f.componentRef.setInput('slots', slotsInTurn(flat, cycle, 0, 0));
    f.componentRef.setInput('workedOut', new Set([1]));
    f.componentRef.setInput('left', [
      { from: 0, to: 5040, pressed: true, name: 'Am' },
      { from: 5040, to: 10080, pressed: false, name: '' },
    ]);
    await f.whenStable();
    const cells = all(f, '.cell').slice(0, 4) as HTMLElement[];
    expect(cells.map((c) => c.textContent)).toEqual(['p:53', 'L:55', 'i:2', 'm:2']);
    expect(cells.map((c) => c.dataset['level'] ?? '')).toEqual(['', '', 'pp', '']);
    expect(cells.map((c) => c.querySelector('.frets')?.textContent)).toEqual(['3', '5', '', '']);
    expect(cells.map((c) => c.classList.contains('worked'))).toEqual([false, true, false, false]);
    const holds = all(f, '.hold') as HTMLElement[];
    expect(holds.map((h) => [h.textContent, h.classList.contains('released'), h.title])).toEqual([
      ['Am', false, 'Am, pressed'],
      ['', true, 'released'],
    ]);
  });
});

describe('fretboard', () => {
  const draw = async (frets: string, fingers: string) => {
    const f = TestBed.createComponent(Fretboard);
    f.componentRef.setInput('shape', { id: 'x', name: 'C', ...readShape(frets, fingers) });
    await f.whenStable();
    return f;
  };
  it('says every string in words', async () =>
    expect(all(await draw('x-3-2-0-1-0', 'x-3-2-0-1-0'), 'svg')[0]?.getAttribute('aria-label')).toBe(
      'C: string 6 silent, string 5 fret 3 finger 3, string 4 fret 2 finger 2, string 3 open, string 2 fret 1 finger 1, string 1 open',
    ));
  it('is true to scale: frets get narrower up the neck', async () => {
    const f = await draw('x-3-2-0-1-0', '');
    const xs = all(f, '.wire').map((w) => Number(/M ([\d.]+)/.exec(w.getAttribute('d') ?? '')?.[1]));
    const widths = xs.map((x, n) => x - (xs[n - 1] ?? 0));
    expect(widths.every((w, n) => n === 0 || w < widths[n - 1]!)).toBe(true);
    expect(xs[4]! / 650).toBeCloseTo(1 - 2 ** (-5 / 12), 6);
  });
  it('for a left-handed player the nut is at the right, and every finger on its side of it', async () => {
    const f = await draw('x-3-2-0-1-0', 'x-3-2-0-1-0');
    const cx = () => all(f, '.stop').map((c) => Number(c.getAttribute('cx')));
    const before = cx();
    f.componentRef.setInput('mirrored', true);
    await f.whenStable();
    expect(cx()).toEqual(before.map((x) => -x));
    const [left = 0, , wide = 0] = (all(f, 'svg')[0]?.getAttribute('viewBox') ?? '').split(' ').map(Number);
    expect(left + wide).toBeCloseTo(26);
    expect(Math.min(...cx())).toBeGreaterThan(left);
  });
  it('goes as far up as the shape does', async () =>
    expect(all(await draw('x-x-9-9-10-x', ''), '.wire')).toHaveLength(11));
});
