import { describe, expect, it } from 'vitest';
import { cycleById } from '../catalogue/index.js';
import { makeSection, makeStudy, type Section } from '../piece/index.js';
import { notate } from '../notation/index.js';
import { DEFAULT_PROFILE } from '../player/index.js';
import { TICKS_PER_COUNT } from '../time/index.js';
import { writtenBars } from '../reading/written-bars.js';
import { cutChords, scoreOf } from './index.js';

const COUNT = TICKS_PER_COUNT;
const bossa = cycleById('bossa-three-two')!;
const BAR = 'p:b - ima:t - p:b - ima:t -';
const section = (script: string, chart: string): Section => ({
  ...makeSection('a', 'Comping', bossa),
  stepsPerCount: 2,
  script,
  chart,
});
const cut = (script: string, chart: string) => {
  const own = section(script, chart);
  const study = { ...makeStudy('s', 'Lamps'), sections: [own] };
  const counts = script.split(/[ |]+/).length / 2;
  return [...cutChords(scoreOf(own, study), counts * COUNT)].map((at) => at / COUNT);
};

describe('where the harmony cuts the figure', () => {
  it('a figure of two bars is cut by a chord a bar in its second, and by two chords a bar in each', () => {
    const two = `${BAR} | p:b ima:t - ima:t p:b - ima:t -`;
    expect(cut(two, 'Am | Dm | E7 | Am')).toEqual([4, 12]);
    expect(cut(two, 'Am | % | Dm | %')).toEqual([]);
    expect(cut(two, 'Am Dm | E7 Am | F C | G E7')).toEqual([2, 4, 6, 10, 12, 14]);
  });
  it('a figure of a bar is cut in the middle of one alone; what is composed, by nothing', () => {
    expect(cut(BAR, 'Am | Dm E7')).toEqual([6]);
    expect(cut(`${BAR} | ${BAR.replace('ima', 'im')} | ${BAR} | ${BAR}`, 'Am | Dm | E7 | Am')).toEqual([]);
  });
  it('a chord that goes on is no cut', () => expect(cut(BAR, 'Am Am | Dm Dm')).toEqual([]));
  it('the written bars have it with the chord', () => {
    const own = section(BAR, 'Am | Dm E7');
    const study = { ...makeStudy('s', 'Lamps'), sections: [own] };
    const { bars } = writtenBars({ section: own, shapes: [], ...study.instrument, profile: DEFAULT_PROFILE }, 0, 2);
    expect(bars.map((b) => b.chords.map((c) => [c.name, c.cuts ?? false]))).toEqual([
      [['Am', false]],
      [
        ['Dm', false],
        ['E7', true],
      ],
    ]);
    expect(notate(scoreOf(own, study), bossa)[1]?.chords[1]?.cuts).toBeUndefined();
  });
});
