import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Course, type CourseStep, weekOf } from './index.js';

const step = (days: number, passed: string[] = [], bpm = 100): CourseStep => ({
  what: 'as written',
  text: '',
  bpm,
  gate: { clean: 4, days, by: 'mark' },
  passed,
});
const course = (...steps: CourseStep[]): Course => ({
  id: 'c',
  name: 'Stair',
  about: { studyId: 's' },
  steps,
  begun: '2026-03-01',
  note: '',
});
const short = (c: Course, minutes = 20) =>
  weekOf(c, '2026-03-02', minutes).map(({ tasks }) => tasks.map((t) => `${t.kind} ${t.step + 1}`).join(', '));

describe('a week of homework', () => {
  it('goes on as the gates ask: each step on its days, what was passed before it once and cold', () => {
    expect(short(course(step(2), step(3), step(2)))).toEqual([
      'work 1',
      'work 1',
      'check 1, work 2',
      'check 1, work 2',
      'check 1, work 2',
      'check 2, work 3',
      'check 1, check 2',
    ]);
  });
  it('days that were passed already count', () => {
    expect(short(course(step(2, ['2026-03-01']), step(3)))[1]).toBe('check 1, work 2');
    expect(short(course(step(1, ['2026-03-01']), step(9)))).toEqual([
      ...Array.from({ length: 6 }, () => 'check 1, work 2'),
      'check 1',
    ]);
  });
  it('the seventh day checks what was passed in the week, not what was before it', () => {
    expect(short(course(step(1, ['2026-03-01']), step(2), step(9)))[6]).toBe('check 2');
  });
  it('what is passed whole is looked at on three days, the others are free', () => {
    expect(short(course(step(1, ['2026-02-01'])))).toEqual(['check 1', '', 'check 1', '', '', '', 'check 1']);
  });
  it('twenty minutes: two for the check, twice nine for the work; five minutes are all work', () => {
    const [, , third] = weekOf(course(step(2), step(3)), '2026-03-02', 20);
    expect(third?.tasks.map((t) => [t.minutes, t.times, t.boxes])).toEqual([
      [2, 1, 1],
      [9, 2, 4],
    ]);
    expect(short(course(step(2), step(3)), 5)[2]).toBe('work 2');
  });
  it('a week goes over the end of a month', () => {
    expect(weekOf(course(step(2)), '2026-02-26', 20).map((d) => d.day)[6]).toBe('2026-03-04');
  });
  it('for any course and minutes: seven days, none longer than asked, one thing at most ten minutes at a time', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 1, max: 5 }), fc.integer({ min: 0, max: 5 })), {
          minLength: 1,
          maxLength: 8,
        }),
        fc.integer({ min: 5, max: 60 }),
        (given, minutes) => {
          const steps = given.map(([days, n]) =>
            step(
              days,
              Array.from({ length: n }, (_, k) => `2026-01-0${k + 1}`),
            ),
          );
          const week = weekOf(course(...steps), '2026-03-02', minutes);
          expect(week).toHaveLength(7);
          for (const { tasks } of week) {
            expect(tasks.reduce((sum, t) => sum + t.minutes * t.times, 0)).toBeLessThanOrEqual(minutes);
            expect(tasks.every((t) => t.minutes <= 10 && t.minutes >= 1)).toBe(true);
            expect(new Set(tasks.map((t) => t.step)).size).toBe(tasks.length);
          }
          expect(weekOf(course(...steps), '2026-03-02', minutes)).toEqual(week);
        },
      ),
    );
  });
});
