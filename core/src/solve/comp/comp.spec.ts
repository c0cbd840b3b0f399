import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { COMP_FIGURES, cycleById } from '../../catalogue/index.js';
import { fretsText, readShape } from '../../left-hand/index.js';
import { makeStudy, setChart } from '../../piece/index.js';
import { heldOver, scoreOf } from '../../score/index.js';
import { parseScript } from '../../script/index.js';
import { LEFT_HAND } from '../../testing/left-hand.js';
import { bpm, ticks, TICKS_PER_COUNT } from '../../time/index.js';
import { sayComp, sayCompChord, sayFacts } from '../../words/index.js';
import type { FrettedShape } from '../voicings/index.js';
import {
  comp,
  type CompAnswer,
  compChoices,
  compFacts,
  type CompFigure,
  type CompRequest,
  compScript,
  layFigure,
  readFigure,
  scoreComp,
} from './index.js';

const samba = cycleById('samba')!;
const COUNT = ticks(TICKS_PER_COUNT);
/** Thumb on the beat with the chord on the &; and with the chord on the first, second and fourth sixteenth. */
const CELLS = [
  { letter: 'A', beats: ['bass then chord'] },
  { letter: 'B', beats: ['short long short'] },
] as const;
const AB_BA: CompFigure = { cells: CELLS, order: 'AB BA', beat: COUNT };

const base: CompRequest = {
  cycle: samba,
  chart: 'Am7 | Am7 | Dm | E7',
  figure: AB_BA,
  habit: 'root',
  pushes: 'none',
  tuning: LEFT_HAND.tuning,
  neck: LEFT_HAND.neck,
  profile: LEFT_HAND.profile,
  tempo: bpm(60),
  k: 1,
};
function best(more: Partial<CompRequest> = {}): { answer: CompAnswer; request: CompRequest } {
  const request = { ...base, ...more };
  const found = comp(request);
  if (found.infeasible) throw new Error(sayFacts(found.infeasible).join(' '));
  return { answer: found.answers[0]!, request };
}
/** The section that the accompaniment becomes. */
function written(request: CompRequest, answer: CompAnswer) {
  const { script, stepsPerCount } = compScript(request, answer);
  const plain = makeStudy('s', 'Lamps');
  const shapes = answer.names.map((name, n) => ({ id: name, name, ...answer.shapes[n]! }));
  const section = { ...plain.sections[0]!, cycle: request.cycle, script, stepsPerCount, bpm: request.tempo };
  const study = setChart(section.id, request.chart)({ ...plain, shapes, sections: [section] });
  return { script, study, section: study.sections[0]! };
}

describe('a figure', () => {
  it('of cells is laid bar by bar, the thumb on the beats', () => {
    const read = readFigure(AB_BA, samba);
    const bars = 'bars' in read ? read.bars : [];
    expect(
      bars.map((b) => b.strokes.map((s) => `${(4 * s.at) / COUNT}${s.thumb ? 'b' : ''}${s.fingers ? 'c' : ''}`)),
    ).toEqual([
      ['0b', '2c', '4bc', '5c', '7c'],
      ['0bc', '1c', '3c', '4b', '6c'],
    ]);
  });
  it('may be a line of thumb and fingers, with other letters and strings than it ends with', () => {
    const read = readFigure({ script: 'p:5 . im:32 - pima:5432 . . ima', stepsPerCount: 4 }, samba);
    expect('bars' in read && read.bars[0]?.strokes.map((s) => [s.thumb, s.fingers, s.until - s.at])).toEqual([
      [true, false, 1260],
      [false, true, 2520],
      [true, true, 1260],
      [false, true, 1260],
    ]);
  });
  it.each([
    [{ cells: CELLS, order: '', beat: COUNT }, /Write an order/],
    [{ cells: CELLS, order: 'AB BC', beat: COUNT }, /no cell C .*A B/],
    [{ cells: CELLS, order: 'AB B', beat: COUNT }, /Bar 2 of the figure is 1 counts long; the cycle’s bar has 2/],
    [{ cells: CELLS, order: 'AB AB AB AB AB', beat: COUNT }, /5 bars; 4/],
    [{ cells: [{ letter: 'R', beats: ['rest'] }], order: 'RR', beat: COUNT }, /stroke in one of them/],
    [{ script: 'p (', stepsPerCount: 4 }, /faults?\./],
    [{ script: 'G - p - G - p -', stepsPerCount: 4 }, /plucks of thumb and fingers/],
    [{ script: 'p i p', stepsPerCount: 2 }, /Bar 1 of the figure is 1.5 counts long/],
  ] as const)('%# that can’t be read says why', (figure, why) => {
    expect(sayFacts(comp({ ...base, figure }).infeasible ?? []).join(' ')).toMatch(why);
  });
});

