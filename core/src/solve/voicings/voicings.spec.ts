import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readChord } from '../../chord/index.js';
import { makeNeck, STANDARD_TUNING } from '../../instrument/index.js';
import {
  fingeringCost,
  fingerShape,
  fingersText,
  fretsText,
  handOn,
  type LeftFinger,
  readShape,
  SHAPE_WEIGHTS,
  totalOf,
} from '../../left-hand/index.js';
import { DEFAULT_PROFILE, leftHandOf, reachOf } from '../../player/index.js';
import { millimetres, sixOf, type StringNumber, STRINGS } from '../../time/index.js';
import { scoreVoicing, VOICING_TERMS, type VoicingAnswer, type VoicingRequest, voicings } from './index.js';
import { sayFact, sayFacts } from '../../words/index.js';

const neck = makeNeck(millimetres(650));
const base = { tuning: STANDARD_TUNING, neck, profile: DEFAULT_PROFILE };
const hand = handOn(neck, DEFAULT_PROFILE);
const answers = (request: Partial<VoicingRequest>): readonly VoicingAnswer[] => {
  const result = voicings({ ...base, ...request });
  if (result.infeasible) throw new Error(sayFacts(result.infeasible).join(' '));
  return result.answers;
};
const shown = (a: VoicingAnswer | undefined) =>
  a?.steps[0] ? `${fretsText(a.steps[0])} ${fingersText(a.steps[0])}` : '';
/** What a shape sounds, lowest first. */
const pitches = (a: VoicingAnswer): number[] =>
  (a.steps[0]?.frets ?? [])
    .flatMap((fret, i) => (fret === null ? [] : [fret + (STANDARD_TUNING[i] ?? 0)]))
    .sort((x, y) => x - y);
const frets = (text: string) => readShape(text, '').frets;

describe('fingers for a shape', () => {
  it.each([
    ['C', 'x-3-2-0-1-0', 'x-3-2-0-1-0'],
    ['D', 'x-x-0-2-3-2', 'x-x-0-1-3-2'],
    ['E', '0-2-2-1-0-0', '0-2-3-1-0-0'],
    ['A', 'x-0-2-2-2-0', 'x-0-1-2-3-0'],
    ['Am', 'x-0-2-2-1-0', 'x-0-2-3-1-0'],
    ['Dm', 'x-x-0-2-3-1', 'x-x-0-2-3-1'],
    ['G7', '3-2-0-0-0-1', '3-2-0-0-0-1'],
    ['C7', 'x-3-2-3-1-0', 'x-3-2-4-1-0'],
    ['B7', 'x-2-1-2-0-2', 'x-2-1-3-0-4'],
    ['E7', '0-2-0-1-0-0', '0-2-0-1-0-0'],
    ['F', '1-3-3-2-1-1', '1-3-4-2-1-1'],
    ['Bm', 'x-2-4-4-3-2', 'x-1-3-4-2-1'],
  ])('%s as every method teaches it', (_, f, fingers) =>
    expect(fingersText(fingerShape(frets(f), hand)[0]!)).toBe(fingers),
  );
  it('a barre of six strings costs more than one of two, and that more than none', () => {
    const cost = (f: string, g: string) => {
      const shape = readShape(f, g);
      return fingeringCost(shape.frets, shape.fingers, hand).barre;
    };
    expect(cost('1-1-1-1-1-1', '1-1-1-1-1-1')).toBeGreaterThan(cost('x-x-x-x-1-1', 'x-x-x-x-1-1'));
    expect(cost('x-x-x-1-2-x', 'x-x-x-1-2-x')).toBe(0);
  });
  it('a barre presses what lies between: no open string under it', () =>
    expect(fingerShape(frets('2-0-0-0-0-2'), hand).every((f) => f.fingers[0] !== f.fingers[5])).toBe(true));
  it('beyond the hand’s limit there is no fingering; higher up the neck there is', () => {
    expect(fingerShape(frets('1-x-x-x-x-6'), hand)).toEqual([]);
    expect(fingerShape(frets('9-x-x-x-x-14'), hand).length).toBeGreaterThan(0);
  });
  it('five fingers are found only where one can lie flat', () => {
    expect(fingerShape(frets('1-2-3-4-5-x'), hand)).toEqual([]);
    expect(fingerShape(frets('x-1-3-2-4-1'), hand).length).toBeGreaterThan(0);
  });
});

