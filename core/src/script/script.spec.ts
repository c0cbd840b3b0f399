import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { sayFault, sayFaults } from '../words/index.js';
import { CELLS, cycleById } from '../catalogue/index.js';
import { anyPattern, anySteps, withoutRanges } from '../testing/arbitrary.js';
import { TICKS_PER_COUNT } from '../time/index.js';
import {
  flatten,
  LONGEST_SCRIPT,
  MOST_FAULTS,
  parseScript,
  pressOnStep,
  printScript,
  printStep,
  readStep,
  replaceRange,
  scriptWithOne,
  writeSlot,
} from './index.js';

const two = { stepsPerCount: 2 };
const faultsOf = (text: string) => sayFaults(parseScript(text, two).faults);

describe('hand script', () => {
  it('parse ∘ print is the identity', () => {
    fc.assert(
      fc.property(anyPattern, (pattern) => {
        const text = printScript(pattern);
        const { pattern: again, faults } = parseScript(text, pattern);
        expect(faults).toEqual([]);
        expect(withoutRanges(again.items)).toEqual(withoutRanges(pattern.items));
        expect(printScript(again)).toBe(text);
      }),
      { numRuns: 400 },
    );
  });
  it.each(['c', 'ch', 'x', 'q', 'e'])('%s before a direction is the little finger', (letter) => {
    expect(printScript(parseScript(`${letter}d`, two).pattern)).toBe('ed');
  });
  it('prints the player’s own little finger, in strums only', () =>
    expect(printScript(parseScript('ed e:1 id', two).pattern, 'ch')).toBe('chd e:1 id'));
  it('x after a pluck is a left-hand mute, not a finger', () => {
    expect(readStep('ix').step).toMatchObject({ fingers: ['i'], marks: ['x'] });
    expect(readStep('ixd').step).toMatchObject({ fingers: ['i', 'e'], dir: 'd' });
  });
  it('fingers come in any order and are kept with their strings', () =>
    expect(readStep('ami:123').step).toMatchObject({ fingers: ['i', 'm', 'a'], strings: [3, 2, 1] }));
});

describe('time in a script', () => {
  const at = (text: string, steps = 2) =>
    flatten(parseScript(text, { stepsPerCount: steps }).pattern).events.map((e) => e.at / TICKS_PER_COUNT);
  it('a step lasts one step', () => expect(at('p i m a')).toEqual([0, 0.5, 1, 1.5]));
  it('a group shares its steps evenly', () => expect(at('[p i m]:2 a', 3)).toEqual([0, 2 / 9, 4 / 9, 2 / 3]));
  it('a repeat is written out', () => expect(at('{p i}x3')).toHaveLength(6));
  it('a hold lengthens the stroke before it, a rest does not', () => {
    const { events } = flatten(parseScript('p - . i', two).pattern);
    expect(events.map((e) => e.duration / TICKS_PER_COUNT)).toEqual([1, 0.5]);
  });
  it('steps that the count allows fall on whole ticks and fill it', () => {
    fc.assert(
      fc.property(anySteps, fc.integer({ min: 1, max: 12 }), (steps, counts) => {
        const flat = flatten(parseScript(`{i}x${steps * counts}`, { stepsPerCount: steps }).pattern);
        expect(flat.length).toBe(counts * TICKS_PER_COUNT);
        expect(flat.slots.every((s) => Number.isInteger(s.at))).toBe(true);
      }),
    );
  });
});

/** Faults that one step can have at once. */
const MOST_FIXES = 8;

