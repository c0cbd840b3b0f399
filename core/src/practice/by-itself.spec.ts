import { describe, expect, it } from 'vitest';
import { byItself, kindOfWork, type LogEntry, minutesByKind } from './index.js';

const line = (day: number, over: Partial<LogEntry> = {}, clean = true): LogEntry => ({
  ...{ id: `${day}${over.drill ?? ''}`, studyId: 's', studyName: 'S', sectionName: 'A', sectionId: 'a', minutes: 4 },
  ...{ startedAt: `2026-03-${String(day).padStart(2, '0')}T10:00:00.000Z`, passes: [{ bpm: 100, clean }], pain: false },
  ...over,
});
const hand = line(1, { drill: 'open strings' });
const both = line(2);
const spoken = (day: number, clean = true) => line(day, { spoken: true }, clean);
const asked = (...log: LogEntry[]) => byItself(log, 's', 'a');

describe('it goes by itself', () => {
  it('with the right hand alone, then both, then with words over it on three days', () => {
    expect(asked(hand)).toEqual({ hand: true, both: false, days: 0 });
    expect(asked(hand, both)).toEqual({ hand: true, both: true, days: 0 });
    expect(asked(hand, both, spoken(3), spoken(4), spoken(5)).days).toBe(3);
    // Twice on a day is one day, and the order of the log does not matter.
    expect(asked(spoken(4), spoken(3), spoken(3), both, hand).days).toBe(2);
  });
  it('both hands count once the right one was clean alone', () => {
    expect(asked(both)).toEqual({ hand: false, both: false, days: 0 });
    expect(asked(spoken(1), line(2, { drill: 'muted all' }), both).days).toBe(0);
  });
  it('spoken over and missed, its days begin anew', () => {
    expect(asked(hand, both, spoken(3), spoken(4), spoken(5, false), spoken(6)).days).toBe(1);
  });
  it('another section, another study and lines without a mark say nothing', () => {
    expect(
      asked(line(1, { drill: 'open strings', sectionId: 'b' }), line(1, { drill: 'open strings', studyId: 't' })),
    ).toEqual({ hand: false, both: false, days: 0 });
    expect(asked({ ...hand, passes: [] }).hand).toBe(false);
    expect(asked(line(1, { drill: 'open strings' }, false)).hand).toBe(false);
  });
});

describe('minutes by kind of work', () => {
  it('knows a line by what was played', () => {
    const kind = (over: Partial<LogEntry>) => kindOfWork(line(1, over));
    expect(kind({})).toBe('together');
    expect(kind({ cold: true, drill: 'open strings' })).toBe('check');
    expect(kind({ drill: 'muted all' })).toBe('right hand');
    expect(kind({ drill: 'block chords' })).toBe('block chords');
    expect(kind({ drill: 'change C G' })).toBe('hard change');
    expect(kind({ drill: 'pair m a' })).toBe('weak pair');
    expect(kind({ drill: 'burst 0' })).toBe('burst');
    expect(kind({ drill: 'rhythm long-short' })).toBe('own');
    const form = { ...line(1, { plan: 'p' }) };
    delete (form as { sectionId?: string }).sectionId;
    expect(kindOfWork(form)).toBe('form');
  });
  it('adds up, the most first', () => {
    expect(
      minutesByKind([
        line(1),
        line(2, { drill: 'open strings', minutes: 9 }),
        line(3),
        line(4, { cold: true, minutes: 0 }),
      ]),
    ).toEqual([
      { kind: 'right hand', minutes: 9 },
      { kind: 'together', minutes: 8 },
    ]);
  });
});
