import { describe, expect, it } from 'vitest';
import { cycleById, CYCLES } from '../catalogue/index.js';
import { readShape } from '../left-hand/index.js';
import { makeStudy, putShape, setChart, type Study } from '../piece/index.js';
import { DEFAULT_PROFILE, type HandProfile, USUAL_HABITS } from '../player/index.js';
import {
  type Collection,
  filePieces,
  FORMAT_VERSION,
  LARGEST_FILE,
  readCellRow,
  readCourseRow,
  readCycleRow,
  readFile,
  readGoalRow,
  readLogRow,
  readPlanRow,
  readProfileRow,
  readStudyRow,
  readTakeRow,
  refuseBySize,
  writeEverything,
  writeStudy,
} from './index.js';
import { sayDataFaults, sayFact } from '../words/index.js';

const shape = { id: 'c', name: 'C', ...readShape('x32010', 'x32010') };
const held = { id: shape.id, name: shape.name, frets: shape.frets, fingers: shape.fingers };
const study: Study = setChart('s-a', 'C')(putShape(held)(makeStudy('s', 'Study')));
const everything: Collection = {
  studies: [study, makeStudy('a', 'Other', cycleById('vals'))],
  log: [
    {
      id: 'l',
      studyId: 's',
      studyName: 'Study',
      sectionName: 'A',
      startedAt: '2026-01-02T10:00:00.000Z',
      minutes: 12,
      passes: [{ bpm: 90, clean: true }],
      pain: false,
    },
  ],
  profiles: [DEFAULT_PROFILE],
  cycles: [CYCLES[0]!],
  cells: [{ id: 'own', name: 'Own', script: 'id iu G', stepsPerCount: 3, family: 'flamenco', note: '' }],
  goals: [
    {
      ...{ id: 'g', name: 'By the rehearsal', kind: 'by a date', about: { studyId: 's', sectionId: 's-a' }, bpm: 120 },
      ...{ by: '2026-02-01', minutesADay: 5, days: 12, begun: '2026-01-02', note: '' },
    },
    { id: 'h', name: 'm and a', kind: 'finger pair', pair: ['m', 'a'], begun: '2026-01-02', note: 'slowly' },
  ],
  courses: [
    {
      ...{ id: 'c', name: 'The turn', about: { studyId: 's' }, begun: '2026-01-02', note: '' },
      steps: [
        {
          ...{ what: 'dead strings', text: '', bpm: 80, minutes: 4, passed: ['2026-01-03'] },
          gate: { clean: 4, days: 2, by: 'mark' },
        },
        { what: 'own', text: 'eyes shut', bpm: null, gate: { clean: 1, days: 1, by: 'sound' }, passed: [] },
      ],
    },
  ],
  plans: [
    {
      ...{ id: 'p', startedAt: '2026-01-02T10:00:00.000Z', minutes: 20 },
      blocks: [
        {
          ...{ kind: 'hard change', about: { studyId: 's', drill: 'change C G' }, bpm: 70, minutes: 5 },
          why: { code: 'late', about: ['C', 'G', 40] },
          done: { minutes: 4, end: 'not clean', tension: true },
        },
        { kind: 'break', bpm: null, minutes: 2, why: { code: 'break', about: [] } },
      ],
    },
  ],
  takes: [
    {
      ...{ id: 't', about: { studyId: 's' }, studyName: 'Study', sectionName: 'A', bpm: 90, seconds: 31.5 },
      ...{ startedAt: '2026-01-02T10:00:00.000Z', source: 'stand-in', profileId: 'steady-hand', note: '' },
      result: {
        ...{ planned: 64, matched: 62, missed: 2, doubled: 0, extra: 1, offsetMs: -12, driftPercent: 0.4, spreadMs: 9 },
        ...{ trust: 0.9, measures: [{ of: 'i', n: 16, meanMs: -3, spreadMs: 8, loudness: 0.6 }] },
      },
    },
  ],
};
const parsed = (change: (file: { version: unknown; studies: unknown[] }) => void) => {
  const file = JSON.parse(writeStudy(study)) as never;
  change(file);
  return readFile(JSON.stringify(file));
};
/** A refusal as a player is told it. */
const refusal = (reading: ReturnType<typeof readFile>) =>
  reading.ok
    ? null
    : {
        code: reading.code,
        message: sayFact(reading.why),
        faults: sayDataFaults(reading.faults),
      };

