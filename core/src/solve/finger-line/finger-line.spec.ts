import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEFAULT_PROFILE } from '../../player/index.js';
import { type Finger, FINGERS } from '../../stroke/index.js';
import { bpm, type StringNumber, ticks } from '../../time/index.js';
import {
  anchorPlan,
  compareSchools,
  crossing,
  crossingsOf,
  fingerLine,
  LINE_SCHOOLS,
  LINE_TERMS,
  type LineNote,
  type LineRequest,
  lineSchool,
  plectrumHand,
  plectrumStrokes,
  readLine,
  scoreLine,
} from './index.js';
import { sayFacts } from '../../words/index.js';

const STEP = 1260;
const line = (strings: string): LineNote[] =>
  [...strings].map((s, i) => ({ at: ticks(i * STEP), strings: [Number(s) as StringNumber] }));
const ask = (notes: LineNote[], more: Partial<LineRequest> = {}): LineRequest => ({
  notes,
  bpm: bpm(120),
  profile: DEFAULT_PROFILE,
  school: lineSchool('fingering'),
  stroke: 'rest',
  ...more,
});
const best = (request: LineRequest) => {
  const result = fingerLine(request);
  if (result.infeasible) throw new Error(sayFacts(result.infeasible).join(' '));
  return result.answers[0]!;
};
const letters = (request: LineRequest) =>
  best(request)
    .steps.map((f) => f.join(''))
    .join('');

/** Every fingering the school and the notes allow, scored from outside. */
function enumerate(request: LineRequest): number[] {
  const { notes, school } = request;
  let lines: Finger[][][] = [[]];
  for (const note of notes) {
    const single = note.strings.length === 1;
    const pool = single
      ? note.layer === 'thumb'
        ? (['p'] as Finger[])
        : school.fingers
      : FINGERS.filter((f) => f !== 'e');
    let sets: Finger[][] = [[]];
    for (let n = 0; n < note.strings.length; n++)
      sets = sets.flatMap((s) =>
        pool.filter((f) => s.length === 0 || FINGERS.indexOf(f) > FINGERS.indexOf(s.at(-1)!)).map((f) => [...s, f]),
      );
    sets = sets.filter((s) => note.layer !== 'fingers' || !s.includes('p'));
    if (note.pinned) sets = [[...note.pinned]];
    lines = lines.flatMap((l) => sets.map((s) => [...l, s]));
  }
  return lines.map((l) => scoreLine(request, l).total).sort((a, b) => a - b);
}

const anyNote = fc.record({
  strings: fc.oneof(
    { weight: 5, arbitrary: fc.integer({ min: 1, max: 6 }).map((s) => [s as StringNumber]) },
    { weight: 1, arbitrary: fc.constantFrom([3, 2] as StringNumber[], [5, 3, 2] as StringNumber[]) },
  ),
  rings: fc.boolean(),
  accent: fc.constantFrom(0, 0.5, 1),
  layer: fc.constantFrom(undefined, undefined, 'fingers' as const),
  gap: fc.constantFrom(420, 840, 1260, 5040),
});
const anyLine = fc.array(anyNote, { minLength: 1, maxLength: 6 }).map((list) => {
  let at = 0;
  return list.map(({ gap, ...n }): LineNote => ({ ...n, at: ticks((at += gap)) }));
});
const free = LINE_SCHOOLS.filter((s) => !s.cycle);

describe('fingerLine against enumeration', () => {
  it('gives the optimum and all k scores that enumeration gives, looped or not', () => {
    fc.assert(
      fc.property(
        anyLine,
        fc.constantFrom(...free),
        fc.integer({ min: 40, max: 300 }),
        fc.boolean(),
        fc.constantFrom('rest' as const, 'free' as const),
        (notes, school, tempo, loops, stroke) => {
          const loop = loops ? ticks(notes.at(-1)!.at + 1260) : undefined;
          const request = ask(notes, { school, bpm: bpm(tempo), stroke, k: 7, ...(loop ? { loop } : {}) });
          const result = fingerLine(request);
          const answers = result.infeasible ? [] : result.answers;
          expect(answers.map((a) => a.total)).toEqual(enumerate(request).slice(0, 7));
          for (const a of answers) expect(scoreLine(request, a.steps)).toEqual(a);
        },
      ),
      { numRuns: 150 },
    );
  });
  it('tells the cost of a long line term by term, however often its ways come again', () => {
    for (const loops of [false, true]) {
      const notes = line('332211221133221122113322');
      const request = ask(notes, { k: 5, ...(loops ? { loop: ticks(notes.length * STEP) } : {}) });
      const result = fingerLine(request);
      if (result.infeasible) throw new Error('it can be played');
      expect(result.answers.length).toBe(5);
      for (const { steps, total, cost } of result.answers) {
        expect(scoreLine(request, steps)).toEqual({ steps, total, cost });
        expect(LINE_TERMS.reduce((sum, t) => sum + cost[t], 0)).toBe(total);
      }
    }
  });
  it('solves round pinned fingers', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 4 }), { minLength: 2, maxLength: 6 }),
        fc.constantFrom('i', 'm', 'a', 'p'),
        (strings, finger) => {
          const notes = line(strings.join('')).map((n, i) => (i === 1 ? { ...n, pinned: [finger as Finger] } : n));
          const request = ask(notes, { k: 4 });
          expect(best(request).steps[1]).toEqual([finger]);
          const result = fingerLine(request);
          expect(result.infeasible ? [] : result.answers.map((a) => a.total)).toEqual(enumerate(request).slice(0, 4));
        },
      ),
    );
  });
});

