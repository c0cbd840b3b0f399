import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CYCLES, cycleById } from '../catalogue/index.js';
import { barTicks, cycleLength } from '../cycle/index.js';
import { OPEN_SHAPE, type Shape } from '../left-hand/index.js';
import { TICKS_PER_COUNT } from '../time/index.js';
import { sayFault } from '../words/index.js';
import {
  chordInChart,
  harmonyTurns,
  heldChords,
  heldInTurn,
  printChart,
  readChart,
  renameInChart,
  writtenChords,
} from './index.js';

const four = cycleById('tangos')!;
const counts = (text: string, cycle = four) =>
  readChart(text, cycle).chords.map((c) => [c.name, c.at / TICKS_PER_COUNT, c.until / TICKS_PER_COUNT]);

describe('a chart', () => {
  it('has a chord a bar, several share it equally or by counts', () => {
    expect(counts('Am7 | D7:3 G7 | C E7')).toEqual([
      ['Am7', 0, 4],
      ['D7', 4, 7],
      ['G7', 7, 8],
      ['C', 8, 10],
      ['E7', 10, 12],
    ]);
    expect(counts('C:1.5 F:5/2')).toEqual([
      ['C', 0, 1.5],
      ['F', 1.5, 4],
    ]);
  });
  it('repeats a bar by %, goes on by -, is open at . and quotes names with white space', () => {
    expect(counts('"F♯ open" Am | % | - | .').map((c) => c[0])).toEqual(['F♯ open', 'Am', 'F♯ open', 'Am', 'Am', '']);
    expect(counts('"a ""b"""')[0]?.[0]).toBe('a "b"');
  });
  it('writes repeats out: chords within a bar, or bars', () => {
    expect(counts('{E7 Am}x2').map((c) => c[1])).toEqual([0, 1, 2, 3]);
    expect(counts('{E7 | Am}x2').map((c) => c[1])).toEqual([0, 4, 8, 12]);
    expect(counts('| C | {F | G}x2 | C |').map((c) => c[0])).toEqual(['C', 'F', 'G', 'F', 'G', 'C']);
  });
  it('goes by the cycle’s bars, two of them in a bossa nova', () => {
    const bossa = cycleById('bossa-three-two')!;
    expect(barTicks(bossa)).toHaveLength(2);
    expect(counts('G | E7 | Am', bossa).map((c) => c[1])).toEqual([0, 4, 8]);
    expect(harmonyTurns({ cycle: bossa, chart: 'G | E7 | Am' })).toBe(3);
  });
  it.each([
    ['C:9', /take 9 counts; the bar has 4/],
    ['C:4 F', /take 4 counts and the bar has 4; nothing is left/],
    ['C:2 F:1', /take 3 of the bar’s 4 counts/],
    ['C:x', /“x” is no number of counts. Write D7:3/],
    ['%', /nothing is there to repeat/],
    ['C | F % ', /alone in its bar/],
    ['{C', /never closed; end it with }x2/],
    ['C}', /Nothing is open/],
    ['{C}', /how often.*}x2/],
    ['{C}x0', /1 to 256/],
    ['"C', /quotation mark is never closed/],
    ['{ }x2', /Nothing stands between/],
    ['{{{{{C}x2}x2}x2}x2}x2', /4 deep at most/],
    ['{{{C}x256}x256}x2', /more than 4096/],
    ['C '.repeat(10_001), /20000 letters at most/],
  ])('%.12s is told in words', (text, words) =>
    expect(readChart(text, four).faults.map(sayFault).join(' ')).toMatch(words),
  );
  it.each([
    ['C D E F G', ['C D E F | G']],
    ['C D E F G | A', ['C D E F | G']],
    ['C F G', ['C:2 F:1 G:1']],
    ['C:2 F G "A open"', ['C:2 F G | "A open"']],
    ['C . -', ['C:2 .:1 -:1']],
    // Halves of counts are usual, and where counts stand they are meant.
    ['C D E F G A B C', []],
    ['C:4/3 F:4/3 G:4/3', []],
    // What a repeat writes several times can’t be mended in its place.
    ['{C F}x2 G', [undefined]],
  ])('%s: chords that would change between the beats are told, with what would fit', (text, fixes) => {
    expect(readChart(text, four).faults.map((f) => f.fix)).toEqual(fixes);
    // They are read all the same, each as long as the others.
    expect(counts('C F G').map((c) => c[1])).toEqual([0, 4 / 3, 8 / 3]);
  });
  it('five chords in a bar of four counts: said with their number', () =>
    expect(readChart('C D E F G', four).faults.map(sayFault)).toEqual([
      '5 chords share 4 counts here, so that they change between the beats. Write C D E F | G.',
    ]));
  it('no text makes it throw, and chords never overlap nor leave their bars', () =>
    fc.assert(
      fc.property(
        fc.string({ unit: fc.constantFrom(...'C7 |:%-.{}x2"3/'), maxLength: 40 }),
        fc.constantFrom(...CYCLES),
        (text, cycle) => {
          const { chords, length } = readChart(text, cycle);
          chords.forEach((c, i) => {
            expect(c.until).toBeGreaterThan(c.at);
            expect(c.at).toBe(chords[i - 1]?.until ?? 0);
          });
          expect(chords.at(-1)?.until ?? 0).toBe(length);
        },
      ),
    ));
  it('print ∘ read is the identity on what is held when', () =>
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            name: fc.constantFrom('C', 'F♯ open', '%', '"', 'a:3', ''),
            ticks: fc.integer({ min: 1, max: 40 }).map((n) => n * 1260),
          }),
          { minLength: 1, maxLength: 12 },
        ),
        fc.constantFrom(...CYCLES),
        (spans, cycle) => {
          const { chords, faults } = readChart(printChart(spans, cycle), cycle);
          expect(faults).toEqual([]);
          let at = 0;
          for (const s of spans) {
            const here = chords.find((c) => at >= c.at && at < c.until);
            if (chords.length) expect(here?.name).toBe(s.name);
            else expect(s.name).toBe('');
            at += s.ticks;
          }
        },
      ),
    ));
});

