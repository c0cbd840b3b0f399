import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cycleById } from '../catalogue/index.js';
import { readShape } from '../left-hand/index.js';
import { makeSection, makeStudy, type Section, type Study } from '../piece/index.js';
import { DEFAULT_PROFILE, type HandProfile } from '../player/index.js';
import { bpm, millimetres } from '../time/index.js';
import { sayConflict, sayRemedy } from '../words/en/index.js';
import { type Conflict, CONFLICTS, conflictsOf, type Remedy, remedyCommand } from './index.js';

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
const one = (code: Conflict['code'], study: Study, profile?: HandProfile): Conflict => {
  const list = found(study, profile).filter((c) => c.code === code);
  expect(list).toHaveLength(1);
  return list[0]!;
};
const taken = (study: Study, c: Conflict, r: Remedy): Study => remedyCommand(c.section, r)(study);

describe('conflicts of a piece', () => {
  it('without any there is silence', () => {
    expect(found(piece({ script: 'p:b - ima:t - p:b - ima:t -', chart: 'Am | C' }))).toEqual([]);
    expect(found(piece({ script: '', chart: '' }))).toEqual([]);
  });
  it('a chord tied over a change without a push is one, with two remedies that both work', () => {
    const study = piece({ script: 'p:b - ima:t - p:b - ima:t - - - ima:t - p:b - ima:t -', chart: 'Am | C' });
    const tie = one('held over', study);
    expect([tie.bar, tie.label]).toEqual([0, '4']);
    expect(sayConflict(tie)).toBe('A stroke on Am is held on into C.');
    expect(tie.remedies.map(sayRemedy)).toEqual(['Push: it takes the coming chord (>)', 'Let it go at the change (^)']);
    for (const r of tie.remedies) expect(found(taken(study, tie, r))).toEqual([]);
    expect(taken(study, tie, tie.remedies[0]!).sections[0]!.script).toContain('ima:t> - - -');
  });
  it('a remedy leaves fingers that are worked out to be worked out', () => {
    const study = piece({ script: '?:2f1 - - - . . ??:3f2+2f1 - - - - - . . . .', chart: 'Am | C' });
    const tie = one('held over', study);
    expect(taken(study, tie, tie.remedies[0]!).sections[0]!.script).toContain('??>:3f2+2f1');
  });
  it('a change without room names the finger and both times; slower there is room', () => {
    const study = piece({ script: 'ima:t ima:t ima:t ima:t ima:t ima:t ima:t ima:t', chart: 'Am C', bpm: bpm(300) });
    const late = found(study).filter((c) => c.code === 'change late');
    expect(sayConflict(late[0]!)).toMatch(/^\w+ → \w+: no room, finger \d has 100 ms and needs about \d+\.$/);
    const [slower] = late[0]!.remedies;
    expect(slower?.code).toBe('slower');
    const after = found(taken(study, late[0]!, slower!));
    expect(after.some((c) => c.code === 'change late' && c.about[0] === late[0]!.about[0])).toBe(false);
  });
  it('a shape beyond the hand’s reach has an easier one', () => {
    const small = { ...DEFAULT_PROFILE, span: millimetres(62) };
    const wide = { id: 'w', name: 'C', ...readShape('x-3-5-5-5-8', 'x-1-2-2-2-4') };
    const study = { ...piece({ script: 'p:b - ima:t -', chart: 'C' }), shapes: [wide] };
    const reach = one('out of reach', study, small);
    expect(sayConflict(reach)).toMatch(/^C is not for this hand: /);
    expect(reach.remedies.map((r) => r.code)).toContain('other shape');
    for (const r of reach.remedies)
      expect(found(taken(study, reach, r), small).map((c) => c.code)).not.toContain('out of reach');
  });
  it('a struck string that the shape mutes has a shape that lets it sound', () => {
    const study = piece({ script: 'p:5 - i:3 m:2', chart: 'Dm7' });
    const muted = one('string muted', study);
    expect(sayConflict(muted)).toBe('Dm7: string 5 is struck, and the shape mutes it.');
    expect(muted.remedies[0]?.change.shape?.frets[1]).not.toBeNull();
  });
  it('shapes that are called as they are held under a capo are called rightly, and as they sound too', () => {
    const study = piece({ script: 'p:b ima:t p:f ima:t', chart: 'Am | E' });
    const misnamed = (capo: number, of = study) =>
      found({ ...of, instrument: { ...of.instrument, capo } }).filter((c) => c.code === 'name not borne out');
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
    expect(sayConflict(one('name not borne out', study))).toBe('Am: what is on string 3 is no tone of it.');
    const bare = piece({ script: 'p:5 i:1 p:5 ia:41 p:5 i:1 p:5 ia:41', chart: 'Am' });
    expect(sayConflict(one('tone unheard', bare))).toBe('Am: its third is on no string that is struck.');
  });
  it('a right hand over its ceiling plays slower', () => {
    const study = piece({ script: 'i:1 i:1 i:1 i:1 i:1 i:1 i:1 i:1', chart: '', bpm: bpm(240) });
    const late = one('finger late', study);
    expect(sayConflict(late)).toMatch(/^The right hand’s ceiling is 176; it is to play at 240\.$/);
    expect(late.remedies.map(sayRemedy)).toEqual(['Play it at 176']);
  });
  it('a finger that is borrowed and can’t be back in time', () => {
    // Finger 1 leaves string 2 for string 1; the chord comes an eighth later.
    const study = piece({
      script: 'a:1f1=1 ima:t ima:t ima:t ima:t ima:t ima:t ima:t',
      chart: 'C',
      bpm: bpm(400),
      stepsPerCount: 4,
    });
    const away = one('finger away', study);
    expect(sayConflict(away)).toMatch(
      /^C: finger 1 is on string 1 fret 1 and has 38 ms to be back; it needs about \d+\.$/,
    );
    expect(found({ ...study, sections: [{ ...study.sections[0]!, bpm: bpm(60) }] })).toEqual([]);
  });
  it('texts that can’t be read come first, each mended by what would work', () => {
    const study = piece({ script: 'p:b ima:t', chart: 'Am |' }, { script: 'p q', chart: 'Am | Hq' });
    const list = found(study);
    expect(list.map((c) => [c.section, c.code])).toEqual([
      ['s1', 'script unread'],
      ['s1', 'chart unread'],
    ]);
    expect(sayConflict(list[0]!)).toMatch(/^Script: /);
  });
  it('the gravest first, of equals in the piece’s order', () => {
    const tied = { script: 'p:b - ima:t - p:b - ima:t - - - ima:t - p:b - ima:t -', chart: 'Am | C' };
    const list = found(piece(tied, { script: 'p q', chart: '' }, tied));
    expect(list.map((c) => `${c.section} ${c.code}`)).toEqual(['s1 script unread', 's0 held over', 's2 held over']);
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
        const ranks = list.map((c) => CONFLICTS.indexOf(c.code));
        expect(ranks).toEqual([...ranks].sort((a, b) => a - b));
        for (const c of list)
          for (const r of c.remedies) {
            tried++;
            const left = found(taken(study, c, r));
            expect(left.some((o) => o.code === c.code && o.about.join() === c.about.join() && o.at === c.at)).toBe(
              false,
            );
          }
      }),
      { numRuns: 40 },
    );
    expect(tried).toBeGreaterThan(5);
  });
});