describe('facts of the right hand', () => {
  it('crossing to a thinner string is natural i→m, awkward m→i; to a thicker one the reverse', () => {
    expect(crossing('i', 3, 'm', 2)).toBe(1);
    expect(crossing('m', 3, 'i', 2)).toBe(-1);
    expect(crossing('m', 2, 'i', 3)).toBe(1);
    expect(crossing('i', 2, 'm', 3)).toBe(-1);
    expect(crossing('i', 2, 'a', 1)).toBe(1);
    expect(crossing('i', 2, 'm', 2)).toBe(0);
  });
  it('strict alternation never repeats, across any crossing and across the seam', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 6 }), { minLength: 2, maxLength: 40 }), (strings) => {
        const even = strings.length % 2 === 0 ? strings : strings.slice(1);
        if (even.length < 2) return;
        const fingers = letters(
          ask(line(even.join('')), { school: lineSchool('im'), loop: ticks(even.length * STEP) }),
        );
        for (let i = 0; i < fingers.length; i++) expect(fingers[i]).not.toBe(fingers[(i + 1) % fingers.length]);
      }),
    );
  });
  it('three notes a string under p a m i begin their strings on all four in turn and come round after 12 notes', () => {
    const fingers = letters(ask(line('666555444333'), { school: lineSchool('pami'), k: 4 }));
    const starts = [0, 3, 6, 9].map((i) => fingers[i]);
    expect(new Set(starts).size).toBe(4);
    const cycle = 'pami';
    const from = cycle.indexOf(starts[0]!);
    expect(starts).toEqual([0, 3, 2, 1].map((n) => cycle[(from + n) % 4]));
  });
  it('under i m the starts alternate', () => {
    const fingers = letters(ask(line('333222111'), { school: lineSchool('im') }));
    expect(fingers[0]).not.toBe(fingers[3]);
    expect(fingers[0]).toBe(fingers[6]);
  });
  it('fingering first crosses with the fingers where habit first does not', () => {
    const notes = line('3322');
    expect(crossingsOf(notes, best(ask(notes)).steps).every((c) => c.kind === 'natural')).toBe(true);
    expect(letters(ask(line('321'), { school: lineSchool('fingering') }))).toBe('ima');
    const habit = letters(ask(line('33322211133322'), { school: lineSchool('habit') }));
    for (let i = 1; i < habit.length; i++) expect(habit[i]).not.toBe(habit[i - 1]);
  });
  it('home strings: thumb below, i m a on 3 2 1', () =>
    expect(letters(ask(line('5321'), { school: lineSchool('home'), stroke: 'free' }))).toBe('pima'));
  it('a rest stroke is not set onto a string that must ring when a free hand can avoid it', () => {
    const notes: LineNote[] = [
      { at: ticks(0), strings: [2], rings: true },
      { at: ticks(STEP), strings: [1] },
    ];
    expect(best(ask(notes, { stroke: 'rest' })).cost.rest).toBeGreaterThan(0);
    expect(best(ask(notes, { stroke: 'free' })).cost.rest).toBe(0);
  });
  it('fingers struck together keep their order', () =>
    expect(best(ask([{ at: ticks(0), strings: [1, 2, 3] }])).steps[0]).toEqual(['i', 'm', 'a']));
  it('the anchor lifts where the line goes down to 5 and comes back', () =>
    expect(
      anchorPlan(
        line('332155321'),
        [...'imimimima'].map((f) => [f as Finger]),
      ),
    ).toEqual([
      { index: 0, thumb: 'rests on 6' },
      { index: 4, thumb: 'lifts' },
      { index: 6, thumb: 'rests on 6' },
    ]));
});

