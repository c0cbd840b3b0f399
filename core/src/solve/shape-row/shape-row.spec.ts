import { describe, expect, it } from 'vitest';
import { makeNeck, STANDARD_TUNING } from '../../instrument/index.js';
import { fingeringCost, fretsText, handOn, readShape, shapeSpan } from '../../left-hand/index.js';
import { DEFAULT_PROFILE } from '../../player/index.js';
import { millimetres } from '../../time/index.js';
import { easier, type FrettedShape, voicings } from '../voicings/index.js';
import { goesWith, rowChoices, type RowRequest, scoreRow, shapeRow } from './index.js';
import { sayFact, sayFacts } from '../../words/index.js';
import { fact } from '../../fault/index.js';
import { readChord } from '../../chord/index.js';

const base = { tuning: STANDARD_TUNING, neck: makeNeck(millimetres(650)), profile: DEFAULT_PROFILE };

/** Every row from the same choices, scored from outside. */
function enumerated(request: RowRequest): number[] {
  const read = rowChoices(request);
  let rows: { shapes: FrettedShape[]; own: number[] }[] = [{ shapes: [], own: [] }];
  for (const list of 'choices' in read ? read.choices : [])
    rows = rows.flatMap((r) => list.map((c) => ({ shapes: [...r.shapes, c.shape], own: [...r.own, c.total] })));
  return rows.map((r) => scoreRow(request, r.shapes, r.own).total).sort((a, b) => a - b);
}

