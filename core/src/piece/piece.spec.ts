import { readAloud } from '../words/index.js';
import { describe, expect, it } from 'vitest';
import { cycleById, CYCLES } from '../catalogue/index.js';
import { harmonyTurns, heldInTurn } from '../chart/index.js';
import { cycleLength } from '../cycle/index.js';
import { STANDARD_TUNING } from '../instrument/index.js';
import { readShape, type Shape } from '../left-hand/index.js';
import { DEFAULT_PROFILE } from '../player/index.js';

import { countInPlan } from '../sound/index.js';
import { TICKS_PER_COUNT } from '../time/index.js';
import {
  addSection,
  type Command,
  copyStudy,
  freeName,
  holdShape,
  makeStudy,
  pressSlot,
  putShape,
  removeSection,
  removeShape,
  renameStudy,
  type Section,
  setCapo,
  setCountNote,
  setCycle,
  setReminder,
  setChart,
  setLadder,
  setScript,
  setSteps,
  setTempo,
  type Study,
} from './index.js';

const buleria = cycleById('buleria')!;
const shape = (id: string, text: string): Shape => {
  const { frets, fingers } = readShape(text, '');
  return { id, name: id, frets, fingers };
};
const first = shape('first', '0-2-2-1-0-0');
const second = shape('second', 'x-x-3-2-1-1');
const base: Study = { ...makeStudy('s', 'Study', buleria), shapes: [first, second] };
const section = (change: Partial<Section>): Section => ({ ...(base.sections[0] as Section), ...change });
const read = (change: Partial<Section>) =>
  readAloud({
    section: section(change),
    shapes: base.shapes,
    tuning: STANDARD_TUNING,
    capo: 0,
    profile: DEFAULT_PROFILE,
  });
const id = base.sections[0]!.id;

