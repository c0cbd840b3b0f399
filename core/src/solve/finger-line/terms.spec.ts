import { describe, expect, it } from 'vitest';
import { DEFAULT_PROFILE } from '../../player/index.js';
import type { Finger } from '../../stroke/index.js';
import { bpm, type StringNumber, ticks } from '../../time/index.js';
import {
  fingerLine,
  LINE_SCHOOLS,
  schoolsFor,
  LINE_WEIGHTS,
  type LineNote,
  type LineRequest,
  lineSchool,
  type LineSchool,
  type LineTerm,
  scoreLine,
} from './index.js';

const NOTHING = Object.fromEntries(Object.keys(LINE_WEIGHTS).map((k) => [k, 0])) as unknown as typeof LINE_WEIGHTS;
/** Notes by string, so many milliseconds apart: at 60 a count is a second. */
const notes = (strings: string, ms = 250, more: Partial<LineNote> = {}): LineNote[] =>
  [...strings].map((s, i) => ({
    at: ticks(Math.round((i * ms * 5040) / 1000)),
    strings: [Number(s) as StringNumber],
    ...more,
  }));
const ask = (list: LineNote[], school: Partial<LineSchool> & { weights: typeof LINE_WEIGHTS }): LineRequest => ({
  notes: list,
  bpm: bpm(60),
  profile: DEFAULT_PROFILE,
  stroke: 'rest',
  school: { ...lineSchool('fingering'), ...school },
});
/** What a line pays of one term that weighs 1 000. */
const paid = (term: LineTerm & keyof typeof LINE_WEIGHTS, list: LineNote[], fingers: string, more = {}): number =>
  scoreLine(
    { ...ask(list, { weights: { ...NOTHING, [term]: 1000 } }), ...more },
    [...fingers].map((f) => [f as Finger]),
  ).cost[term];

