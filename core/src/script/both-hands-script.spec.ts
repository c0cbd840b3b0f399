import { describe, expect, it } from 'vitest';
import { marksOn, type Motion } from '../stroke/index.js';
import { TICKS_PER_COUNT } from '../time/index.js';
import { sayFault } from '../words/index.js';
import {
  flatten,
  mapLeaves,
  type NamedCell,
  parseScript,
  pressOnStep,
  printScript,
  readStep,
  writeSlot,
  writeSteps,
} from './index.js';

const two = { stepsPerCount: 2 };
const step = (text: string) => readStep(text).step as Motion;
const fault = (text: string, cells: readonly NamedCell[] = []) => parseScript(text, { ...two, cells }).faults[0];

describe('marks', () => {
  it('behind digits hold for all, behind a place for it; those of the whole stand before places', () => {
    expect(step('im:32!')).toMatchObject({ marks: ['!'], strings: [3, 2] });
    const both = step('pi!:5f0~+2f3=4');
    expect(both).toMatchObject({ marks: ['!'], stops: [{ fret: 0 }, { fret: 3, finger: 4 }], placeMarks: [['~'], []] });
    expect([marksOn(both, 5), marksOn(both, 2)]).toEqual([['!', '~'], ['!']]);
    expect(step('im:3+2!')).toMatchObject({ marks: [], placeMarks: [[], ['!']] });
  });
  it('behind a single place are those of the stroke', () =>
    expect(step('p:5f0~')).toMatchObject({ marks: ['~'], stops: [{ fret: 0 }] }));
  it('of one string go before those of the whole: softly, but this one loud', () =>
    expect(marksOn(step('im,:3+2!'), 2)).toEqual(['!']));
  it('a golpe names the finger that taps; by a finger that plays it is a fault', () => {
    expect(step('p:5*m')).toMatchObject({ marks: ['*'], golpe: 'm' });
    expect(step('ma*i')).toMatchObject({ golpe: 'i' });
    expect(sayFault(fault('m*m')!)).toMatch(/taps with m, and m is busy/);
    expect(fault('m*m')?.fix).toBe('m');
  });
  it.each([
    ['im:3~x+2', /ringing and muted/, 'im:3~+2'],
    ['im:3!,+2', /loud and soft/, 'im:3!+2'],
    ['L:2f3_', /“_” is no mark/, 'L:2f3'],
  ])('%s clash as those of the whole do', (text, words, fix) => {
    expect(sayFault(fault(text)!)).toMatch(words);
    expect(fault(text)?.fix).toBe(fix);
  });
});

describe('hands of their own', () => {
  it('P is a plectrum: down and rest, up, whip', () => {
    expect(['Pd:3', 'Pu:3', 'Pw:3'].map((t) => step(t))).toMatchObject([
      { plectrum: 'd', dir: 'd', fingers: [] },
      { plectrum: 'u', dir: 'u' },
      { plectrum: 'w', dir: 'd' },
    ]);
    expect(printScript(parseScript('Pd:654 Pu:1 Pw:2!', two).pattern)).toBe('Pd:654 Pu:1 Pw:2!');
    expect(printScript(parseScript('P:3', two).pattern)).toBe('Pd:3');
    // Capital letters of fingers are still told as such.
    expect(fault('PIMA')?.fix).toBe('pima');
  });
  it('? is worked out, once a string', () => {
    expect(step('??:3f2+2f1')).toMatchObject({ open: 2, fingers: [], strings: [3, 2] });
    expect(fault('?:32')?.fix).toBe('??:32');
    expect(sayFault(fault('??:3')!)).toMatch(/2 fingers need 2 strings/);
  });
  it('L sounds a string by the left hand alone', () => {
    expect(step('L:2f3=4~')).toEqual({ kind: 'ligado', string: 2, stop: { fret: 3, finger: 4 }, marks: ['~'] });
    expect(step('L:2')).toMatchObject({ stop: null });
    expect(sayFault(fault('L2')!)).toMatch(/L:2f3/);
  });
});

