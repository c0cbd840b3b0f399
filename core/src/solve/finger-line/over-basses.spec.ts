import { describe, expect, it } from 'vitest';
import { DEFAULT_PROFILE } from '../../player/index.js';
import { bpm, type StringNumber, type Ticks, ticks } from '../../time/index.js';
import { sayLineSchool } from '../../words/index.js';
import { fingerLine, type LineNote, lineSchool, MELODY_SCHOOLS, schoolsFor } from './index.js';

const STEP = 2_520;
/** `5~` a bass that rings, `1` a note for the fingers, `51` both at once; `.` a rest. */
const melody = (text: string): LineNote[] =>
  text.split(' ').flatMap((t, n): LineNote[] => {
    if (t === '.') return [];
    const strings = [...t.replace('~', '')].map(Number) as StringNumber[];
    const layer = strings.length > 1 ? {} : { layer: t.endsWith('~') ? ('thumb' as const) : ('fingers' as const) };
    return [{ at: ticks(n * STEP), strings, ...layer }];
  });
const fingers = (text: string, school: string, bars?: readonly Ticks[]) => {
  const found = fingerLine({
    notes: melody(text),
    bpm: bpm(100),
    profile: DEFAULT_PROFILE,
    school: lineSchool(school),
    stroke: 'free',
    k: 5,
    ...(bars ? { bars } : {}),
  });
  return found.infeasible
    ? found.infeasible.map((f) => f.code)
    : found.answers.map((a) => a.steps.map((s) => s.join('')).join(' '));
};
const bar = (steps: number) => ticks(steps * STEP);

describe('a melody over the thumb’s basses', () => {
  it('a m i begins afresh with each bar, whatever place it had come to', () => {
    expect(fingers('1 1 1 1 2 2 1 1', 'ami afresh', [bar(4)])).toEqual(['a m i a a m i a']);
    // Bars of three and two steps in turn; a bar that begins with a rest begins with its first note.
    expect(fingers('1 1 1 . 2 2 1 1 1', 'ami afresh', [bar(3), bar(2)])).toEqual(['a m i a a m i a']);
  });
  it('without bars it goes on in turn', () => expect(fingers('1 1 1 1', 'ami afresh')).toEqual(['a m i a']));
  it('basses are the thumb’s and take no finger from the order', () =>
    expect(fingers('5~ 1 1 6~ 1 1', 'ami afresh', [bar(3)])).toEqual(['p a m p a m']));
  it('a bass with a note over it is pinched, the note in its turn', () => {
    expect(fingers('51 1 1 62 1', 'ami afresh', [bar(3)])).toEqual(['pa m i pa m']);
    expect(fingers('51 1 52 1', 'im over basses')[0]).toMatch(/^p([im]) ((?!\1)[im]) p\1 \2$/);
  });
  it('chords beside the order go from i upward, and it goes on as it was', () => {
    expect(fingers('5321 1 321 1', 'ami afresh', [bar(8)])).toEqual(['pima a ima m']);
    // The lower of two voices is the thumb's on any string; double notes in a row are the fingers'.
    expect(fingers('21 1', 'ami afresh')).toEqual(['pa m']);
    expect(fingers('21 32 1', 'ami afresh')).toEqual(['im im a']);
    expect(fingers('54321 1', 'ami afresh')).toEqual(['school takes single notes']);
  });
  it('an order with the thumb in it, and the plain pairs, take single notes', () => {
    expect(fingers('51 1', 'pima')).toEqual(['school takes single notes']);
    expect(fingers('51 1', 'im')).toEqual(['school takes single notes']);
  });
  it('the choices are told by name and stand apart from those of a line', () => {
    expect(MELODY_SCHOOLS.map((s) => sayLineSchool(s.id).name)).toEqual([
      'As taught',
      'Fingering first',
      'Home strings',
      'Habit first',
      'i m',
      'a m i afresh each bar',
    ]);
    expect(schoolsFor(melody('5~ 1')).some((s) => s.afresh || s.chords)).toBe(false);
  });
});
