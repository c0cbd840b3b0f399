import { describe, expect, it } from 'vitest';
import { TAUGHT_FORMS } from '../../catalogue/index.js';
import { makeNeck, STANDARD_TUNING } from '../../instrument/index.js';
import {
  fingerShape,
  fingeringFaults,
  type Frets,
  fretsText,
  handOn,
  readShape,
  SHAPE_WEIGHTS,
  taughtFingers,
} from '../../left-hand/index.js';
import { DEFAULT_PROFILE } from '../../player/index.js';
import { millimetres } from '../../time/index.js';
import { scoreVoicing, voicings } from './index.js';

const base = { tuning: STANDARD_TUNING, neck: makeNeck(millimetres(650)), profile: DEFAULT_PROFILE };
const first = (chord: string, more = {}): string => {
  const found = voicings({ ...base, chord, k: 1, ...more });
  return found.infeasible ? 'none' : fretsText(found.answers[0]!.steps[0]!);
};

describe('teachers’ shapes come first', () => {
  it.each([
    ['C', 'x-3-2-0-1-0'],
    ['D', 'x-x-0-2-3-2'],
    ['E', '0-2-2-1-0-0'],
    ['F', '1-3-3-2-1-1'],
    ['G', '3-2-0-0-0-3'],
    ['A', 'x-0-2-2-2-0'],
    ['B', 'x-2-4-4-4-2'],
    ['Bb', 'x-1-3-3-3-1'],
    ['Eb', 'x-6-8-8-8-6 x-x-1-3-4-3'],
    ['Ab', '4-6-6-5-4-4'],
    ['Db', 'x-4-6-6-6-4 x-4-3-1-2-1'],
    ['F#', '2-4-4-3-2-2'],
    ['Am', 'x-0-2-2-1-0'],
    ['Bm', 'x-2-4-4-3-2'],
    ['Cm', 'x-3-5-5-4-3'],
    ['Dm', 'x-x-0-2-3-1'],
    ['Em', '0-2-2-0-0-0'],
    ['Fm', '1-3-3-1-1-1'],
    ['Gm', '3-5-5-3-3-3'],
    ['F#m', '2-4-4-2-2-2'],
    ['C#m', 'x-4-6-6-5-4'],
    ['G#m', '4-6-6-4-4-4'],
    ['Bbm', 'x-1-3-3-2-1'],
    ['D#m', 'x-6-8-8-7-6 x-x-1-3-4-2'],
    ['A7', 'x-0-2-0-2-0'],
    ['B7', 'x-2-1-2-0-2'],
    ['C7', 'x-3-2-3-1-0'],
    ['D7', 'x-x-0-2-1-2'],
    ['E7', '0-2-0-1-0-0 0-2-2-1-3-0'],
    ['F7', '1-3-1-2-1-1'],
    ['G7', '3-2-0-0-0-1'],
    ['Bb7', 'x-1-3-1-3-1'],
    ['F#7', '2-4-2-3-2-2 2-4-3-3-2-0 x-x-4-3-2-0'],
    ['C#7', 'x-4-3-4-2-x x-4-6-4-6-4 x-4-3-4-2-4'],
    ['Am7', 'x-0-2-0-1-0'],
    ['Bm7', 'x-2-4-2-3-2 x-2-0-2-0-2'],
    ['Cm7', 'x-3-5-3-4-3'],
    ['Dm7', 'x-x-0-2-1-1'],
    ['Em7', '0-2-0-0-0-0 0-2-2-0-3-0'],
    ['Gm7', '3-5-3-3-3-3 3-x-3-3-3-x'],
    ['F#m7', '2-4-2-2-2-2 2-x-2-2-2-x'],
    ['Fm7', '1-3-1-1-1-1 1-x-1-1-1-x'],
    ['Cmaj7', 'x-3-2-0-0-0'],
    ['Dmaj7', 'x-x-0-2-2-2'],
    ['Emaj7', '0-2-1-1-0-0'],
    ['Fmaj7', 'x-x-3-2-1-0 1-x-2-2-1-x 1-3-2-2-1-1 1-x-2-2-1-0'],
    ['Gmaj7', '3-2-0-0-0-2 3-x-4-4-3-x'],
    ['Amaj7', 'x-0-2-1-2-0'],
    ['Bbmaj7', 'x-1-3-2-3-1 x-1-0-2-x-x'],
    ['C6', 'x-3-2-2-1-0'],
    ['A6', 'x-0-2-2-2-2'],
    ['Em6', '0-2-2-0-2-0'],
    ['Am6', 'x-0-2-2-1-2'],
    ['Dm6', 'x-x-0-2-0-1'],
    ['Bm7b5', 'x-2-3-2-3-x'],
    ['F#m7b5', '2-x-2-2-1-x 2-x-2-2-1-0'],
    ['E7b9', '0-2-0-1-0-1 0-2-3-1-3-1 x-x-2-1-3-1'],
    ['A7sus4', 'x-0-2-0-3-0'],
    ['Esus4', '0-2-2-2-0-0'],
    ['Asus4', 'x-0-2-2-3-0'],
    ['Dsus4', 'x-x-0-2-3-3'],
    ['C9', 'x-3-2-3-3-3'],
    ['D9', 'x-5-4-5-5-5 x-x-0-2-1-0'],
    ['C69', 'x-3-2-2-3-3'],
    ['Cdim7', 'x-3-4-2-4-2'],
    ['G#dim7', '4-5-3-4-3-x 4-x-3-4-3-x'],
    ['F#dim7', '2-x-1-2-1-x 2-3-1-2-1-2 x-x-4-5-4-5 x-x-1-2-1-2'],
  ] as const)('%s is held as %s', (chord, shapes) => expect(shapes.split(' ')).toContain(first(chord)));
  it('under a capo the same shapes, for the chord that sounds', () => {
    expect(first('B', { neck: makeNeck(millimetres(650), 2) })).toBe('x-0-2-2-2-0');
    expect(first('C', { neck: makeNeck(millimetres(650), 5) })).toBe('3-2-0-0-0-3');
  });
  it('on the strings that are asked for, the same forms without the others', () => {
    expect(first('Am', { strings: [4, 3, 2, 1] })).toBe('x-x-2-2-1-0');
    expect(first('Em', { strings: [4, 3, 2, 1] })).toBe('x-x-2-0-0-0');
  });
});

