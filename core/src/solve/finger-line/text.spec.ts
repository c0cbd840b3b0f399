import { explainLine, explainNotes, sayFacts } from '../../words/index.js';
import { describe, expect, it } from 'vitest';
import { sayFault } from '../../words/index.js';
import { DEFAULT_PROFILE } from '../../player/index.js';
import { flatten, parseScript, printScript } from '../../script/index.js';
import { bpm } from '../../time/index.js';
import {
  fingerLine,
  lineSchool,
  lineScript,
  pinInText,
  plectrumHand,
  plectrumScript,
  readLine,
  stoppedNotes,
} from './index.js';

const solve = (text: string, school: string, stroke: 'rest' | 'free' = 'rest') => {
  const read = readLine(text, 4);
  const request = {
    notes: read.notes,
    bpm: bpm(100),
    profile: DEFAULT_PROFILE,
    school: lineSchool(school),
    stroke,
    loop: read.length,
  };
  const result = fingerLine(request);
  if (result.infeasible) throw new Error(sayFacts(result.infeasible).join(' '));
  return {
    read,
    request,
    answer: result.answers[0]!,
    script: lineScript(read.steps, result.answers[0]!.steps, stroke),
  };
};

describe('a line typed by strings', () => {
  it('is read a step a digit, with rests, holds, notes together, marks and pins', () => {
    const { steps, notes, faults, length } = readLine('33 . 2! - | [321]~ i4', 4);
    expect(faults).toEqual([]);
    expect(steps.map((s) => s.kind)).toEqual(['note', 'note', 'rest', 'note', 'hold', 'note', 'note']);
    expect(notes[2]).toMatchObject({ at: 3 * 1260, accent: 1 });
    expect(notes[3]).toMatchObject({ strings: [3, 2, 1], rings: true });
    expect(notes[4]?.pinned).toEqual(['i']);
    expect(length).toBe(7 * 1260);
  });
  it('a fret stands after its string; what can’t belong to it is the next note', () => {
    const { notes, steps, faults } = readLine('3f5 2f12 i3f7 3f53f72f2 [3f5 2]', 4);
    expect(faults).toEqual([]);
    expect(notes.map((n) => `${n.strings.join('')}f${(n.frets ?? ['-']).join(',')}`)).toEqual([
      '3f5',
      '2f12',
      '3f7',
      '3f5',
      '3f7',
      '2f2',
      '32f5,',
    ]);
    expect(stoppedNotes(steps)).toContainEqual({ at: 1260, string: 2, fret: 12 });
    expect(stoppedNotes(steps)).toHaveLength(7);
  });
  it('a finger is pinned in the text itself, and set free again', () => {
    const text = '33 i2f5! 1';
    const third = readLine(text, 4).steps[2];
    const range = third?.kind === 'note' ? third.range! : { from: 0, to: 0 };
    expect(pinInText(text, range, 'a')).toBe('33 a2f5! 1');
    expect(pinInText(text, range, null)).toBe('33 2f5! 1');
  });
  it('repeats are written out; a finger pinned in one is pinned in all', () => {
    expect(readLine('1 {2 {3}x2}x2', 4).notes.map((n) => n.strings[0])).toEqual([1, 2, 3, 3, 2, 3, 3]);
    const { steps } = readLine('{32}x2', 4);
    const last = steps.at(-1);
    expect(pinInText('{32}x2', last?.kind === 'note' ? last.range! : { from: 0, to: 0 }, 'a')).toBe('{3a2}x2');
    expect(readLine('{3', 4).faults).toHaveLength(1);
  });
  it('plectrum strokes become hand script: down that rests, up, down that leaps off', () => {
    expect(plectrumScript(readLine('333 2 1 .', 4).steps)).toBe('pd:3_ pu:3 pd:3_ pd:2_ pd:1 .');
    expect(plectrumScript(readLine('1 2 3', 4).steps)).toBe('pd:1 pd:2 pd:3');
    expect(plectrumScript(readLine('[32]', 4).steps)).toBeNull();
    expect(plectrumHand(readLine('333 2! 3 .', 4).steps)).toBe('Pd:3 Pu:3 Pd:3 Pw:2! Pw:3 .');
    const { faults } = parseScript(plectrumScript(readLine('665544332211!', 4).steps)!, { stepsPerCount: 4 });
    expect(faults).toEqual([]);
  });
  it.each([
    ['37', /1 to 6/],
    ['3x', /no note/],
    ['3f', /no note/],
    ['[3f5 z]', /1 to 6/],
    ['[33]', /each once/],
    ['[]', /1 to 6/],
    ['3'.repeat(60_001), /at most/],
  ])('faults are named: %.10s', (text, words) => expect(sayFault(readLine(text, 4).faults[0]!)).toMatch(words));
  it('becomes hand script without fault, note for note', () => {
    const { script, answer } = solve('332211 [321] 5-.6', 'fingering');
    const { pattern, faults } = parseScript(script, { stepsPerCount: 4 });
    expect(faults).toEqual([]);
    expect(printScript(pattern)).toBe(script);
    expect(flatten(pattern).events).toHaveLength(answer.steps.length);
  });
  it('rest strokes are written where there is a string to land on', () =>
    expect(solve('6661', 'im').script).not.toMatch(/:6_/));
  it('says of every note what its finger does there', () => {
    const crossed = solve('3 2 2 5 6~ 6', 'im');
    const reasons = explainNotes(crossed.request, crossed.answer);
    expect(reasons).toHaveLength(6);
    expect(reasons[1]?.crossing).toBe(crossed.answer.steps[1]?.[0] === 'm' ? 'natural' : 'awkward');
    expect(reasons[3]?.text).toMatch(/^Note 4: [im] on string 5, (natural|awkward) crossing, the thumb lifts/);
    const limps = solve('i3 i3', 'habit');
    expect(explainNotes(limps.request, limps.answer)[1]).toMatchObject({ faults: ['the same finger twice'] });
    expect(explainNotes(limps.request, limps.answer)[1]?.text).toMatch(/pinned/);
    const touched = solve('4~ 3 . 3', 'im');
    expect(explainNotes(touched.request, touched.answer)[1]?.faults).toContain('the rest stroke touches a ring');
  });
  it('is explained: crossings, anchor, seam', () => {
    const smooth = solve('3322', 'fingering');
    expect(explainLine(smooth.request, smooth.answer).join(' ')).toMatch(/crossings? go with the fingers|No crossing/);
    const deep = solve('332255', 'im');
    expect(explainLine(deep.request, deep.answer).join(' ')).toMatch(/anchor changes at 5/);
  });
});