describe('what a right-hand line pays', () => {
  it('repeat: the same finger before it is back; with time enough it is repeatSlow', () => {
    // The index needs 170 ms.
    expect(paid('repeat', notes('33', 160), 'ii')).toBe(1000);
    expect(paid('repeat', notes('33', 180), 'ii')).toBe(0);
    expect(paid('repeat', notes('33', 160), 'im')).toBe(0);
    const slow = scoreLine(ask(notes('33', 180), { weights: { ...NOTHING, repeatSlow: 7 } }), [['i'], ['i']]);
    expect(slow.cost.repeat).toBe(7);
  });
  it('the thumb repeats on the basses at no cost, not above them, and not before it is back', () => {
    const of = (strings: string, ms: number) =>
      scoreLine(ask(notes(strings, ms), { weights: { ...NOTHING, repeat: 400, repeatSlow: 60 } }), [['p'], ['p']]).cost
        .repeat;
    expect(of('65', 250)).toBe(0);
    expect(of('44', 250)).toBe(0);
    expect(of('43', 250)).toBe(60);
    expect(of('65', 180)).toBe(400);
  });
  it('late: a finger from two notes before, and a joint, with half the time they need', () => {
    // Index back after 85 ms of 170: half is missing, which is paid in full measure of the law of lateness.
    expect(paid('late', notes('333', 60), 'imi')).toBeGreaterThan(0);
    expect(paid('late', notes('333', 90), 'imi')).toBe(0);
    // The joint of two fingers takes 50 ms, from the thumb 60.
    expect(paid('late', notes('32', 55), 'im')).toBe(0);
    expect(paid('late', notes('52', 55), 'pm')).toBeGreaterThan(0);
    expect(paid('late', notes('32', 45), 'im')).toBeGreaterThan(0);
  });
  it('late: from its own last stroke, however many notes ago that was', () => {
    // Three notes ago at 52 ms each the index has 156 ms of 170: a twelfth of the time is missing, 0.0897 of the weight.
    expect(paid('late', notes('3333', 52), 'imai')).toBe(Math.round(1000 * (170 / 156 - 1)));
    expect(paid('late', notes('3333', 57), 'imai')).toBe(0);
    // Four notes ago the little finger, which needs 240 ms, has 208.
    expect(paid('late', notes('33333', 52), 'eimae')).toBe(Math.round(1000 * (240 / 208 - 1)));
    // The stroke since then is the one that counts: two notes ago it has 104 ms.
    expect(paid('late', notes('33333', 52), 'iaimi')).toBe(2 * Math.round(1000 * (170 / 104 - 1)));
  });
  it('crossing: against the order of the fingers, for each string', () => {
    expect(paid('crossing', notes('32'), 'im')).toBe(0);
    expect(paid('crossing', notes('32'), 'mi')).toBe(1000);
    expect(paid('crossing', notes('31'), 'mi')).toBe(2000);
    expect(paid('crossing', notes('23'), 'im')).toBe(1000);
  });
  it('skip: a string skipped by neighbouring fingers, not where a finger is skipped too', () => {
    expect(paid('skip', notes('31'), 'im')).toBe(1000);
    expect(paid('skip', notes('31'), 'ia')).toBe(0);
  });
  it('home: by the set in force, 3 2 1, or 4 3 2 where the figure goes down to 4 over a bass', () => {
    expect(paid('home', notes('321'), 'ima')).toBe(0);
    // Alone string 4 is the thumb's, unless it is known to be the fingers'.
    expect(paid('home', notes('432'), 'pim')).toBe(0);
    expect(paid('home', notes('432', 125, { layer: 'fingers' }), 'ima')).toBe(0);
    expect(paid('home', notes('4321'), 'iima')).toBe(1000);
    // Each bass begins a figure of its own.
    expect(paid('home', notes('54325321'), 'pimapima')).toBe(0);
    expect(paid('home', notes('3'), 'p')).toBe(1000);
    expect(paid('home', notes('4'), 'p')).toBe(0);
  });
  it('weak: the ring finger always, more on an accent and in a run, whose first note belongs to it', () => {
    expect(paid('weak', notes('1'), 'a')).toBe(200);
    expect(paid('weak', notes('1'), 'e')).toBe(400);
    expect(paid('weak', notes('1', 250, { accent: 1 }), 'a')).toBe(700);
    expect(paid('weak', notes('1', 250, { accent: 1 }), 'i')).toBe(200);
    // A run begins where the next note comes within an eighth of a second.
    expect(paid('weak', notes('11', 120), 'ai')).toBe(450);
    expect(paid('weak', notes('11', 130), 'ai')).toBe(200);
    expect(paid('weak', notes('11', 120), 'ia')).toBe(450);
  });
  it('weak: middle and ring one after the other, more at speed', () => {
    expect(paid('weak', notes('11', 130), 'ma')).toBe(200 + 50);
    expect(paid('weak', notes('11', 120), 'ma')).toBe(450 + 300);
    expect(paid('weak', notes('11', 130), 'am')).toBe(200 + 50);
  });
  it('on one string two fingers alternate: the ring finger is not worth its home', () => {
    const found = fingerLine({ ...ask(notes('1111'), lineSchool('fingering')), stroke: 'free', k: 1 });
    expect(found.infeasible ? [] : found.answers[0]?.steps.flat()).toEqual(['i', 'm', 'i', 'm']);
  });
  it('order: the thumb on a thinner string than the finger before it, half of it on any treble string', () => {
    expect(paid('order', notes('32'), 'ip')).toBe(1500);
    expect(paid('order', notes('35'), 'ip')).toBe(0);
    expect(paid('order', notes('3'), 'p')).toBe(500);
    expect(paid('order', notes('4'), 'p')).toBe(0);
  });
  it('rest: a rest stroke that lands on a string that must ring', () => {
    const ringing = [{ ...notes('3')[0]!, rings: true }, notes('32')[1]!];
    expect(paid('rest', ringing, 'im')).toBe(1000);
    expect(paid('rest', ringing, 'im', { stroke: 'free' })).toBe(0);
    expect(paid('rest', [{ ...notes('4')[0]!, rings: true }, notes('42')[1]!], 'im')).toBe(0);
  });
  it('pair: a third finger where one pair is to be kept; the thumb is none', () => {
    expect(paid('pair', notes('3333'), 'imim')).toBe(0);
    expect(paid('pair', notes('3333'), 'imia')).toBe(1000);
    expect(paid('pair', notes('5333'), 'pimi')).toBe(0);
  });
});

