import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cycleById } from '../catalogue/index.js';
import { sectionDrills } from '../drill/index.js';
import { STANDARD_TUNING } from '../instrument/index.js';
import { readShape, type Shape } from '../left-hand/index.js';
import {
  addSection,
  inOrder,
  makeSection,
  makeStudy,
  type Section,
  setChart,
  setForm,
  setScript,
} from '../piece/index.js';
import { DEFAULT_PROFILE } from '../player/index.js';
import { readSection } from '../reading/index.js';
import { flatten, parseScript, printScript } from '../script/index.js';
import { planPlayback } from '../sound/index.js';
import { anyPattern } from '../testing/arbitrary.js';
import { bpm, STRINGS, TICKS_PER_COUNT } from '../time/index.js';
import { sayBorrowed } from '../words/index.js';
import {
  barreHolds,
  heldOver,
  isPushed,
  pieceScore,
  pressedStretches,
  pushedScript,
  type Score,
  scoreOf,
  sectionChanges,
} from './index.js';

const four = cycleById('tangos')!;
const shape = (name: string, frets: string, fingers = frets): Shape => {
  const read = readShape(frets, fingers);
  return { id: name.toLowerCase(), name, frets: read.frets, fingers: read.fingers };
};
const shapes = [
  shape('C', 'x-3-2-0-1-0'),
  shape('G7', '3-2-0-0-0-1'),
  shape('D7', 'x-x-0-2-1-2', 'x-x-0-2-1-3'),
  shape('F', '1-3-3-2-1-1', '1-3-4-2-1-1'),
  shape('Cmaj7', 'x-3-5-4-5-x', 'x-1-3-2-4-x'),
  shape('Gmaj7', '3-x-4-4-3-x', '1-x-3-4-2-x'),
];
const study = { instrument: { tuning: STANDARD_TUNING, capo: 0 }, shapes };
const section = (script: string, chart = '', more: Partial<Section> = {}): Section => ({
  ...makeSection('s', 'S', four),
  script,
  chart,
  bpm: 120,
  ...more,
});
const score = (script: string, chart = '', more: Partial<Section> = {}): Score =>
  scoreOf(section(script, chart, more), study);
const notes = (s: Score) => s.events.map((e) => e.notes.map((n) => `${n.string}f${n.fret}`).join('+'));
const midis = (s: Score) => s.events.map((e) => e.notes.map((n) => n.midi));
const at = (n: number) => n * TICKS_PER_COUNT;
const change = (script: string, chart: string) =>
  sectionChanges(section(script, chart), score(script, chart), DEFAULT_PROFILE);

describe('the score of a section', () => {
  it('goes until pattern, chart and cycle come round together', () => {
    const s = score('p i m', 'C | G7 | C');
    expect(s).toMatchObject({ length: at(12), loops: true, truncated: false });
    expect(s.bars).toHaveLength(3);
    expect(s.events).toHaveLength(24);
    expect(s.events[9]).toMatchObject({ at: at(4.5), bar: 1, inBar: at(0.5), turn: 1, inTurn: at(0.5), pass: 3 });
    expect(s.events[9]?.source).toEqual({ section: 's', range: { from: 0, to: 1 } });
  });
  it('words that go on lengthen it as a chart does', () => {
    const s = score('p i m a', 'C', { words: 'la | . | voz' });
    expect(s).toMatchObject({ length: at(12), loops: true });
    expect(s.words.map((w) => [w.at, w.text])).toEqual([
      [0, 'la'],
      [at(8), 'voz'],
    ]);
  });
  it('or for as many bars as the section is given', () => {
    const s = score('p i m', 'C | G7', { bars: 3 });
    expect(s.length).toBe(at(12));
    expect(score('p - - - - - - - -', '', { bars: 1 }).events[0]?.duration).toBe(at(4));
  });
  it('id through D7:3 G7 changes on the fourth count', () => {
    const s = score('id - id - id - id -', 'D7:3 G7');
    expect(s.chords.map((c) => [c.name, c.at])).toEqual([
      ['D7', 0],
      ['G7', at(3)],
    ]);
    expect(notes(s)).toEqual(['4f0+3f2+2f1+1f2', '4f0+3f2+2f1+1f2', '4f0+3f2+2f1+1f2', '6f3+5f2+4f0+3f0+2f0+1f1']);
    expect(change('id - id - id - id -', 'D7:3 G7').find((c) => c.to.name === 'G7')).toMatchObject({
      at: at(3),
      label: '4',
    });
  });
  it('both fingers stand with every note; what a plectrum and the left hand play has no right finger', () => {
    const [first, second, third] = score('pi:5+2f3=4 Pd:3 L:2f1=1', 'C').events;
    expect(first?.notes).toMatchObject([
      { string: 5, fret: 3, right: 'p', left: 3 },
      { string: 2, fret: 3, right: 'i', left: 4 },
    ]);
    expect(second?.notes).toMatchObject([{ string: 3, right: null, left: 0 }]);
    expect(third?.notes).toMatchObject([{ string: 2, fret: 1, right: null, left: 1 }]);
  });
});