describe('commands', () => {
  it('a shape joins the order behind the last, or takes a place in it; it is the study’s then', () => {
    const third = shape('third', '3-2-0-0-0-3');
    const start = setChart(id, 'first | second')(base);
    const order = (s: Study) => s.sections[0]?.chart;
    expect(order(holdShape(id, third)(start))).toBe('first | second | third');
    expect(order(holdShape(id, third, 0)(start))).toBe('third | second');
    expect(order(holdShape(id, third, 0)(base))).toBe('third');
    expect(holdShape(id, third)(start).shapes.at(-1)).toEqual(third);
    expect(order(start)).toBe('first | second');
  });
  it('change one thing and leave the study given untouched', () => {
    const after = setScript(id, 'ed ad')(base);
    expect(after.sections[0]?.script).toBe('ed ad');
    expect(base.sections[0]?.script).toBe('');
  });
  it('that change nothing return the study itself', () => {
    expect(setTempo(id, base.sections[0]!.bpm)(base)).toBe(base);
    expect(setSteps(id, 11)(base)).toBe(base);
    expect(setScript('elsewhere', 'p')(base)).toBe(base);
    expect(renameStudy('  ')(base)).toBe(base);
    expect(removeSection(id)(base)).toBe(base);
  });
  it('keep tempo and capo inside their bounds', () => {
    expect(setTempo(id, 900)(base).sections[0]?.bpm).toBe(400);
    expect(setCapo(40)(base).instrument.capo).toBe(12);
  });
  it('a key on a slot writes into the script; on an empty wheel it fills the turn with rests', () => {
    const one = pressSlot(id, 3, 'p')(base);
    expect(one.sections[0]?.script.split(' ')).toHaveLength(24);
    expect(one.sections[0]?.script.startsWith('. . . p .')).toBe(true);
    const cell = setScript(id, 'ed {ad md}x2')(base);
    expect(pressSlot(id, 3, 'u')(cell).sections[0]?.script).toBe('ed {au md}x2');
    expect(pressSlot(id, 99, 'u')(cell)).toBe(cell);
  });
  it('a shipped cycle is taken into a section whole, with the places that it wishes silent', () => {
    for (const c of CYCLES) {
      const study = setCycle('s-a', c)(makeStudy('s', 'Study'));
      expect(study.sections[0]?.cycle, c.name).toEqual(c);
      expect(addSection('other', 'Other', c)(study).sections[1]?.cycle, c.name).toEqual(c);
    }
    expect(CYCLES.some((c) => c.wishedSilent)).toBe(true);
  });
  it('a new cycle begins the pattern at its first count', () => {
    const moved = { ...base, sections: [section({ start: 5040 })] };
    expect(setCycle(id, cycleById('vals')!)(moved).sections[0]).toMatchObject({ start: 0, cycle: { id: 'vals' } });
  });
  it('another note for a count changes the spelling alone', () => {
    const study = makeStudy('s', 'Study', cycleById('vals'));
    const eighths = setCountNote('s-a', 'eighth')(study);
    expect(eighths.sections[0]).toEqual({
      ...study.sections[0]!,
      cycle: { ...study.sections[0]!.cycle, countNote: 'eighth' },
    });
    expect(setCountNote('s-a', 'eighth')(eighths)).toBe(eighths);
    expect(setCountNote('s-a', 'third' as never)(study)).toBe(study);
  });
  it('a section that is as it began takes the tempo and ladder of another cycle; one with work in it keeps its own', () => {
    const vals = cycleById('vals')!;
    const fresh = makeStudy('s', 'Study', cycleById('solea'));
    const own = fresh.sections[0]!.id;
    const tempo = (...before: Command[]) =>
      setCycle(own, vals)(before.reduce((study, command) => command(study), fresh)).sections[0]!;
    expect(tempo()).toMatchObject({ bpm: 170, ladder: { start: vals.tempo.low, end: 170 } });
    const kept = { bpm: 80, ladder: { end: 80 } };
    expect(tempo(setScript(own, 'p'))).toMatchObject(kept);
    expect(tempo(setChart(own, 'Am'))).toMatchObject(kept);
    expect(tempo(setTempo(own, 81)).bpm).toBe(81);
    expect(tempo(setLadder(own, { start: 51, end: 80, step: 6, passes: 4 })).bpm).toBe(80);
  });
  it('where a shape is taken out strings are open; a new name is the chart’s too', () => {
    const with2 = setChart(id, 'first | second')(base);
    expect(removeShape('first')(with2).sections[0]?.chart).toBe('. | second');
    expect(putShape({ ...first, name: 'E open' })(with2).sections[0]?.chart).toBe('"E open" | second');
    expect(putShape({ ...first, name: 'second' })(with2).shapes.map((s) => s.name)).toEqual(['second 2', 'second']);
    expect(putShape({ ...first, name: 'Again' })(base).shapes.map((s) => s.name)).toEqual(['Again', 'second']);
  });
  it('sections come and go, copies get ids of their own', () => {
    const two = addSection('s-b', 'B', buleria)(base);
    expect(removeSection(id)(two).sections.map((s) => s.name)).toEqual(['B']);
    expect(copyStudy(two, 't', 'Other').sections.map((s) => s.id)).toEqual(['t-1', 't-2']);
    expect(freeName('Stair 2', ['Stair', 'Stair 2'])).toBe('Stair 3');
  });
});

describe('reminders', () => {
  const study = makeStudy('s', 'Lamps');
  const three = ['breathe', 'thumb outward', 'look ahead'].reduce((s, r, n) => setReminder(n, r)(s), study);
  it('are three, each a line; an empty one goes and those behind it move up', () => {
    expect(three.reminders).toEqual(['breathe', 'thumb outward', 'look ahead']);
    expect(setReminder(1, ' slower ')(three).reminders).toEqual(['breathe', 'slower', 'look ahead']);
    expect(setReminder(0, ' ')(three).reminders).toEqual(['thumb outward', 'look ahead']);
    expect(setReminder(1, 'thumb outward')(three)).toBe(three);
    expect(setReminder(2, '')(study)).toBe(study);
  });
  it('a fourth and what is too long are refused', () => {
    expect(setReminder(3, 'more').refusal?.(three)).toMatchObject({ code: 'too many reminders' });
    expect(setReminder(3, 'more')(three)).toBe(three);
    expect(setReminder(0, 'x'.repeat(201)).refusal?.(study)).toMatchObject({ code: 'reminder too long' });
    expect(setReminder(0, 'x'.repeat(200)).refusal?.(study)).toBeNull();
  });
});