describe('what the schools propose', () => {
  const steps = (strings: string, school: string, more: Partial<LineNote>[] = [], ms = 125) => {
    const list = notes(strings, ms).map((n, i) => ({ ...n, ...more[i] }));
    const found = fingerLine({ ...ask(list, lineSchool(school)), k: 4 });
    return found.infeasible ? [] : found.answers.map((a) => a.steps.map((f) => f.join('')).join(''));
  };
  it('habit first keeps one pair across everything', () => {
    for (const strings of ['333222111', '321321321', '1112223334', '33311133'])
      for (const line of steps(strings, 'habit')) {
        expect(new Set(line).size).toBe(2);
        expect(line).not.toMatch(/(.)\1/);
      }
    expect(steps('333222111', 'habit')[0]).toMatch(/^(im|mi)/);
  });
  it('an order goes by the layers: basses are the thumb’s, what is for the fingers is not', () => {
    const p = { layer: 'thumb' as const };
    const f = { layer: 'fingers' as const };
    expect(steps('5111', 'pami', [p, f, f, f])[0]).toBe('pami');
    expect(steps('51115111', 'pami', [p, f, f, f, p, f, f, f])).toEqual(['pamipami']);
    expect(new Set(steps('5111', 'im', [p, {}, {}, {}]))).toEqual(new Set(['pimi', 'pmim']));
    // A thumb that the player has set stands apart from the order too.
    expect(new Set(steps('5111', 'im', [{ pinned: ['p'] }, {}, {}, {}]))).toEqual(new Set(['pimi', 'pmim']));
    expect(steps('111', 'pima', [f, f, f]).every((line) => !line.includes('p'))).toBe(true);
  });
  it('a line of the thumb alone is one answer, whatever the order', () =>
    expect(steps('654', 'ami', [{ layer: 'thumb' }, { layer: 'thumb' }, { layer: 'thumb' }])).toEqual(['ppp']));
  it('orders with a thumb are for lines with basses; a scale is shown without them', () => {
    expect(schoolsFor(notes('33222111')).map((s) => s.id)).toEqual([
      'taught',
      'im',
      'ma',
      'ia',
      'ami',
      'habit',
      'fingering',
    ]);
    expect(schoolsFor(notes('5321'))).toEqual(LINE_SCHOOLS);
    expect(schoolsFor(notes('321', 125, { layer: 'thumb' }))).toEqual(LINE_SCHOOLS);
  });
  it('knows arpeggio orders and both tremolos', () => {
    expect(steps('5321', 'pima')).toContain('pima');
    expect(steps('532123', 'pimami')).toContain('pimami');
    expect(steps('51111', 'piami')).toContain('piami');
    expect(steps('5111', 'pami')).toContain('pami');
  });
});

describe('the prices, as they were weighed against each other', () => {
  it('of every order', () => {
    expect(LINE_WEIGHTS).toEqual({
      ...{ repeat: 400, repeatSlow: 60, late: 300, rest: 500 },
      ...{ crossing: 80, skip: 50, home: 6, weak: 60, order: 200, pair: 0 },
    });
    for (const s of LINE_SCHOOLS.filter((x) => x.cycle)) expect(s.weights).toEqual(LINE_WEIGHTS);
  });
  it('schools change what they name', () => {
    expect(lineSchool('habit').weights).toEqual({
      ...LINE_WEIGHTS,
      ...{ repeat: 2000, repeatSlow: 2000, crossing: 30, pair: 20_000 },
    });
    expect(lineSchool('fingering').weights).toEqual({ ...LINE_WEIGHTS, crossing: 220, skip: 120 });
    expect(lineSchool('home').weights).toEqual({ ...LINE_WEIGHTS, repeat: 250, crossing: 40, home: 160 });
  });
});
