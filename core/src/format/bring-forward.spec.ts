import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CYCLES } from '../catalogue/index.js';
import { type AccentCycle, cycleLength, groupStarts } from '../cycle/index.js';
import { STANDARD_TUNING } from '../instrument/index.js';
import { OPEN_SHAPE, readShape, type Shape, type StoppedNote, stopOver } from '../left-hand/index.js';
import { makeStudy, type Section, type Study } from '../piece/index.js';
import { DEFAULT_PROFILE } from '../player/index.js';
import { sectionDrills } from '../drill/index.js';
import { readSection, workedScore } from '../reading/index.js';
import { soundStroke } from '../right-hand/index.js';
import { layOnCycle } from '../round/index.js';
import { type Score, scoreOf } from '../score/index.js';
import { flatten, parseScript } from '../script/index.js';
import type { PlanSound } from '../sound/index.js';
import { wrap } from '../time/index.js';
import fixture from '../testing/demo-version-2.json' with { type: 'json' };
import { dataFault } from '../fault/index.js';
import { mendRow, readFile, readStudyRow, ROWS } from './index.js';

/** A study as it was stored before charts: shapes by turn or group, frets of single strokes beside the script. */
interface OldSection extends Omit<Section, 'chart' | 'bars'> {
  readonly harmony: { readonly per: 'turn' | 'group'; readonly shapes: readonly string[] };
  readonly stopped?: readonly StoppedNote[];
}
const oldStudy = (cycle: AccentCycle, shapes: readonly Shape[], more: Partial<OldSection>) => {
  const { instrument, sections, id, name, note } = makeStudy('s', 'S', cycle);
  const { chart, bars, ...section } = sections[0]!;
  expect([chart, bars]).toEqual(['', null]);
  const own: OldSection = { ...section, harmony: { per: 'turn', shapes: [] }, ...more };
  return { id, name, note, ...instrument, family: cycle.family, shapes, sections: [own] };
};
/** What every stroke of an old section sounded: place, string, pitch. */
function heardBefore(section: OldSection, shapes: readonly Shape[], turns: number) {
  const { cycle, harmony, stopped = [], start } = section;
  const flat = flatten(parseScript(section.script, section).pattern);
  const turn = cycleLength(cycle);
  const layout = layOnCycle(flat, cycle, { start });
  const seams = groupStarts(cycle);
  return Array.from({ length: turns }, (_, t) =>
    layout.strokes
      .filter((s) => s.turn === t % layout.turns)
      .flatMap((s) => {
        const group = seams.filter((seam) => seam <= s.inTurn).length - 1;
        const n = harmony.per === 'turn' ? t : t * seams.length + group;
        const shape = shapes.find((x) => x.id === harmony.shapes[n % harmony.shapes.length]) ?? OPEN_SHAPE;
        const own = stopped.filter((x) => x.at === wrap(s.at - start, layout.patternLength));
        return soundStroke(s.motion, stopOver(shape, own), { tuning: STANDARD_TUNING, capo: 0 }).map(
          (note) => `${t * turn + s.inTurn} ${note.string} ${note.midi}`,
        );
      }),
  ).flat();
}
const heardNow = (study: Study, until: number) => heardIn(scoreOf(study.sections[0]!, study), until);
/** The same with every finger worked out that is not written, as it is played. */
const heardWorkedOut = ({ sections, shapes, instrument }: Study, until: number) =>
  heardIn(workedScore({ section: sections[0]!, shapes, ...instrument, profile: DEFAULT_PROFILE }).score, until);
const heardIn = (score: Score, until: number) => {
  const rounds = Math.ceil(until / score.length);
  return Array.from({ length: rounds }, (_, n) =>
    score.events.flatMap((e) => e.notes.map((note) => ({ at: n * score.length + e.at, note }))),
  )
    .flat()
    .filter((x) => x.at < until)
    .map(({ at, note }) => `${at} ${note.string} ${note.midi}`);
};

const shape = (id: string, name: string, frets: string, by = ''): Shape => {
  const { frets: f, fingers } = readShape(frets, by);
  return { id, name, frets: f, fingers };
};
const SHAPES = [
  shape('c', 'C', 'x-3-2-0-1-0'),
  shape('d', 'D "open"', 'x-x-0-2-3-2'),
  shape('c2', 'C', 'x-3-5-5-5-3'),
  shape('e', 'E 7 ♭9', '0-2-0-1-3-1'),
];
const script = fc
  .array(fc.constantFrom('p', 'i', 'm', 'pima:t', 'p:b', 'id', 'iu:123', 'p:5', 'im:32', '.', '-', '{p:6 i}x2'), {
    minLength: 1,
    maxLength: 8,
  })
  .map((list) => list.join(' '));
