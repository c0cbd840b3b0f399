import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { STANDARD_TUNING } from '../instrument/index.js';
import { OPEN_SHAPE } from '../left-hand/index.js';
import { DEFAULT_PROFILE } from '../player/index.js';
import { flatten, parseScript, printScript } from '../script/index.js';
import { directionOf, hasMark } from '../stroke/index.js';
import { anyPattern } from '../testing/arbitrary.js';
import { bpm } from '../time/index.js';
import {
  exchangedLoad,
  handLoad,
  motionCheck,
  type PlantEvent,
  plantPlan,
  soundStroke,
  tightestPlace,
} from './index.js';

const read = (text: string, stepsPerCount = 2) => parseScript(text, { stepsPerCount }).pattern;
const touches = (text: string): PlantEvent[] =>
  flatten(read(text)).events.map((e) => ({
    at: e.at,
    touches: soundStroke(e.motion, OPEN_SHAPE, { tuning: STANDARD_TUNING, capo: 0 }),
    strum: directionOf(e.motion) !== null,
    rings: hasMark(e.motion, '~'),
  }));
const load = (text: string, tempo = 120, steps = 2) =>
  handLoad(flatten(read(text, steps)), bpm(tempo), DEFAULT_PROFILE);
const finger = (l: ReturnType<typeof load>, f: string) => l.fingers.find((x) => x.finger === f)!;

describe('planting', () => {
  it('p i a m on strings 4 3 1 2 plants p, i and a, and not m', () => {
    const plants = plantPlan(touches('p:4 i:3 a:1 m:2'));
    expect(plants.map((p) => p.atOnce)).toEqual([true, true, true, false]);
    expect(plants[0]?.set).toEqual(['p', 'i', 'a']);
    expect(plants[3]?.reason).toBe('not rising');
  });
  it('p i m a on rising strings plants all four, each next finger as the one before plays', () => {
    const plants = plantPlan(touches('p:4 i:3 m:2 a:1'));
    expect(plants.map((p) => p.next)).toEqual(['i', 'm', 'a', null]);
    expect(plants.every((p) => p.atOnce)).toBe(true);
  });
  it('tremolo p a m i plants p and a; the rest meets the same string', () => {
    const plants = plantPlan(touches('p:4 a:1 m:1 i:1'));
    expect(plants.map((p) => p.atOnce)).toEqual([true, true, false, false]);
    expect(plants[2]?.reason).toBe('not rising');
    expect(plants[3]?.reason).toBe('run over');
  });
  it('each thumb stroke after a finger begins a new figure', () => {
    const plants = plantPlan(touches('p:5 i:3 m:2 p:4 i:3 m:2'));
    expect(plants.filter((p) => p.set.length).map((p) => p.index)).toEqual([0, 3]);
  });
  it('nothing is planted on a string that must ring', () => {
    const plants = plantPlan(touches('p:5 i:3 a:1~ p:4 i:3 a:1'));
    expect(plants[5]).toMatchObject({ atOnce: false, reason: 'must ring' });
    expect(plants[4]?.atOnce).toBe(true);
  });
  it('the thumb’s ringing bass does not stop i m a; the thumb itself is not set on it', () => {
    const plants = plantPlan(touches('p:5~ i:3 m:2 a:1'));
    expect(plants[0]).toMatchObject({ set: ['i', 'm', 'a'], atOnce: false, reason: 'must ring' });
    expect(plants.slice(1).map((p) => p.atOnce)).toEqual([true, true, true]);
    // What rings in the middle is left out alone.
    expect(plantPlan(touches('p:5 i:3~ m:2 a:1'))[0]?.set).toEqual(['p', 'm', 'a']);
  });
  it('goes by strings from thicker to thinner, whatever sounds on them', () => {
    // High on string 4 and low on 3: the finger lies on the thinner string all the same.
    const high = plantPlan(touches('p:5 i:4f12 m:3f2 a:2f1'));
    expect(high[0]?.set).toEqual(['p', 'i', 'm', 'a']);
    expect(plantPlan(touches('p:5 m:2f1 a:3f14'))[0]?.set).toEqual(['p', 'm']);
    // A block lies on all its strings.
    expect(plantPlan(touches('p:5 im:32 a:2'))[2]).toMatchObject({ atOnce: false, reason: 'not rising' });
  });
  it('a finger that comes again ends the run', () =>
    expect(plantPlan(touches('i:3 m:2 i:1'))[2]?.reason).toBe('same finger'));
  it('fingers that nobody knows yet are none that comes again', () => {
    const plants = plantPlan(touches('?:4 ?:3 ?:2'));
    expect(plants.map((p) => p.reason)).toEqual([null, null, null]);
  });
  it('strums plant nothing', () => expect(plantPlan(touches('id iu')).every((p) => p.reason !== null)).toBe(true));
});

