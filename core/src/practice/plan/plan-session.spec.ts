import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cycleById } from '../../catalogue/index.js';
import { makeSection, makeStudy, type Section, type Study } from '../../piece/index.js';
import { DEFAULT_PROFILE } from '../../player/index.js';
import { dueChecks } from '../due-checks.js';
import { daysBetween, type LogEntry } from '../log.js';
import { BLOCK_KINDS, type Course, type Goal, type PlannedBlock } from '../records.js';
import { allot, type Wanted } from './allot.js';
import { LONGEST_PLAN, planSession, restOf, type SessionRequest, SHORTEST_PLAN } from './index.js';

const shapes = [
  { id: 'em', name: 'Em', frets: [0, 2, 2, 0, 0, 0], fingers: [null, 2, 3, null, null, null] },
  { id: 'f', name: 'F', frets: [1, 3, 3, 2, 1, 1], fingers: [1, 3, 4, 2, 1, 1] },
] as unknown as Study['shapes'];
const section = (id: string, script: string, chart: string): Section => {
  const made = makeSection(id, id, cycleById('plain-four')!);
  return { ...made, script, chart, stepsPerCount: 2, bpm: 120, ladder: { start: 80, end: 140, step: 5, passes: 1 } };
};
const lamps: Study = {
  ...makeStudy('lamps', 'Lamps'),
  shapes,
  sections: [
    section('comp', 'p:b - ima:t - p:b ima:t - ima:t', 'Em | F'),
    section('run', 'i:1f5 m:1f3 i:1f1 m:1 i:2f3 m:2f1 i:2 m:3f2', ''),
    section('empty', '', ''),
  ],
};
const rope: Study = {
  ...makeStudy('rope', 'Rope'),
  sections: [section('alone', 'p:5 i:3 m:2 a:1 m:2 i:3 p:5 i:3', '')],
};
const studies = [lamps, rope];
const TODAY = '2026-03-31';
const dayAgo = (n: number) => new Date(Date.parse(TODAY) - n * 86_400_000).toISOString().slice(0, 10);
const line = (n: number, of: string, passes: string, more: Partial<LogEntry> = {}): LogEntry => {
  const [studyId = '', sectionId = ''] = of.split(' ');
  return {
    id: `${n} ${of} ${passes} ${more.drill ?? ''}`,
    studyId,
    studyName: studyId,
    sectionName: sectionId,
    sectionId,
    startedAt: `${dayAgo(n)}T18:00:00.000Z`,
    minutes: 10,
    passes: [...passes].map((c, i) => ({ bpm: 100 + 5 * i, clean: c === 'c' })),
    pain: false,
    ...more,
  };
};
const goal = (more: Partial<Goal>): Goal => ({
  id: 'g',
  name: 'Friday',
  kind: 'by a date',
  begun: dayAgo(20),
  note: '',
  ...more,
});
const plan = (minutes: number, more: Partial<SessionRequest> = {}) =>
  planSession({ minutes, studies, log: [], goals: [], today: TODAY, hands: [DEFAULT_PROFILE], ...more });
const kinds = (blocks: readonly PlannedBlock[]) => blocks.map((b) => b.kind);
const codes = (p: { readonly blocks: readonly PlannedBlock[] }) => p.blocks.map((b) => b.why.code);
const of = (b: PlannedBlock | undefined) =>
  [b?.about?.studyId, b?.about?.sectionId, b?.about?.drill].filter(Boolean).join(' ');
const find = (p: { readonly blocks: readonly PlannedBlock[] }, kind: PlannedBlock['kind']) =>
  p.blocks.filter((b) => b.kind === kind);

const anyLine = fc
  .record({
    days: fc.integer({ min: -1, max: 60 }),
    of: fc.constantFrom('lamps comp', 'lamps run', 'rope alone', 'gone away'),
    passes: fc.constantFrom('', 'c', 'n', 'cc', 'nn', 'cnc', 'ccn'),
    cold: fc.boolean(),
    pain: fc.integer({ min: 0, max: 12 }).map((n) => n === 0),
    tension: fc.boolean(),
    drill: fc.constantFrom(undefined, undefined, 'open strings', 'block chords'),
  })
  .map(({ days, of: what, passes, cold, pain, tension, drill }) =>
    line(days, what, passes, { cold, pain, tension, ...(drill === undefined ? {} : { drill }) }),
  );
