import { describe, expect, it } from 'vitest';
import { cycleById } from '../../catalogue/index.js';
import { STANDARD_TUNING } from '../../instrument/index.js';
import { makeStudy, type Study } from '../../piece/index.js';
import { sayPlanned } from '../../words/en/plan.js';
import { isOfSet, planSet } from './index.js';

const DROPPED = [38, ...STANDARD_TUNING.slice(1)] as unknown as Study['instrument']['tuning'];
const piece = (name: string, over: Partial<Study['instrument']> = {}, bpm = 120, bars = 60): Study => {
  const made = makeStudy(name, name, cycleById('tangos'));
  const [section] = made.sections;
  return {
    ...made,
    instrument: { ...made.instrument, ...over },
    sections: [{ ...section!, script: 'p i m a', bars, bpm }],
  };
};
const between = (...pieces: Study[]) =>
  planSet(pieces)
    .filter((b) => b.kind === 'break')
    .map((b) => [b.minutes, sayPlanned(b.why)]);

describe('a set', () => {
  it('is each piece from end to end for as long as it lasts, in its order', () => {
    // 60 bars of four counts at 120 a minute: two minutes; at 100 a minute two minutes and 24 seconds.
    const set = planSet([piece('A'), piece('B', {}, 100)]).filter((b) => b.kind === 'form');
    expect(set.map((b) => [b.about?.studyId, b.minutes, sayPlanned(b.why)])).toEqual([
      ['A', 2, 'From end to end, at 120.'],
      ['B', 2.5, 'From end to end, at 100.'],
    ]);
  });
  it('says what has to be done to the guitar: the capo, the strings, both, or nothing', () => {
    expect(between(piece('A'), piece('B', {}, 96))).toEqual([[0.5, 'Next B, at 96.']]);
    expect(between(piece('A'), piece('B', { capo: 3 }), piece('C'))).toEqual([
      [1, 'Capo at 3. Next B, at 120.'],
      [1, 'Capo off. Next C, at 120.'],
    ]);
    expect(between(piece('A'), piece('B', { tuning: DROPPED }))).toEqual([[2, 'Tune string 6: D2. Next B, at 120.']]);
    expect(between(piece('A', { capo: 2, tuning: DROPPED }), piece('B'))).toEqual([
      [2, 'Capo off. Tune string 6: E2. Next B, at 120.'],
    ]);
    expect(between(piece('A'), piece('B', { capo: 2, tuning: DROPPED }))).toEqual([
      [2, 'Capo at 2. Tune string 6: D2. Next B, at 120.'],
    ]);
  });
  it('all of it is known as a set’s, and nothing comes of nothing', () => {
    expect(planSet([piece('A'), piece('B', { capo: 1 })]).every(isOfSet)).toBe(true);
    expect(isOfSet({ why: { code: 'form last', about: [] } })).toBe(false);
    expect(planSet([])).toEqual([]);
    const empty = makeStudy('E', 'E', cycleById('tangos'));
    expect(planSet([empty])).toEqual([]);
    // Chords alone are something to be played.
    const sung = { ...empty, sections: [{ ...empty.sections[0]!, chart: 'Am | E' }] };
    expect(planSet([sung]).map((b) => b.kind)).toEqual(['form']);
  });
});