describe('what a shape pays that nobody teaches', () => {
  const cost = (chord: string, frets: string, fingers: string) => {
    const { frets: f, fingers: g } = readShape(frets, fingers);
    const score = scoreVoicing({ ...base, chord }, { frets: f, fingers: g });
    if ('faults' in score) throw new Error(JSON.stringify(score.faults));
    return score.cost;
  };
  const W = SHAPE_WEIGHTS;
  it('an open chord and a barre form pay nothing', () => {
    expect(cost('Am', 'x-0-2-2-1-0', 'x-0-2-3-1-0').form).toBe(0);
    expect(cost('Cm', 'x-3-5-5-4-3', 'x-1-3-4-2-1').form).toBe(0);
    // Along the neck it is the same form.
    expect(cost('C#m', 'x-4-6-6-5-4', 'x-1-3-4-2-1').form).toBe(0);
  });
  it('where a chord has an open form, one without open strings comes after it', () => {
    expect(cost('Dm', 'x-5-7-7-6-5', 'x-1-3-4-2-1').form).toBe(W.closed);
    expect(cost('G', '3-5-5-4-3-3', '1-3-4-2-1-1').form).toBe(W.closed);
    expect(cost('G', '3-2-0-0-0-3', '2-1-0-0-0-3').form).toBe(0);
    // F has none, and a half barre of E is no open form.
    expect(cost('F', '1-3-3-2-1-1', '1-3-4-2-1-1').form).toBe(0);
  });
  it('a form of four strings up the neck comes after those of five and six', () => {
    expect(cost('Fm', 'x-x-3-5-6-4', 'x-x-1-3-4-2').form).toBe(W.smallForm);
    expect(cost('Dm', 'x-x-0-2-3-1', 'x-x-0-2-3-1').form).toBe(0);
    // Half barres and shells wherever they are held.
    expect(cost('F', 'x-x-3-2-1-1', 'x-x-3-2-1-1').form).toBe(W.smallForm);
    expect(cost('G7', '3-x-3-4-3-x', '1-x-2-4-3-x').form).toBe(W.smallForm + W.closed);
  });
  it('some strings of a form are a part of it', () => {
    expect(cost('F', '1-3-3-2-1-x', '1-3-4-2-1-x').form).toBe(W.partOfForm);
    expect(cost('C', 'x-3-2-0-1-x', 'x-3-2-0-1-x').form).toBe(W.partOfForm);
  });
  it('a form from fret 10 on, where another lies lower, comes after it', () => {
    expect(cost('Cm9', '8-10-8-8-8-10', '1-3-1-1-1-4').form).toBe(W.highForm);
    expect(cost('Cm9', 'x-3-1-3-3-x', 'x-2-1-3-4-x').form).toBe(W.smallForm);
    // The lower one under fret 10 pays nothing, however high that is.
    expect(cost('Bm9', 'x-2-0-2-2-x', 'x-1-0-2-3-x').form).toBe(0);
    expect(cost('Bm9', '7-9-7-7-7-9', '1-3-1-1-1-4').form).toBe(W.closed);
    // Nothing pays more than what nobody teaches.
    expect(cost('C13', '8-x-8-9-10-x', '1-x-2-3-4-x').form).toBe(W.untaught);
  });
  it('first shapes lie under fret 10, whatever the root and the kind', () => {
    const kinds = ['', 'm', '7', 'maj7', 'm7', 'm7b5', 'dim7', '6', 'm6', '9', 'm9', 'maj9', '7b9', '13', 'sus4'];
    const roots = ['C', 'C#', 'D', 'Eb', 'E', 'F', 'F#', 'G', 'Ab', 'A', 'Bb', 'B'];
    const high = [...kinds, 'add9', 'aug', 'm(maj7)', '69'].flatMap((kind) =>
      roots.flatMap((root) => {
        const frets = first(root + kind);
        return frets.split('-').some((f) => Number(f) >= 10) ? [`${root}${kind} ${frets}`] : [];
      }),
    );
    expect(high).toEqual([]);
  });
  it('a low third growls: 5 for each neighbour below E3', () => {
    // B over G on the thickest strings, and D over that; E over C lies at E3 already.
    expect(cost('G', '3-2-0-0-0-3', '2-1-0-0-0-3').mud).toBe(2 * 5);
    expect(cost('C', 'x-3-2-0-1-0', 'x-3-2-0-1-0').mud).toBe(0);
    expect(cost('F', '1-3-3-2-1-1', '1-3-4-2-1-1').mud).toBe(0);
  });
  it('a fragment is neither', () => {
    expect(cost('Cm', 'x-3-5-0-4-3', 'x-1-4-0-3-2').form).toBe(W.untaught);
    expect(cost('A6', 'x-0-4-6-5-0', 'x-0-1-3-2-0').form).toBe(W.untaught);
  });
  it('the silent strings of a taught form cost nothing, those of others do', () => {
    expect(cost('Gmaj7', '3-x-4-4-3-x', '1-x-3-4-2-x').mutes).toBe(0);
    expect(cost('C6', 'x-3-2-2-x-0', 'x-3-1-2-x-0').mutes).toBe(W.innerMute);
    expect(cost('C', 'x-3-2-0-1-x', 'x-3-2-0-1-x').mutes).toBe(W.outerMute);
  });
  it('with another bass, and of notes given one by one, no form is asked for', () => {
    expect(cost('G7/B', 'x-2-0-0-0-1', 'x-2-0-0-0-1').form).toBe(0);
    const notes = voicings({ ...base, notes: [48, 55, 64] });
    expect(notes.infeasible ? null : notes.answers[0]?.cost.form).toBe(0);
  });
});

