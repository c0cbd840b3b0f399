import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cycleById } from '../catalogue/index.js';
import { STANDARD_TUNING } from '../instrument/index.js';
import { OPEN_SHAPE, readShape, type Shape } from '../left-hand/index.js';
import { makeSection } from '../piece/index.js';
import { DEFAULT_PROFILE } from '../player/index.js';
import { flatten, parseScript } from '../script/index.js';
import { sayHandNote } from '../words/index.js';
import { rightRuns } from './hand-runs.js';
import { type HandsWish, readSection, sectionHands, WRITING_SCHOOLS } from './index.js';

const four = cycleById('tangos')!;
const E7: Shape = { ...OPEN_SHAPE, id: 'e', name: 'E7', ...readShape('0-2-0-1-0-0', '0-2-0-1-0-0') };
const C: Shape = { ...OPEN_SHAPE, id: 'c', name: 'C', ...readShape('x-3-2-0-1-0', 'x-3-2-0-1-0') };
const request = (script: string, chart = '') => ({
  section: { ...makeSection('s', 'S', four), script, chart },
  shapes: [C, E7],
  tuning: STANDARD_TUNING,
  capo: 0,
  profile: DEFAULT_PROFILE,
});
const hands = (script: string, more: Partial<HandsWish> = {}, chart = '') =>
  sectionHands(request(script, chart), { ...WRITING_SCHOOLS, anew: false, k: 3, ...more });
const right = (script: string, more: Partial<HandsWish> = {}) =>
  hands(script, more).ways[0]!.notes.map((n) => n.notes.map((x) => x.right).join(''));

