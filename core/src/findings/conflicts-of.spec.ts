import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cycleById } from '../catalogue/index.js';
import { readShape } from '../left-hand/index.js';
import { makeSection, makeStudy, type Section, setScript, type Study } from '../piece/index.js';
import { DEFAULT_PROFILE, type HandProfile } from '../player/index.js';
import { readSection } from '../reading/index.js';
import { bpm, millimetres } from '../time/index.js';
import {
  conflictsOf,
  type Finding,
  type FindingCode,
  type FindingOf,
  findingsOf,
  rank,
  remediesOf,
  type Remedy,
  remedyCommand,
} from './index.js';

const SHAPES = [
  ['Am', 'x-0-2-2-1-0', 'x-0-2-3-1-0'],
  ['C', 'x-3-2-0-1-0', 'x-3-2-0-1-0'],
  ['F', '1-3-3-2-1-1', '1-3-4-2-1-1'],
  ['D', 'x-x-0-2-3-2', 'x-x-0-1-3-2'],
  ['Dm7', 'x-x-0-2-1-1', 'x-x-0-2-1-1'],
].map(([name = '', frets = '', fingers = '']) => ({ id: name, name, ...readShape(frets, fingers) }));

function piece(...parts: readonly Partial<Section>[]): Study {
  const sections = parts.map((more, n) => ({
    ...makeSection(`s${n}`, `Part ${n + 1}`, cycleById('tangos')!),
    stepsPerCount: 2,
    bpm: bpm(100),
    ...more,
  }));
  return { ...makeStudy('p', 'Piece'), shapes: SHAPES, sections };
}
const found = (study: Study, profile: HandProfile = DEFAULT_PROFILE) => conflictsOf(study, profile);
const one = <C extends FindingCode>(code: C, study: Study, profile?: HandProfile): FindingOf<C> & Finding => {
  const list = found(study, profile).filter((f): f is FindingOf<C> & Finding => f.code === code);
  expect(list).toHaveLength(1);
  return list[0]!;
};
const remedies = (f: Finding, study: Study, profile: HandProfile = DEFAULT_PROFILE) => remediesOf(f, study, profile);
const taken = (study: Study, f: Finding, r: Remedy): Study => remedyCommand(f.place.section, r)(study);

