import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { flatten, parseScript } from '../script/index.js';
import { SCRIPTS_OF } from '../testing/arbitrary.js';
import { idiomOf } from './index.js';

const idiom = (text: string) => {
  const { pattern, faults } = parseScript(text, { stepsPerCount: 4 });
  expect(faults).toEqual([]);
  return idiomOf(flatten(pattern));
};

describe('what kind of playing a pattern is', () => {
  it.each([
    ['', 'silence'],
    ['G . S .', 'silence'],
    ['Pd:3 Pu:3', 'plectrum'],
    ['idx iux', 'muted'],
    ['idx iu', 'muted'],
    ['idx iu id iu', 'swing'],
    ['ed ad md id iu', 'rasgueado'],
    ['pu md pd', 'rasgueado'],
    ['pd pu', 'swing'],
    ['pd:654 . pu:456 p:3', 'pulgar'],
    ['pd:54 pu:45 p:3_', 'pulgar'],
    ['p:6 p:5 p:4', 'pulgar'],
    ['id iu', 'swing'],
    ['i:1 m:1 i:1 m:1', 'picado'],
    ['i:3 m:3 i:3 m:2 i:2 m:2 i:1 m:1 i:1', 'picado'],
    ['i m i m', 'arpeggio'],
    ['p:5 a:1 m:1 i:1', 'tremolo'],
    ['p:5 i:1 a:1 m:1 i:1', 'tremolo'],
    ['a:1 m:1 i:1 p:5', 'tremolo'],
    ['p:5 a:1 a:1 i:1', 'melody over basses'],
    ['p:5 a:1 m:2 i:2', 'melody over basses'],
    ['p:5 i:2 p:4 i:2', 'melody over basses'],
    ['p:5 i:3 m:2 a:1', 'arpeggio'],
    ['p:5 i:3 a:1 i:3', 'arpeggio'],
    ['i:3 m:2 a:1', 'arpeggio'],
    // The set moves with the chord.
    ['p:5 i:3 m:2 a:1 p:6 i:4 m:3 a:2 p:4 i:3 m:2 a:1 p:5 i:4 m:3 a:2', 'arpeggio'],
    // Three of four go to another string; of five strokes three.
    ['i:3 m:3 i:2 m:1', 'picado'],
    ['i:3 m:3 i:2 m:2 i:1', 'picado'],
    ['p:b ima:t p:b ima:t', 'comping'],
    ['p:5 id p:4 iu', 'comping'],
    ['p:5 m:1 i:1 m:2 p:4 i:2 m:2 i:3', 'melody over basses'],
  ])('%s: %s', (text, kind) => expect(idiom(text)).toBe(kind));
  it('is the same however often the pattern is written', () => {
    for (const [kind, scripts] of Object.entries(SCRIPTS_OF))
      fc.assert(
        fc.property(scripts, (text) => {
          expect(idiom(`${text} ${text}`), `${kind}: ${text}`).toBe(idiom(text));
        }),
        { numRuns: 30 },
      );
  });
});
