import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { STANDARD_TUNING } from '../instrument/index.js';
import { vary, drillsFor } from '../drill/index.js';
import { soundStroke } from '../right-hand/index.js';
import { flatten, parseScript, printScript, readStep } from '../script/index.js';
import { anyPattern } from '../testing/arbitrary.js';
import { STRINGS } from '../time/index.js';
import { sayFault } from '../words/index.js';
import { OPEN_SHAPE, scriptWithStops, stopOver, stoppedAt, stopsOf, writeStops, type StoppedNote } from './index.js';

const instrument = { tuning: STANDARD_TUNING, capo: 0 };
const read = (text: string, stepsPerCount = 2) => parseScript(text, { stepsPerCount });
/** What sounds at every place, with frets beside the pattern or in it. */
const heard = (pattern: Parameters<typeof flatten>[0], beside: readonly StoppedNote[] = []) => {
  const stopped = stoppedAt(beside);
  return flatten(pattern).events.map((e) => [
    e.at,
    soundStroke(e.motion, stopOver(OPEN_SHAPE, stopped(e.at)), instrument).map((n) => n.midi),
  ]);
};

describe('frets in the strokes', () => {
  it.each([
    ['p:5f0', 'p:5f0', [45]],
    ['i:2f5=3', 'i:2f5=3', [64]],
    ['mi:1f3+2f1=1', 'im:2f1=1+1f3', [60, 67]],
    ['pd:5f3+4f2+3', 'pd:5f3+4f2+3', [48, 52, 55]],
    ['i:2f12!', 'i:2f12!', [71]],
    ['p:6f3=T', 'p:6f3=T', [43]],
  ])('%s is printed %s and sounds so', (text, printed, midi) => {
    const { pattern, faults } = read(text);
    expect(faults).toEqual([]);
    expect(printScript(pattern)).toBe(printed);
    expect(heard(pattern)[0]?.[1]).toEqual(midi);
  });
  it.each([
    ['i:2f30', /Fret 30 lies beyond the neck; 24 is the last/],
    ['i:2f0=1', /open string needs no finger/],
    ['i:2f3=0', /Finger 0 means an open string/],
    ['i:2f', /“2f” is no place/],
    ['i:7f2', /“7f2” is no place|string numbers 1 to 6/],
    ['im:3f5=1+2f7=1', /Finger 1 stands on fret 5 and fret 7 at once/],
    ['i:2f3=T', /thumb reaches string 6, at most 5/],
    ['i:3f2+2f1', /One finger plucks one string/],
  ])('%s is a fault that says what would work', (text, words) => {
    expect(sayFault(read(text).faults[0]!)).toMatch(words);
  });
  it('the remedy keeps the frets', () => {
    expect(readStep('pd:4f2+5f3').fault?.fix).toBe('pd:5f3+4f2');
    expect(readStep('i:3f2+2f1').fault?.fix).toBe('id:3f2+2f1');
  });
  it('go before the shape that is held; the other strings are the shape’s', () => {
    const held = { ...OPEN_SHAPE, frets: [null, 3, 2, 0, 1, 0] as const };
    const { motion } = flatten(read('im:2f3+1').pattern).events[0]!;
    expect(soundStroke(motion, held, instrument).map((n) => n.fret)).toEqual([3, 0]);
  });
  it('a rest in front moves the notes with their strokes', () => {
    const line = 'p:5f0 i:2f1=1 m:2f3=4';
    const later = stopsOf(flatten(read(`. ${line}`).pattern));
    expect(later).toEqual(stopsOf(flatten(read(line).pattern)).map((n) => ({ ...n, at: n.at + 2520 })));
  });
  it('every drill that keeps the music sounds only notes of the passage', () => {
    const { pattern } = read('p:5f0 i:2f1 m:2f3 p:4f2 i:3f2 m:2f1');
    const notes = new Set(heard(pattern).flatMap(([, midi]) => midi as number[]));
    for (const { variant, key } of drillsFor(pattern).filter((d) => d.variant.kind !== 'open strings'))
      for (const [, midi] of heard(vary(pattern, variant)))
        for (const m of midi as number[]) expect(notes.has(m), key).toBe(true);
  });
});

describe('frets that stood beside a script', () => {
  it('go into its strokes; repeats stay where every pass has the same', () => {
    const twice = [0, 5040].flatMap((at): StoppedNote[] => [{ at, string: 2, fret: 3, finger: 4 }]);
    expect(scriptWithStops('{i:2 m:1}x2', 2, twice)).toEqual({ script: '{i:2f3=4 m:1}x2', left: [] });
    expect(scriptWithStops('{i:2 m:1}x2', 2, twice.slice(1))).toEqual({ script: 'i:2 m:1 i:2f3=4 m:1', left: [] });
  });
  it('what no stroke can take stays beside it', () => {
    const note: StoppedNote = { at: 0, string: 5, fret: 3 };
    expect(scriptWithStops('p:b i', 2, [note])).toEqual({ script: 'p:b i', left: [note] });
    expect(scriptWithStops('zz', 2, [note]).left).toEqual([note]);
    // A script that would grow beyond its limit stays as it is.
    const full = 'i:2 '.repeat(4_096).trim();
    const all = Array.from({ length: 4_096 }, (_, n): StoppedNote => ({
      at: n * 2520,
      string: 2,
      fret: n % 2 ? 12 : 10,
    }));
    expect(scriptWithStops(full, 2, all)).toEqual({ script: full, left: all });
  });
  it('sounds the same, sound by sound, on any pattern', () =>
    fc.assert(
      fc.property(
        anyPattern,
        fc.array(
          fc.record({ slot: fc.nat(20), string: fc.constantFrom(...STRINGS), fret: fc.integer({ min: 0, max: 19 }) }),
        ),
        (pattern, notes) => {
          const { slots } = flatten(pattern);
          const beside = [
            ...new Map(
              notes.map(({ slot, string, fret }) => {
                const at: number = slots[slot % slots.length]?.at ?? 0;
                return [`${at} ${string}`, { at, string, fret }];
              }),
            ).values(),
          ];
          const { pattern: written, left } = writeStops(pattern, beside);
          expect(heard(written, left)).toEqual(heard(pattern, beside));
        },
      ),
    ));
});
