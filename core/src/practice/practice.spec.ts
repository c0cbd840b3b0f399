import { describe, expect, it } from 'vitest';
import type { Ladder } from '../piece/index.js';
import {
  cleanShare,
  climb,
  daysBetween,
  type LogEntry,
  nextTempo,
  type PracticePass,
  reached,
  rungCount,
  shiftLog,
  isAbout,
} from './index.js';
import { fact } from '../fault/index.js';

const up: Ladder = { start: 100, end: 112, step: 6, passes: 2 };
const passes = (text: string, bpm = 100): PracticePass[] => [...text].map((c) => ({ bpm, clean: c === 'c' }));
const entry = (startedAt: string, list: PracticePass[], pain = false): LogEntry => ({
  id: startedAt,
  studyId: 's',
  studyName: 'S',
  sectionName: 'A',
  startedAt,
  minutes: 10,
  passes: list,
  pain,
});

describe('ladder', () => {
  it('climbs a rung after enough clean passes in a row', () => {
    expect(climb(up, passes('c'))).toMatchObject({ bpm: 100, cleanHere: 1 });
    expect(climb(up, passes('cc'))).toMatchObject({ bpm: 106, cleanHere: 0 });
    expect(climb(up, passes('cnc')).bpm).toBe(100);
  });
  it('stops at its end and says that it is held', () =>
    expect(climb(up, passes('cccccc'))).toMatchObject({ bpm: 112, done: true }));
  it('goes a rung slower after two misses in a row, never without end', () => {
    expect(climb(up, passes('nn')).bpm).toBe(94);
    expect(climb(up, passes('n'.repeat(40))).bpm).toBe(76);
  });
  it('leads down as well: clean passes slow it, misses slow it too', () => {
    const down = { ...up, start: 112, end: 60 };
    expect(climb(down, passes('cc')).bpm).toBe(106);
    expect(climb(down, passes('nn')).bpm).toBe(106);
    expect(climb({ ...down, end: 110 }, passes('cc')).bpm).toBe(110);
  });
  it('goes on from where it is set', () => expect(climb(up, passes('cc'), 106).bpm).toBe(112));
  it('counts its rungs', () => expect(rungCount(up)).toBe(3));
});

describe('log', () => {
  const clean = entry('2026-03-02T18:00:00.000Z', [...passes('c', 120), ...passes('c', 126), ...passes('n', 132)]);
  it('the tempo reached is the fastest that was held by the clean passes that it asks for', () => {
    expect(reached(clean, 1)).toBe(126);
    expect(reached({ passes: [...passes('cc', 120), ...passes('cnc', 126)] }, 2)).toBe(120);
    expect(reached({ passes: [...passes('c', 120), ...passes('c', 126)] }, 2)).toBeNull();
    expect(reached({ passes: passes('n') }, 1)).toBeNull();
    expect(cleanShare(clean)).toBeCloseTo(2 / 3);
  });
  const held = entry('2026-03-02T18:00:00.000Z', [...passes('cc', 120), ...passes('cc', 126), ...passes('n', 132)]);
  it('next time begins a rung under it', () => expect(nextTempo([held], up, '2026-03-04').bpm).toBe(120));
  it('a suggestion never lies under the ladder', () => {
    const low = { start: 100, end: 130, step: 10, passes: 1 };
    for (const pain of [false, true])
      for (const day of ['2026-03-04', '2026-04-04'])
        expect(nextTempo([entry(clean.startedAt, passes('c', 70), pain)], low, day).bpm).toBe(100);
    expect(nextTempo([held], { ...low, start: 130, end: 124 }, '2026-04-04').bpm).toBe(124);
  });
  it('after more than ten days it begins four rungs lower, and says why', () =>
    expect(nextTempo([held], up, '2026-03-20')).toEqual({
      bpm: 102,
      reason: fact('after a break', 126, 18),
    }));
  it('pain makes it slow', () => expect(nextTempo([{ ...held, pain: true }], up, '2026-03-04').bpm).toBe(100));
  it('nothing logged begins at the ladder’s start', () => expect(nextTempo([], up, '2026-03-04').bpm).toBe(100));
  it('days are whole, whatever the hour', () =>
    expect(daysBetween('2026-03-02T23:59:00Z', '2026-03-03T00:01:00Z')).toBe(1));
  it('a made log is moved so that it ends yesterday, its gaps kept', () => {
    const moved = shiftLog([clean, entry('2026-03-10T18:00:00.000Z', [])], '2026-11-25');
    expect(moved.map((e) => e.startedAt.slice(0, 10))).toEqual(['2026-11-16', '2026-11-24']);
    expect(shiftLog([], '2026-11-25')).toEqual([]);
  });
});

describe('what a line of the log is about', () => {
  const what = { studyId: 's', sectionId: 'a', drill: null, sectionName: 'Intro' };
  const line = (more: Partial<LogEntry>): LogEntry => ({ ...entry('2026-01-01', passes('c')), studyId: 's', ...more });
  it('goes by section and drill, so that a rename keeps its history and namesakes never share it', () => {
    expect(isAbout(line({ sectionId: 'a', sectionName: 'Called otherwise then' }), what)).toBe(true);
    expect(isAbout(line({ sectionId: 'b', sectionName: 'Intro' }), what)).toBe(false);
    expect(isAbout(line({ sectionId: 'a', drill: 'rotation 2', sectionName: 'Intro' }), what)).toBe(false);
    expect(isAbout(line({ sectionId: 'a', drill: 'rotation 2' }), { ...what, drill: 'rotation 2' })).toBe(true);
    expect(isAbout(line({ studyId: 't', sectionId: 'a' }), what)).toBe(false);
  });
  it('lines of before go by the name', () => {
    expect(isAbout(line({ sectionName: 'Intro' }), what)).toBe(true);
    expect(isAbout(line({ sectionName: 'Other' }), what)).toBe(false);
  });
});
