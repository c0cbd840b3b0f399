import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cycleById } from '../catalogue/index.js';
import { readShape } from '../left-hand/index.js';
import {
  copySection,
  joinSections,
  makeSection,
  makeStudy,
  moveSection,
  type Section,
  splitSection,
  type Study,
} from '../piece/index.js';
import { bpm } from '../time/index.js';
import { sayFact } from '../words/index.js';
import { pieceScore } from './index.js';

const SHAPES = ['Am', 'C'].map((name, n) => ({ id: name, name, ...readShape(['x02210', 'x32010'][n]!, '') }));
function piece(form: string, ...parts: readonly Partial<Section>[]): Study {
  const sections = parts.map((more, n) => ({
    ...makeSection(`s${n}`, ['Theme', 'Answer', 'Coda'][n]!, cycleById('tangos')!),
    stepsPerCount: 2,
    bpm: bpm(100),
    ...more,
  }));
  return { ...makeStudy('p', 'Piece'), shapes: SHAPES, sections, form };
}
const FOUR = 'p:b - ima:t - p:b - ima:t -';
const theme = { script: FOUR, chart: 'Am | C | Am | %' };
/** What sounds when. */
const music = (study: Study) =>
  pieceScore(study).events.map((e) => `${e.at} ${e.notes.map((n) => `${n.string}/${n.fret}`).join(' ')}`);
const refusal = (command: ReturnType<typeof splitSection>, study: Study) => {
  const fault = command.refusal?.(study);
  expect(command(study)).toBe(study);
  return fault ? sayFact(fault) : '';
};

describe('sections of a piece', () => {
  it('a copy stands behind its section under a name of its own', () => {
    const study = copySection('s0', 'new')(piece('', theme, { script: 'p:6' }));
    expect(study.sections.map((s) => s.name)).toEqual(['Theme', 'Theme 2', 'Answer']);
    expect(copySection('new', 'newer')(study).sections.map((s) => s.name)).toContain('Theme 3');
    expect(study.sections[1]).toMatchObject({ ...theme, id: 'new' });
    expect(refusal(copySection('s0', 's1'), study)).toMatch(/\S/);
  });
  it('one moves on and back among the others, no further than the ends', () => {
    const study = piece('', theme, {}, {});
    const order = (s: Study) => s.sections.map((x) => x.id).join();
    expect(order(moveSection('s0', 1)(study))).toBe('s1,s0,s2');
    expect(order(moveSection('s2', -9)(study))).toBe('s2,s0,s1');
    expect(moveSection('s0', -1)(study)).toBe(study);
    expect(moveSection('none', 1)(study)).toBe(study);
  });
  it('split or joined, each bar keeps the words that stand under it', () => {
    const said = (study: Study) => pieceScore(study).words.map((w) => `${w.at} ${w.text}`);
    const study = piece('', { ...theme, words: 'uno | . dos' }, { script: FOUR, words: 'tres' });
    const split = splitSection('s0', 1, 'new')(study);
    expect(split.sections.map((s) => s.words)).toEqual(['uno', '. dos | uno | . dos', 'tres']);
    expect(said(split)).toEqual(said(study));
    const joined = joinSections('s0')(study);
    expect(joined.sections).toHaveLength(1);
    expect(said(joined)).toEqual(said(study));
  });
  it('split at a bar it is two that play the same, in the form too', () => {
    const study = piece('{Theme}x2 Answer', theme, { script: 'p:6 . . .' });
    const split = splitSection('s0', 1, 'new')(study);
    expect(split.sections.map((s) => [s.name, s.chart])).toEqual([
      ['Theme', 'Am'],
      ['Theme 2', 'C | Am | %'],
      ['Answer', ''],
    ]);
    expect(split.form).toBe('{Theme "Theme 2"}x2 Answer');
    expect(music(split)).toEqual(music(study));
  });
  it('where no turn begins, a stroke goes over the bar, or texts can’t be read, it stays whole and says why', () => {
    const bossa = { cycle: cycleById('bossa-three-two')!, script: `${FOUR} | ${FOUR}` };
    expect(refusal(splitSection('s0', 1, 'new'), piece('', bossa))).toMatch(/Bar 2 begins no turn/);
    expect(refusal(splitSection('s0', 9, 'new'), piece('', theme))).toMatch(/Bar 10 begins no turn/);
    const over = { script: 'p - - - - - [p p p]:4 - - - - - -', chart: '' };
    expect(refusal(splitSection('s0', 1, 'new'), piece('', over))).toMatch(/goes over the beginning of bar 2/);
    expect(refusal(splitSection('s0', 1, 'new'), piece('', { script: 'p q' }))).toMatch(/can’t be read whole/);
    expect(refusal(splitSection('s0', 1, 'new'), piece('', { ...theme, start: 5040 }))).toMatch(
      /begins after the first/,
    );
    expect(refusal(splitSection('s0', 1, 'new'), piece('', { script: 'p i m', bars: 4 }))).toMatch(/end within a pass/);
  });
  it('two that follow one another become one that plays the same', () => {
    const study = piece(
      '{Theme Answer}x2 Coda',
      theme,
      { script: 'p:6 . . . p:5 . . .', chart: 'C' },
      { script: 'p:4' },
    );
    const joined = joinSections('s0')(study);
    expect(joined.sections.map((s) => s.name)).toEqual(['Theme', 'Coda']);
    expect(joined.form).toBe('{Theme}x2 Coda');
    expect(music(joined)).toEqual(music(study));
  });
  it('unlike ones, and those that the form parts, are not joined', () => {
    expect(refusal(joinSections('s0'), piece('', theme, { stepsPerCount: 4 }))).toMatch(/other cycles or steps/);
    for (const form of ['Theme Theme Answer', 'Answer Theme', '{Theme}x2 Answer', '{Theme [1 Answer] [2 Answer]}x2'])
      expect(refusal(joinSections('s0'), piece(form, theme, theme))).toMatch(/The form has Theme without Answer/);
    expect(joinSections('s1')(piece('', theme, theme)).sections).toHaveLength(2);
  });
  it('a level does not run on into the part that is joined', () => {
    const joined = joinSections('s0')(piece('', { script: '@ff p:5 . . .' }, { script: 'p:6 . . .' }));
    expect(joined.sections[0]!.script).toMatch(/\| @mf p:6/);
  });
  it('whatever is split at a bar and joined again plays the same', () => {
    const scripts = fc
      .array(fc.constantFrom('p:b', 'ima:t', '-', '.', 'p:6f3', '[p:5 i:3 m:2]:2', '{i:1 m:1}x2'), {
        minLength: 4,
        maxLength: 9,
      })
      .map((steps) => steps.join(' '));
    const charts = fc.array(fc.constantFrom('Am', 'C', 'Am C'), { maxLength: 4 }).map((bars) => bars.join(' | '));
    let splits = 0;
    fc.assert(
      fc.property(scripts, charts, fc.integer({ min: 1, max: 6 }), (script, chart, bar) => {
        const study = piece('', { script, chart });
        const split = splitSection('s0', bar, 'new')(study);
        if (split === study) return;
        splits++;
        expect(music(split)).toEqual(music(study));
        expect(music(joinSections('s0')(split))).toEqual(music(study));
      }),
      { numRuns: 80 },
    );
    expect(splits).toBeGreaterThan(5);
  });
});