describe('pendulum', () => {
  it('a rhythm with a hole on the third beat gets one ghost down stroke there and keeps its pendulum', () => {
    const m = motionCheck(read('id iu id iu . iu id iu'));
    expect(m).toMatchObject({ applies: 'pendulum', fights: [], seam: true });
    expect(m.holes).toHaveLength(1);
    expect(m.holes[0]).toMatchObject({ at: 2 * 5040, way: 'd', slot: 4 });
    expect(m.repairedScript).toBe('id iu id iu (d) iu id iu');
  });
  it('down on the beat and up between holds with nothing to mend', () =>
    expect(motionCheck(read('id iu id iu'))).toMatchObject({ fights: [], holes: [], repaired: null }));
  it('a stroke against the swing is named and turned', () => {
    const m = motionCheck(read('id iu iu:12 iu id iu'));
    expect(m.fights.map((f) => f.slot)).toEqual([2]);
    expect(m.repairedScript).toBe('id iu id:21 iu id iu');
  });
  it('slow strokes swing slowly: no ghosts between', () =>
    expect(motionCheck(read('id - - - iu - - -')).holes).toEqual([]));
  it('an odd number of swings turns round at the seam', () => expect(motionCheck(read('id iu id')).seam).toBe(false));
  it('flicks and plucks have no pendulum', () => {
    expect(motionCheck(read('ed ad md id iu')).applies).toBe('flicks');
    expect(motionCheck(read('p i m a')).applies).toBe('plucks');
    expect(motionCheck(read('')).applies).toBe('nothing');
  });
  it('a repaired pattern needs no repair', () => {
    const steps = fc.array(fc.constantFrom('.', '-', 'id', 'iu', '(d)', '(u)'), { minLength: 2, maxLength: 12 });
    fc.assert(
      fc.property(steps, (list) => {
        const m = motionCheck(read(list.join(' ')));
        if (!m.repaired || m.holes.some((h) => h.slot === null)) return;
        const again = motionCheck(m.repaired);
        expect(again.fights, printScript(m.repaired)).toEqual([]);
      }),
    );
  });
});

