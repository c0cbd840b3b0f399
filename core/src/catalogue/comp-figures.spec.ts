import { describe, expect, it } from 'vitest';
import { cycleLength } from '../cycle/index.js';
import { readFigure } from '../solve/comp/index.js';
import { ticks, TICKS_PER_COUNT } from '../time/index.js';
import { BEAT_QUARTERS, COMP_FIGURES, CYCLES, cycleById, figuresFor } from './index.js';

/** Quarters of a beat on which each stroke of a figure falls, thumb (b), fingers (c) or both (t), strums (d, u), slaps (s). */
function strokes(id: string): string[] {
  const f = COMP_FIGURES.find((x) => x.id === id);
  const cycle = CYCLES.find((c) => f && figuresFor(c).includes(f));
  if (!f || !cycle) throw new Error(`${id} fits no cycle.`);
  const read = readFigure({ ...f, beat: ticks(f.beat * TICKS_PER_COUNT) }, cycle);
  if ('infeasible' in read) throw new Error(`${id} can’t be read.`);
  const quarter = (f.beat * TICKS_PER_COUNT) / 4;
  return read.bars.map((b) =>
    b.strokes
      .map((s) => `${s.at / quarter}${s.hand?.[0] ?? (s.thumb && s.fingers ? 't' : s.thumb ? 'b' : 'c')}`)
      .join(' '),
  );
}

describe('figures of accompaniment', () => {
  it('each fits the bars of a cycle, and has strokes in every bar', () => {
    for (const { id } of COMP_FIGURES) for (const bar of strokes(id)) expect(bar, id).not.toBe('');
  });
  it.each([
    // The thumb on the first sixteenth, the chord on the second and the fourth.
    ['straight-and-pushed', '0b 2c 4b 5c 7c', '0b 1c 3c 4b 6c'],
    ['accents-three-two', '0t 3c 4b 6c', '0b 2c 4b 5c'],
    ['accents-two-three', '0b 2c 4b 5c', '0t 3c 4b 6c'],
    ['accents-samba', '0t 1c 3c 4t 6c'],
    ['marcato-four', '0t 4t 8t 12t'],
    ['marcato-two', '0t 8t'],
    ['sincopa', '0t 1c 3c 4b 6c'],
    ['three-three-two', '0t 3c 6c'],
    ['three-three-two-basses', '0b 1c 2c 3b 4c 5c 6b 7c'],
    // A down stroke on 1, 2 & and 4.
    ['rumba-in-threes', '0d 2u 4s 6d 8u 10s 12d 14u'],
    ['rumba-pendulum', '0d 2u 4s 6u 8s 10u 12d 14u'],
    ['three-two-two-one', '0t 3c 5c 7c'],
    ['milonga', '0t 3c 4b 6c'],
    ['milonga-campera', '0t 3c 6c'],
    ['vals', '0b 4c 8c'],
  ])('%s falls where players know it', (id, ...bars) => expect(strokes(id)).toEqual(bars));
  it('the cycle’s own accents are all struck, by chords or where the figure has its basses', () => {
    for (const f of COMP_FIGURES)
      for (const id of f.cycles ?? []) {
        const cycle = cycleById(id)!;
        const read = readFigure({ ...f, beat: ticks(f.beat * TICKS_PER_COUNT) }, cycle);
        if ('infeasible' in read) throw new Error(f.id);
        let begin = 0;
        const struck = read.bars.flatMap((b) => {
          const at = b.strokes.filter((s) => s.fingers || f.id === 'three-three-two-basses').map((s) => begin + s.at);
          begin += f.counts * TICKS_PER_COUNT;
          return at;
        });
        expect(struck, f.id).toEqual(expect.arrayContaining(cycle.accents.map((a) => a.at)));
        expect(figuresFor(cycle)).toContain(f);
      }
    expect(figuresFor(cycleById('baiao')!).map((f) => f.id)).not.toContain('accents-samba');
  });
  it('the thumb is on a beat or nowhere, but in 3-3-2', () => {
    for (const [kind, quarters] of Object.entries(BEAT_QUARTERS)) {
      expect(quarters, kind).toHaveLength(4);
      if (!kind.includes('bass,') && !kind.includes(', bass')) expect(quarters.slice(1), kind).not.toMatch(/[bt]/);
    }
  });
  it('a cycle’s own family comes first, and bars of other lengths have none', () => {
    expect(figuresFor(cycleById('bossa-three-two')!)[0]?.id).toBe('straight-and-pushed');
    expect(figuresFor(cycleById('marcato-four')!)[0]?.families).toContain('tango');
    expect(figuresFor(cycleById('solea')!)).toEqual([]);
    for (const c of CYCLES)
      for (const f of figuresFor(c)) expect(cycleLength(c) % (f.counts * TICKS_PER_COUNT)).toBe(0);
  });
});
