import { describe, expect, it } from 'vitest';
import { makeNeck, STANDARD_TUNING } from '../../instrument/index.js';
import { fingeringCost, fretsText, handOn, readShape, shapeSpan } from '../../left-hand/index.js';
import { DEFAULT_PROFILE } from '../../player/index.js';
import { millimetres } from '../../time/index.js';
import { easier, type FrettedShape, voicings } from '../voicings/index.js';
import { type RowRequest, scoreRow, shapeRow, SHAPES_A_CHORD } from './index.js';
import { sayFact, sayFacts } from '../../words/en/index.js';
import { fact } from '../../fault/index.js';
import { readChord } from '../../chord/index.js';

const base = { tuning: STANDARD_TUNING, neck: makeNeck(millimetres(650)), profile: DEFAULT_PROFILE };

/** Every row from the same shapes, scored from outside. */
function enumerated(request: RowRequest): number[] {
  const options = request.chords.map((chord) => {
    const found = voicings({ ...request, chord, k: SHAPES_A_CHORD });
    return found.infeasible ? [] : found.answers;
  });
  let rows: { shapes: FrettedShape[]; own: number[] }[] = [{ shapes: [], own: [] }];
  for (const o of options)
    rows = rows.flatMap((r) => o.map((a) => ({ shapes: [...r.shapes, a.steps[0]!], own: [...r.own, a.total] })));
  return rows.map((r) => scoreRow(request, r.shapes, r.own).total).sort((a, b) => a - b);
}

describe('a row of chords', () => {
  it.each([
    [['Am7', 'D7', 'G'], false],
    [['Em', 'B7', 'Em'], true],
    [['F', 'C'], true],
  ])('%s: optimum and all k are those of every row', (chords, round) => {
    const request = { ...base, chords, round, k: 5, highestFret: 7 };
    const found = shapeRow(request);
    expect(found.infeasible ? [] : found.answers.map((a) => a.total)).toEqual(enumerated(request).slice(0, 5));
  });
  it('takes less movement over the easiest single shapes', () => {
    const found = shapeRow({ ...base, chords: ['C', 'Am', 'F', 'G'], k: 1 });
    const row = found.infeasible ? null : found.answers[0];
    const easiest = ['C', 'Am', 'F', 'G'].map((chord) => {
      const v = voicings({ ...base, chord, k: 1 });
      return v.infeasible ? null : v.answers[0];
    });
    const plain = scoreRow(
      { ...base, chords: [] },
      easiest.map((a) => a!.steps[0]!),
      easiest.map((a) => a!.total),
    );
    expect(row!.total).toBeLessThanOrEqual(plain.total);
  });
  it('every chord that is not known is named with its place', () => {
    expect(sayFacts(shapeRow({ ...base, chords: ['Am', 'Hm', 'zz'] }).infeasible ?? [])).toEqual([
      expect.stringMatching(/^Chord 2, Hm: .*Near it/),
      expect.stringMatching(/^Chord 3, zz: /),
    ]);
    expect(sayFacts(shapeRow({ ...base, chords: [] }).infeasible ?? [])[0]).toMatch(/Write chord symbols/);
    expect(sayFacts(shapeRow({ ...base, chords: Array.from({ length: 300 }, () => 'C') }).infeasible ?? [])[0]).toMatch(
      /256 are the most/,
    );
  });
});

describe('easier substitutes', () => {
  it('for a full barre: the same chord without it, and what is lost', () => {
    const f = readShape('1-3-3-2-1-1', '1-3-4-2-1-1');
    const found = easier({ ...base, chord: 'F' }, f);
    expect(found.length).toBeGreaterThan(2);
    expect(found[0]).toMatchObject({ chord: 'F', points: 0 });
    expect(fretsText(found[0]!.shape)).toBe('x-x-3-2-1-x');
    expect(found[0]!.lost.map(sayFact)).toEqual(['3 of 6 strings']);
    for (const e of found) expect(e.shape.fingers.filter((x) => x === 1).length).toBeLessThan(6);
    const shown = found.map((e) => `${e.chord} ${fretsText(e.shape)}`);
    expect(shown).toContain('F x-x-3-2-1-1');
    expect(shown).toContain('Fmaj7 x-x-3-2-1-0');
  });
  it('easier means easier: no wider, no higher, under no barre as long, and a root that is lost is said', () => {
    for (const [chord, frets, fingers] of [
      ['Bm', 'x-2-4-4-3-2', 'x-1-3-4-2-1'],
      ['F#m', '2-4-4-2-2-2', '1-3-4-1-1-1'],
      ['Cm', 'x-3-5-5-4-3', 'x-1-3-4-2-1'],
      ['Bb', 'x-1-3-3-3-1', 'x-1-2-3-4-1'],
      ['G', '3-2-0-0-0-3', '3-2-0-0-0-4'],
    ] as const) {
      const shape = readShape(frets, fingers);
      const root = readChord(chord);
      for (const e of easier({ ...base, chord }, shape)) {
        const high = (s: FrettedShape) => Math.max(...s.frets.map((f) => f ?? 0));
        expect(shapeSpan(e.shape, base.neck)).toBeLessThanOrEqual(shapeSpan(shape, base.neck));
        expect(high(e.shape)).toBeLessThanOrEqual(high(shape));
        const barre = (s: FrettedShape) => fingeringCost(s.frets, s.fingers, handOn(base.neck, base.profile)).barre;
        expect(barre(e.shape) < barre(shape) || barre(shape) === 0).toBe(true);
        const i = e.shape.frets.findIndex((f) => f !== null);
        const low = (STANDARD_TUNING[i] ?? 0) + (e.shape.frets[i] ?? 0);
        const said = e.lost.some((l) => l.code === 'root below');
        expect(said).toBe(root.ok && low % 12 !== root.chord.root);
      }
    }
    const bm = easier({ ...base, chord: 'Bm' }, readShape('x-2-4-4-3-2', 'x-1-3-4-2-1'));
    expect(bm.slice(0, 2).map((e) => fretsText(e.shape))).toContain('x-2-0-2-0-2');
  });
  it('a chord with a flat ninth gives it up for a seventh', () => {
    const shape = readShape('0-2-3-1-3-0', '0-2-3-1-4-0');
    expect(easier({ ...base, chord: 'E7b9' }, shape)).toContainEqual(
      expect.objectContaining({ chord: 'E7', lost: [fact('flat ninth')] }),
    );
  });
  it('what is easy already has none', () => {
    const em = readShape('0-0-0-0-0-0', '0-0-0-0-0-0');
    expect(easier({ ...base, chord: 'Em7' }, em)).toEqual([]);
  });
});
