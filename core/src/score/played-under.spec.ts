import { expect, it } from 'vitest';
import { cycleById } from '../catalogue/index.js';
import { readShape } from '../left-hand/index.js';
import { makeStudy, putShape, type Section, setChart, setScript, setSteps, type Study } from '../piece/index.js';
import { playedUnder, scoreOf } from './index.js';

const played = (script: string, chart: string) => {
  const shape = (name: string) => putShape({ id: name, name, ...readShape('3-2-0-0-0-3', '2-1-0-0-0-3') });
  const study: Study = [shape('G'), setSteps('s-a', 2), setScript('s-a', script), setChart('s-a', chart)].reduce(
    (s, command) => command(s),
    makeStudy('s', 'S', cycleById('tangos')),
  );
  return Object.fromEntries(playedUnder(scoreOf(study.sections[0] as Section, study)));
};

it('strings are those that strokes name under each chord, whether the study has its shape or not', () =>
  expect(played('p:6 i:3 m:2 a:1 p:5 i:3 m:2 i:3', 'G | D')).toEqual({ G: [6, 5, 3, 2, 1], D: [6, 5, 3, 2, 1] }));
it('what the chord decides, what the stroke frets itself, and muted strokes ask for nothing', () =>
  expect(played('p:b ima:t i:1f3=4 imax:321 a:1 . . .', 'G')).toEqual({ G: [1] }));
