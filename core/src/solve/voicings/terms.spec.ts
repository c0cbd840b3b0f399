import { describe, expect, it } from 'vitest';
import { apart, makeNeck, STANDARD_TUNING, touchPoint } from '../../instrument/index.js';
import { fingerShape, handOn, readShape, SHAPE_WEIGHTS } from '../../left-hand/index.js';
import { DEFAULT_PROFILE, leftHandOf } from '../../player/index.js';
import { millimetres } from '../../time/index.js';
import { sayFacts } from '../../words/index.js';
import { scoreVoicing, type VoicingRequest, voicings } from './index.js';

const neck = makeNeck(millimetres(650));
const base = { tuning: STANDARD_TUNING, neck, profile: DEFAULT_PROFILE };
const score = (chord: string, frets: string, fingers: string, more: Partial<VoicingRequest> = {}) =>
  scoreVoicing({ ...base, chord, ...more }, readShape(frets, fingers));
const cost = (chord: string, frets: string, fingers: string, more: Partial<VoicingRequest> = {}) => {
  const found = score(chord, frets, fingers, more);
  if ('faults' in found) throw new Error(sayFacts(found.faults).join(' '));
  return found.cost;
};
const faults = (...ask: Parameters<typeof score>) => {
  const found = score(...ask);
  return 'faults' in found ? found.faults.map((f) => f.code) : [];
};

describe('what the fingers of a shape cost', () => {
  it('a barre 2 and 4 for each string it lies over', () => {
    expect(cost('Dm7', 'x-x-0-2-1-1', 'x-x-0-2-1-1').barre).toBe(2 + 2 * 4);
    expect(cost('Fm', '1-3-3-1-1-1', '1-3-4-1-1-1').barre).toBe(2 + 6 * 4);
    expect(cost('C', 'x-3-2-0-1-0', 'x-3-2-0-1-0').barre).toBe(0);
  });
  it('one of the third finger 12 more, of the second and fourth 24', () => {
    expect(cost('Bb', 'x-1-3-3-3-x', 'x-1-3-3-3-x').barre).toBe(2 + 3 * 4 + 12);
    expect(cost('Bb', 'x-1-3-3-3-x', 'x-1-4-4-4-x').barre).toBe(2 + 3 * 4 + 24);
    expect(cost('D', 'x-5-7-7-7-x', 'x-1-2-2-2-x').barre).toBe(2 + 3 * 4 + 24);
  });
  it('one that ends beside an open string 14 more', () =>
    expect(cost('A', 'x-0-2-2-2-0', 'x-0-1-1-1-0').barre).toBe(2 + 3 * 4 + 14));
  it('the fourth finger 8, the thumb over the neck 14', () => {
    expect(cost('G', '3-2-0-0-0-3', '3-2-0-0-0-4').weak).toBe(8);
    expect(cost('G', '3-2-0-0-0-3', '2-1-0-0-0-3').weak).toBe(0);
    const left = { ...leftHandOf(DEFAULT_PROFILE), thumbOver: true };
    expect(cost('D/F#', '2-0-0-2-3-2', 'T-0-0-1-3-2', { profile: { ...DEFAULT_PROFILE, left } }).weak).toBe(14);
  });
  it('two fingers on one fret with the lower on the thinner string 30', () => {
    expect(cost('A', 'x-0-2-2-2-0', 'x-0-2-1-3-0').order).toBe(30);
    expect(cost('A', 'x-0-2-2-2-0', 'x-0-1-2-3-0').order).toBe(0);
  });
  it('each fret that fingers stand closer or wider than one a fret 4; with open strings 1 for each fret off home', () => {
    expect(cost('C', 'x-3-2-0-1-0', 'x-3-2-0-1-0').crowd).toBe(0);
    // 1 2 3 on the second fret: they stand for frets 1, 0 and −1, and at the widest a fret from the nut’s own.
    expect(cost('A', 'x-0-2-2-2-0', 'x-0-1-2-3-0').crowd).toBe(2 * 4 + 1);
    expect(cost('Fm', '1-3-3-1-1-1', '1-3-4-1-1-1').crowd).toBe(4);
  });
  it('a stretch in proportion from ease to limit, 60 at the limit', () => {
    const [a, b] = [touchPoint(6, 1, neck), touchPoint(1, 5, neck)];
    const { ease, limit } = leftHandOf(DEFAULT_PROFILE).reach['14'];
    const far = apart(a, b);
    expect(far).toBeGreaterThan(ease);
    expect(far).toBeLessThan(limit);
    const fingers = fingerShape(readShape('1-x-x-x-x-5', '').frets, handOn(neck, DEFAULT_PROFILE), 9);
    const wide = fingers.find((f) => f.fingers.join() === '1,,,,,4')!;
    expect(wide.cost.stretch).toBe(Math.round((60 * (far - ease)) / (limit - ease)));
  });
});