describe('a held shape is a state in time', () => {
  it('(C) i:1f3=1 leaves string 2 open until finger 1 is back, and says by when', () => {
    const script = 'i:1f3=1 - - m:2 {.}x4';
    const s = score(script, 'C');
    expect(notes(s)).toEqual(['1f3', '2f1']);
    const grip = s.grips.find((g) => g.borrowed.length > 0);
    expect(grip).toMatchObject({
      at: 0,
      until: at(1.5),
      borrowed: [{ finger: 1, from: [2], free: at(1.5), due: at(1.5) }],
    });
    expect(grip?.frets[STRINGS.indexOf(2)]).toBe(0);
    expect(sayBorrowed(grip!.borrowed[0]!, four)).toBe(
      'Finger 1 leaves string 2 for string 1 fret 3; string 2 is open until it is back, by 2 &.',
    );
    // Struck while the finger is away, string 2 sounds open.
    expect(notes(score('im:2+1f3=1 {.}x7', 'C'))).toEqual(['2f0+1f3']);
    expect(notes(score('i:1f3=1~ m:2 m:1 m:2 {.}x4', 'C'))).toEqual(['1f3', '2f0', '1f0', '2f1']);
  });
  it('(C) the first finger collapses over string 1 on its fret and stands up again: string 2 keeps its note', () => {
    const hinged = score("ma:2f1=1'+1f1=1~ - - pim:432 {.}x4", 'C');
    expect(notes(hinged)).toEqual(['2f1+1f1', '4f2+3f0+2f1']);
    expect(hinged.grips[0]).toMatchObject({
      frets: [null, 3, 2, 0, 1, 1],
      fingers: [null, 3, 2, 0, 1, 1],
      borrowed: [],
    });
    expect(notes(score('i:1f1=1 m:2 m:1 m:2 {.}x4', 'C'))).toEqual(['1f1', '2f1', '1f0', '2f1']);
    // Struck with it, by the shape alone, string 2 sounds as it is held.
    expect(notes(score('im:2+1f1=1 {.}x7', 'C'))).toEqual(['2f1+1f1']);
    // While it lies the grip says so; where its note ends it stands on its own string alone.
    expect(score('i:1f1=1 - m:2 m:1 {.}x4', 'C').grips.map((g) => g.fingers[5])).toEqual([1, 0]);
  });
  it('a finger written on two strings of a fret lies on both until the last is lifted', () => {
    // String 2 is struck again while string 1 rings on: the finger lies there still.
    expect(notes(score('im:2f5=1+1f5=1~ m:2 i:1 m:2 {.}x4', ''))).toEqual(['2f5+1f5', '2f5', '1f0', '2f0']);
    // Another note of the same finger on its fret, while the first rings.
    expect(notes(score('i:1f5=1~ m:2f5=1 - i:1 {.}x4', ''))).toEqual(['1f5', '2f5', '1f0']);
    expect(score('i:1f5=1~ m:2f5=1 {.}x6', '').grips[1]?.fingers).toEqual([0, 0, 0, 0, 1, 1]);
    // Elsewhere on the neck it has left both.
    expect(notes(score('im:2f5=1+1f5=1~ i:1f7=1 m:2 {.}x5', ''))).toEqual(['2f5+1f5', '1f7', '2f0']);
  });
  it('no other finger collapses from its place, and none lies over a string that would sound otherwise', () => {
    // The third goes over from string 5 to 6: between two strokes a bass is left.
    expect(score('p:6f3=3 - - - {.}x4', 'C').grips[0]?.borrowed).toMatchObject([{ finger: 3, from: [5] }]);
    // Written on both, it lies over both.
    expect(score('pi:6f3=3+5f3=3 - - - {.}x4', 'C').grips[0]).toMatchObject({
      borrowed: [],
      frets: [3, 3, 2, 0, 1, 0],
    });
    // String 3 is open in the chord: finger 1 would stop it.
    expect(score('p:4f1=1 m:2 {.}x6', 'C').grips[0]?.borrowed).toMatchObject([{ finger: 1, from: [2] }]);
  });
  it('`:f` takes the finger whose string is not struck meanwhile: on D9 the second goes over, not the fourth', () => {
    const d9 = { id: 'D9', name: 'D9', ...readShape('x-5-4-5-5-x', 'x-2-1-3-4-x') };
    const left = scoreOf({ ...section('p:b im:32 p:f im:32 {.}x4', 'D9') }, { ...study, shapes: [d9] }).events[2];
    expect(left?.notes).toMatchObject([{ string: 6, fret: 5, left: 2 }]);
  });
  it('stretches go by chord and by whether the hand is down, whatever single fingers do', () => {
    const stretches = (script: string, chart: string) =>
      pressedStretches(score(script, chart).grips).map((s) => [s.at / TICKS_PER_COUNT, s.chord, s.pressed]);
    expect(stretches('i:1f1=1 - - m:2 {.}x4', 'C')).toEqual([[0, 0, true]]);
    expect(stretches('id - iux - id - - -', 'F')).toEqual([
      [0, 0, true],
      [1, 0, false],
      [2, 0, true],
    ]);
    expect(stretches('id - - - id - - -', 'C:2 F')).toEqual([
      [0, 0, true],
      [2, 1, true],
    ]);
  });
  it('a free finger leaves nothing; a finger on its own place is not borrowed', () => {
    expect(score('i:2f3=4 m:2', 'C').grips.some((g) => g.borrowed.length)).toBe(false);
    expect(score('i:2f1=1 m:1', 'C').grips.some((g) => g.borrowed.length)).toBe(false);
  });
  it('under x, and after ^, nothing is pressed', () => {
    const pressed = (script: string) => score(script, 'F').grips.map((g) => [g.at / TICKS_PER_COUNT, g.pressed]);
    expect(pressed('id - iux - id - - -')).toEqual([
      [0, true],
      [1, false],
      [2, true],
    ]);
    expect(pressed('id^ . . . id - - -')).toEqual([
      [0, true],
      [0.5, false],
      [2, true],
    ]);
  });
  it('a chord that comes while nothing is pressed is not pressed until a stroke asks for it', () => {
    const s = score('id^ . . . . . . . . . id - - - - -', 'C | F');
    expect(s.grips.map((g) => [s.chords[g.chord]?.name, g.at / TICKS_PER_COUNT, g.pressed])).toEqual([
      ['C', 0, true],
      ['C', 0.5, false],
      ['F', 4, false],
      ['F', 5, true],
    ]);
  });
  it('so a barre is let go under muted strokes, and held through all others', () => {
    const held = (script: string) => barreHolds(score(script, 'F'), bpm(120), DEFAULT_PROFILE)[0]?.ms;
    expect(held('id iu id iu id iu id iu')).toBeNull();
    expect(held('id - iux - idx - iux -')).toBe(500);
    expect(held('id^ . . . . . . .')).toBe(250);
  });
});

