import { describe, expect, it } from 'vitest';
import { flatten, parseScript } from '../script/index.js';
import { isMuted, kindOfPattern, kindsOfPattern } from './index.js';

const flat = (text: string) => {
  const { pattern, faults } = parseScript(text, { stepsPerCount: 4 });
  expect(faults).toEqual([]);
  return flatten(pattern);
};
const kinds = (text: string) =>
  kindsOfPattern(flat(text)).map((s) => `${s.kind} ${s.from}-${s.to}${s.free ? ' free' : ''}`);

describe('kinds of playing in a pattern', () => {
  it('what is strummed, plucked and played with a plectrum is told apart', () => {
    expect(kinds('ed ad md id p:5 i:3 m:2 a:1 p:5 i:3 m:2 a:1')).toEqual(['rasgueado 0-4', 'arpeggio 4-12 free']);
    expect(kinds('Pd:3 Pu:3 id iu')).toEqual(['plectrum 0-2 free', 'strum 2-4']);
    expect(kinds('i:2 m:2 i:2 m:1 i:1 id iu id iu')).toEqual(['run 0-5', 'strum 5-9 free']);
  });
  it('a few plucks among strums are comping; of the thumb among its own sweeps they are alzapúa', () => {
    expect(kinds('p:5 id iu p:4 id iu')).toEqual(['comping 0-6 free']);
    expect(kinds('id p:5 p:4 id')).toEqual(['comping 0-4 free']);
    expect(kinds('id p:5 p:4 p:5 id')).toEqual(['strum 0-1', 'thumb line 1-4 free', 'strum 4-5']);
    expect(kinds('pd:543 pu:345 p:3 pd:543 pu:345 p:3')).toEqual(['alzapúa 0-6 free']);
    expect(kinds('pd:43 pu:34 p:3 p:4 p:3 p:4')).toEqual(['alzapúa 0-6 free']);
    expect(kinds('pd:543 pu:345 pd:3')).toEqual(['alzapúa 0-3 free']);
  });
  it('the thumb alone is a thumb line on any string; down and up it swings', () => {
    expect(kinds('p:6 p:5 p:4')).toEqual(['thumb line 0-3 free']);
    expect(kinds('p:3 p:2 p:3 p:2')).toEqual(['thumb line 0-4 free']);
    expect(kinds('pd pu')).toEqual(['strum 0-2 free']);
    expect(kinds('pd p:5')).toEqual(['comping 0-2 free']);
  });
  it('an order that repeats is free, one with frets of its own is composed', () => {
    expect(kinds('id iu id iu')).toEqual(['strum 0-4 free']);
    expect(kinds('id iu iu id id id iu iu id')).toEqual(['strum 0-9']);
    expect(kinds('id:2f3 iu id:2f3 iu')).toEqual(['strum 0-4']);
  });
  it('of several the one that most strokes stand in names the pattern; silence has none', () => {
    expect(kindOfPattern(flat('p:5 i:3 m:2 a:1 id'))).toBe('arpeggio');
    expect(kindOfPattern(flat('G . S .'))).toBeNull();
  });
  it('chops stay muted', () => {
    expect([isMuted(flat('idx iu')), isMuted(flat('idx iu id')), isMuted(flat('i:1 m:1'))]).toEqual([
      true,
      false,
      false,
    ]);
  });
});
