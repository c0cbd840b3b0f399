import { describe, expect, it } from 'vitest';
import { cycleById } from '../catalogue/index.js';
import { makeSection, makeStudy, type Study } from '../piece/index.js';
import { DEFAULT_PROFILE } from '../player/index.js';
import { courseFor, courseWith, isPassed, type LogEntry, stepOf } from './index.js';

const shapes = [
  { id: 'em', name: 'Em', frets: [0, 2, 2, 0, 0, 0], fingers: [null, 2, 3, null, null, null] },
  { id: 'f', name: 'F', frets: [1, 3, 3, 2, 1, 1], fingers: [1, 3, 4, 2, 1, 1] },
] as unknown as Study['shapes'];
const section = {
  ...makeSection('comp', 'Comp', cycleById('plain-four')!),
  script: 'p:b - ima:t - p:b ima:t - ima:t',
  chart: 'Em | F',
  stepsPerCount: 2,
  bpm: 120,
  ladder: { start: 80, end: 120, step: 5, passes: 2 },
};
const study: Study = { ...makeStudy('lamps', 'Lamps'), shapes, sections: [section] };
const course = courseFor(section, study, DEFAULT_PROFILE, 'c', '2026-03-01');
const line = (day: string, drill: string | undefined, ...bpms: number[]): LogEntry => ({
  id: `${day} ${drill ?? ''}`,
  studyId: 'lamps',
  studyName: 'Lamps',
  sectionName: 'Comp',
  sectionId: 'comp',
  ...(drill === undefined ? {} : { drill }),
  startedAt: `${day}T18:00:00.000Z`,
  minutes: 5,
  passes: bpms.map((bpm) => ({ bpm: Math.abs(bpm), clean: bpm > 0 })),
  pain: false,
});

describe('a course', () => {
  it('is made from a section in the order in which it is learned, slow first, with gates', () => {
    expect(course.steps.map((s) => [s.what, s.drill ?? '', s.bpm])).toEqual([
      ['right hand alone', 'open strings', 80],
      ['all chords', 'block chords', 80],
      ['own', 'change alone em f', 80],
      ['as written', '', 80],
      ['faster', '', 100],
      ['faster', '', 120],
    ]);
    expect(course.steps[2]?.text).toBe('Em → F');
    expect(course.steps.map((s) => s.gate.days)).toEqual([2, 2, 2, 2, 3, 3]);
    const plain = { ...section, chart: '', ladder: { ...section.ladder, end: 80 } };
    expect(courseFor(plain, { ...study, sections: [plain] }, DEFAULT_PROFILE, 'c', '').steps.at(-1)?.what).toBe(
      'as written',
    );
  });
  it('a gate is passed by clean passes in a row, at its tempo, on so many days', () => {
    const after = (...log: LogEntry[]) => courseWith(course, log).steps[0]!.passed;
    expect(after(line('2026-03-02', 'open strings', 80, 80))).toEqual(['2026-03-02']);
    expect(after(line('2026-03-02', 'open strings', 80, -80, 80))).toEqual([]);
    expect(after(line('2026-03-02', 'open strings', 76, 76))).toEqual([]);
    expect(after(line('2026-03-02', undefined, 80, 80))).toEqual([]);
    expect(after(line('2026-02-27', 'open strings', 80, 80))).toEqual([]);
    const twice = courseWith(course, [
      line('2026-03-03', 'open strings', 84, 84),
      line('2026-03-02', 'open strings', 80, 80),
    ]);
    expect(isPassed(twice.steps[0]!)).toBe(true);
    expect(stepOf(twice)).toBe(1);
  });
  it('a step counts once those before it are passed; what is stored of it stays', () => {
    const early = courseWith(course, [line('2026-03-02', 'block chords', 80, 80)]);
    expect(early.steps[1]?.passed).toEqual([]);
    const stored = {
      ...course,
      steps: course.steps.map((s, n) => (n === 0 ? { ...s, passed: ['2026-03-01', '2026-03-02'] } : s)),
    };
    expect(courseWith(stored, [line('2026-03-03', 'block chords', 80, 80)]).steps[1]?.passed).toEqual(['2026-03-03']);
    expect(stepOf(courseWith(stored, []))).toBe(1);
  });
});
