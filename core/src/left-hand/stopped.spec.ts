import { describe, expect, it } from 'vitest';
import { cycleById } from '../catalogue/index.js';
import { STANDARD_TUNING } from '../instrument/index.js';
import { makeStudy, setCell } from '../piece/index.js';
import { DEFAULT_PROFILE } from '../player/index.js';
import { readSection } from '../reading/index.js';
import { OPEN_SHAPE, stopOver, stoppedAt } from './index.js';

describe('strings stopped for single strokes', () => {
  it('stand over the held shape on their own strings only', () => {
    const over = stopOver(OPEN_SHAPE, [{ at: 0, string: 3, fret: 5, finger: 2 }]);
    expect(over.frets).toEqual([0, 0, 0, 5, 0, 0]);
    expect(over.fingers).toEqual([0, 0, 0, 2, 0, 0]);
    expect(stopOver(OPEN_SHAPE, [])).toBe(OPEN_SHAPE);
    expect(stoppedAt([{ at: 7, string: 1, fret: 2 }])(8)).toEqual([]);
  });
  it('sound in every pass of the pattern, wherever it begins, and go when another cell is written', () => {
    const study = makeStudy('s', 'S', cycleById('tangos'));
    const stopped = [{ at: 2520, string: 3 as const, fret: 5 }];
    const read = (changed: typeof study) =>
      readSection({
        section: { ...changed.sections[0]!, start: 5040 },
        shapes: [],
        tuning: STANDARD_TUNING,
        capo: 0,
        profile: DEFAULT_PROFILE,
      });
    const line = setCell('s-a', 'i:3 m:3', 2, stopped)(study);
    const pitches = read(line).plan.sounds.flatMap((s) => (s.kind === 'pluck' ? [s.midi] : []));
    expect(pitches.slice(0, 4)).toEqual([55, 60, 55, 60]);
    const again = setCell('s-a', 'i:3 m:3', 2)(line);
    expect(read(again).plan.sounds.some((s) => s.kind === 'pluck' && s.midi === 60)).toBe(false);
  });
});
