import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cycleById } from '../../catalogue/index.js';
import { openPitch, STANDARD_TUNING } from '../../instrument/index.js';
import { readShape, trebleSet } from '../../left-hand/index.js';
import { makeStudy } from '../../piece/index.js';
import { scoreOf } from '../../score/index.js';
import { LEFT_HAND } from '../../testing/left-hand.js';
import { bpm, ticks, TICKS_PER_COUNT } from '../../time/index.js';
import { sayBass, sayFacts } from '../../words/index.js';
import {
  askedBass,
  bassFacts,
  bassLine,
  bassPoints,
  type BassRequest,
  choicesFor,
  type PlayedBass,
  rolesOf,
  scoreBass,
  scriptWithBass,
  sectionBass,
  wayOn,
} from './index.js';

type Chord = readonly [symbol: string, frets: string, fingers: string];
const C: Chord = ['C', 'x-3-2-0-1-0', 'x-3-2-0-1-0'];
const AM: Chord = ['Am', 'x-0-2-2-1-0', 'x-0-2-3-1-0'];
const AM7: Chord = ['Am7', 'x-0-2-0-1-0', 'x-0-2-0-1-0'];
const G: Chord = ['G', '3-2-0-0-0-3', '3-2-0-0-0-4'];
const D7: Chord = ['D7', 'x-x-0-2-1-2', 'x-x-0-2-1-3'];
const A_FORM_MAJ7: Chord = ['Cmaj7', 'x-3-5-4-5-x', 'x-1-3-2-4-x'];

/** So many thumb strokes a chord, a count each, with the fingers' set struck after every one. */
function request(chords: readonly Chord[], each: number, more: Partial<BassRequest> = {}): BassRequest {
  const held = chords.map(([symbol, frets, fingers]) => ({ symbol, shape: readShape(frets, fingers) }));
  const strokes = held.flatMap((_, chord) =>
    Array.from({ length: each }, (__, n) => ({
      at: ticks((chord * each + n) * TICKS_PER_COUNT),
      until: ticks((chord * each + n + 1) * TICKS_PER_COUNT),
      chord,
    })),
  );
  const { tuning, neck, profile } = LEFT_HAND;
  return {
    tuning,
    neck,
    profile,
    tempo: bpm(60),
    chords: held,
    strokes,
    figure: strokes.map((s) => ({ at: ticks(s.at + TICKS_PER_COUNT / 2), strings: trebleSet(held[s.chord]!.shape) })),
    habit: 'root fifth',
    k: 1,
    ...more,
  };
}
const best = (r: BassRequest): readonly PlayedBass[] => {
  const found = bassLine(r);
  if (found.infeasible) throw new Error(sayFacts(found.infeasible).join(' '));
  return found.answers[0]!.steps;
};
const places = (notes: readonly PlayedBass[]) => notes.map((n) => `${n.string}/${n.fret}`).join(' ');

