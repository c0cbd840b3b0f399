import { describe, expect, it } from 'vitest';
import { cycleById } from '../catalogue/index.js';
import { makeSection, makeStudy, type Study } from '../piece/index.js';
import { bpm, millisOf, ticks, TICKS_PER_COUNT } from '../time/index.js';
import { partAt, piecePlan } from './index.js';

const COUNT = TICKS_PER_COUNT;
/** A theme of four counts at 100, two endings and a coda at 50. */
function piece(form: string): Study {
  const of = (id: string, name: string, tempo: number, script: string) => ({
    ...makeSection(id, name, cycleById('tangos')!),
    script,
    stepsPerCount: 1,
    bpm: bpm(tempo),
    chart: '',
    bars: 1,
  });
  const sections = [
    of('t', 'Theme', 100, 'p:5 p:5 p:5 p:5'),
    of('a', 'First', 100, 'p:6 . . .'),
    of('b', 'Second', 100, 'p:4 . . .'),
    of('c', 'Coda', 50, 'p:3 . p:3 .'),
  ];
  return { ...makeStudy('s', 'Piece'), sections, form };
}
const plan = (form: string, first = 0) => piecePlan(piece(form), first)!;
const struck = (form: string) =>
  plan(form).sounds.flatMap((s) => (s.kind === 'pluck' ? [`${s.string} ${s.at / COUNT}`] : []));

describe('a whole piece to be played', () => {
  it('has repeats, endings and a coda in their order, each section as long as at its own tempo', () => {
    const { parts, length, tempo } = plan('{Theme [1 First] [2 Second]}x2 Coda');
    expect(parts.map((p) => p.section)).toEqual(['t', 'a', 't', 'b', 'c']);
    expect(tempo).toBe(100);
    // The coda at half the tempo is twice as long.
    expect(parts.map((p) => (p.until - p.at) / COUNT)).toEqual([4, 4, 4, 4, 8]);
    expect(millisOf(length, tempo)).toBe(24 * 600);
  });
  it('every stroke sounds once in its place', () => {
    expect(struck('{Theme [1 First] [2 Second]}x2 Coda')).toEqual([
      ...[0, 1, 2, 3].map((n) => `5 ${n}`),
      '6 4',
      ...[8, 9, 10, 11].map((n) => `5 ${n}`),
      '4 12',
      '3 16',
      '3 20',
    ]);
  });
  it('claps and clicks go by each section’s own counts', () => {
    const clicks = plan('Theme Coda').sounds.filter((s) => s.kind === 'click');
    expect(clicks.map((s) => s.at / COUNT)).toEqual([0, 1, 2, 3, 4, 6, 8, 10]);
  });
  it('may begin with any of its parts', () => {
    const { parts, tempo } = plan('Theme Coda', 1);
    expect([parts.map((p) => p.section), parts[0]?.at, tempo]).toEqual([['c'], 0, 50]);
    expect(piecePlan(piece('Theme'), 1)).toBeNull();
  });
  it('tells where in its section a place is', () => {
    const whole = plan('Theme Coda');
    expect(partAt(whole, 2 * COUNT)).toEqual({ part: 0, section: 't', at: 2 * COUNT });
    expect(partAt(whole, 6 * COUNT)).toEqual({ part: 1, section: 'c', at: COUNT });
    expect(partAt(whole, -1)).toBeNull();
  });
  it('what rings at the end of a part is stopped by a rest, not at its beginning', () => {
    const stops = plan('First Second').sounds.filter((s) => s.kind === 'stop');
    expect(stops.map((s) => s.at)).toEqual([COUNT, 5 * COUNT].map((n) => ticks(n)));
  });
});