describe('strings that the chord decides', () => {
  it.each([
    ['p:f', 'fifth'],
    ['p:n', 'lead'],
    ['pim:b3', 'bass 3'],
    ['id:b4', 'bass 4'],
  ])('%s', (text, strings) => expect(step(text)).toMatchObject({ strings }));
  it('a thumb through several from the bass on strums them; fingers need as many as strings', () => {
    expect(fault('p:b3')?.fix).toBe('pd:b3');
    expect(fault('pi:b3')?.fix).toBe('pi:b2');
    expect(fault('pi:f')?.fix).toBe('p:f');
  });
});

describe('loudness', () => {
  it('holds from where it stands on, through repeats too, and begins at mf', () => {
    const { slots } = flatten(parseScript('p @pp i {m @f a}x2 p', two).pattern);
    expect(slots.map((s) => s.level)).toEqual(['mf', 'pp', 'pp', 'f', 'f', 'f', 'f']);
  });
  it('lasts nothing, and what is none is told', () => {
    expect(flatten(parseScript('p @ff i', two).pattern).length).toBe(TICKS_PER_COUNT);
    expect(sayFault(fault('@loud')!)).toMatch(/“@loud” is no loudness.*@pp @p @mp/);
  });
});

describe('cells by name', () => {
  const cells = [
    { name: 'a turn', script: 'ad md id', stepsPerCount: 3 },
    { name: 'odd', script: 'id iu md', stepsPerCount: 4 },
    { name: 'bad', script: 'ii', stepsPerCount: 2 },
  ];
  const read = (text: string, more = {}) => parseScript(text, { ...two, cells, ...more });
  it('stand for their strokes, as long as the cell is, and are printed by their name', () => {
    const { pattern, faults } = read('id <a turn> iu');
    expect(faults).toEqual([]);
    const { events } = flatten(pattern);
    expect(events.map((e) => e.at)).toEqual([0, 2520, 4200, 5880, 7560]);
    expect(printScript(pattern)).toBe('id <a turn> iu');
    // Every place inside it is the place of the call.
    expect(events.slice(1, 4).map((e) => e.range)).toEqual(Array(3).fill({ from: 3, to: 11 }));
  });
  it.each([
    ['<none>', /No cell is called “none”. There are <a turn>, <odd> and <bad>/],
    ['<bad>', /“bad” can’t be read/],
    ['<odd>', /not last a whole number of these steps/],
  ])('%s is told', (text, words) => expect(sayFault(read(text).faults[0]!)).toMatch(words));
  it('a key on a stroke of one writes the cell out there; others stay calls', () => {
    const text = 'id <a turn> <a turn>';
    const flat = flatten(read(text).pattern);
    expect(writeSlot(text, flat, 2, pressOnStep(flat.slots[2]!.step, 'u'), { ...two, cells })).toBe(
      'id [ad mu id]:2 <a turn>',
    );
  });
  it('what changes a stroke of one in place writes it out too', () => {
    const { pattern } = read('<a turn>');
    expect(printScript(mapLeaves(pattern, (s, n) => (n === 0 ? { kind: 'rest' } : s)))).toBe('[. md id]:2');
    expect(printScript(mapLeaves(pattern, (s) => s))).toBe('<a turn>');
  });
});

describe('slots written anew', () => {
  const write = (text: string, slots: readonly number[]) => {
    const { pattern } = parseScript(text, two);
    return writeSteps(text, pattern, flatten(pattern), new Map(slots.map((n) => [n, step('G')])));
  };
  it('keep the text as it was typed where every turn of a repeat gets the same', () => {
    expect(write('p  i\n{m a}x2', [1])).toBe('p  G\n{m a}x2');
    expect(write('p {m a}x2', [2, 4])).toBe('p {m G}x2');
  });
  it('write repeats out where they differ', () => expect(write('p {m a}x2', [2])).toBe('p m G m a'));
  it('change nothing where nothing is given', () => expect(write('p  i', [])).toBe('p  i'));
});

it.each([
  ['Pd:3', 'u', 'Pu'],
  ['Pd:3', 'd', 'Pw'],
  ['Pw:3', 'i', 'i'],
  ['?:2f3', 'm', 'm:2f3'],
  ['p*m', 'g', 'p'],
  ['p*m', 'm', 'm'],
  ['L:2f3', '!', 'L:2f3!'],
] as const)('%s and the key %s make %s', (before, key, after) => expect(pressOnStep(step(before), key)).toBe(after));
