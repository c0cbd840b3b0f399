import { describe, expect, it } from 'vitest';
import { CYCLES, cycleById } from '../cycle/index.js';
import { readShape } from '../fretting/index.js';
import { DEFAULT_PROFILE } from '../hand/index.js';
import { makeStudy, setHarmony, putShape, type Study } from '../piece/index.js';
import {
  FORMAT_VERSION,
  LARGEST_FILE,
  readCellRow,
  readCycleRow,
  readFile,
  readLogRow,
  readProfileRow,
  readStudyRow,
  refuseBySize,
  writeEverything,
  writeStudy,
  type Collection,
} from './index.js';

const shape = { id: 'c', name: 'C', ...readShape('x32010', 'x32010') };
const held = { id: shape.id, name: shape.name, frets: shape.frets, fingers: shape.fingers };
const study: Study = setHarmony('s-a', { per: 'group', shapes: ['c'] })(putShape(held)(makeStudy('s', 'Study')));
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
};
const parsed = (change: (file: { version: unknown; studies: unknown[] }) => void) => {
  const file = JSON.parse(writeStudy(study)) as never;
  change(file);
  return readFile(JSON.stringify(file));
};
const refusal = (reading: ReturnType<typeof readFile>) => (reading.ok ? null : reading);

describe('export and import', () => {
  it('what is written is read back the same, and written again the same to the letter', () => {
    const text = writeEverything(everything);
    const reading = readFile(text);
    expect(reading.ok && writeEverything(reading.file)).toBe(text);
    expect(reading.ok && reading.file.studies.find((s) => s.id === 's')).toEqual(study);
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
  it('an own cell with a faulty script is refused, and says where', () => {
    const file = { ...everything, cells: [{ ...everything.cells[0]!, script: 'zz' }] };
    expect(refusal(readFile(writeEverything(file)))?.faults[0]).toMatchObject({ path: 'cells[0].script' });
    expect(readCellRow(everything.cells[0]).ok).toBe(true);
    expect(readCellRow({ ...everything.cells[0], script: '. -' })).toMatchObject({ ok: false });
  });
  it('stopped strings travel with their section; a fret beyond the neck does not', () => {
    const stopped = [{ at: 0, string: 3 as const, fret: 5 }];
    const with5 = { ...study, sections: [{ ...study.sections[0]!, stopped }] };
    const reading = readFile(writeStudy(with5));
    expect(reading.ok && reading.file.studies[0]).toEqual(with5);
    const beyond = { ...with5, sections: [{ ...study.sections[0]!, stopped: [{ ...stopped[0]!, fret: 99 }] }] };
    expect(refusal(readFile(writeStudy(beyond)))?.faults[0]?.path).toBe('studies[0].sections[0].stopped[0].fret');
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
  it('200 MB are refused by size alone', () => {
    expect(refuseBySize(200 * 1024 * 1024)).toMatchObject({
      code: 'too large',
      message: expect.stringMatching(/200 MB; 20 MB is the most/) as string,
    });
    expect(refuseBySize(0)).toMatchObject({ code: 'empty' });
    expect(refuseBySize(LARGEST_FILE)).toBeNull();
  });
  it('every fault is listed with its path', () => {
    const reading = refusal(
      parsed((f) => {
        const s = f.studies[0] as { name: string; capo: number; sections: { bpm: number }[] };
        s.name = 'x'.repeat(61);
        s.capo = 99;
        s.sections[0]!.bpm = 5000;
      }),
    );
    expect(reading?.faults.map((x) => x.path)).toEqual([
      'studies[0].name',
      'studies[0].capo',
      'studies[0].sections[0].bpm',
    ]);
    expect(reading?.message).toMatch(/3 faults; nothing was taken/);
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
          harmony: { shapes: string[] };
        };
        section.cycle.groups = [5040];
        section.harmony.shapes = ['gone'];
      }),
    );
    expect(reading?.faults.map((x) => x.path)).toEqual([
      'studies[0].sections[0].cycle.groups',
      'studies[0].sections[0].harmony.shapes[0]',
    ]);
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
