import { describe, expect, it } from 'vitest';
import { cycleById } from '../catalogue/index.js';
import { makeSection, makeStudy, type Section, setWords, type Study } from '../piece/index.js';
import { scoreOf } from '../score/index.js';
import { readShape } from '../left-hand/index.js';
import { planPlayback, rangePlan } from '../sound/index.js';
import { bpm, ticks, TICKS_PER_COUNT } from '../time/index.js';
import { sayDrills } from '../words/index.js';
import { askedDrill, joinKey, rangeKey } from './index.js';

const bossa = cycleById('bossa-three-two')!;
const A = 'p:6 - i:3 - p:5 - m:2 -';
const B = 'p:4 - a:1 - p:4 - a:1 -';
function piece(...parts: readonly Partial<Section>[]): Study {
  const sections = parts.map((more, n) => ({
    ...makeSection(`s${n}`, ['Theme', 'Answer'][n]!, bossa),
    stepsPerCount: 2,
    bpm: bpm(100),
    ...more,
  }));
  const shapes = ['Am', 'C', 'G', 'E'].map((name) => ({ id: name, name, ...readShape('x02210', '') }));
  return { ...makeStudy('p', 'Piece'), shapes, sections };
}
const four = piece({ script: `${A} | ${B} | ${B} | ${A}`, chart: 'Am | C | G | E' });
const made = (study: Study, key: string) => askedDrill(study.sections[0]!, study, key)?.make();
/** Strings and chords, count by count. */
const played = (study: Study, drilled: NonNullable<ReturnType<typeof made>>) => {
  const score = scoreOf({ ...study.sections[0]!, ...drilled }, study);
  return score.events.map((e) => `${e.inTurn / TICKS_PER_COUNT} ${e.notes[0]?.string} ${score.chords[e.chord]?.name}`);
};

describe('bars alone', () => {
  it('are cut out of script and chart, where they stand in the turn', () => {
    expect(made(four, rangeKey(0, 1))).toMatchObject({ script: `${A} | ${B}`, start: 0, chart: 'Am | C' });
    // The second bar of a turn of two begins on its fifth count, and keeps its chord.
    const second = made(four, rangeKey(1, 1))!;
    expect(second).toMatchObject({ script: B, start: 4 * TICKS_PER_COUNT });
    expect(new Set(played(four, second).map((p) => p.split(' ')[2]))).toEqual(new Set(['C']));
    const middle = made(four, rangeKey(1, 2))!;
    const whole = played(four, middle);
    expect(whole.filter((p) => p.startsWith('4 '))).toEqual(['4 4 C']);
    expect(whole.filter((p) => p.startsWith('0 '))).toEqual(['0 4 G']);
  });
  it('a script that goes round under a longer chart is written out for them', () => {
    const round = piece({ script: `${A} | ${B}`, chart: 'Am | C | G | E' });
    expect(made(round, rangeKey(2, 3))).toMatchObject({ script: `${A} | ${B}`, chart: 'G | E' });
  });
  it('there are none beyond the end, or where a stroke goes over their edge', () => {
    // Words are counted from the turn’s beginning, as the chart is.
    expect(made(setWords('s0', 'uno | dos | tres')(four), rangeKey(1, 2))?.words).toBe('tres | dos');
    expect(made(four, rangeKey(3, 4))).toBeUndefined();
    expect(made(four, rangeKey(2, 1))).toBeUndefined();
    // A hold that goes on over the bar's line begins the bar, silent.
    expect(made(piece({ script: 'p - - - - - - - - - p - - - - -' }), rangeKey(1, 1))?.script).toBe('- - p - - - - -');
    expect(made(piece({ script: 'p - - - - - [p p p]:4 - - - - - -' }), rangeKey(0, 0))).toBeUndefined();
    expect(made(four, 'bars x y')).toBeUndefined();
  });
  it('are called by their numbers', () => {
    const drills = [rangeKey(0, 0), rangeKey(1, 3)].map((k) => askedDrill(four.sections[0]!, four, k)!);
    expect(sayDrills(drills).map((d) => d.name)).toEqual(['Bar 1 alone', 'Bars 2 to 4']);
  });
});

describe('the way into another section', () => {
  const two = piece({ script: `${A} | ${A}`, chart: 'Am | E' }, { script: `${B} | ${B}`, chart: 'C | G' });
  it('is the last count before it and its first bar', () => {
    const join = made(two, joinKey('s1'))!;
    expect(join.script).toBe(`. . . . . . m:2 - | ${B}`);
    expect(played(two, join).slice(0, 5)).toEqual(['0 4 C', '1 1 C', '2 4 C', '3 1 C', '7 2 E']);
    expect(sayDrills([askedDrill(two.sections[0]!, two, joinKey('s1'))!])[0]?.name).toBe('The way into Answer');
  });
  it('unlike sections have none', () => {
    expect(made(piece({ script: A }, { script: B, stepsPerCount: 4 }), joinKey('s1'))).toBeUndefined();
    expect(made(two, joinKey('nowhere'))).toBeUndefined();
  });
});

describe('a stretch of a plan', () => {
  it('goes round with a lead-in of clicks, and nothing else sounds in it', () => {
    const section = four.sections[0]!;
    const plan = planPlayback(scoreOf(section, four), { cycle: bossa });
    const bar = ticks(4 * TICKS_PER_COUNT);
    const range = rangePlan(plan, bar, ticks(2 * bar), bar);
    expect(range.length).toBe(2 * bar);
    const lead = range.sounds.filter((s) => s.at < bar);
    expect(lead.filter((s) => s.kind === 'click').map((s) => s.at / TICKS_PER_COUNT)).toEqual([0, 1, 2, 3]);
    expect(lead.some((s) => s.kind === 'pluck' || s.kind === 'clap')).toBe(false);
    const plucks = range.sounds.flatMap((s) =>
      s.kind === 'pluck' ? [`${s.string} ${(s.at - bar) / TICKS_PER_COUNT}`] : [],
    );
    expect(plucks).toEqual(['4 0', '1 1', '4 2', '1 3']);
    // Before the first bar comes the last one.
    const first = rangePlan(plan, ticks(0), bar, bar);
    expect(first.sounds.filter((s) => s.kind === 'click' && s.at < bar)).toHaveLength(4);
  });
});