describe('a bass line', () => {
  it.each([
    [[AM, D7], 2, 'root fifth', {}],
    [[C, G], 2, 'walking', { round: true }],
    [[G, C], 2, 'walking', { approach: { by: 'chromatic', from: 'above' } }],
    [[AM], 3, 'root', { round: true }],
  ] as const)('%# optimum and all k are those of every line there is', (chords, each, habit, more) => {
    const r = request(chords, each, { habit, k: 6, ...more });
    const asked = askedBass(r);
    let lines: { total: number; last: number; first: number }[] = [];
    const lists = r.strokes.map((_, n) => choicesFor(asked, n));
    lists.forEach((list, n) => {
      lines =
        n === 0
          ? list.map((c, i) => ({ total: c.own, last: i, first: i }))
          : lines.flatMap((l) =>
              list.map((c, i) => ({
                total: l.total + c.own + bassPoints(wayOn(asked, n - 1, lists[n - 1]![l.last]!, n, c)),
                last: i,
                first: l.first,
              })),
            );
    });
    const N = lists.length - 1;
    const totals = lines.map((l) =>
      r.round ? l.total + bassPoints(wayOn(asked, N, lists[N]![l.last]!, 0, lists[0]![l.first]!)) : l.total,
    );
    const found = bassLine(r);
    expect(found.infeasible ? [] : found.answers.map((a) => a.total)).toEqual(totals.sort((a, b) => a - b).slice(0, 6));
  });
  it('every answer costs what the scorer says of it, by terms', () => {
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom(C, AM, G, D7), { minLength: 1, maxLength: 4 }),
        fc.integer({ min: 1, max: 3 }),
        fc.constantFrom('root', 'root fifth', 'walking' as const),
        fc.boolean(),
        (chords, each, habit, round) => {
          const r = request(chords, each, { habit: habit, round, k: 3 });
          const found = bassLine(r);
          for (const a of found.infeasible ? [] : found.answers) expect(scoreBass(r, a.steps)).toEqual(a);
        },
      ),
      { numRuns: 40 },
    );
  });
  it('root and fifth take turns and begin anew with every chord', () => {
    expect(rolesOf(request([C, G], 3))).toEqual(['root', 'fifth', 'root', 'root', 'fifth', 'root']);
    expect(places(best(request([AM, D7], 2)))).toBe('5/0 6/0 4/0 5/0');
  });
  it('the fifth is the chord’s own: a diminished one of a half diminished chord', () => {
    const r = request([['Bm7b5', 'x-2-3-2-3-x', 'x-1-3-2-4-x']], 2);
    expect(best(r)[1]).toMatchObject({ string: 6, fret: 1 });
  });
  it('over a major seventh in A form finger 1 goes to string 6, or lies over 6 and 5, and sounds under the root', () => {
    const r = request([A_FORM_MAJ7], 2, { k: 2 });
    const found = bassLine(r);
    const fifths = found.infeasible ? [] : found.answers.map((a) => a.steps[1]!);
    expect(fifths.map((f) => [f.string, f.fret, f.finger, f.way])).toEqual([
      [6, 3, 1, 'goes over'],
      [6, 3, 1, 'lies over'],
    ]);
    const facts = bassFacts(r, best(r));
    expect(facts[1]).toMatchObject({ role: 'fifth', underRoot: true, suffers: [] });
    expect(sayBass(facts[1]!)).toBe('Fifth, finger 1 goes over from its bass. It sounds under the root.');
  });
  it('a walking bass comes into every new root by a step, from the side and by the step that is asked for', () => {
    const into = (by: 'scale' | 'chromatic', from: 'below' | 'above', strings: object = {}) => {
      const line = best(request([AM7, D7, G], 2, { habit: 'walking', approach: { by, from }, ...strings }));
      return places([line[1]!, line[3]!]);
    };
    // Into D (string 4 open): C sharp, or C by the scale, from below; E flat or E from above.
    expect(into('chromatic', 'below')).toBe('5/4 6/2');
    expect(into('scale', 'below')).toMatch(/^5\/3 6\/2/);
    expect(into('scale', 'above')).toMatch(/^[45]\/\d+ (5\/0|6\/5)$/);
  });
  it('a walking bass does not stand still, and goes by steps of the scale', () => {
    const line = best(request([G, C], 4, { habit: 'walking', round: true }));
    line.forEach((n, i) => {
      const before = line[i - 1];
      if (before && i % 4 !== 0) expect(`${n.string}/${n.fret}`).not.toBe(`${before.string}/${before.fret}`);
    });
    // The scales of G and C; the last of each leads on by whatever step.
    const scale = [7, 9, 11, 0, 2, 4, 5, 6];
    line.forEach((n, i) => {
      const pitch = (openPitch(STANDARD_TUNING, n.string, 0) + n.fret) % 12;
      if (i % 4 !== 3) expect(scale).toContain(pitch);
    });
  });
  it('no finger goes below the thumb: what they strike in the same moment is thinner', () => {
    const r = request([D7], 2);
    const together = (strings: readonly (6 | 5 | 4 | 3 | 2 | 1)[]) => ({
      ...r,
      figure: r.strokes.map((s) => ({ at: s.at, strings })),
    });
    expect(places(best(together([3, 2, 1])))).toBe('4/0 5/0');
    // With string 5 under the index the thumb has string 6 alone: the root far up, the fifth at fret 5.
    expect(places(best(together([5, 3, 2])))).toBe('6/10 6/5');
    expect(sayFacts(bassLine(together([6, 3, 2])).infeasible ?? [])[0]).toMatch(/^Bass 1 lies nowhere/);
  });
  it('what is asked for in vain is told', () => {
    expect(sayFacts(bassLine({ ...request([C], 1), strokes: [] }).infeasible ?? [])[0]).toMatch(/thumb plucks no bass/);
    const unread = { ...request([C], 1), chords: [{ symbol: 'Hx', shape: readShape('x32010', '') }] };
    expect(sayFacts(bassLine(unread).infeasible ?? [])[0]).toMatch(/^Chord 1, Hx: /);
    const r = request([C], 1);
    const wrong = { string: 6, fret: 1, finger: 1, way: 'free finger' } as const;
    expect(scoreBass(r, [wrong])).toEqual({ faults: [expect.objectContaining({ code: 'bass not asked for' })] });
    const by = { string: 5, fret: 3, finger: 1, way: 'borrowed' } as const;
    expect(scoreBass(r, [by])).toEqual({ faults: [expect.objectContaining({ code: 'bass out of reach' })] });
    expect(scoreBass(r, [])).toEqual({ faults: [expect.objectContaining({ code: 'bass not asked for' })] });
  });
});

