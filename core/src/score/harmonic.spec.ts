import { describe, expect, it } from 'vitest';
import { cycleById } from '../catalogue/index.js';
import { findingsOf, type FindingOf, remediesOf, remedyCommand } from '../findings/index.js';
import { harmonicPitch, NODES, openPitch, STANDARD_TUNING } from '../instrument/index.js';
import { readShape } from '../left-hand/index.js';
import { makeSection, makeStudy, type Section } from '../piece/index.js';
import { DEFAULT_PROFILE } from '../player/index.js';
import { readSection } from '../reading/index.js';
import { readStep, readTablature } from '../script/index.js';
import { soundsOf } from '../sound/index.js';
import { sayStep } from '../words/index.js';
import { isHarmonic, scoreOf } from './index.js';

const AT_TWELVE = { id: 'b', name: 'Bar', ...readShape('x-12-12-12-12-x', 'x-1-1-1-1-x') };
const AM = { id: 'a', name: 'Am', ...readShape('x-0-2-2-1-0', 'x-0-2-3-1-0') };
const section = (script: string, chart = ''): Section => ({
  ...makeSection('s', 'S', cycleById('tangos')!),
  ...{ script, chart, stepsPerCount: 2 },
});
const study = (capo = 0) => ({ instrument: { tuning: STANDARD_TUNING, capo }, shapes: [AM, AT_TWELVE] });
const notes = (script: string, { chart = '', capo = 0 } = {}) =>
  scoreOf(section(script, chart), study(capo)).events[0]!.notes;
const findings = (script: string, chart: string) => {
  const request = {
    section: section(script, chart),
    ...study().instrument,
    shapes: study().shapes,
    profile: DEFAULT_PROFILE,
  };
  return findingsOf({ ...request, ...readSection(request) });
};

describe('a natural harmonic', () => {
  it('lies over 12, 7 and 19, 5 and 24, 4, 9 and 16, and over 3: half, third, quarter, fifth and sixth of the string', () => {
    expect([...NODES].sort((a, b) => a - b)).toEqual([3, 4, 5, 7, 9, 12, 16, 19, 24]);
    const above = (fret: number) => harmonicPitch(40, fret)! - 40;
    expect([12, 7, 19, 5, 24, 4, 9, 16, 3].map(above)).toEqual([12, 19, 19, 24, 24, 28, 28, 28, 31]);
    expect(harmonicPitch(40, 6)).toBeNull();
    expect(harmonicPitch(40, 0)).toBeNull();
  });
  it('sounds from its node, whatever is held, and from the capo on', () => {
    const open = openPitch(STANDARD_TUNING, 3, 0);
    expect(notes('i:3f7o')).toMatchObject([{ string: 3, fret: 7, midi: open + 19, right: 'i' }]);
    expect(notes('i:3f7o', { chart: 'Am' })[0]!.midi).toBe(open + 19);
    expect(notes('i:3f7o', { capo: 2 })[0]!.midi).toBe(open + 2 + 19);
    // Pressed it is another note.
    expect(notes('i:3f7')[0]!.midi).toBe(open + 7);
  });
  it('takes its fret from the shape where none is written; of one string of several it is that string’s', () => {
    expect(notes('i:3o', { chart: 'Bar' })[0]).toMatchObject({ fret: 12, midi: openPitch(STANDARD_TUNING, 3, 0) + 12 });
    const two = notes('im:3f5o+2f5');
    expect(two.map((n) => n.midi)).toEqual([
      openPitch(STANDARD_TUNING, 3, 0) + 24,
      openPitch(STANDARD_TUNING, 2, 0) + 5,
    ]);
  });
  it('where no node lies it is a finding, with the nearest and the way there', () => {
    const noNode = (script: string, chart: string) =>
      findings(script, chart).filter((f): f is FindingOf<'no node'> & typeof f => f.code === 'no node');
    expect(noNode('i:3o - m:2o -', 'Am').map((f) => [f.place.label, f.figures])).toEqual([
      ['1', { name: 'Am', string: 3, fret: 2, near: 3 }],
      ['2', { name: 'Am', string: 2, fret: 1, near: 3 }],
    ]);
    expect(noNode('i:3o -', 'Bar')).toEqual([]);
    const [found] = noNode('im:3f13=2o+2f5 -', '');
    const piece = { ...makeStudy('p', 'P'), sections: [section('im:3f13=2o+2f5 -')] };
    const [way] = remediesOf(found!, piece, DEFAULT_PROFILE);
    expect(way).toMatchObject({ code: 'to the node', figures: { string: 3, fret: 12 } });
    expect(remedyCommand('s', way!)(piece).sections[0]!.script).toBe('im:3f12o+2f5 -');
    // It sounds as if it were pressed.
    expect(notes('i:3o', { chart: 'Am' })[0]!.midi).toBe(openPitch(STANDARD_TUNING, 3, 0) + 2);
  });
  it('rings on when the left hand has left it, and over the change of a chord', () => {
    const stops = (script: string) => soundsOf(scoreOf(section(script), study())).filter((s) => s.kind === 'stop');
    expect(stops('i:3f12^ - p:6 - - - - -')).toHaveLength(1);
    expect(stops('i:3f12^o - p:6 - - - - -')).toHaveLength(0);
    const held = (script: string) => findings(script, 'Am | Bar').filter((f) => f.code === 'held over');
    expect(held('p:b - - - - - i:3f12 - - - - - - - - -')).toHaveLength(1);
    expect(held('p:b - - - - - i:3f12o - - - - - - - - -')).toHaveLength(0);
  });
  it('is read aloud, and comes from tablature in plain text', () => {
    expect(sayStep(readStep('m:2f12o').step!)).toMatch(/as a harmonic, touched and not pressed$/);
    const lines = ['e|-----|', 'B|-12o-|', 'G|-----|', 'D|-----|', 'A|-----|', 'E|-----|'];
    const read = readTablature(lines.join('\n'), 4 * 5040, 1);
    expect(read).toMatchObject({ unread: [] });
    expect('script' in read && read.script).toContain('?:2f12o');
  });
  it('isHarmonic: touched over a node, not pressed', () => {
    const motion = readStep('i:3f12o').step as never;
    expect([isHarmonic(motion, { string: 3, fret: 12 }), isHarmonic(motion, { string: 3, fret: 11 })]).toEqual([
      true,
      false,
    ]);
  });
});