describe('plectrum', () => {
  const strokes = (s: string) =>
    plectrumStrokes([...s].map((n) => Number(n) as StringNumber))
      .map((x) => x[0])
      .join('');
  it('one note a string ascending is a sweep of rests, descending all whips', () => {
    expect(strokes('654321')).toBe('rrrrrr');
    expect(strokes('123456')).toBe('wwwwww');
  });
  it('an odd count of notes before a thicker string ends in a whip, an even one in an up stroke', () => {
    expect(strokes('1112')).toBe('ruww');
    expect(strokes('112')).toBe('ruw');
    expect(strokes('2221')).toBe('rurr');
  });
  const hand = (line: string, tempo?: number) =>
    plectrumHand(readLine(line, 2).steps, tempo === undefined ? undefined : bpm(tempo));
  it('after a silence on the beat a rest stroke again', () => expect(hand('3.33')).toBe('Pd:3 . Pd:3 Pu:3'));
  it('an entry off the beat answers a rest stroke that is ghosted in the rest before it', () => {
    expect(hand('.33')).toBe('(d) Pu:3 Pd:3');
    expect(hand('33.3')).toBe('Pd:3 Pu:3 (d) Pu:3');
    // A new string begins with a down stroke even there, once the ghost is answered.
    expect(hand('.32')).toBe('(d) Pu:3 Pd:2');
  });
  it('slowly every stroke rests: from half a second on', () => {
    // Two steps a count: half a second at 60.
    expect(hand('333', 60)).toBe('Pd:3 Pd:3 Pd:3');
    expect(hand('333', 61)).toBe('Pd:3 Pu:3 Pd:3');
    expect(hand('333')).toBe('Pd:3 Pu:3 Pd:3');
  });
  it('every change of string begins with a down stroke, and up only answers a rest', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 6 }), { minLength: 1, maxLength: 30 }), (list) => {
        const strings = list as StringNumber[];
        const found = plectrumStrokes(strings);
        found.forEach((s, i) => {
          if (i === 0 || strings[i] !== strings[i - 1]) expect(s).not.toBe('up');
          if (s === 'up') expect(found[i - 1]).toBe('rest');
        });
      }),
    );
  });
});

describe('schools side by side', () => {
  it('each has its best line, and notes that differ from the first are marked', () => {
    const table = compareSchools({ notes: line('33322211'), bpm: bpm(120), profile: DEFAULT_PROFILE, stroke: 'rest' });
    expect(table.map((t) => t.school.id)).toEqual(LINE_SCHOOLS.map((s) => s.id));
    expect(table[0]?.differs).toEqual([]);
    expect(table.find((t) => t.school.id === 'ma')?.differs.length).toBeGreaterThan(0);
    expect(Object.keys(table[0]!.answer!.cost)).toEqual([...LINE_TERMS]);
  });
});

describe('asks that can’t be met come back as words', () => {
  const reasons = (notes: LineNote[], more: Partial<LineRequest> = {}) =>
    sayFacts(fingerLine(ask(notes, more)).infeasible ?? []).join(' ');
  it.each([
    ['no notes', [], {}, /no notes/],
    ['a seventh string', [{ at: ticks(0), strings: [7 as StringNumber] }], {}, /numbered 1 to 6, not 7/],
    ['one string twice', [{ at: ticks(0), strings: [3, 3] as StringNumber[] }], {}, /twice at once/],
    ['notes out of order', [...line('1'), ...line('2')], {}, /does not come after/],
    ['six strings at once', [{ at: ticks(0), strings: [1, 2, 3, 4, 5, 6] as StringNumber[] }], {}, /6 strings at once/],
    [
      'a chord under a strict school',
      [{ at: ticks(0), strings: [2, 1] as StringNumber[] }],
      { school: lineSchool('im') },
      /takes single notes/,
    ],
    [
      'pins that break a strict school',
      line('11').map((n) => ({ ...n, pinned: ['i'] })),
      { school: lineSchool('im') },
      /don’t follow/,
    ],
    ['a loop shorter than the line', line('123'), { loop: ticks(10) }, /longer than its loop/],
  ] as const)('%s', (_what, notes, more, words) =>
    expect(reasons([...notes] as LineNote[], more as Partial<LineRequest>)).toMatch(words),
  );
});