describe('chord symbols', () => {
  it('are read with sharps and flats, a bass after the slash, and signs that players write', () => {
    const read = (s: string) => {
      const r = readChord(s);
      return r.ok ? [r.chord.root, r.chord.bass, r.chord.tones.map((t) => t.pitchClass)] : sayFact(r.refusal);
    };
    expect(read('Am7')).toEqual([9, null, [9, 0, 4, 7]]);
    expect(read('G7/B')).toEqual([7, 11, [7, 11, 2, 5]]);
    expect(read('F♯m7b5')).toEqual([6, null, [6, 9, 0, 4]]);
    expect(read('Bø')).toEqual(read('Bm7b5'));
    expect(read('B°7')).toEqual([11, null, [11, 2, 5, 8]]);
    expect(read('D/C')).toEqual([2, 0, [2, 6, 9, 0]]);
  });
  it.each([
    ['H7', /Near it: B7/],
    ['Amm7', /Near it: Am7/],
    ['', /no chord symbol/],
    ['zzz', /Begin with a note/],
    ['C'.repeat(40), /up to 24/],
  ])('what is not known comes back with what is near: %s', (text, words) => {
    const read = readChord(text);
    expect(read.ok ? '' : sayFact(read.refusal)).toMatch(words);
    expect(sayFacts(voicings({ ...base, chord: text }).infeasible ?? [])[0]).toMatch(words);
  });
});

describe('voicings', () => {
  it.each([
    ['C', 'x-3-2-0-1-0'],
    ['G', '3-2-0-0-0-3'],
    ['D', 'x-x-0-2-3-2'],
    ['A', 'x-0-2-2-2-0'],
    ['E', '0-2-2-1-0-0'],
    ['Am', 'x-0-2-2-1-0'],
    ['Em', '0-2-2-0-0-0'],
    ['Dm', 'x-x-0-2-3-1'],
    ['E7', '0-2-0-1-0-0'],
    ['B7', 'x-2-1-2-0-2'],
  ])('%s comes out as the open shape that every method teaches', (chord, expected) =>
    expect(shown(answers({ chord })[0])).toMatch(new RegExp(`^${expected} `)),
  );
  it('sound every tone that is needed, the bass that is named, and only allowed strings', () => {
    for (const a of answers({ chord: 'G7/B', strings: [5, 4, 3, 2], k: 4 })) {
      const sounding = pitches(a);
      expect(Math.min(...sounding) % 12).toBe(11);
      for (const pc of [11, 7, 5]) expect(sounding.some((m) => m % 12 === pc)).toBe(true);
      expect(a.steps[0]?.frets[0]).toBeNull();
      expect(a.steps[0]?.frets[5]).toBeNull();
    }
  });
  it('filters hold: no barre, no open string, some open string, lower than a fret', () => {
    for (const a of answers({ chord: 'Bm', barre: false })) expect(a.cost.barre).toBe(0);
    for (const a of answers({ chord: 'Am7', open: 'none' })) expect(a.steps[0]?.frets).not.toContain(0);
    for (const a of answers({ chord: 'Am7', open: 'some', highestFret: 15 })) expect(a.steps[0]?.frets).toContain(0);
    for (const a of answers({ chord: 'Gmaj7', bass: 'root', k: 8 })) expect(Math.min(...pitches(a)) % 12).toBe(7);
    for (const a of answers({ chord: 'C', highestFret: 3 }))
      expect(Math.max(...a.steps[0]!.frets.map((f) => f ?? 0))).toBeLessThanOrEqual(3);
  });
  it('given notes sound each once and no other', () => {
    for (const a of answers({ notes: [40, 56, 59, 64], k: 6 })) expect(pitches(a)).toEqual([40, 56, 59, 64]);
    expect(voicings({ ...base, notes: [30, 31] }).infeasible).toBeDefined();
    expect(sayFacts(voicings({ ...base, notes: [40, 40] }).infeasible ?? [])[0]).toMatch(/named twice/);
  });
  it('a hand of small span gets no stretch beyond its limit', () => {
    const small = { ...DEFAULT_PROFILE, span: millimetres(70) };
    const limit = reachOf(70);
    for (const a of answers({ chord: 'Cmaj9', profile: small, k: 10 })) {
      const cost = scoreVoicing({ ...base, profile: small, chord: 'Cmaj9' }, a.steps[0]!);
      expect('faults' in cost).toBe(false);
    }
    expect(limit['14'].limit).toBeLessThan(90);
  });
  it('no answer says which limit to loosen', () => {
    const none = voicings({ ...base, chord: 'C13', strings: [1, 2, 3], open: 'none', barre: false });
    expect(sayFacts(none.infeasible ?? [])[0]).toMatch(/Allow more strings, or open strings, or barres/);
    expect(sayFacts(voicings({ ...base, chord: 'C', highestFret: 99 }).infeasible ?? [])[0]).toMatch(/0 to 15, not 99/);
  });
});