describe('faults', () => {
  it.each([
    ['iid', /twice/, 'id'],
    ['ii', /“ii” is several strokes in one: write i i/, 'i i'],
    ['ididid', /several strokes in one: write id id id/, 'id id id'],
    ['edadmdid', /several strokes/, 'ed ad md id'],
    ['pimami', /several strokes/, 'p i m a m i'],
    ['p5', /“p5” wants a colon before its string: write p:5/, 'p:5'],
    ['p5f2', /colon/, 'p:5f2'],
    ['ima321', /colon/, 'ima:321'],
    ['i!5', /colon/, 'i!:5'],
    ['im:33', /Two fingers on one string/, 'im'],
    ['im:23', /finger order/, 'im:32'],
    ['a*', /a is busy/, 'a'],
    ['id:123', /6 before 1/, 'id:321'],
    ['iu:321', /1 before 6/, 'iu:123'],
    ['p:54', /One finger plucks one string/, 'pd:54'],
    ['ima:32', /3 fingers need 3 strings/, 'ima'],
    ['iu_', /rest/, 'iu'],
    ['p:1_', /thumb rest stroke/, 'p:1'],
    ['i:6_', /thicker/, 'i:6'],
    ['i~x', /ringing and muted/, 'i~'],
    ['i!,', /loud and soft/, 'i!'],
    ['i:9', /string numbers/, 'i'],
    ['im:b', /one bass string/, 'i:b'],
    ['Gp', /golpe alone/, 'G'],
    ['(z)', /ghost/, '(d)'],
    ['zed', /no stroke/, undefined],
    ['ED', /no stroke/, 'ed'],
    ['p]', /Nothing is open/, ''],
    ['{p}', /how often/, '}x2'],
    ['{p}x900', /1 to 256/, '}x2'],
    ['[p i]:0', /1 to 64/, ']:1'],
    ['[]', /Nothing stands/, ''],
    ['[p', /never closed/, undefined],
  ])('%s is refused in words, with what would work', (text, message, fix) => {
    const [fault] = faultsOf(text);
    expect(fault?.message).toMatch(message);
    expect(fault?.fix).toBe(fix);
  });
  it('every fix of a faulty step is itself without fault', () => {
    for (const text of ['ii', 'im:33', 'im:23', 'a*', 'id:123', 'p:54', 'iu_', 'p:1_', 'i~x', 'im:b', 'Gp', '(z)'])
      expect(faultsOf(faultsOf(text)[0]?.fix ?? '?'), text).toEqual([]);
  });
  it('a script with five faults shows five, each at its place, and keeps the strokes between', () => {
    const text = 'ed ii ad im:23 md a* id p:54 iu }';
    const { faults, pattern } = parseScript(text, two);
    expect(faults.map((f) => text.slice(f.from, f.to))).toEqual(['ii', 'im:23', 'a*', 'p:54', '}']);
    expect(flatten(pattern).events.map((e) => printStep(e.motion))).toEqual(['ed', 'ad', 'md', 'id', 'iu']);
  });
  it('a bar off the cycle’s seams says where it falls and where seams are', () => {
    const cycle = cycleById('buleria')!;
    const good = parseScript('{i}x6 | {i}x6 | {i}x4 | {i}x4 | {i}x4', { ...two, cycle });
    expect(good.faults).toEqual([]);
    expect(sayFault(parseScript('{i}x5 |', { ...two, cycle }).faults[0]!)).toBe(
      'This | falls on 2 &; groups of this cycle begin on 12, 3, 6, 8, 10.',
    );
  });
  it('a group that does not divide is named and the rest still plays', () => {
    const { faults, pattern } = parseScript('[p i m a p i m a p i m] i', two);
    expect(sayFault(faults[0]!)).toMatch(/divide evenly/);
    expect(flatten(pattern).events).toHaveLength(1);
  });
  it('too long, too deep and too many are refused in words', () => {
    expect(faultsOf('i '.repeat(LONGEST_SCRIPT))[0]?.message).toMatch(/letters at most/);
    // Bar lines and groups count as written out: 256 times 256 of them never come to be.
    expect(faultsOf(`{p {${'|'.repeat(15)} p}x256}x15`)[0]?.message).toMatch(/makes 57600 bar lines and groups; 4096/);
    expect(faultsOf(`{${'[p]'.repeat(15)}}x256`).map((f) => f.message)).toEqual([]);
    expect(faultsOf(`{${'[[p]]'.repeat(10)}}x256`)[0]?.message).toMatch(/5120 bar lines and groups/);
    expect(faultsOf('z '.repeat(9_000))).toHaveLength(MOST_FAULTS);
    const long = faultsOf('z'.repeat(19_000))[0]?.message ?? '';
    expect(long).toMatch(/^“z{15}…” is no stroke/);
    expect(faultsOf('['.repeat(9_000) + 'i' + ']'.repeat(9_000))[0]?.message).toMatch(/deep at most/);
    expect(faultsOf('{{{i}x99}x99}x99')[0]?.message).toMatch(/4096 is the most/);
    expect(sayFault(parseScript('i', { stepsPerCount: 11 }).faults[0]!)).toMatch(/not 11/);
  });
  it('no text at all makes it throw, and what is offered in place of a step mends it, fault by fault', () => {
    fc.assert(
      fc.property(
        fc.string({ unit: fc.constantFrom(..."pimaedu:54[]{}x2|.-!*_~ LP?f=3+^><@%'bnt"), maxLength: 24 }),
        (text) => {
          for (const f of faultsOf(text)) {
            const step = !/[\s[\]{}|<@]/.test(text.slice(f.from, f.to));
            let now = step ? f.fix : undefined;
            for (let n = 0; n < MOST_FIXES && now; n++) now = faultsOf(now)[0]?.fix;
            expect(now, `${text}: still ${now ?? ''}`).toBeFalsy();
          }
        },
      ),
      { numRuns: 3_000 },
    );
  });
});

describe('editing by slot', () => {
  it('writes into the slot’s own text', () => {
    const text = 'ed {ad md}x2';
    const flat = flatten(parseScript(text, two).pattern);
    expect(writeSlot(text, flat, 3, 'iu')).toBe('ed {iu md}x2');
    expect(replaceRange('abc', { from: 1, to: 2 }, 'X')).toBe('aXc');
  });
  it('a stroke set into an empty wheel stands at its slot among rests', () =>
    expect(scriptWithOne(4, 2, 'p')).toBe('. . p .'));
  it.each([
    ['.', 'i', 'i'],
    ['i', 'd', 'id'],
    ['id', 'u', 'iu'],
    ['iu', 'u', 'i'],
    ['.', 'd', '(d)'],
    ['(d)', 'm', 'md'],
    ['p', 'g', 'p*'],
    ['a', 'g', 'G'],
    ['p*', 'a', 'a'],
    ['i', '!', 'i!'],
    ['i!', '!', 'i'],
    ['i!', ',', 'i,'],
    ['i!', "'", "i!'"],
    ["i'", '~', 'i~'],
    ['i~', '~', 'i'],
    ['id', 'x', 'idx'],
    ['i', '%', 'i%'],
    ['p', '*', 'p*'],
    ['.', '^', '.'],
    // Struck up, no finger leans on to the next string.
    ['iu', '_', 'iu'],
    ['p:5', '.', '.'],
    ['id:321', 'm', 'md:321'],
  ] as const)('%s and the key %s make %s', (before, key, after) => {
    expect(pressOnStep(readStep(before).step!, key)).toBe(after);
  });
});

describe('cells', () => {
  it.each(CELLS.map((c) => [c.name, c] as const))('%s is without fault', (_n, c) =>
    expect(parseScript(c.script, c).faults).toEqual([]),
  );
});
