import { remediesOf } from '../findings/index.js';
import { readAloud, sayRemedy, sayRightHand } from '../words/index.js';
import { describe, expect, it } from 'vitest';
import { cycleById } from '../catalogue/index.js';
import { chartName } from '../chart/index.js';
import { blockChords } from '../drill/index.js';
import { STANDARD_TUNING } from '../instrument/index.js';
import { fingerShape, fretsText, handOn, readShape, type Shape } from '../left-hand/index.js';
import { makeSection, makeStudy, type Section } from '../piece/index.js';
import { DEFAULT_PROFILE, type HandProfile, leftHandOf, neckOf } from '../player/index.js';

import { rightHandMove } from '../right-hand/index.js';
import { flatten, parseScript, readStep } from '../script/index.js';
import type { Motion } from '../stroke/index.js';
import { bpm as toBpm, millimetres, millis } from '../time/index.js';
import { barreHolds, scoreOf } from './index.js';

const shape = (id: string, frets: string, fingers: string): Shape => {
  const { frets: f, fingers: g } = readShape(frets, fingers);
  return { id, name: id, frets: f, fingers: g };
};
const C = shape('C', 'x-3-2-0-1-0', 'x-3-2-0-1-0');
const AM = shape('Am', 'x-0-2-2-1-0', 'x-0-2-3-1-0');
const D = shape('D', 'x-x-0-2-3-2', 'x-x-0-1-3-2');
const F = shape('F', '1-3-3-2-1-1', '1-3-4-2-1-1');
const F7 = shape('F7', '1-3-1-2-1-1', '1-3-1-2-1-1');
const BM = shape('Bm', 'x-2-4-4-3-2', 'x-1-3-4-2-1');
const shapes = [C, AM, D, F, F7, BM];
const study = { instrument: { tuning: STANDARD_TUNING, capo: 0 }, shapes };
const section = (more: Partial<Section>): Section => ({
  ...makeSection('s', 'S', cycleById('tangos')!),
  script: 'p:b ima:t p:b ima:t p:b ima:t p:b ima:t',
  chart: 'C | D',
  bpm: 120,
  ...more,
});
const read = (s: Section, profile: HandProfile = DEFAULT_PROFILE) =>
  readAloud({ section: s, shapes, tuning: STANDARD_TUNING, capo: 0, profile });
const motions = (text: string) => text.split(' ').map((t) => readStep(t).step as Motion);

