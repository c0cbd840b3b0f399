import { sayAll } from '../words/index.js';
import { describe, expect, it } from 'vitest';
import { cycleById } from '../catalogue/index.js';
import { STANDARD_TUNING } from '../instrument/index.js';
import { makeSection, makeStudy, type Section } from '../piece/index.js';
import { DEFAULT_PROFILE, leftHandOf } from '../player/index.js';
import { readSection } from '../reading/index.js';
import { all, one, read, shapes } from '../testing/told-findings.js';
import { bpm, millis, TICKS_PER_COUNT } from '../time/index.js';
import { FINDINGS, findingsOf, rank, remediesOf } from './index.js';

describe('the right hand', () => {
  it('of nothing there is nothing to say', () => expect(read('')).toEqual([]));
  it('ceiling: the one who sets it, with what there is and what is needed, and how near the tempo is', () => {
    const slow = one(read('i i i i i i i i'), 'ceiling')!;
    expect(slow).toMatchObject({
      tone: 'plain',
      place: { slot: expect.any(Number) as number },
      figures: { room: 'in time', cause: { kind: 'finger', finger: 'i' }, tight: { neededMs: 170, thereMs: 300 } },
    });
    expect(slow.figures.ceiling).toBeCloseTo(60_000 / (2 * 170), 6);
    expect(slow.figures.rate!.now).toBeCloseTo((2 * 100) / 60, 6);
    // Nine tenths of it are near, all of it is not yet late.
    const { ceiling } = slow.figures;
    const at = (tempo: number) => one(read('i i i i i i i i', { bpm: tempo }), 'ceiling')!;
    expect(
      [at(Math.floor(0.9 * ceiling)), at(Math.ceil(0.9 * ceiling)), at(Math.floor(ceiling))].map((f) => f.tone),
    ).toEqual(['plain', 'watch', 'watch']);
    expect(at(Math.ceil(ceiling))).toMatchObject({ tone: 'late', figures: { room: 'late' } });
  });
  it('ceiling over the seam says so, of a single stroke too', () => {
    expect(one(read('i - - - - - - -'), 'ceiling')!.figures.between).toEqual({ from: '1', to: '1', seam: true });
    expect(one(read('i - m - a - m i'), 'ceiling')!.figures.between).toMatchObject({ seam: true });
  });
  it('ceiling of a pattern shorter than its turn: to the place where it goes on, never from a count to itself', () => {
    const between = (script: string) => one(read(script, { cycle: cycleById('buleria')! }), 'ceiling')!.figures.between;
    expect(between('i')).toEqual({ from: '12', to: '12 &', seam: true });
    expect(between('p - i -')).toEqual({ from: '12', to: '2', seam: true });
  });
  it('letters of a rasgueado that pluck are told where the family strums, and strummed by its remedy', () => {
    const section = { ...makeSection('s', 'S', cycleById('buleria')!), script: 'e a m i iu . e a m', stepsPerCount: 4 };
    const study = { ...makeStudy('x', 'X'), sections: [section] };
    const found = one(read(section.script, section), 'flicks plucked')!;
    expect(found).toMatchObject({ tone: 'watch', place: { slot: 0 }, figures: { letters: ['e', 'a', 'm', 'i'] } });
    const [strums] = remediesOf(found, study, DEFAULT_PROFILE);
    expect(strums).toMatchObject({ code: 'as strums', change: { script: 'ed ad md id iu . ed ad md' } });
    // Fewer than three, a line of a m i, strings that are named, another family: they are what they are.
    for (const script of ['e a', 'a m i a m i', 'e:1 a:2 m:3', 'ed ad md id', 'e i m a'])
      expect(one(read(script, { cycle: section.cycle }), 'flicks plucked')).toBeUndefined();
    expect(one(read('e a m i', { cycle: cycleById('bossa-three-two')! }), 'flicks plucked')).toBeUndefined();
  });
  it('comes round: passes, turns and steps of the least common multiple', () =>
    expect(one(read('ed ad md id iu', { cycle: cycleById('buleria')! }), 'comes round')).toEqual({
      code: 'comes round',
      tone: 'plain',
      place: { section: 's', slot: null, at: 0, bar: 0, label: '12' },
      figures: { passes: 24, turns: 5, steps: 5, length: 2.5 * TICKS_PER_COUNT, counts: 12, shown: null },
    }));
  it('accents: met, weakly met, missed, all carried', () => {
    const carried = read('id iu id iu id iu id iu');
    expect(one(carried, 'accents met')!.figures.first.map((m) => m.by?.fingers.join(''))).toContain('i');
    expect(one(carried, 'accents carried')).toMatchObject({ tone: 'good' });
    expect(one(carried, 'accents weak')).toBeUndefined();
    const weak = one(read('eu eu eu eu eu eu eu eu'), 'accents weak')!;
    expect(weak.tone).toBe('watch');
    expect(weak.figures.who).toHaveLength(1);
    expect(weak.figures.weak).toBe(weak.figures.all);
    const missed = one(read('id . . . . . . .'), 'accents missed')!;
    expect(missed.figures.missed.length).toBeGreaterThan(0);
    expect(one(read('id . . . . . . .'), 'accents carried')).toBeUndefined();
  });
  it('another start: which step counted from one, and what the accents gain', () => {
    const found = one(read('a:1, m:1, i:1!', { stepsPerCount: 3 }), 'another start')!;
    expect([found.figures.step, found.figures.motion]).toMatchObject([3, { kind: 'stroke', fingers: ['i'] }]);
    expect(found.figures.given).toBeGreaterThanOrEqual(1.1 * found.figures.written);
    expect(one(read('p i m a'), 'another start')).toBeUndefined();
  });
  it('pendulum: where a ghost belongs, and what fights the swing', () => {
    expect(one(read('id iu id iu id iu id iu'), 'pendulum')).toMatchObject({
      tone: 'good',
      figures: { fights: [], seam: true },
    });
    expect(one(read('id iu id . id iu id iu'), 'pendulum')!.figures.ghosts.u).toEqual(['2 &']);
    const broken = one(read('id id id iu id iu id iu'), 'pendulum')!;
    expect([broken.tone, broken.figures.fights.length > 0, broken.place.slot !== null]).toEqual(['watch', true, true]);
    expect(one(read('p i m a'), 'pendulum')).toBeUndefined();
  });
  it('plants: the fingers that are set together, and why another is not', () => {
    expect(one(read('p:b i m a p:b i m a'), 'plants')).toMatchObject({
      figures: { sets: [['p', 'i', 'm', 'a']], not: null },
    });
    // One by one each finger is set while the one before plays, each joint told once.
    const [said] = sayAll(read('p:b i m a p:b i m a')).filter((f) => f.code === 'plants');
    expect(said?.lines).toContain('Or one by one: i as p plays, m as i plays, a as m plays.');
    // A melody over basses, a block and a strum set nothing beforehand.
    for (const other of ['p:b i - - p:b i - -', 'pima:t - - -', 'id iu id iu'])
      expect(one(read(other), 'plants'), other).toBeUndefined();
  });
});

