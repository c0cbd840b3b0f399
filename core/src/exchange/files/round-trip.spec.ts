import midiFile from '@tonejs/midi';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CYCLES as ALL_CYCLES, cycleById } from '../../catalogue/index.js';
import { type AccentCycle, cycleLength } from '../../cycle/index.js';
import { OPEN_SHAPE, readShape } from '../../left-hand/index.js';
import {
  addSection,
  inOrder,
  makeStudy,
  putShape,
  setChart,
  setForm,
  setKey,
  setScript,
  setSteps,
  setWords,
  type Study,
} from '../../piece/index.js';
import { DEFAULT_PROFILE } from '../../player/index.js';
import { printScript } from '../../script/index.js';
import { golpeFinger, marksOn } from '../../stroke/index.js';
import { anyPattern } from '../../testing/arbitrary.js';
import { importedStudy, importFile, type ImportedPiece, midiBytes, musicXml, scoreFile, scopeLosses } from './index.js';
import { wordsUntil } from '../../syllables/index.js';
import { sayLoss } from '../../words/en/refused/losses.js';
import { studyTablature, tablatureFile } from '../written/index.js';
import { playedNotes } from '../written/played.js';
import { writtenPlaces } from '../written/scope.js';

const NAMES = { fingers: 'Fingers', thumb: 'Thumb', taps: 'Golpes', claps: 'Claps' };
const shape = (name: string, frets: string, fingers: string) =>
  putShape({ ...OPEN_SHAPE, id: name, name, ...readShape(frets, fingers) });
const study = (cycle: AccentCycle, script: string, chart: string, stepsPerCount: number): Study =>
  inOrder(
    shape('Am', 'x-0-2-2-1-0', 'x-0-2-3-1-0'),
    shape('F', '1-3-3-2-1-1', '1-3-4-2-1-1'),
    shape('Old boat', 'x-x-5-5-6-7', 'x-x-1-1-2-4'),
    setScript('s-a', script),
    setSteps('s-a', stepsPerCount),
    setChart('s-a', chart),
  )(makeStudy('s', 'S', cycle));
const back = (bytes: Uint8Array, of: Study): ImportedPiece => {
  const read = importFile(bytes, { profile: DEFAULT_PROFILE, cycle: of.sections[0]!.cycle });
  if ('refusal' in read) throw new Error(`${read.refusal.code} ${read.refusal.about.join()}`);
  return read;
};
let ids = 0;
const sounding = (of: Study) =>
  writtenPlaces(of, DEFAULT_PROFILE, { kind: 'form' }).flatMap((place) => playedNotes(place));
/** All that a note is, in its place, with both hands. */
const hands = (of: Study) =>
  sounding(of).map(({ at, length, voice, event, note }) =>
    JSON.stringify([
      [at, length, voice, event.level, event.motion.kind, event.slur],
      note && [note.string, note.fret, note.midi, note.right, note.left],
      [...(note ? marksOn(event.motion, note.string) : 'marks' in event.motion ? event.motion.marks : [])].sort(),
      [golpeFinger(event.motion), 'dir' in event.motion && event.motion.dir],
      ['plectrum' in event.motion && event.motion.plectrum],
    ]),
  );
/** The same file, one note of a chord half a count shorter. */
function shortened(bytes: Uint8Array): Uint8Array {
  const midi = new midiFile.Midi(bytes);
  const track = midi.tracks.find((t) => t.notes.some((n, i) => t.notes[i + 1]?.ticks === n.ticks))!;
  const note = track.notes.find((n, i) => track.notes[i + 1]?.ticks === n.ticks)!;
  note.durationTicks /= 2;
  return midi.toArray();
}
const CYCLES = ['tangos', 'buleria', 'bossa-three-two', 'seguiriya', 'vals'].map((id) => cycleById(id)!);
const CHARTS = ['', 'Am', 'Am F | "Old boat"', 'F | . | Am'];

