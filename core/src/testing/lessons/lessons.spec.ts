import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readPassage } from '../../passage/index.js';
import { DEFAULT_PROFILE } from '../../player/index.js';
import { bpm } from '../../time/index.js';
import { DOORS, lineOf } from './doors.js';
import { type Lesson, LESSONS } from './index.js';

describe.each(Object.entries(DOORS))('what is taught comes first through %s', (_, door) => {
  it.each(LESSONS.map((l) => [`${l.kind}, ${l.rule}: ${l.music}`, l] as const))('%s', (_name, lesson) => {
    const fingers = door(lesson);
    if (fingers !== null) expect(fingers).toBe(lesson.fingers);
  });
});
describe('the book of lessons', () => {
  it.each(LESSONS.map((l) => [`${l.music} is ${l.kind}`, l] as const))('%s', (_name, lesson) => {
    const { notes } = lineOf(lesson);
    const { stretches } = readPassage({ notes, bpm: bpm(lesson.bpm), profile: DEFAULT_PROFILE });
    expect(stretches.map((s) => s.kind)).toEqual([lesson.kind]);
  });
  it('has no two alike, on other strings either', () => {
    const shape = ({ music, steps }: Lesson) => {
      const digits = [...music.replace(/\s/g, '')];
      const thinnest = Math.min(...digits.filter((d) => /\d/.test(d)).map(Number));
      return `${steps} ${digits.map((d) => (/\d/.test(d) ? String(Number(d) - thinnest) : d)).join('')}`;
    };
    const seen = new Map<string, string>();
    for (const l of LESSONS) {
      expect(seen.get(shape(l)), l.music).toBeUndefined();
      seen.set(shape(l), l.music);
    }
  });
});

/** Lines as players type them: single notes of every string, some together, rests. */
const anyMusic = fc
  .array(
    fc.oneof(
      { weight: 12, arbitrary: fc.integer({ min: 1, max: 6 }).map(String) },
      { weight: 2, arbitrary: fc.constantFrom('[51]', '[62]', '[31]', '[21]', '[321]', '[5321]', '[432]') },
      { weight: 1, arbitrary: fc.constant('.') },
    ),
    { minLength: 1, maxLength: 16 },
  )
  .filter((list) => list.some((t) => t !== '.'))
  .map((list) => list.join(' '));
describe('one passage', () => {
  it('has the same fingers through every door', () => {
    fc.assert(
      fc.property(anyMusic, fc.constantFrom(60, 100, 180), fc.constantFrom(2, 4), (music, tempo, steps) => {
        const own = Object.values(DOORS).flatMap((door) => door({ music, bpm: tempo, steps }) ?? []);
        expect(new Set(own).size, `${music}: ${own.join(' / ')}`).toBe(1);
      }),
      { numRuns: 150 },
    );
  });
  it('is read the same once every note is given to whom the reading gave it', () => {
    fc.assert(
      fc.property(anyMusic, (music) => {
        const { notes } = lineOf({ music, bpm: 100, steps: 2 });
        const passage = { bpm: bpm(100), profile: DEFAULT_PROFILE };
        const { bass } = readPassage({ ...passage, notes });
        const given = notes.map((n, i) => ({ ...n, layer: bass[i] ? ('thumb' as const) : ('fingers' as const) }));
        expect(readPassage({ ...passage, notes: given }).bass).toEqual(bass);
      }),
    );
  });
});