describe('what a bass line pays, term by term', () => {
  const cost = (r: BassRequest, notes: readonly PlayedBass[]) => {
    const scored = scoreBass(r, notes);
    if ('faults' in scored) throw new Error(sayFacts(scored.faults).join(' '));
    return scored.cost;
  };
  const note = (string: 6 | 5 | 4, fret: number, finger: number, way: PlayedBass['way']): PlayedBass => ({
    string,
    fret,
    finger: finger as PlayedBass['finger'],
    way,
  });
  it('movement: nothing for what is there, 1 for the bass’s finger, 2 a fret out, 3 lying over, 4 borrowed, 10 alone', () => {
    const r = request([C], 2, { figure: [] });
    const own = note(5, 3, 3, 'there');
    expect(cost(r, [own, note(6, 3, 3, 'goes over')]).movement).toBe(1);
    // Finger 4 is at home on fret 4 of this hand.
    expect(cost(r, [own, note(6, 3, 4, 'free finger')]).movement).toBe(2);
    expect(cost(request([A_FORM_MAJ7], 2), [note(5, 3, 1, 'there'), note(6, 3, 1, 'lies over')]).movement).toBe(3);
    // Finger 2 goes from fret 2 to fret 3 of another string.
    expect(cost(r, [own, note(6, 3, 2, 'alone')]).movement).toBe(12);
    const open = request([['Cmaj7', 'x-3-2-0-0-0', 'x-3-2-0-0-0']], 2, { figure: [] });
    expect(cost(open, [own, note(6, 3, 2, 'borrowed')]).movement).toBe(6);
  });
  it('suffers: 12 for each string that is struck while its finger is away', () => {
    // String 1 comes right after each bass, the others a quarter later.
    const after = (s: { readonly at: number }) => [
      { at: ticks(s.at + TICKS_PER_COUNT / 2), strings: [1] as const },
      { at: ticks(s.at + (3 * TICKS_PER_COUNT) / 4), strings: [4, 3, 2] as const },
    ];
    const r = { ...request([C], 2), figure: request([C], 2).strokes.flatMap(after) };
    // The whole shape is let go: strings 4 and 2 of the set lose their notes, string 3 is open.
    expect(cost(r, [note(5, 3, 3, 'there'), note(6, 3, 3, 'alone')]).suffers).toBe(24);
    expect(cost({ ...r, figure: [] }, [note(5, 3, 3, 'there'), note(6, 3, 3, 'alone')]).suffers).toBe(0);
  });
  it('mud: 5 for a neighbour below E3 less than a fourth above', () => {
    // B under an open D string, a minor third below E3.
    const g = request([G, C], 2, { habit: 'walking' });
    const line = [note(6, 3, 3, 'there'), note(5, 2, 2, 'there'), note(5, 3, 3, 'there'), note(6, 3, 3, 'goes over')];
    expect(cost(g, line).mud).toBe(5);
    expect(cost({ ...g, figure: [] }, line).mud).toBe(0);
  });
  it('set: 15 for a thumb on the fingers’ own strings', () => {
    // The fifth of A minor on string 4, where the index plays.
    const r = request([AM], 2);
    expect(cost(r, [note(5, 0, 0, 'open'), note(4, 2, 2, 'there')]).set).toBe(15);
    expect(cost(r, [note(5, 0, 0, 'open'), note(6, 0, 0, 'open')]).set).toBe(0);
  });
  it('leap: 1 a semitone beyond a fifth; thumb: 1 a string beyond the next, 20 with half of its time', () => {
    const r = request([D7, G], 1, { figure: [] });
    // From D down to the low G is a fifth and two strings away.
    expect(cost(r, [note(4, 0, 0, 'open'), note(6, 3, 3, 'there')])).toMatchObject({ leap: 0, thumb: 1 });
    const e = request([['E', '0-2-2-1-0-0', '0-2-3-1-0-0'], D7], 1, { figure: [] });
    // Ten semitones.
    expect(cost(e, [note(6, 0, 0, 'open'), note(4, 0, 0, 'open')])).toMatchObject({ leap: 3, thumb: 1 });
    // A thumb needs 190 ms and has 95.
    const fast = { ...r, tempo: bpm(60_000 / 95) };
    expect(cost(fast, [note(4, 0, 0, 'open'), note(6, 3, 3, 'there')]).thumb).toBe(21);
  });
  it('a thumb that has less than it needs is late; the first stroke has nothing before it', () => {
    const r = request([D7, G], 1, { figure: [] });
    const line = [note(4, 0, 0, 'open'), note(6, 3, 3, 'there')];
    // 190 ms are needed, and there at 60 000 / 190 counts a minute.
    const late = (ms: number) => bassFacts({ ...r, tempo: bpm(60_000 / ms) }, line).map((f) => f.thumbLate);
    expect([late(189), late(191)]).toEqual([
      [false, true],
      [false, false],
    ]);
  });
  it('line: 2 for a root elsewhere, 12 for what leads nowhere, 8 from the other side, 4 by another step, 6 for standing', () => {
    expect(cost(request([['E', '0-2-2-1-0-0', '0-2-3-1-0-0']], 1, { figure: [] }), [note(4, 2, 3, 'there')]).line).toBe(
      2,
    );
    const r = request([AM7, D7], 2, { habit: 'walking', figure: [], approach: { by: 'scale', from: 'below' } });
    const roots = [note(5, 0, 0, 'open'), note(4, 0, 0, 'open'), note(5, 0, 0, 'open')];
    // The last note, on the way, is a fourth from the one before: three semitones beyond a step.
    const with_ = (n: PlayedBass) => cost(r, [roots[0]!, n, roots[1]!, roots[2]!]).line - 3;
    expect(with_(note(5, 3, 4, 'free finger'))).toBe(0); // C belongs to the scale of A minor
    expect(with_(note(5, 4, 4, 'free finger'))).toBe(4); // C sharp does not
    expect(with_(note(4, 2, 2, 'there'))).toBe(8); // E comes from above
    expect(with_(note(6, 0, 0, 'open'))).toBe(12); // the low E is a seventh away
    const still = request([C], 3, { habit: 'walking', figure: [] });
    const c = note(5, 3, 3, 'there');
    const e = note(4, 2, 2, 'there');
    expect(cost(still, [c, c, e]).line).toBe(6 + 2);
    // On the way, and once more where it leads on.
    const d = request([['Dm', 'x-x-0-2-3-1', 'x-x-0-2-3-1'], C], 3, { habit: 'walking', figure: [] });
    const toC = (a: PlayedBass) => cost(d, [note(4, 0, 0, 'open'), a, note(4, 0, 0, 'open'), c, c, e]).line;
    expect(toC(note(4, 0, 0, 'open')) - toC(note(4, 3, 4, 'free finger'))).toBe(2 * 6 - 2 * 1);
  });
  it('line, on the way: 1 for each semitone beyond a step, 1 for a note of the scale that is none of the chord', () => {
    const line = (n: PlayedBass) =>
      cost(request([C], 2, { habit: 'walking', figure: [] }), [note(5, 3, 3, 'there'), n]).line;
    expect(line(note(4, 0, 0, 'borrowed'))).toBe(1); // D
    expect(line(note(4, 2, 2, 'there'))).toBe(2); // E
    expect(line(note(4, 3, 4, 'free finger'))).toBe(3 + 1); // F
  });
  it('an approach by either: a semitone, or a step of the scale; 4 for what is neither', () => {
    const into = (approach: { by: 'any' | 'scale' | 'chromatic'; from: 'any' }, n: PlayedBass) => {
      const r = request([['E', '0-2-2-1-0-0', '0-2-3-1-0-0'], C], 2, { habit: 'walking', figure: [], approach });
      return cost(r, [note(6, 0, 0, 'open'), n, note(5, 3, 3, 'there'), note(5, 3, 3, 'there')]).line;
    };
    // Into C from E major: B and C sharp are a semitone away and in its scale, D is in neither, nor is B flat.
    const [b, d] = [note(5, 2, 2, 'there'), note(4, 0, 0, 'borrowed')];
    const stands = 6; // the last note of this line
    expect(into({ by: 'any', from: 'any' }, b)).toBe(stands);
    expect(into({ by: 'any', from: 'any' }, d)).toBe(stands + 4);
    expect(into({ by: 'scale', from: 'any' }, d)).toBe(stands + 4);
  });
  it('a way in which the very next stroke meets a string that its finger has left is no answer', () => {
    // The whole of C is let go for the low G: string 1 is open anyway, string 2 has lost its finger.
    const r = { ...request([C], 2), figure: [] };
    const alone = note(6, 3, 3, 'alone');
    const own = note(5, 3, 3, 'there');
    const with_ = (strings: readonly (6 | 5 | 4 | 3 | 2 | 1)[]) =>
      scoreBass({ ...r, figure: r.strokes.map((s) => ({ at: ticks(s.at + TICKS_PER_COUNT / 2), strings })) }, [
        own,
        alone,
      ]);
    // Nor is one whose string is struck in the same moment.
    const together = { ...r, figure: r.strokes.map((s) => ({ at: s.at, strings: [2] as const })) };
    expect(scoreBass(together, [own, alone])).toHaveProperty('faults');
    expect(with_([1])).not.toHaveProperty('faults');
    expect(with_([2])).toEqual({ faults: [expect.objectContaining({ code: 'bass out of reach' })] });
    // G: its fifth lies on string 6 alone, for string 5 is the fingers'; the hand would let go of string 5 for it.
    const g = { ...request([G], 2), figure: request([G], 2).strokes.map((s) => ({ at: s.at, strings: [5] as const })) };
    expect(best(g).map((n) => [n.string, n.fret])).toEqual([
      [6, 3],
      [6, 3],
    ]);
  });
});

