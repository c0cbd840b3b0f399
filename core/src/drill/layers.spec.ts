import { describe, expect, it } from 'vitest';
import { cycleById } from '../catalogue/index.js';
import { makeStudy, setChart, setScript } from '../piece/index.js';
import { DEFAULT_PROFILE } from '../player/index.js';
import { parseScript } from '../script/index.js';
import { TICKS_PER_COUNT } from '../time/index.js';
import { sayLayers } from '../words/index.js';
import { type APART, coincidences, layersOf, takenApart } from './index.js';

const layers = (script: string) => layersOf(parseScript(script, { stepsPerCount: 2 }).pattern);
const counts = (list: readonly { at: number }[]) => list.map((s) => s.at / TICKS_PER_COUNT);

describe('bass against figure', () => {
  it('where they meet, and where each is alone', () => {
    const { together, bass, figure } = layers('pima:t - p:b ima:t p - pm:51 -');
    expect(counts(together)).toEqual([0, 3]);
    expect(counts(coincidences(parseScript('pima:t - pm:51', { stepsPerCount: 2 }).pattern))).toEqual([0, 1]);
    expect(counts(bass)).toEqual([1, 2]);
    expect(counts(figure)).toEqual([1.5]);
  });
  it('the stroke that is dropped is the thumb’s on the last beat that meets a finger before a 1', () => {
    const dropped = (script: string) => layers(script).dropped?.at;
    expect(dropped('pi:53 i:3 m:2 p:5 i:3 m:2 pi:53 m:2')).toBe(3 * TICKS_PER_COUNT);
    expect(dropped('pima:t - pima:t - p:b - p:b ima:t')).toBe(TICKS_PER_COUNT);
    // Not the 1, and not what comes between the beats.
    expect(dropped('pima:t - p:b ima:t p:b ima:t')).toBeUndefined();
    expect(dropped('pima:t - p:b pima:t p:b -')).toBeUndefined();
    expect(dropped('p:b ima:t p:b ima:t')).toBeUndefined();
  });
  it('where the 1 lies is for the cycle to say, and where the pattern begins in it', () => {
    const tangos = cycleById('tangos')!;
    const flat = parseScript('p:b pima:t', { stepsPerCount: 1 }).pattern;
    expect(layersOf(flat, { cycle: tangos, start: 0 }).dropped?.at).toBe(TICKS_PER_COUNT);
    expect(layersOf(flat, { cycle: tangos, start: 3 * TICKS_PER_COUNT }).dropped).toBeNull();
    const bars = parseScript('{pima:t p:b p:b p:b}x2', { stepsPerCount: 1 }).pattern;
    expect(layersOf(bars, { cycle: tangos, start: 0 }).dropped).toBeNull();
  });
  it('is said by count; of one layer there is nothing to say', () => {
    const tango = cycleById('three-three-two')!;
    expect(sayLayers(layers('pi:53 i:3 m:2 p:5 i:3 m:2 pi:53 m:2'), tango, 0)).toEqual([
      'Together on 1 and 4.',
      'The thumb alone on 2 &.',
      'The fingers alone on 1 &, 2, 3, 3 & and 4 &.',
      'The stroke that is usually dropped is the thumb’s on 4, under a finger before the 1.',
    ]);
    expect(sayLayers(layers('p:b ima:t'), tango, 2 * TICKS_PER_COUNT)).toEqual([
      'They never sound together: each is kept going through the other.',
      'The thumb alone on 3.',
      'The fingers alone on 3 &.',
    ]);
    const bars = layers('pima:t - p:b - pima:t - - - | p:b - ima:t - {- - - -}x1');
    expect(sayLayers(bars, tango, 0)).toEqual([
      'Together: bar 1: 1 and 3.',
      'The thumb alone: bar 1: 2; bar 2: 1.',
      'The fingers alone: bar 2: 2.',
      'The stroke that is usually dropped is the thumb’s on 3 of bar 1, under a finger before the 1.',
    ]);
    // What repeats in every bar is said once.
    expect(sayLayers(layers('{p:b - ima:t - - - - -}x5'), tango, 0)[1]).toBe('The thumb alone: 1 in every bar.');
    expect(sayLayers(layers('{p:b - ima:t - - - - -}x5 p:b - p:b - ima:t - - -'), tango, 0)[1]).toMatch(
      /bar 4: 1 …\.$/,
    );
    expect(sayLayers(layers('p:5 p:4'), tango, 0)).toEqual([]);
    expect(sayLayers(layers('i:3 m:2'), tango, 0)).toEqual([]);
  });
});

describe('a section taken apart', () => {
  const plain = makeStudy('s', 'S', cycleById('tangos'));
  const study = setChart('s-a', 'Am | E7')(setScript('s-a', 'pima:t - p:b ima:t pi:5f0+2f3 - p:b ima:t')(plain));
  const part = (which: (typeof APART)[number], of = study) => takenApart(of.sections[0]!, of, DEFAULT_PROFILE, which);
  it('the right hand on open strings, the shapes as they come, the basses, the figure', () => {
    expect(part('right hand')).toMatchObject({ chart: '' });
    expect(part('right hand')!.script).not.toMatch(/f\d/);
    expect(part('left hand')).toMatchObject({ script: 'id - - - id - - -', chart: 'Am | E7', stepsPerCount: 1 });
    expect(part('bass')).toMatchObject({ script: 'p:b - p:b - p:5f0 - p:b -', chart: 'Am | E7' });
    expect(part('figure')).toMatchObject({ script: 'ima:t - - ima:t i:2f3 - - ima:t', chart: 'Am | E7' });
  });
  it('of one layer there is nothing to take apart, without a chart no shape', () => {
    expect(part('bass', setScript('s-a', 'i:3 m:2')(plain))).toBeNull();
    expect(part('left hand', setScript('s-a', 'i:3 m:2')(plain))).toBeNull();
    expect(part('right hand', setScript('s-a', 'i:3 m:2')(plain))?.script).toBe('i:3 m:2');
  });
});