describe('the bass of a chord', () => {
  const all = ['C', 'D', 'Eb', 'F#', 'G', 'A', 'B'].flatMap((root) =>
    ['', 'm', '7', 'm7', 'maj7', '9', 'm9', '69', '13', '7#9', 'm7b5', 'dim7', '7b9'].map((e) => root + e),
  );
  it('the first string that sounds is the lowest note', () => {
    for (const chord of all) {
      const found = voicings({ ...base, chord, k: 3, atLeast: 4, bass: 'root' });
      for (const a of found.infeasible ? [] : found.answers) {
        const pitches = a.steps[0]!.frets.flatMap((f, i) => (f === null ? [] : [STANDARD_TUNING[i]! + f]));
        expect(Math.min(...pitches), `${chord} ${fretsText(a.steps[0]!)}`).toBe(pitches[0]);
      }
    }
    const scored = scoreVoicing({ ...base, chord: 'A7#9' }, readShape('9-0-10-0-8-0', ''));
    expect('faults' in scored && scored.faults.map((f) => f.code)).toContain('lower than the first');
    // Of notes that are given one by one each is wherever it is.
    expect(voicings({ ...base, notes: [57, 52] }).infeasible).toBeUndefined();
  });
  it('ninths have the form of E where that of A lies high, a thirteenth goes without its ninth', () => {
    for (const [chord, frets] of [
      ['A9', '5-7-5-6-5-7'],
      ['Am9', '5-7-5-5-5-7'],
      ['G69', '3-2-2-2-3-3'],
      ['C13', 'x-3-x-3-5-5'],
      ['F13', '1-x-1-2-3-x'],
    ] as const)
      expect(first(chord, { atLeast: 4, bass: 'root' }), chord).toBe(frets);
  });
});