describe('a change of chord', () => {
  it('under idx iux id iu has from the last pressed to the next pressed stroke', () => {
    // Pressed on 2 and 2 &, muted on the others: half a second to the next pressed stroke from the last.
    const script = 'idx iux id iu idx iux id iu';
    const to = change(script, 'C | F').find((c) => c.to.name === 'F');
    const there = to?.fingers.find((f) => f.finger === 2)?.thereMs;
    // From 4 & of the one bar to 2 of the next: one count and a half at 120.
    expect(there).toBe(750);
    const pressedAll = change('id iu id iu id iu id iu', 'C | F').find((c) => c.to.name === 'F');
    expect(pressedAll?.fingers.find((f) => f.finger === 2)?.thereMs).toBe(250);
  });
  it('ima:t> on the last & sounds the next bar’s chord, and its change is due there', () => {
    const script = 'p:b - ima:t - p:b - ima:t ima:t>';
    const s = score(script, 'C | F');
    expect(notes(s).slice(4, 6)).toEqual(['4f3+3f2+2f1', '6f1']);
    expect(s.events[4]?.chord).toBe(1);
    const due = change(script, 'C | F');
    expect(due.find((c) => c.to.name === 'F')).toMatchObject({ at: at(3.5), label: '4 &' });
    expect(due.find((c) => c.to.name === 'C')?.at).toBe(0);
    // The last one of the round is the first chord's.
    expect(notes(s)[9]).toBe('4f2+3f0+2f1');
  });
  it('an early stroke where no change follows stays on its chord', () =>
    expect(notes(score('id - - id>', 'C | % | F')).slice(0, 4)).toEqual(Array(4).fill('5f3+4f2+3f0+2f1+1f0')));
  it('a stroke held over it is a tie over the change; an early one, one let go or staccato is none', () => {
    const over = (script: string) => heldOver(score(script, 'C | F')).map((h) => [h.event, h.chord]);
    expect(over('id - - - - - - id - - - - - - - -')).toEqual([[1, 1]]);
    expect(over('id - - - - - - id> - - - - - - - -')).toEqual([]);
    expect(over('id - - - - - - id^ - - - - - - - -')).toEqual([]);
    expect(over("id - - - - - - id' - - - - - - - -")).toEqual([]);
  });
  it('pushes put > on the last stroke of the fingers before each change, and take it off again', () => {
    const s = section('p:b - ima:t - p:b - p:b ima:t', 'C | F');
    expect(isPushed(scoreOf(s, study))).toBe(false);
    const pushed = pushedScript(s, study, true);
    expect(pushed).toBe('p:b - ima:t - p:b - p:b ima:t>');
    expect(isPushed(scoreOf({ ...s, script: pushed }, study))).toBe(true);
    expect(pushedScript({ ...s, script: pushed }, study, false)).toBe(s.script);
    expect(isPushed(score('p:b', 'C | F'))).toBeNull();
    // Three counts before the change nothing is early.
    expect(isPushed(score('p:b - ima:t - p:b - p:b -', 'C | F'))).toBeNull();
  });
});