describe('conflicts of a piece', () => {
  it('without any there is silence', () => {
    expect(found(piece({ script: 'p:b - ima:t - p:b - ima:t -', chart: 'Am | C' }))).toEqual([]);
    expect(found(piece({ script: '', chart: '' }))).toEqual([]);
  });
  it('a chord tied over a change without a push is one, with two remedies that both work', () => {
    const study = piece({ script: 'p:b - ima:t - p:b - ima:t - - - ima:t - p:b - ima:t -', chart: 'Am | C' });
    const tie = one('held over', study);
    expect(tie.place).toMatchObject({ section: 's0', bar: 0, label: '4' });
    expect(tie.figures).toMatchObject({ from: 'Am', into: 'C' });
    const ways = remedies(tie, study);
    expect(ways.map((r) => r.code)).toEqual(['push', 'let go']);
    for (const r of ways) expect(found(taken(study, tie, r))).toEqual([]);
    expect(taken(study, tie, ways[0]!).sections[0]!.script).toContain('ima:t> - - -');
    expect(taken(study, tie, ways[1]!).sections[0]!.script).toContain('ima:t^ - - -');
  });
  it('a way out that brings something graver is none: pushed, the change would come late', () => {
    const study = piece({ script: 'p:b - ima:t ima:t - - p:b -', chart: 'C F', bpm: bpm(280) });
    const tie = one('held over', study);
    expect(remedies(tie, study).map((r) => r.code)).toEqual(['let go']);
    const pushed = setScript('s0', 'p:b - ima:t ima:t> - - p:b -')(study);
    expect(found(study).map((f) => f.code)).not.toContain('change late');
    expect(found(pushed).map((f) => f.code)).toContain('change late');
  });
  it('a remedy leaves fingers that are worked out to be worked out', () => {
    const study = piece({ script: '?:2f1 - - - . . ??:3f2+2f1 - - - - - . . . .', chart: 'Am | C' });
    const tie = one('held over', study);
    expect(taken(study, tie, remedies(tie, study)[0]!).sections[0]!.script).toContain('??>:3f2+2f1');
  });
  it('a change without room names the finger and both times; slower there is room', () => {
    const study = piece({ script: 'ima:t ima:t ima:t ima:t ima:t ima:t ima:t ima:t', chart: 'Am C', bpm: bpm(300) });
    const late = found(study).find((f): f is FindingOf<'change late'> & Finding => f.code === 'change late')!;
    expect(late.figures.thereMs).toBeCloseTo(100, 6);
    const [slower] = remedies(late, study);
    // The tempo at which both times are the same, rounded down.
    expect(slower).toMatchObject({ code: 'slower', change: { bpm: Math.floor((300 * 100) / late.figures.neededMs) } });
    const after = found(taken(study, late, slower!));
    expect(after.some((f) => f.code === 'change late' && f.figures.from === late.figures.from)).toBe(false);
  });
  it('a shape beyond the hand’s reach has an easier one, with what is lost by it', () => {
    const small = { ...DEFAULT_PROFILE, span: millimetres(62) };
    const wide = { id: 'w', name: 'C', ...readShape('x-3-5-5-5-8', 'x-1-2-2-2-4') };
    const study = { ...piece({ script: 'p:b - ima:t -', chart: 'C' }), shapes: [wide] };
    const reach = one('out of reach', study, small);
    const ways = remedies(reach, study, small);
    expect(ways.map((r) => r.code)).toEqual(['other shape']);
    for (const r of ways) expect(found(taken(study, reach, r), small).map((f) => f.code)).not.toContain('out of reach');
  });
  it('a struck string that the shape mutes has a shape that lets it sound', () => {
    const study = piece({ script: 'p:5 - i:3 m:2', chart: 'Dm7' });
    const muted = one('string muted', study);
    expect(muted.figures).toEqual({ name: 'Dm7', strings: [5] });
    const [way] = remedies(muted, study);
    expect(way).toMatchObject({ code: 'other shape', figures: { name: 'Dm7' } });
    expect(way!.change.shape!.frets[1]).toEqual(expect.any(Number));
    expect(found(taken(study, muted, way!)).map((f) => f.code)).not.toContain('string muted');
  });
  it('shapes that are called as they are held under a capo are called rightly, and as they sound too', () => {
    const study = piece({ script: 'p:b ima:t p:f ima:t', chart: 'Am | E' });
    const misnamed = (capo: number, of = study) =>
      found({ ...of, instrument: { ...of.instrument, capo } }).filter((f) => f.code === 'name not borne out');
    expect(misnamed(0)).toEqual([]);
    expect(misnamed(2)).toEqual([]);
    const sounding = {
      ...piece({ script: 'p:b ima:t p:f ima:t', chart: 'Bm' }),
      shapes: [{ ...SHAPES.find((x) => x.name === 'Am')!, id: 'b', name: 'Bm' }],
    };
    expect(misnamed(2, sounding)).toEqual([]);
    expect(misnamed(0, sounding)).toHaveLength(1);
  });
  it('a name that its notes do not bear out, and a tone that nobody strikes', () => {
    const study = {
      ...piece({ script: 'p:b ima:t ima:t ima:t', chart: 'Am' }),
      shapes: [{ ...SHAPES[1]!, id: 'x', name: 'Am' }],
    };
    expect(one('name not borne out', study).figures).toEqual({ name: 'Am', foreign: [3], lacking: [] });
    const bare = piece({ script: 'p:5 i:1 p:5 ia:41 p:5 i:1 p:5 ia:41', chart: 'Am' });
    expect(one('tone unheard', bare).figures).toEqual({ name: 'Am', tones: ['3m'] });
  });
  it('a right hand over its ceiling plays slower; one that is near it stands against nothing', () => {
    const at = (tempo: number) => piece({ script: 'i:1 i:1 i:1 i:1 i:1 i:1 i:1 i:1', chart: '', bpm: bpm(tempo) });
    const late = one('ceiling', at(240));
    expect(Math.floor(late.figures.ceiling)).toBe(176);
    expect(remedies(late, at(240))).toMatchObject([{ code: 'slower', figures: { bpm: 176 }, change: { bpm: 176 } }]);
    expect(found(at(170))).toEqual([]);
  });
  it('a finger that is borrowed and can’t be back in time is so no longer when it is slower', () => {
    // Finger 1 leaves string 2 for string 1, two frets up; the chord comes an eighth later.
    const study = piece({
      script: 'a:1f3=1 ima:t ima:t ima:t ima:t ima:t ima:t ima:t',
      chart: 'C',
      bpm: bpm(400),
      stepsPerCount: 4,
    });
    const away = one('finger away', study);
    const [slower] = remedies(away, study);
    expect(slower?.figures).toEqual({ bpm: Math.floor((400 * away.figures.thereMs) / away.figures.neededMs) });
    expect(found(taken(study, away, slower!)).map((f) => f.code)).not.toContain('finger away');
    expect(found({ ...study, sections: [{ ...study.sections[0]!, bpm: bpm(60) }] })).toEqual([]);
  });
  it('a barre that is never let go is one, without a remedy', () => {
    const study = piece({ script: 'p:b ima:t p:f ima:t', chart: 'F' });
    expect(remedies(one('barre', study), study)).toEqual([]);
  });
  it('texts that can’t be read come first, each mended by what would work', () => {
    const study = piece({ script: 'p:b ima:t', chart: 'Am |' }, { script: 'p q', chart: 'Am | Hq' });
    const list = found(study);
    expect(list.map((f) => [f.place.section, f.code])).toEqual([
      ['s1', 'script unread'],
      ['s1', 'chart unread'],
    ]);
    const twice = piece({ script: 'pp:b ima:t', chart: 'Am' });
    const fault = one('script unread', twice);
    const [way] = remedies(fault, twice);
    expect(way).toMatchObject({ code: 'as it would work' });
    expect(found(taken(twice, fault, way!)).map((f) => f.code)).not.toContain('script unread');
  });
  it('the gravest first, of equals in the piece’s order', () => {
    const tied = { script: 'p:b - ima:t - p:b - ima:t - - - ima:t - p:b - ima:t -', chart: 'Am | C' };
    const list = found(piece(tied, { script: 'p q', chart: '' }, tied));
    expect(list.map((f) => `${f.place.section} ${f.code}`)).toEqual([
      's1 script unread',
      's0 held over',
      's2 held over',
    ]);
  });
  it('a remedy of a section that is gone, and of what only is so: none', () => {
    const study = piece({ script: 'p:b - ima:t - p:b - ima:t - - - ima:t - p:b - ima:t -', chart: 'Am | C' });
    const tie = one('held over', study);
    expect(remedies(tie, { ...study, sections: [] })).toEqual([]);
    const [section] = study.sections;
    const request = { section: section!, shapes: SHAPES, ...study.instrument, profile: DEFAULT_PROFILE };
    const only = findingsOf({ ...request, ...readSection(request) }).filter(
      (f) => f.tone === 'plain' || f.tone === 'good',
    );
    expect(only.length).toBeGreaterThan(1);
    for (const f of only) expect(remedies(f, study), f.code).toEqual([]);
  });
  it('whatever the piece: taken, a remedy ends its conflict, and ranks are in order', () => {
    const script = fc
      .array(fc.constantFrom('p:b', 'ima:t', '-', '-', '.', 'p:5', 'i:1', 'a:1f1=1', 'pima:t', 'm:2f3'), {
        minLength: 4,
        maxLength: 12,
      })
      .map((steps) => steps.join(' '));
    const chart = fc
      .array(fc.constantFrom('Am', 'C', 'F', 'D', 'Dm7'), { minLength: 1, maxLength: 3 })
      .map((c) => c.join(' | '));
    let tried = 0;
    fc.assert(
      fc.property(script, chart, fc.integer({ min: 60, max: 320 }), (text, chords, tempo) => {
        const study = piece({ script: text, chart: chords, bpm: bpm(tempo) });
        const list = found(study);
        const ranks = list.map(rank);
        expect(ranks).toEqual([...ranks].sort((a, b) => a - b));
        for (const f of list)
          for (const r of remedies(f, study)) {
            tried++;
            const left = found(taken(study, f, r));
            const same = (o: Finding) =>
              o.code === f.code && o.place.at === f.place.at && JSON.stringify(o.figures) === JSON.stringify(f.figures);
            expect(left.some(same)).toBe(false);
          }
      }),
      { numRuns: 40 },
    );
    expect(tried).toBeGreaterThan(5);
  });
});
