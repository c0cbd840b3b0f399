import { sayComeRound, sayPatternDrill } from '../words/index.js';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEFAULT_PROFILE } from '../player/index.js';
import { flatten, parseScript, printScript } from '../script/index.js';
import { type Finger, fingersOf } from '../stroke/index.js';
import { anyPattern } from '../testing/arbitrary.js';
import { bpm, TICKS_PER_COUNT } from '../time/index.js';
import { plantedIn } from './exercises.js';
import { comeRound, drillsFor, startDrills, type Variant, vary, weakestJoint } from './index.js';

const read = (text: string) => parseScript(text, { stepsPerCount: 2 }).pattern;
const varied = (text: string, variant: Variant) => printScript(vary(read(text), variant));

describe('drills', () => {
  it('long-short and short-long keep the length and the strokes', () => {
    expect(varied('p i m a', { kind: 'rhythm', shape: 'long-short' })).toBe('[p - - i]:2 [m - - a]:2');
    expect(varied('p i m a', { kind: 'rhythm', shape: 'short-long' })).toBe('[p i - -]:2 [m a - -]:2');
    const at = flatten(vary(read('p i m a'), { kind: 'rhythm', shape: 'long-short' })).events.map(
      (e) => e.at / TICKS_PER_COUNT,
    );
    expect(at).toEqual([0, 0.75, 1, 1.75]);
  });
  it('threes regroup the same order, so that the accent wanders', () =>
    expect(varied('p i m a i m', { kind: 'rhythm', shape: 'triplets' })).toBe('[p i m]:2 [a i m]:2'));
  it('a rotation begins on another stroke and keeps the order', () =>
    expect(varied('ed ad md id iu', { kind: 'rotation', start: 3 })).toBe('id iu ed ad md'));
  it('one finger sounds full, the others are held down, not the one pushed up', () =>
    expect(varied('p! i m a', { kind: 'finger accent', finger: 'm' })).toBe('p, i, m a,'));
  it('of strokes together only the one finger is loud; where its string has no number the stroke is held down', () => {
    const loud = (text: string, finger: Finger) => varied(text, { kind: 'finger accent', finger });
    expect(loud('im:32 p:5', 'm')).toBe('im:3,+2 p:5,');
    expect(loud('im:32! p:5', 'i')).toBe('im:3+2, p:5,');
    expect(loud('ima:t m:2', 'm')).toBe('ima:t, m:2');
    const listed = drillsFor(read('p:b ima:t p:b ima:t')).map((d) => d.key);
    expect(listed).toContain('finger accent p');
    expect(listed).not.toContain('finger accent m');
  });
  it('the accent goes through p i m a m i p as one drill, a pass for each finger', () => {
    const made = vary(read('p:5 i:3 m:2 a:1'), { kind: 'accent through' });
    const loud = flatten(made).events.flatMap((e) =>
      e.motion.kind === 'stroke' && e.motion.marks.includes('!') ? e.motion.fingers : [],
    );
    expect(loud.join('')).toBe('pimamip');
    // All others are very soft; what was accented is not.
    expect(varied('p:5! i:3 m:2', { kind: 'accent through' })).toBe(
      '@pp p:5! i:3 m:2 p:5 i:3! m:2 p:5 i:3 m:2! p:5 i:3! m:2 p:5! i:3 m:2',
    );
    expect(drillsFor(read('p:5 i:3 m:2 a:1')).map((d) => d.key)).toContain('accent through');
    expect(drillsFor(read('p:5 i:3')).map((d) => d.key)).not.toContain('accent through');
  });
  it('threes and gallops are written out until they come round: sixteen notes in threes after three passes', () => {
    const length = (text: string, shape: 'triplets' | 'long-short' | 'short-long') => {
      const made = flatten(vary(read(text), { kind: 'rhythm', shape }));
      return made.events.length;
    };
    const sixteen = Array.from({ length: 16 }, (_, i) => 'im'[i % 2]).join(' ');
    expect(length(sixteen, 'triplets')).toBe(48);
    expect(length('p i m a', 'triplets')).toBe(12);
    expect(length('p i m', 'triplets')).toBe(3);
    expect(length('p i m', 'long-short')).toBe(6);
    expect(length('p i m', 'short-long')).toBe(6);
    // What would go on for hundreds of notes stays one pass.
    expect(length(Array.from({ length: 100 }, () => 'i').join(' '), 'triplets')).toBe(100);
  });
  it('a gallop has one of three long, and comes round when the first stroke is long again', () => {
    const gallop = (text: string, long: 1 | 2 | 3) => varied(text, { kind: 'gallop', long, passes: 1 });
    expect(gallop('p i m', 1)).toBe('[p - i m]:2');
    expect(gallop('p i m', 2)).toBe('[p i - m]:2');
    expect(gallop('i m', 3)).toBe('[i m i -]:2 [m i m -]:2');
    const passes = (text: string) =>
      drillsFor(read(text)).flatMap((d) => (d.variant.kind === 'gallop' ? [d.variant.passes] : []));
    expect(passes('p i m a')).toEqual([3, 3, 3]);
    expect(passes('p i m')).toEqual([1, 1, 1]);
  });
  it('a crossing is drilled alone where it is awkward, and with the fingers in each other’s places', () => {
    const crossing = (text: string) =>
      drillsFor(read(text)).flatMap((d) => (d.variant.kind === 'crossing' ? [d.variant] : []));
    // From m to i on to a thinner string.
    expect(crossing('i:3 m:3 i:2 m:2')).toEqual([
      { kind: 'crossing', from: 0, turned: false },
      { kind: 'crossing', from: 0, turned: true },
    ]);
    expect(varied('i:3 m:3 i:2 m:2 i:1 m:1', { kind: 'crossing', from: 2, turned: false })).toBe('i:2 m:2 i:1 m:1');
    expect(varied('i:3 m:3 i:2 m:2 i:1 m:1', { kind: 'crossing', from: 2, turned: true })).toBe('m:2 i:2 m:1 i:1');
    expect(crossing('i:1 m:1 i:1 m:1')).toEqual([]);
  });
  it('an arpeggio is taken in the other orders of its fingers, each on its string, with what is planted', () => {
    const orders = (text: string) =>
      drillsFor(read(text)).flatMap((d) => (d.variant.kind === 'order' ? [d.variant.fingers] : []));
    expect(orders('p:5 i:3 m:2 a:1')).toEqual(['pami', 'pimami', 'piam', 'pmia', 'pmi', 'pimi']);
    expect(orders('p:b i:3 m:2 i:3')).toEqual(['pmi']);
    expect(varied('p:5~ i:3 m:2! a:1', { kind: 'order', fingers: 'pami', planted: 'pa' })).toBe('p:5 a:1 m:2 i:3');
    expect(['pima', 'pami', 'pimami', 'pmi'].map(plantedIn)).toEqual(['pima', 'pa', 'pima', 'pm']);
  });
  it('a plectrum learns rests, whips and new strings, each from a down stroke to a down stroke', () => {
    const school = (what: 'rests' | 'whips' | 'changes') => varied('Pd:3 Pu:3 Pd:2 Pu:2', { kind: 'plectrum', what });
    expect(school('rests')).toBe('Pd:4 Pd:4 Pd:3 Pd:3 Pd:2 Pw:2');
    expect(school('whips')).toBe('Pw:2 Pw:3 Pw:4');
    expect(school('changes')).toBe('Pd:4 Pu:4 Pd:3 Pu:3 Pd:2 Pu:2 Pd:3 Pu:3');
  });
  it('muted strings are taken up alone, then what is pressed alone', () => {
    expect(varied('id iux id iux', { kind: 'muted', what: 'all' })).toBe('idx iux idx iux');
    expect(varied('id! iux id~ iux', { kind: 'muted', what: 'pressed alone' })).toBe('id!^ . id~^ .');
    const keys = (text: string) => drillsFor(read(text)).map((d) => d.key);
    expect(keys('id iux')).toEqual(expect.arrayContaining(['muted all', 'muted pressed alone']));
    expect(keys('idx iux').some((k) => k.startsWith('muted'))).toBe(false);
    expect(keys('id iu').some((k) => k.startsWith('muted'))).toBe(false);
  });
  it('left pairs against right pairs, plucked and with ligados, for a scale', () => {
    const made = (slurs: boolean, way?: 'pulled off' | 'into the beat') =>
      varied('i:2_ m:2_ i:2_', { kind: 'left pairs', right: 'im', slurs, ...(way ? { way } : {}) });
    expect(made(false)).toMatch(/^i:2f5=1 m:2f6=2 i:2f5=1 m:2f6=2 i:2f6=2 m:2f7=3 /);
    // The way back is the other direction.
    expect(made(false)).toMatch(
      /i:2f8=4 m:2f7=3 i:2f8=4 m:2f7=3 i:2f7=3 m:2f6=2 i:2f7=3 m:2f6=2 i:2f6=2 m:2f5=1 i:2f6=2 m:2f5=1$/,
    );
    expect(made(true)).toMatch(/^i:2f5=1 L:2f6=2 m:2f5=1 L:2f6=2 /);
    expect(made(true, 'pulled off')).toMatch(/^i:2f8=4 L:2f7=3 m:2f8=4 L:2f7=3 i:2f7=3 L:2f6=2 /);
    expect(made(true, 'pulled off')).not.toMatch(/2f5=1 L/);
    // The lower note is before the beat, the upper one on it.
    const into = made(false, 'into the beat').split(' ');
    expect(into.slice(0, 4)).toEqual(['m:2f6=2', 'i:2f5=1', 'm:2f6=2', 'i:2f5=1']);
    expect(into).toHaveLength(24);
    const listed = drillsFor(read('i:1_ m:1_ i:2_ m:2_')).filter((d) => d.variant.kind === 'left pairs');
    expect(listed.map((d) => d.key)).toEqual([
      ...['im', 'ma', 'ia'].flatMap((right) => [
        `left pairs ${right} false`,
        `left pairs ${right} true`,
        `left pairs ${right} true pulled off`,
        `left pairs ${right} false into the beat`,
      ]),
    ]);
    expect(drillsFor(read('p:5 i:3 m:2 a:1')).some((d) => d.variant.kind === 'left pairs')).toBe(false);
  });
  it('string skips are made of the line: two strings with one between, its notes in turn, the fingers alternating', () => {
    const run = 'i:3f2 m:3f4 i:2f1 m:2f3 i:1f0 m:1f1 i:1f3 m:1f1 i:2f3 m:2f1 i:3f4 m:3f2';
    const listed = drillsFor(read(run)).flatMap((d) => (d.variant.kind === 'string skips' ? [d] : []));
    expect(listed.map((d) => d.key)).toEqual(['string skips 3 1']);
    expect(varied(run, listed[0]!.variant)).toBe(
      'i:3f2 m:3f4 i:1f0 m:1f1 i:1f3 m:1f1 i:3f4 m:3f2 i:1f0 m:1f1 i:1f3 m:1f1',
    );
    // The pair goes on over strings of three notes too.
    expect(varied('i:3 m:3 i:3 m:2 i:1 m:1', { kind: 'string skips', from: 3, to: 1 })).toBe('i:3 m:3 i:3 m:1 i:1');
    for (const none of ['i:1 m:1 i:2 m:2', 'p:5 i:3 m:2 a:1'])
      expect(drillsFor(read(none)).some((d) => d.variant.kind === 'string skips')).toBe(false);
  });
  it('strums go through fewer strings only where there are more', () => {
    const fewer = (text: string) =>
      drillsFor(read(text)).flatMap((d) => (d.variant.kind === 'fewer strings' ? [d.variant.strings] : []));
    expect(fewer('id iu')).toEqual([5, 4, 3]);
    expect(fewer('id:4321 iu:1234')).toEqual([3]);
    expect(fewer('id:321 iu:123')).toEqual([]);
  });
  it('fingers change places where an order of fingers does the work, never on an arpeggio’s strings', () => {
    const pairs = (text: string) =>
      drillsFor(read(text)).some((d) => ['pair', 'start finger'].includes(d.variant.kind));
    expect(pairs('i:1_ m:1_ i:1_ m:1_')).toBe(true);
    expect(pairs('ed ad md id')).toBe(true);
    expect(pairs('p:5 i:3 m:2 a:1')).toBe(false);
    expect(pairs('p:b ima:t')).toBe(false);
    expect(pairs('p:6 i:2 p:5 i:2')).toBe(false);
  });
  it('drills of a plectrum begin on a down stroke', () => {
    for (const d of drillsFor(read('Pd:3 Pu:3 Pd:2 Pu:2'))) {
      const first = flatten(vary(read('Pd:3 Pu:3 Pd:2 Pu:2'), d.variant)).events[0]?.motion;
      expect(first?.kind === 'stroke' && first.plectrum, d.key).not.toBe('u');
    }
  });
  it('one chunk, two chunks, all of it', () => {
    const bursts = drillsFor(read('p i m a p i m a')).flatMap((d) => (d.variant.kind === 'burst' ? [d] : []));
    expect(new Set(bursts.map((d) => d.variant.kind === 'burst' && d.variant.strokes))).toEqual(new Set([2, 4, 8]));
    expect(sayPatternDrill(bursts.at(-1)!, bursts).name).toBe('All of it, then rest');
  });
  it('on open strings nothing is stopped, and the left hand alone is waited for', () =>
    expect(varied('p:5f3 im:3f2=1+2 L:2f3 ima:t', { kind: 'open strings' })).toBe('p:5 im:32 - ima:t'));
  it('one string sounds full', () =>
    expect(varied('p:5 i:3 m:2', { kind: 'string accent', string: 3 })).toBe('p:5, i:3 m:2,'));
  it('a weak pair does the work', () =>
    expect(varied('i:1_ m:1_', { kind: 'pair', from: 'i', to: 'a' })).toBe('a:1_ m:1_'));
  it('strums go through fewer strings, the first struck', () =>
    expect(varied('id iu:123 p', { kind: 'fewer strings', strings: 2 })).toBe('id:65 iu:12 p'));
  it('a burst lands on the stroke after it and rests as long', () =>
    expect(varied('p i m a p i m a', { kind: 'burst', from: 2, strokes: 2 })).toBe('m a p .'));
  it('a burst keeps the rhythm of cells that share their steps, and ends with a count', () => {
    const five = vary(read('[ed ad md id iu]:2 pd - pu -'), { kind: 'burst', from: 3, strokes: 3 });
    // Fifths of two halves and whole halves go into tenths of a count.
    expect(five.stepsPerCount).toBe(10);
    expect(printScript(five)).toMatch(/^id - iu -( - -)? pd( -){9} pu( \.)+$/);
    expect(flatten(five).length % TICKS_PER_COUNT).toBe(0);
  });
  it('the finger order begins on another finger, rhythm and strings stay', () => {
    expect(varied('i:3 - m:2! a:1', { kind: 'start finger', by: 1 })).toBe('m:3 - a:2! i:1');
    expect(varied('ed ad md! id iu', { kind: 'start finger', by: 2 })).toBe('md id iu! ed ad');
  });
  it('the weakest joint is drilled with the stroke before it and the landing after it', () => {
    const drill = weakestJoint(read('p:5 - - i:3 [m:2 a:1] - -'), bpm(100), DEFAULT_PROFILE)!;
    const said = sayPatternDrill(drill, []);
    expect(said.name).toBe('Weakest joint: m → a');
    expect(said.why).toContain('33 % of the time there is at 100');
    expect(drill.variant).toEqual({ kind: 'burst', from: 3, strokes: 3 });
    expect(weakestJoint(read('. .'), bpm(100), DEFAULT_PROFILE)).toBeNull();
  });
  it('bass and figure stand alone, each holding through the other', () => {
    expect(varied('p:b ima:t p:b ima:t', { kind: 'layer', layer: 'bass' })).toBe('p:b - p:b -');
    expect(varied('pima:t - p:5 im:32', { kind: 'layer', layer: 'figure' })).toBe('ima:t - - im:32');
    expect(varied('pi:53', { kind: 'layer', layer: 'bass' })).toBe('p:5');
    expect(varied('pima:t', { kind: 'layer', layer: 'bass' })).toBe('p:b');
  });
  it('every drill listed for a pattern is without fault and changes its sound or its shape', () => {
    for (const text of [
      'ed ad md id iu',
      'p:5 i:3 m:2 a:1',
      'pima:t - p:b ima:t',
      'i:1_ m:1_ i:2_ m:2_',
      '{id iu}x3 G',
    ]) {
      const drills = drillsFor(read(text));
      expect(new Set(drills.map((d) => d.key)).size).toBe(drills.length);
      expect(new Set(drills.map((d) => sayPatternDrill(d, drills).name)).size).toBe(drills.length);
      for (const d of drills)
        expect(parseScript(varied(text, d.variant), { stepsPerCount: 2 }).faults, d.key).toEqual([]);
    }
    expect(drillsFor(read('. .'))).toEqual([]);
  });
  it('every other start is a drill of its own', () =>
    expect(startDrills(drillsFor(read('ed ad md id iu'))).map((d) => varied('ed ad md id iu', d.variant)[0])).toEqual([
      'a',
      'm',
      'i',
      'i',
    ]));
  it('no variant of any pattern makes a script that can’t be read back', () => {
    fc.assert(
      fc.property(anyPattern, (pattern) => {
        for (const d of drillsFor(pattern)) {
          const made = vary(pattern, d.variant);
          expect(
            parseScript(printScript(made), made).faults.map((f) => f.code),
            `${d.key}: ${printScript(made)}`,
          ).toEqual([]);
        }
      }),
      { numRuns: 60 },
    );
  });
  it('a layer never loses a stroke of its own', () => {
    fc.assert(
      fc.property(anyPattern, (pattern) => {
        const thumbs = (p: typeof pattern) =>
          flatten(p)
            .events.filter((e) => fingersOf(e.motion).includes('p'))
            .map((e) => e.at);
        expect(thumbs(vary(pattern, { kind: 'layer', layer: 'bass' }))).toEqual(thumbs(pattern));
      }),
    );
  });
});

describe('coming round', () => {
  it('a four-finger order under three-note groups comes round after 12 notes; its groups begin on p, a, m, i', () =>
    expect(comeRound(['p', 'i', 'm', 'a'], 3)).toEqual({
      notes: 12,
      fingerPasses: 3,
      groups: 4,
      starts: ['p', 'a', 'm', 'i'],
    }));
  it('i m alternates its starts under three, repeats them under four', () => {
    expect(comeRound(['i', 'm'], 3).starts).toEqual(['i', 'm']);
    expect(comeRound(['i', 'm'], 4).starts).toEqual(['i']);
  });
  it('is said in one sentence', () =>
    expect(sayComeRound(comeRound(['p', 'i', 'm', 'a'], 3))).toBe(
      'Comes round after 12 notes; groups begin on p, a, m, i',
    ));
  it('nothing comes round of nothing', () => expect(comeRound([], 3).notes).toBe(0));
});