describe('export and import', () => {
  it('what is written is read back the same, and written again the same to the letter', () => {
    const text = writeEverything(everything);
    const reading = readFile(text);
    expect(reading.ok && writeEverything(reading.file)).toBe(text);
    expect(reading.ok && reading.file.studies.find((s) => s.id === 's')).toEqual(study);
  });
  it('a study goes out with its courses and what was played of them, and comes in with them', () => {
    const reading = readFile(writeStudy(study, { courses: everything.courses, log: everything.log }));
    expect(reading.ok && reading.file).toMatchObject({
      kind: 'study',
      courses: everything.courses,
      log: everything.log,
    });
  });
  it('one study leaves log, hands and cycles at home', () => {
    const reading = readFile(writeStudy(study));
    expect(reading.ok && reading.file).toMatchObject({
      kind: 'study',
      log: [],
      profiles: [],
      cycles: [],
      studies: [study],
    });
  });
  it('a file of version 1, which knew no own cells, is brought forward', () => {
    const old = JSON.parse(writeEverything(everything)) as Record<string, unknown>;
    delete old['cells'];
    const reading = readFile(JSON.stringify({ ...old, version: 1 }));
    expect(reading.ok && reading.file).toMatchObject({ version: FORMAT_VERSION, cells: [], cycles: everything.cycles });
    expect(readFile(JSON.stringify({ ...old, version: 0 })).ok).toBe(false);
  });
  it('a file of version 3, which knew no words, key, feel, reminders, goals, courses, plans and takes, is brought forward', () => {
    const old = JSON.parse(writeEverything(everything)) as Record<string, unknown>;
    for (const list of ['goals', 'courses', 'plans', 'takes']) delete old[list];
    for (const s of old['studies'] as Record<string, unknown>[]) {
      delete s['reminders'];
      for (const part of s['sections'] as Record<string, unknown>[])
        for (const field of ['words', 'key', 'feel']) delete part[field];
    }
    const reading = readFile(JSON.stringify({ ...old, version: 3 }));
    expect(reading.ok && reading.file).toMatchObject({ version: 4, goals: [], courses: [], plans: [], takes: [] });
    expect(reading.ok && reading.file.studies.find((s) => s.id === 's')).toEqual(study);
    // A row that is stored has no version: what it lacks is put in all the same.
    expect(readStudyRow((old['studies'] as unknown[])[1])).toEqual({ ok: true, value: study });
  });
  it('words, key, feel, reminders, habits and notes travel and are bounded', () => {
    const whole: Study = {
      ...study,
      reminders: ['thumb outward', 'breathe'],
      sections: [
        {
          ...study.sections[0]!,
          ...{ words: 'la voz', key: { tonic: 'F#', mode: 'phrygian' } },
          feel: { countNote: 'eighth', swing: 58, leanMs: -10 },
        },
      ],
    };
    const hand: HandProfile = {
      ...DEFAULT_PROFILE,
      habits: USUAL_HABITS,
      choices: { tips: 'firm' },
      notes: 'tip joint firm',
    };
    const reading = readFile(writeEverything({ ...everything, studies: [whole], profiles: [hand] }));
    expect(reading.ok && [reading.file.studies, reading.file.profiles]).toEqual([[whole], [hand]]);
    const odd = (change: Record<string, unknown>) =>
      readStudyRow({ ...whole, sections: [{ ...whole.sections[0], ...change }] }).ok;
    expect([odd({ words: 7 }), odd({ key: { tonic: 'H', mode: 'major' } }), odd({ key: null })]).toEqual([
      false,
      false,
      true,
    ]);
    expect([odd({ feel: { swing: 20, leanMs: 0 } }), odd({ feel: { swing: 50, leanMs: 0 } })]).toEqual([false, true]);
    expect(readStudyRow({ ...whole, reminders: ['a', 'b', 'c', 'd'] }).ok).toBe(false);
    expect(readProfileRow({ ...hand, choices: { tips: 'of steel' } }).ok).toBe(false);
    expect(readProfileRow({ ...hand, choices: { ears: 'firm' } }).ok).toBe(false);
    expect(readProfileRow({ ...hand, habits: { ...USUAL_HABITS, pair: ['i'] } }).ok).toBe(false);
  });
  it('goals, courses, plans and takes pass their doors or are refused with the path', () => {
    const { goals, courses, plans, takes } = everything;
    const at = (read: { readonly ok: boolean; readonly faults?: readonly { readonly path: string }[] }) =>
      read.ok ? [] : read.faults?.map((f) => f.path);
    const all = [
      ...goals.map((g) => readGoalRow(g)),
      ...courses.map((c) => readCourseRow(c)),
      ...plans.map((p) => readPlanRow(p)),
      ...takes.map((t) => readTakeRow(t)),
    ];
    expect(all.map(at)).toEqual(all.map(() => []));
    expect(at(readGoalRow({ ...goals[0], kind: 'fame' }))).toEqual(['kind']);
    expect(at(readGoalRow({ ...goals[0], by: 'Friday' }))).toContain('by');
    expect(
      at(
        readCourseRow({ ...courses[0], steps: [{ ...courses[0]!.steps[0], gate: { clean: 0, days: 1, by: 'ear' } }] }),
      ),
    ).toEqual(['steps[0].gate.clean', 'steps[0].gate.by']);
    expect(
      at(readPlanRow({ ...plans[0], blocks: [{ ...plans[0]!.blocks[0], why: { code: 'x', about: [{}] } }] }))?.[0],
    ).toMatch(/^blocks\[0\]\.why\.about\[0\]/);
    expect(at(readTakeRow({ ...takes[0], result: { ...takes[0]!.result, trust: 2 } }))).toEqual(['result.trust']);
    expect(
      at(readLogRow({ ...everything.log[0], tension: true, cold: true, plan: 'p', block: 1, take: 't', note: '' })),
    ).toEqual([]);
  });
  it('an own cell with a faulty script is refused, and says where', () => {
    const file = { ...everything, cells: [{ ...everything.cells[0]!, script: 'zz' }] };
    expect(refusal(readFile(writeEverything(file)))?.faults[0]).toMatchObject({ path: 'cells[0].script' });
    expect(readCellRow(everything.cells[0]).ok).toBe(true);
    expect(readCellRow({ ...everything.cells[0], script: '. -' })).toMatchObject({ ok: false });
  });
  it('chart, form, bars and cells travel with their study', () => {
    const whole: Study = {
      ...study,
      form: '{A}x2',
      cells: [{ name: 'turn', script: 'ad md id', stepsPerCount: 3 }],
      sections: [{ ...study.sections[0]!, chart: 'C:3 "E 7":1 | %', bars: 8, script: '<turn> p:5f0~+3f5=3' }],
    };
    const reading = readFile(writeStudy(whole));
    expect(reading.ok ? reading.file.studies[0] : reading).toEqual(whole);
  });
  it('written piece by piece it is the same text', () => {
    expect([...filePieces('everything', everything)].map((p) => p.text).join('')).toBe(writeEverything(everything));
    expect(JSON.parse(writeEverything(everything))).toMatchObject({
      ...everything,
      studies: [{ id: 'a' }, { id: 's' }],
    });
  });
  it('a shelf too large for one file goes on in others; together they are the shelf', () => {
    const log = Array.from({ length: 12 }, (_, n) => ({ ...everything.log[0]!, id: `l${n}` }));
    const files: string[] = [];
    for (const { file, text } of filePieces('everything', { ...everything, log }, 9_000))
      files[file] = (files[file] ?? '') + text;
    expect(files.length).toBeGreaterThan(2);
    const read = files.map((f) => readFile(f));
    expect(read.map((r) => (r.ok ? [] : r.faults))).toEqual(files.map(() => []));
    const all = read.flatMap((r) => (r.ok ? [r.file] : []));
    expect(all.flatMap((f) => f.log.map((l) => l.id)).sort()).toEqual(log.map((l) => l.id).sort());
    expect(all.flatMap((f) => f.studies)).toHaveLength(2);
    expect(all.flatMap((f) => [...f.profiles, ...f.cycles, ...f.cells])).toHaveLength(3);
  });
  it('script tags in a name are kept as the plain text they are', () => {
    const name = '<script>alert(1)</script>';
    const reading = readFile(writeStudy({ ...study, name }));
    expect(reading.ok && reading.file.studies[0]?.name).toBe(name);
  });
});

