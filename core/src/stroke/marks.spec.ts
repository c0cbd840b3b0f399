import { describe, expect, it } from 'vitest';
import { readStep } from '../script/index.js';
import {
  MARK_CLASHES,
  markRow,
  MARKS,
  marksClash,
  marksOn,
  marksThat,
  type Mark,
  type Motion,
  strength,
} from './index.js';

describe('marks', () => {
  it('every mark is read behind a stroke and printed in its place; its id is its own', () => {
    for (const mark of MARKS) expect(readStep(`m:3${mark}`).step, mark).toMatchObject({ marks: [mark] });
    expect(new Set(MARKS.map((m) => markRow(m).id)).size).toBe(MARKS.length);
    expect(MARKS).toEqual(['!', ',', '*', '_', '~', "'", '^', 'x', '%', '>', 'o']);
  });
  it('is seen: a sign of its own beside the stitch, and what a staff has for it', () => {
    expect(new Set(MARKS.map((m) => markRow(m).stitch)).size).toBe(MARKS.length);
    expect(MARKS.flatMap((m) => (markRow(m).staff ? [`${m} ${markRow(m).staff}`] : []))).toEqual([
      "' dot",
      '^ dot',
      'x cross',
      'o ring',
    ]);
  });
  it('loud is against soft, ringing against staccato and against what is muted, either way round', () => {
    expect(MARK_CLASHES).toEqual([
      ['!', ','],
      ['~', "'"],
      ['~', 'x'],
      ['~', '%'],
    ]);
    for (const [a, b] of MARK_CLASHES) {
      expect([marksClash(a, b), marksClash(b, a)]).toEqual([true, true]);
      expect(readStep(`m:3${b}${a}`).fault).toMatchObject({ code: 'marks clash', about: [a, b], fix: `m:3${a}` });
    }
  });
  it('of one string goes before what it is against, of the whole stroke', () => {
    const step = readStep('im!:3f1,+2f0').step!;
    expect(step.kind === 'stroke' && [marksOn(step, 3), marksOn(step, 2)]).toEqual([[','], ['!']]);
  });
  it('weigh what they weigh: accent and golpe a fifth, rest stroke 0.15 more, soft 0.35 and palm 0.2 less, dead next to nothing', () => {
    const weight = (text: string) => strength(readStep(text).step as Motion);
    const own = MARKS.map((m) => [m, Math.round(100 * (weight(`a:2${m === '*' ? '*e' : m}`) - weight('a:2')))]);
    expect(own.filter(([, w]) => w !== 0)).toEqual([
      ['!', 20],
      [',', -35],
      ['*', 20],
      ['_', 15],
      ['x', -25],
      ['%', -20],
    ]);
    // However hard it is beaten.
    expect(weight('i:2!x')).toBe(0.3);
  });
  it('with a golpe or a slap stand loud and soft, one of them', () => {
    for (const mark of MARKS)
      for (const tap of ['G', 'S'])
        expect(readStep(tap + mark).step !== null, tap + mark).toBe((['!', ','] as Mark[]).includes(mark));
    expect(readStep('G!!').step).toBeNull();
  });
  it('what the left hand sounds alone has no golpe, no rest stroke and no harmonic', () => {
    const odd = MARKS.filter((m) => readStep(`L:2f3${m}`).fault !== undefined);
    expect(odd).toEqual(['*', '_', 'o']);
  });
  it('golpe and the next chord are of the whole stroke, wherever they stand', () => {
    expect(marksThat((m) => m.whole)).toEqual(['*', '>']);
    expect(readStep('im:3f1>+2f0').step).toMatchObject({ marks: ['>'] });
  });
});