describe('basses that the chord decides', () => {
  it('Cmaj7 x-3-5-4-5-x has its fifth on string 6 fret 3', () =>
    expect(notes(score('p:b p:f', 'Cmaj7')).slice(0, 2)).toEqual(['5f3', '6f3']));
  it.each([
    ['C', '6f3'],
    ['G7', '4f0'],
    ['D7', '5f0'],
    ['F', '5f3'],
    // Not the open fourth string, which the shape holds elsewhere.
    ['Gmaj7', '5f5'],
  ])('%s has it at %s', (chord, place) => expect(notes(score('p:f', chord))[0]).toBe(place));
  it('a note that leads on lies a semitone below the next chord’s bass', () => {
    expect(notes(score('p:b - - - p:n - - -', 'G7 | C'))).toEqual(['6f3', '5f2', '5f3', '6f2']);
  });
  it('so many strings from the bass on: plucked finger by string, or struck', () => {
    expect(notes(score('pim:b3', 'C'))[0]).toBe('5f3+4f2+3f0');
    expect(notes(score('iu:b2', 'D7'))[0]).toBe('3f2+4f0');
  });
  it('follow the chord that a stroke takes early', () =>
    expect(notes(score('p:b - - - - - - p:f>', 'G7 | C')).slice(0, 2)).toEqual(['6f3', '6f3']));
});

describe('slurs', () => {
  it('L upward, downward and with the same finger are three things, all without the right hand', () => {
    const [, up, down, slide] = score('i:2f1=1 L:2f3=4 L:2f1=1 L:2f3=1').events;
    expect([up, down, slide].map((e) => [e?.notes[0]?.fret, e?.notes[0]?.left, e?.notes[0]?.right])).toEqual([
      [3, 4, null],
      [1, 1, null],
      [3, 1, null],
    ]);
    expect([up?.slur, down?.slur, slide?.slur]).toEqual(['hammer', 'pull', 'slide']);
    // Off to an open string, and where nothing was struck before.
    expect(score('i:2f3=4 L:2f0').events[1]?.slur).toBe('pull');
    expect(score('L:1f3 {.}x7').events[0]?.slur).toBeNull();
    const sounds = planPlayback(score('i:2f1=1 L:2f3=4'), { cycle: four }).sounds.filter((s) => s.kind === 'pluck');
    expect(sounds.slice(0, 2)).toMatchObject([{ touch: 'nail' }, { touch: 'ligado', midi: 62 }]);
  });
  it('a pull-off without a fret goes to what the shape has there', () =>
    expect(notes(score('i:2f3=4 L:2', 'C')).slice(0, 2)).toEqual(['2f3', '2f1']));
  it('give the right hand time', () => {
    const load = (script: string) =>
      readSection({ section: section(script), shapes, ...study.instrument, profile: DEFAULT_PROFILE }).load;
    expect(load('i:2 i:2f3').ceiling).toBeLessThan(load('i:2 L:2f3').ceiling!);
  });
});