const anyGoal = fc.constantFrom(
  goal({ about: { studyId: 'rope' }, by: dayAgo(-4) }),
  goal({ about: { studyId: 'lamps', sectionId: 'comp' }, kind: 'tempo', bpm: 130 }),
  goal({ about: { studyId: 'lamps' }, kind: 'form from memory' }),
  goal({ kind: 'finger pair', pair: ['m', 'a'], minutesADay: 5, days: 20 }),
);
const anyRequest = fc.record({
  minutes: fc.integer({ min: SHORTEST_PLAN, max: 120 }),
  log: fc.array(anyLine, { maxLength: 14 }),
  goals: fc.array(anyGoal, { maxLength: 2 }),
});
const law = (
  holds: (p: ReturnType<typeof plan>, request: { minutes: number; log: LogEntry[]; goals: Goal[] }) => void,
) =>
  fc.assert(
    fc.property(anyRequest, (r) => holds(plan(r.minutes, r), r)),
    { numRuns: 120 },
  );

describe('laws of a session, for any log, goals and minutes', () => {
  it('blocks fill the time, in half minutes, and each has some', () => {
    law(({ blocks }, { minutes }) => {
      expect(blocks.reduce((sum, b) => sum + b.minutes, 0)).toBe(minutes);
      expect(blocks.every((b) => b.minutes > 0 && Number.isInteger(b.minutes * 2))).toBe(true);
    });
  });
  it('lines of days to come say nothing: the clock was set back', () => {
    const course: Course = {
      ...{ id: 'c', name: 'Rope', about: { studyId: 'rope', sectionId: 'alone' }, begun: dayAgo(50), note: '' },
      steps: [80, 120].map((bpm) => ({
        ...{ what: 'as written', text: '', bpm, gate: { clean: 1, days: 1, by: 'mark' }, passed: [] },
      })),
    };
    const later = ['lamps comp', 'rope alone'].flatMap((what) => [
      line(-9, what, 'ccc', { pain: true }),
      line(-4, what, 'nnn'),
      line(-2, what, 'ccc', { cold: true }),
    ]);
    fc.assert(
      fc.property(anyRequest, ({ minutes, log, goals }) => {
        const known = log.filter((e) => e.startedAt.slice(0, 10) <= dayAgo(-1));
        const asked = (own: LogEntry[]) => plan(minutes, { log: own, goals, courses: [course] });
        expect(asked([...known, ...later])).toEqual(asked(known));
      }),
      { numRuns: 30 },
    );
  });
  it('a check of what the time was too short to work on stands among the last', () => {
    const hurt = { pain: true };
    const log = [
      line(1, 'lamps comp', 'c', hurt),
      line(1, 'rope alone', 'ccn', hurt),
      line(1, 'lamps run', 'nn', { ...hurt, cold: true }),
    ];
    const { blocks } = plan(8, { log });
    expect(blocks.filter((b) => b.kind !== 'break').map((b) => `${b.kind} ${b.about?.sectionId ?? ''}`)).toEqual([
      ...['warm-up ', 'check run', 'together run', 'check comp', 'check alone'],
    ]);
  });
  it('kinds come in the order in which one learns; only a check of what is worked on stands before that work', () => {
    law(({ blocks }) => {
      const worked = new Set(
        blocks.flatMap((b) => (b.kind === 'check' || b.kind === 'form' ? [] : [b.about?.sectionId])),
      );
      const inOrder = blocks.filter(
        (b) => b.kind !== 'break' && !(b.kind === 'check' && worked.has(b.about?.sectionId)),
      );
      const at = inOrder.map((b) => BLOCK_KINDS.indexOf(b.kind));
      expect(at).toEqual([...at].sort((a, b) => a - b));
      for (const c of blocks.filter((b) => b.kind === 'check' && worked.has(b.about?.sectionId)))
        expect(blocks.indexOf(c)).toBeLessThan(
          blocks.findIndex((b) => b.kind !== 'check' && b.about?.sectionId === c.about?.sectionId),
        );
    });
  });
  it('a check that falls due is in, though a form before its date has no room', () => {
    const friday = goal({ about: { studyId: 'rope' }, by: dayAgo(-4) });
    const { blocks } = plan(4, { log: [line(1, 'lamps comp', 'c')], goals: [friday] });
    expect(kinds(blocks)).toEqual(['warm-up', 'together', 'check']);
  });
  it('every due check is in, or those that are most overdue', () => {
    law(({ blocks }, { log, minutes }) => {
      const asked = blocks.filter((b) => b.kind === 'check').map(of);
      const due = dueChecks(log, studies, TODAY).map((c) =>
        [c.studyId, c.sectionId, c.drill].filter(Boolean).join(' '),
      );
      expect([...asked].sort()).toEqual(due.slice(0, asked.length).sort());
      if (due.length * 2 < minutes * 2 * 0.33) expect(asked).toHaveLength(due.length);
    });
  });
  it('nothing twice', () => {
    law(({ blocks }) => {
      const all = blocks.filter((b) => b.kind !== 'break').map((b) => `${b.kind} ${of(b)} ${b.goal ?? ''}`);
      expect(new Set(all).size).toBe(all.length);
    });
  });
  it('no burst, barre or pair beyond its minutes', () => {
    law(({ blocks }) => {
      for (const b of blocks) {
        if (b.kind === 'burst') expect(b.minutes).toBeLessThanOrEqual(3);
        if (b.kind === 'weak pair') expect(b.minutes).toBeLessThanOrEqual(5);
        if (b.kind === 'hard change' && b.why.about.includes('F')) expect(b.minutes).toBeLessThanOrEqual(3);
      }
    });
  });
  it('after pain nothing lies above its tempo, nothing is long, and there is no burst', () => {
    law(({ blocks, notes }, { log }) => {
      const pain = notes.find((n) => n.code === 'after pain');
      const latest = [...log]
        .filter((e) => daysBetween(e.startedAt, TODAY) >= 0)
        .sort((a, b) => b.startedAt.localeCompare(a.startedAt))[0];
      if (latest?.pain && daysBetween(latest.startedAt, TODAY) <= 30) expect(pain).toBeDefined();
      if (!pain) return;
      expect(kinds(blocks)).not.toContain('burst');
      const tempo = pain.about[1];
      for (const b of blocks) {
        if (b.bpm !== null && typeof tempo === 'number') expect(b.bpm).toBeLessThanOrEqual(tempo);
        if (b.kind !== 'break' && b.kind !== 'warm-up') expect(b.minutes).toBeLessThanOrEqual(4);
      }
    });
  });
  it('the same is planned from the same, whatever the order of the lines', () => {
    law((p, r) => {
      // Two lines of one moment have no order.
      fc.pre(new Set(r.log.map((e) => e.startedAt)).size === r.log.length);
      expect(plan(r.minutes, { ...r, log: [...r.log].reverse() })).toEqual(p);
    });
  });
});

