import { describe, expect, it } from 'vitest';
import { DEFAULT_PROFILE, type HandHabits, USUAL_HABITS } from '../../player/index.js';
import type { Finger } from '../../stroke/index.js';
import { bpm } from '../../time/index.js';
import {
  fingerLine,
  isMinded,
  lineRemarks,
  lineSchool,
  proposed,
  readLine,
  schoolsOfKind,
  scoreLine,
  strokesOf,
  TAUGHT,
  tremoloFingers,
  usualStroke,
  voiced,
} from './index.js';

const request = (music: string, habits?: Partial<HandHabits>, k = 5) => ({
  notes: readLine(music, 2).notes,
  bpm: bpm(90),
  profile: { ...DEFAULT_PROFILE, ...(habits ? { habits: { ...USUAL_HABITS, ...habits } } : {}) },
  school: lineSchool(TAUGHT),
  stroke: 'free' as const,
  k,
});
const answers = (asked: ReturnType<typeof request>) => {
  const found = fingerLine(asked);
  return found.infeasible ? [] : found.answers;
};
const first = (music: string, habits?: Partial<HandHabits>) =>
  answers(request(music, habits))[0]
    ?.steps.map((f) => f.join(''))
    .join(' ');
const cost = (music: string, fingers: string) =>
  scoreLine(
    request(music),
    fingers.split(' ').map((f) => [...f] as Finger[]),
  ).cost;

describe('fingers as they are taught', () => {
  it('the hand’s own pair and tremolo go before the usual ones', () => {
    expect(first('3322', { pair: ['m', 'a'] })).toMatch(/^(m a m a|a m a m)$/);
    expect(first('5111', { tremolo: ['p', 'i', 'm', 'a'] })).toBe('p i m a');
    expect(first('51111', { tremoloOfFour: ['p', 'a', 'm', 'i', 'm'] })).toBe('p a m i m');
    expect(tremoloFingers(USUAL_HABITS, 2)).toEqual(['m', 'i']);
    expect(tremoloFingers(USUAL_HABITS, 5)).toEqual(['a', 'm', 'i', 'a', 'm']);
  });
  it('what is not taught there costs 20 000, a third finger of a run 1 500, a pinned one nothing', () => {
    expect(cost('5111', 'p a m i').taught).toBe(0);
    expect(cost('5111', 'i a m i').taught).toBe(20_000);
    expect(cost('5111', 'p m a i').taught).toBe(40_000);
    expect(cost('3322', 'm i m i').taught).toBe(0);
    expect(cost('3322', 'm a m a').taught).toBe(3_000);
    expect(cost('3322', 'p a m i').taught).toBe(21_500);
    expect(cost('p3322', 'p i m i').taught).toBe(0);
    // Where i has no business: on the thick strings under what goes over them.
    expect(cost('6 5 1 2 1 2', 'i i a m a m').taught).toBe(40_000);
  });
  it('a run begins with the first of its pair, unless two crossings get better by the other', () => {
    expect(cost('1112', 'i m i m').pair).toBe(0);
    expect(cost('1112', 'm i m i').pair).toBe(40);
    expect(first('1112')).toBe('i m i m');
    expect(first('332211')).toMatch(/^m i/);
    expect(cost('m112', 'm i m').pair).toBe(0);
  });
  it('a block comes again at no cost, and nothing is paid across a silence or at the seam', () => {
    expect(cost('[321] [321]', 'ima ima').repeat).toBe(0);
    expect(cost('1 1', 'i i').repeat).toBe(2000);
    expect(cost('1 . . . 1', 'i i').repeat).toBe(0);
    const loop = { ...request('111'), loop: readLine('111', 2).length };
    expect(scoreLine(loop, [['i'], ['m'], ['i']]).cost.seam).toBe(0);
  });
  it('over basses the ring finger is not come back to on a string: half a weak finger', () => {
    const [to, from] = [cost('6 1 1', 'p m a').weak, cost('6 1 1', 'p a m').weak];
    expect(to - from).toBe(30);
  });
});

describe('voices given to schools that know of none', () => {
  it('single notes get thumb or fingers; what is settled, pinned or struck together stays as it is', () => {
    const layers = (music: string) => voiced(request(music)).notes.map((n) => n.layer ?? '-');
    expect(layers('5321')).toEqual(['thumb', 'fingers', 'fingers', 'fingers']);
    expect(layers('[51] 2 3 a2')).toEqual(['-', 'fingers', 'fingers', '-']);
    // On one string every order may be practised, the thumb’s too.
    expect(layers('1111')).toEqual(['-', '-', '-', '-']);
  });
});
describe('what is put before a player', () => {
  it('is nothing that the hand minds, while there is a way that it does not', () => {
    const all = answers(request('3322'));
    expect(all.some(isMinded)).toBe(true);
    expect(proposed(all).length).toBeGreaterThan(0);
    expect(proposed(all).some(isMinded)).toBe(false);
  });
  it('a rest stroke on a ring is minded, and so is a finger twice; a late one is the tempo’s', () => {
    const [way] = answers(request('3322'));
    const paying = (term: 'rest' | 'repeat' | 'late') => ({ ...way!, cost: { ...way!.cost, [term]: 500 } });
    expect(isMinded(way!)).toBe(false);
    expect([isMinded(paying('rest')), isMinded(paying('repeat')), isMinded(paying('late'))]).toEqual([
      true,
      true,
      false,
    ]);
  });
  it('where every way is minded it is one, and it is said that none is good, and where', () => {
    const asked = request('i1 i1 1');
    const shown = proposed(answers(asked));
    expect(shown).toHaveLength(1);
    expect(lineRemarks(asked, shown[0]!)).toContainEqual({ code: 'plays twice', figures: { at: [1], pinned: true } });
  });
  it('schools that nobody gives for a kind stand apart', () => {
    const ids = (music: string) => {
      const { given, folded, kinds } = schoolsOfKind(request(music));
      return { given: given.map((s) => s.id), folded: folded.map((s) => s.id), kinds };
    };
    expect(ids('333222111').given).toEqual(['taught', 'im', 'habit', 'fingering', 'ma', 'ia', 'ami']);
    expect(ids('333222111').folded).toContain('pima');
    expect(ids('5321 5321')).toMatchObject({ given: ['taught', 'home', 'pima', 'pimami'], kinds: ['arpeggio'] });
    expect(ids('5321 5321').folded).toContain('im');
    // On one string both tremolos are practised without their bass.
    expect(ids('1111').given).toEqual(expect.arrayContaining(['pami', 'piami']));
  });
  it('rest strokes are a run’s alone', () => {
    expect(usualStroke(request('332211'))).toBe('rest');
    expect(usualStroke(request('5321'))).toBe('free');
    const strokes = strokesOf({ ...request('3322 5321 5321'), stroke: 'rest' });
    expect(strokes.slice(0, 4)).toEqual(Array(4).fill('rest'));
    expect(strokes.slice(4)).toEqual(Array(8).fill('free'));
  });
});
