import { rankKeys } from '../rank-keys/index.js';
import { explainFretting, sayFacts } from '../../words/index.js';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { sayFault } from '../../words/index.js';
import { openPitch } from '../../instrument/index.js';
import { fingerShape, handOn, type LeftFinger, readShape } from '../../left-hand/index.js';
import { LEFT_HAND } from '../../testing/left-hand.js';
import { bpm, STRINGS, ticks } from '../../time/index.js';
import { bothHands } from '../both-hands/index.js';
import { type FrettedShape, voicings } from '../voicings/index.js';
import {
  FRET_SCHOOLS,
  type FretAnswer,
  type FretEvent,
  fretFacts,
  fretLine,
  type FretLineRequest,
  type Placed,
  readNotes,
  scoreFretting,
  SHAPES_FOR_CHORD,
  transposeNotes,
} from './index.js';
import { leftHandOf } from '../../player/index.js';

const base = LEFT_HAND;
const hand = handOn(base.neck, base.profile);
const C: FrettedShape = { frets: [null, 3, 2, 0, 1, 0], fingers: [null, 3, 2, 0, 1, 0] };
const F: FrettedShape = { frets: [1, 3, 3, 2, 1, 1], fingers: [1, 3, 4, 2, 1, 1] };
const placed = ({ frets, fingers }: FrettedShape): Placed[] =>
  STRINGS.flatMap((string, i) => {
    const fret = frets[i] ?? null;
    return fret === null ? [] : [{ string, fret, finger: fingers[i] ?? 0 }];
  });
const one = (midi: number): Placed[] =>
  STRINGS.flatMap((string) => {
    const fret = midi - openPitch(base.tuning, string, 0);
    const fingers: LeftFinger[] = fret === 0 ? [0] : [1, 2, 3, 4];
    return fret < 0 || fret > 5 ? [] : fingers.map((finger) => ({ string, fret, finger }));
  });
/** Every way to hold these events, scored from outside. */
function enumerated(request: FretLineRequest, ways: readonly (readonly Placed[])[][]): number[] {
  const totals: number[] = [];
  const walk = (steps: (readonly Placed[])[]) => {
    if (steps.length === ways.length) {
      const score = scoreFretting(request, steps);
      if (!('faults' in score)) totals.push(score.total);
    } else for (const way of ways[steps.length] ?? []) walk([...steps, way]);
  };
  walk([]);
  return totals.sort((a, b) => a - b);
}

