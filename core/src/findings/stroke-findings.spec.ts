import { describe, expect, it } from 'vitest';
import { cycleById } from '../catalogue/index.js';
import { makeSection, makeStudy, type Section } from '../piece/index.js';
import { DEFAULT_PROFILE } from '../player/index.js';
import { all, one, read, shape, shapes } from '../testing/told-findings.js';
import { sayAll, sayRemedy } from '../words/index.js';
import { type Finding, type FindingCode, remediesOf } from './index.js';

const told = (script: string, code: FindingCode, more: Partial<Section> = {}) => {
  const said = sayAll(read(script, more)).find((f) => f.code === code);
  return said && [said.title, ...said.lines];
};
/** What would end a finding of a section over these shapes. */
function remedies(script: string, chart: string, code: FindingCode, own = shapes) {
  const section = { ...makeSection('s', 'S', cycleById('tangos')!), script, chart, stepsPerCount: 2, bpm: 100 };
  const study = { ...makeStudy('x', 'X'), shapes: own, sections: [section] };
  const found = one(read(script, section, DEFAULT_PROFILE, own), code) as Finding;
  return remediesOf(found, study, DEFAULT_PROFILE);
}

describe('what sounds', () => {
  it('is a fact of its own: which counts are dead', () => {
    expect(one(read('idx iu id iu idx iu id .'), 'what sounds')!.figures).toEqual({
      sounding: ['1 &', '2', '2 &', '3 &', '4'],
      dead: ['1', '3'],
    });
    expect(told('idx - id iu', 'what sounds')).toEqual(['Sounding: 2 and 2 &', '1 is dead.']);
    for (const all of ['id iu id iu', 'idx iux idx iux', 'id iu . %u'])
      expect(one(read(all), 'what sounds')).toBeUndefined();
  });
  it('nothing is carried by a dead stroke', () => {
    const weak = one(read('id iu idx iu id iu id iu'), 'accents weak')!;
    expect(weak.figures.who).toMatchObject([{ by: { fingers: ['i'], dead: true }, places: [{ label: '2' }] }]);
    expect(told('id iu idx iu id iu id iu', 'accents weak')![1]).toBe('i down dead meets 2.');
    expect(one(read('id iu idx iu id iu id iu'), 'accents carried')).toBeUndefined();
  });
});
describe('a finger repeated', () => {
  it('is named with its place, at a crossing and on one string', () => {
    expect(all(read('i:3 m:3 m:2 i:2 i:2 m:1 i:1 m:1'), 'finger repeated').map((f) => f.figures)).toEqual([
      { finger: 'm', crossing: true, labels: ['2'] },
      { finger: 'i', crossing: false, labels: ['3'] },
    ]);
    expect(told('i:3 m:3 m:2 i:2 i:2 m:1 i:1 m:1', 'finger repeated')).toContain('m, at a crossing, on 2.');
  });
  it('where the run goes round too; not over a silence, and not slowly', () => {
    expect(one(read('i:2 m:2 i:2 m:1 i:1'), 'finger repeated')!.figures.labels).toEqual(['1']);
    expect(one(read('i:2 m:2 i:2 m:1 i:1 .'), 'finger repeated')).toBeUndefined();
    expect(one(read('i:2 m:2 i:2 m:1 i:1', { bpm: 50 }), 'finger repeated')).toBeUndefined();
    expect(one(read('i:2 m:2 i:2 m:1'), 'finger repeated')).toBeUndefined();
  });
});
describe('the thumb’s anchor', () => {
  it('stays said of a run: where it rests, lifts from string 4 on, and rests again', () => {
    const run = 'i:3_ m:3_ i:3_ m:4_ i:4_ m:4_ i:3_ m:3_';
    expect(one(read(run), 'thumb anchor')).toMatchObject({
      tone: 'plain',
      figures: {
        changes: [
          { thumb: 'rests on 6', label: '1' },
          { thumb: 'lifts', label: '2 &' },
          { thumb: 'rests on 6', label: '4' },
        ],
      },
    });
    expect(told(run, 'thumb anchor')).toEqual(['The thumb rests on string 6', 'It lifts on 2 & and rests on 6 on 4.']);
    expect(told('i:1_ m:1_ i:2_ m:2_', 'thumb anchor')).toEqual(['The thumb rests on string 6']);
    expect(told('i:4_ m:4_ i:3_ m:3_', 'thumb anchor')).toEqual(['The thumb is lifted', 'It rests on 6 on 2.']);
  });
  it('is nothing where the thumb plays', () => {
    for (const script of ['i:1 m:1 p:3 m:2 i:1 m:1 i:1 m:1', 'p:5 i:1 m:1 i:1', 'id iu id iu'])
      expect(one(read(script), 'thumb anchor')).toBeUndefined();
  });
});
describe('a rest stroke', () => {
  it('that lands on a string that is to ring on', () => {
    const found = one(read('p:5~ i:3 m:4_ a:1 - -'), 'rest stroke lands')!;
    expect(found).toMatchObject({ place: { slot: 2 }, figures: { finger: 'm', string: 4, on: 5, next: null } });
    expect(one(read('p:5 i:3 m:4_ a:1 - -'), 'rest stroke lands')).toBeUndefined();
    expect(one(read('p:5~ i:3 p:5 m:4_ a:1 -'), 'rest stroke lands')).toBeUndefined();
  });
  it('of the thumb where a finger plays next; in a run each leaves the string for the other', () => {
    expect(one(read('p:4_ i:3 m:2 a:1'), 'rest stroke lands')!.figures).toMatchObject({
      finger: 'p',
      on: 3,
      next: 'i',
    });
    expect(one(read('p:5_ i:3 m:2 a:1'), 'rest stroke lands')).toBeUndefined();
    expect(one(read('i:1_ m:2_ i:2_ m:3_'), 'rest stroke lands')).toBeUndefined();
  });
});
describe('the plectrum', () => {
  it('begins a string with a down stroke, answers rests alone, and leaps off before a thicker string', () => {
    const ways = (script: string) =>
      all(read(script), 'plectrum ways').map((f) => [f.figures.why, ...f.figures.labels]);
    expect(ways('Pd:3 Pu:3 Pd:2 Pu:1')).toEqual([['up at a change', '2 &']]);
    expect(ways('Pd:3 Pu:3 Pd:3 Pd:4')).toEqual([['no whip', '2']]);
    expect(ways('Pd:3 Pu:3 Pw:3 Pd:4')).toEqual([]);
    expect(ways('Pd:3 Pu:3 Pu:3 Pd:3')).toEqual([['up without a rest', '2']]);
    expect(ways('Pu:3 Pd:3 Pu:3 Pd:3')).toEqual([['up without a rest', '1']]);
    expect(ways('Pd:3 Pu:3 Pd:3 Pu:3')).toEqual([]);
  });
});
describe('open strings under a hand that lets go', () => {
  it('ring on, each chord once, with a closed shape of the same chord', () => {
    const found = all(read('p:b ima:t^ p:b ima:t^', { chart: 'C | F' }), 'open rings on');
    expect(found.map((f) => f.figures)).toEqual([{ name: 'C', strings: [3], dead: false }]);
    const [closed] = remedies('p:b ima:t^ p:b ima:t^', 'C | F', 'open rings on');
    expect(closed).toMatchObject({ code: 'other shape', figures: { name: 'C' } });
    const held = closed!.change.shape!;
    expect(held.frets.every((f) => f !== 0)).toBe(true);
    expect(sayRemedy(closed!)).toMatch(/^C as [\dx-]+, other notes on /);
  });
  it('under dead strokes too; not where all strings are stopped', () => {
    expect(one(read('id iu idx iu', { chart: 'Am' }), 'open rings on')!.figures).toMatchObject({ dead: true });
    expect(one(read('id iu idx iu', { chart: 'F' }), 'open rings on')).toBeUndefined();
    expect(one(read('id iu id iu', { chart: 'Am' }), 'open rings on')).toBeUndefined();
  });
});
describe('strings that no stroke meets', () => {
  it('the bass above all, and what a finger holds for nobody', () => {
    expect(all(read('ima:t - ima:t -', { chart: 'C' }), 'string unstruck').map((f) => f.figures)).toEqual([
      { name: 'C', strings: [5], bass: 5 },
    ]);
    expect(told('p:5 i:3 m:2 a:1', 'string unstruck', { chart: 'C' })).toContain('C: string 4 need not be held.');
    // A barre is down for its other strings.
    expect(one(read('p:6 i:4 m:3 a:2', { chart: 'F' }), 'string unstruck')!.figures.strings).toEqual([5]);
    expect(one(read('id iu', { chart: 'C' }), 'string unstruck')).toBeUndefined();
  });
});
describe('remedies of the left hand', () => {
  it('a muted string that is a tone of the chord is opened first', () => {
    const g = shape('G', '3-2-0-0-x-x', '2-1-0-0-x-x');
    const [first] = remedies('p:b i:3 m:2 p:b', 'G', 'string muted', [g]);
    expect(first).toMatchObject({ code: 'other shape', figures: { frets: '3-2-0-0-0-x', differs: [] } });
    // Of two strings one is none: B is no tone of A minor.
    const am = shape('Am', 'x-0-2-2-x-x', 'x-0-2-3-x-x');
    for (const way of remedies('p:b i:3 m:2 a:1', 'Am', 'string muted', [am]))
      expect(way.figures).not.toMatchObject({ frets: 'x-0-2-2-0-0' });
  });
  it('a wrong name gets the right name, and the chart follows', () => {
    const wrong = shape('Dm', 'x-0-2-2-1-0', 'x-0-2-3-1-0');
    const [first] = remedies('id iu', 'Dm', 'name not borne out', [wrong]);
    expect(first).toMatchObject({ code: 'right name', figures: { name: 'Dm', symbol: 'Am' } });
    expect(sayRemedy(first!)).toBe('Call Dm Am');
  });
});
describe('what is no longer said', () => {
  it('a chord that is held has no pendulum', () => {
    for (const held of ['id - - - - - - -', 'id - - - id - - -'])
      expect(one(read(held, { stepsPerCount: 2 }), 'pendulum')).toBeUndefined();
    expect(one(read('id id id id', { stepsPerCount: 1 }), 'pendulum')).toBeDefined();
  });
  it('of a joint with twice its time nothing is said', () => {
    expect(told('p:b a:1 m:1 i:1', 'ceiling', { bpm: 60, stepsPerCount: 4 })!.join(' ')).not.toMatch(/joint/);
    expect(told('p:b a:1 m:1 i:1', 'ceiling', { bpm: 160, stepsPerCount: 4 })!.join(' ')).toMatch(/joint/);
  });
  it('up and then a single string are half a return of the thumb', () => {
    const ceiling = (script: string) => one(read(script, { stepsPerCount: 3 }), 'ceiling')!.figures.ceiling;
    // The way from the single string to the next sweep is the whole one.
    expect(ceiling('pd:32 pu:23 p:4 .')).toBeGreaterThan(1.9 * ceiling('pd:32 pd:32 p:4 .'));
  });
  it('one accent is no “all”', () =>
    expect(
      told('id iu id iu id iu', 'accents carried', { cycle: cycleById('plain-three')!, stepsPerCount: 2 }),
    ).toContain('Its one accent meets a strong stroke in every turn.'));
  it('an order with rests in it begins where its rhythm begins', () =>
    expect(one(read('ed ad md id . . . .', { cycle: cycleById('solea')! }), 'another start')).toBeUndefined());
});