describe('the basses of a section', () => {
  const study = makeStudy('s', 'Lamps');
  const section = {
    ...study.sections[0]!,
    cycle: cycleById('bossa-three-two')!,
    script: 'p:b - ima:t - p:b - ima:t -',
    stepsPerCount: 2,
    chart: 'C | G',
    bpm: bpm(120),
  };
  const shapes = [C, G].map(([name, frets, fingers]) => ({ id: name, name, ...readShape(frets, fingers) }));
  const own = { ...study, shapes, sections: [section] };
  it('are asked for with what the fingers play, and written over the whole of it', () => {
    const bass = sectionBass(section, own, LEFT_HAND.profile);
    expect(bass?.request.strokes.map((s) => s.at / TICKS_PER_COUNT)).toEqual([0, 2, 4, 6]);
    expect(bass?.request.figure?.[0]?.strings).toEqual([4, 3, 2]);
    const notes = best({ ...bass!.request, habit: 'root fifth', k: 1 });
    const script = scriptWithBass(section, own, bass!, notes);
    expect(script).toBe('p:b - ima:t - p:6f3=3 - ima:t - p:b - ima:t - p:5f5=3 - ima:t -');
    const score = scoreOf({ ...section, script }, own);
    const thumb = score.events.filter((e) => e.notes[0]?.right === 'p').map((e) => e.notes[0]!);
    expect(thumb.map(({ string, fret, left }) => ({ string, fret, finger: left }))).toEqual(
      notes.map(({ string, fret, finger }) => ({ string, fret, finger })),
    );
  });
  it('without a thumb there are none', () => {
    expect(sectionBass({ ...section, script: 'ima:t . . .' }, own, LEFT_HAND.profile)).toBeNull();
  });
});