describe('the left hand', () => {
  const chart = (text: string, script = 'p:b ima:t p:b ima:t p:b ima:t p:b ima:t', more: Partial<Section> = {}) =>
    read(script, { chart: text, ...more });
  it('ceiling: the left hand’s own beside the right’s, and which of the two is the limit', () => {
    const found = (text: string) => one(chart(text), 'ceiling')!;
    const near = found('C | Am').figures.left!;
    expect(near).toMatchObject({ limits: near.ceiling < found('C | Am').figures.ceiling });
    const far = one(chart('C | F', 'pima:t pima:t pima:t pima:t'), 'ceiling')!;
    expect(far.figures.left!.limits).toBe(far.figures.left!.ceiling < far.figures.ceiling);
    expect(one(read('i i i i'), 'ceiling')!.figures.left).toBeNull();
  });
  it('change late: whose finger, what there is and what is needed, from the tempo on at which there is too little', () => {
    expect(one(chart('C | F'), 'change late')).toBeUndefined();
    const late = all(chart('C F | C F', 'pima:t pima:t', { bpm: 380 }), 'change late');
    for (const { tone, figures: c } of late) {
      expect(tone).toBe('late');
      expect(c.neededMs).toBeGreaterThan(c.thereMs);
    }
    const first = late.find((f) => f.figures.from === 'C')!;
    expect([first.figures.to, first.place.at, first.place.bar, first.place.label]).toEqual([
      'F',
      2 * TICKS_PER_COUNT,
      0,
      '3',
    ]);
  });
  it('finger away: where it is, whose shape it has left, by when it should be back', () => {
    const script = 'a:1f3=1 ima:t ima:t ima:t ima:t ima:t ima:t ima:t';
    const away = chart('C', script, { bpm: 400, stepsPerCount: 4 });
    expect(all(away, 'finger away')).toMatchObject([
      {
        tone: 'late',
        place: { at: TICKS_PER_COUNT / 4, bar: 0, label: '1 ti' },
        figures: { name: 'C', finger: 1, string: 1, fret: 3, thereMs: 37.5 },
      },
    ]);
    expect(one(chart('C', script, { bpm: 60, stepsPerCount: 4 }), 'finger away')).toBeUndefined();
  });
  it('block: moves are told, slips are to be watched and come first', () => {
    expect(one(chart('C | D'), 'block')).toMatchObject({
      tone: 'plain',
      figures: {
        slips: false,
        moves: [
          { from: 'D', to: 'C', slips: false },
          { from: 'C', to: 'D' },
        ],
      },
    });
    const slips = one(chart('C | D', 'p:5 i:3 m:2 a:1'), 'block')!;
    expect([slips.tone, slips.figures.moves[0]]).toMatchObject(['watch', { from: 'C', to: 'D', slips: true }]);
    // The bass alone stays behind: its string is another one now, and sounds.
    const bass = one(chart('C | F', 'p:5 i:3'), 'block')!;
    expect([bass.tone, bass.figures.moves[0]?.rightHand.leftOut]).toEqual(['watch', []]);
    expect(one(chart('C | Am'), 'block')).toBeUndefined();
  });
  it('string muted, tone unheard, name not borne out: a finding for each chord, where it is first so', () => {
    expect(one(chart('Am | G', 'p:b i:3 m:2 a:1'), 'string muted')).toMatchObject({
      tone: 'watch',
      place: { at: 4 * TICKS_PER_COUNT + 1.5 * TICKS_PER_COUNT, bar: 1, label: '2 &' },
      figures: { name: 'G', strings: [1] },
    });
    expect(one(chart('E', 'pima:6542'), 'tone unheard')!.figures).toEqual({ name: 'E', tones: ['3M'] });
    // A line over it is asked for no third.
    expect(one(chart('E', 'i:6, m:6! i:5, m:5! i:4 m:4 i:2 m:2'), 'tone unheard')).toBeUndefined();
    const wrong = { ...shapes[1]!, id: 'x', name: 'Dm' };
    const section = { ...makeSection('s', 'S', cycleById('tangos')!), script: 'id iu', chart: 'Dm' };
    const request = { section, shapes: [wrong], tuning: STANDARD_TUNING, capo: 0, profile: DEFAULT_PROFILE };
    const found = findingsOf({ ...request, ...readSection(request) });
    expect(one(found, 'name not borne out')!.figures).toMatchObject({ name: 'Dm', foreign: [4, 2, 1] });
  });
  it('held over: each stroke into each chord once, with the chord that it leaves', () => {
    const held = all(chart('C | D', 'p:b - - - - - - - -'), 'held over');
    expect(held.map((f) => [f.figures.from, f.figures.into])).toEqual([
      ['C', 'D'],
      ['D', 'C'],
    ]);
    expect(held[0]!.place).toMatchObject({ slot: 0, bar: 0 });
  });
  it('barre: how long, against what this hand holds; a fifth of it is worth a word', () => {
    const found = one(chart('C | F'), 'barre')!;
    expect(found).toMatchObject({ tone: 'plain', figures: { names: ['F'], strings: 6, over: false, bpm: 100 } });
    expect(found.figures.ms).toBeCloseTo(4 * 600, 6);
    const tired = { ...DEFAULT_PROFILE, left: { ...leftHandOf(DEFAULT_PROFILE), barre: millis(1_500) } };
    expect(one(read('p:b ima:t', { chart: 'C | F' }, tired), 'barre')).toMatchObject({
      tone: 'watch',
      figures: { over: true },
    });
    expect(one(chart('F'), 'barre')).toMatchObject({ figures: { ms: null, over: true } });
    const strong = { ...DEFAULT_PROFILE, left: { ...leftHandOf(DEFAULT_PROFILE), barre: millis(60_000) } };
    expect(one(read('p:b ima:t', { chart: 'C | F' }, strong), 'barre')).toBeUndefined();
  });
  it('out of reach: a shape of the chart, where it is first called', () => {
    const found = one(chart('C | Wide'), 'out of reach')!;
    expect(found).toMatchObject({ tone: 'late', place: { bar: 1, label: '1' }, figures: { name: 'Wide' } });
    expect(found.figures.because.code).not.toBe('');
    expect(one(chart('C'), 'out of reach')).toBeUndefined();
  });
});
describe('the texts', () => {
  it('what can’t be read is a finding, of an empty pattern too', () => {
    expect(one(read('q'), 'script unread')).toMatchObject({ tone: 'late', figures: { fault: { from: 0 } } });
    expect(one(read('id iu', { chart: 'Am | Hq' }), 'chart unread')!.figures.fault.from).toBe(5);
    expect(one(read('id iu', { chart: 'Am' }), 'chart unread')).toBeUndefined();
  });
});
describe('the rank', () => {
  it('the ceiling, then what can’t be as it stands, then what is to be watched, then the rest as a player asks', () => {
    const found = read('pima:t - - - - - - - - id id', { chart: 'C | D', bpm: 400 });
    expect(found[0]!.code).toBe('ceiling');
    const rest = found.slice(1);
    const ranks = rest.map(rank);
    expect(ranks).toEqual([...ranks].sort((a, b) => a - b));
    const tones = rest.map((f) => (f.tone === 'late' ? 0 : f.tone === 'watch' ? 1 : 2));
    expect(tones).toEqual([...tones].sort());
    expect(new Set(tones).size).toBe(3);
  });
  it('has every code, once', () => expect(new Set(FINDINGS).size).toBe(29));
});
it('tempos are counts a minute', () => expect(one(read('i m'), 'ceiling')!.figures.bpm).toBe(bpm(100)));
