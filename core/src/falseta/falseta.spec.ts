import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cycleById } from '../catalogue/index.js';
import { OPEN_SHAPE, readShape, type Shape } from '../left-hand/index.js';
import { makeStudy, textsWithBars } from '../piece/index.js';
import { parseScript } from '../script/index.js';
import { bpm, ticks } from '../time/index.js';
import { namesHeld, readFalseta } from './index.js';

const four = cycleById('tangos')!;
const shape = (name: string, frets: string, fingers: string): Shape => ({
  ...OPEN_SHAPE,
  id: name,
  name,
  ...readShape(frets, fingers),
});
const AM = shape('Am', 'x-0-2-2-1-0', 'x-0-2-3-1-0');
const C = shape('C', 'x-3-2-0-1-0', 'x-3-2-0-1-0');
const E7 = shape('E7', '0-2-0-1-0-0', '0-2-0-1-0-0');
const F = shape('F', '1-3-3-2-1-1', '1-3-4-2-1-1');
const request = { cycle: four, stepsPerCount: 2, bar: 0, shapes: [AM, C, E7, F] };
const read = (text: string, more: Partial<Parameters<typeof readFalseta>[1]> = {}) =>
  readFalseta(text, { ...request, ...more });
const script = (text: string) => {
  const { faults, script } = read(text);
  expect(faults).toEqual([]);
  return script;
};