describe('the right hand moves with the chord', () => {
  it('thumb and fingers go to the strings of the new one: p5 ima 432 to p4 ima 321', () => {
    const move = rightHandMove(C, D, motions('p:b ima:t'));
    expect(move).toMatchObject({ thumb: { from: 5, to: 4 }, fingers: { from: [4, 3, 2], to: [3, 2, 1] } });
    expect(sayRightHand(move)).toEqual([
      'The right hand moves: the thumb goes from string 5 to 4 and the fingers go from 4 3 2 to 3 2 1.',
    ]);
  });
  it('stays where both chords have the same strings, and where the script asks for neither', () => {
    expect(sayRightHand(rightHandMove(C, AM, motions('p:b ima:t')))).toEqual([]);
    expect(sayRightHand(rightHandMove(C, D, motions('i:1 m:1')))).toEqual([]);
  });
  it('strums begin on another string; a thumb on its own home follows the bass too', () => {
    expect(sayRightHand(rightHandMove(F, D, motions('id iu')))[0]).toMatch(/strums begin on string 4, not 6/);
    expect(rightHandMove(C, D, motions('p i')).thumb).toEqual({ from: 5, to: 4 });
  });
  it('a script by string numbers stays behind: a bass that is left out, or is another', () => {
    expect(sayRightHand(rightHandMove(C, D, motions('p:5 ima:432')))[0]).toMatch(
      /strikes string 5, which this chord leaves out: it stays dead there\.$/,
    );
    expect(sayRightHand(rightHandMove(C, F, motions('p:5 i:3')))[0]).toMatch(
      /keeps the thumb on string 5; this chord’s bass is on 6/,
    );
    expect(sayRightHand(rightHandMove(F, F, motions('p:5 i:3')))).toEqual([]);
    expect(rightHandMove(C, F, motions('p:5 i:3 p:6 i:3')).offBass).toBeNull();
    // Where p:b is written the thumb goes along, and p:4 is its walk.
    expect(rightHandMove(C, F, motions('p:b i:3 p:4 i:3')).offBass).toBeNull();
    expect(rightHandMove(C, F, motions('p:5 i:3 p:4 i:3')).offBass).toBeNull();
    expect(rightHandMove(C, F, motions('p:5 i:3 p:5 i:3')).offBass).toEqual({ struck: 5, bass: 6 });
  });
  it('is said with the change, and among the findings; a slip is to be watched', () => {
    const moving = read(section({}));
    expect(moving.changes.find((c) => c.to.name === 'D')!.rightHand.thumb).toEqual({ from: 5, to: 4 });
    expect(moving.findings.find((f) => f.code === 'block')).toMatchObject({
      tone: 'plain',
      title: 'The right hand moves with the chords',
    });
    const slip = read(section({ script: 'p:5 i:3 m:2 a:1' })).findings.find((f) => f.code === 'block')!;
    expect(moving.findings.find((f) => f.code === 'block')!.lines).toContain(
      'C → D on 1: the thumb goes from string 5 to 4 and the fingers go from 4 3 2 to 3 2 1.',
    );
    expect(slip).toMatchObject({ tone: 'watch', title: 'The right hand stays behind a chord' });
    expect(slip.lines[0]).toMatch(/^C → D on 1: The script strikes string 5/);
    const still = section({ chart: 'C | Am' });
    expect(read(still).findings.some((f) => f.code === 'block')).toBe(false);
  });
});

describe('how long a barre is held', () => {
  const holds = (names: string[], bpm = 120, profile = DEFAULT_PROFILE) =>
    barreHolds(scoreOf(section({ chart: names.join(' | ') }), study), toBpm(bpm), profile);
  it('from its chord to the next without one; while the hand stays neighbours count as one hold', () => {
    expect(holds(['C', 'Am'])).toEqual([]);
    expect(holds(['C', 'F'])).toEqual([{ names: ['F'], strings: 6, ms: 2000, staminaMs: 8000 }]);
    // Where it moves it is laid anew.
    expect(holds(['C', 'F', 'Bm'])).toMatchObject([
      { names: ['F'], ms: 2000 },
      { names: ['Bm'], ms: 2000 },
    ]);
    expect(holds(['C', 'F', 'F7'])).toMatchObject([{ names: ['F', 'F7'], strings: 6, ms: 4000 }]);
    expect(holds(['F', 'C', 'F7'])).toMatchObject([{ names: ['F7', 'F'], ms: 4000 }]);
  });
  it('fewer strings are held longer; with no chord between it is never let go', () => {
    expect(holds(['C', 'Bm'])).toMatchObject([{ strings: 5, staminaMs: 9600 }]);
    expect(holds(['F', 'F7'])).toMatchObject([{ ms: null }]);
    expect(holds(['F', 'Bm']).map((h) => h.ms)).toEqual([2000, 2000]);
  });
  it('is a finding, to be watched when it is longer than this hand holds', () => {
    const finding = (s: Section, profile = DEFAULT_PROFILE) =>
      read(s, profile).findings.find((f) => f.code === 'barre');
    const s = section({ chart: 'C | F' });
    expect(finding(s)).toMatchObject({ tone: 'plain', title: 'Barre held 2.0 s at most' });
    const tired = { ...DEFAULT_PROFILE, left: { ...leftHandOf(DEFAULT_PROFILE), barre: millis(1500) } };
    expect(finding(s, tired)).toMatchObject({
      tone: 'watch',
      lines: ['F, over 6 strings: 2.0 s at 120; this hand’s is 1.5 s.', expect.stringMatching(/stop at pain/)],
    });
    expect(finding({ ...s, bpm: 240 })).toBeUndefined();
    expect(finding(section({ chart: 'F' }))?.title).toBe('The barre is never let go');
  });
});

