import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cycleById } from '../../catalogue/index.js';
import { STANDARD_TUNING } from '../../instrument/index.js';
import { keepTrial, makeSection, makeStudy, type Section } from '../../piece/index.js';
import { DEFAULT_PROFILE } from '../../player/index.js';
import { readSection } from '../../reading/index.js';
import { rankKeys, sectionInKey, sectionKeys } from '../../solve/rank-keys/index.js';
import { shapeRow } from '../../solve/shape-row/index.js';
import type { FrettedShape } from '../../solve/voicings/index.js';
import { LEFT_HAND } from '../left-hand.js';
import { KEY_LESSONS, MOVE_LESSONS, ROW_LESSONS } from './index.js';

/** As an accompanist asks: four strings at least, the root below. */
function row(chords: readonly string[]): readonly FrettedShape[] {
  const found = shapeRow({ ...LEFT_HAND, chords, atLeast: 4, bass: 'root', k: 1 });
  return found.infeasible ? [] : found.answers[0]!.shapes;
}
const fingers = (s: FrettedShape) => s.fingers.map((f) => f ?? 'x').join('-');
const section = (more: Partial<Section>): Section => ({
  ...makeSection('s', 'S', cycleById('tangos')!),
  stepsPerCount: 2,
  bpm: 110,
  ...more,
});

describe('a row of chords', () => {
  it.each(ROW_LESSONS.map((l) => [`${l.law}: ${l.chords}`, l] as const))('%s', (_name, lesson) => {
    expect(row(lesson.chords.split(' ')).map(fingers).join(' ')).toBe(lesson.fingers);
  });
  it('far chords never bend near ones', () => {
    const chord = fc.constantFrom(...'C Am Dm G7 E7 F G Em D A7 D7 Am7 Cmaj7 Fmaj7 Bb Gm A B7 E C7 Bm Dm7'.split(' '));
    fc.assert(
      fc.property(fc.array(chord, { minLength: 6, maxLength: 6 }), fc.array(chord, { maxLength: 6 }), (near, far) => {
        expect(row([...near, ...far]).slice(0, 2)).toEqual(row(near).slice(0, 2));
      }),
      { numRuns: 20 },
    );
  });
});
describe('the hardest move', () => {
  it.each(MOVE_LESSONS.map((l) => [`${l.chart} ${l.script}`, l] as const))(
    '%s',
    (_name, { script, chart, hardest }) => {
      const names = [...new Set(chart.split(' | ').filter(Boolean))];
      const shapes = row(names).map((s, i) => ({ ...s, id: names[i]!, name: names[i]! }));
      const asked = section({ script, chart });
      const read = readSection({ section: asked, shapes, tuning: STANDARD_TUNING, capo: 0, profile: DEFAULT_PROFILE });
      const [first] = read.moves;
      expect(`${first?.from.name} → ${first?.to.name}`).toBe(hardest);
    },
  );
});
describe('the first key', () => {
  it.each(KEY_LESSONS.map((l) => [l.chart, l] as const))('%s', (_name, { chart, first }) => {
    const own = section({ script: 'p:b - ima:t - p:b - ima:t -', chart });
    const names = [...new Set(chart.split(' | '))];
    const shapes = row(names).map((s, i) => ({ ...s, id: names[i]!, name: names[i]! }));
    const study = { ...makeStudy('p', 'Piece'), shapes, sections: [own] };
    const asked = sectionKeys(own, study, DEFAULT_PROFILE);
    if ('code' in asked) throw new Error(asked.code);
    const [best] = rankKeys({ ...asked, capos: [0] });
    const there = sectionInKey(own, study, { transposed: best!.transposed, capo: 0 }, DEFAULT_PROFILE);
    expect(first).toContain('code' in there ? there.code : keepTrial('s', there)(study).sections[0]!.chart);
  });
});