describe('charts are edited as text', () => {
  it('a name changes wherever it is written, with its counts; % follows', () => {
    expect(renameInChart('Am:3 C:1 | % | Am', 'Am', 'A minor', four)).toBe('"A minor":3 C:1 | % | "A minor"');
    expect(renameInChart('Am | Am', 'Am', '', four)).toBe('');
    expect(renameInChart('{Am | C}x2', 'Am', 'F', four)).toBe('{F | C}x2');
  });
  it('a chord takes the place of a written one, or comes behind the last', () => {
    expect(writtenChords('{Am | C}x2 | % | G', four).map((c) => c.name)).toEqual(['Am', 'C', 'G']);
    expect(chordInChart('{Am | C}x2 | G', 'D 7', 2, four)).toBe('{Am | C}x2 | "D 7"');
    expect(chordInChart('', 'C', null, four)).toBe('C');
  });
});

describe('what is held', () => {
  const shape = (name: string): Shape => ({ ...OPEN_SHAPE, id: name, name });
  const shapes = [shape('C'), shape('G')];
  it('is the shape of the name; one that is nowhere is open strings, and known as such', () => {
    expect(heldChords({ cycle: four, chart: 'C | H7 | .' }, shapes).map((c) => c.shape?.id ?? null)).toEqual([
      'C',
      null,
      'open',
    ]);
  });
  it('in a turn is what of the chart falls into it; over bars of another length it goes round', () => {
    const vals = cycleById('vals')!;
    const held = heldInTurn({ cycle: vals, chart: 'C:2 G:1 | G' }, shapes, 0);
    expect(held.map((h) => [h.shape.id, h.from / TICKS_PER_COUNT])).toEqual([
      ['C', 0],
      ['G', 2],
    ]);
    expect(heldInTurn({ cycle: vals, chart: 'C | G' }, shapes, 5)[0]?.shape.id).toBe('G');
    expect(heldInTurn({ cycle: vals, chart: '' }, shapes, 5)).toEqual([
      { from: 0, to: cycleLength(vals), shape: OPEN_SHAPE, name: '' },
    ]);
  });
});
