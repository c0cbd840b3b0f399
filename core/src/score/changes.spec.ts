import { describe, expect, it } from 'vitest';
import { STANDARD_TUNING } from '../instrument/index.js';
import { readShape, type Shape } from '../left-hand/index.js';
import { DEFAULT_PROFILE, neckOf } from '../player/index.js';
import { fretLine, fretSchool, scoreFretting } from '../solve/fret-line/index.js';
import { scoreVoicing, voicings } from '../solve/voicings/index.js';
import { bpm, type StringNumber, ticks } from '../time/index.js';
import { changes } from './index.js';
import { sayFacts } from '../words/index.js';

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
  it('strokes may come in any order, and of changes as hard as each other the earlier comes first', () => {
    const found = changes(row, strokes, bpm(120), DEFAULT_PROFILE, { loop: at(12) });
    expect(changes(row, [...strokes].reverse(), bpm(120), DEFAULT_PROFILE, { loop: at(12) })).toEqual(found);
    const twice = [C, AM, C, AM].map((s, i) => ({ at: at(4 * i), shape: s }));
    const even = Array.from({ length: 32 }, (_, i) => ({ at: at(i / 2), strings: [5, 4, 3, 2] as StringNumber[] }));
    const places = changes(twice, even, bpm(120), DEFAULT_PROFILE).map((c) => `${c.to.name} ${c.at / 5040}`);
    expect(places.filter((p) => p.startsWith('Am'))).toEqual(['Am 4', 'Am 12']);
  });
  it('in a long round strokes of both ends are near the first shape and the last', () => {
    // A round of 24 counts; the only strokes near the seam lie a count before and a count after it.
    const long = [C, AM].map((s, i) => ({ at: at(12 * i), shape: s }));
    const near = [
      { at: at(1), strings: [2, 4, 5] as StringNumber[] },
      { at: at(23), strings: [3] as StringNumber[] },
    ];
    const seam = changes(long, near, bpm(60), DEFAULT_PROFILE, { loop: at(24) }).find((c) => c.to.name === 'C');
    // Finger 3 leaves string 3 a second before, and is due on string 5 a second after.
    expect(seam?.fingers[2]).toMatchObject({ action: 'swaps', thereMs: 2000 });
    const last = [C, AM].map((s, i) => ({ at: at(i === 0 ? 0 : 23), shape: s }));
    const end = [
      { at: at(22), strings: [5] as StringNumber[] },
      { at: at(1), strings: [3] as StringNumber[] },
    ];
    const before = changes(last, end, bpm(60), DEFAULT_PROFILE, { loop: at(24) }).find((c) => c.to.name === 'Am');
    // Due a count into the next round: two counts after the change, three after string 5.
    expect(before?.fingers[2]).toMatchObject({ action: 'swaps', thereMs: 3000 });
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