describe('both hands over a section', () => {
  it('the first way is what the page shows while one writes; the others cost no less and are others', () => {
    const script = '?:5f0~ ?:1f5 ?:1f7 ?:1f8 . - - - ?:6f0~ ?:1f7 ?:1f5 ?:2f8';
    const { ways, open } = hands(script);
    expect(open).toBe(8);
    expect(ways[0]!.script).toBe(readSection(request(script)).workedScript);
    expect(ways).toHaveLength(3);
    expect(new Set(ways.map((w) => w.script)).size).toBe(3);
    expect(ways.map((w) => w.total)).toEqual([...ways.map((w) => w.total)].sort((a, b) => a - b));
    for (const w of ways) expect(w.left + w.right).toBe(w.total);
  });
  it('what is written is a pin, unless all is to be found anew', () => {
    const script = 'a:1f5=4 ?:1f7 ?:1f8 a:1f5=4';
    for (const w of hands(script).ways) {
      expect(w.script).toMatch(/^a:1f5=4 .* a:1f5=4$/);
    }
    const [anew] = hands(script, { anew: true }).ways;
    expect(anew!.script).toBe('i:1f5=1 m:1f7=3 i:1f8=4 m:1f5=1');
  });
  it('strums, golpes, sets of the chord and plectrum strokes stay as they are when all is found anew', () => {
    const script = 'id:54321 G p:b ima:t Pd:3 a*:1 - -';
    expect(hands(script, { anew: true }).ways[0]!.script).toBe(script);
    expect(hands(script, { anew: true }).open).toBe(0);
  });
  it('in the order of a school, afresh in each bar', () => {
    expect(right('{?:1f5}x8 {?:1f5}x8', { right: 'ami afresh' })).toEqual([...'amiamiamamiamiam']);
    expect(right('{?:1f5}x8', { right: 'habit' }).slice(0, 4).join('')).toMatch(/^(imim|mimi)$/);
  });
  it('a finger that would be nearer is kept for what comes', () => {
    // Finger 1 would be easiest on fret 5, were fret 4 not to come at once.
    const { ways } = hands('?:1f5 ?:1f4 ?:1f5 ?:1f7');
    const [first] = ways[0]!.notes;
    expect(first!.notes[0]!.left).toBe(2);
    expect(first!.kept).toEqual({ finger: 1, at: 2_520 });
    expect(sayHandNote(first!, four)).toContain('finger 1 is kept for bar 1, 1 &');
  });
  it('nothing is kept where the easiest finger is taken, or the player has said it', () => {
    expect(hands('?:1f5 ?:1f7').ways[0]!.notes.map((n) => n.kept)).toEqual([null, null]);
    expect(hands('?:1f5=2 ?:1f4 ?:1f5').ways[0]!.notes[0]!.kept).toBeNull();
    // Nor for a note that another finger plays, nor where it can't come because it holds what rings.
    expect(hands('{?:1f5}x4').ways[0]!.notes.map((n) => n.kept)).toEqual([null, null, null, null]);
    expect(hands('?:5f3=2~ ?:1f3 ?:5f4=2').ways[0]!.notes[1]!.kept).toBeNull();
  });
  it('a finger of the shape that is away is said, with the string that is open and the tone that is gone', () => {
    const { ways } = hands('p:5 ?:1f3=1 ?:2 ?:3', {}, 'C');
    // The root is there once more, on string 5.
    expect(sayHandNote(ways[0]!.notes[1]!, four)).toEqual([
      'finger 1 leaves string 2 for string 1 fret 3; string 2 is open until it is back, by 2',
    ]);
    // On its own fret it collapses and leaves nothing.
    const hinged = hands('p:5 ?:1f1 ?:2 ?:3', {}, 'C').ways[0]!.notes;
    expect(hinged[1]!.notes[0]!.left).toBe(1);
    expect(sayHandNote(hinged[1]!, four)).toEqual([]);
    expect(hinged[2]!.notes[0]).toMatchObject({ string: 2, fret: 1, left: 1 });
    expect(sayHandNote(hands('p:6 ?:1f1=1 ?:3 ?:2', {}, 'E7').ways[0]!.notes[1]!, four)).toEqual([
      'finger 1 leaves string 3 for string 1 fret 1; string 3 is open until it is back, by 2; the third is gone',
    ]);
    expect(ways[0]!.notes.slice(2).every((n) => n.borrowed.length === 0)).toBe(true);
  });
  it('a bass that rings keeps its finger; where it can’t be held it is let go', () => {
    const [way] = hands('?:5f2~ ?:2f3 ?:2f1 ?:1f1').ways;
    const left = way!.notes.map((n) => n.notes[0]!.left);
    expect(left.slice(1)).not.toContain(left[0]);
    // A hand that is free goes down with one finger.
    expect(hands('?:5f2 ?:5f1').ways[0]!.notes.map((n) => n.notes[0]!.left)).toEqual([2, 1]);
    expect(hands('?:6f1~ ?:1f15 ?:1f12 ?:1f15').ways[0]!.notes.every((n) => n.notes[0]!.left !== null)).toBe(true);
  });
  it('a shape of two fingers that slides up and back keeps them', () => {
    const [way] = hands('??:3f2+2f1 - ??:3f4+2f3 - ??:3f5+2f4 - ??:3f2+2f1 -').ways;
    expect(way!.notes.map((n) => n.notes.map((x) => x.left))).toEqual([
      [2, 1],
      [2, 1],
      [2, 1],
      [2, 1],
    ]);
  });
  it('ways of the hand, crossings and lateness are said, and nothing where there is nothing to add', () => {
    const { ways } = hands('?:1f1 ?:1f12 - -', { k: 1 });
    expect(sayHandNote(ways[0]!.notes[0]!, four)).toEqual([]);
    expect(sayHandNote(ways[0]!.notes[1]!, four)[0]).toMatch(/from position 1 to \d+, \d+ mm/);
  });
  it('a thumb that goes from bass to bass is nothing to be said; another finger twice is', () => {
    const said = (script: string) => hands(script).ways[0]!.notes.map((n) => sayHandNote(n, four).join());
    expect(said('p:5 p:4 ?:3 -')).toEqual(['', '', '']);
    expect(said('i:3 i:2 ?:1 -')[1]).toMatch(/the same finger as before/);
    // The lower of two voices is the thumb's on any string.
    expect(said('p:3 p:3 ?:1 -')).toEqual(['', '', '']);
  });
  it('strokes are looked at as one run, but where the hand begins afresh', () => {
    const runs = (script: string) => {
      const { section, shapes, tuning, capo, profile } = request(script);
      const { events } = flatten(parseScript(script, { stepsPerCount: 2 }).pattern);
      return rightRuns(events, { section, shapes, instrument: { tuning, capo }, profile }).map((r) => r.events.length);
    };
    expect(runs('{?:3 ?:2}x150')).toEqual([300]);
    expect(runs('{?:3 ?:2}x2 . {?:3 ?:2}x2')).toEqual([8]);
    expect(runs('{?:3 ?:2}x2 . . {?:3 ?:2}x2')).toEqual([8]);
    expect(runs('{?:3 ?:2}x2 . . . {?:3 ?:2}x2')).toEqual([4, 4]);
    expect(runs('{?:3 ?:2}x170')).toEqual([320, 20]);
  });
  it('of what a hand can’t reach the reason is told, and the rest is found', () => {
    const { ways, infeasible } = hands('??:6f1+1f19 - - - . - - - ?:1f5');
    expect(infeasible.length).toBeGreaterThan(0);
    expect(ways[0]!.notes.at(-1)!.notes[0]!.left).not.toBeNull();
  });
  it('no way has another string, fret or time than what is written, and every pin is kept', () => {
    const word = fc.constantFrom('?:5f0~', '?:4f2', '?:3f2', 'i:3f4=3', '?:2f3', '?:1f5', '?:1f7=4', '.', '-', 'L:1f8');
    let tried = 0;
    fc.assert(
      fc.property(fc.array(word, { minLength: 4, maxLength: 16 }), (words) => {
        const script = words.join(' ');
        const plain = readSection(request(script));
        if (plain.faults.length) return;
        const places = plain.score.events.filter((e) => e.pass === 0);
        for (const way of hands(script, { k: 2 }).ways) {
          tried++;
          const own = readSection(request(way.script)).score.events.filter((e) => e.pass === 0);
          expect(own.map((e) => [e.at, e.duration, e.notes.map((n) => [n.string, n.fret])])).toEqual(
            places.map((e) => [e.at, e.duration, e.notes.map((n) => [n.string, n.fret])]),
          );
          words.forEach((w) => {
            if (w.includes('=')) expect(way.script).toContain(w.startsWith('?') ? w.slice(1) : w);
          });
        }
      }),
      { numRuns: 40 },
    );
    expect(tried).toBeGreaterThan(20);
  });
});