describe('what its sound costs', () => {
  it('a silent string between sounding ones 25, one above them 14; below them nothing', () => {
    expect(cost('C6', 'x-3-2-2-x-0', 'x-3-1-2-x-0').mutes).toBe(25);
    expect(cost('C', 'x-3-2-0-1-x', 'x-3-2-0-1-x').mutes).toBe(14);
    expect(cost('Am', 'x-x-2-2-1-0', 'x-x-2-3-1-0').mutes).toBe(0);
  });
  it('a fifth left out 6, in a triad 30', () => {
    expect(cost('C7', 'x-3-2-3-1-0', 'x-3-2-4-1-0').missing).toBe(6);
    expect(cost('C', 'x-3-2-x-1-0', 'x-3-2-x-1-0').missing).toBe(30);
    expect(cost('C', 'x-3-2-0-1-0', 'x-3-2-0-1-0').missing).toBe(0);
  });
  it('another bass than the root 20, unless it is asked for', () => {
    expect(cost('C', '0-3-2-0-1-0', '0-3-2-0-1-0').bass).toBe(20);
    expect(cost('C/E', '0-3-2-0-1-0', '0-3-2-0-1-0').bass).toBe(0);
  });
  it('each fret of the lowest stopped note above the first 4', () => {
    expect(cost('Cm', 'x-3-5-5-4-3', 'x-1-3-4-2-1').height).toBe(8);
    expect(cost('Em', '0-2-2-0-0-0', '0-1-2-0-0-0').height).toBe(4);
    expect(cost('F', '1-3-3-2-1-1', '1-3-4-2-1-1').height).toBe(0);
  });
  it('each string under five 8, or under those that may sound', () => {
    expect(cost('Dm', 'x-x-0-2-3-1', 'x-x-0-2-3-1').thin).toBe(8);
    expect(cost('Am', 'x-0-2-2-1-0', 'x-0-2-3-1-0').thin).toBe(0);
    expect(cost('Dm', 'x-x-0-2-3-1', 'x-x-0-2-3-1', { strings: [4, 3, 2, 1] }).thin).toBe(0);
  });
});

describe('what is no answer', () => {
  it('says what it lacks', () => {
    expect(faults('C', 'x-3-2-0-2-0', 'x-3-1-0-2-0')).toEqual(['tone not asked for']);
    expect(faults('C', 'x-3-x-0-1-x', 'x-3-x-0-1-x')).toEqual(['tone missing']);
    expect(faults('C', 'x-3-2-x-x-x', 'x-3-2-x-x-x', { atLeast: 3 })).toContain('too few strings');
    expect(faults('C', '0-3-2-0-1-0', '0-3-2-0-1-0', { bass: 'root' })).toEqual(['another bass']);
    expect(faults('F', '1-3-3-2-1-1', '1-3-4-2-1-1', { barre: false })).toEqual(['no barre wanted']);
    expect(faults('F', '1-3-3-2-1-1', '1-3-4-2-1-1', { open: 'some' })).toEqual(['no string open']);
  });
  it('frets end at 15 and are whole', () => {
    for (const highestFret of [-1, 2.5, 16])
      expect(sayFacts(voicings({ ...base, chord: 'C', highestFret }).infeasible ?? [])).toEqual([
        `The highest fret is 0 to 15, not ${highestFret}.`,
      ]);
    expect(voicings({ ...base, chord: 'Em', highestFret: 0, atLeast: 3 }).infeasible?.[0]?.code).not.toBe(
      'highest fret',
    );
  });
});

describe('the thumb over the neck', () => {
  const left = { ...leftHandOf(DEFAULT_PROFILE), thumbOver: true };
  const hand = handOn(neck, { ...DEFAULT_PROFILE, left });
  const thumbed = (frets: string) =>
    fingerShape(readShape(frets, '').frets, hand, 99).filter((f) => f.fingers[0] === 'T').length;
  it('holds string 6 up to a fret below the first finger’s and two above', () => {
    expect(thumbed('2-0-0-2-3-2')).toBeGreaterThan(0);
    expect(thumbed('1-0-0-2-3-2')).toBeGreaterThan(0);
    expect(thumbed('4-0-0-2-3-2')).toBeGreaterThan(0);
    expect(thumbed('5-0-0-2-3-2')).toBe(0);
    expect(thumbed('1-0-0-3-3-3')).toBe(0);
  });
});

it('forms come in this order: taught, small ones, closed where an open one is taught, parts, anything else', () => {
  const { closed, smallForm, partOfForm, untaught } = SHAPE_WEIGHTS;
  expect([closed, smallForm, partOfForm, untaught]).toEqual([12, 26, 60, 90]);
});
