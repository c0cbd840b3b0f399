import { describe, expect, it } from 'vitest';
import { fretWidth, makeNeck, STANDARD_TUNING, touchAt } from '../../instrument/index.js';
import type { LeftFinger } from '../../left-hand/index.js';
import { DEFAULT_PROFILE, latePoints, leftHandOf, moveMs } from '../../player/index.js';
import { bpm, millimetres, type StringNumber, STRINGS, ticks } from '../../time/index.js';
import { FRET_SCHOOLS, type FretEvent, type FretLineRequest, fretSchool, type Placed, scoreFretting } from './index.js';

const neck = makeNeck(millimetres(650));
/** `1:5=2`: string 1, fret 5, finger 2; notes together with `+`. A count apart at 60: a second each. */
const placed = (text: string): Placed[] =>
  text.split('+').map((t) => {
    const [, string, fret, finger] = /^(\d):(\d+)=(\d)$/.exec(t) ?? [];
    return { string: Number(string) as StringNumber, fret: Number(fret), finger: Number(finger) as LeftFinger };
  });
const midi = ({ string, fret }: Placed) => (STANDARD_TUNING[STRINGS.indexOf(string)] ?? 0) + fret;
function cost(
  line: string,
  school = 'position',
  { tempo = 60, ringing = 0, ...more }: Partial<FretLineRequest> & { tempo?: number; ringing?: number } = {},
) {
  const steps = line.split(' ').map(placed);
  const events = steps.map((own, i): FretEvent => ({
    at: ticks(i * 5040),
    notes: own.map((p) => ({ midi: midi(p), ...(i === 0 && ringing ? { rings: ticks(ringing * 5040) } : {}) })),
  }));
  const base = { tuning: STANDARD_TUNING, neck, profile: DEFAULT_PROFILE, bpm: bpm(tempo), school: fretSchool(school) };
  const score = scoreFretting({ ...base, events, ...more }, steps);
  if ('faults' in score) throw new Error(JSON.stringify(score.faults));
  return score.cost;
}

describe('what a note pays by itself', () => {
  it('in the first position with its own finger nothing', () => {
    for (const line of ['1:1=1', '1:2=2', '1:3=3'])
      expect(
        Object.values(cost(line)).reduce((a, b) => a + b, 0),
        line,
      ).toBe(0);
  });
  it('the fourth finger 3', () => expect(cost('1:4=4')).toMatchObject({ weak: 3, stretch: 0, height: 0 }));
  it('a finger below its own fret 6 for each fret', () => {
    expect(cost('1:1=2')).toMatchObject({ squeeze: 6, stretch: 0 });
    expect(cost('1:1=3').squeeze).toBe(12);
    expect(cost('1:2=2').squeeze).toBe(0);
  });
  it('an open string 2, nothing to who wants open strings', () => {
    expect(cost('1:0=0').open).toBe(2);
    expect(cost('1:0=0', 'open').open).toBe(0);
    expect(cost('1:0=0', 'one string').open).toBe(8);
  });
  it('a stopped note that an open string has 30, where open strings are wanted', () => {
    expect(cost('2:5=1', 'open').open).toBe(30);
    expect(cost('2:4=1', 'open').open).toBe(0);
    expect(cost('2:5=1').open).toBe(0);
  });
  it('each fret of the position above the first 1', () => {
    expect(cost('1:5=1').height).toBe(4);
    expect(cost('1:8=4').height).toBe(4);
    expect(cost('1:1=1').height).toBe(0);
  });
  it('two notes together stretch as a shape does, four times that for a small hand’s sake', () => {
    const [wide, small] = [cost('6:1=1+1:5=4'), cost('6:1=1+1:5=4', 'small')];
    expect(wide.stretch).toBeGreaterThan(0);
    expect(small.stretch).toBe(4 * wide.stretch);
    // Fingers 1 and 4 stand a fret further apart than one a fret.
    expect([wide.squeeze, small.squeeze]).toEqual([4, 4]);
  });
});

