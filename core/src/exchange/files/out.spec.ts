import { strToU8 } from 'fflate';
import midiFile from '@tonejs/midi';
import { describe, expect, it } from 'vitest';
import { cycleById } from '../../catalogue/index.js';
import { OPEN_SHAPE, readShape } from '../../left-hand/index.js';
import {
  addSection,
  inOrder,
  makeStudy,
  putShape,
  readForm,
  setChart,
  setForm,
  setLadder,
  setScript,
  setWords,
  setTempo,
} from '../../piece/index.js';
import { DEFAULT_PROFILE } from '../../player/index.js';
import type { LogEntry } from '../../practice/index.js';
import { sayLogCsvFault, sayLoss } from '../../words/index.js';
import {
  importFile,
  knownSessions,
  logCsv,
  midiBytes,
  practiceTrack,
  readLogCsv,
  readLogFile,
  scopeLosses,
  scoreFile,
  TRACK_RATE,
  wavBytes,
} from './index.js';
import { formLine } from '../written/form-line.js';
import { timeOf } from '../../notation/index.js';
import { practiceSheet } from '../written/practice-sheet.js';

const four = cycleById('tangos')!;
const NAMES = { fingers: 'Fingers', thumb: 'Thumb', taps: 'Golpes', claps: 'Claps' };
const form = { kind: 'form' } as const;
const study = (script: string, chart = '') =>
  inOrder(setScript('s-a', script), setChart('s-a', chart))(makeStudy('s', 'S', four));