const order = fc.record({
  per: fc.constantFrom('turn' as const, 'group' as const),
  shapes: fc.array(fc.constantFrom('c', 'd', 'c2', 'e'), { maxLength: 4 }),
});
/** Strokes that bring their frets, by fingers that a shape may have elsewhere too. */
const fretted = fc
  .array(
    fc.oneof(
      fc.constantFrom(
        'p:b',
        'im:t',
        'pima:t',
        'id',
        'iu',
        '.',
        '-',
        'im:21',
        'p:5',
        'mi:23',
        '{m:2 p:b}x2',
        '[i:2 m:1 a:1]',
      ),
      fc
        .tuple(
          fc.constantFrom(
            'pi:5f3=A~+2f1=B',
            'm:2f5=A~',
            'i:1f3=A~',
            'a:1f3=B',
            'p:6f3=A',
            'im:3f2=B+2f3=A',
            'id:5f4=A+4+3+2f1',
            'm:2f6',
            'i:2f6~',
          ),
          fc.constantFrom('1', '2', '3', '4'),
          fc.constantFrom('1', '2', '3', '4'),
        )
        .map(([text, a, b]) => text.replace('A', a).replace('B', b)),
    ),
    { minLength: 1, maxLength: 7 },
  )
  .map((list) => list.join(' '));
const fingered = [
  ['c', 'C', 'x-3-2-0-1-0', 'x-3-2-0-1-0'],
  ['f', 'F', '1-3-3-2-1-1', '1-3-4-2-1-1'],
  ['g', 'G', '3-2-0-0-0-3', '2-1-0-0-0-3'],
  ['b', 'B7', 'x-2-1-2-0-2', 'x-2-1-3-0-4'],
].map(([id = '', name = '', frets = '', fingers = '']) => shape(id, name, frets, fingers));
const stopped = fc.uniqueArray(
  fc.record({
    at: fc.integer({ min: 0, max: 9 }).map((n) => n * 2520),
    string: fc.integer({ min: 1, max: 6 }) as fc.Arbitrary<1>,
    fret: fc.integer({ min: 0, max: 9 }),
  }),
  { maxLength: 5, selector: (n) => `${n.at} ${n.string}` },
);

