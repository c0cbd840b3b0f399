import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { STANDARD_TUNING } from '../../instrument/index.js';
import { KINDS, readPassage } from '../../passage/index.js';
import { DEFAULT_PROFILE } from '../../player/index.js';
import { bpm } from '../../time/index.js';
import { kindsOfPattern } from '../../right-hand/index.js';
import { flatten, parseScript } from '../../script/index.js';
import { bothHands } from '../../solve/both-hands/index.js';
import { plectrumStrokes } from '../../solve/finger-line/index.js';
import { fretLine, fretSchool, readNotes } from '../../solve/fret-line/index.js';
import { LEFT_HAND } from '../left-hand.js';
import { DOORS, lineOf } from './doors.js';
import { BOTH_HANDS, LEFT_HAND_LESSONS, type Lesson, LESSONS, PLECTRUM, STROKES } from './index.js';

describe.each(Object.entries(DOORS))('what is taught comes first through %s', (_, door) => {
  it.each(LESSONS.map((l) => [`${l.kinds.join(', ')}, ${l.rule}: ${l.music}`, l] as const))('%s', (_name, lesson) => {
    expect(door(lesson)).toBe(lesson.fingers);
  });
});
describe('both hands', () => {
  it.each(BOTH_HANDS.map((l) => [`${l.rule}: ${l.notes}`, l] as const))('%s', (_name, lesson) => {
    const read = readNotes(lesson.notes, lesson.steps, { tuning: STANDARD_TUNING, capo: 0 });
    expect(read.faults).toEqual([]);
    const found = bothHands(read, { ...LEFT_HAND, bpm: bpm(lesson.bpm), school: fretSchool('open'), k: 1 });
    const [first] = found.infeasible ? [] : found.answers;
    const placed = first?.left.steps.map((notes) =>
      notes.map((p) => `${p.string}f${p.fret}${p.fret ? `=${p.finger}` : ''}`).join('+'),
    );
    expect(placed?.join(' ')).toBe(lesson.places);
    expect(first?.right?.steps.map((f) => f.join('')).join(' ')).toBe(lesson.fingers);
  });
});
describe.each(['open', 'position'])('the left hand in time, where it minds what %s does', (school) => {
  it.each(LEFT_HAND_LESSONS.map((l) => [`${l.law}: ${l.places}`, l] as const))('%s', (_name, { places, fingers }) => {
    const read = readNotes(places, 2, { tuning: STANDARD_TUNING, capo: 0 });
    expect(read.faults).toEqual([]);
    const found = fretLine({ ...LEFT_HAND, events: read.events, bpm: bpm(90), school: fretSchool(school), k: 1 });
    const [first] = found.infeasible ? [] : found.answers;
    expect(first?.steps.map((notes) => notes.map((p) => p.finger).join('+')).join(' ')).toBe(fingers);
  });
});
describe('what strokes are written tells what it is', () => {
  it.each(STROKES.map((l) => [`${l.script} is ${l.kind}`, l] as const))('%s', (_name, { kind, script }) => {
    const { pattern, faults } = parseScript(script, { stepsPerCount: 4 });
    expect(faults).toEqual([]);
    expect(kindsOfPattern(flatten(pattern)).map((s) => s.kind)).toEqual([kind]);
  });
  it.each(PLECTRUM.map((l) => [l.music, l] as const))('a plectrum: %s', (_name, { music, strokes }) => {
    const { notes } = lineOf({ music, bpm: 100, steps: 4 });
    const found = plectrumStrokes(notes.flatMap((n) => n.strings));
    expect(found.map((s) => (s === 'rest' ? 'd' : s[0])).join(' ')).toBe(strokes);
  });
});
describe('the book of lessons', () => {
  it('has a dozen and more for each kind and each rule, and forty for both hands', () => {
    const kinds = [...LESSONS.flatMap((l) => (l.kinds.length === 1 ? l.kinds : [])), ...STROKES.map((l) => l.kind)];
    for (const kind of KINDS) {
      const own = kinds.filter((k) => k === kind).length + (kind === 'plectrum' ? PLECTRUM.length : 0);
      expect(own, kind).toBeGreaterThanOrEqual(12);
    }
    for (const rule of new Set(LESSONS.map((l) => l.rule)))
      expect(LESSONS.filter((l) => l.rule === rule).length, String(rule)).toBeGreaterThanOrEqual(12);
    expect(BOTH_HANDS.length).toBeGreaterThanOrEqual(40);
    expect(LESSONS.filter((l) => l.guard).length).toBeLessThan(LESSONS.length / 4);
  });
  it.each(LESSONS.map((l) => [`${l.music} is ${l.kinds.join(', ')}`, l] as const))('%s', (_name, lesson) => {
    const { notes } = lineOf(lesson);
    const { stretches } = readPassage({ notes, bpm: bpm(lesson.bpm), profile: DEFAULT_PROFILE });
    expect(stretches.map((s) => s.kind)).toEqual(lesson.kinds);
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