describe('a form with signs of repetition', () => {
  const sections = ['A', 'B', 'C'].map((name) => ({ id: name.toLowerCase(), name }));
  const line = (text: string) =>
    formLine(readForm(text, sections).items)
      .map(
        (p) =>
          `${p.opens ? '|:' : ''}${p.ending?.first ? `[${p.ending.passes.join(',')}` : ''}${p.section}${p.ending?.last ? ']' : ''}${p.closes ? `:|${p.closes}` : ''}`,
      )
      .join(' ');
  it.each([
    ['A B A', 'a b a'],
    ['{A B}x3 C', '|:a b:|3 c'],
    ['{A [1 B] [2 C]}x2', '|:a [1b]:|2 [2c]'],
    ['{A [1,2 B] [3 C B]}x3', '|:a [1,2b]:|3 [3c b]'],
    // Readers differ in these: they are written out.
    ['{A {B}x2}x2', 'a b b a b b'],
    ['{A [1 B] C}x2', 'a b c a c'],
    ['{A [1 B]}x2', 'a b a'],
    ['{[1 A] [2 B]}x2', 'a b'],
    ['{A}x1', 'a'],
  ])('%s → %s', (text, expected) => expect(line(text)).toBe(expected));
});

describe('the time of a bar', () => {
  it('is in the notes that are counted, or in parts of them where it does not come out even', () => {
    expect(timeOf(4 * 5040, four)).toEqual([4, 4]);
    expect(timeOf(2.25 * 5040, four)).toEqual([9, 16]);
    expect(timeOf(12 * 5040, cycleById('seguiriya')!)).toEqual([12, 8]);
  });
});
describe('MIDI, read by another library', () => {
  const tracks = (of: ReturnType<typeof study>) => new midiFile.Midi(midiBytes(of, DEFAULT_PROFILE, form, NAMES));
  it('a track a voice, golpes and claps; a note as long as it is written', () => {
    const midi = tracks(study('p:5! i:3 [m:2 i:3]:2 G ima:321 p:5 -'));
    expect(midi.tracks.map((t) => t.name)).toEqual(['Fingers', 'Thumb', 'Golpes', 'Claps']);
    const { ppq } = midi.header;
    expect(midi.tracks[1]?.notes.map((n) => [n.midi, n.ticks / ppq, n.durationTicks / ppq])).toEqual([
      [45, 0, 0.5],
      [45, 3, 1],
    ]);
    expect(midi.tracks[0]?.notes.map((n) => n.ticks / ppq)).toEqual([0.5, 1, 1.5, 2.5, 2.5, 2.5]);
    expect(midi.tracks[1]!.notes[0]!.velocity).toBeGreaterThan(midi.tracks[1]!.notes[1]!.velocity);
    expect(midi.tracks[3]?.notes.map((n) => n.ticks / ppq)).toEqual([1, 2, 3]);
    expect(midi.tracks[0]?.instrument.number).toBe(24);
    expect(midi.tracks[3]?.channel).toBe(9);
  });
  it('repeats are written out, each section with its tempo, time and name', () => {
    const of = inOrder(
      addSection('b', 'B', cycleById('seguiriya')!),
      setTempo('b', 180),
      setForm('{A}x2 B'),
    )(study('p:5 - - - - - - -'));
    const { header } = tracks(of);
    expect(header.tempos.map((t) => Math.round(t.bpm))).toEqual([125, 125, 90]);
    expect(header.timeSignatures.map((t) => t.timeSignature.join('/'))).toEqual(['4/4', '12/8']);
    expect(header.meta.filter((m) => m.type === 'marker').map((m) => [m.text, m.ticks / header.ppq])).toEqual([
      ['A', 0],
      ['A', 4],
      ['B', 8],
    ]);
  });
  it('a dead string is left out, and one pitch on two strings is one note', () =>
    expect(tracks(study('i:2f0x - im:3f4+2f0 - - - - -')).tracks.find((t) => t.name === 'Fingers')?.notes.length).toBe(
      1,
    ));
  it('a track out of several is read alone where it is asked for', () => {
    const bytes = midiBytes(study('p:5 i:3 p:5 i:3 p:5 i:3 p:5 i:3'), DEFAULT_PROFILE, form, NAMES);
    const read = (part?: number) => {
      const made = importFile(bytes, {
        profile: DEFAULT_PROFILE,
        cycle: four,
        ...(part === undefined ? {} : { part }),
      });
      return 'refusal' in made ? made.refusal.code : made.sections[0]?.script;
    };
    expect(read(0)).toBe('. ?:3 . ?:3 . ?:3 . ?:3');
    expect(read(1)).toBe('?:5 . ?:5 . ?:5 . ?:5 .');
    expect(read()).toBe('?:5 ?:3 ?:5 ?:3 ?:5 ?:3 ?:5 ?:3');
    expect(read(7)).toBe('no such part');
  });
});

describe('what is lost is said before', () => {
  const said = (script: string, format: 'midi' | 'musicxml', chart = '') =>
    scopeLosses(study(script, chart), DEFAULT_PROFILE, form, format).map((l) => sayLoss(l));
  it('MusicXML loses strokes that miss, and who worked out a finger', () => {
    expect(said('p:5 i:3 m:2 a:1 p:5 i:3 m:2 a:1', 'musicxml')).toEqual([]);
    expect(said('p:5 (d) ?:2 - - - - -', 'musicxml')).toEqual([
      '1 stroke sounds no string and is left out.',
      'Fingers of 1 stroke that is worked out look like written ones.',
    ]);
  });
  it('MIDI loses the hands', () =>
    expect(said('p:5_ i:3 L:3f2 id:321x pi:3f4+2f0 - - -', 'midi', 'Am')).toEqual([
      'Strings, frets and fingers of 5 strokes are not written, only their pitch.',
      'Of 1 stroke that is strummed the direction is not written.',
      '1 stroke of the left hand alone sounds like plucked ones.',
      'Dead strings of 1 stroke are left out.',
      'Marks of 1 stroke are not written.',
      'Of one pitch on two strings at once one is written (1 stroke).',
      'Chords are not written, only their notes.',
    ]));
  it('nothing makes no file', () => {
    const none = { kind: 'section', section: 'gone' } as const;
    for (const format of ['musicxml', 'compressed musicxml', 'midi'] as const)
      expect(scoreFile(study(''), DEFAULT_PROFILE, none, format, NAMES)).toHaveLength(0);
  });
});

describe('a practice sheet', () => {
  it('has the first turn’s strokes, shapes in their order, the hardest changes and the ladder’s tempos', () => {
    const shape = (name: string, frets: string, fingers: string) =>
      putShape({ ...OPEN_SHAPE, id: name, name, ...readShape(frets, fingers) });
    const of = inOrder(
      shape('Am', 'x-0-2-2-1-0', 'x-0-2-3-1-0'),
      shape('F', '1-3-3-2-1-1', '1-3-4-2-1-1'),
      setLadder('s-a', { start: 80, end: 95, step: 10, passes: 3 }),
      setForm('{A}x3'),
    )(study('id! iu G L:2f3 (d) i:1 Pd:3 ?:2 | i:3 - - - - - - -', 'F | Am'));
    const sheets = practiceSheet(of, DEFAULT_PROFILE, form);
    expect(sheets).toHaveLength(1);
    const [sheet] = sheets;
    const said = (turn = sheet?.turns[0]) =>
      turn?.strokes.map((s) => `${s.letters}${s.accent ? '!' : ''} ${s.places}`.trim());
    expect(said()).toEqual(['id! 6–1', 'iu 1–6', 'G', 'L 2f3', '(d)', 'i 1f1', 'Pd 3f2', 'm 2f1']);
    expect(sheet?.turns.map((t) => [t.turns, t.chords])).toEqual([
      [[1], [{ at: 0, name: 'F' }]],
      [[2], [{ at: 0, name: 'Am' }]],
    ]);
    expect(sheet?.shapes.map((s) => s.name)).toEqual(['F', 'Am']);
    expect(sheet?.changes[0]).toMatchObject({ to: { name: expect.any(String) as string } });
    expect(sheet?.rungs).toEqual([80, 90, 95]);
    const bars = { kind: 'bars', section: 's-a', bars: [1, 1] } as const;
    expect(practiceSheet(of, DEFAULT_PROFILE, bars)[0]?.turns[0]?.strokes.map((s) => s.letters)).toEqual(['i']);
    expect(practiceSheet(of, DEFAULT_PROFILE, bars)[0]?.shapes.map((s) => s.name)).toEqual(['Am']);
  });
});
describe('what a sheet says of its turns', () => {
  it('each that differs once, with its marks, and the thumb’s strings for each chord', () => {
    const of = study('{p:b i:3x m:2^ i:3 p:f im:32% i:1 -}x2 p:6 - - - - - - -', 'F | F | Am');
    const [sheet] = practiceSheet(of, DEFAULT_PROFILE, form);
    expect(sheet?.turns.map((t) => t.turns)).toEqual([[1, 2], [3]]);
    expect(sheet?.turns[0]?.strokes.map((s) => s.letters)).toEqual(['p', 'ix', 'm^', 'i', 'p', 'im%', 'i']);
    expect(sheet?.thumbs).toEqual([
      { chord: 'F', strings: [6, 5] },
      { chord: 'Am', strings: [6] },
    ]);
    expect(sheet?.instrument.capo).toBe(0);
  });
  it('turns with other words are others; the right hand stands on its strings', () => {
    const of = setWords('s-a', 'la voz- | . es')(study('pa:61 - id:321 - iu:123 - - -', ''));
    const [sheet] = practiceSheet(of, DEFAULT_PROFILE, form);
    expect(sheet?.turns.map((t) => t.words.map((w) => `${w.at / 5040} ${w.text}`))).toEqual([
      ['0 la', '1 voz-'],
      ['1 es'],
    ]);
    expect(sheet?.turns[0]?.strokes.map((s) => [s.plucked, s.strum])).toEqual([
      [
        [
          { string: 6, finger: 'p' },
          { string: 1, finger: 'a' },
        ],
        null,
      ],
      [[], [3, 1]],
      [[], [1, 3]],
    ]);
  });
});
describe('a practice track', () => {
  const volumes = { guitar: 0.8, claps: 0.5, click: 0.3 };
  const wishes = { bpm: 240, times: 2, countIn: true, volumes, part: null };
  const of = study('p:5 - - - i:1 - - -');
  const samples = (bytes: Uint8Array | null) => new Int16Array(bytes!.buffer, 44);
  const loudest = (all: Int16Array, from: number, to: number) =>
    all.slice(Math.round(from * TRACK_RATE), Math.round(to * TRACK_RATE)).reduce((m, s) => Math.max(m, Math.abs(s)), 0);
  const section = { kind: 'section', section: 's-a' } as const;
  it('counts in, goes round, and rings out; strokes stand where they are due', () => {
    const track = practiceTrack(of, DEFAULT_PROFILE, section, {
      ...wishes,
      volumes: { ...volumes, claps: 0, click: 0 },
    })!;
    expect(track.seconds).toBe(3);
    const all = samples(wavBytes(track, { ...volumes, claps: 0, click: 0 }));
    expect(all).toHaveLength((3 + 2) * TRACK_RATE);
    expect(loudest(all, 0, 1)).toBe(0);
    expect(loudest(all, 1, 1.2)).toBeGreaterThan(1_000);
    expect(loudest(all, 3, 3.1)).toBeGreaterThan(0);
  });
  it('claps and click are heard only where they are wished', () => {
    const quiet = wavBytes(practiceTrack(of, DEFAULT_PROFILE, section, wishes)!, { guitar: 0, claps: 0, click: 0 });
    expect(loudest(samples(quiet), 0, 3)).toBe(0);
    const click = wavBytes(practiceTrack(of, DEFAULT_PROFILE, section, wishes)!, { guitar: 0, claps: 0, click: 0.3 });
    expect(loudest(samples(click), 0, 0.2)).toBeGreaterThan(100);
  });
  it('some bars, one layer alone, a whole form; what isn’t there is null, and what is too long', () => {
    const two = study('p:5 - - - i:1 - - - | p:6 - - - i:1 - - -');
    const bars = { kind: 'bars', section: 's-a', bars: [1, 1] } as const;
    expect(practiceTrack(two, DEFAULT_PROFILE, bars, { ...wishes, countIn: false, times: 1 })?.seconds).toBe(1);
    const bass = practiceTrack(two, DEFAULT_PROFILE, section, { ...wishes, countIn: false, part: 'bass' });
    expect(bass?.plans[0]?.plan.sounds.filter((s) => s.kind === 'pluck').length).toBe(2);
    expect(
      practiceTrack(study('i:1 - - - i:1 - - -'), DEFAULT_PROFILE, section, { ...wishes, part: 'bass' }),
    ).toBeNull();
    expect(practiceTrack(setForm('{A}x3')(two), DEFAULT_PROFILE, form, { ...wishes, countIn: false })?.seconds).toBe(6);
    const long = practiceTrack(two, DEFAULT_PROFILE, section, { ...wishes, bpm: 20, times: 60 })!;
    expect(wavBytes(long, volumes)).toBeNull();
  });
  it('tells how far it has come', () => {
    const told: number[] = [];
    wavBytes(practiceTrack(of, DEFAULT_PROFILE, section, { ...wishes, bpm: 60, times: 4 })!, volumes, (share) =>
      told.push(share),
    );
    expect(told.length).toBeGreaterThan(1);
    expect([...told].sort((a, b) => a - b)).toEqual(told);
    expect(told.every((t) => t >= 0 && t <= 1)).toBe(true);
  });
});

describe('the log as a table', () => {
  const entry = (id: string, more: Partial<LogEntry> = {}): LogEntry => ({
    ...{ id, studyId: 's', studyName: 'Stair', sectionName: 'A', startedAt: '2026-03-01T18:00:00.000Z', minutes: 12 },
    ...{
      passes: [
        { bpm: 90, clean: true },
        { bpm: 96, clean: false },
      ],
      pain: false,
    },
    ...more,
  });
  it('comes back as it was, with names that a table would take for formulas', () => {
    const log = [
      entry('1'),
      entry('2', { studyName: '=SUM(A1)', sectionName: "'quoted', with comma", passes: [], pain: true }),
      entry('3', { sectionId: 's-a', drill: 'burst', sectionName: 'Ä "B" C' }),
    ];
    const table = logCsv(log);
    expect(table).toContain("'=SUM(A1)");
    expect(readLogCsv(table)).toEqual({ log });
  });
  it('of another hand: its own columns, sessions by study, section and beginning', () => {
    const table =
      'Started,Study,Section,Tempo,Clean\n2026-03-01T18:00:00Z,S,A,90,yes\n2026-03-01T18:00:00Z,S,A,96,no\n';
    const read = readLogCsv(table);
    expect('log' in read && read.log).toMatchObject([
      {
        studyId: 'S',
        passes: [
          { bpm: 90, clean: true },
          { bpm: 96, clean: false },
        ],
      },
    ]);
  });
  it('without a column of sessions it comes in once, however often, and is told from others by all that it was', () => {
    const log = [
      entry('1', { drill: 'burst' }),
      entry('2', {
        studyName: 'A study with quite a long name that goes on and on',
        sectionName: 'And a long section',
      }),
      entry('3', {
        studyName: 'A study with quite a long name that goes on and on',
        sectionName: 'And a long section, the other',
      }),
    ];
    const [head = '', ...lines] = logCsv(log).split('\r\n');
    const bare = [head, ...lines].map((l) => l.slice(l.indexOf(',') + 1)).join('\r\n');
    const read = readLogCsv(bare);
    if ('faults' in read) throw new Error('refused');
    expect(read.log).toHaveLength(3);
    expect(knownSessions(read, log)).toEqual(log);
    // Where nothing of it is known, it has ids of its own, the same each time.
    const again = readLogCsv(bare);
    expect('log' in again && again.log).toEqual(read.log);
    expect(knownSessions(read, [])).toEqual(read.log);
  });
  it('in letters that are no UTF-8 it is refused, never taken with broken ones', () => {
    const table = 'started,study,section,tempo,clean\n2026-03-01T18:00:00Z,Ca\u00f1a,A,90,yes\n';
    const latin = Uint8Array.from(table, (c) => c.charCodeAt(0));
    const refused = readLogFile(latin);
    expect('faults' in refused && refused.faults.map(sayLogCsvFault).join(' ')).toMatch(/not written as UTF-8/);
    for (const bytes of [
      strToU8(table),
      Uint8Array.from([0xff, 0xfe, ...[...table].flatMap((c) => [c.charCodeAt(0), 0])]),
    ]) {
      const read = readLogFile(bytes);
      expect('log' in read && read.log[0]?.studyName).toBe('Caña');
    }
  });
  it.each([
    ['', /empty/],
    ['a,b\n1,2', /no column started, study, section, tempo, clean/],
    ['started,study,section,tempo,clean,clean\n', /named twice/],
    ['started,study,section,tempo,clean\n2026-03-01T18:00:00Z,S,A', /Line 2 has more or fewer cells/],
    ['started,study,section,tempo,clean\nyesterday,S,A,90,yes', /Line 2 .*look at started/],
    ['started,study,section,tempo,clean\n2026-03-01T18:00:00Z,S,A,90,perhaps', /Line 2/],
    ['started,study,section,tempo,clean\n2026-03-01T18:00:00Z,S,A,fast,yes', /Line 2/],
  ])('is refused whole, by its lines: %j', (table, why) => {
    const read = readLogCsv(table);
    expect('faults' in read ? read.faults.map(sayLogCsvFault).join(' ') : 'taken').toMatch(why);
  });
});