describe('refusals', () => {
  it('a truncated file breaks off', () => {
    expect(refusal(readFile(writeStudy(study).slice(0, 300)))).toMatchObject({
      code: 'not JSON',
      message: expect.stringMatching(/breaks off/) as string,
    });
  });
  it('something that is no JSON', () =>
    expect(refusal(readFile('Dear diary'))).toMatchObject({
      code: 'not JSON',
      message: expect.stringMatching(/no JSON/) as string,
    }));
  it('JSON of something else', () => {
    for (const text of ['{}', 'null', '[]', '{"format":"other"}'])
      expect(refusal(readFile(text))?.code).toBe('not ours');
  });
  it('a later version says which version this one reads', () =>
    expect(refusal(parsed((f) => (f.version = 7)))).toMatchObject({
      code: 'later version',
      message: expect.stringContaining(`up to ${FORMAT_VERSION}`) as string,
    }));
  it('a version that never was', () => expect(refusal(parsed((f) => (f.version = '1')))?.code).toBe('faulty'));
  it('a file that goes on after its end says so, and is not called broken off', () => {
    const tail = refusal(readFile(`${writeStudy(study)} and then "some } more`));
    expect(tail).toMatchObject({
      code: 'not JSON',
      message: expect.stringMatching(/goes on after its end, with “and then "some/) as string,
    });
    expect(refusal(readFile(writeStudy(study).replace('"capo": 0', '"capo": zero')))?.message).toMatch(
      /changed by hand/,
    );
  });
  it('a little over the limit is not called the limit', () => {
    const over = (bytes: number) => refusal(refuseBySize(bytes)!)?.message;
    expect(over(LARGEST_FILE + 1)).toMatch(/has a little over 20 MB; 20 MB is the most/);
    expect(over(LARGEST_FILE * 1.02)).toMatch(/has 20.4 MB; 20 MB/);
  });
  it('200 MB are refused by size alone', () => {
    expect(refusal(refuseBySize(200 * 1024 * 1024)!)).toMatchObject({
      code: 'too large',
      message: expect.stringMatching(/200 MB; 20 MB is the most/) as string,
    });
    expect(refuseBySize(0)).toMatchObject({ code: 'empty' });
    expect(refuseBySize(LARGEST_FILE)).toBeNull();
  });
  it('every fault is listed with its path', () => {
    const reading = refusal(
      parsed((f) => {
        const s = f.studies[0] as { name: string; instrument: { capo: number }; sections: { bpm: number }[] };
        s.name = 'x'.repeat(61);
        s.instrument.capo = 99;
        s.sections[0]!.bpm = 5000;
      }),
    );
    expect(reading?.faults.map((x) => x.path)).toEqual([
      'studies[0].name',
      'studies[0].instrument.capo',
      'studies[0].sections[0].bpm',
    ]);
    expect(reading?.message).toMatch(/3 faults; nothing was taken/);
  });
  it('100 000 faults are refused as fast as one: a hundred are told', () => {
    const file = JSON.parse(writeEverything(everything)) as { log: unknown[]; studies: object[]; extra?: object };
    const lacking = refusal(readFile(JSON.stringify({ ...file, log: Array(20_000).fill({}) })));
    expect(lacking?.faults).toHaveLength(100);
    expect(lacking?.message).toMatch(/100 faults or more/);
    const keys = Object.fromEntries(Array.from({ length: 200_000 }, (_, n) => [`k${n}`, 1]));
    expect(refusal(readFile(JSON.stringify({ ...file, ...keys })))?.faults).toHaveLength(100);
    expect(refusal(readFile(JSON.stringify({ ...file, studies: [{ ...study, ...keys }] })))?.faults).toHaveLength(1);
    const stopped = Array(20_000).fill({});
    const inside = { ...study, sections: [{ ...study.sections[0], stopped }] };
    expect(refusal(readFile(JSON.stringify({ ...file, studies: [inside] })))?.faults.length).toBeLessThan(100);
    expect(refusal(readFile(JSON.stringify({ ...file, log: Array(50_001).fill({}) })))?.faults).toEqual([
      { path: 'log', message: 'It holds 50001; 50000 are the most.' },
    ]);
  });
  it.each([
    ['year 0', '0000-05-01T10:00:00.000Z'],
    ['year 9999', '9999-05-01T10:00:00.000Z'],
  ])('a session in the %s is no day of practice', (_what, startedAt) =>
    expect(
      refusal(readFile(writeEverything({ ...everything, log: [{ ...everything.log[0]!, startedAt }] })))?.faults,
    ).toEqual([
      {
        path: 'log[0].startedAt',
        message: expect.stringMatching(/is no day of practice: years run from 1970 to 2100/) as string,
      },
    ]),
  );
  it('names lose what would turn the text beside them; one that can’t be seen is refused', () => {
    const named = (name: string) => readFile(writeStudy({ ...study, name }));
    const turned = named('Lantern \u202EriatS ');
    expect(turned.ok && turned.file.studies[0]?.name).toBe('Lantern riatS');
    expect(refusal(named('\u3164\u200B'))?.faults).toEqual([
      { path: 'studies[0].name', message: 'Nothing of this name can be seen; give it letters.' },
    ]);
  });
  it('two shapes of one name, which charts could not tell apart', () => {
    const [one] = study.shapes;
    const file = writeStudy({ ...study, shapes: [one!, { ...one!, id: 'other' }] });
    expect(refusal(readFile(file))?.faults.map((f) => f.path)).toEqual(['studies[0].shapes[1].name']);
  });
  it.each([
    ['instrument.capo', '"high"', /^It is “high”; a number belongs here\.$/],
    ['instrument.capo', '1.5', /a whole number belongs here/],
    ['instrument.capo', '-1', /^It is -1; 0 is the least\.$/],
    ['instrument.capo', 'null', /^It is null; a number/],
    ['instrument.tuning', '[40,45]', /^It holds 2; exactly 6 belong here\.$/],
    ['form', '7', /a text belongs here/],
    ['sections', '[]', /^It holds 0; 1 is the least\.$/],
    ['sections', '{}', /a list belongs here/],
    ['note', '7', /a text belongs here/],
  ])('%s = %s is told in a sentence', (field, value, words) => {
    const file = JSON.parse(writeStudy(study)) as { studies: Record<string, unknown>[] };
    const keys = field.split('.');
    const box = keys.slice(0, -1).reduce((b, k) => b[k] as Record<string, unknown>, file.studies[0]!);
    box[keys.at(-1)!] = JSON.parse(value);
    const faults = refusal(readFile(JSON.stringify(file)))?.faults ?? [];
    expect(faults[0]?.path).toBe(`studies[0].${field}`);
    expect(faults[0]?.message).toMatch(words);
  });
  it('fields that nobody asked for are faults', () =>
    expect(refusal(parsed((f) => ((f.studies[0] as { extra: number }).extra = 1)))?.faults[0]?.path).toBe(
      'studies[0].extra',
    ));
  it('two studies under one id are refused', () =>
    expect(refusal(parsed((f) => f.studies.push(f.studies[0])))?.faults[0]?.path).toBe('studies[1]'));
  it('what a schema can’t see is checked too: cycles that don’t add up, shapes that aren’t there', () => {
    const reading = refusal(
      parsed((f) => {
        const section = (f.studies[0] as Study).sections[0] as unknown as {
          cycle: { groups: number[] };
          bars: number;
        };
        section.cycle.groups = [5040];
        section.bars = 3;
        (f.studies[0] as { cells: object[] }).cells = [{ name: 'a <b', script: 'p', stepsPerCount: 2 }];
      }),
    );
    expect(reading?.faults.map((x) => x.path)).toEqual(['studies[0].sections[0].cycle.groups', 'studies[0].cells[0]']);
  });
});

describe('rows read back', () => {
  it('pass when whole', () => {
    expect(readStudyRow(study)).toEqual({ ok: true, value: study });
    expect(readLogRow(everything.log[0]).ok && readProfileRow(DEFAULT_PROFILE).ok && readCycleRow(CYCLES[3]).ok).toBe(
      true,
    );
  });
  it('are held back when damaged', () => {
    expect(readStudyRow({ ...study, sections: [] }).ok).toBe(false);
    expect(readLogRow({ ...everything.log[0], minutes: 'many' }).ok).toBe(false);
    expect(readProfileRow({ ...DEFAULT_PROFILE, returnMs: {} }).ok).toBe(false);
    expect(readCycleRow({ ...CYCLES[3], labels: [] })).toMatchObject({ ok: false, faults: [{ path: 'labels' }] });
    expect(readStudyRow(undefined).ok).toBe(false);
  });
});
