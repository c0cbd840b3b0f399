import { describe, expect, it } from 'vitest';
import { cycleById } from '../catalogue/index.js';
import { askedDrill, drillsOfMove, roundKey } from '../drill/index.js';
import { STANDARD_TUNING } from '../instrument/index.js';
import { readShape, type Shape } from '../left-hand/index.js';
import { makeSection, makeStudy, type Section } from '../piece/index.js';
import { DEFAULT_PROFILE } from '../player/index.js';
import { limitOf, readSection } from '../reading/index.js';
import { flatten, parseScript } from '../script/index.js';
import { sayDrills } from '../words/index.js';
import { leftLoad, type LeftMove } from './index.js';

const shape = (name: string, frets: string, fingers: string): Shape => ({
  id: name,
  name,
  ...readShape(frets, fingers),
});
const shapes = [
  shape('C', 'x-3-2-0-1-0', 'x-3-2-0-1-0'),
  shape('F', '1-3-3-2-1-1', '1-3-4-2-1-1'),
  shape('far', '8-10-10-9-8-8', '1-3-4-2-1-1'),
  shape('Am', 'x-0-2-2-1-0', 'x-0-2-3-1-0'),
];
const section = (script: string, more: Partial<Section> = {}): Section => ({
  ...makeSection('s', 'S', cycleById('tangos')!),
  script,
  bpm: 120,
  ...more,
});
const read = (s: Section) =>
  readSection({ section: s, shapes, tuning: STANDARD_TUNING, capo: 0, profile: DEFAULT_PROFILE });
const named = (moves: readonly LeftMove[]) => moves.map((m) => `${m.from.name} → ${m.to.name}`);

describe('every move of the left hand', () => {
  it('frets in strokes too: the jump comes first, with the arm’s way and the time that there is', () => {
    const { moves } = read(section('i:1f1=1 m:1f3=3 i:1f1=1 m:2f12=4 i:1f1=1 m:1f3=3 . .'));
    // Up with an open hand, and back: both a whole octave of the neck but for three frets.
    expect(named(moves).slice(0, 2).sort()).toEqual(['1f1 → 2f12', '2f12 → 1f1']);
    expect(moves[0]!.arm).toBeGreaterThan(220);
    expect(moves[0]!.sequential).toMatchObject({ thereMs: 250 });
    expect(moves.find((m) => m.to.name === '1f3')).toMatchObject({ arm: 0 });
  });
  it('a diminished shape slid down twice is one arm’s way, not four fingers’ sum', () => {
    const slid = section(
      'pima:4f8=1+3f9=3+2f8=2+1f9=4 - pima:4f5=1+3f6=3+2f5=2+1f6=4 - pima:4f2=1+3f3=3+2f2=2+1f3=4 - . .',
    );
    const down = read(slid).moves.filter((m) => m.moving === 0);
    expect(down.map((m) => [m.to.frets[2], m.arm, m.mm])).toEqual(
      expect.arrayContaining([
        [5, 79, 79],
        [2, 94, 94],
      ]),
    );
  });
  it('over a chord a note is held with its shape where the hand can, and alone where it cannot', () => {
    const { moves } = read(section('p:b i:1f3=4 m:1f12=4 i:1f3=4', { chart: 'Am' }));
    expect(named(moves)).toEqual(expect.arrayContaining(['Am 1f3 → 1f12', '1f12 → Am 1f3']));
    const jump = moves.find((m) => m.to.name === '1f12')!;
    expect([jump.to.frets, jump.to.fingers]).toEqual([
      [null, null, null, null, null, 12],
      [null, null, null, null, null, 4],
    ]);
    expect(jump.fingers.some((f) => f.action === 'stays')).toBe(false);
    // What the stroke stops itself belongs to it, where the chord has the same place too.
    const both = read(section('p:b im:2f1=1+1f12=4 - -', { chart: 'C' })).moves.find((m) => m.to.name === '2f1 1f12')!;
    expect(both.to.frets).toEqual([null, null, null, null, 1, 12]);
    // Another finger on the same fret has come for the note.
    const other = read(section('p:b i:2f1=2~ m:1f12=4 -', { chart: 'C' })).moves.find((m) => m.to.name === '1f12')!;
    expect(other.to.fingers[4]).toBe(2);
  });
  it('between chords they are those of the chart, each its own drills', () => {
    const s = section('p:b i:3 m:2 a:1', { chart: 'C | Am | F' });
    const { moves, changes } = read(s);
    expect(named(moves)).toEqual(changes.map((c) => `${c.from.name} → ${c.to.name}`));
    expect(moves.every((m) => m.line === null)).toBe(true);
    // The third as well as the first.
    expect(moves.map((m) => drillsOfMove(s, m).length).every((n) => n > 1)).toBe(true);
  });
  it('over a held shape a finger that comes down in its place, and the way home, are moves too', () => {
    const { moves } = read(section('p:b i:1f3=4 m:2 i:1 p:b p:6f1=1 m:2 i:1', { chart: 'C' }));
    expect(named(moves)).toEqual(expect.arrayContaining(['C → C 1f3', 'C 6f1 → C']));
    // Between the strokes on either side.
    expect(moves.find((m) => m.to.name === 'C 6f1')?.line).toMatchObject({ from: 4, to: 5 });
    // Lifting alone is none.
    const lifted = moves.filter((m) => m.to.name === 'C');
    expect(lifted.map((m) => m.fingers.find((f) => f.finger === 1)?.action)).toEqual(['swaps']);
  });
  it('a finger in the air over its place has been free since it left the neck', () => {
    // Third finger: free for six strokes, not for the one before.
    const run = section('i:1f5=1 m:1f7=3 i:1f5=1 m:2f5=1 i:2f6=2 m:1f5=1 i:1f6=2 m:1f7=3', { stepsPerCount: 4 });
    const move = read(run).moves.find((m) => m.to.name === '1f7' && m.from.name === '1f6');
    const third = move!.fingers.find((f) => f.finger === 3)!;
    expect(third.thereMs).toBeGreaterThan(4 * 125);
    // Where the arm goes along it is not free before the last stroke of the place before.
    const shift = section('i:1f5=1 m:1f7=3 i:1f5=1 m:2f5=1 i:2f6=2 m:1f5=1 i:1f6=2 m:1f12=3', { stepsPerCount: 4 });
    const far = read(shift).moves.find((m) => m.to.name === '1f12')!;
    expect(far.fingers.find((f) => f.finger === 3)!.thereMs).toBe(125);
  });
});

