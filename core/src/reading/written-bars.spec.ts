import { describe, expect, it } from 'vitest';
import { cycleById } from '../catalogue/index.js';
import { inOrder, makeStudy, setChart, setScript, setStart, type Study } from '../piece/index.js';
import { DEFAULT_PROFILE } from '../player/index.js';
import { ticks, TICKS_PER_COUNT as COUNT } from '../time/index.js';
import { writtenBars } from './written-bars.js';

const bossa = (script: string, ...more: ReturnType<typeof setScript>[]): Study =>
  inOrder(setScript('s-a', script), ...more)(makeStudy('s', 'Study', cycleById('bossa-three-two')));
const asked = (study: Study, from = 0, to = 99) =>
  writtenBars(
    {
      section: study.sections[0]!,
      shapes: study.shapes,
      ...study.instrument,
      profile: DEFAULT_PROFILE,
    },
    from,
    to,
  );

describe('bars for the page', () => {
  it('only those that are asked for, with how many there are and where a cursor can stand', () => {
    const { bars, first, of, busiest, stops } = asked(bossa('{p:5 . i:3 -}x8'), 1, 3);
    expect([bars.map((b) => b.n), first, of, busiest]).toEqual([[1, 2], 1, 4, 4]);
    expect(stops).toHaveLength(32);
    expect(stops.slice(0, 4).map((s) => [s.at / COUNT, s.bar, s.slot])).toEqual([
      [0, 0, 0],
      [0.5, 0, 1],
      [1, 0, 2],
      [1.5, 0, 3],
    ]);
    expect(stops.at(-1)).toMatchObject({ at: 15.5 * COUNT, bar: 3, slot: 31 });
  });
  it('a pattern goes on over the bar lines, its steps stand in every pass', () => {
    const { stops, of } = asked(bossa('p i m'));
    expect(of * 8).toBe(stops.length);
    expect(stops.slice(6, 10).map((s) => [s.bar, s.slot])).toEqual([
      [0, 0],
      [0, 1],
      [1, 2],
      [1, 0],
    ]);
  });
  it('a start inside the turn moves every step', () => {
    const moved = asked(bossa('{p:5 i:3 m:2 i:3}x4', setStart('s-a', COUNT))).stops;
    expect([moved[0]!.at, moved[0]!.slot, moved[2]!.slot]).toEqual([0, 14, 0]);
  });
  it('fingers that are not written are worked out, and nothing is asked of an empty script', () => {
    const { bars } = asked(bossa('?:3 ?:2 ?:1 ?:2 - - - -'));
    expect(bars[0]!.events.flatMap((e) => e.notes.map((n) => n.right)).every((f) => f !== null)).toBe(true);
    expect(bars[0]!.events[0]!.notes[0]!.workedOut).toBe(true);
    expect(asked(bossa(''))).toMatchObject({ stops: [], busiest: 0 });
  });
  it('for every bar the first that is played just as it is: under the same chord, with the same marks and places', () => {
    const { alike } = asked(bossa('p:b - ima:t - p:b - ima:t - | p:b - ima:t - p:b - ima:t -'));
    expect(alike).toEqual([0, 0]);
    const charted = inOrder(
      setScript('s-a', '{p:b - ima:t - p:b - ima:t -}x4'),
      setChart('s-a', 'Am7 | D7 | Am7 | Am7'),
    );
    expect(asked(charted(makeStudy('s', 'S', cycleById('bossa-three-two')))).alike).toEqual([0, 1, 0, 0]);
    const uneven = { ...cycleById('tangos')!, bars: [ticks(3 * COUNT), ticks(COUNT)] };
    expect(asked(setScript('s-a', '{.}x8')(makeStudy('s', 'S', uneven))).alike).toEqual([0, 1]);
    expect(asked(bossa('p:5 {-}x7 p:5! {-}x7')).alike).toEqual([0, 1]);
    expect(asked(bossa('i:2f1 {-}x7 i:2f3 {-}x7 i:2f1 {-}x7 . i:2f1 {-}x6')).alike).toEqual([0, 1, 0, 3]);
  });
});
