import { describe, expect, it } from 'vitest';
import { cycleById } from '../catalogue/index.js';
import { STANDARD_TUNING } from '../instrument/index.js';
import { makeSection } from '../piece/index.js';
import { scoreOf } from '../score/index.js';
import { planPlayback, type PluckSound } from './index.js';

const four = cycleById('tangos')!;
const sounds = (script: string) => {
  const study = { instrument: { tuning: STANDARD_TUNING, capo: 0 }, shapes: [] };
  return planPlayback(scoreOf({ ...makeSection('s', 'S', four), script }, study), { cycle: four }).sounds;
};
const plucks = (script: string) => sounds(script).filter((s): s is PluckSound => s.kind === 'pluck');
const stops = (script: string) =>
  sounds(script).flatMap((s) => (s.kind === 'stop' ? [[s.at / 2520, [...s.strings].sort()] as const] : []));

describe('marks are heard', () => {
  it('each level louder than the one before, mf where nothing is said', () => {
    const gains = plucks('@pp i @p i @mp i @mf i @f i @ff i . .').map((p) => p.gain);
    expect(gains).toEqual([...gains].sort((a, b) => a - b));
    expect(new Set(gains).size).toBe(6);
    expect(plucks('i . . . . . . .')[0]?.gain).toBe(gains[3]);
  });
  it('accented 0.95, soft 0.35, without a word 0.65, a golpe with it as loud as its stroke', () => {
    expect(plucks('i! i, i i~ . . . .').map((p) => p.gain)).toEqual([0.95, 0.35, 0.65, 0.65]);
    expect(sounds('i!* i,* G G, . . . .').flatMap((s) => (s.kind === 'golpe' ? [s.gain] : []))).toEqual([
      0.95, 0.35, 0.65, 0.35,
    ]);
  });
  it('one string of a stroke loud, the others soft', () => {
    const [p, i] = plucks('pi,:5+3! . . . . . . .');
    expect(i!.gain).toBeGreaterThan(2 * p!.gain);
  });
  it('one string rings on over a rest, the other ends', () =>
    expect(stops('pi:5~+3 . . . . . . .')).toContainEqual([1, [3]]));
  it('where the left hand lets go what it stopped ends, and open strings sound on', () => {
    expect(stops('pi^~:5f3+3f0 . i:1 . . . . .')).toContainEqual([1, [5]]);
    expect(stops('pi~:5f3+3f0 . i:1 . . . . .').some(([, s]) => s.includes(5))).toBe(false);
  });
  it('one string muted is a dead stroke, its neighbour none', () =>
    expect(plucks('im:3x+2 . . . . . . .').map((s) => s.damping)).toEqual(['left hand', 'none']));
  it('plectrum, thumb, nail, flick, rest stroke and ligado touch the string in their own way', () =>
    expect(plucks('Pd:3 p:5 i:3 id:3 i:3_ L:3f2 . .').map((s) => s.touch)).toEqual([
      'plectrum',
      'flesh',
      'nail',
      'flick',
      'rest',
      'ligado',
    ]));
  it('a golpe by another finger knocks too', () =>
    expect(
      sounds('p:5*m . . . . . . .')
        .filter((s) => s.kind === 'golpe')
        .map((s) => s.at),
    ).toEqual([0]));
  it('a ligado ends no other string', () => {
    const heard = stops('p:5~ i:2 L:2f1 . . . . .');
    expect(heard.every(([, s]) => !s.includes(5))).toBe(true);
  });
});