/** Every shape there is on some strings up to a fret, scored from outside; the cheapest fingers of each set of frets. */
function enumerated(request: VoicingRequest, strings: readonly StringNumber[], highest: number): number[] {
  const reading = readChord(request.chord ?? '');
  const tones = reading.ok ? reading.chord.tones.map((t) => t.pitchClass) : [];
  const sounds = (i: number, fret: number) =>
    tones.includes(((request.tuning[i] ?? 0) + request.neck.capo + fret) % 12);
  const best = new Map<string, number>();
  const walk = (f: (number | null)[], g: (LeftFinger | null)[]) => {
    if (f.length === 6) {
      const score = scoreVoicing(request, { frets: sixOf(f), fingers: sixOf(g) });
      if ('faults' in score) return;
      const key = fretsText({ frets: sixOf(f) });
      best.set(key, Math.min(best.get(key) ?? Infinity, score.total));
      return;
    }
    walk([...f, null], [...g, null]);
    if (!strings.includes(STRINGS[f.length] ?? 1)) return;
    if (sounds(f.length, 0)) walk([...f, 0], [...g, 0]);
    for (let fret = 1; fret <= highest; fret++)
      for (const finger of [1, 2, 3, 4, 'T'] as const) if (sounds(f.length, fret)) walk([...f, fret], [...g, finger]);
  };
  walk([], []);
  return [...best.values()].sort((a, b) => a - b);
}

describe('against enumeration', () => {
  it('optimum and all k scores are those of every shape there is', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('C', 'Em', 'A7', 'Dm7', 'G7/B', 'Esus4', 'Am6'),
        fc.subarray([...STRINGS], { minLength: 3, maxLength: 4 }),
        fc.integer({ min: 2, max: 3 }),
        fc.integer({ min: 0, max: 3 }),
        fc.record({
          barre: fc.boolean(),
          easy: fc.boolean(),
          open: fc.constantFrom('any', 'none', 'some'),
          bass: fc.constantFrom('any', 'root'),
        }),
        (chord, strings, highestFret, capo, filters) => {
          const request = {
            ...base,
            neck: makeNeck(millimetres(650), capo),
            chord,
            strings,
            highestFret,
            ...filters,
            k: 6,
          };
          const result = voicings(request);
          const found = result.infeasible ? [] : result.answers;
          expect(found.map((a) => a.total)).toEqual(enumerated(request, strings, highestFret).slice(0, 6));
          for (const a of found) {
            const score = scoreVoicing(request, a.steps[0]!);
            expect(score).toMatchObject({ total: a.total, cost: a.cost });
            expect(VOICING_TERMS.reduce((sum, t) => sum + a.cost[t], 0)).toBe(a.total);
          }
        },
      ),
      { numRuns: 6 },
    );
  });
  it.each([
    ['Am7', 2],
    ['F', 3],
    ['E7b9', 2],
    ['Bm7', 2],
  ])('six strings too: %s up to fret %i', (chord, highestFret) => {
    const request = { ...base, chord, highestFret, k: 8 };
    const result = voicings(request);
    expect(result.infeasible ? [] : result.answers.map((a) => a.total)).toEqual(
      enumerated(request, STRINGS, highestFret).slice(0, 8),
    );
  });
  it.each([
    // The thumb takes its bass, and two fingers reach further along than first and fourth.
    ['with the thumb over', { thumbOver: true }],
    ['wider between fingers 1 and 3 than 1 and 4', { '13': 110, '14': 60 }],
  ] as const)('of a hand %s', (_what, more) => {
    const left = leftHandOf(DEFAULT_PROFILE);
    const wide = (mm: number) => ({ ease: millimetres(mm), limit: millimetres(mm) });
    const profile = {
      ...DEFAULT_PROFILE,
      left:
        'thumbOver' in more
          ? { ...left, thumbOver: true }
          : { ...left, reach: { ...left.reach, '13': wide(more['13']), '14': wide(more['14']) } },
    };
    for (const chord of ['F', 'D', 'G7']) {
      const request = { ...base, profile, chord, strings: [6, 4, 3, 2] as const, highestFret: 4, k: 8 };
      const result = voicings(request);
      expect(result.infeasible ? [] : result.answers.map((a) => a.total)).toEqual(
        enumerated(request, request.strings, 4).slice(0, 8),
      );
    }
  });
  // What is reckoned ahead of the strings to come is never more than they cost: else a dear term would hide the best.
  it.each([
    ['height', { height: 40 }],
    ['tones that are missing', { missing: 400, missingInTriad: 400 }],
    ['both, and strings that are left out', { height: 25, missing: 200, thin: 60, innerMute: 90 }],
  ])('all along the neck, where %s is dear', (_what, dear) => {
    const weights = { ...SHAPE_WEIGHTS, ...dear };
    for (const [chord, strings] of [
      ['Am7', [4, 3, 2]],
      ['C', [3, 2, 1]],
      ['D9', [5, 4, 3]],
    ] as const) {
      const request = { ...base, chord, strings, highestFret: 12, atLeast: 2, weights, k: 12 };
      const result = voicings(request);
      const found = result.infeasible ? [] : result.answers.map((a) => a.total);
      expect(found, chord).toEqual(enumerated(request, strings, 12).slice(0, 12));
    }
  });
  it('the cheapest fingering of a shape is the cheapest of all', () => {
    const f = frets('x-2-4-4-3-2');
    const [best] = fingerShape(f, hand, 1);
    expect(totalOf(best!.cost)).toBe(best!.total);
    expect(fingerShape(f, hand, 50).every((g) => g.total >= best!.total)).toBe(true);
  });
});