describe('chords in a line', () => {
  it('optimum and k scores among single notes are those of every way: symbols, shapes given, shapes without fingers', () => {
    const symbol = (chord: string) => {
      const found = voicings({ chord, ...base, highestFret: 5, k: SHAPES_FOR_CHORD });
      return found.infeasible ? [] : found.answers.map((a) => placed(a.steps[0]!));
    };
    const bare = [null, 0, 2, 2, 1, 0] as const;
    const kinds: { event: Omit<FretEvent, 'at'>; ways: Placed[][] }[] = [
      ...['Am7', 'F', 'G7/B'].map((chord) => ({ event: { notes: [], chord }, ways: symbol(chord) })),
      { event: { notes: [], shapes: [C, F] }, ways: [C, F].map(placed) },
      {
        event: { notes: [], shapes: [{ frets: bare, fingers: [null, 0, null, null, null, 0] }] },
        ways: fingerShape(bare, hand, 1000).map((f) => placed({ frets: bare, fingers: f.fingers })),
      },
      ...[60, 64, 65, 69].map((midi) => ({ event: { notes: [{ midi }] }, ways: one(midi).map((p) => [p]) })),
    ];
    fc.assert(
      fc.property(
        // Chords that ring over one another for different lengths too.
        fc.array(fc.tuple(fc.constantFrom(...kinds), fc.constantFrom(0, 1500, 4000)), { minLength: 1, maxLength: 3 }),
        fc.constantFrom(...FRET_SCHOOLS),
        (list, school) => {
          const events = list.map(([kind, rings], i): FretEvent => ({
            ...kind.event,
            at: ticks(i * 1260),
            ...(rings && kind.event.notes.length === 0 ? { rings: ticks(rings) } : {}),
          }));
          const request = { ...base, events, school, highestFret: 5, k: 6 };
          const found = fretLine(request);
          const totals = found.infeasible ? [] : found.answers.map((a) => a.total);
          expect(totals).toEqual(
            enumerated(
              request,
              list.map(([kind]) => kind.ways),
            ).slice(0, 6),
          );
        },
      ),
      { numRuns: 40 },
    );
  });
  it('the first finger that closes from one string to several on its fret is a hinge; coming from elsewhere is dearer', () => {
    const half: FrettedShape = { frets: [null, null, 3, 2, 1, 1], fingers: [null, null, 3, 2, 1, 1] };
    const events: FretEvent[] = [
      { at: ticks(0), notes: [{ midi: 60, string: 2, finger: 1 }] },
      { at: ticks(2520), notes: [], shapes: [half] },
    ];
    const score = scoreFretting({ ...base, events }, [[{ string: 2, fret: 1, finger: 1 }], placed(half)]);
    if ('faults' in score) throw new Error(sayFacts(score.faults).join());
    expect(score.cost.hinge).toBeGreaterThan(0);
    expect(score.cost.jump).toBe(0);
    const elsewhere: FretEvent[] = [{ at: ticks(0), notes: [{ midi: 66, string: 1, finger: 1 }] }, events[1]!];
    const jumped = scoreFretting({ ...base, events: elsewhere }, [[{ string: 1, fret: 2, finger: 1 }], placed(half)]);
    if ('faults' in jumped) throw new Error(sayFacts(jumped.faults).join());
    expect(jumped.cost.hinge).toBe(0);
    expect(jumped.total).toBeGreaterThan(score.total);
    expect(explainFretting({ ...base, events }, [[{ string: 2, fret: 1, finger: 1 }], placed(half)])[1]!.text).toMatch(
      /finger 1 works as a hinge/,
    );
  });
  it('a barre of six strings costs more than a hinge', () => {
    const full: FrettedShape = { frets: [1, 3, 3, 2, 1, 1], fingers: [1, 3, 4, 2, 1, 1] };
    const half: FrettedShape = { frets: [null, null, 3, 2, 1, 1], fingers: [null, null, 3, 2, 1, 1] };
    const first = { at: ticks(0), notes: [{ midi: 60, string: 2 as const, finger: 1 as const }] };
    const cost = (shape: FrettedShape) => {
      const events: FretEvent[] = [first, { at: ticks(2520), notes: [], shapes: [shape] }];
      const score = scoreFretting({ ...base, events }, [[{ string: 2, fret: 1, finger: 1 }], placed(shape)]);
      if ('faults' in score) throw new Error(sayFacts(score.faults).join());
      return score;
    };
    expect(cost(full).cost.barre).toBeGreaterThan(cost(half).cost.barre);
    expect(cost(full).cost.barre).toBeGreaterThan(cost(half).cost.hinge);
    expect(cost(full).total).toBeGreaterThan(cost(half).total);
  });
  it('a chord that rings keeps its bass, whatever the melody does', () => {
    const read = readNotes('(Am7)~ c5 d5 e5', 4);
    expect(read.faults).toEqual([]);
    const result = fretLine({ ...base, events: read.events, k: 6 });
    if (result.infeasible) throw new Error(sayFacts(result.infeasible).join());
    for (const a of result.answers) {
      const [bass] = a.steps[0]!;
      for (const [p] of a.steps.slice(1)) {
        expect(p!.string).not.toBe(bass!.string);
        if (bass!.finger !== 0 && bass!.finger === p!.finger) expect(bass!.fret).toBe(p!.fret);
      }
    }
  });
  it('its upper notes ring on while the hand can stay, and end together when it has to leave', () => {
    const am = placed(readShape('x-0-2-2-1-0', 'x-0-2-3-1-0'));
    const ringing = (note: Placed) => {
      const shapes = [readShape('x-0-2-2-1-0', 'x-0-2-3-1-0')];
      const midi = 64 + note.fret;
      const events = [
        { at: ticks(0), notes: [], shapes, rings: ticks(10080) },
        { at: ticks(2520), notes: [{ midi }] },
      ];
      return fretFacts({ ...base, events }, [am, [note]])[1]!.ringing.map((r) => r.string);
    };
    expect(ringing({ string: 1, fret: 3, finger: 4 })).toEqual([5, 4, 3, 2]);
    expect(ringing({ string: 1, fret: 12, finger: 4 })).toEqual([5]);
  });
  it('fingers that a shape gives are kept, whatever the others are', () => {
    const half = {
      frets: readShape('x-x-0-2-3-2', '').frets,
      fingers: readShape('x-x-0-2-3-2', 'x-x-0-2-x-x').fingers,
    };
    const events = [{ at: ticks(0), notes: [], shapes: [half] }];
    const result = fretLine({ ...base, events, k: 9 });
    if (result.infeasible) throw new Error(sayFacts(result.infeasible).join());
    expect(result.answers.length).toBeGreaterThan(0);
    for (const a of result.answers) expect(a.steps[0]!.find((p) => p.string === 3)?.finger).toBe(2);
  });
  it('the thumb over the neck costs: a bass line is not given to it', () => {
    const left = { ...leftHandOf(base.profile), thumbOver: true };
    const events = [53, 55, 57].map((midi, i) => ({ at: ticks(i * 1260), notes: [{ midi: midi - 12 }] }));
    const ask = { ...base, profile: { ...base.profile, left }, events };
    const result = fretLine(ask);
    const best = result.infeasible ? [] : result.answers[0]!.steps.flat();
    expect(best.map((p) => p.finger)).not.toContain('T');
    const byThumb = scoreFretting(
      ask,
      [1, 3, 5].map((fret) => [{ string: 6, fret, finger: 'T' }]),
    );
    // Fourteen points a note, and the hand goes along: two shifts.
    expect(byThumb).toMatchObject({ cost: { weak: 42 } });
    expect((byThumb as FretAnswer).cost.shift).toBeGreaterThan(0);
  });
  it('is told as the shape it is held in', () => {
    const events: FretEvent[] = [{ at: ticks(0), notes: [], chord: 'C' }];
    expect(explainFretting({ ...base, events }, [placed(C)])[0]!.text).toBe('Note 1: C as x-3-2-0-1-0, in position 1.');
  });
  it('can’t be two things at once, nor a symbol nobody knows, nor a shape out of reach', () => {
    const say = (event: Omit<FretEvent, 'at'>) =>
      sayFacts(fretLine({ ...base, events: [{ at: ticks(0), ...event }] }).infeasible ?? []);
    expect(say({ notes: [{ midi: 60 }], chord: 'Am7' })?.[0]).toMatch(/Step 1 has a chord and something else/);
    expect(say({ notes: [], chord: 'Amaj9q' })?.[0]).toMatch(/^Step 1: .*not known as a chord.*Near it/);
    expect(
      say({
        notes: [],
        shapes: [{ frets: [1, 9, null, null, null, null], fingers: [1, 4, null, null, null, null] }],
      })?.[0],
    ).toMatch(/can’t hold the shape/);
  });
  it('six notes at once on free strings are answered, and soon', () => {
    const events: FretEvent[] = [{ at: ticks(0), notes: [40, 47, 52, 56, 59, 64].map((midi) => ({ midi })) }];
    const result = fretLine({ ...base, events, k: 1 });
    expect(result.infeasible).toBeUndefined();
    expect(result.infeasible ? [] : result.answers[0]!.steps[0]!.map((p) => p.fret)).toEqual([0, 2, 2, 1, 0, 0]);
  });
});