describe('a study of before', () => {
  it('sounds the same afterwards, sound by sound: shapes by turn or group, frets beside the script, any start', () =>
    fc.assert(
      fc.property(
        fc.constantFrom(...CYCLES.filter((c) => c.counts < 9)),
        script,
        order,
        stopped,
        fc.integer({ min: 0, max: 3 }),
        (cycle, text, harmony, notes, start) => {
          const old = oldStudy(cycle, SHAPES, { script: text, harmony, stopped: notes, start: start * 2520 });
          const read = readStudyRow(old);
          expect(read.ok ? [] : read.faults).toEqual([]);
          if (!read.ok) return;
          const turns = 6;
          const until = turns * cycleLength(cycle);
          expect(heardNow(read.value, until)).toEqual(heardBefore(old.sections[0]!, SHAPES, turns));
          // Once brought forward it stays as it is.
          expect(readStudyRow(read.value)).toEqual({ ok: true, value: read.value });
        },
      ),
      { numRuns: 200 },
    ));
  it('sounds the same where a fret’s finger is also the shape’s: nothing opens that was held', () =>
    fc.assert(
      fc.property(
        fc.constantFrom(...CYCLES.filter((c) => c.counts < 9)),
        fretted,
        fc.record({
          per: fc.constantFrom('turn' as const, 'group' as const),
          shapes: fc.array(fc.constantFrom(...fingered.map((x) => x.id)), { minLength: 1, maxLength: 3 }),
        }),
        fc.array(
          fc.tuple(fc.nat(9), fc.integer({ min: 1, max: 6 }), fc.nat(9), fc.constantFrom(1, 2, 3, 4, undefined)),
          { maxLength: 5 },
        ),
        (cycle, text, harmony, list) => {
          const notes = [
            ...new Map(
              list.map(([n, string, fret, finger]) => [
                `${n} ${string}`,
                { at: n * 2520, string: string as 1, fret, ...(finger && fret ? { finger: finger as 1 } : {}) },
              ]),
            ).values(),
          ];
          const old = oldStudy(cycle, fingered, { script: text, harmony, stopped: notes });
          const read = readStudyRow(old);
          expect(read.ok ? [] : read.faults).toEqual([]);
          if (!read.ok) return;
          const turns = 6;
          const until = turns * cycleLength(cycle);
          const before = heardBefore(old.sections[0]!, fingered, turns);
          expect(heardNow(read.value, until)).toEqual(before);
          expect(heardWorkedOut(read.value, until)).toEqual(before);
        },
      ),
      { numRuns: 300 },
    ));
  it('of one finger on two frets the player’s own keeps it, and the shape’s string says its fret alone', () => {
    const note: StoppedNote = { at: 0, string: 1, fret: 5, finger: 3 };
    const harmony = { per: 'turn' as const, shapes: ['c'] };
    const read = readStudyRow(oldStudy(CYCLES[0]!, fingered, { script: 'id', harmony, stopped: [note] }));
    expect(read.ok && read.value.sections[0]!.script).toMatch(/5f3\+.*1f5=3/);
  });
  it('an order of 255 shapes over uneven groups goes round them as bars', () => {
    const cycle = CYCLES.find((c) => c.groups.length > 2)!;
    const shapes = Array.from({ length: 255 }, (_, n) => ['c', 'd', 'e'][n % 3]!);
    const old = oldStudy(cycle, SHAPES, { script: 'p:b', stepsPerCount: 1, harmony: { per: 'group', shapes } });
    const read = readStudyRow(old);
    expect(read.ok && read.value.sections[0]!.chart.length).toBeLessThan(20_000);
    if (read.ok)
      expect(heardNow(read.value, 40 * cycleLength(cycle))).toEqual(heardBefore(old.sections[0]!, SHAPES, 40));
  });
  it('shapes of one name are told apart by numbers', () => {
    const read = readStudyRow(oldStudy(CYCLES[0]!, SHAPES, { harmony: { per: 'turn', shapes: ['c', 'c2'] } }));
    expect(read.ok && read.value.shapes.map((s) => s.name)).toEqual(['C', 'D "open"', 'C 2', 'E 7 ♭9']);
    expect(read.ok && read.value.sections[0]!.chart).toBe('C | "C 2"');
  });
  it('marks behind several places stay the whole stroke’s', () => {
    const read = readStudyRow(oldStudy(CYCLES[0]!, [], { script: 'pi:5f0+2f3=4!~ m:2f1!' }));
    expect(read.ok && read.value.sections[0]!.script).toBe('pi!~:5f0+2f3=4 m:2f1!');
  });
  it('what is damaged is named, and can be mended', () => {
    const damaged = oldStudy(CYCLES[0]!, SHAPES, { harmony: { per: 'turn', shapes: ['gone'] } });
    const read = readStudyRow(damaged);
    expect(read.ok ? [] : read.faults.map((f) => f.path)).toContain('sections[0].chart');
    expect(mendRow('studies', damaged)?.row).toMatchObject({ sections: [{ chart: '' }] });
  });
  it.each([
    ['a shape that is gone', { per: 'turn', shapes: ['gone'] }],
    ['an order that nobody knows', { per: 'bar', shapes: ['c'] }],
    ['no order', null],
    ['nothing', undefined],
  ])(
    'frets beside a script that names no strings, under %s: refused, never thrown, and mended with its frets',
    (_, o) => {
      const note: StoppedNote = { at: 0, string: 6, fret: 3 };
      const old = oldStudy(CYCLES[0]!, SHAPES, { script: 'p:b', stopped: [note], harmony: o as never });
      const read = readStudyRow(old);
      expect(read.ok ? [] : read.faults.map((f) => `${f.path} ${f.code}`)).toContain('sections[0].chart missing');
      expect(mendRow('studies', old)?.row).toMatchObject({ sections: [{ chart: '', script: 'p:6f3' }] });
    },
  );
});
it('a row that makes its own reading fail is refused as any other, with its place', () => {
  const trap = () =>
    Object.defineProperty({}, 'id', {
      enumerable: true,
      get: () => {
        throw new Error('trap');
      },
    });
  for (const { read } of Object.values(ROWS))
    expect(read(trap(), 'here')).toEqual({ ok: false, faults: [dataFault('here', 'can’t be read')] });
});

/** Two sums over all sounds, whatever their order. */
function digest(sounds: readonly PlanSound[]): string {
  const text = sounds
    .map((s) => JSON.stringify(s, Object.keys(s).sort()))
    .sort()
    .join('\n');
  let [a, b] = [0x811c9dc5, 7];
  for (let i = 0; i < text.length; i++) {
    a = Math.imul(a ^ text.charCodeAt(i), 0x01000193) >>> 0;
    b = (Math.imul(b, 31) + text.charCodeAt(i)) >>> 0;
  }
  return `${a} ${b}`;
}