describe('what a note pays after the one before', () => {
  it('a hand that leaves its position 40, and 2 for each fret', () =>
    expect(cost('1:1=1 1:8=4')).toMatchObject({ shift: 40 + 4 * 2, late: 0 }));
  it('with a finger that stays on its string for a guide 24, and 2 for each fret', () =>
    expect(cost('1:1=1 1:5=1').shift).toBe(24 + 4 * 2));
  it('nothing while open strings sound alone, as long as there is time', () => {
    expect(cost('1:1=1 2:0=0 1:8=4').shift).toBe(0);
    // A stopped note that sounds with the open one holds the hand.
    expect(cost('1:1=1+2:0=0 1:8=4').shift).toBe(48);
    // So does one that rings on under it.
    expect(cost('5:3=3 1:0=0 1:8=4', 'position', { ringing: 2 }).shift).toBe(48);
    expect(cost('5:3=3 1:0=0 1:8=4', 'position', { ringing: 1 }).shift).toBe(0);
  });
  it('a move that comes late in proportion to what is missing, of 80', () => {
    // A count at 600 a minute would be 100 ms; the tempo goes to 400: 150 ms.
    const left = leftHandOf(DEFAULT_PROFILE);
    const at = (fret: number) => touchAt(fret, 0, neck.scaleLength);
    const needed = moveMs(at(9) - at(1), fretWidth(9, neck), left);
    expect(needed).toBeGreaterThan(150);
    expect(cost('1:1=1 1:9=1', 'position', { tempo: 400 }).late).toBe(latePoints(80, needed, 150));
    expect(cost('1:1=1 1:9=1').late).toBe(0);
  });
  it('a finger that goes to another string and fret 10, over a neighbour on its own fret 6, the first 1', () => {
    expect(cost('1:2=2 2:3=2').jump).toBe(10);
    expect(cost('1:2=2 2:2=2').jump).toBe(6);
    // Farther over it jumps; the first finger collapses, or stands up, over two strings as well.
    expect(cost('1:2=2 3:2=2').jump).toBe(10);
    expect(cost('2:1=1 1:1=1')).toMatchObject({ jump: 0, hinge: 1 });
    expect(cost('3:1=1 1:1=1')).toMatchObject({ jump: 0, hinge: 1 });
    expect(cost('4:1=1 1:1=1')).toMatchObject({ jump: 10, hinge: 0 });
    expect(cost('1:2=2 1:3=2').jump).toBe(0);
    expect(cost('1:2=2 2:3=3').jump).toBe(0);
  });
  it('another finger on a note that is struck again 10; fingers of one fret whose order is turned round 4', () => {
    expect(cost('1:3=3 1:3=4').jump).toBe(10);
    expect(cost('1:3=3 1:3=3').jump).toBe(0);
    // On one fret the higher finger lies on the thinner string.
    expect(cost('1:2=2 2:2=3').jump).toBe(4);
    expect(cost('2:2=2 1:2=3').jump).toBe(0);
    expect(cost('1:2=2 2:3=3').jump).toBe(0);
  });
  it('a finger squeezed beside its neighbour 3, and the hand stays; not the first, nor one that has gone', () => {
    expect(cost('1:5=1 2:7=4')).toMatchObject({ squeeze: 3, shift: 0 });
    // Two frets below its own the hand goes along; so it does where the finger was on another fret.
    expect(cost('1:5=1 2:6=4').shift).toBe(40 + 2 * 2);
    expect(cost('1:8=4 2:7=4').shift).toBe(40 + 2);
    // The first has no neighbour below it.
    expect(cost('1:8=4 2:4=1').shift).toBe(40 + 2);
    // As long as one finger is in its place: 3 and 4 on one fret.
    expect(cost('3:7=2+2:8=3 3:7=2+2:8=4')).toMatchObject({ shift: 0 });
    // Near the nut fingers are squeezed anyway.
    expect(cost('1:1=1 2:2=3').squeeze).toBe(6);
  });
  it('a slide to where another finger lies 8 more', () => {
    // Into the place of the first: from the third fret of the hand to its first.
    expect(cost('1:8=3 1:6=3').shift).toBe(24 + 2 * 2 + 8);
    expect(cost('1:6=1 1:4=1').shift).toBe(24 + 2 * 2);
    // Two that slide together go as a form.
    expect(cost('2:3=2+1:2=1 2:5=2+1:4=1').shift).toBe(24 + 2 * 2);
  });
  it('a finger that hops from string to string in a shape that is held 8, where strings are given', () => {
    const strings = (text: string): Partial<FretLineRequest> => ({
      events: text.split(' ').map((t, i): FretEvent => ({
        at: ticks(i * 5040),
        notes: placed(t).map((p) => ({ midi: midi(p), string: p.string })),
      })),
    });
    const hops = (text: string) => cost(text, 'position', strings(text)).jump;
    // Up a fret and back, then the next string of the shape, which comes back: by the same finger, by another.
    expect(hops('4:7=2 4:8=3 4:7=2 3:8=3 2:6=1 3:8=3')).toBe(8);
    expect(hops('4:7=2 4:8=4 4:7=2 3:8=3 2:6=1 3:8=3')).toBe(0);
    // A note that comes back keeps its finger.
    expect(hops('4:7=2 3:8=3 2:6=1 3:8=4 4:7=2')).toBe(8);
    // In a scale fingers go on; a melody that looks for its strings yet is no shape.
    expect(hops('4:5=1 4:7=3 3:5=1 3:7=3 3:5=1 4:7=3')).toBe(0);
    expect(cost('4:7=2 4:8=3 4:7=2 3:8=3 2:6=1 3:8=3').jump).toBe(0);
  });
  it('a melody that leaves its string 30, where it is to stay on it', () => {
    expect(cost('1:1=1 2:3=3', 'one string').jump).toBe(30);
    expect(cost('1:1=1 1:3=3', 'one string').jump).toBe(0);
    // Of notes together the highest string has the melody.
    expect(cost('1:1=1+5:3=3 1:3=4', 'one string').jump).toBe(0);
  });
  it('a double stop that leaves its pair 6 for each string', () => {
    expect(cost('1:1=1+2:3=3 1:3=1+2:5=3').jump).toBe(0);
    expect(cost('2:1=1+3:2=2 1:3=4+2:3=3').jump).toBe(6);
    expect(cost('1:1=1+2:1=2 3:2=3+4:2=4').jump).toBe(12);
    // One note after two is no double stop.
    expect(cost('2:1=1+3:2=2 1:3=4').jump).toBe(0);
  });
  it('a shape that slides along its strings keeps its fingers: each that is changed 20', () => {
    expect(cost('3:4=2+2:3=1 3:5=2+2:4=1').jump).toBe(0);
    expect(cost('3:4=2+2:3=1 3:5=3+2:4=1').jump).toBe(20);
    expect(cost('3:4=2+2:3=1 3:5=4+2:4=3').jump).toBe(40);
    // One that goes farther than the other is no slide, nor is one that stays, or comes from an open string.
    expect(cost('3:4=2+2:3=1 3:6=4+2:4=1').jump).toBe(0);
    expect(cost('3:4=2+2:3=1 3:4=3+2:3=1').jump).toBe(10); // another finger on a note that stays
    expect(cost('3:0=0+2:0=0 3:2=3+2:2=2').jump).toBe(0);
  });
  it('a melody note that is let go while it could ring on 3', () => {
    // Its finger is needed elsewhere, or the hand goes.
    expect(cost('1:2=2 2:3=2').cut).toBe(3);
    expect(cost('1:1=1 2:8=4').cut).toBe(3);
    // It stays down under the next, on its fret it rolls over, its own string ends it, an open string rings by itself.
    for (const rings of ['1:2=2 2:3=3', '1:2=2 2:2=2', '1:1=1 1:8=4', '1:0=0 2:8=4'])
      expect(cost(rings).cut, rings).toBe(0);
    // What is written to ring is held; the lower of two notes is a bass; three are a chord.
    expect(cost('1:1=1 2:5=4', 'small', { ringing: 1.5 }).cut).toBe(0);
    expect(cost('2:1=1+1:3=3 3:4=3').cut).toBe(3);
    expect(cost('5:3=3+1:1=1 3:2=3+2:1=1').cut).toBe(0);
    expect(cost('1:1=1+2:1=1+3:2=2 4:3=2').cut).toBe(0);
  });
  it('a finger that opens over another string on its fret 4', () =>
    expect(cost('1:1=1 1:1=1+2:1=1')).toMatchObject({ hinge: 4, jump: 0 }));
});

