import { describe, expect, it } from 'vitest';
import { cycleById } from '../catalogue/index.js';
import { STANDARD_TUNING } from '../instrument/index.js';
import { readShape, type Shape } from '../left-hand/index.js';
import { makeSection } from '../piece/index.js';
import { DEFAULT_PROFILE } from '../player/index.js';
import { readAloud } from '../words/index.js';
import { chordSounds, scoreOf } from './index.js';

const shape = (name: string, frets: string): Shape => {
  const read = readShape(frets, '');
  return { id: name, name, frets: read.frets, fingers: read.fingers };
};
const shapes = [
  shape('G', '3-2-0-0-0-x'),
  shape('C', 'x-3-2-0-1-0'),
  shape('Am7', 'x-0-2-0-1-0'),
  shape('E7', '0-2-0-1-0-0'),
  shape('Dm', 'x-x-0-2-3-2'),
  shape('Em9', '0-2-2-0-0-2'),
  shape('C9', 'x-3-2-3-3-3'),
  shape('My chord', 'x-0-2-2-2-2'),
];
const section = (script: string, chart: string) => ({
  ...makeSection('s', 'S', cycleById('tangos')!),
  script,
  chart,
});
const sounds = (script: string, chart: string) =>
  chordSounds(scoreOf(section(script, chart), { instrument: { tuning: STANDARD_TUNING, capo: 0 }, shapes }));

describe('what the strokes make of a chord', () => {
  it('of two things amiss at one chord both are told: a string that is muted, and a tone of another chord', () => {
    // E7 with its third muted and string 5 on B; Em9 struck where it says G: no chord of its name.
    const both = sounds('p:6 i:3 m:2 a:1', 'Dm');
    expect(both).toEqual([{ name: 'Dm', muted: [{ string: 6, at: 0 }], unheard: [], lacking: [], foreign: [1] }]);
  });
  it('a fifth that is not struck says nothing of the chord', () => {
    // E7 on strings 6, 4 and 3: root, seventh and third; the fifths on 5 and 2 are left out.
    expect(sounds('p:6 i:4 m:3 p:6', 'E7')).toEqual([]);
  });
  it('a beginner’s G with string 1 muted, and a finger that strikes it', () => {
    expect(sounds('p:6 i:3 m:2 a:1', 'G')).toEqual([
      { name: 'G', muted: [{ string: 1, at: 3 * 2520 }], unheard: [], lacking: [], foreign: [] },
    ]);
    // A set that follows the chord leaves it alone, and so does a stroke that brings its own fret.
    expect(sounds('p:b ima:t', 'G')).toEqual([]);
    expect(sounds('p:6 i:3 m:2 a:1f3', 'G')).toEqual([]);
  });
  it('a seventh on no string that is struck', () => {
    expect(sounds('p:5 i:4 m:2', 'Am7')[0]?.unheard).toEqual(['7m']);
    expect(sounds('p:5 i:3 m:2', 'Am7')).toEqual([]);
    // Two strings are no chord.
    expect(sounds('p:5 i:4', 'Am7')).toEqual([]);
    expect(sounds('p:6 i:4 m:2', 'E7')[0]?.unheard).toEqual(['3M']);
  });
  it('a tone of the name that the shape has nowhere', () => {
    expect(sounds('id', 'Em9')).toMatchObject([{ name: 'Em9', lacking: ['7m'], unheard: [] }]);
  });
  it('a shape whose notes are not those of its name; a name of one’s own promises nothing', () => {
    expect(sounds('id', 'Dm')).toMatchObject([{ name: 'Dm', foreign: [1] }]);
    expect(sounds('id', 'My chord')).toEqual([]);
  });
  it('the colour that a symbol names is struck, or said not to be', () => {
    expect(sounds('p:5 i:4 m:3 a:1', 'C9')[0]?.unheard).toEqual(['9M']);
    expect(sounds('p:5 i:4 m:3 a:2', 'C9')).toEqual([]);
  });
  it('each is a finding of its own, with the place and what would work', () => {
    const say = (script: string, chart: string) =>
      readAloud({
        section: section(script, chart),
        shapes,
        tuning: STANDARD_TUNING,
        capo: 0,
        profile: DEFAULT_PROFILE,
      }).findings.filter((f) => ['string muted', 'tone unheard', 'name not borne out'].includes(f.code));
    expect(say('p:6 i:3 m:2 a:1', 'G')).toMatchObject([
      {
        title: 'A string is struck that the shape mutes',
        lines: ['G: string 1, first on 2 &.', /Open it where it is a tone of the chord/],
      },
    ]);
    expect(say('p:5 i:4 m:2', 'Am7')[0]?.lines[0]).toBe('Am7: its seventh is on no string that is struck.');
    // A thumb that goes through three strings shows no chord, and need not.
    expect(say('pd:54 pu:45 p:2_', 'Am7')).toEqual([]);
    expect(say('id', 'Em9')[0]?.lines[0]).toBe('Em9: its seventh is on none of its strings.');
    expect(say('id', 'Dm')[0]?.lines[0]).toBe('Dm: what is on string 1 is no tone of it.');
    expect(say('p:b ima:t', 'C')).toEqual([]);
  });
});
