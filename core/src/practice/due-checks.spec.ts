import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { makeStudy, type Study } from '../piece/index.js';
import { CHECK_DAYS, dueChecks, heldLines, type LogEntry } from './index.js';

const study: Study = makeStudy('s', 'Lamps');
const section = { ...study.sections[0]!, ladder: { ...study.sections[0]!.ladder, passes: 1 } };
const studies = [{ ...study, sections: [section] }];
const day = (n: number) => new Date(Date.UTC(2026, 2, 1 + n)).toISOString().slice(0, 10);
const line = (n: number, passes: string, more: Partial<LogEntry> = {}): LogEntry => ({
  id: `${n} ${passes} ${more.drill ?? ''}`,
  studyId: 's',
  studyName: 'Lamps',
  sectionName: section.name,
  sectionId: section.id,
  startedAt: `${day(n)}T18:00:00.000Z`,
  minutes: 10,
  passes: [...passes].map((c) => ({ bpm: 100, clean: c === 'c' })),
  pain: false,
  ...more,
});
const cold = (n: number, passes: string) => line(n, passes, { cold: true });
const due = (n: number, ...log: LogEntry[]) => dueChecks(log, studies, day(n));

describe('does it hold', () => {
  it('what was held is asked for after a day, cold; what never was is not', () => {
    expect(due(0, line(0, 'c'))).toEqual([]);
    expect(due(1, line(0, 'c'))).toMatchObject([{ bpm: 100, step: 0, days: 1, overdue: 0, name: section.name }]);
    expect(due(5, line(0, 'n'))).toEqual([]);
  });
  it('clean, the gap grows: 1, 3, 7, 14, 30 days, and 30 again', () => {
    let log = [line(0, 'c')];
    let at = 0;
    for (const gap of [...CHECK_DAYS, 30, 30]) {
      expect(due(at + gap - 1, ...log)).toEqual([]);
      expect(due(at + gap, ...log)).toHaveLength(1);
      at += gap;
      log = [...log, cold(at, 'c')];
    }
  });
  it('the first pass counts: a miss brings it back the next day, however clean the rest', () => {
    const log = [line(0, 'c'), cold(1, 'c'), cold(4, 'nccc')];
    expect(due(4, ...log)).toEqual([]);
    expect(due(5, ...log)).toMatchObject([{ step: 0, days: 1 }]);
  });
  it('a cold line alone says as much: what was held before it may be gone from the log', () => {
    expect(due(3, cold(0, 'c'))).toMatchObject([{ bpm: 100, step: 1, days: 3 }]);
    expect(due(1, cold(0, 'n'))).toMatchObject([{ bpm: 100, step: 0, days: 1 }]);
  });
  it('all that was held is told: what holds, when it is asked for again, what was lost', () => {
    const told = (n: number, ...log: LogEntry[]) => heldLines(log, studies, day(n)).map((h) => [h.overdue, h.lost]);
    expect(told(0, line(0, 'c'))).toEqual([[-1, false]]);
    expect(told(2, line(0, 'c'), cold(1, 'c'))).toEqual([[-2, false]]);
    expect(told(3, line(0, 'c'), cold(3, 'n'))).toEqual([[-1, true]]);
    expect(told(4, line(0, 'c'), cold(3, 'n'), line(4, 'c'))).toEqual([[-1, false]]);
    expect(told(4, line(0, 'c'), cold(3, 'n'), line(4, 'n'))).toEqual([[-1, true]]);
  });
  it('a session moves the day and the tempo, not the gap', () => {
    const log = [line(0, 'c'), cold(1, 'c'), line(3, 'c', { passes: [{ bpm: 108, clean: true }] })];
    expect(due(5, ...log)).toEqual([]);
    expect(due(6, ...log)).toMatchObject([{ bpm: 108, step: 1, days: 3 }]);
  });
  it('the most overdue comes first; drills are checked by themselves, under the name they had', () => {
    const drill = line(0, 'c', { drill: 'rotation 2', sectionName: 'A · From the 3rd step' });
    expect(due(9, line(4, 'c'), drill).map((c) => [c.name, c.drill, c.overdue])).toEqual([
      ['A · From the 3rd step', 'rotation 2', 8],
      [section.name, null, 4],
    ]);
  });
  it('a study that is gone, a line without its section, and a clock set back ask for nothing', () => {
    expect(dueChecks([line(0, 'c')], [], day(3))).toEqual([]);
    const { sectionId, ...old } = line(0, 'c');
    expect(sectionId).toBeTruthy();
    expect(due(3, old)).toEqual([]);
    expect(due(0, line(5, 'c'))).toEqual([]);
    // What was held before is asked for as if the later line were not there.
    expect(due(3, line(0, 'c'), line(5, 'c'))).toMatchObject([{ days: 3 }]);
  });
  it('the same log says the same in any order, and is left as it was', () => {
    const entry = fc
      .tuple(fc.integer({ min: 0, max: 60 }), fc.constantFrom('c', 'n', 'cn', 'nc', ''), fc.boolean())
      .map(([n, passes, isCold]) => line(n, passes, isCold ? { cold: true } : {}));
    fc.assert(
      fc.property(
        fc.uniqueArray(entry, { maxLength: 12, selector: (e) => e.startedAt }),
        fc.integer({ min: 0, max: 90 }),
        (log, n) => {
          const before = JSON.stringify(log);
          const found = due(n, ...log);
          expect(due(n, ...[...log].reverse())).toEqual(found);
          expect(JSON.stringify(log)).toBe(before);
          for (const c of found) expect(c.days).toBe(CHECK_DAYS[c.step]! + c.overdue);
        },
      ),
    );
  });
});