describe('an accompaniment', () => {
  it.each([
    [{ chart: 'Am7 | Dm | E7' }],
    [{ chart: 'C | G7', pushes: 'either' as const, habit: 'walking' as const }],
    [{ chart: 'Am Dm | E7', pushes: 'every' as const, habit: 'root fifth' as const }],
    [{ chart: 'Am | %' }],
  ])('%# optimum and all k are those of every choice there is', (more) => {
    const request = { ...base, ...more, k: 8 };
    const read = compChoices(request);
    if ('infeasible' in read) throw new Error('unread');
    let rows: FrettedShape[][] = [[]];
    for (const list of read.choices) rows = rows.flatMap((r) => list.map((c) => [...r, c.shape]));
    const totals = read.plans.flatMap((pushes) =>
      rows.map((shapes) => {
        const scored = scoreComp(request, { shapes, pushes });
        return 'total' in scored ? scored.total : Infinity;
      }),
    );
    const found = comp(request);
    expect(found.infeasible ? [] : found.answers.map((a) => a.total)).toEqual(
      totals.sort((a, b) => a - b).slice(0, found.infeasible ? 0 : found.answers.length),
    );
    expect(found.infeasible ? 0 : found.answers.length).toBe(Math.min(8, totals.length));
  });
  it('each chord gets its half of the figure, the thumb 5 4 6 and the sets 4 3 2, 3 2 1, 4 3 2', () => {
    const { answer, request } = best();
    const { chords, rounds } = compFacts(request, answer);
    expect(chords.map((c) => [c.name, c.figureBars.map((b) => b + 1), c.thumb, c.set.join(' ')])).toEqual([
      ['Am7', [1, 2], 5, '4 3 2'],
      ['Dm', [1], 4, '3 2 1'],
      ['E7', [2], 6, '4 3 2'],
    ]);
    expect(rounds).toBe(1);
    expect(sayCompChord(chords[1]!, samba)).toEqual([
      'Bar 1 of the figure.',
      'Begins on 1 with the thumb.',
      'The chord before it ends where this one begins.',
      'Thumb on 4, fingers on 3 2 1; the fingers move to other strings.',
      'Doubled: root.',
      expect.stringMatching(/^Room: the hand has \d+ ms, needs about \d+; pushed it would have \d+\.$/),
    ]);
  });
  it('under one chord a bar of an odd number the figure comes back turned over', () => {
    const { answer, request } = best({ chart: 'Am7 | Dm7 | E7' });
    const facts = compFacts(request, answer);
    expect(facts.rounds).toBe(2);
    expect(
      facts.chords.map((c) => `${c.name} ${c.figureBars.map((b) => b + 1).join()}${c.turned ? ' turned' : ''}`),
    ).toEqual(['Am7 1', 'Dm7 2', 'E7 1', 'Am7 2 turned', 'Dm7 1 turned', 'E7 2 turned']);
    expect(sayComp(facts)[0]).toMatch(/other bar first when the chart comes again; both meet after 2 times/);
  });
  it('begun with its second bar it is the other way round', () => {
    const { answer, request } = best({ firstBar: 1 });
    expect(compFacts(request, answer).chords.map((c) => c.figureBars.map((b) => b + 1))).toEqual([[2, 1], [2], [1]]);
  });
  it('what would ring over a change is pushed, or tied as it is written, and the bass stays on its beat', () => {
    for (const pushes of ['none', 'every'] as const) {
      const { answer, request } = best({ pushes });
      const { script, section, study } = written(request, answer);
      expect(parseScript(script, section).faults).toEqual([]);
      const score = scoreOf(section, study);
      expect(heldOver(score)).toEqual([]);
      const tied = score.events.filter((e) => e.at === 3.5 * COUNT || e.at === 7.5 * COUNT);
      expect(tied.map((e) => e.motion.kind === 'stroke' && e.motion.marks.join())).toEqual(
        pushes === 'every' ? ['>', '>'] : ['', ''],
      );
      // Nothing cuts it: it lasts as written, up to the change.
      if (pushes === 'none') expect(tied.map((e) => e.duration)).toEqual([0.5 * COUNT, 0.5 * COUNT]);
      // Pushed, the chord of the next bar sounds already; its bass comes with the bar.
      expect(tied.map((e) => score.chords[e.chord]?.name)).toEqual(pushes === 'every' ? ['Dm', 'Am7'] : ['Am7', 'E7']);
      const thumb = score.events.filter((e) => e.notes.some((n) => n.right === 'p'));
      expect(thumb.every((e) => e.at % COUNT === 0)).toBe(true);
    }
  });
  it('a strummed figure strikes all strings that sound, leaves none silent between, and has no thumb', () => {
    const rumba = cycleById('rumba')!;
    const figure = COMP_FIGURES.find((f) => f.id === 'rumba-in-threes')!;
    const asked = { cycle: rumba, chart: 'Am | G | F | E7', figure: { ...figure, beat: COUNT } };
    const { answer, request } = best(asked);
    const { script, section, study } = written(request, answer);
    expect(script).toBe('id iu S id iu S id iu');
    expect(parseScript(script, section).faults).toEqual([]);
    // A down stroke on 1, 2 & and 4.
    expect(
      scoreOf(section, study).events.filter((e) => e.motion.kind === 'stroke' && e.motion.dir === 'd')[1]?.at,
    ).toBe(1.5 * COUNT);
    answer.shapes.forEach((s) => expect(fretsText(s)).not.toMatch(/\d.*x/));
    const facts = compFacts(request, answer);
    expect(facts.chords.map((c) => c.thumb)).toEqual([null, null, null, null]);
    expect(facts.chords[0]?.set).toEqual([5, 4, 3, 2, 1]);
    expect(sayCompChord(facts.chords[0]!, rumba).join(' ')).toContain('Strummed over 5 4 3 2 1.');
    // Strings that were asked for are strummed alone, each way in its order.
    const set = best({ ...asked, chart: 'Am', strings: { Am: [4, 3, 2] } });
    expect(compScript(set.request, set.answer).script).toBe('id:432 iu:234 S id:432 iu:234 S id:432 iu:234');
    // The same as a line, and with a thumb that plucks beside it.
    const line = best({ ...asked, figure: { script: 'id iu S id iu S id iu', stepsPerCount: 2 } });
    expect(compScript(line.request, line.answer).script).toBe(script);
    const both = best({ ...asked, figure: { script: 'p:b id - iu p:b id - iu', stepsPerCount: 2 } });
    expect(compScript(both.request, both.answer).script).toBe('p:b id:t - iu:t p:b id:t - iu:t');
  });
  it('unsounded: 40 for each string that a strum meets and the shape mutes', () => {
    const figure = { script: 'id iu', stepsPerCount: 1 };
    const shell = readShape('x-3-2-x-1-0', 'x-3-2-x-1-0');
    const whole = readShape('x-3-2-0-1-0', 'x-3-2-0-1-0');
    const paid = (shape: FrettedShape) => {
      const request = { ...base, chart: 'C', figure, given: { C: shape } };
      const scored = scoreComp(request, { shapes: [shape], pushes: [false] });
      if ('faults' in scored) throw new Error(JSON.stringify(scored.faults));
      return scored.cost.unsounded;
    };
    expect([paid(shell), paid(whole)]).toEqual([40, 0]);
  });
  it('what the thumb strikes is tied into nothing: the bass is never early', () => {
    const figure: CompFigure = { cells: [{ letter: 'P', beats: ['bass', 'together'] }], order: 'P', beat: COUNT };
    const laid = layFigure({ ...base, chart: 'Am | E', figure });
    expect('chords' in laid && laid.chords.map((c) => c.tied)).toEqual([null, null]);
    const { answer, request } = best({ chart: 'Am | E', figure, pushes: 'every' });
    expect(compScript(request, answer).script).not.toContain('>');
  });
  it('a push gives the left hand other room than a cut', () => {
    const { answer, request } = best({ pushes: 'every' });
    const dm = compFacts(request, answer).chords[1]!;
    expect(dm.tie).toBe('push');
    expect(dm.first?.at).toBe(3.5 * COUNT);
    expect(sayCompChord(dm, samba).join(' ')).toMatch(/Begins on 2 & before its bar with the fingers.*is pushed/);
  });
  it('an open bass that rings on into a chord that has no such tone is told', () => {
    const { answer, request } = best({ chart: 'E7 | Dm7', figure: { ...AB_BA, order: 'AA' } as CompFigure });
    expect(compFacts(request, answer).chords[1]?.ringsOn).toEqual([6]);
    const short = best({ chart: 'E7 | Dm7', figure: { ...AB_BA, order: 'AA' } as CompFigure, bassLength: 'short' });
    expect(compFacts(short.request, short.answer).chords[1]?.ringsOn).toEqual([]);
  });
  it('a ringing bass whose finger has to go back does not ring, one under the palm neither', () => {
    const given = { C: readShape('x-3-2-0-1-0', 'x-3-2-0-1-0') };
    const own = {
      chart: 'C',
      given,
      habit: 'root fifth',
      bassLength: 'ringing',
      figure: { ...AB_BA, order: 'AA' },
    } as const;
    const text = (more: Partial<CompRequest>) => {
      const { answer, request } = best({ ...own, ...more });
      return compScript(request, answer).script;
    };
    expect(text({})).toBe('p~:b ima:t p:f ima:t');
    expect(text({ muted: true })).toBe('p%:b ima:t p%:f ima:t');
    expect(text({ bassLength: 'short' })).toBe("p':b ima:t p':f ima:t");
  });
  it('a seventh is heard, though the open chord that has it elsewhere would be easier', () => {
    const { answer, request } = best({ chart: 'Am7 | D7 | Gmaj7 | Cmaj7' });
    expect(compFacts(request, answer).chords.flatMap((c) => c.unheard)).toEqual([]);
  });
  it.each([
    ...['C', 'Am', 'G7', 'E7', 'Am7', 'Cmaj7', 'Gmaj7', 'Bm7b5', 'Am6', 'Dm6', 'Cm6', 'Fm6', 'C6', 'C6/9', 'A7sus4'],
    ...[
      'E7b9',
      'A7b9',
      'D7b9',
      'C9',
      'D9',
      'G9',
      'Cmaj9',
      'Dm9',
      'Am9',
      'E7#9',
      'C7#9',
      'G13',
      'A13',
      'G7b13',
      'Fmaj7#11',
    ],
  ])('%s sounds as it is called, its colour too', (chart) => {
    const { answer, request } = best({ chart });
    expect(compFacts(request, answer).chords[0]?.unheard).toEqual([]);
  });
  it('strings that are asked for are struck, and shapes are taken that let them sound', () => {
    const { answer, request } = best({ strings: { Dm: [4, 3, 2] } });
    expect(compFacts(request, answer).chords[1]?.set).toEqual([4, 3, 2]);
    expect(compScript(request, answer).script).toContain('ima:432');
  });
  it('the thumb takes no string that the fingers strike with it; of strings that are asked for they leave it its own', () => {
    // B flat leads on into A, a semitone above it and nowhere nearer than on the fingers' string 4.
    const chart = 'C | Bm7b5 | E7 | Am7 | D7 | G | C | E7';
    const { answer, request } = best({ chart, habit: 'walking', pushes: 'every' });
    expect(parseScript(compScript(request, answer).script, { stepsPerCount: 4 }).faults).toEqual([]);
    const asked = best({ chart: 'E', strings: { E: [6, 3, 2] }, figure: { ...AB_BA, order: 'BB' } as CompFigure });
    expect(compScript(asked.request, asked.answer).script).toBe(
      'pim:6+3+2 ima:632 - ima:632 pim:6+3+2 ima:632 - ima:632',
    );
  });
  it('a shape that is given stays, and a name that is no symbol keeps its own bass', () => {
    const given = { Open: { ...readShape('x-0-2-2-0-0', 'x-0-1-2-0-0') } };
    const { answer } = best({ chart: 'Open | E7', given, habit: 'root fifth' });
    expect(fretsText(answer.shapes[0]!)).toBe('x-0-2-2-0-0');
    expect(answer.bass.slice(0, 2).map((b) => b.string)).toEqual([5, 5]);
  });
  it.each([
    [{ chart: '' }, /chart is empty/],
    [{ chart: 'Am7 | "' }, /chart has \d fault/],
    [{ chart: 'Am7 | Hz9' }, /^Chord 2, Hz9: /],
    [{ chart: Array.from({ length: 127 }, () => 'Am').join(' | ') }, /come round together after 254 bars/],
  ] as const)('%# what is asked for in vain is told', (more, why) => {
    expect(sayFacts(comp({ ...base, ...more }).infeasible ?? []).join(' ')).toMatch(why);
  });
});

