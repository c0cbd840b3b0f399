import { cycleById, inOrder, isStringNumber, makeStudy, scoreOf, setScript, setSteps } from '@ruffle-wheel/core';
import { onStrings, stitchOf } from './stop-look';
import { type DrawnStop, layoutOf, stringY } from './system-layout';

const TOP = 100;
/** The strokes of a script as they are drawn, each string ten above the next on the staff. */
function stops(script: string): DrawnStop[] {
  const study = inOrder(setScript('s-a', script), setSteps('s-a', 1))(makeStudy('s', 'S', cycleById('tangos')));
  return scoreOf(study.sections[0]!, study).events.map((event) => ({
    ...{ at: event.at, bar: event.bar, x: 50, headX: 45, event },
    notes: event.notes.map((n) => ({ ...n, head: 10 * n.string, tab: stringY(n.string, TOP) })),
  }));
}
const news = new Set([1, 2, 3, 4, 5, 6].filter(isStringNumber));
const shown = (script: string, look: 'staff' | 'tablature' | 'hand', fresh: ReadonlySet<number> = news) =>
  onStrings(stops(script)[0]!, fresh, { look, layout: layoutOf(look, false) });

describe('what stands on the lines', () => {
  it('frets on their strings, left fingers beside heads, or beside frets where there is no staff', () => {
    const staff = shown('i:2f3=4 . . .', 'staff');
    expect(staff.frets.map((f) => [f.text, f.y])).toEqual([['3', stringY(2, TOP)]]);
    expect(staff.left).toMatchObject([{ finger: 4, x: 39, y: 24 }]);
    expect(shown('i:2f3=4 . . .', 'tablature').left).toMatchObject([{ finger: 4, x: 41, y: stringY(2, TOP) - 1 }]);
  });
  it('a finger that lies where it lay is not said again, nor one on a dead string or beside an open one', () => {
    expect(shown('i:2f3=4 . . .', 'staff', new Set()).left).toEqual([]);
    expect(shown('i:2f3=4x . . .', 'staff')).toMatchObject({ left: [], frets: [{ text: '×' }] });
    expect(shown('i:2f0 . . .', 'staff').left).toEqual([]);
    expect(shown('i:2f12o . . .', 'staff').frets[0]).toMatchObject({ text: '12°', width: 22 });
  });
  it('of the right hand alone its fingers, and through the strings of a strum a line to the last', () => {
    expect(shown('pa:6f3=2+1 . . .', 'hand')).toMatchObject({
      left: [],
      sweep: null,
      frets: [
        { text: 'p', y: stringY(6, TOP) },
        { text: 'a', y: stringY(1, TOP) },
      ],
    });
    const [down, up] = ['id:654 . . .', 'iu:456 . . .'].map((s) => shown(s, 'hand'));
    expect([down?.frets, up?.frets]).toEqual([[], []]);
    expect(down?.sweep).toMatch(new RegExp(`^M 50 ${stringY(6, TOP)} V ${stringY(4, TOP)} `));
    expect(up?.sweep).toMatch(new RegExp(`^M 50 ${stringY(4, TOP)} V ${stringY(6, TOP)} `));
  });
});

describe('the stitch of a stroke', () => {
  it('has the way as its shape and the fingers as its letters', () => {
    const all = stops('id:654! p:5 G L:3f2');
    expect(all.map((s) => [stitchOf(s).kind, stitchOf(s).letters])).toEqual([
      ['down', 'i'],
      ['pluck', 'p'],
      ['tap', 'G'],
      ['pluck', 'L'],
    ]);
    expect(all.map((s) => stitchOf(s).thumb)).toEqual([false, true, false, false]);
    expect(stitchOf(all[0]!).accent).toBe(true);
    const ghost = stitchOf(stops('(d) . . .')[0]!);
    expect([ghost.kind, ghost.letters, ghost.stitched]).toEqual(['ghost', '', true]);
  });
});