describe('chords over another bass', () => {
  it.each([
    ['C/G', '3-3-2-0-1-0'],
    ['C/E', '0-3-2-0-1-0'],
    ['Am/E', '0-0-2-2-1-0'],
    ['Am/G', '3-0-2-2-1-0'],
    ['D/A', 'x-0-0-2-3-2'],
    ['D/F#', '2-x-0-2-3-2'],
    ['G/B', 'x-2-0-0-0-3'],
    ['E/G#', '4-2-2-1-0-0'],
    ['F/C', 'x-3-3-2-1-1'],
    ['C/B', 'x-2-2-0-1-0'],
  ])('%s is held as it is taught', (chord, frets) => expect(first(chord, { atLeast: 4, bass: 'root' })).toBe(frets));
  it('of one that nobody teaches no form is asked for', () =>
    expect(first('Dm7/B', { atLeast: 4, bass: 'root' })).toMatch(/-/));
});

describe('the fingers of taught forms', () => {
  const hand = handOn(base.neck, base.profile);
  const up = (frets: Frets, by: number) => frets.map((f) => (f === null ? null : f + by)) as unknown as Frets;
  it('a usual hand holds every form with every fingering, open and along the neck', () => {
    const held: string[] = [];
    for (const form of TAUGHT_FORMS) {
      const { frets } = readShape(form.frets, '');
      for (const by of form.moves ? [0, 1, 2, 3, 5] : [0])
        for (const fingers of taughtFingers(up(frets, by))) {
          const faults = fingeringFaults(up(frets, by), fingers, hand);
          held.push(`${form.frets} ${by} ${fingers.join()} ${faults.map((f) => f.code).join()}`);
        }
    }
    expect(held.filter((h) => !h.endsWith(' '))).toEqual([]);
    expect(held.length).toBeGreaterThan(120);
  });
  it('are found wherever the form is, and nowhere else', () => {
    const taught = (frets: string) =>
      taughtFingers(readShape(frets, '').frets).map((f) => f.map((x) => x ?? 'x').join(''));
    expect(taught('0-2-2-1-0-0')).toEqual(['023100']);
    expect(taught('5-7-7-6-5-5')).toEqual(['134211']);
    expect(taught('x-1-3-3-3-1')).toEqual(['x12341', 'x13331']);
    expect(taught('x-5-4-5-3-x')).toEqual(['x3241x']);
    // An open form does not go along, and what nobody teaches has none.
    expect([taught('x-4-3-1-2-1'), taught('x-3-5-0-4-3')]).toEqual([[], []]);
  });
  it('the one best way of frets is a taught one', () => {
    for (const [frets, fingers] of [
      ['1-3-3-2-1-1', '134211'],
      ['x-0-2-2-2-0', 'x01230'],
      ['x-x-0-2-1-1', 'xx0211'],
      ['0-2-0-1-0-0', '020100'],
      ['x-2-4-4-3-2', 'x13421'],
      ['x-2-3-1-3-x', 'x2314x'],
    ] as const)
      expect(
        fingerShape(readShape(frets, '').frets, hand, 1)[0]
          ?.fingers.map((f) => f ?? 'x')
          .join(''),
      ).toBe(fingers);
  });
});

describe('the forms', () => {
  it('each names the string of its root, the thickest that sounds, and stands once', () => {
    for (const form of TAUGHT_FORMS) {
      const { frets, faults } = readShape(form.frets, '');
      expect(faults.filter((f) => f.path === 'frets')).toEqual([]);
      const first = frets.findIndex((f) => f !== null);
      if (form.over) expect(first).toBeLessThan(6 - form.root);
      else expect(first).toBe(6 - form.root);
    }
    expect(new Set(TAUGHT_FORMS.map((f) => f.frets)).size).toBe(TAUGHT_FORMS.length);
  });
});
