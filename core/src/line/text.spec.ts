import { describe, expect, it } from 'vitest';
import { DEFAULT_PROFILE } from '../hand/index.js';
import { flatten, parseScript, printScript } from '../pattern/index.js';
import { bpm } from '../time/index.js';
import { explainLine, fingerLine, lineSchool, lineScript, readLine } from './index.js';

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
  if (result.infeasible) throw new Error(result.infeasible.join(' '));
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
  it.each([
    ['37', /1 to 6/],
    ['3x', /no note/],
    ['[33]', /each once/],
    ['[]', /1 to 6/],
    ['3'.repeat(60_001), /at most/],
  ])('faults are named: %.10s', (text, words) => expect(readLine(text, 4).faults[0]?.message).toMatch(words));
  it('becomes hand script without fault, note for note', () => {
    const { script, answer } = solve('332211 [321] 5-.6', 'fingering');
    const { pattern, faults } = parseScript(script, { stepsPerCount: 4 });
    expect(faults).toEqual([]);
    expect(printScript(pattern)).toBe(script);
    expect(flatten(pattern).events).toHaveLength(answer.steps.length);
  });
  it('rest strokes are written where there is a string to land on', () =>
    expect(solve('6661', 'im').script).not.toMatch(/:6_/));
  it('is explained: crossings, anchor, seam', () => {
    const smooth = solve('3322', 'fingering');
    expect(explainLine(smooth.request, smooth.answer).join(' ')).toMatch(/crossings? go with the fingers|No crossing/);
    const deep = solve('332255', 'im');
    expect(explainLine(deep.request, deep.answer).join(' ')).toMatch(/anchor changes at 5/);
  });
});