describe('laws of the score', () => {
  it('a rest put in front shifts every note with its stroke', () =>
    fc.assert(
      fc.property(anyPattern, (pattern) => {
        const script = printScript(pattern);
        const options = { stepsPerCount: pattern.stepsPerCount };
        const flat = (text: string) => scoreOf(section(text, 'C', { ...options, bars: 64 }), study).events;
        const rest = TICKS_PER_COUNT / pattern.stepsPerCount;
        const n = flatten(parseScript(script, options).pattern).events.length;
        const heard = (text: string, by: number) =>
          flat(text)
            .slice(0, n)
            .map((e) => [e.at - by, e.notes.map((x) => x.midi)]);
        expect(heard(`. ${script}`, rest)).toEqual(heard(script, 0));
      }),
      { numRuns: 60 },
    ));
  it('every drill that keeps the music sounds only notes of the passage, on the chords due there', () => {
    const s = section('p:b i:3 m:2f3=4 a:1 p:f L:2f1=1 ima:t id:b4', 'C | G7:3 D7:1 | F');
    const passage = new Set(
      score(s.script, s.chart).events.flatMap((e) => e.notes.map((n) => `${n.string} ${n.midi}`)),
    );
    const { moves } = readSection({ section: s, shapes, ...study.instrument, profile: DEFAULT_PROFILE });
    for (const drill of sectionDrills(s, DEFAULT_PROFILE, moves)) {
      const { matter } = drill;
      if (matter.kind !== 'pattern' || matter.drill.variant.kind === 'open strings') continue;
      // Other fingers have other homes and sets: these drills change the strings on purpose.
      if (['start finger', 'pair', 'order'].includes(matter.drill.variant.kind)) continue;
      const made = scoreOf({ ...s, ...drill.make() }, study);
      for (const e of made.events)
        for (const n of e.notes)
          expect(passage, `${drill.key}: ${n.string} ${n.midi}`).toContain(`${n.string} ${n.midi}`);
    }
  });
  it('a start on another step keeps every chord under its strokes', () => {
    const s = section('p:b i:3 m:2 a:1 p:b i:3 m:2 a:1', 'C | G7');
    const drill = sectionDrills(s, DEFAULT_PROFILE, []).find((d) => d.key === 'rotation 3')!;
    const turned = midis(scoreOf({ ...s, ...drill.make() }, study));
    const before = midis(score(s.script, s.chart));
    expect(turned).toEqual([...before.slice(3), ...before.slice(0, 3)]);
  });
  it('score and plan agree, stroke by stroke', () =>
    fc.assert(
      fc.property(anyPattern, (pattern) => {
        const s = score(printScript(pattern), 'C | F', { stepsPerCount: pattern.stepsPerCount });
        const plucks = planPlayback(s, { cycle: four }).sounds.flatMap((x) =>
          x.kind === 'pluck' ? [`${x.at} ${x.string} ${x.midi}`] : [],
        );
        const struck = s.events.flatMap((e) => e.notes.map((n) => `${e.at} ${n.string} ${n.midi}`));
        expect([...plucks].sort()).toEqual([...struck].sort());
      }),
      { numRuns: 60 },
    ));
  it('grips fill the time without a gap', () =>
    fc.assert(
      fc.property(anyPattern, (pattern) => {
        const s = score(printScript(pattern), 'C | F:1 G7:3', { stepsPerCount: pattern.stepsPerCount });
        s.grips.forEach((g, i) => expect(g.at).toBe(s.grips[i - 1]?.until ?? 0));
        expect(s.grips.at(-1)?.until).toBe(s.length);
      }),
      { numRuns: 60 },
    ));
});

describe('the score of a piece', () => {
  it('puts the sections one after another, in the order of the form', () => {
    const made = inOrder(
      setScript('s-a', 'p:6'),
      addSection('b', 'B', four),
      setScript('b', 'i:1'),
      setChart('b', '. | .'),
      setForm('A {B}x2 A'),
    )(makeStudy('s', 'Study', four));
    const whole = pieceScore(made);
    expect(whole.form.faults).toEqual([]);
    expect(whole).toMatchObject({ length: at(24), loops: false });
    expect(whole.bars.map((b) => b.section)).toEqual(['s-a', 'b', 'b', 'b', 'b', 's-a']);
    expect(new Set(whole.events.filter((e) => e.at >= at(4) && e.at < at(20)).map((e) => e.source.section))).toEqual(
      new Set(['b']),
    );
    expect(whole.events.at(-1)?.bar).toBe(5);
    whole.events.forEach((e, i) => expect(e.at).toBeGreaterThanOrEqual(whole.events[i - 1]?.at ?? 0));
  });
});
