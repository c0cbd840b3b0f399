import { describe, expect, it } from 'vitest';
import { STANDARD_TUNING } from '../instrument/index.js';
import { readShape, type Shape } from '../left-hand/index.js';
import { DEFAULT_PROFILE, neckOf } from '../player/index.js';
import { fretLine, fretSchool, scoreFretting } from '../solve/fret-line/index.js';
import { scoreVoicing, voicings } from '../solve/voicings/index.js';
import { bpm, type StringNumber, ticks } from '../time/index.js';
import { changes } from './index.js';
import { sayFacts } from '../words/en/index.js';

const shape = (id: string, frets: string, fingers: string): Shape => {
  const { frets: f, fingers: g } = readShape(frets, fingers);
  return { id, name: id, frets: f, fingers: g };
};
const C = shape('C', 'x-3-2-0-1-0', 'x-3-2-0-1-0');
const AM = shape('Am', 'x-0-2-2-1-0', 'x-0-2-3-1-0');
const F = shape('F', '1-3-3-2-1-1', '1-3-4-2-1-1');
const at = (count: number) => ticks(count * 5040);
const row = [C, AM, F].map((s, i) => ({ at: at(4 * i), shape: s }));
const strokes = Array.from({ length: 24 }, (_, i) => ({
  at: at(i / 2),
  strings: [5, 4, 3, 2].slice(i % 4, (i % 4) + 1) as StringNumber[],
}));

describe('a row of shapes in time', () => {
  it('has a change between each two, the hardest first, each where the second shape is due', () => {
    const found = changes(row, strokes, bpm(120), DEFAULT_PROFILE);
    expect(found.map((c) => `${c.from.name} ${c.to.name}`)).toEqual(['Am F', 'C Am']);
    expect(found.map((c) => [c.at, c.index])).toEqual([
      [at(8), 2],
      [at(4), 1],
    ]);
    expect(found[0]!.difficulty).toBeGreaterThan(found[1]!.difficulty);
  });
  it('closes into a round: the last leads to the first, with the strokes of both ends around it', () => {
    const found = changes(row, strokes, bpm(120), DEFAULT_PROFILE, { loop: at(12) });
    const closing = found.find((c) => c.to.name === 'C')!;
    expect(closing.from.name).toBe('F');
    expect(closing.at).toBe(0);
    expect(closing.sequential?.thereMs).toBeGreaterThan(0);
  });
  it('says nothing about time without strokes, and nothing at all of a shape that stays', () => {
    const [first] = changes(row, [], bpm(120), DEFAULT_PROFILE);
    expect(first!.sequential).toBeNull();
    expect(changes([row[0]!, { at: at(4), shape: C }], strokes, bpm(120), DEFAULT_PROFILE)).toEqual([]);
  });
});

describe('a request', () => {
  it('may name a capo in place of a whole neck: the player’s own is meant', () => {
    const base = { tuning: STANDARD_TUNING, profile: DEFAULT_PROFILE, k: 3 };
    const [capo, neck] = [{ capo: 2 }, { neck: neckOf(DEFAULT_PROFILE, 2) }];
    expect(voicings({ ...base, chord: 'Am7', ...capo })).toEqual(voicings({ ...base, chord: 'Am7', ...neck }));
    expect(scoreVoicing({ ...base, chord: 'C', ...capo }, C)).toEqual(
      scoreVoicing({ ...base, chord: 'C', ...neck }, C),
    );
    const line = {
      ...base,
      bpm: bpm(90),
      school: fretSchool('open'),
      events: [64, 66, 67].map((midi, i) => ({ at: at(i), notes: [{ midi }] })),
    };
    const found = fretLine({ ...line, ...capo });
    expect(found).toEqual(fretLine({ ...line, ...neck }));
    if (found.infeasible) throw new Error(sayFacts(found.infeasible).join());
    expect(scoreFretting({ ...line, ...capo }, found.answers[0]!.steps)).toMatchObject({
      total: found.answers[0]!.total,
    });
  });
});