describe('a falseta as it is told', () => {
  it('strings as the held shape has them, fingers said or left open', () => {
    const told = read('(Am) p5 i3 2 [61] 3 2 1 .');
    expect(told.script).toBe('p:5 i:3 ?:2 ??:61 ?:3 ?:2 ?:1 .');
    expect(told.held).toEqual({ from: 0, spans: [{ name: 'Am', ticks: 20_160 }] });
    expect(told.bars).toBe(1);
  });
  it('a finger that is put down is heard until it is lifted, or goes back to the shape', () =>
    expect(script('(Am) 1 (4 1f3) 1 2 1 (lift 4) 1 (4 to 1f3) 1 (back) 1 1')).toBe(
      '?:1 ?:1f3=4 ?:2 ?:1f3=4 ?:1 ?:1f3=4 ?:1 ?:1',
    ));
  it('in a C shape finger 1 collapses over string 1 on its fret, stands up, and opens string 2 where it goes on', () => {
    expect(script('(C) 2 (finger 1 to string 1 fret 1) 1 2 [21] (back) 2 1 [31] -')).toBe(
      '?:2 ?:1f1=1 ?:2 ??:2+1f1=1 ?:2 ?:1 ??:31 -',
    );
    expect(script('(C) (1 1f3) 1 2 1 2 (up 1) 1 2 1 2')).toBe(
      '?:1f3=1 ?:2f0 ?:1f3=1 ?:2f0 ?:1f3=1 ?:2f0 ?:1f3=1 ?:2f0',
    );
  });
  it('a finger is laid flat over strings and stood up again', () => {
    expect(script('(C) (flat 1 2-1) 1 2 (up 1) 1 2 (flat 3 5 to 4) [54] 5 (lift 3) 5 4')).toBe(
      '?:1f1=1 ?:2 ?:1 ?:2 ??:5+4f3=3 ?:5 ?:5f0 ?:4',
    );
    // Put down first, it stands on the thickest of its strings afterwards.
    expect(script('(open) (1 3f5) 3 (flat 1 3-1) 2 1 3 (up 1) 3 2 - -')).toBe(
      '?:3f5=1 ?:2f5=1 ?:1f5=1 ?:3f5=1 ?:3f5=1 ?:2 - -',
    );
    expect(read('(C) (flat 4 2-1) 1').faults).toMatchObject([{ code: 'finger not down', about: [4] }]);
    expect(read('(C) (up 2, up 4) 1').faults).toMatchObject([{ code: 'finger not down', about: [4] }]);
  });
  it('a lifted barre opens all its strings, and those of other fingers stay', () =>
    expect(script('(F) 6 (lift 1) 6 5 4 3 2 1 .')).toBe('?:6 ?:6f0 ?:5 ?:4 ?:3 ?:2f0 ?:1f0 .'));
  it('the higher of two fingers on a string sounds', () =>
    expect(script('(F) (2 1f2) 1 3 - - - - - -')).toBe('?:1f2=2 ?:3f0 - - - - - -'));
  it('levels stand before the step from which they hold', () => {
    expect(script('@p 3 2 @mf 1 2 3 2 @f <3 2>:1 1')).toBe('@p ?:3 ?:2 @mf ?:1 ?:2 ?:3 ?:2 @f [?:3 ?:2] ?:1');
    expect(read('@mp p5 . . . . . . .').script).toBe('@mp p:5 . . . . . . .');
    expect(read('@loud 3').faults[0]?.code).toBe('no sign of a falseta');
  });
  it('another finger on the same fret is said', () =>
    expect(script('(F) 1 (2 1f1) 1 (lift 1) 1 - - - - -')).toBe('?:1 ?:1f1=2 ?:1f1=2 - - - - -'));
  it('strums from a string on, all that the hand lets sound', () =>
    expect(script('(Am) d5 u3 pd6 (4 1f3) d2 d1! - . -')).toBe('id:54321 iu:123 pd:54321 id:2+1f3=4 id:1f3=4! - . -'));
  it('over E7 by 6 and 1 the inner four strings by p i m a, the thumb the thickest', () =>
    expect(script('(E7) pima[5432] - p6 . pima[6321] - - .')).toBe('pima:5432 - p:6 . pima:6321 - - .'));
  it('fingers stand before all strings together, or each before its own', () =>
    expect(script('pa[51] [p5 a1] [a1p5] [p5f3 m2! a1] [i3 m2] - . .')).toBe(
      'pa:51 pa:51 pa:51 pma:5f3+2!+1 im:32 - . .',
    ));
  it('frets, left fingers and marks stand as in a script; the left hand alone, and steps that are shared', () => {
    expect(script('3f5 3f12! 1f1 2 [6~1f3=4] L2f3=4 <3 2 1>')).toBe(
      '?:3f5 ?:3f12! ?:1f1 ?:2 ??:6~+1f3=4 L:2f3=4 [?:3 ?:2 ?:1]:2',
    );
  });
  it('bars by bar lines or by their length; the last is filled, % is the one before once more', () => {
    const told = read('(Am) 3 2 1 2 3 2 1 2 | (C) {3 2}x4 % 1');
    expect(told.faults).toEqual([]);
    expect(told.filled).toBe(7);
    expect(told.script.split(' | ').map((b) => b.split(' ').length)).toEqual([8, 8, 8, 8]);
    expect(told.held?.spans).toEqual([
      { name: 'Am', ticks: 20_160 },
      { name: 'C', ticks: 60_480 },
    ]);
  });
  it('a bar comes again in one of the same length alone', () => {
    const uneven = { ...four, bars: [ticks(15_120), ticks(5_040)] };
    expect(read('3 2 1 2 3 2 % - -', { cycle: uneven }).faults[0]?.code).toBe('no bar before');
    expect(read('3 2 1 2 3 2 1 2 | 3 2 1 2 3 2', { cycle: uneven }).faults).toEqual([]);
  });
  it('a bar that is repeated brings its shapes again', () => {
    const told = read('(Am) 3 2 1 2 (C) 3 2 1 2 %');
    expect(told.held?.spans.map((s) => s.name)).toEqual(['Am', 'C', 'Am', 'C']);
  });
  it('under a chart the fingers move in its shapes, and each new one puts them back', () => {
    const under = (at: number) => (at < 10_080 ? AM : C);
    expect(read('2 (lift 1) 2 2 1 2 1 (1 1f1) 2 1', { under }).script).toBe('?:2 ?:2f0 ?:2f0 ?:1 ?:2 ?:1 ?:2 ?:1f1=1');
  });
  it.each([
    ['(Zed) 3', 'no such hold'],
    ['(lift 2) 3', 'finger not down'],
    ['() 3', 'no gesture'],
    ['7', 'no sign of a falseta'],
    ['3 q 2', 'no sign of a falseta'],
    ['im3', 'letters for strings'],
    ['[p5 1]', 'letters for strings'],
    ['p[p5 a1]', 'letters for strings'],
    ['[a5 p1]', 'no sign of a falseta'],
    ['[33]', 'string twice'],
    ['[]', 'strings wanted'],
    ['3f', 'no sign of a falseta'],
    ['3 2 | 1', 'bar told short'],
    ['% 3', 'no bar before'],
    ['3 3 3 3 3 3 3 <3 2 1>', 'bar told long'],
    ['<3 2', 'never closed'],
    ['3 2>', 'nothing to close'],
    ['<>', 'nothing between'],
    ['(4 9f1) 3', 'no such hold'],
    ['(1 1f30) 3', 'beyond the neck'],
    ['ip[61]!,', 'marks clash'],
    ['3'.repeat(20_001), 'falseta too long'],
  ])('what can’t be read is told where it stands: %s', (text, code) => {
    const [fault] = read(text).faults;
    expect(fault?.code).toBe(code);
    expect(fault!.from).toBeGreaterThanOrEqual(0);
    expect(fault!.to).toBeLessThanOrEqual(text.length);
  });
  it('a fault in a repeat is shown where it was typed', () => {
    const text = '3 2 {1 7}x2';
    const [fault] = read(text).faults;
    expect(text.slice(fault!.from, fault!.to)).toBe('7');
  });
  it('whatever is told becomes whole bars that the script reads without a fault', () => {
    const word = fc.constantFrom(
      ...['3', 'p5', 'i2', '[61]', 'd5', 'u4', '1f3', '2f1=1', 'L2f3', '.', '-', '(Am)', '(C)', '(F)', '(back)'],
      ...['(lift 1)', '(flat 1 2-1)', '(up 1)', '(4 1f3)', '(2 3f2)', '(open)', '<3 2 1>', '%', '6~', '1!', '{3 2}x3'],
    );
    let sound = 0;
    fc.assert(
      fc.property(fc.array(word, { minLength: 1, maxLength: 40 }), fc.constantFrom(2, 3, 4), (words, stepsPerCount) => {
        const told = read(words.join(' '), { stepsPerCount });
        if (told.faults.length) return;
        sound++;
        const { faults } = parseScript(told.script, { stepsPerCount, cycle: four, start: 0 });
        expect(faults).toEqual([]);
        expect(told.length).toBe(told.bars * 20_160);
        const spans = told.held?.spans ?? [];
        expect(spans.reduce((sum, s) => sum + s.ticks, told.held?.from ?? told.length)).toBe(told.length);
      }),
    );
    expect(sound).toBeGreaterThan(15);
  });
  it('names the shapes it holds', () =>
    expect(namesHeld('(Am) 5 (4 1f3) 1 (lift 4, hold E7) 6 (back) (open) (Am)')).toEqual(['Am', 'E7']));
});