describe('schools', () => {
  it('differ in what they say they mind', () => {
    expect(FRET_SCHOOLS.map((s) => s.id)).toEqual(['open', 'position', 'one string', 'small']);
    expect(['position', 'open', 'one string', 'small'].map((s) => cost('1:1=1 1:8=4', s).shift)).toEqual([
      48, 18, 16, 18,
    ]);
    expect(['position', 'open', 'one string', 'small'].map((s) => cost('1:1=1 1:5=1', s).shift)).toEqual([
      32, 14, 11, 14,
    ]);
    expect(['position', 'one string'].map((s) => cost('1:2=2 2:2=2', s).jump)).toEqual([6, 2 + 30]);
  });
});

describe('what a pedal pays', () => {
  const line = (first: string, last: string) => `1:0=0 3:2=2 ${first} 3:4=4 ${last} 2:1=1`;
  it('2 000 for each of its strokes that is stopped though an open string has it', () => {
    expect(cost(line('1:0=0', '1:0=0')).pedal).toBe(0);
    expect(cost(line('2:5=4', '1:0=0')).pedal).toBe(2000);
    expect(cost(line('2:5=4', '2:5=4')).pedal).toBe(4000);
  });
  it('nothing where the other voice does not move, or the string is asked for', () => {
    expect(cost('1:0=0 3:2=2 2:5=4 3:2=2 1:0=0 3:2=2').pedal).toBe(0);
    const there = line('2:5=4', '1:0=0').split(' ');
    const steps = there.map(placed);
    const events = steps.map((own, i): FretEvent => ({
      at: ticks(i * 5040),
      notes: own.map((p) => ({ midi: midi(p), ...(i === 2 ? { string: p.string } : {}) })),
    }));
    const base = { tuning: STANDARD_TUNING, neck, profile: DEFAULT_PROFILE, bpm: bpm(60) };
    const score = scoreFretting({ ...base, events, school: fretSchool('position') }, steps);
    expect('faults' in score ? null : score.cost.pedal).toBe(0);
  });
});
