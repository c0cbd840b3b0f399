import { strToU8, zipSync } from 'fflate';
import type { Study } from '../../piece/index.js';
import type { HandProfile } from '../../player/index.js';
import { gcd, type Midi, STRINGS, TICKS_PER_COUNT } from '../../time/index.js';
import { cycleText } from '../written/cycle-text.js';
import { instrumentText } from '../written/instrument-text.js';
import { type Scope, type WrittenPlace, writtenPlaces } from '../written/scope.js';
import { measureNotes } from './measure.js';
import { quartersInCount, spell, timeOf } from '../../notation/index.js';
import { settingOf } from '../written/setting.js';
import { el, printXml, type Xml } from './xml.js';

/**
 * A study, or part of it, as MusicXML 4.0: one part on a staff and a tablature, the fingers' voice and the thumb's, with strings, frets
 * and both hands' fingers on every note, chords with their frets, and each section's cycle as a direction. Pitches are those that sound.
 * @returns '' where nothing is to be written
 * @example musicXml(makeStudy('s', 'Stair'), DEFAULT_PROFILE, { kind: 'form' }).includes('<work-title>Stair</work-title>') // true
 */
export function musicXml(study: Study, profile: HandProfile, scope: Scope): string {
  const places = writtenPlaces(study, profile, scope, { as: 'score' });
  if (places.length === 0) return '';
  let [number, time, key] = [0, '', ''];
  const measures = places.flatMap((place, order) => {
    const unit = unitOf(place);
    const setting = { ...settingOf(place), written: place, unit, level: null, wordGoesOn: false };
    return place.bars.map((bar, n) => {
      const [first, last] = [n === 0, n === place.bars.length - 1];
      const own = timeOf(bar.length, place.section.cycle);
      const changed = own.join('/') !== time;
      time = own.join('/');
      const mode = place.section.key?.mode ?? '';
      const other = `${bar.signature} ${mode}` !== key;
      key = `${bar.signature} ${mode}`;
      const attributes = [
        ...(first ? [el('divisions', TICKS_PER_COUNT / quartersInCount(place.section.cycle) / unit)] : []),
        ...(other ? [el('key', [el('fifths', bar.signature), ...(mode ? [el('mode', mode)] : [])])] : []),
        ...(changed ? [el('time', [el('beats', own[0]), el('beat-type', own[1])])] : []),
        ...(first && order === 0 ? staffOf(study) : []),
      ];
      return el(
        'measure',
        [
          ...(first ? leftLine(place) : []),
          ...(attributes.length ? [el('attributes', attributes)] : []),
          ...(first ? headOf(place, order === 0 ? study.instrument : null) : []),
          ...measureNotes(n, bar, setting),
          ...(last ? rightLine(place, order === places.length - 1) : []),
        ],
        { number: ++number },
      );
    });
  });
  return printXml(
    el(
      'score-partwise',
      [
        el('work', [el('work-title', study.name)]),
        el('identification', [el('encoding', [el('software', 'Ruffle Wheel')])]),
        el('part-list', [
          el(
            'score-part',
            [
              el('part-name', 'Guitar'),
              el('score-instrument', [el('instrument-name', 'Guitar')], { id: 'P1-I1' }),
              el('midi-instrument', [el('midi-channel', 1), el('midi-program', 25)], { id: 'P1-I1' }),
            ],
            { id: 'P1' },
          ),
        ]),
        el('part', measures, { id: 'P1' }),
      ],
      { version: '4.0' },
    ),
  );
}
/** The longest ticks that everything in a section is made of. */
function unitOf({ section, bars }: WrittenPlace): number {
  let unit = TICKS_PER_COUNT / quartersInCount(section.cycle);
  for (const bar of bars)
    for (const sign of [...bar.voices.fingers, ...bar.voices.thumb]) unit = gcd(gcd(unit, sign.at), sign.ticks);
  for (const bar of bars)
    for (const at of [bar.length, ...bar.chords.map((c) => c.at), ...bar.events.map((e) => Math.max(0, e.at - bar.at))])
      unit = gcd(unit, at);
  return unit;
}
/**
 * The staff of a guitar, which sounds an octave lower than it is written, and the tablature below it, with the strings and
 * the capo.
 */
