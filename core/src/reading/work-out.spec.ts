import { describe, expect, it } from 'vitest';
import { cycleById } from '../catalogue/index.js';
import { STANDARD_TUNING } from '../instrument/index.js';
import { OPEN_SHAPE, readShape, type Shape } from '../left-hand/index.js';
import { makeSection, type Section } from '../piece/index.js';
import { DEFAULT_PROFILE } from '../player/index.js';
import { flatten, parseScript } from '../script/index.js';
import { fingersOf } from '../stroke/index.js';
import { readNames, readSection, workOut, writeWorkedOut } from './index.js';

const four = cycleById('tangos')!;
const C: Shape = { ...OPEN_SHAPE, id: 'c', name: 'C', ...readShape('x-3-2-0-1-0', 'x-3-2-0-1-0') };
const section = (script: string, more: Partial<Section> = {}): Section => ({
  ...makeSection('s', 'S', four),
  script,
  ...more,
});
const request = (s: Section) => ({
  section: s,
  shapes: [C],
  tuning: STANDARD_TUNING,
  capo: 0,
  profile: DEFAULT_PROFILE,
});
const read = (script: string, more: Partial<Section> = {}) => readSection(request(section(script, more)));
const notes = (r: ReturnType<typeof read>) => r.score.events.filter((e) => e.pass === 0).flatMap((e) => e.notes);

describe('fingers that are not written', () => {
  it('of the right hand are worked out along their run, round what is written', () => {
    const r = read('?:3 ?:3 ?:2 i:2 ?:1 ?:1 ?:1 ?:1');
    const fingers = notes(r).map((n) => n.right);
    expect(fingers).not.toContain(null);
    expect(fingers[3]).toBe('i');
    fingers.forEach((f, n) => n > 0 && expect(f).not.toBe(fingers[n - 1]));
    expect(notes(r).map((n) => n.workedOut)).toEqual([true, true, true, false, true, true, true, true]);
    expect(r.workedOut).toEqual([0, 1, 2, 4, 5, 6, 7]);
  });
  it('basses are the thumb’s, a run is the fingers’', () => {
    const right = (script: string, chart = '') =>
      notes(read(script, { chart }))
        .map((n) => n.right)
        .join('');
    expect(right('?:5 ?:3 ?:2 ?:1 ?:4 ?:3 ?:2 ?:1')).toBe('pimapima');
    expect(right('?:6 ?:5 ?:4 ?:3 ?:2 ?:1 . .')).toBe('pppima');
    expect(right('?:4f5 ?:4f7 ?:3f4 ?:3f5 ?:3f7 ?:4f7 ?:5f5 ?:5f7')).not.toContain('p');
    expect(right('?:b ?:3 ?:2 ?:1', 'C')).toMatch(/^.?ima$/);
  });
  it('go round written ones: none is taken twice in a row', () => {
    const fingers = notes(read('?:3 i:3 ?:3 m:3 ?:3 m:3 ?:3 i:3')).map((n) => n.right);
    fingers.forEach((f, n) => n > 0 && expect(f).not.toBe(fingers[n - 1]));
  });
  it('are judged for like written ones: the load knows them', () =>
    expect(read('?:2 ?:2 ?:2 ?:2').load.fingers.length).toBeGreaterThan(1));
  it('of the left hand follow the line where no shape is held', () => {
    const r = read('i:2f5 m:2f7 i:2f8 m:1f5 i:1f7 m:1f8 i:1f7 m:1f5');
    expect(notes(r).map((n) => n.left)).toEqual([1, 3, 4, 1, 3, 4, 3, 1]);
    expect(notes(r).every((n) => n.workedOut)).toBe(true);
  });
  it('over a held shape are the shape’s own, else a free one near its fret', () => {
    const r = read('i:2f1 m:2f3 i:1f3 L:1f1', { chart: 'C' });
    expect(notes(r).map((n) => n.left)).toEqual([1, 4, 4, 1]);
  });
  it('a finger that is written is a pin', () => {
    const r = read('i:2f5=2 m:2f7 i:2f5', { bpm: 60 });
    expect(notes(r)[0]?.left).toBe(2);
  });
  it('are written into the text by one command, and stay as they are then', () => {
    const script = 'p:5f0  ?:2f1\n{?:3 ?:2}x2';
    const r = read(script);
    expect(r.workedScript).toMatch(/^p:5f0 {2}[pima]:2f1=1\n\{[pima]:3 [pima]:2\}x2$/);
    const again = read(r.workedScript);
    expect(again.workedOut).toEqual([]);
    expect(again.workedScript).toBe(r.workedScript);
    expect(notes(again).map((n) => [n.right, n.left])).toEqual(notes(r).map((n) => [n.right, n.left]));
  });
  it('where nothing is open the pattern itself comes back', () => {
    const { pattern } = parseScript('p:5 i:3', { stepsPerCount: 2 });
    const worked = workOut(pattern, section(''), { instrument: request(section('')), shapes: [] }, DEFAULT_PROFILE);
    expect(worked.pattern).toBe(pattern);
    expect(writeWorkedOut('p:5  i:3', pattern, worked)).toBe('p:5  i:3');
  });
  it('a hand that can’t reach them leaves them open', () => {
    const r = read('im:6f1+1f19');
    expect(notes(r).map((n) => n.left)).toEqual([null, null]);
    expect(
      flatten(parseScript(r.workedScript, { stepsPerCount: 2 }).pattern).events.map((e) => fingersOf(e.motion)),
    ).toEqual([['i', 'm']]);
  });
});

describe('names of a chart', () => {
  it('that are symbols want a shape, others are told with what is near', () => {
    const { wanting, chartFaults } = readNames(section('', { chart: 'C | Am7 | Am7 | Zed | Cmja7' }), [C]);
    expect(wanting).toEqual(['Am7']);
    expect(chartFaults.map((f) => [f.code, f.about[0]])).toEqual([
      ['no such chord', '“Zed”'],
      ['no such chord', '“Cmja7”'],
    ]);
    expect(chartFaults[1]?.about).toContain('Cmaj7');
  });
  it('frets want a shape of their own; what is none for six strings is told', () => {
    const { wanting, chartFaults } = readNames(section('', { chart: '0-x-9-9-9-0 | x32010 | 0-x-9 | 1-x-x-x-x-30' }), [
      C,
    ]);
    expect(wanting).toEqual(['0-x-9-9-9-0', 'x32010']);
    expect(chartFaults.map((f) => [f.code, f.about[0]])).toEqual([
      ['frets misread', '“0-x-9”'],
      ['frets misread', '“1-x-x-x-x-30”'],
    ]);
  });
  it('chords that were run together are told apart by one press, two readings are both named; own names go first', () => {
    const { chartFaults } = readNames(section('', { chart: 'Am-G-F-E | C2 | C' }), [C]);
    expect(chartFaults.map((f) => [f.code, f.about.slice(1), f.fix])).toEqual([
      ['several chords', ['Am G F E'], 'Am G F E'],
      ['two readings', ['Csus2', 'Cadd9'], undefined],
    ]);
    expect(readNames(section('', { chart: 'Am-G' }), [{ ...C, name: 'Am-G' }]).chartFaults).toEqual([]);
  });
});
