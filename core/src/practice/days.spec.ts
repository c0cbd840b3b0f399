import { describe, expect, it } from 'vitest';
import { type LogEntry, longBreaks, practiceDays } from './index.js';

const line = (startedAt: string, minutes: number, pain = false) => ({ startedAt, minutes, pain }) as LogEntry;

describe('days of practice', () => {
  it('every day of so many weeks from a Monday up to today, its lines together', () => {
    const days = practiceDays(
      [
        line('2026-03-03T08:00:00Z', 10),
        line('2026-03-03T20:00:00Z', 5, true),
        line('2026-02-20T08:00:00Z', 3),
        line('2026-04-01T08:00:00Z', 9),
      ],
      '2026-03-04',
      2,
    );
    expect(days[0]).toEqual({ day: '2026-02-23', minutes: 0, pain: false });
    expect(days).toHaveLength(10);
    expect(days.filter((d) => d.minutes > 0)).toEqual([{ day: '2026-03-03', minutes: 15, pain: true }]);
  });
  it('a Sunday ends its week, a Monday begins one', () => {
    expect(practiceDays([], '2026-03-08', 1)).toHaveLength(7);
    expect(practiceDays([], '2026-03-09', 1).map((d) => d.day)).toEqual(['2026-03-09']);
  });
});

describe('long breaks', () => {
  it('are told from the last day before to the first day after; ten days are none yet', () => {
    const days = ['2026-03-31', '2026-03-01', '2026-03-11', '2026-03-11'].map((d) => line(`${d}T08:00:00Z`, 5));
    expect(longBreaks(days)).toEqual([{ from: '2026-03-11', to: '2026-03-31', days: 20 }]);
    expect(longBreaks(days.slice(1))).toEqual([]);
  });
});