describe('load', () => {
  it('i m at a given speed loads each finger twice as much as p a m i', () => {
    const two = finger(load('i m'), 'i');
    const four = finger(load('p a m i'), 'i');
    expect(two.strokesPerSecond).toBeCloseTo(2 * four.strokesPerSecond, 10);
    expect(two.share).toBeCloseTo(2 * four.share, 10);
  });
  it('a four-finger cycle at 16 notes a second asks each finger for 4; i m asks for 8', () => {
    expect(finger(load('p a m i', 240, 4), 'a').strokesPerSecond).toBeCloseTo(4);
    expect(finger(load('i m', 240, 4), 'm').strokesPerSecond).toBeCloseTo(8);
  });
  it('alternation id iu loads one finger with half returns', () => {
    const l = load('id iu');
    expect(l.fingers.map((f) => f.finger)).toEqual(['i']);
    expect(finger(l, 'i')).toMatchObject({ half: true, neededMs: DEFAULT_PROFILE.returnMs.i / 2, leastMs: 250 });
  });
  it('the same way twice needs the whole return', () =>
    expect(finger(load('id id'), 'i')).toMatchObject({ half: false, neededMs: 170 }));
  it('at the ceiling the tightest finger is exactly in time', () => {
    const l = load('ed ad md id iu');
    expect(l.cause).toEqual({ kind: 'finger', finger: 'i', half: true });
    expect(
      Math.max(
        ...handLoad(flatten(read('ed ad md id iu')), bpm(l.ceiling!), DEFAULT_PROFILE).fingers.map((f) => f.share),
      ),
    ).toBeCloseTo(1);
  });
  it('shares grow with the tempo, the ceiling does not move', () => {
    expect(finger(load('i m', 240), 'i').share).toBeCloseTo(2 * finger(load('i m', 120), 'i').share);
    expect(load('i m', 240).ceiling).toBeCloseTo(load('i m', 60).ceiling!);
  });
  it('a golpe uses a, and is named when it sets the ceiling', () => {
    expect(load('p* p* p* p*', 120, 4).cause).toEqual({ kind: 'golpe', finger: 'a' });
    expect(finger(load('G i m'), 'a').strokesPerSecond).toBeGreaterThan(0);
  });
  it('a joint sets the ceiling where every finger has time but two stand close', () =>
    expect(load('p a . . . . . . . . . .', 60, 8).cause).toEqual({ kind: 'joint', from: 'p', to: 'a' }));
  it('every joint has its own share of the time, the tightest first', () => {
    const { joints } = load('p i m a', 120, 4);
    expect(joints.map((j) => `${j.from}${j.to}`)).toEqual(['pi', 'im', 'ma', 'ap']);
    expect(joints[0]).toMatchObject({ leastMs: 125, neededMs: 60, share: 60 / 125, slot: 0, next: 1 });
    expect(joints[3]).toMatchObject({ slot: 3, next: 0 });
  });
  it('the tightest place of all is the one that sets the ceiling', () =>
    fc.assert(
      fc.property(anyPattern, (pattern) => {
        const whole = handLoad(flatten(pattern), bpm(140), DEFAULT_PROFILE);
        const place = tightestPlace(whole);
        if (whole.ceiling === null) expect(place).toBeNull();
        else expect(140 / place!.share).toBeCloseTo(whole.ceiling, 6);
      }),
    ));
  it('nothing played has no ceiling', () =>
    expect(load('. .')).toEqual({ fingers: [], joints: [], plectrum: null, ceiling: null, cause: null }));
});

describe('two fingers that have changed places', () => {
  const exchanged = (text: string, from: 'p' | 'a', to: 'i' | 'a') =>
    exchangedLoad(flatten(read(text)), [from, to], bpm(120), DEFAULT_PROFILE);
  it('have each other’s strokes and times; all else stays', () => {
    const [before, after] = [load('p:5 i:3 m:2 i:3'), exchanged('p:5 i:3 m:2 i:3', 'p', 'i')];
    expect(finger(after, 'p').strokesPerSecond).toBe(finger(before, 'i').strokesPerSecond);
    expect(finger(after, 'i').leastMs).toBe(finger(before, 'p').leastMs);
    expect(finger(after, 'm')).toEqual(finger(before, 'm'));
    expect(after).toEqual(load('i:5 p:3 m:2 p:3'));
  });
  it('a golpe is left out where its finger would stroke at once, and stays elsewhere', () => {
    // One stroke of a in four steps, and no tap beside it.
    expect(finger(exchanged('p:5* . . .', 'p', 'a'), 'a')).toMatchObject({ strokesPerSecond: 1, golpe: false });
    expect(finger(exchanged('p:5 . G .', 'p', 'a'), 'a')).toMatchObject({ strokesPerSecond: 2, golpe: true });
  });
});
