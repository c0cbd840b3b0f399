import { describe, expect, it } from 'vitest';
import { CYCLES } from '../catalogue/index.js';
import { readShape } from '../left-hand/index.js';
import { addSection, makeStudy, putShape, type Section, type Study } from '../piece/index.js';
import { DEFAULT_PROFILE } from '../player/index.js';
import { type Kept, mendRow, readStudyRow } from './index.js';
import { sayDataFault } from '../words/en/refused/refusals.js';

const study = addSection(
  's-b',
  'B',
  CYCLES[3]!,
)(putShape({ id: 'c', name: 'C', ...readShape('x-3-2-0-1-0', '') })(makeStudy('s', 'Study', CYCLES[0])));
const first = study.sections[0] as Section;
const withFirst = (change: object): object => ({ ...study, sections: [{ ...first, ...change }, study.sections[1]] });
const mended = (kind: Kept, row: unknown) => mendRow(kind, row)?.row as Study;

describe('a row that its door refuses is mended with little change', () => {
  it('one that passes comes back as it is', () =>
    expect(mendRow('studies', study)).toEqual({ row: study, changes: [] }));
  it('a script too long is cut, and it is said where', () => {
    const row = withFirst({ script: 'p'.repeat(20_002) });
    const result = mendRow('studies', row);
    expect((result?.row as Study).sections[0]?.script).toHaveLength(20_000);
    expect(result?.changes.map(sayDataFault)).toEqual([
      'sections[0].script: It has 20002 letters; 20000 are the most.',
    ]);
    expect((row as Study).sections[0]?.script).toHaveLength(20_002);
  });
  it('sections and shapes over the limit go, the others stay', () => {
    const sections = Array.from({ length: 40 }, (_, n) => ({ ...first, id: `x${n}` }));
    expect(mended('studies', { ...study, sections }).sections.map((s) => s.id)).toEqual(
      sections.slice(0, 32).map((s) => s.id),
    );
    const shapes = Array.from({ length: 70 }, (_, n) => ({ ...study.shapes[0], id: `c${n}` }));
    expect(mended('studies', { ...study, shapes }).shapes).toHaveLength(64);
  });
  it.each([
    [
      'a figure out of bounds goes to the nearest',
      { ...study, instrument: { ...study.instrument, capo: 99 } },
      { instrument: { capo: 12 } },
    ],
    ['a field that is missing gets a usual value', { ...study, note: undefined }, { note: '' }],
    ['a field that nobody knows goes', { ...study, extra: 1 }, { name: 'Study' }],
    ['a name that can’t be seen gets another', { ...study, name: '\u200B' }, { name: 'Mended' }],
    ['a tempo that is no number', withFirst({ bpm: 'fast' }), { id: 's' }],
    ['a cycle that does not add up', withFirst({ cycle: { ...first.cycle, groups: [5040] } }), { id: 's' }],
    [
      'an order of before with a shape that is nowhere',
      withFirst({ harmony: { per: 'turn', shapes: ['gone', 'c'] }, chart: undefined }),
      { id: 's' },
    ],
    ['a shape that no hand can hold', { ...study, shapes: [{ ...study.shapes[0], fingers: [9] }] }, { shapes: [] }],
    [
      'two frets on one string',
      withFirst({
        stopped: [
          { at: 0, string: 3, fret: 1 },
          { at: 0, string: 3, fret: 2 },
        ],
      }),
      { id: 's' },
    ],
  ])('%s', (_what, row, expected) => {
    const result = mended('studies', row);
    expect(readStudyRow(result).ok).toBe(true);
    expect(result).toMatchObject(expected);
    // The other section is left alone.
    expect(result.sections.at(-1)).toEqual(study.sections[1]);
  });
  it('a line of the log with a name cut at a space, a year that never was, or too many passes', () => {
    const line = {
      id: 'l',
      studyId: 's',
      studyName: 'Study',
      sectionName: 'A ',
      startedAt: '2026-05-01T10:00:00.000Z',
      minutes: 5_000,
      passes: Array(10_001).fill({ bpm: 100, clean: true }),
      pain: false,
    };
    expect(mended('log', line)).toMatchObject({ sectionName: 'A', minutes: 1_440 });
    expect(mendRow('log', { ...line, startedAt: '9999-01-01T00:00:00.000Z' })).toBeNull();
  });
  it('a hand with half of its measures keeps what can be read', () =>
    expect(mended('profiles', { ...DEFAULT_PROFILE, left: { reach: {} } })).toMatchObject({ name: 'Steady hand' }));
  it('nothing is made of what is no row at all', () => {
    for (const row of [null, 'text', 7, []]) expect(mendRow('studies', row)).toBeNull();
    expect(mendRow('profiles', {})).toBeNull();
  });
});