describe('bars put into a section', () => {
  const study = makeStudy('s', 'S', four);
  const own = { ...study.sections[0]!, bpm: bpm(90) };
  const told = read('(Am) 3 2 1 2 3 2 1 2');
  it('stand in an empty one with their chart', () =>
    expect(textsWithBars(own, study, 0, told)).toEqual({
      script: '?:3 ?:2 ?:1 ?:2 ?:3 ?:2 ?:1 ?:2',
      chart: 'Am',
      bars: null,
    }));
  it('take the place of its own from a bar on; what repeats is written out, what is wanting is silent', () => {
    const two = { ...own, script: '{p:5 - - -}x2', chart: 'C | F | E7' };
    expect(textsWithBars(two, study, 1, told)).toEqual({
      script: 'p:5 - - - p:5 - - - | ?:3 ?:2 ?:1 ?:2 ?:3 ?:2 ?:1 ?:2 | p:5 - - - p:5 - - -',
      chart: 'C | Am | E7',
      bars: null,
    });
    expect(textsWithBars({ ...own, script: 'p:5 - - - p:5 - - -' }, study, 2, told)).toEqual({
      script: 'p:5 - - - p:5 - - - | . . . . . . . . | ?:3 ?:2 ?:1 ?:2 ?:3 ?:2 ?:1 ?:2',
      chart: '. | % | Am',
      bars: null,
    });
  });
  it('keep the chart where no shape was told, and the silence behind them as long as it', () =>
    expect(textsWithBars({ ...own, chart: 'C | F' }, study, 0, read('3 - - - - - - -'))).toEqual({
      script: '?:3 - - - - - - - | . . . . . . . .',
      chart: 'C | F',
      bars: null,
    }));
  it('begin to hold where they say so', () =>
    expect(textsWithBars({ ...own, chart: 'C | F' }, study, 0, read('3 - - - (Am) 3 - - -'))).toMatchObject({
      chart: 'C Am | F',
    }));
  it('leave nothing of a stroke that was held over into them', () =>
    expect(textsWithBars({ ...own, script: '{p:5 - - -}x3 p:5 {-}x7 i:3 - - -' }, study, 1, told)).toMatchObject({
      script: 'p:5 - - - p:5 - - - | ?:3 ?:2 ?:1 ?:2 ?:3 ?:2 ?:1 ?:2 | . . . . i:3 - - -',
    }));
  it('let a section of fixed bars grow', () =>
    expect(textsWithBars({ ...own, script: 'p:5 - - - p:5 - - -', bars: 1 }, study, 1, told)).toMatchObject({
      bars: null,
    }));
  it('are refused where a stroke goes over the bar line, where texts have faults, and beyond what a section holds', () => {
    const over = { ...own, script: 'p:5 - - - p:5 - - [i:3 i:2 i:1]:2 p:5 - - - p:5 - -' };
    expect(textsWithBars(over, study, 1, told)).toMatchObject({ code: 'no cut at that bar' });
    expect(textsWithBars({ ...own, script: 'zz' }, study, 0, told)).toMatchObject({ code: 'texts with faults' });
    expect(textsWithBars(own, study, 100_000, told)).toMatchObject({ code: 'too many bars' });
  });
});