function staffOf({ instrument: { tuning, capo } }: Study): Xml[] {
  const strings = STRINGS.map((_, n) => {
    const { letter, accidental, octave } = spell((tuning[n] ?? 0) as Midi);
    const alter = accidental === '#' ? [el('tuning-alter', 1)] : accidental === 'b' ? [el('tuning-alter', -1)] : [];
    return el('staff-tuning', [el('tuning-step', letter), ...alter, el('tuning-octave', octave - 1)], { line: n + 1 });
  });
  return [
    el('staves', 2),
    el('clef', [el('sign', 'G'), el('line', 2), el('clef-octave-change', -1)], { number: 1 }),
    el('clef', [el('sign', 'TAB'), el('line', 5)], { number: 2 }),
    el('staff-details', [el('staff-lines', STRINGS.length), ...strings, ...(capo ? [el('capo', capo)] : [])], {
      number: 2,
    }),
  ];
}
/** What stands above the beginning of a section: its name, its cycle with the accents, its tempo. */
function headOf({ section: { name, cycle, bpm } }: WrittenPlace, instrument: Study['instrument'] | null): Xml[] {
  const words = (xml: Xml, more: readonly Xml[] = []) =>
    el('direction', [el('direction-type', [xml]), ...more], { placement: 'above' });
  const tempo = [el('beat-unit', cycle.countNote), el('per-minute', bpm)];
  const perMinute = Math.round(bpm * quartersInCount(cycle) * 1_000) / 1_000;
  return [
    words(el('rehearsal', name)),
    words(el('words', cycleText(cycle))),
    ...(instrument ? [words(el('words', instrumentText(instrument)))] : []),
    words(el('metronome', tempo), [el('sound', [], { tempo: perMinute })]),
  ];
}
function leftLine({ opens, ending }: WrittenPlace): Xml[] {
  const begin = ending?.first ? [el('ending', [], { number: ending.passes.join(', '), type: 'start' })] : [];
  const repeat = opens ? [el('repeat', [], { direction: 'forward' })] : [];
  if (!begin.length && !repeat.length) return [];
  return [
    el('barline', [...(opens ? [el('bar-style', 'heavy-light')] : []), ...begin, ...repeat], { location: 'left' }),
  ];
}
function rightLine({ closes, ending }: WrittenPlace, end: boolean): Xml[] {
  const type = closes !== null ? 'stop' : 'discontinue';
  const stop = ending?.last ? [el('ending', [], { number: ending.passes.join(', '), type })] : [];
  const repeat = closes !== null ? [el('repeat', [], { direction: 'backward', times: closes })] : [];
  const style = closes !== null || end ? [el('bar-style', 'light-heavy')] : [];
  if (!stop.length && !repeat.length && !style.length) return [];
  return [el('barline', [...style, ...stop, ...repeat], { location: 'right' })];
}

const MIMETYPE = 'application/vnd.recordare.musicxml';
/**
 * MusicXML in the compressed form: the same bytes for the same text.
 * @example compressedMusicXml('<score-partwise/>')[0] // 80
 */
export function compressedMusicXml(text: string): Uint8Array {
  const container = printXml(
    el('container', [
      el('rootfiles', [el('rootfile', [], { 'full-path': 'score.musicxml', 'media-type': `${MIMETYPE}+xml` })]),
    ]),
  );
  const mtime = new Date('1980-01-01T00:00:00');
  return zipSync(
    {
      mimetype: [strToU8(MIMETYPE), { level: 0, mtime }],
      'META-INF/container.xml': [strToU8(container), { mtime }],
      'score.musicxml': [strToU8(text), { mtime }],
    },
    {},
  );
}