describe('a study of version 3, where a finger that went over on its fret left its own string open', () => {
  /** As it was stored then: without words, key, feel and reminders. */
  const stored = (script: string, chart: string, more: Partial<Section> = {}) => {
    const { reminders, sections, ...study } = makeStudy('s', 'S', CYCLES[0]);
    const { words, key, feel, ...section } = { ...sections[0]!, script, chart, ...more };
    expect([reminders, words, key, feel]).toEqual([[], '', null, null]);
    return { ...study, shapes: fingered, sections: [section] };
  };
  const forward = (row: object): Study => {
    const read = readStudyRow(row);
    if (!read.ok) throw new Error(JSON.stringify(read));
    return read.value;
  };
  const then = (row: ReturnType<typeof stored>, until: number) =>
    heardIn(scoreOf(row.sections[0] as Section, row, { collapses: false }), until);
  it('C, its first finger over string 1: the open string 2 is written into the stroke that met it', () => {
    const row = stored('m:1f1=1 - i:2 m:1f1=1~ pim:432 - - -', 'C');
    expect(forward(row).sections[0]!.script).toBe('m:1f1=1 - i:2 m:1f1=1~ pim:4+3+2f0 - - -');
    // What is kept now sounds by the law of now.
    const now = { ...row, reminders: [], sections: [{ ...row.sections[0]!, words: '', key: null, feel: null }] };
    expect(forward(now).sections[0]!.script).toBe(row.sections[0]!.script);
  });
  it('sounds the same afterwards, sound by sound, whatever its strokes bring', () =>
    fc.assert(
      fc.property(fretted, fc.constantFrom('C', 'F', 'C:2 F', 'B7', 'G | C'), (text, chart) => {
        // With every finger written.
        const row = stored(text.replace(/f(\d)(?![=\d])/g, 'f$1=2'), chart);
        const study = forward(row);
        const until = 8 * cycleLength(row.sections[0]!.cycle);
        expect(heardNow(study, until)).toEqual(then(row, until));
      }),
      { numRuns: 60 },
    ));
});
describe('a file of version 2, the demo studies as they were exported then', () => {
  const read = readFile(JSON.stringify(fixture.file));
  const studies = read.ok ? read.file.studies : [];
  it('opens whole', () => expect(read.ok ? studies.length : read).toBe(5));
  it.each(fixture.heard.flatMap((sections, n) => sections.map((s, i) => [n, i, s] as const)))(
    'study %i, section %i sounds the same, sound by sound',
    (n, i, before) => {
      const study = studies[n]!;
      const { plan } = readSection({
        section: study.sections[i]!,
        shapes: study.shapes,
        ...study.instrument,
        profile: DEFAULT_PROFILE,
      });
      expect({ length: plan.length, sounds: plan.sounds.length, digest: digest(plan.sounds) }).toEqual(before);
    },
  );
});

describe('the demo falseta', () => {
  const read = readFile(JSON.stringify(fixture.file));
  const study = read.ok ? read.file.studies.find((s) => s.id === 'lantern-stair') : undefined;
  const section = study!.sections.find((s) => s.name === 'Falseta')!;
  const heard = (script: string) =>
    scoreOf({ ...section, script, bars: 4 }, study!).events.map((e) => ({
      at: e.at,
      notes: e.notes.map((n) => [n.string, n.midi, n.left] as const),
    }));
  it('with one rest in front sounds the same notes one step later', () => {
    const before = heard(section.script);
    // Bar lines stand elsewhere then: they are taken out, for the rest would push them off their seams.
    const later = heard(`. ${section.script.replace(/\|/g, '')}`);
    const n = flatten(parseScript(section.script, section).pattern).events.length;
    expect(n).toBeGreaterThan(15);
    expect(later.slice(0, n)).toEqual(before.slice(0, n).map((e) => ({ ...e, at: e.at + 2520 })));
  });
  it('keeps its frets in every drill that keeps the music', () => {
    const passage = new Set(heard(section.script).flatMap((e) => e.notes.map(([s, m]) => `${s} ${m}`)));
    const drills = sectionDrills(section, DEFAULT_PROFILE, []);
    const kept = drills.filter((d) => {
      const made = scoreOf({ ...section, ...d.make() }, study!);
      return made.events.every((e) => e.notes.every((n) => passage.has(`${n.string} ${n.midi}`)));
    });
    expect(drills.length).toBeGreaterThan(20);
    // On open strings nothing is stopped: the right hand alone.
    expect(drills.filter((d) => !kept.includes(d)).map((d) => d.key)).toEqual(['open strings']);
  });
});
