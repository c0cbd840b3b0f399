import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cycleById } from '../../catalogue/index.js';
import { barTicks } from '../../cycle/index.js';
import {
  addSection,
  inOrder,
  makeStudy,
  setChart,
  setForm,
  setScript,
  setSteps,
  type Study,
} from '../../piece/index.js';
import { DEFAULT_PROFILE } from '../../player/index.js';
import { scoreOf } from '../../score/index.js';
import { readTablature, typedBars } from '../../script/index.js';
import { type Scope, studyTablature, tablatureLosses, tablatureText } from './index.js';

const four = cycleById('tangos')!;
const study = (script: string, chart = ''): Study =>
  inOrder(setScript('s-a', script), setChart('s-a', chart))(makeStudy('s', 'S', four));
const scoreFrom = (script: string, chart = '') => {
  const of = study(script, chart);
  return scoreOf(of.sections[0]!, of);
};
const text = (script: string, chart = '') => tablatureText(scoreFrom(script, chart), four);

describe('tablature in plain text', () => {
  it('string 1 on top, a column a step, chords and counts above, letters below', () =>
    expect(text('p:5 - i:3 m:2 pi:5f2+3f12 L:3f9 id:321 ix:2', 'Am')).toBe(
      [
        '   Am',
        '   1     2     3     4',
        'e|-------------------0-----|',
        'B|----------0--------0--x--|',
        'G|-------0-----12-p9-0-----|',
        'D|-------------------------|',
        'A|-0-----------2-----------|',
        'E|-------------------------|',
        '   p     i  m  pi    iv i',
      ].join('\n'),
    ));
  it('of the right hand alone: fingers on their strings, strums by their way', () => {
    const score = scoreFrom('pa:61 i:3 id:321 iu:123 ix:2 L:3f9 . .');
    expect(tablatureText(score, four, 0, score.bars.length, true).split('\n').slice(1, 7)).toEqual([
      'e|-a-----v--^--------------|',
      'B|-------v--^--x-----------|',
      'G|----i--v--^-----h--------|',
      'D|-------------------------|',
      'A|-------------------------|',
      'E|-p-----------------------|',
    ]);
  });
  it('one dead string of a stroke, and strums by their direction', () => {
    const lines = text('pi:5f2+3f0x id:321 iu:123 ix:2').split('\n');
    expect(lines[3]).toBe('G|-x--0--0-----x--0--0-----|');
    expect(lines[5]).toBe('A|-2-----------2-----------|');
    expect(lines.at(-1)).toBe('   pi iv i^ i  pi iv i^ i');
  });
  it('columns are as wide as it takes for names of chords to be told apart', () => {
    const [chords] = text('p:5 i:3 p:5 i:3 p:5 i:3 p:5 i:3', 'F#m7b5:1/2 B7:1/2 Em:2 A7:1').split('\n');
    expect(chords!.trim().split(/ {2,}/)).toEqual(['F#m7b5', 'B7', 'Em', 'A7']);
  });
  it('columns stand at the bar’s finest division: strokes in brackets, a silence, a level, marks', () => {
    const lines = text('[ed ad md id iu]:2 p:5 . @f [p:5! i:3 m:2]:2 G S!').split('\n');
    const letters = lines
      .filter((l) => /^ +[@pimaeGS.]/.test(l) && !/\d/.test(l))
      .flatMap((l) => l.trim().split(/\s+/));
    expect(letters).toEqual(['ev', 'av', 'mv', 'iv', 'i^', 'p', '.', '@f:p!', 'i', 'm', 'G', 'S!']);
    // Five and three to a count: fifteen columns, each stroke in its own.
    const first = lines.filter((l) => /^e[| ]/.test(l)).join('');
    expect(first.match(/0/g)).toHaveLength(5);
    expect(new Set(lines.flatMap((l) => (l.length > 80 ? [l] : []))).size).toBe(0);
  });
  it('a bar too long for a line is broken where a group begins, and goes on without a bar line', () => {
    const solea = cycleById('solea')!;
    const of = inOrder(
      setScript('s-a', '{i:1f12 m:1f13 i:2f10 m:2f12}x12'),
      setSteps('s-a', 4),
    )(makeStudy('s', 'S', solea));
    const score = scoreOf(of.sections[0]!, of);
    const systems = tablatureText(score, solea).split('\n\n');
    expect(systems.length).toBeGreaterThan(1);
    const first = systems[0]!.split('\n').find((l) => l.startsWith('e'))!;
    const second = systems[1]!.split('\n').find((l) => l.startsWith('e'))!;
    expect([first[1], first.at(-1), second[1]]).toEqual(['|', '-', ' ']);
    // Joined again, it is one bar.
    expect(typedBars(tablatureText(score, solea))[0]).toHaveLength(systems.length);
  });
  it('of a study: a section, some of its bars, or each section of the form once', () => {
    const base = inOrder(
      addSection('b', 'B', four),
      setScript('b', 'i:1 - - - - - - -'),
    )(study('p:5 - - - - - - - | p:6f3 - - - - - - - | p:4 - - - - - - -'));
    const parts = (scope: Scope) => studyTablature(setForm('B A B')(base), DEFAULT_PROFILE, scope);
    expect(parts({ kind: 'form' }).map((p) => p.section)).toEqual(['b', 's-a']);
    const [whole] = parts({ kind: 'section', section: 's-a' });
    const [some] = parts({ kind: 'bars', section: 's-a', bars: [1, 2] });
    const bars = (t: string) =>
      t
        .split('\n')
        .find((l) => l.startsWith('E|'))!
        .split('|')
        .slice(1, -1);
    expect(bars(some!.text)).toEqual(bars(whole!.text).slice(1));
    expect(some!.losses).toEqual([{ code: 'left fingers', about: [1] }]);
    expect(parts({ kind: 'section', section: 'gone' })).toEqual([]);
  });
  it('strings of another tuning by their notes, bars in systems, some of them alone', () => {
    const low = {
      ...study('{p:6 - i:1 - p:6 - i:1 -}x1 {p:5 - i:1 - p:5 - i:1 -}x1'),
      instrument: { tuning: [38, 45, 50, 55, 59, 62] as never, capo: 0 },
    };
    const score = scoreOf(low.sections[0]!, low);
    const lines = tablatureText(score, four).split('\n');
    expect(lines.slice(1, 7).map((l) => l[0])).toEqual(['d', 'B', 'G', 'D', 'A', 'D']);
    expect(tablatureText(score, four, 1, 2)).not.toContain('D|-0');
    const many = scoreFrom('{p:5 - i:1 - p:5 - i:1 -}x12 {i:1 - - - - - - -}x1');
    const systems = tablatureText(many, four).split('\n\n');
    expect(systems.length).toBeGreaterThan(2);
    for (const line of systems.join('\n').split('\n')) expect(line.length).toBeLessThanOrEqual(80);
  });
  it('bars go on in systems, and come back as they were: the same notes at the same places', () => {
    const note = fc.record({ string: fc.integer({ min: 1, max: 6 }), fret: fc.integer({ min: 0, max: 19 }) });
    const step = fc.oneof(
      fc.constant('-'),
      note.map(({ string, fret }) => `i:${string}f${fret}`),
      fc
        .tuple(fc.integer({ min: 4, max: 6 }), fc.integer({ min: 1, max: 3 }), fc.integer({ min: 0, max: 12 }))
        .map(([a, b, fret]) => `pi:${a}f${fret}+${b}f0`),
    );
    let tried = 0;
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 5 }), fc.array(step, { minLength: 40, maxLength: 40 }), (bars, all) => {
        const script = all.slice(0, bars * 8).join(' ');
        const score = scoreFrom(script);
        if (score.events.length === 0) return;
        tried++;
        const back = readTablature(tablatureText(score, four), barTicks(four)[0]!, 2);
        if ('refusal' in back) throw new Error(back.refusal.code);
        expect([back.moved, back.lost, back.unread]).toEqual([0, 0, []]);
        const notes = (of: typeof score) =>
          of.events.map((e) => [e.at, e.notes.map((n) => [n.string, n.fret]).sort((a, b) => a[0]! - b[0]!)]);
        expect(notes(scoreFrom(back.script))).toEqual(notes(score));
      }),
    );
    expect(tried).toBeGreaterThan(50);
  });
  it('says before what it can’t hold, and nothing where it holds all', () => {
    const losses = (script: string) => tablatureLosses(scoreFrom(script)).map((l) => [l.code, l.about[0]]);
    // The pattern comes four times before it comes round.
    expect(losses('p:5f0 i:3f0 m:2f0 a:1f0')).toEqual([]);
    // Time, letters and common marks it holds; not a ghost, a left finger, a mark of one string alone.
    expect(losses('G p:5f3! . [i:3 m:2 a:1]:2 id:54321 -')).toEqual([]);
    expect(losses('(d) p:5f3=3 im:3!+2 ix:2o - - - -')).toEqual([
      ['strokes without strings', 1],
      ['left fingers', 1],
      ['marks', 2],
    ]);
  });
});