describe('the chart', () => {
  it('a bar a turn: the shapes go round with the turns', () => {
    const s = section({ chart: 'first | second' });
    expect([0, 1, 2].map((t) => heldInTurn(s, base.shapes, t)[0]?.shape.id)).toEqual(['first', 'second', 'first']);
    expect(harmonyTurns(s)).toBe(2);
  });
  it('by counts: two shapes over five groups take two turns', () => {
    const s = section({
      chart: 'first:3 second:3 first:2 second:2 first:2 | second:3 first:3 second:2 first:2 second:2',
    });
    expect(harmonyTurns(s)).toBe(2);
    expect(heldInTurn(s, base.shapes, 1).map((h) => h.shape.id)).toEqual([
      'second',
      'first',
      'second',
      'first',
      'second',
    ]);
  });
  it('neighbours of one shape are joined to one arc', () => {
    const s = section({ chart: 'first second' });
    expect(heldInTurn(s, base.shapes, 0).map((h) => [h.from / TICKS_PER_COUNT, h.to / TICKS_PER_COUNT])).toEqual([
      [0, 6],
      [6, 12],
    ]);
  });
  it('without shapes all strings are open', () => expect(heldInTurn(section({}), [], 0)[0]?.shape.id).toBe('open'));
});

describe('the plan for playback', () => {
  it('has each stroke with its pitch under the shape held there', () => {
    const { plan } = read({ script: 'p:b . . . . . {.}x18', chart: 'first | second' });
    const basses = plan.sounds.filter((s) => s.kind === 'pluck').map((s) => [s.at / TICKS_PER_COUNT, s.string, s.midi]);
    expect(basses).toEqual([
      [0, 6, 40],
      [12, 4, 53],
    ]);
    expect(plan).toMatchObject({ turns: 2, length: 2 * cycleLength(buleria) });
  });
  it('claps the accents by weight and clicks every count', () => {
    const { plan } = read({ script: 'i' });
    const turn = plan.sounds.filter((s) => s.at < cycleLength(buleria));
    expect(turn.filter((s) => s.kind === 'click')).toHaveLength(12);
    expect(turn.filter((s) => s.kind === 'clap').map((s) => s.at / TICKS_PER_COUNT)).toEqual([0, 3, 6, 8, 10]);
  });
  it('strings of a strum follow one another, low first when down', () => {
    const { plan } = read({ script: 'id:321' });
    const strum = plan.sounds.filter((s) => s.kind === 'pluck').slice(0, 3);
    expect(strum.map((s) => [s.string, s.delayMs])).toEqual([
      [3, 0],
      [2, 7],
      [1, 14],
    ]);
  });
  it('staccato stops half-way; a rest stops what is not let ring', () => {
    const stops = (script: string) =>
      read({ script, chart: '' })
        .plan.sounds.filter((s) => s.kind === 'stop' && s.at < 5040)
        .map((s) => [s.at, s.kind === 'stop' && s.strings]);
    expect(stops("i' m")).toEqual([[1260, [3]]]);
    expect(stops('i . {.}x22')).toEqual([[2520, [3]]]);
    expect(stops('i~ . {.}x22')).toEqual([]);
  });
  it('a golpe along with a stroke knocks and plucks at once; a slap stops the strings', () => {
    const { plan } = read({ script: 'p:5* S {.}x22' });
    expect(
      plan.sounds
        .filter((s) => s.at === 0 && s.kind !== 'clap' && s.kind !== 'click')
        .map((s) => s.kind)
        .sort(),
    ).toEqual(['golpe', 'pluck']);
    expect(plan.sounds.find((s) => s.kind === 'slap')?.at).toBe(2520);
    expect(plan.sounds.some((s) => s.kind === 'stop' && s.at === 2520)).toBe(true);
  });
  it('a left-hand mute is a dead stroke', () =>
    expect(read({ script: 'ix' }).plan.sounds.find((s) => s.kind === 'pluck')).toMatchObject({ damping: 'left hand' }));
  it('counts in for a turn, for two when the turn is short', () => {
    expect(countInPlan(buleria).turns).toBe(1);
    expect(countInPlan(cycleById('vals')!)).toMatchObject({ turns: 2, length: 6 * TICKS_PER_COUNT });
  });
});