describe('chords in a melody’s text', () => {
  it('are read with their marks, and go along to another key', () => {
    const read = readNotes('(Am7)!~ c5 [a2~ e4] (F#m7b5)', 4);
    expect(read.faults).toEqual([]);
    expect(read.events.map((e) => e.chord)).toEqual(['Am7', undefined, undefined, 'F#m7b5']);
    expect(read.events[0]?.rings).toBe(2 * 1260);
    expect(read.accents[0]).toBe(true);
    expect(sayFault(readNotes('(Xm7)', 4).faults[0]!)).toMatch(/no chord symbol/);
    expect(transposeNotes('(Am7)~ c5 (D7/F#)', 2)).toBe('(Bm7)~ d5 (E7/G#)');
  });
  it('both hands: up to four strings are plucked together, more the thumb sweeps', () => {
    const result = bothHands(readNotes('(E)~ . b4 (Am7) a4', 2), { ...base, k: 1 });
    if (result.infeasible) throw new Error(sayFacts(result.infeasible).join());
    const { script, left } = result.answers[0]!;
    const wide = left.steps.flatMap((s, i) => (s.length > 4 ? [i] : []));
    expect(wide.length).toBeGreaterThan(0);
    for (const i of wide) expect(script).toContain(`pd:${left.steps[i]!.map((p) => p.string).join('')}`);
  });
  it('keys are ranked with their chords moved', () => {
    const { events } = readNotes('(Eb7) eb4 f4 g4', 2);
    const ranked = rankKeys({ ...base, events, transpositions: [0, 1], capos: [0] });
    expect(ranked.map((k) => k.total)).not.toContain(null);
    expect(ranked[0]!.transposed).toBe(1);
    const shapes = rankKeys({
      ...base,
      events: [{ at: ticks(0), notes: [], shapes: [C] }],
      transpositions: [0, 5],
      capos: [0],
    });
    expect(shapes.map((k) => k.total)).not.toContain(null);
  });
});

describe('why a note stands where it does', () => {
  it('every event has its sentence: open, position, guide, late, ring', () => {
    const read = readNotes('[a2~ e4] f4/1 a4/1 e5/1', 4);
    const request = { ...base, bpm: bpm(300), events: read.events, k: 1 };
    const steps: Placed[][] = [
      [
        { string: 5, fret: 0, finger: 0 },
        { string: 1, fret: 0, finger: 0 },
      ],
      [{ string: 1, fret: 1, finger: 1 }],
      [{ string: 1, fret: 5, finger: 1 }],
      [{ string: 1, fret: 12, finger: 4 }],
    ];
    const [first, second, third, fourth] = explainFretting(request, steps);
    expect(first!.text).toBe('Note 1: string 5 open with string 1 open.');
    expect(second!.text).toMatch(/^Note 2: finger 1 on string 1 fret 1, string 5 open rings on, in position 1\.$/);
    expect(third!.text).toMatch(
      /along a guide finger from position 1 to 5, 1\d\d mm, late: 50 ms there, about \d+ needed/,
    );
    expect(fourth!.position).toBe(9);
    expect(fourth!.faults[0]).toMatch(/^late/);
  });
});
