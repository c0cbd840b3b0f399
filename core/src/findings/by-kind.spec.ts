import { describe, expect, it } from 'vitest';
import { cycleById } from '../catalogue/index.js';
import { KINDS, type Kind } from '../passage/index.js';
import { kindOfPattern } from '../right-hand/index.js';
import { flatten, parseScript } from '../script/index.js';
import { sayAll } from '../words/index.js';
import { read } from '../testing/told-findings.js';
import type { FindingCode } from './index.js';

const ACCENTS: readonly FindingCode[] = [
  'accents met',
  'accents weak',
  'accents carried',
  'accents missed',
  'another start',
];
const CHORDS: readonly FindingCode[] = ['tone unheard', 'string unstruck', 'open rings on', 'what sounds'];
const PICK: readonly FindingCode[] = ['plectrum ways'];
const SWING: readonly FindingCode[] = ['pendulum'];
const ALTERNATION: readonly FindingCode[] = ['finger repeated'];
const PLANTS: readonly FindingCode[] = ['plants'];

/** For each kind of playing what it may never be told, and patterns of it. */
const NEVER: Record<Kind, { readonly codes: readonly FindingCode[]; readonly patterns: readonly string[] }> = {
  run: {
    // What is composed: an order that repeats on one string is asked where it begins.
    codes: [...ACCENTS, ...CHORDS, ...PICK, ...SWING, ...PLANTS, 'block'],
    patterns: [
      'i:1f5=1 m:1f7=3 i:1f8=4 m:1f7=3 i:1f5=1 m:2f8=4 i:2f6=2 m:2f5=1',
      'i:3f2_ m:3f4_ i:2f2_ m:2f3_ i:1f2_ m:1f3_ i:1f5_ m:1f3_',
      'm:2f1 i:2f3 m:1f0 i:1f1 m:1f3 i:1f1 m:1f0 i:2f3',
    ],
  },
  arpeggio: {
    codes: [...ACCENTS, ...PICK, ...SWING, ...ALTERNATION, 'what sounds', 'open rings on'],
    patterns: ['p:b i:3 m:2 a:1 m:2 i:3 p:b i:3', 'p:5 i:3 m:2 a:1', 'p:b i:3 m:2 a:1 m:2 i:3'],
  },
  tremolo: {
    codes: [...CHORDS, ...PICK, ...SWING, ...PLANTS, ...ALTERNATION],
    patterns: ['p:b a:1 m:1 i:1', 'p:5 i:1 a:1 m:1 i:1', 'p:5 a:2 m:2 i:2 p:4 a:2 m:2 i:2'],
  },
  'melody over basses': {
    codes: [...ACCENTS, ...CHORDS, ...PICK, ...SWING, ...PLANTS],
    patterns: ['pa:5+1f3 - m:1f1 i:1 pa:4+2f3 - m:2f1 -', 'pa:51 - m:1 i:1 pa:51 - m:2 -', 'p:b i - - p:b i - -'],
  },
  'thumb line': {
    codes: [...ACCENTS, ...CHORDS, ...PICK, ...SWING, ...PLANTS, ...ALTERNATION, 'block'],
    patterns: ['p:5 p:5f2 p:5f3 p:4 p:4f2 p:4f3 p:3 p:3f2', 'p:6_ p:5_ p:4_ p:5_', 'p:5f2_ p:5f3_ p:4_ p:4f2_'],
  },
  alzapúa: {
    codes: [...ACCENTS, ...CHORDS, ...PICK, ...SWING, ...PLANTS, ...ALTERNATION, 'block'],
    patterns: ['pd:32 pu:23 p:4 pd:32 pu:23 p:4', 'pd:43 pu:34 p:5', 'p:5 pd:32 pu:23 p:5 pd:32 pu:23'],
  },
  'block chords': {
    codes: [...ACCENTS, ...PICK, ...SWING, ...PLANTS, ...ALTERNATION],
    patterns: ['pima:t - - -', 'pima:t - pima:t -', 'ima:t - - - ima:t - - -'],
  },
  comping: {
    codes: [...ACCENTS, ...PICK, ...SWING, ...PLANTS, ...ALTERNATION],
    patterns: ['p:b ima:t p:b ima:t^', 'p:b ima:t p:b -', 'p:b ima:t ima:t ima:t'],
  },
  strum: {
    codes: ['another start', ...PICK, ...PLANTS, ...ALTERNATION, 'rest stroke lands'],
    patterns: ['id iu id iu id iu id iu', 'id - idx iu - iu idx iu', 'id - - - id - id iu'],
  },
  rasgueado: {
    codes: [...PICK, ...SWING, ...PLANTS, ...ALTERNATION, 'rest stroke lands', 'what sounds'],
    patterns: ['ed ad md id iu', 'ed ad md id . . . . id - - - iu - - -', 'ad md id iu ad md id iu'],
  },
  plectrum: {
    codes: [...ACCENTS, ...SWING, ...PLANTS, ...ALTERNATION, 'tone unheard', 'string unstruck', 'block'],
    patterns: [
      'Pd:3f2 Pu:3f4 Pd:2f1 Pu:2f3 Pd:1 Pu:1f2 Pd:1f3 Pu:1f2',
      'Pd:3f2 Pu:3f3 Pw:3f2 Pd:4f4',
      'Pd:5f3 Pd:4f2 Pd:3f5 Pd:2f3',
    ],
  },
};

describe.each(KINDS.map((kind) => [kind, NEVER[kind]] as const))('%s', (kind, { codes, patterns }) => {
  it.each(patterns.flatMap((p) => [1, 2, 4].map((steps) => [p, steps] as const)))(
    '%s at %i a count',
    (script, steps) => {
      expect(kindOfPattern(flatten(parseScript(script, { stepsPerCount: steps }).pattern))).toBe(kind);
      for (const cycle of ['tangos', 'buleria', 'bossa-three-two', 'tango-marcato-four'])
        for (const chart of ['', 'C | Am', 'Am | F | G | E']) {
          const found = read(script, { stepsPerCount: steps, chart, cycle: cycleById(cycle) ?? cycleById('tangos')! });
          // Only a run is told where the thumb rests.
          const never = kind === 'run' ? codes : [...codes, 'thumb anchor'];
          expect(found.filter((f) => never.includes(f.code)).map((f) => f.code)).toEqual([]);
        }
    },
  );
});
it('an order that repeats on one string is told its accents', () => {
  for (const script of ['i:1 m:1 i:1 m:1', 'p:b a:1 m:1 i:1', 'id iu id iu', 'ed ad md id iu'])
    expect(read(script).map((f) => f.code)).toContain('accents met');
});
it('no sentence tells to write what would change the music', () => {
  for (const { patterns } of Object.values(NEVER))
    for (const script of patterns)
      for (const { title, lines } of sayAll(read(script, { chart: 'C | G' })))
        expect(`${title} ${lines.join(' ')}`).not.toMatch(/[Ww]rite p:b|All 1 /);
});