describe('a stroke held over a change', () => {
  const tie = (script: string, chart = 'C | D') =>
    read(section({ script, chart })).findings.find((f) => f.code === 'held over');
  it('is told once with its place and both ways out; pushed or let go it is none', () => {
    const finding = tie('p:b - - - - - - ima:t - - - - - - - -');
    expect(finding?.title).toBe('A stroke is held over a change');
    expect(finding?.lines[0]).toBe('i m a on 4 & goes on into D.');
    expect(finding?.lines.at(-1)).toMatch(/write > after it.*\^ lets it go/);
    expect(tie('p:b - - - - - - ima:t> - - - - - - - -')).toBeUndefined();
    expect(tie('p:b - - - - - - ima:t^ - - - - - - - -')).toBeUndefined();
    expect(tie('p:b - - - - - - ima:t - - - - - - - -', 'C')).toBeUndefined();
  });
});

describe('block chords', () => {
  it('strike each chord once where it begins, until the chart comes round', () => {
    expect(blockChords(section({}))).toEqual({ script: 'id - - - id - - -', stepsPerCount: 1, start: 0 });
    const twelve = { ...section({}), cycle: cycleById('solea')!, chart: 'C:3 D:3 C:2 D:2 C:2' };
    const made = blockChords(twelve)!;
    const { events, length } = flatten(parseScript(made.script, made).pattern);
    expect(events.map((e) => e.at / 5040)).toEqual([0, 3, 6, 8, 10]);
    expect(length).toBe(12 * 5040);
  });
  it('cut the counts finer where chords begin between them', () => {
    const made = blockChords({
      ...section({}),
      cycle: cycleById('three-three-two')!,
      chart: 'C:3/2 D:3/2 C:1',
    });
    expect(made).toMatchObject({ stepsPerCount: 2, script: 'id - - id - - id -' });
  });
});

describe('a shape too wide for this hand', () => {
  const wide = shape('C maj9', 'x-3-2-4-0-7', 'x-2-1-3-0-4');
  const told = (profile: HandProfile, held: Shape) =>
    readAloud({
      section: section({ chart: chartName(held.name) }),
      shapes: [held],
      tuning: STANDARD_TUNING,
      capo: 0,
      profile,
    }).findings.find((f) => f.code === 'out of reach');
  const small = { ...DEFAULT_PROFILE, span: millimetres(80) };
  it('is told with millimetres and a substitute that this hand holds, never as a target', () => {
    const finding = told(small, wide)!;
    expect(finding.title).toBe('C maj9: not for this hand');
    expect(finding.lines[0]).toMatch(/^Fingers \d and \d would be \d+ mm apart; this hand’s limit is \d+\.$/);
    const study = { ...makeStudy('p', 'P'), shapes: [wide], sections: [section({ chart: chartName(wide.name) })] };
    const [instead] = remediesOf(finding.of[0]!, study, small);
    const { frets } = instead!.change.shape!;
    expect(fingerShape(frets, handOn(neckOf(small), small)).length).toBeGreaterThan(0);
    expect(sayRemedy(instead!)).toMatch(new RegExp(`^\\S+.* as ${fretsText(instead!.change.shape!)}`));
  });
  it('a name that is no chord symbol points to where easier ones are found; what fits is not told at all', () => {
    expect(told(small, { ...wide, name: 'Stairwell' })!.lines[1]).toMatch(/^Neck, Find has easier ones/);
    expect(told(DEFAULT_PROFILE, C)).toBeUndefined();
  });
});