describe('whatever is asked', () => {
  const requests = fc.record({
    chart: fc
      .array(fc.constantFrom('Am7', 'Dm', 'E7', 'C', 'G7', 'F'), { minLength: 1, maxLength: 5 })
      .map((chords) => chords.join(' | ')),
    figure: fc.constantFrom<CompFigure>(
      AB_BA,
      { cells: [{ letter: 'T', beats: ['together', 'chord'] }], order: 'T', beat: COUNT },
      { cells: [{ letter: 'P', beats: ['pushed pair', 'hold'] }], order: 'P', beat: COUNT },
      { script: 'p . ima . p - . ima', stepsPerCount: 4 },
    ),
    habit: fc.constantFrom<CompRequest['habit']>('root', 'root fifth', 'walking'),
    pushes: fc.constantFrom<CompRequest['pushes']>('none', 'every', 'either', [1]),
    strings: fc.constantFrom<NonNullable<CompRequest['strings']>>({}, { E7: [4, 3, 2], C: [5, 4, 3] }),
    bassLength: fc.constantFrom<'held' | 'short' | 'ringing'>('held', 'short', 'ringing'),
    muted: fc.boolean(),
  });
  it('the text is read without faults, and both hands play in it just what was chosen', () => {
    fc.assert(
      fc.property(requests, (more) => {
        const { answer, request } = best(more);
        const laid = layFigure(request);
        if ('infeasible' in laid) return;
        const { section, study } = written(request, answer);
        expect(parseScript(section.script, section).faults).toEqual([]);
        const score = scoreOf(section, study);
        const strokes = laid.chords.flatMap((c) => c.strokes);
        expect([...new Set(score.events.map((e) => e.at % laid.length))]).toEqual(strokes.map((s) => s.at));
        const thumb = score.events.slice(0, strokes.length).flatMap((e) => e.notes.filter((n) => n.right === 'p'));
        expect(thumb.map((n) => [n.string, n.fret])).toEqual(answer.bass.map((b) => [b.string, b.fret]));
        expect(heldOver(score)).toEqual([]);
      }),
      { numRuns: 60 },
    );
  });
});

