import { strToU8, zipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { cycleById } from '../../catalogue/index.js';
import { checkCycle } from '../../cycle/index.js';
import { readStudyRow } from '../../format/index.js';
import { makeStudy, type Study } from '../../piece/index.js';
import { DEFAULT_PROFILE } from '../../player/index.js';
import { scoreOf } from '../../score/index.js';
import { LONGEST_SCRIPT } from '../../script/index.js';
import { sayImportNote, sayImportRefusal } from '../../words/index.js';
import { midiBytes } from '../midi/index.js';
import { MIDI_TRACKS } from '../../words/index.js';
import { importedStudy, takeImport } from '../foreign/take.js';
import { type ImportedFile, importFile } from './import-file.js';

const four = cycleById('plain-four')!;
const setting = { profile: DEFAULT_PROFILE, cycle: four };
const read = (bytes: string | Uint8Array, more = {}): ImportedFile => {
  const made = importFile(typeof bytes === 'string' ? strToU8(bytes) : bytes, { ...setting, ...more });
  if ('refusal' in made) throw new Error(sayImportRefusal(made.refusal));
  return made;
};
const said = (piece: ImportedFile) => piece.notes.map(sayImportNote).join(' ');
let id = 0;
const newId = () => `n${id++}`;
/** A study of it, which its own door takes as it is. */
const kept = (piece: ImportedFile): Study => {
  const study = importedStudy(piece, 'Quay', newId);
  expect(readStudyRow(study)).toEqual({ ok: true, value: study });
  return study;
};
const onsets = (study: Study): number =>
  study.sections.reduce((sum, s) => sum + scoreOf(s, study).events.reduce((n, e) => n + e.notes.length, 0), 0);

const note = (step: string, octave: number, length = 1, more = '', before = '') =>
  `<note>${before}<pitch><step>${step}</step><octave>${octave}</octave></pitch><duration>${length}</duration>${more}</note>`;
const time = (beats: number, type: number) =>
  `<attributes><divisions>1</divisions><time><beats>${beats}</beats><beat-type>${type}</beat-type></time></attributes>`;
const score = (bars: readonly string[]) =>
  `<?xml version="1.0"?><score-partwise><part-list><score-part id="P"><part-name>G</part-name></score-part></part-list><part id="P">${bars
    .map((b, n) => `<measure number="${n + 1}">${b}</measure>`)
    .join('')}</part></score-partwise>`;
const BAR = ['E', 'G', 'A', 'C'].map((s, n) => note(s, n < 3 ? 3 : 4)).join('');

/** Six lines of tablature: two-hand figures, bar by bar. */
const tablature = (bars: number) => {
  const bar = ['--0---1-', '--1---1-', '--0---2-', '--2---3-', '3---3---', '----1---'];
  return ['e', 'B', 'G', 'D', 'A', 'E'].map((s, n) => `${s}|${`${bar[n]}|`.repeat(bars)}`).join('\n');
};

describe('what one section can’t hold', () => {
  it('tablature whose script grows too long becomes several sections, and all of its notes are there', () => {
    const piece = read(tablature(420));
    expect(piece.sections.length).toBeGreaterThan(1);
    expect(piece.sections.reduce((sum, s) => sum + s.bars, 0)).toBe(420);
    for (const s of piece.sections) expect(s.script.length).toBeLessThanOrEqual(LONGEST_SCRIPT);
    expect(piece.sections.map((s) => s.name).slice(0, 2)).toEqual(['A', 'A 2']);
    expect(onsets(kept(piece))).toBe(piece.counted.notes);
  });
  it('a score whose silences alone would fill a script is cut at its bars, in the order of its form', () => {
    const bars = [
      time(4, 4) + BAR,
      ...Array.from({ length: 3_000 }, () => '<note><rest/><duration>4</duration></note>'),
      BAR,
    ];
    const piece = read(score(bars));
    expect(piece.sections.reduce((sum, s) => sum + s.bars, 0)).toBe(3_002);
    const study = kept(piece);
    expect(onsets(study)).toBe(8);
  });
  it('a section that is cut is followed by its rest wherever it comes', () => {
    const sign = (where: string, inside: string) => `<barline location="${where}">${inside}</barline>`;
    const rests = Array.from({ length: 2_200 }, () => '<note><rest/><duration>4</duration></note>');
    const first = `${time(4, 4)}${sign('left', '<repeat direction="forward"/>')}${BAR}`;
    const last = `${BAR}${sign('right', '<repeat direction="backward"/>')}`;
    const piece = read(score([first, ...rests, last, BAR]));
    expect(piece.form).toMatch(/^\{A ("A \d+" ?)+\}x2 B$/);
    kept(piece);
  });
});

describe('what one study can’t hold', () => {
  const many = (n: number) =>
    Array.from(
      { length: n },
      (_, i) => `<direction><direction-type><rehearsal>Part ${i + 1}</rehearsal></direction-type></direction>${BAR}`,
    );
  it('is offered in stretches of as many sections as a study holds', () => {
    const bars = many(70);
    const text = score([time(4, 4) + bars[0]!, ...bars.slice(1)]);
    const first = read(text);
    expect(first.stretches).toEqual([
      { from: 1, to: 32, first: 'Part 1', last: 'Part 32' },
      { from: 33, to: 64, first: 'Part 33', last: 'Part 64' },
      { from: 65, to: 70, first: 'Part 65', last: 'Part 70' },
    ]);
    expect(kept(first).sections).toHaveLength(32);
    const last = read(text, { stretch: 2 });
    expect(kept(last).sections.map((s) => s.name)).toEqual(
      ['65', '66', '67', '68', '69', '70'].map((n) => `Part ${n}`),
    );
    expect(importFile(strToU8(text), { ...setting, stretch: 3 })).toMatchObject({ refusal: { code: 'no such part' } });
    // Behind what is there it is refused in words.
    const study = makeStudy('s', 'S');
    expect(takeImport(study, first, newId).refusal?.(study)).not.toBeNull();
  });
  it('tablature of its own form too', () => {
    const text = Array.from(
      { length: 33 },
      (_, n) => `Part ${n + 1} · Four beats · 90 counts a minute\n${tablature(1)}`,
    ).join('\n\n');
    const piece = read(text);
    expect(piece.stretches).toHaveLength(2);
    expect(kept(piece).sections).toHaveLength(32);
    expect(read(text, { stretch: 1 }).sections.map((s) => s.name)).toEqual(['Part 33']);
  });
});

describe('an odd bar', () => {
  it('with a time that no turn can have goes on in the time before, told', () => {
    const piece = read(score([time(4, 4) + BAR, time(255, 1) + BAR, BAR]));
    expect(said(piece)).toMatch(/^1 time signature that no turn of a cycle can have passed over/);
    expect(kept(piece).sections.map((s) => [s.cycle.name, scoreOf(s, kept(piece)).bars.length])).toEqual([
      ['Four beats', 3],
    ]);
  });
  it('of as many counts as a turn can have is taken', () =>
    expect(read(score([time(64, 4) + BAR])).sections[0]?.cycle.counts).toBe(64));
  it('alone is a study all the same, and MIDI says so as well', () => {
    const piece = read(score([time(255, 1) + BAR]));
    for (const s of piece.sections) expect(checkCycle(s.cycle)).toEqual([]);
    expect(kept(piece).sections).toHaveLength(1);
    const bytes = midiBytes(makeStudy('s', 'S'), DEFAULT_PROFILE, { kind: 'form' }, MIDI_TRACKS);
    expect(bytes.length).toBeGreaterThan(0);
  });
  it.each([
    [3, 16, 2],
    [5, 16, 2],
    [6, 16, 1],
    [3, 32, 4],
    [7, 64, 8],
  ])('%i/%i in turns of %i bars, each as long as it says', (beats, type, bars) => {
    const own = Array.from({ length: 2 * bars }, () => note('E', 4, (4 * beats) / type));
    const piece = read(score([time(beats, type) + own[0]!, ...own.slice(1)]));
    const [section] = kept(piece).sections;
    expect(checkCycle(section!.cycle)).toEqual([]);
    const { events, bars: laid } = scoreOf(section!, kept(piece));
    expect(laid.map((b) => b.at)).toEqual(events.map((e) => e.at));
  });
});

describe('letters and notes', () => {
  it('notes without a pitch are counted', () => {
    const unpitched = '<note><unpitched/><duration>1</duration></note>';
    expect(said(read(score([time(4, 4) + note('E', 4) + unpitched.repeat(3)])))).toMatch(/3 notes without a pitch/);
  });
  it('tablature that begins with a name in brackets, or with a brace, is tablature', () => {
    const piece = read(`[Intro]\n${tablature(2)}\n\n[Verse one]\n${tablature(1)}`);
    expect(piece.sections.map((s) => [s.name, s.bars])).toEqual([
      ['Intro', 2],
      ['Verse one', 1],
    ]);
    expect(read(`{title}\n${tablature(1)}`).sections).toHaveLength(1);
    expect(importFile(strToU8('{"format":"ruffle-wheel"}'), setting)).toMatchObject({
      refusal: { code: 'no such file' },
    });
  });
  it('names with letters of any script go out to MIDI and come in again', () => {
    const study = {
      ...makeStudy('s', 'Ñandú in B♭'),
      sections: [{ ...makeStudy('s', 'S').sections[0]!, name: 'Прилив ♭9', script: 'p i m a' }],
    };
    const bytes = midiBytes(study, DEFAULT_PROFILE, { kind: 'form' }, MIDI_TRACKS);
    const piece = read(bytes);
    expect(piece.name).toBe('Ñandú in B♭');
    expect(piece.sections[0]?.name).toBe('Прилив ♭9');
    expect(Buffer.from(bytes).includes(Buffer.from('Ñandú in B♭', 'utf8'))).toBe(true);
  });
  it('names of a study’s own that the import’s would take are kept apart', () => {
    const two = read(`[A]\n${tablature(1)}\n[AB]\n${tablature(1)}`);
    const study = { ...makeStudy('s', 'S'), form: 'A' };
    const own = { ...study, sections: study.sections.map((s) => ({ ...s, name: 'A' })) };
    expect(takeImport(own, { ...two, form: 'A AB {A}x2' }, newId)(own).form).toBe('A "A 2" AB {"A 2"}x2');
  });
});

describe('work is bounded', () => {
  const pitch = (midi: number, chord: boolean, length: number) => {
    const names = ['C', 'C', 'D', 'D', 'E', 'F', 'F', 'G', 'G', 'A', 'A', 'B'];
    const sharp = [1, 3, 6, 8, 10].includes(midi % 12) ? '<alter>1</alter>' : '';
    return `<note>${chord ? '<chord/>' : ''}<pitch><step>${names[midi % 12]}</step>${sharp}<octave>${Math.floor(midi / 12) - 1}</octave></pitch><duration>${length}</duration></note>`;
  };
  const chord = (of: readonly number[], length: number) => of.map((m, n) => pitch(m, n > 0, length)).join('');
  it('stacked fourths on every beat: fretted as written, with progress on the way', () => {
    const fourths = (n: number) => Array.from({ length: 5 }, (_, i) => 41 + (n % 9) + 5 * i);
    const bars = Array.from({ length: 16 }, (_, b) =>
      [0, 1, 2, 3].map((q) => chord(fourths(4 * b + 5 * q), 1)).join(''),
    );
    const shares: number[] = [];
    const piece = read(score([time(4, 4) + bars[0]!, ...bars.slice(1)]), { progress: (s: number) => shares.push(s) });
    expect(piece.counted.notes).toBe(5 * 64);
    expect(onsets(kept(piece))).toBe(5 * 64);
    expect(shares.length).toBeGreaterThan(3);
    expect([...shares].sort((a, b) => a - b)).toEqual(shares);
  });
  it('six open strings that ring on under a barre: they end there, told', () => {
    const open = [40, 45, 50, 55, 59, 64];
    const barre = [41, 48, 53, 57, 60, 65];
    const bars = Array.from(
      { length: 12 },
      () => `${chord(open, 4)}<backup><duration>2</duration></backup>${chord(barre, 2)}`,
    );
    const piece = read(score([time(4, 4) + bars[0]!, ...bars.slice(1)]));
    expect(said(piece)).toMatch(/the left hand can’t hold all/);
    expect(onsets(kept(piece))).toBe(12 * 12);
  });
  it('an archive with more elements than a score has is refused before it is read', () => {
    const bomb = `<score-partwise>${'<a/>'.repeat(1_500_000)}</score-partwise>`;
    const zip = zipSync({ 'score.xml': strToU8(bomb) });
    expect(zip.length).toBeLessThan(30_000);
    expect(importFile(zip, setting)).toMatchObject({ refusal: { code: 'too many elements' } });
  });
  it('a listing of tags that never close is read once through', () => {
    const listing = '<rootfile'.repeat(400_000);
    const zip = zipSync({
      'META-INF/container.xml': strToU8(listing),
      'score.xml': strToU8(score([time(4, 4) + BAR])),
    });
    expect(read(zip).counted.notes).toBe(4);
  });
  it('tags in a comment or in plain text are no depth', () => {
    const inside = '<deep>'.repeat(100);
    const text = score([`${time(4, 4)}<!-- ${inside} --><![CDATA[${inside}]]>${BAR}`]);
    expect(read(text).counted.notes).toBe(4);
  });
});
