import { describe, expect, it } from 'vitest';
import { cycleById } from '../../catalogue/index.js';
import { LEFT_HAND } from '../../testing/left-hand.js';
import { bpm, ticks, TICKS_PER_COUNT } from '../../time/index.js';
import { type CompRequest, orderCharts } from './index.js';

const request: Omit<CompRequest, 'chart'> = {
  cycle: cycleById('samba')!,
  figure: {
    cells: [
      { letter: 'A', beats: ['bass then chord'] },
      { letter: 'B', beats: ['pushed pair'] },
    ],
    order: 'AB BA',
    beat: ticks(TICKS_PER_COUNT),
  },
  habit: 'root',
  pushes: 'none',
  tuning: LEFT_HAND.tuning,
  neck: LEFT_HAND.neck,
  profile: LEFT_HAND.profile,
  tempo: bpm(80),
};
const order = (...charts: string[]) =>
  orderCharts(
    request,
    charts.map((chart) => ({ name: chart, chart })),
  );

describe('charts under one figure', () => {
  it('come from easy to hard: two bars a chord, a bar a chord, two chords a bar', () => {
    const found = order('Am Dm | E7 Am', 'Am | Dm | E7 | Am', 'Am | % | Dm | %', 'Am | %');
    expect(found.map((c) => c.name)).toEqual(['Am | %', 'Am | % | Dm | %', 'Am | Dm | E7 | Am', 'Am Dm | E7 Am']);
    expect(found.map((c) => c.cuts)).toEqual([[], [], [2, 4], [1, 2]]);
  });
  it('of those that are cut alike the one comes first that the left hand follows further', () => {
    const [easy, hard] = order('F#m7 | % | Bbmaj7 | %', 'Em | % | Am | %');
    expect(easy?.name).toBe('Em | % | Am | %');
    expect(easy!.ceiling!).toBeGreaterThan(hard!.ceiling!);
  });
  it('a figure begun with its second bar is cut elsewhere', () => {
    const [found] = orderCharts({ ...request, firstBar: 1 }, [{ name: 'a', chart: 'Am | % | Dm | %' }]);
    expect(found?.cuts).toEqual([3]);
  });
  it('what is no chart is left out', () => expect(order('', 'Am | ?', 'Am').map((c) => c.name)).toEqual(['Am']));
});