describe('a reading in sentences', () => {
  const titles = (change: Partial<Section>) => read(change).findings.map((f) => f.title);
  const lines = (change: Partial<Section>) => read(change).findings.flatMap((f) => f.lines);
  const FIVE = 'ed ad md id iu';
  it('says when it comes round', () => {
    expect(titles({ script: FIVE })).toContain('Comes round after 5 turns');
    expect(lines({ script: FIVE })).toContain('24 passes of 5 steps (2.5 counts) over 12 counts a turn.');
    expect(titles({ script: '{id iu}x3' })).toContain('Comes round every turn');
  });
  it('says what meets each accent', () =>
    expect(lines({ script: FIVE })).toContain('12 e down · 3 a down · 6 m down · 8 a down · 10 e down'));
  it('names weak strokes and silent accents with their turns', () => {
    // Only flicks that lead to no landing.
    expect(titles({ script: 'ed au' })).toContain('5 of 5 accents fall on a weak stroke');
    const turned = 'iu! eu ad au id';
    expect(lines({ script: turned }).find((l) => l.startsWith('e up'))).toMatch(
      /^e up meets 3 and 8 in turn 1; 6 in turn/,
    );
    // A roll lands on the first flick of the next.
    expect(titles({ script: FIVE })).toContain('Every accent is carried');
    expect(lines({ script: '. {id}x23' })).toContain('Silent: 12.');
  });
  it('names the ceiling with its finger, and who is late above it', () => {
    expect(titles({ script: FIVE, bpm: 120 })[0]).toBe('Ceiling 352 (11.8 notes a second): i');
    expect(titles({ script: FIVE, bpm: 380 })[0]).toBe('No room at 380: i is late');
    expect(lines({ script: FIVE, bpm: 380 })[0]).toBe(
      'At 380 (12.7 notes a second), i has 78 ms between strokes and needs 85, from 1 & to 2 (down and up: half a return).',
    );
  });
  it('tells a better start, the ghost that belongs in a hole, and what to plant', () => {
    expect(titles({ script: 'a:1, m:1, i:1!', stepsPerCount: 3 })).toContain('Begin it on its 3rd step (i)');
    expect(titles({ script: FIVE }).some((t) => t.startsWith('Begin it'))).toBe(false);
    expect(lines({ script: 'id iu id iu . iu id iu' })).toContain('Ghost down at 2.');
    expect(titles({ script: 'p:4 i:3 a:1 m:2' })).toContain('Plant p i a at once');
    expect(lines({ script: 'p:4 i:3 a:1 m:2' })).toContain(
      'm on 1 & is not planted: its string is not thinner than the one before.',
    );
  });
  it('names up to six places, and counts more of them', () => {
    expect(lines({ script: '{iu id}x3 {id iu}x9' })).toContain('Against the swing: 12, 12 &, 1, 1 &, 2 and 2 &.');
    expect(lines({ script: '{iu id}x4 {id iu}x8' })).toContain('Against the swing: 8 places, first at 12.');
  });
  it('says how fast the strokes follow one another where they are closest, round the seam too', () => {
    const top = (script: string) => titles({ script, bpm: 120 }).find((t) => t.startsWith('Ceiling'));
    expect(top('i . . m')).toBe('Ceiling over 400 (13.3 notes a second): m → i');
    expect(top('. i . m .')).toBe('Ceiling over 400 (6.7 notes a second): m');
    expect(lines({ script: 'i . . . i . . .', bpm: 120 })[0]).toMatch(/^At 120 \(1\.0 notes a second\)/);
    // One stroke alone follows nothing.
    expect(lines({ script: 'i . . . . . . .', bpm: 120 })[0]).toMatch(/^At 120, i has/);
  });
  it('a shape wider than the hand is not for this hand', () => {
    const wide = shape('wide', '1-x-x-x-x-6');
    const r = readAloud({
      section: section({ script: 'p', chart: 'wide' }),
      shapes: [wide],
      tuning: STANDARD_TUNING,
      capo: 0,
      profile: DEFAULT_PROFILE,
    });
    expect(r.findings.map((f) => f.title)).toContain('wide: not for this hand');
  });
  it('an empty script has nothing to say', () => expect(read({ script: '' }).findings).toEqual([]));
});
