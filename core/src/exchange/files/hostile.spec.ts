import { strToU8, zipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { cycleById } from '../../catalogue/index.js';
import { readStudyRow } from '../../format/index.js';
import { inOrder, makeStudy, putShape, setChart, setScript, type Study } from '../../piece/index.js';
import { OPEN_SHAPE, readShape } from '../../left-hand/index.js';
import { DEFAULT_PROFILE } from '../../player/index.js';
import { sayImportNote, sayImportRefusal } from '../../words/index.js';
import { compressedMusicXml, importedStudy, importFile, logCsv, midiBytes, musicXml, readLogCsv } from './index.js';
import { tablatureText } from '../written/tablature.js';
import { writtenPlaces } from '../written/scope.js';

const four = cycleById('tangos')!;
const NAMES = { fingers: 'Fingers', thumb: 'Thumb', taps: 'Golpes', claps: 'Claps' };
const study: Study = inOrder(
  putShape({ ...OPEN_SHAPE, id: 'am', name: 'Am', ...readShape('x-0-2-2-1-0', 'x-0-2-3-1-0') }),
  setScript('s-a', 'p:5! i:3 m:2 [i:1f3=4 L:1f5=4 i:1] id* iu p:5~ ima:321 | p:5 - - . G . @f pima:5321 -'),
  setChart('s-a', 'Am | % '),
)(makeStudy('s', 'S', four));
const form = { kind: 'form' } as const;
const read = (bytes: Uint8Array) => importFile(bytes, { profile: DEFAULT_PROFILE, cycle: four });
const code = (file: string | Uint8Array) => {
  const made = read(typeof file === 'string' ? strToU8(file) : file);
  if (!('refusal' in made)) return 'taken';
  expect(sayImportRefusal(made.refusal).length).toBeGreaterThan(10);
  return made.refusal.code;
};
const xml = musicXml(study, DEFAULT_PROFILE, form);
const midi = midiBytes(study, DEFAULT_PROFILE, form, NAMES);
const score = writtenPlaces(study, DEFAULT_PROFILE, form)[0]!.score;

describe('files that are refused', () => {
  it.each([
    ['file empty', ''],
    ['no such file', '<html><body>hello</body></html>'],
    ['no such file', '{"format":"other"}'],
    ['no such file', 'a\u0000b'],
    ['no six lines', 'Dear diary, today I played.'],
    ['entities', '<!DOCTYPE a [<!ENTITY x "y"><!ENTITY z "&x;&x;&x;">]><score-partwise>&z;</score-partwise>'],
    ['entities', '<?xml version="1.0"?>\n<!DOCTYPE score-partwise SYSTEM "x" [ ]><score-partwise/>'],
    ['too deep', `${'<a>'.repeat(5_000)}${'</a>'.repeat(5_000)}`],
    ['breaks off', xml.slice(0, xml.length / 2)],
    ['no notes', '<score-partwise><part id="P"><measure number="1"/></part></score-partwise>'],
    ['encoding not known', '<?xml version="1.0" encoding="klingon"?><score-partwise/>'],
    ['breaks off', midi.slice(0, midi.length - 20)],
    ['breaks off', midi.slice(0, 20)],
    ['no such file', strToU8('MThd')],
  ])('%s', (expected, file) => expect(code(file)).toBe(expected));
  it('a zip that would unpack to more than is read, or whose contents are damaged', () => {
    const bomb = zipSync({ 'score.xml': new Uint8Array(30_000_000) }, { level: 9 });
    expect(bomb.length).toBeLessThan(100_000);
    expect(code(bomb)).toBe('zip too large');
    expect(code(zipSync({ 'readme.txt': strToU8('x') }))).toBe('no score in the zip');
    const whole = compressedMusicXml(xml);
    expect(code(whole)).toBe('taken');
    expect(code(whole.slice(0, whole.length / 2))).toBe('zip broken');
    // It says that it is smaller than it is.
    const lying = zipSync({ 'score.xml': strToU8(xml) });
    const at = lying.length - 22 - 46 - 'score.xml'.length + 24;
    lying.set([10, 0, 0, 0], at);
    expect(code(lying)).not.toBe('taken');
  });
  it('a MIDI file whose last note comes after a thousand years, and one that counts frames', () => {
    const track = (...own: number[]) => {
      const length = own.length + 4;
      return [0x4d, 0x54, 0x72, 0x6b, 0, 0, 0, length, ...own, 0, 0xff, 0x2f, 0];
    };
    const head = (low: number, high: number) => [0x4d, 0x54, 0x68, 0x64, 0, 0, 0, 6, 0, 0, 0, 1, high, low];
    const late = [0xff, 0xff, 0xff, 0x7f, 0x90, 60, 64, 0x10, 0x80, 60, 0];
    expect(code(Uint8Array.from([...head(1, 0), ...track(...late)]))).toBe('too many bars');
    expect(code(Uint8Array.from([...head(0x28, 0xe7), ...track(0, 0x90, 60, 64, 0x10, 0x80, 60, 0)]))).toBe(
      'no beats in the file',
    );
    expect(code(Uint8Array.from([...head(96, 0), ...track(0, 0x90, 60, 64, 0x60, 0x80, 60, 0)]))).toBe('taken');
  });
});

/** The same every time, so that what fails can be looked at. */
function* dice(seed: number): Generator<number, never> {
  for (let n = seed; ;) {
    n = (n * 1_103_515_245 + 12_345) % 2_147_483_648;
    yield n / 2_147_483_648;
  }
}
/** A file with some of its bytes lost, doubled, moved or overwritten. */
function mutated(bytes: Uint8Array, roll: Generator<number, never>): Uint8Array {
  const next = (below: number) => Math.floor(roll.next().value * below);
  let own = [...bytes];
  for (let n = 1 + next(4); n > 0; n--) {
    const [at, length] = [next(own.length), 1 + next(40)];
    const way = next(4);
    if (way === 0) own.splice(at, length);
    else if (way === 1) own.splice(at, 0, ...own.slice(next(own.length), at + length));
    else if (way === 2) own[at] = next(256);
    else own = own.slice(0, Math.max(1, at));
  }
  return Uint8Array.from(own);
}
const log = logCsv([
  {
    id: 'l1',
    studyId: 's',
    studyName: 'S',
    sectionName: 'A',
    startedAt: '2026-03-01T18:00:00Z',
    minutes: 12,
    passes: [
      { bpm: 90, clean: true },
      { bpm: 96, clean: false },
    ],
    pain: false,
  },
  {
    id: 'l2',
    studyId: 's',
    studyName: 'S',
    sectionName: 'A',
    sectionId: 's-a',
    drill: 'burst',
    startedAt: '2026-03-02T18:00:00Z',
    minutes: 3,
    passes: [],
    pain: true,
  },
]);

describe('five hundred damaged files of each kind', () => {
  let ids = 0;
  it.each([
    ['MusicXML', strToU8(xml)],
    ['compressed MusicXML', compressedMusicXml(xml)],
    ['MIDI', midi],
    ['tablature', strToU8(tablatureText(score, four))],
  ])('%s: refused in words, or a study that opens again', (_, whole) => {
    const roll = dice(whole.length);
    let [taken, refused] = [0, 0];
    for (let n = 0; n < 500; n++) {
      const made = read(mutated(whole, roll));
      if ('refusal' in made) {
        refused++;
        continue;
      }
      taken++;
      for (const note of made.notes) expect(sayImportNote(note)).not.toMatch(/undefined|NaN/);
      const own = importedStudy(made, 'x', () => `n${++ids}`);
      const checked = readStudyRow(JSON.parse(JSON.stringify(own)));
      expect(checked.ok ? [] : checked.faults).toEqual([]);
      expect(own.sections.length).toBe(made.sections.length);
    }
    expect(refused).toBeGreaterThan(20);
    expect(taken + refused).toBe(500);
  });
  it('a log as a table: whole, or refused', () => {
    const roll = dice(7);
    for (let n = 0; n < 500; n++) {
      const text = new TextDecoder().decode(mutated(strToU8(log), roll));
      const made = readLogCsv(text);
      if ('faults' in made) expect(made.faults.length).toBeGreaterThan(0);
      else expect(made.log.every((e) => e.studyName !== '')).toBe(true);
    }
  });
});
declare const TextDecoder: new () => { decode(bytes: Uint8Array): string };