describe('what an accompaniment pays, term by term', () => {
  const shape = (frets: string, fingers: string) => readShape(frets, fingers);
  const A = shape('x-0-2-2-1-0', 'x-0-2-3-1-0');
  const E = shape('0-2-2-1-0-0', '0-2-3-1-0-0');
  const cost = (more: Partial<CompRequest>, shapes: readonly ReturnType<typeof shape>[], push = false) => {
    const request = { ...base, chart: 'Am | E', ...more };
    const laid = layFigure(request);
    const chords = 'chords' in laid ? laid.chords : [];
    const scored = scoreComp(request, { shapes, pushes: chords.map((c) => push && c.tied !== null) });
    if ('faults' in scored) throw new Error(sayFacts(scored.faults).join(' '));
    return scored.cost;
  };
  const given = { Am: A, E };
  it('shapes: nothing for what is given, else what the voicing costs, each time it comes', () => {
    expect(cost({ given }, [A, E]).shapes).toBe(0);
    const once = cost({ chart: 'Am | E' }, [A, E]).shapes;
    expect(cost({ chart: 'Am | E | Am | E' }, [A, E]).shapes).toBe(2 * once);
  });
  it('changes: three fingers that all move one string over, there and back; fingers of strings that are not struck are free', () => {
    const there = cost({ given }, [A, E]).changes;
    // The same without the strings under fingers 2 and 3.
    expect(cost({ given, strings: { Am: [2], E: [3] } }, [A, E]).changes).toBeLessThan(there / 2);
    expect(cost({ given: { Am: A, E: A } }, [A, A]).changes).toBe(0);
  });
  it('late: nothing with time enough, more the faster it goes', () => {
    expect(cost({ given }, [A, E]).late).toBe(0);
    const fast = (tempo: number) => cost({ given, tempo: bpm(tempo) }, [A, E]).late;
    expect(fast(400)).toBeGreaterThan(fast(300));
    expect(fast(400)).toBeGreaterThan(0);
  });
  it('unsounded: 40 for each string that is asked for and silent', () => {
    const d = shape('x-x-0-2-3-1', 'x-x-0-2-3-1');
    expect(cost({ chart: 'Dm', given: { Dm: d }, strings: { Dm: [5, 3, 2] } }, [d]).unsounded).toBe(40);
    expect(cost({ chart: 'Dm', given: { Dm: d }, strings: { Dm: [3, 2, 1] } }, [d]).unsounded).toBe(0);
  });
  it('unheard: 120 for each third or seventh on none of the strings that are struck', () => {
    // G sharp is on string 3.
    expect(cost({ chart: 'E', given, strings: { E: [4, 2, 1] } }, [E]).unheard).toBe(120);
    expect(cost({ chart: 'E', given, strings: { E: [4, 3, 2] } }, [E]).unheard).toBe(0);
    // Of E7 the seventh is wanting too.
    expect(cost({ chart: 'E7', given: { E7: E }, strings: { E7: [4, 2, 1] } }, [E]).unheard).toBe(240);
  });
  it('colour: 60 for each ninth, eleventh or thirteenth that is named and not struck', () => {
    const c9 = shape('x-3-2-3-3-3', 'x-2-1-3-3-3');
    const ask = (strings: readonly (1 | 2 | 3 | 4)[]) => ({ chart: 'C9', given: { C9: c9 }, strings: { C9: strings } });
    expect(cost(ask([4, 3, 2]), [c9]).unheard).toBe(0);
    expect(cost(ask([4, 3, 1]), [c9]).unheard).toBe(60);
    // The seventh with it.
    expect(cost(ask([4, 1]), [c9]).unheard).toBe(60 + 120);
  });
  it('ties: nothing for one as it is written, 2 for one that is pushed, nothing where the fingers are on the change', () => {
    // A bar of A and B is tied into B A, one of B and A into A B.
    const aa: Partial<CompRequest> = { given, figure: { ...AB_BA, order: 'AA' } };
    expect(cost(aa, [A, E]).ties).toBe(0);
    expect(cost(aa, [A, E], true).ties).toBe(4);
    expect(cost({ given, figure: { ...AB_BA, order: 'BB' } }, [A, E]).ties).toBe(0);
  });
  it('bass: what the line under it costs', () => {
    expect(cost({ given }, [A, E]).bass).toBe(0);
    const c = shape('x-3-2-0-1-0', 'x-3-2-0-1-0');
    // Two beats a bar: root, then the fifth for which finger 3 goes over.
    expect(
      cost({ chart: 'C', given: { C: c }, habit: 'root fifth', figure: { ...AB_BA, order: 'AA' } }, [c]).bass,
    ).toBe(1);
  });
});