describe('the ceiling of the left hand', () => {
  it('is where its tightest move has just its time; the lower of two hands is the limit', () => {
    const s = section('{p:b ima:t}x4', { chart: 'C | far', bpm: 100 });
    const r = read(s);
    const { ceiling, move } = r.left!;
    const { neededMs, thereMs } = move.sequential!;
    expect(ceiling).toBeCloseTo((100 * thereMs) / neededMs, 6);
    expect(limitOf(r)).toMatchObject({ hand: 'left', ceiling });
    // At its own ceiling nothing is late, a little above something is.
    const late = (bpm: number) =>
      read({ ...s, bpm }).moves.some((m) => m.sequential && m.sequential.neededMs > m.sequential.thereMs);
    expect([late(Math.floor(ceiling) - 1), late(Math.ceil(ceiling) + 2)]).toEqual([false, true]);
    expect(limitOf(read(section('i:1 m:1 i:1 m:1', { chart: 'C | Am' })))).toMatchObject({ hand: 'right' });
    expect(leftLoad([], 120)).toBeNull();
    expect(limitOf({ load: { ceiling: null, cause: null }, left: r.left })).toMatchObject({ hand: 'left' });
  });
});

describe('drills of a move', () => {
  const s = section('i:1f1=1 m:1f3=3 i:2f1=1 m:2f12=4 i:1 m:1f3=3 . .', { bars: 2 });
  const study = { ...makeStudy('s', 'S'), sections: [s] };
  const { moves } = read(s);
  it('in a line the strokes that it lies between, alone', () => {
    const move = moves.find((m) => m.from.name === '2f1' && m.to.name === '2f12')!;
    const [drill, ...more] = drillsOfMove(s, move);
    expect(more).toEqual([]);
    expect(sayDrills([drill!])[0]!.name).toBe('The move alone: 2f1 → 2f12');
    const { events } = flatten(parseScript(drill!.make().script, drill!.make()).pattern);
    expect(events.slice(0, 2).map((e) => e.motion)).toMatchObject([
      { strings: [2], stops: [{ fret: 1, finger: 1 }] },
      { strings: [2], stops: [{ fret: 12, finger: 4 }] },
    ]);
    // On the chord that it is made on, wherever in the chart that is.
    const over = section('p:b i:1f3=4 m:2 i:1', { chart: 'C | Am' });
    const [up] = read(over).moves.filter((m) => m.from.name === 'Am' && m.to.name === 'Am 1f3');
    expect(up!.line!.chords).toEqual(['Am', 'Am']);
    expect(drillsOfMove(over, up!)[0]!.make().chart).toBe('Am');
    // By its key it is found again.
    expect(askedDrill(s, study, drill!.key, moves)?.make()).toEqual(drill!.make());
    expect(askedDrill(s, study, drill!.key)).toBeNull();
  });
  it('from a bar to the end and round into the first', () => {
    const three = {
      ...section('p:6 i:3 m:2 a:1 p:5 i:3 m:2 a:1 | p:4 i:3 m:2 a:1 p:4 i:3 m:2 - | p:6 - - - p:6 - - -', {
        chart: 'C | Am | F',
      }),
    };
    const whole = { ...makeStudy('s', 'S'), shapes, sections: [three] };
    const made = askedDrill(three, whole, roundKey(1))!;
    expect(made.make()).toMatchObject({
      script: 'p:4 i:3 m:2 a:1 p:4 i:3 m:2 - | p:6 - - - p:6 - - - | p:6 i:3 m:2 a:1 p:5 i:3 m:2 a:1',
      chart: 'Am | F | C',
    });
    expect(sayDrills([made])[0]!.name).toBe('From bar 2 round into bar 1');
    expect(askedDrill(three, whole, roundKey(3))).toBeNull();
  });
});
