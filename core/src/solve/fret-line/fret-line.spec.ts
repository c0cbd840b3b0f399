import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { makeNeck } from '../../instrument/index.js';
import type { LeftFinger } from '../../left-hand/index.js';
import { LEFT_HAND } from '../../testing/left-hand.js';
import { millimetres, STRINGS, ticks } from '../../time/index.js';
import {
  FRET_SCHOOLS,
  FRET_TERMS,
  type FretEvent,
  fretLine,
  type FretLineRequest,
  fretSchool,
  type Placed,
  scoreFretting,
} from './index.js';
import { sayFacts } from '../../words/index.js';

const base = LEFT_HAND;
const line = (...midi: number[]): FretEvent[] => midi.map((m, i) => ({ at: ticks(i * 1260), notes: [{ midi: m }] }));
const answers = (request: Partial<FretLineRequest> & { events: readonly FretEvent[] }) => {
  const result = fretLine({ ...base, ...request });
  if (result.infeasible) throw new Error(sayFacts(result.infeasible).join(' '));
  return result.answers;
};

/** Every way to play a line up to a fret, scored from outside. */
function enumerated(request: FretLineRequest, given = false): number[] {
  const totals: number[] = [];
  const ways = request.events.map((event) =>
    event.notes.reduce<Placed[][]>(
      (before, note) =>
        before.flatMap((way) =>
          STRINGS.flatMap((string, i) => {
            const fret = note.midi - (request.tuning[i] ?? 0) - request.neck.capo;
            const fingers: LeftFinger[] = fret === 0 ? [0] : [1, 2, 3, 4];
            return fret < 0 || fret > (request.highestFret ?? 12) || (given && string !== note.string)
              ? []
              : fingers.map((finger) => [...way, { string, fret, finger }]);
          }),
        ),
      [[]],
    ),
  );
  const walk = (steps: Placed[][]) => {
    if (steps.length === ways.length) {
      const score = scoreFretting(request, steps);
      if (!('faults' in score)) totals.push(score.total);
      return;
    }
    for (const way of ways[steps.length] ?? []) walk([...steps, way]);
  };
  walk([]);
  return totals.sort((a, b) => a - b);
}