describe('a row of chords', () => {
  it.each([
    [['Am7', 'D7', 'G'], false, {}],
    [['Em', 'B7', 'Em'], true, {}],
    [['F', 'C'], true, {}],
    [['E', 'D', 'G'], true, { plays: [[6, 1], [1], [1]], atLeast: 4 }],
    [['Am', '0-x-9-9-9-0', 'E'], true, {}],
    // The last chord’s fingers may wait for the first one.
    [['A', 'C', 'D'], true, { k: 80, highestFret: 4 }],
    [['Am', 'G', 'F'], false, { given: { Am: readShape('x-0-2-2-1-0', 'x-0-2-3-1-0') } }],
  ] as const)('%s: optimum and all k are those of every row', (chords, round, more) => {
    const request: RowRequest = { ...base, chords, round, k: 5, highestFret: 5, ...more };
    const found = shapeRow(request);
    expect(found.infeasible ? [] : found.answers.map((a) => a.total)).toEqual(enumerated(request).slice(0, request.k));
  });
  const same = (a: FrettedShape, b: FrettedShape) =>
    a.frets.join() === b.frets.join() && a.fingers.join() === b.fingers.join();
  it('every term of an answer is what the scorer says of it', () => {
    const request: RowRequest = { ...base, chords: ['E', 'D', 'G'], round: true, plays: [[6], [6], [1]] };
    const found = shapeRow(request);
    const read = rowChoices(request);
    const choices = 'choices' in read ? read.choices : [];
    for (const a of found.infeasible ? [] : found.answers) {
      const own = a.shapes.map((s, i) => choices[i]!.find(({ shape }) => same(shape, s))!.total);
      expect(scoreRow(request, a.shapes, own)).toEqual(a);
    }
  });
  it('frets in a chord’s place are held as they are; what is none for six strings is told', () => {
    const found = shapeRow({ ...base, chords: ['0-x-9-9-9-0', 'Am'], k: 1 });
    const [row] = found.infeasible ? [] : found.answers;
    expect(row && fretsText(row.shapes[0]!)).toBe('0-x-9-9-9-0');
    const said = (chord: string) =>
      shapeRow({ ...base, chords: [chord], k: 1 })
        .infeasible?.map(sayFact)
        .join(' ');
    expect(said('0-x-9-9')).toMatch(/“0-x-9-9” is no shape: write six frets from string 6/);
    expect(said('1-x-x-x-x-20')).toMatch(/Chord 1, 1-x-x-x-x-20.*No fingers of this hand hold it/);
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

/** The best row for an accompanist: four strings at least, the root below, round and round. */
function best(row: string, more: Partial<RowRequest> = {}): { readonly frets: string; readonly fingers: string }[] {
  const found = shapeRow({ ...base, chords: row.split(' '), round: true, atLeast: 4, bass: 'root', k: 1, ...more });
  if (found.infeasible) throw new Error(sayFacts(found.infeasible).join(' '));
  return found.answers[0]!.shapes.map((s) => ({
    frets: fretsText(s),
    fingers: s.fingers.map((f) => f ?? 'x').join('-'),
  }));
}

describe('rows as methods teach them', () => {
  it.each([
    ['C Am F G', 'x-3-2-0-1-0', 'x-0-2-2-1-0', '1-3-3-2-1-1 x-x-3-2-1-1', '3-2-0-0-0-3'],
    ['C Am Dm G7', 'x-3-2-0-1-0', 'x-0-2-2-1-0', 'x-x-0-2-3-1', '3-2-0-0-0-1'],
    ['G Em C D', '3-2-0-0-0-3', '0-2-2-0-0-0', 'x-3-2-0-1-0', 'x-x-0-2-3-2'],
    ['E A B7', '0-2-2-1-0-0', 'x-0-2-2-2-0', 'x-2-1-2-0-2'],
    ['Am G F E', 'x-0-2-2-1-0', '3-2-0-0-0-3', '1-3-3-2-1-1 x-x-3-2-1-1', '0-2-2-1-0-0'],
    ['Dm C Bb A', 'x-x-0-2-3-1', 'x-3-2-0-1-0', 'x-1-3-3-3-1', 'x-0-2-2-2-0'],
    ['Em Am B7', '0-2-2-0-0-0', 'x-0-2-2-1-0', 'x-2-1-2-0-2'],
    ['A D E7', 'x-0-2-2-2-0', 'x-x-0-2-3-2', '0-2-0-1-0-0'],
    ['Bm G D A', 'x-2-4-4-3-2', '3-2-0-0-0-3', 'x-x-0-2-3-2', 'x-0-2-2-2-0'],
    ['F Dm Gm C7', '1-3-3-2-1-1 x-x-3-2-1-1', 'x-x-0-2-3-1', '3-5-5-3-3-3 x-x-5-3-3-3', 'x-3-2-3-1-0 x-3-5-3-5-3'],
    ['Dm7 G7 Cmaj7', 'x-x-0-2-1-1', '3-2-0-0-0-1', 'x-3-2-0-0-0'],
    ['Cmaj7 A7 Dm7 G7', 'x-3-2-0-0-0', 'x-0-2-0-2-0', 'x-x-0-2-1-1', '3-2-0-0-0-1'],
    ['Fmaj7 Em7 Dm7 Cmaj7', 'x-x-3-2-1-0', '0-2-0-0-0-0', 'x-x-0-2-1-1', 'x-3-2-0-0-0'],
    ['Cm Fm G7', 'x-3-5-5-4-3', '1-3-3-1-1-1 x-x-3-1-1-1', '3-2-0-0-0-1'],
    ['A Bb A', 'x-0-2-2-2-0', 'x-1-3-3-3-1', 'x-0-2-2-2-0'],
    ['Em7b5 A7b9 Dm6', 'x-x-2-3-3-3', 'x-0-2-3-2-3', 'x-x-0-2-0-1'],
  ] as const)('%s', (row, ...shapes) => {
    const held = best(row).map((s) => s.frets);
    expect(held.map((frets, i) => shapes[i]!.split(' ').includes(frets))).toEqual(held.map(() => true));
  });
  it.each([
    // What is taught stays where a finger would only move less.
    ['C E7', 'x-3-2-0-1-0 0-2-0-1-0-0'],
    ['F C', '1-3-4-2-1-1 x-3-2-0-1-0'],
    ['A E7', 'x-0-1-2-3-0 0-2-0-1-0-0'],
    ['Am Dm E7', 'x-0-2-3-1-0 x-x-0-2-3-1 0-2-0-1-0-0'],
    ['Dm7 G7 Cmaj7', 'x-x-0-2-1-1 3-2-0-0-0-1 x-3-2-0-0-0'],
    // One finger over two strings is no finger that stays.
    ['A D', 'x-0-1-2-3-0 x-x-0-2-4-3'],
  ])('%s has the fingers that are taught', (row, fingers) => {
    expect(
      best(row)
        .map((s) => s.fingers)
        .join(' '),
    ).toBe(fingers);
  });
  it('other fingers stand where one stays on its place beside taught ones, or the form slides', () => {
    const held = (frets: string, fingers: string) => ({
      frets: readShape(frets, '').frets,
      fingers: readShape(frets, fingers).fingers,
    });
    const E = held('0-2-2-1-0-0', '0-3-4-2-0-0');
    const F = readShape('1-3-3-2-1-1', '1-3-4-2-1-1');
    const D = held('x-x-0-2-3-2', 'x-x-0-2-4-3');
    const A = readShape('x-0-2-2-2-0', 'x-0-1-2-3-0');
    const C = readShape('x-3-2-0-1-0', 'x-3-2-0-1-0');
    expect([goesWith(E, F), goesWith(E, A), goesWith(D, A), goesWith(D, C)]).toEqual([true, false, true, false]);
    // Two that are not taught hold each other up no more than one.
    expect(goesWith(D, held('x-0-2-2-2-0', 'x-0-3-2-4-0'))).toBe(false);
    const alone = (shapes: FrettedShape[], chords: string[], given = {}) =>
      scoreRow(
        { ...base, chords, given, round: true },
        shapes,
        shapes.map(() => 0),
      ).cost.others;
    expect(alone([E, A], ['E', 'A'])).toBe(60);
    expect(alone([E, F], ['E', 'F'])).toBe(0);
    // What the player has given is as it is.
    expect(alone([E, A], ['E', 'A'], { E })).toBe(0);
  });
  it('the same frets are fingered by what comes next: G before C, and G before E minor', () => {
    expect(best('C G')[1]).toEqual({ frets: '3-2-0-0-0-3', fingers: '3-2-0-0-0-4' });
    const [g, em] = best('G Em');
    expect(g!.fingers).toBe('2-1-0-0-0-3');
    // Finger 1 is the pivot.
    expect(em!.fingers).toBe('0-1-2-0-0-0');
  });
  it('E, F and G are one form that slides, each with the fingers of the barre', () => {
    const row = best('E F G F');
    expect(row.map((s) => s.frets)).toEqual(['0-2-2-1-0-0', '1-3-3-2-1-1', '3-5-5-4-3-3', '1-3-3-2-1-1']);
    expect(row.slice(1).map((s) => s.fingers)).toEqual(['1-3-4-2-1-1', '1-3-4-2-1-1', '1-3-4-2-1-1']);
    expect(row[0]!.fingers).toBe('0-3-4-2-0-0');
  });
  it('a form that slides keeps its fingers', () => {
    for (const row of ['F#m G#m', 'Bbm Cm', 'Bb7 B7']) {
      const [a, b] = best(row, { open: 'none' });
      expect(a!.fingers).toBe(b!.fingers);
    }
  });
  it('a G whose first string the right hand plays is not held with it silent', () => {
    const request: Partial<RowRequest> = {
      strings: [6, 5, 4, 3, 2, 1],
      plays: [
        [6, 3, 2, 1],
        [5, 3, 2, 1],
      ],
    };
    for (const s of best('G C', request)) expect(s.frets).not.toMatch(/x$/);
  });
});

describe('what a row pays', () => {
  const shape = (frets: string): FrettedShape => readShape(frets, '');
  const E = shape('0-2-2-1-0-0');
  const D = shape('x-x-0-2-3-2');
  const score = (shapes: FrettedShape[], more: Partial<RowRequest> = {}) =>
    scoreRow({ ...base, chords: [], ...more }, shapes, [7, 5]).cost;
  it('for its shapes, as the voicings’ costs say', () => expect(score([E, D]).shapes).toBe(12));
  it('for strings that are fewer, beyond two; not for more of them', () => {
    expect(score([E, D]).thinning).toBe(0);
    expect(score([E, shape('x-x-x-2-3-2')]).thinning).toBe(6);
    expect(score([E, shape('x-x-x-x-3-2')]).thinning).toBe(12);
    expect(score([shape('x-x-x-x-3-2'), E]).thinning).toBe(0);
    // Round and round the way back counts too.
    expect(score([shape('x-x-x-x-3-2'), E], { round: true }).thinning).toBe(12);
  });
  it('for strings that the right hand plays and that stay silent', () => {
    expect(
      score([E, D], {
        plays: [
          [6, 1],
          [6, 5, 4],
        ],
      }).unsounded,
    ).toBe(80);
    expect(score([E, D], { plays: [[], [4, 1]] }).unsounded).toBe(0);
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