describe('as a teacher plans', () => {
  it('twenty minutes on what is open: warm up, hand, shapes, together, the change, one burst, the form', () => {
    const p = plan(20, { open: { studyId: 'lamps', sectionId: 'comp' } });
    expect(kinds(p.blocks)).toEqual(['warm-up', 'right hand', 'block chords', 'together', 'hard change', 'form']);
    expect(p.blocks.slice(1, 4).map(of)).toEqual(['lamps comp open strings', 'lamps comp block chords', 'lamps comp']);
    expect(p.blocks[4]?.why).toMatchObject({ code: 'hardest change' });
    expect(p.blocks[4]?.about?.drill).toMatch(/^change alone/);
    expect(kinds(plan(20, { open: { studyId: 'lamps', sectionId: 'run' } }).blocks)).toContain('burst');
  });
  it('eight minutes: one thing, and what falls due', () => {
    const p = plan(8, { log: [line(3, 'lamps comp', 'c')], open: { studyId: 'lamps', sectionId: 'comp' } });
    expect(kinds(p.blocks)).toEqual(['warm-up', 'check', 'together', 'hard change']);
    expect(p.notes).toEqual([{ code: 'time is short', about: [] }]);
  });
  it('what was not clean comes first, at the drill that was missed', () => {
    const missed = line(1, 'lamps comp', 'nn', { drill: 'change alone em f' });
    const p = plan(20, { log: [line(3, 'rope alone', 'c'), missed], open: { studyId: 'rope', sectionId: 'alone' } });
    expect(find(p, 'together')[0]?.why).toEqual({ code: 'was not clean', about: [1] });
    expect(find(p, 'hard change')[0]).toMatchObject({
      about: { drill: 'change alone em f' },
      why: { code: 'change was not clean' },
    });
    // A change that is held goes on to its next step.
    const held = plan(20, {
      log: [line(1, 'lamps comp', 'c', { drill: 'change alone em f' })],
      open: { studyId: 'lamps', sectionId: 'comp' },
    });
    expect(find(held, 'hard change')[0]?.about?.drill).toMatch(/^change each group/);
  });
  it('after three weeks the right hand has more time, checks are lower, nothing bursts', () => {
    const log = [line(24, 'lamps run', 'ccc')];
    const p = plan(20, { log, open: { studyId: 'lamps', sectionId: 'run' } });
    expect(p.notes).toEqual([{ code: 'after a long break', about: [24] }]);
    expect(codes(p)).toContain('hand first after a break');
    expect(kinds(p.blocks)).not.toContain('burst');
    expect(find(p, 'check')[0]).toMatchObject({ bpm: 90, why: { about: ['run', 110, 24] } });
    expect(
      kinds(plan(20, { log: [line(10, 'lamps run', 'ccc')], open: { studyId: 'lamps', sectionId: 'run' } }).blocks),
    ).toContain('burst');
  });
  it('pain is minded until three days have gone without it', () => {
    const hurt = line(9, 'lamps run', 'c', { pain: true });
    const notes = (...log: LogEntry[]) => plan(20, { log }).notes.map((n) => n.code);
    expect(notes(hurt, line(8, 'rope alone', 'c'), line(7, 'rope alone', 'cc'))).toEqual(['after pain']);
    expect(notes(hurt, line(8, 'rope alone', 'c'), line(7, 'rope alone', 'cc'), line(6, 'rope alone', 'c'))).toEqual(
      [],
    );
  });
  it('the slowest tempo of the line that hurt is the most', () => {
    const [note] = plan(20, { log: [line(1, 'lamps run', 'ccc', { pain: true })] }).notes;
    expect(note).toEqual({ code: 'after pain', about: [1, 100] });
  });
  it('hands come apart from ten minutes on; with less they come together at once', () => {
    const open = { studyId: 'lamps', sectionId: 'comp' };
    expect(kinds(plan(10, { open }).blocks)).toContain('right hand');
    expect(kinds(plan(9, { open }).blocks)).not.toContain('right hand');
  });
  it('a tense hand has no burst', () => {
    const p = plan(20, {
      log: [line(1, 'lamps run', 'c', { tension: true })],
      open: { studyId: 'lamps', sectionId: 'run' },
    });
    expect(kinds(p.blocks)).not.toContain('burst');
    expect(p.notes.map((n) => n.code)).toEqual(['hand was tense']);
  });
  it('on a plateau the tempo lies far below', () => {
    const log = [20, 8, 6, 4, 2].map((n) => line(n, 'rope alone', 'c'));
    const p = plan(20, { log, studies: [rope] });
    expect(find(p, 'together')[0]).toMatchObject({ bpm: 60, why: { code: 'slow on a plateau', about: [100, 4] } });
    const better = [...log.slice(0, 4), line(2, 'rope alone', 'cc')];
    expect(find(plan(20, { log: better, studies: [rope] }), 'together')[0]?.why.code).not.toBe('slow on a plateau');
  });
  it('what was lost goes back to its bars and its seam, slower', () => {
    const log = [line(9, 'lamps comp', 'ccc'), line(1, 'lamps comp', 'n', { cold: true })];
    const p = plan(30, { log });
    expect(find(p, 'together').map(of)).toEqual([
      'lamps comp bars 1 1',
      'lamps comp bars 2 2',
      'lamps comp round 2',
      'lamps comp',
    ]);
    expect(find(p, 'together').at(-1)).toMatchObject({ why: { code: 'was lost', about: [110] }, bpm: 80 });
  });
  it('four days before a date: its piece, no burst, more of the form', () => {
    const goals = [goal({ about: { studyId: 'lamps' }, by: dayAgo(-4) })];
    const p = plan(30, { goals, open: { studyId: 'rope', sectionId: 'alone' } });
    expect(p.notes).toEqual([{ code: 'before a date', about: ['Friday', 4] }]);
    expect(find(p, 'together').every((b) => b.about?.studyId === 'lamps' && b.goal === 'g')).toBe(true);
    expect(kinds(p.blocks)).not.toContain('burst');
    expect(find(p, 'form')[0]!.minutes).toBeGreaterThan(find(plan(30), 'form')[0]!.minutes);
    // Its day gone, or reached, it is no goal any more.
    for (const over of [
      goal({ about: { studyId: 'lamps' }, by: dayAgo(1) }),
      goal({ about: { studyId: 'lamps' }, reached: dayAgo(1) }),
    ])
      expect(plan(30, { goals: [over] }).notes).toEqual([]);
  });
  it('a slow ring finger has its pair; a goal gives its minutes', () => {
    const slow = {
      ...DEFAULT_PROFILE,
      returnMs: { ...DEFAULT_PROFILE.returnMs, a: DEFAULT_PROFILE.returnMs.i * 1.5 },
    } as typeof DEFAULT_PROFILE;
    const open = { studyId: 'lamps', sectionId: 'run' };
    expect(find(plan(20, { hands: [slow], open }), 'weak pair')[0]?.why.about).toContain('a');
    const goals = [goal({ kind: 'finger pair', pair: ['m', 'a'], minutesADay: 4 })];
    expect(find(plan(20, { goals, open }), 'weak pair')[0]).toMatchObject({
      minutes: 4,
      goal: 'g',
      why: { code: 'goal’s pair' },
    });
  });
  it('the weak pair is where the hand is tightest, unless its ring finger is a seventh slower than the others', () => {
    const run = { ...lamps.sections[1]!, bpm: 230 };
    const fast = [{ ...lamps, sections: [run] }];
    const hand = (slower: number) => {
      const { returnMs } = DEFAULT_PROFILE;
      const a = Math.max(returnMs.i, returnMs.m) * slower;
      return [{ ...DEFAULT_PROFILE, returnMs: { ...returnMs, a } } as typeof DEFAULT_PROFILE];
    };
    const why = (slower: number) => find(plan(20, { studies: fast, hands: hand(slower) }), 'weak pair')[0]?.why;
    expect(why(1.1)?.code).toBe('weakest joint');
    expect(why(1.2)).toMatchObject({ code: 'weak pair', about: expect.arrayContaining(['a']) as unknown });
  });
  it('a course’s step stands in place of the section as written, at its tempo', () => {
    const gate = { clean: 3, days: 2, by: 'mark' } as const;
    const course: Course = {
      id: 'c',
      name: 'Lamps in steps',
      about: { studyId: 'lamps', sectionId: 'comp' },
      begun: dayAgo(5),
      note: '',
      steps: [
        { what: 'right hand alone', text: '', bpm: 70, gate, passed: [dayAgo(4), dayAgo(3)] },
        { what: 'one chord', text: '', bpm: 84, minutes: 5, gate, passed: [dayAgo(2)] },
      ],
    };
    const p = plan(20, { courses: [course] });
    expect(find(p, 'course')[0]).toMatchObject({
      course: 'c',
      step: 1,
      bpm: 84,
      why: { about: ['Lamps in steps', 2, 2] },
    });
    expect(find(p, 'together').map(of)).not.toContain('lamps comp');
  });
  it('what held for a week is checked, not worked on; what is being learned is both, cold first', () => {
    const learning = plan(20, { log: [line(1, 'rope alone', 'c')], studies: [rope, lamps] });
    expect(kinds(learning.blocks).slice(0, 2)).toEqual(['warm-up', 'check']);
    expect(find(learning, 'together')[0] && of(find(learning, 'together')[0])).toBe('rope alone');
    const cold = [1, 4].map((n) => line(30 - n, 'rope alone', 'c', { cold: true }));
    const holds = plan(20, { log: [line(30, 'rope alone', 'c'), ...cold], studies: [rope, lamps] });
    expect(find(holds, 'check').map(of)).toEqual(['rope alone']);
    expect(find(holds, 'together').map(of)).not.toContain('rope alone');
  });
  it('half an hour has a break in its middle, after pain there are several', () => {
    const p = plan(40);
    const at = kinds(p.blocks).indexOf('break');
    const before = p.blocks.slice(0, at).reduce((sum, b) => sum + b.minutes, 0);
    expect(before).toBeGreaterThan(12);
    expect(before).toBeLessThan(28);
    expect(find(plan(29), 'break')).toEqual([]);
    expect(find(plan(20, { log: [line(1, 'lamps run', 'c', { pain: true })] }), 'break')).toHaveLength(3);
  });
  it('without anything written the time is the player’s own; minutes out of bounds are refused', () => {
    expect(plan(15, { studies: [] }).blocks).toMatchObject([{ kind: 'own', minutes: 15 }]);
    for (const minutes of [0, 2, 7.5, LONGEST_PLAN + 1, NaN]) expect(() => plan(minutes)).toThrow(RangeError);
  });
});