describe('a fretted line', () => {
  it('optimum and all k scores are those of every way to play it', () => {
    const note = fc.integer({ min: 52, max: 66 });
    const event = fc.record({
      notes: fc.array(
        fc.record({ midi: note, rings: fc.constantFrom(undefined, ticks(3000)) }, { requiredKeys: ['midi'] }),
        { minLength: 1, maxLength: 2 },
      ),
    });
    fc.assert(
      fc.property(
        fc.array(event, { minLength: 1, maxLength: 2 }),
        fc.constantFrom(...FRET_SCHOOLS),
        fc.integer({ min: 0, max: 2 }),
        (list, school, capo) => {
          const events = list.map((e, i): FretEvent => ({
            at: ticks(i * 1260),
            notes: e.notes.map(({ midi, rings }) => (rings === undefined ? { midi } : { midi, rings })),
          }));
          const neck = makeNeck(millimetres(650), capo);
          const request = { ...base, neck, events, school, highestFret: 4, k: 6 };
          const result = fretLine(request);
          const found = result.infeasible ? [] : result.answers;
          expect(found.map((a) => a.total)).toEqual(enumerated(request).slice(0, 6));
          for (const a of found) {
            expect(scoreFretting(request, a.steps)).toMatchObject({ total: a.total, cost: a.cost });
            expect(FRET_TERMS.reduce((sum, t) => sum + a.cost[t], 0)).toBe(a.total);
          }
        },
      ),
      { numRuns: 150 },
    );
  });
  it('six notes on strings that are given too, where a shape is held and notes come back', () => {
    const place = fc.tuple(fc.constantFrom(4, 3, 2), fc.integer({ min: 5, max: 8 }));
    fc.assert(
      fc.property(
        fc.uniqueArray(place, { minLength: 2, maxLength: 4, selector: ([s, f]) => `${s} ${f}` }),
        fc.array(fc.nat(3), { minLength: 5, maxLength: 6 }),
        fc.constantFrom(...FRET_SCHOOLS),
        (places, order, school) => {
          const events = order.map((n, i): FretEvent => {
            const [string, fret] = places[n % places.length]!;
            const midi = (base.tuning[STRINGS.indexOf(string)] ?? 0) + fret;
            return { at: ticks(i * 2520), notes: [{ midi, string: string }] };
          });
          const request = { ...base, events, school, k: 4 };
          expect(answers(request).map((a) => a.total)).toEqual(
            enumerated({ ...request, highestFret: 8 }, true).slice(0, 4),
          );
        },
      ),
      { numRuns: 40 },
    );
  });
  it('what only a finger that rings on another string would bring near is no way, for the search nor for the scorer', () => {
    const neck = makeNeck(millimetres(650), 1);
    const events: FretEvent[] = [
      { at: ticks(0), notes: [{ midi: 64, rings: ticks(3000) }] },
      { at: ticks(1260), notes: [{ midi: 66 }, { midi: 55 }] },
    ];
    const request = { ...base, neck, events, highestFret: 4, k: 6 };
    expect(answers(request).map((a) => a.total)).toEqual(enumerated(request).slice(0, 6));
  });
  it('five notes in a row too, on free strings', () => {
    const request = { ...base, events: line(60, 62, 64, 65, 67), highestFret: 5, k: 5 };
    expect(answers(request).map((a) => a.total)).toEqual(enumerated(request).slice(0, 5));
  });
  it('six events too, with a bass that rings under them', () => {
    const events: FretEvent[] = line(64, 62, 60, 59, 62, 60).map((e, i) =>
      i === 0 ? { ...e, notes: [{ midi: 48, rings: ticks(5040) }, ...e.notes] } : e,
    );
    for (const school of FRET_SCHOOLS) {
      const request = { ...base, events, school, highestFret: 3, k: 8 };
      expect(answers(request).map((a) => a.total)).toEqual(enumerated(request).slice(0, 8));
    }
  });
  it('every note sounds its pitch, on the string that was given, under the finger that was pinned', () => {
    const events: FretEvent[] = [
      { at: ticks(0), notes: [{ midi: 64, string: 3 }] },
      { at: ticks(1260), notes: [{ midi: 65, finger: 3 }] },
    ];
    for (const a of answers({ events, k: 8 })) {
      expect(a.steps[0]![0]).toMatchObject({ string: 3, fret: 9 });
      expect(a.steps[1]![0]!.finger).toBe(3);
    }
  });
  it('a note that must ring is never left by its finger, nor struck on its string', () => {
    const events: FretEvent[] = [
      { at: ticks(0), notes: [{ midi: 43, rings: ticks(5040) }, { midi: 62 }] },
      ...line(0, 60, 62, 64)
        .slice(1)
        .map((e) => e),
    ];
    for (const a of answers({ events, k: 10 })) {
      const bass = a.steps[0]![0]!;
      for (const step of a.steps.slice(1))
        for (const p of step) {
          expect(p.string).not.toBe(bass.string);
          if (p.finger === bass.finger) expect(p.fret).toBe(bass.fret);
        }
    }
  });
  it('schools differ as they say: open strings, one string, one position', () => {
    const events = line(64, 65, 67, 69, 71, 69, 67, 65);
    const best = (id: string) => answers({ events, school: fretSchool(id), k: 1 })[0]!;
    const strings = (id: string) => new Set(best(id).steps.map((s) => s[0]!.string)).size;
    expect(best('open').steps.some((s) => s[0]!.fret === 0)).toBe(true);
    expect(strings('one string')).toBe(1);
    expect(best('position').cost.shift).toBe(0);
    expect(best('one string').cost.shift).toBeGreaterThan(0);
  });
});

describe('the first position', () => {
  const fingers = (...midi: number[]) => answers({ events: line(...midi), k: 1 })[0]!.steps.map((s) => s[0]!.finger);
  it('has a finger for each fret, as every method teaches', () => {
    expect(fingers(64, 65, 67, 65, 64)).toEqual([0, 1, 3, 1, 0]);
    expect(fingers(65, 66, 67, 68, 67, 66, 65)).toEqual([1, 2, 3, 4, 3, 2, 1]);
    expect(fingers(60, 62, 60, 59)).toEqual([1, 3, 1, 0]);
  });
});

describe('what can’t be fretted', () => {
  it('is said with its place: beyond the neck, two notes on one string, too many, what rings in the way', () => {
    const say = (events: readonly FretEvent[]) => sayFacts(fretLine({ ...base, events }).infeasible ?? [])[0];
    expect(say(line(64, 99))).toMatch(/^Step 2: E♭7 is not on any string up to fret 12/);
    expect(
      say([
        {
          at: ticks(0),
          notes: [
            { midi: 64, string: 3 },
            { midi: 65, string: 3 },
          ],
        },
      ]),
    ).toMatch(/two notes on one string/);
    expect(say([{ at: ticks(0), notes: [40, 41, 42].map((midi) => ({ midi })) }])).toMatch(
      /no fingers hold these notes together/,
    );
    expect(say([])).toMatch(/no notes/);
    expect(say(Array.from({ length: 5_001 }, (_, i) => ({ at: ticks(i), notes: [{ midi: 60 }] })))).toMatch(
      /5000 is the most/,
    );
    expect(
      say([
        { at: ticks(0), notes: [{ midi: 43, rings: ticks(5040) }] },
        { at: ticks(1260), notes: [{ midi: 76 }] },
      ]),
    ).toMatch(/Step 2 can’t be held while what rings before it goes on/);
  });
});