describe('out and in again', () => {
  it('a harmonic comes back as one from MusicXML, at 12, 7, 5 and on a string of a chord', () => {
    const of = study(cycleById('tangos')!, 'a:1f12o m:2f7o im:3f5o+2f0 p:6f4o', '', 1);
    const xml = musicXml(of, DEFAULT_PROFILE, { kind: 'form' });
    expect(xml.match(/<harmonic>\s*<natural\/>\s*<sounding-pitch\/>\s*<\/harmonic>/g)).toHaveLength(8);
    const read = back(new TextEncoder().encode(xml), of);
    expect(read.notes).toEqual([]);
    expect(hands(importedStudy(read, 'x', () => `n${++ids}`))).toEqual(hands(of));
  });
  it('MusicXML brings back every note with its time, its place, both hands, marks and levels', () => {
    let tried = 0;
    fc.assert(
      fc.property(anyPattern, fc.constantFrom(...CYCLES), fc.constantFrom(...CHARTS), (pattern, cycle, chart) => {
        const of = study(cycle, printScript(pattern), chart, pattern.stepsPerCount);
        const [place] = writtenPlaces(of, DEFAULT_PROFILE, { kind: 'form' });
        if (!place || place.score.events.length > 200 || sounding(of).length === 0) return;
        // Where nobody knows the finger, it may be found out the second time.
        const unknown = sounding(of).some(
          ({ event: { motion }, note }) =>
            note?.left === null || (note?.right === null && motion.kind === 'stroke' && !motion.plectrum),
        );
        if (unknown) return;
        const read = back(scoreFile(of, DEFAULT_PROFILE, { kind: 'form' }, 'compressed musicxml', NAMES), of);
        // A finger on two frets, as a script can have it, is told.
        if (read.notes.length > 0) return;
        tried++;
        const there = importedStudy(read, 'x', () => `n${++ids}`);
        // What is too long for one section is cut.
        if (there.sections.length > 1) return;
        expect(hands(there)).toEqual(hands(of));
        expect(there.sections[0]).toMatchObject({ name: 'A', cycle: { id: cycle.id }, bpm: of.sections[0]!.bpm });
      }),
      { numRuns: 120 },
    );
    expect(tried).toBeGreaterThan(30);
  });
  it('MusicXML brings back the words under the counts, where a note or a rest begins, and the key', () => {
    // The last one stands under a rest.
    const sung = 'la-:1/2 me-:1/2 ra "y va" | % | . . . ay';
    const key = { tonic: 'E', mode: 'phrygian' } as const;
    const of = inOrder(
      setWords('s-a', sung),
      setKey('s-a', key),
    )(
      study(
        cycleById('tangos')!,
        'i:1 m:1 p:5 - i:1 m:1 a:1 . | p:6 i:1 p:5 - i:1 - m:1 - | i:1 m:1 p:5 - i:1 m:1 . .',
        '',
        2,
      ),
    );
    const xml = musicXml(of, DEFAULT_PROFILE, { kind: 'form' });
    expect(['begin', 'middle', 'end', 'single'].map((s) => xml.split(`<syllabic>${s}<`).length - 1)).toEqual([
      2, 2, 2, 3,
    ]);
    expect(scopeLosses(of, DEFAULT_PROFILE, { kind: 'form' }, 'musicxml')).toEqual([]);
    const there = importedStudy(back(new TextEncoder().encode(xml), of), 'x', () => `n${++ids}`).sections[0]!;
    const length = cycleLength(of.sections[0]!.cycle) * 6;
    expect(wordsUntil(there.words, there.cycle, length)).toEqual(wordsUntil(sung, there.cycle, length));
    expect(there.key).toEqual(key);
  });
  it('words under no note are told, and words that a format has not', () => {
    const of = setWords('s-a', 'la voz')(study(cycleById('tangos')!, 'p:5 - - -', '', 1));
    const lost = (format: 'musicxml' | 'midi' | 'tablature') =>
      scopeLosses(of, DEFAULT_PROFILE, { kind: 'form' }, format).filter((l) => l.code.startsWith('words'));
    expect(lost('musicxml')).toEqual([{ code: 'words between notes', about: [1] }]);
    expect(lost('midi')).toEqual([{ code: 'words', about: [2] }]);
    expect(lost('tablature').map(sayLoss)).toEqual(['The words under the counts are not written.']);
  });
  it('tablature brings back every note with its time, its place, the right hand, marks and levels, and the chords', () => {
    let tried = 0;
    const told = (of: Study) =>
      sounding(of).map(({ at, length, event, note }) => {
        const dead = note ? marksOn(event.motion, note.string).includes('x') : false;
        return JSON.stringify([
          [at, length, event.level, event.motion.kind],
          note && [note.string, dead ? 'x' : note.fret, event.motion.kind === 'ligado' ? '' : note.right],
          [...(note ? marksOn(event.motion, note.string) : 'marks' in event.motion ? event.motion.marks : [])].sort(),
          [golpeFinger(event.motion), 'dir' in event.motion && event.motion.dir],
          ['plectrum' in event.motion && event.motion.plectrum],
        ]);
      });
    fc.assert(
      fc.property(anyPattern, fc.constantFrom(...CYCLES), fc.constantFrom(...CHARTS), (pattern, cycle, chart) => {
        const of = study(cycle, printScript(pattern), chart, pattern.stepsPerCount);
        const [place] = writtenPlaces(of, DEFAULT_PROFILE, { kind: 'form' });
        if (!place || place.score.events.length > 120 || sounding(of).length === 0) return;
        const parts = studyTablature(of, DEFAULT_PROFILE, { kind: 'form' });
        if (parts.some((p) => p.losses.some((l) => l.code !== 'left fingers'))) return;
        if (
          sounding(of).some(
            ({ event: { motion }, note }) => note?.right === null && motion.kind === 'stroke' && !motion.plectrum,
          )
        )
          return;
        const file = tablatureFile(of, { kind: 'form' }, parts, () => '');
        const read = back(new TextEncoder().encode(file), of);
        const there = importedStudy(read, 'x', () => `n${++ids}`);
        if (read.notes.length > 0 || there.sections.length > 1) return;
        tried++;
        expect(told(there)).toEqual(told(of));
        expect(there.sections[0]).toMatchObject({ name: 'A', cycle: { id: cycle.id }, bpm: of.sections[0]!.bpm });
      }),
      { numRuns: 150 },
    );
    expect(tried).toBeGreaterThan(30);
  });
  it('every cycle comes back by its id, with strings, capo, shapes and the order', () => {
    for (const cycle of ALL_CYCLES) {
      const of = {
        ...inOrder(
          setForm('{A}x2 "My own"'),
          addSection('b', 'My own', cycle),
          setScript('b', 'p:5 i:3 m:2 a:1'),
        )(study(cycle, 'p:5 i:3 m:2 a:1', '"Old boat"', 2)),
        instrument: { tuning: [38, 45, 50, 55, 59, 64] as never, capo: 3 },
      };
      const file = tablatureFile(of, { kind: 'form' }, studyTablature(of, DEFAULT_PROFILE, { kind: 'form' }), () => '');
      for (const line of file.split('\n').filter((l) => l.includes('|'))) expect(line.length).toBeLessThanOrEqual(80);
      const read = back(new TextEncoder().encode(file), study(cycleById('tangos')!, 'p:5', '', 2));
      expect(read.notes, cycle.id).toEqual([]);
      expect(
        read.sections.map((s) => [s.name, s.cycle.id]),
        cycle.id,
      ).toEqual([
        ['A', cycle.id],
        ['My own', cycle.id],
      ]);
      expect([read.capo, read.tuning[0], read.form]).toEqual([3, 38, of.form]);
      expect(read.shapes).toMatchObject([{ name: 'Old boat', frets: [null, null, 5, 5, 6, 7] }]);
    }
  });
  it('of two cycles that are the same in words the one with the id is meant', () => {
    const cycle = cycleById('tangos')!;
    const of = study(cycle, 'p:5 i:3 m:2 a:1', '', 2);
    const file = tablatureFile(of, { kind: 'form' }, studyTablature(of, DEFAULT_PROFILE, { kind: 'form' }), () => '');
    const setting = { profile: DEFAULT_PROFILE, cycle, cycles: [{ ...cycle, id: 'own' }] };
    const read = importFile(new TextEncoder().encode(file), setting);
    expect('sections' in read && read.sections[0]?.cycle.id).toBe('tangos');
  });
  it('MIDI keeps lengths or says that it does not, and brings golpes back', () => {
    const of = study(cycleById('tangos')!, 'G! ed:3 edx a:t L:6 [G! pi:b2> . L:6 G!]:3', '', 4);
    const read = back(midiBytes(of, DEFAULT_PROFILE, { kind: 'form' }, NAMES), of);
    const there = importedStudy(read, 'x', () => `n${++ids}`);
    const taps = (s: Study) => sounding(s).filter((n) => n.event.motion.kind === 'golpe').length;
    expect([taps(there), taps(of) > 0]).toEqual([taps(of), true]);
    const lengths = (s: Study) => sounding(s).flatMap((n) => (n.note ? [`${n.at} ${n.length}`] : []));
    const changed = lengths(there).filter((l) => !lengths(of).includes(l));
    expect(changed.length === 0 || read.notes.some((n) => n.code === 'ends moved')).toBe(true);
    // What begins together and ends apart is told with how many and how far.
    const chord = study(cycleById('tangos')!, '{p:6 - im:32 -}x4', '', 2);
    expect(back(midiBytes(chord, DEFAULT_PROFILE, { kind: 'form' }, NAMES), chord).notes).toEqual([]);
    const bytes = midiBytes(chord, DEFAULT_PROFILE, { kind: 'form' }, NAMES);
    const cut = shortened(bytes);
    expect(back(cut, chord).notes).toEqual([{ code: 'ends moved', about: [1, 50] }]);
  });
  it('MIDI brings back every pitch with its time', () => {
    let tried = 0;
    fc.assert(
      fc.property(anyPattern, fc.constantFrom(...CYCLES), (pattern, cycle) => {
        const of = study(cycle, printScript(pattern), '', pattern.stepsPerCount);
        const [place] = writtenPlaces(of, DEFAULT_PROFILE, { kind: 'form' });
        if (!place || place.score.events.length > 100) return;
        // What rings lasts as long as its voice lets it, and which voice that is a MIDI file does not say.
        const rings = of.sections[0]!.script.includes('~');
        const pitches = (s: Study) => [
          ...new Set(
            sounding(s)
              .filter((n) => n.note && !marksOn(n.event.motion, n.note.string).includes('x'))
              .map((n) => `${n.at} ${n.note?.midi} ${rings ? '' : n.length}`),
          ),
        ];
        if (pitches(of).length === 0) return;
        const bytes = midiBytes(of, DEFAULT_PROFILE, { kind: 'form' }, NAMES);
        const read = importFile(bytes, { profile: DEFAULT_PROFILE, cycle });
        if ('refusal' in read) {
          expect(['not to be fretted', 'no notes']).toContain(read.refusal.code);
          return;
        }
        const codes = read.notes.map((n) => n.code);
        const there = importedStudy(read, 'x', () => `n${++ids}`);
        // What no hand can hold is told, and left out.
        if (codes.length > 0) return;
        tried++;
        expect(pitches(there).sort()).toEqual(pitches(of).sort());
      }),
      { numRuns: 80 },
    );
    expect(tried).toBeGreaterThan(8);
  });
  it('a finger that has left the shape and rings there is not taken for the shape’s', () => {
    const of = study(CYCLES[0]!, 'ima:6f3=3~+5f0+4f3=4 p:5f3=3', 'F', 1);
    expect(
      hands(
        importedStudy(
          back(scoreFile(of, DEFAULT_PROFILE, { kind: 'form' }, 'musicxml', NAMES), of),
          'x',
          () => `n${++ids}`,
        ),
      ),
    ).toEqual(hands(of));
  });
  it('an empty section is a bar of silence', () => {
    expect(musicXml(study(CYCLES[0]!, '', '', 2), DEFAULT_PROFILE, { kind: 'form' })).toContain(
      '<rest measure="yes"/>',
    );
  });
});
