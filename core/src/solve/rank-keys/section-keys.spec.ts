import { describe, expect, it } from 'vitest';
import { cycleById } from '../../catalogue/index.js';
import { readShape } from '../../left-hand/index.js';
import { keepTrial, makeSection, makeStudy, type Section, setCapo, type Study } from '../../piece/index.js';
import { scoreOf } from '../../score/index.js';
import { LEFT_HAND } from '../../testing/left-hand.js';
import { sayFact } from '../../words/index.js';
import { rangeThen, rankKeys, sectionInKey, sectionKeys } from './index.js';

const { profile } = LEFT_HAND;
function piece(more: Partial<Section>): Study {
  const section = { ...makeSection('s', 'Theme', cycleById('tangos')!), stepsPerCount: 2, ...more };
  const shapes = [
    { id: 'f', name: 'F', ...readShape('1-3-3-2-1-1', '1-3-4-2-1-1') },
    { id: 'o', name: 'Open', ...readShape('x-0-2-2-0-0', '') },
    { id: 'bb', name: 'The barre', chord: 'Bb', ...readShape('x-1-3-3-3-1', 'x-1-2-3-4-1') },
  ];
  return { ...makeStudy('p', 'Piece'), shapes, sections: [section] };
}
const pitches = (study: Study) =>
  scoreOf(study.sections[0]!, study).events.map((e) =>
    [...new Set(e.notes.map((n) => n.midi % 12))].sort((a, b) => a - b),
  );
const inKey = (study: Study, transposed: number, capo: number) =>
  sectionInKey(study.sections[0]!, study, { transposed, capo }, profile);
const taken = (study: Study, transposed: number, capo: number): Study => {
  const trial = inKey(study, transposed, capo);
  if ('code' in trial) throw new Error(sayFact(trial));
  return keepTrial('s', trial)(study);
};

describe('a section in other keys', () => {
  it('of barre chords the easier keys come first, and are taken with their shapes', () => {
    const study = piece({ script: 'p:b - ima:t - p:b - ima:t -', chart: 'F | "The barre" | F | "The barre"' });
    const asked = sectionKeys(study.sections[0]!, study, profile);
    if ('code' in asked) throw new Error(sayFact(asked));
    expect(asked.events.map((e) => e.chord)).toEqual(['F', 'Bb', 'F', 'Bb']);
    const ranked = rankKeys({ ...asked, capos: [0] });
    const here = ranked.find((k) => k.transposed === 0)!;
    expect(ranked[0]!.total).toBeLessThan(here.total!);
    const down = taken(study, -1, 0);
    expect(down.sections[0]!.chart).toBe('E | A | E | A');
    expect(down.shapes.map((s) => s.name)).toEqual(expect.arrayContaining(['E', 'A']));
    expect(pitches(down)).toEqual(expect.arrayContaining([[4]]));
  });
  it('the same key under a capo has easier shapes, and sounds the same', () => {
    const study = piece({ script: 'p:b - ima:t -', chart: 'F' });
    const capo = taken(study, 0, 1);
    expect(capo.instrument.capo).toBe(1);
    // Symbols say what sounds: it is held as E is without the capo.
    expect(capo.shapes.at(-1)).toMatchObject({ frets: [0, 2, 2, 1, 0, 0] });
    const tones = (s: Study) => new Set(pitches(s).flat());
    expect(tones(capo)).toEqual(tones(study));
  });
  it('where the capo does it all the shapes go along under what they sound as', () => {
    const study = piece({ script: 'p:b - ima:t - p:f - ima:t -', chart: 'F | "The barre"' });
    const up = taken(study, 2, 2);
    expect(up.sections[0]!.chart).toBe('G | C');
    expect(up.shapes.slice(-2).map((s) => s.frets)).toEqual(
      study.shapes.filter((s) => s.id !== 'o').map((s) => s.frets),
    );
    // Its fifth in the bass is a fifth still.
    const shifted = (p: readonly number[]) => p.map((x) => (x + 2) % 12).sort((a, b) => a - b);
    expect(pitches(up)).toEqual(pitches(study).map(shifted));
  });
  it('frets of single strokes move along with it, as far as there is neck', () => {
    const study = piece({ script: 'i:2f3=3 m:1f0 L:1f3=4 p:6f1=1', chart: '' });
    const up = taken(study, 2, 0);
    expect(up.sections[0]!.script).toBe('i:2f5=3 m:1f2 L:1f5=4 p:6f3=1');
    expect(sayFact(inKey(study, -2, 0) as never)).toMatch(/Fret 0 would lie below the nut|Fret 1 would/);
    expect(sayFact(inKey(piece({ script: 'i:1f18', chart: '' }), 5, 0) as never)).toMatch(
      /Fret 18 would lie beyond the neck/,
    );
    // What the capo moves need not be moved again.
    expect(taken(study, 2, 2).sections[0]!.script).toBe(study.sections[0]!.script);
    expect(taken(setCapo(2)(study), 0, 0).sections[0]!.script).toBe('i:2f5=3 m:1f2 L:1f5=4 p:6f3=1');
  });
  it('the whole section is weighed, however many chords it has', () => {
    const chart = Array.from({ length: 70 }, (_, n) => (n < 69 ? 'E' : 'F')).join(' | ');
    const study = piece({ script: 'p:b - - - - - - -', chart });
    const asked = sectionKeys(study.sections[0]!, study, profile);
    expect('code' in asked ? [] : asked.events.map((e) => e.chord)).toEqual(['E', 'F']);
    const melody = piece({ script: `{i:2f3=3 m:1f0}x50 i:1f5=4`, chart: '', bars: null });
    const notes = sectionKeys(melody.sections[0]!, melody, profile);
    expect('code' in notes ? 0 : notes.events.length).toBeGreaterThan(100);
  });
  it('its range is what sounds then, with the shapes that are found', () => {
    const study = piece({ script: 'p:b - ima:t - i:1f3=4 - - -', chart: 'F' });
    const range = (transposed: number, capo: number) => {
      const trial = inKey(study, transposed, capo);
      return 'code' in trial ? null : rangeThen(study.sections[0]!, study, trial);
    };
    const sounding = scoreOf(study.sections[0]!, study).events.flatMap((e) => e.notes.map((n) => n.midi));
    expect(range(0, 0)).toEqual({ lowest: Math.min(...sounding), highest: Math.max(...sounding) });
    // E is held open then: its bass is a half-tone lower, and so is the single note.
    expect(range(-1, 0)).toEqual({ lowest: 40, highest: 66 });
    const silent = piece({ script: '', chart: 'F' });
    expect(rangeThen(silent.sections[0]!, silent, inKey(silent, 0, 0) as never)).toBeNull();
  });
  it('names that are no symbols, and nothing at all, are told', () => {
    const named = piece({ script: 'p:b', chart: 'Open' });
    for (const f of [sectionKeys(named.sections[0]!, named, profile), inKey(named, 2, 0)])
      expect(sayFact(f as never)).toMatch(/^Open is no chord symbol/);
    const empty = piece({ script: '', chart: '' });
    expect(sayFact(sectionKeys(empty.sections[0]!, empty, profile) as never)).toMatch(/nothing to move yet/);
  });
});