describe('time is shared', () => {
  const wanted = (worth: number, least: number, most: number, goal: string): Wanted => ({
    block: { kind: 'own', goal, bpm: null, why: { code: 'is open', about: [] } },
    least,
    want: most,
    most,
    worth,
  });
  const shared = (list: readonly Wanted[], halves: number) => allot(list, halves).map((b) => `${b.goal} ${b.minutes}`);
  it('what there is no time for is left out by its worth; of two alike the later', () => {
    const list = [wanted(5, 2, 4, 'a'), wanted(5, 2, 4, 'b'), wanted(9, 2, 4, 'c')];
    expect(shared(list, 4)).toEqual(['a 1', 'c 1']);
    expect(shared(list, 9)).toEqual(['a 1.5', 'b 1.5', 'c 1.5']);
  });
  it('what is too long for the time makes room for what is not, though that is worth less', () => {
    const list = [wanted(10, 5, 8, 'piece'), wanted(9, 6, 8, 'form'), wanted(8, 1, 2, 'check')];
    expect(shared(list, 8)).toEqual(['piece 3', 'check 1']);
    // One thing is there always, however little time there is for it.
    expect(shared(list, 2)).toEqual(['piece 1']);
  });
  it('none has more than its most, unless it may grow', () => {
    expect(shared([wanted(1, 1, 3, 'a'), wanted(1, 1, 2, 'b')], 20)).toEqual(['a 1.5', 'b 1']);
    expect(shared([wanted(1, 1, 3, 'a'), { ...wanted(1, 1, 2, 'b'), grows: true }], 20)).toEqual(['a 1.5', 'b 8.5']);
  });
});

describe('what is left of a plan', () => {
  const { blocks } = plan(30, { open: { studyId: 'lamps', sectionId: 'comp' } });
  it('is fitted into the minutes that are left: in its order, none longer, the least worth left out', () => {
    for (const minutes of [1, 3.5, 8, 20, 30, 60]) {
      const rest = restOf(blocks, minutes);
      const sum = rest.reduce((all, b) => all + b.minutes, 0);
      expect(sum).toBe(Math.min(30, minutes));
      const at = rest.map((b) => blocks.findIndex((o) => o.kind === b.kind && of(o) === of(b)));
      expect(at).toEqual([...at].sort((a, b) => a - b));
      rest.forEach((b, n) => expect(b.minutes).toBeLessThanOrEqual(blocks[at[n]!]!.minutes));
    }
    expect(kinds(restOf(blocks, 6))).toEqual(['warm-up', 'together', 'hard change']);
    const hurt = blocks.map((b) => (b.kind === 'break' ? { ...b, why: { code: 'rest after pain', about: [] } } : b));
    expect(kinds(restOf(hurt, 6))).toContain('break');
  });
});
