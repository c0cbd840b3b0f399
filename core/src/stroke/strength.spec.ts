import { describe, expect, it } from 'vitest';
import { readStep } from '../script/index.js';
import { directionOf, fingersOf, hasMark, type Motion, strength, WEAK_BELOW } from './index.js';

const motion = (text: string) => readStep(text).step as Motion;
const of = (text: string) => strength(motion(text));

describe('how much weight a stroke gives', () => {
  it('flicks: index before middle before ring before little finger', () => {
    expect(of('id')).toBeGreaterThan(of('md'));
    expect(of('md')).toBeGreaterThan(of('ad'));
    expect(of('ad')).toBeGreaterThan(of('ed'));
  });
  it('a return is weaker than the flick of the same finger', () => {
    for (const f of ['p', 'i', 'm', 'a', 'e']) expect(of(`${f}u`)).toBeLessThan(of(`${f}d`));
  });
  it('only the little finger’s flick, and returns of m a e, are too weak for an accent', () => {
    const weak = ['pd', 'id', 'md', 'ad', 'ed', 'pu', 'iu', 'mu', 'au', 'eu'].filter((s) => of(s) < WEAK_BELOW);
    expect(weak).toEqual(['ed', 'mu', 'au', 'eu']);
  });
  it('an accent mark, a rest stroke, a golpe and company add weight; soft takes it away', () => {
    expect(of('ad!')).toBeGreaterThan(of('ad'));
    expect(of('a:1_')).toBeGreaterThan(of('a:1'));
    expect(of('md*')).toBeGreaterThan(of('md'));
    expect(of('ma')).toBeGreaterThan(of('m'));
    expect(of('id,')).toBeLessThan(of('id'));
  });
  it('stays between nothing and all', () => {
    for (const s of ['pima!', 'e,', 'eu,', 'G!', 'S,', '(d)', 'p:5*!_']) {
      expect(of(s)).toBeGreaterThanOrEqual(0);
      expect(of(s)).toBeLessThanOrEqual(1);
    }
    expect(of('(d)')).toBe(0);
  });
});

describe('what a motion is made of', () => {
  it('fingers, direction, marks', () => {
    expect(fingersOf(motion('pima'))).toEqual(['p', 'i', 'm', 'a']);
    expect(fingersOf(motion('G'))).toEqual([]);
    expect([motion('id'), motion('iu'), motion('i'), motion('(u)'), motion('S')].map(directionOf)).toEqual([
      'd',
      'u',
      null,
      'u',
      null,
    ]);
    expect(hasMark(motion('G!'), '!')).toBe(true);
    expect(hasMark(motion('(d)'), '!')).toBe(false);
  });
});
