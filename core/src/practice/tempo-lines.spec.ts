import { describe, expect, it } from 'vitest';
import { type LogEntry, tempoLines } from './index.js';

const entry = (study: string, day: string, bpm: number, clean = true): LogEntry => ({
  id: `${study} ${day} ${bpm}`,
  studyId: study,
  studyName: study,
  sectionName: 'A',
  startedAt: `${day}T18:00:00.000Z`,
  minutes: 10,
  passes: [{ bpm, clean }],
  pain: false,
});
const dayAfter = (n: number) => new Date(Date.parse('2020-01-01') + n * 86_400_000).toISOString().slice(0, 10);

describe('tempo reached over time', () => {
  it('is a line a section, the best of each day, earliest first; without a clean pass there is no point', () => {
    const log = [
      entry('Rope', '2026-03-05', 90),
      entry('Rope', '2026-03-01', 80),
      entry('Rope', '2026-03-05', 96),
      entry('Stair', '2026-03-07', 120),
      entry('Stair', '2026-03-08', 130, false),
    ];
    expect(tempoLines(log)).toEqual({
      lines: [
        { name: 'Stair · A', points: [{ day: '2026-03-07', bpm: 120 }] },
        {
          name: 'Rope · A',
          points: [
            { day: '2026-03-01', bpm: 80 },
            { day: '2026-03-05', bpm: 96 },
          ],
        },
      ],
      more: 0,
      from: '2026-03-01',
      to: '2026-03-07',
    });
  });
  it('years of practice stay few points, with the best among them', () => {
    const log = Array.from({ length: 2_000 }, (_, n) => entry('Rope', dayAfter(n), 60 + (n === 1_234 ? 100 : n % 40)));
    const [line] = tempoLines(log).lines;
    expect(line!.points.length).toBeLessThanOrEqual(120);
    expect(Math.max(...line!.points.map((p) => p.bpm))).toBe(160);
    expect([...line!.points].sort((a, b) => (a.day < b.day ? -1 : 1))).toEqual(line!.points);
  });
  it('of many lines those practised last are shown, and the others counted', () => {
    const log = Array.from({ length: 25 }, (_, n) => entry(`Study ${n}`, dayAfter(n), 100));
    const { lines, more } = tempoLines(log);
    expect(lines[0]?.name).toBe('Study 24 · A');
    expect(lines.length + more).toBe(25);
    expect(more).toBe(15);
  });
  it('a renamed section stays one line, called as it is now; namesakes are two', () => {
    const log = [
      { ...entry('Rope', '2026-03-01', 80), sectionName: 'Run', sectionId: 'a' },
      { ...entry('Rope', '2026-03-02', 84), sectionName: 'Picado', sectionId: 'a' },
      { ...entry('Rope', '2026-02-01', 70), sectionName: 'Run' },
      { ...entry('Rope', '2026-03-03', 60), sectionName: 'Picado', sectionId: 'b' },
    ];
    const { lines } = tempoLines(log);
    expect(lines.map((l) => [l.name, l.points.map((p) => p.bpm)])).toEqual([
      ['Rope · Picado', [60]],
      ['Rope · Picado', [70, 80, 84]],
    ]);
  });
  it('of nothing are no lines', () => expect(tempoLines([])).toEqual({ lines: [], more: 0, from: '', to: '' }));
});
