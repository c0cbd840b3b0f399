import {
  ALTER,
  isDead,
  isNumbered,
  type NotatedBar,
  restSeen,
  type ShownAccidental,
  shownAccidentals,
  type Sign,
  spell,
  type Spelled,
  type Voice,
} from '../../notation/index.js';
import type { ScoreEvent, ScoreNote } from '../../score/index.js';
import type { Level } from '../../stroke/index.js';
import type { WrittenSection } from '../written/scope.js';
import { beamsOf } from './beams.js';
import { harmonyOf } from './harmony.js';
import { headOf, notationsOf, playOf, tapNotations } from './note.js';
import type { SectionSetting } from '../written/setting.js';
import { signUnder } from '../written/sung.js';
import { el, plain, type Xml } from './xml.js';

const TYPE: Readonly<Record<number, string>> = {
  1: 'whole',
  2: 'half',
  4: 'quarter',
  8: 'eighth',
  16: '16th',
  32: '32nd',
  64: '64th',
};
const VOICES: readonly (readonly [voice: Voice, number: number, stem: string])[] = [
  ['fingers', 1, 'up'],
  ['thumb', 2, 'down'],
];
/** Voices of the tablature are numbered on from those of the staff above it. */
const TAB_VOICES = 4;
const [STAFF, TABLATURE] = [el('staff', 1), el('staff', 2)];
const ACCIDENTAL: Readonly<Record<ShownAccidental, string>> = {
  n: 'natural',
  '#': 'sharp',
  b: 'flat',
  '##': 'double-sharp',
  bb: 'flat-flat',
};

export interface MeasureSetting extends SectionSetting {
  readonly written: WrittenSection;
  /** Ticks of one division. */
  readonly unit: number;
  /** How loud the stroke before was. */
  level: Level | null;
  /** The word before goes on in the next. */
  wordGoesOn: boolean;
}

/**
 * The notes of a bar with chords and levels in their places, both voices one after the other: on the staff, then in the
 * tablature below it.
 */
export function measureNotes(n: number, bar: NotatedBar, setting: MeasureSetting): Xml[] {
  const divisions = (ticks: number) => Math.round(ticks / setting.unit);
  const voices = VOICES.filter(([voice]) => bar.voices[voice].length > 0);
  const shown = accidentals(bar, setting);
  const between = asides(bar, setting);
  const sung = sungOn(bar, setting);
  if (voices.length === 0) {
    const silent = (voice: number, staff: Xml) =>
      el('note', [
        el('rest', [], { measure: 'yes' }),
        el('duration', divisions(bar.length)),
        el('voice', voice),
        staff,
      ]);
    const back = el('backup', [el('duration', divisions(bar.length))]);
    return [
      ...between.map((a) => a.xml(divisions(a.at))),
      ...[silent(1, STAFF), back, silent(1 + TAB_VOICES, TABLATURE)],
    ];
  }
  const below: Xml[] = [];
  const above = voices.flatMap(([voice, number, stem], order) => {
    const signs = bar.voices[voice];
    const other = bar.voices[voice === 'fingers' ? 'thumb' : 'fingers'];
    const beams = beamsOf(bar, signs, (s) => setting.played(bar, voice, s) !== null);
    const tablature: Xml[] = [];
    const own = signs.flatMap((sign, at): Xml[] => {
      const aside =
        order === 0
          ? between
              .filter((a) => a.at >= sign.at && a.at < sign.at + sign.ticks)
              .map((a) => a.xml(divisions(a.at - sign.at)))
          : [];
      const played = setting.played(bar, voice, sign);
      const shape: SignShape = {
        sign,
        duration: divisions(sign.ticks),
        voice: number,
        stem,
        beams: beams[at] ?? [],
        tuplet: tupletEnds(bar, voice, at),
        sung: sung.get(sign) ?? [],
      };
      if (!played) {
        tablature.push(restOf(shape, false, TABLATURE));
        return [...aside, restOf(shape, sign.event !== null || restSeen(sign, other), STAFF)];
      }
      const goesOn = setting.goesOn(n, voice, at);
      const struck = strokeOf(played, { shape, bar, goesOn, setting, shown });
      tablature.push(...struck.map((s) => s.tablature));
      return [...aside, ...struck.map((s) => s.staff)];
    });
    const back = el('backup', [el('duration', divisions(bar.length))]);
    below.push(back, ...tablature);
    return order === 0 ? own : [back, ...own];
  });
  return [...above, ...below];
}
/** A note on the staff and in the tablature. */
interface Written {
  readonly staff: Xml;
  readonly tablature: Xml;
}
interface SignShape {
  readonly sign: Sign;
  readonly duration: number;
  readonly voice: number;
  readonly stem: string;
  readonly beams: readonly Xml[];
  readonly tuplet: readonly Xml[];
  /** What is sung on it. */
  readonly sung: readonly Xml[];
}
const timed = ({ duration }: SignShape, ties: readonly Xml[]): Xml[] => [plain('duration', duration), ...ties];
const valued = ({ sign, voice }: SignShape, staff: Xml, accidental: readonly Xml[] = []): Xml[] => [
  plain('voice', staff === STAFF ? voice : voice + TAB_VOICES),
  plain('type', TYPE[sign.value] ?? 'quarter'),
  ...(sign.dotted ? [el('dot')] : []),
  ...accidental,
  ...(sign.tuplet
    ? [el('time-modification', [el('actual-notes', sign.tuplet.notes), el('normal-notes', sign.tuplet.inSpaceOf)])]
    : []),
];
const CHORD = [el('chord')];
const NO_STEM = el('stem', 'none');
const STEM: Readonly<Record<string, Xml>> = { up: el('stem', 'up'), down: el('stem', 'down') };
/** The same few elements are written again and again. */
const pitches = new Map<string, Xml>();
function pitchOf(step: string, alter: number, octave: number): Xml {
  const key = `${step}${alter}${octave}`;
  const there = pitches.get(key);
  if (there) return there;
  const made = el('pitch', [el('step', step), ...(alter === 0 ? [] : [el('alter', alter)]), el('octave', octave)]);
  pitches.set(key, made);
  return made;
}
const notations = (own: readonly Xml[]): Xml[] => (own.length ? [el('notations', own)] : []);

function restOf(shape: SignShape, seen: boolean, staff: Xml): Xml {
  const tuplet = staff === STAFF ? notations(shape.tuplet) : [];
  const inside = [
    el('rest'),
    ...timed(shape, []),
    ...valued(shape, staff),
    staff,
    ...tuplet,
    ...(staff === STAFF ? shape.sung : []),
  ];
  return el('note', inside, seen ? undefined : { 'print-object': 'no' });
}
/** What is written longer than it is struck, as basses are, ends so much before its sign. */
function releasedIn(event: ScoreEvent, written: number, { unit }: MeasureSetting): Readonly<Record<string, number>> {
  const later = event.at + event.duration - written;
  return later < 0 ? { release: later / unit } : {};
}
interface StrokeSetting {
  readonly shape: SignShape;
  readonly bar: NotatedBar;
  readonly goesOn: boolean;
  readonly setting: MeasureSetting;
  readonly shown: ReadonlyMap<string, ShownAccidental>;
}
function strokeOf(
  { event, notes }: { readonly event: ScoreEvent; readonly notes: readonly ScoreNote[] },
  { shape, bar, goesOn, setting, shown }: StrokeSetting,
): Written[] {
  const { sign } = shape;
  const ties = [
    ...(sign.tied ? [el('tie', [], { type: 'stop' })] : []),
    ...(goesOn ? [el('tie', [], { type: 'start' })] : []),
  ];
  const time = timed(shape, ties);
  const released = goesOn ? {} : releasedIn(event, bar.at + sign.at + sign.ticks, setting);
  if (notes.length === 0) {
    // A tap or a slap stands where the staff’s middle is.
    const place = el('unpitched', [el('display-step', 'B'), el('display-octave', 4)]);
    const tied = [
      ...(sign.tied ? [el('tied', [], { type: 'stop' })] : []),
      ...(goesOn ? [el('tied', [], { type: 'start' })] : []),
    ];
    const hands = [...tied, ...(sign.tied ? [] : tapNotations(event))];
    return [
      onBoth(shape, { around: released, head: [place, ...time], heads: [el('notehead', 'x')], hands, first: true }),
    ];
  }
  return notes.map((note, i): Written => {
    const { letter, accidental, octave } = spelled(note, event, setting);
    const first = i === 0;
    const accident = shown.get(keyOf(sign.at, shape.voice, note.string));
    const around = {
      ...{ event, note, sign, goesOn, first },
      slurFrom: setting.slurFrom(event, note.string),
      slurTo: setting.slurTo(event, note.string),
    };
    return onBoth(shape, {
      around: released,
      head: [...(first ? [] : CHORD), pitchOf(letter, ALTER[accidental], octave - 1), ...time],
      ...(accident === undefined ? {} : { accident: [el('accidental', ACCIDENTAL[accident])] }),
      heads: headOf(event.motion, note),
      hands: notationsOf(around),
      play: playOf(around),
      first,
    });
  });
}
/** What a note is made of, whichever staff it stands on. */
interface NoteParts {
  /** Attributes of the note. */
  readonly around?: Readonly<Record<string, string | number>>;
  readonly head: readonly Xml[];
  readonly accident?: readonly Xml[];
  readonly heads: readonly Xml[];
  readonly hands: readonly Xml[];
  readonly play?: readonly Xml[];
  /** It bears what its stroke has once. */
  readonly first: boolean;
}
/** A note on the staff, and in the tablature without stem, beam, accidental and the number of its tuplet. */
function onBoth(shape: SignShape, { around = {}, head, accident, heads, hands, play = [], first }: NoteParts): Written {
  const { stem, beams, tuplet } = shape;
  return {
    staff: el(
      'note',
      [
        ...head,
        ...valued(shape, STAFF, accident),
        STEM[stem] ?? el('stem', stem),
        ...heads,
        STAFF,
        ...(first ? beams : []),
        ...notations(first ? [...tuplet, ...hands] : hands),
        ...(first ? shape.sung : []),
        ...play,
      ],
      around,
    ),
    tablature: el(
      'note',
      [...head, ...valued(shape, TABLATURE), NO_STEM, ...heads, TABLATURE, ...notations(hands), ...play],
      around,
    ),
  };
}
/** Words as the lyrics of the signs that begin with them: a note's, where there is one, else a rest's. */
function sungOn(bar: NotatedBar, setting: MeasureSetting): ReadonlyMap<Sign, readonly Xml[]> {
  const sung = new Map<Sign, readonly Xml[]>();
  for (const word of bar.words) {
    const sign = signUnder(bar, word.at);
    const syllabic = setting.wordGoesOn ? (word.goesOn ? 'middle' : 'end') : word.goesOn ? 'begin' : 'single';
    setting.wordGoesOn = word.goesOn;
    if (sign) sung.set(sign, [el('lyric', [el('syllabic', syllabic), el('text', word.text)], { number: 1 })]);
  }
  return sung;
}
function tupletEnds(bar: NotatedBar, voice: Voice, at: number): Xml[] {
  const signs = bar.voices[voice];
  const [sign, group] = [signs[at], signs[at]?.tuplet?.group];
  if (!sign || group === undefined) return [];
  const begins: Record<string, string> = isNumbered(bar, voice, sign)
    ? { bracket: 'yes' }
    : { bracket: 'no', 'show-number': 'none' };
  const end = (type: string) => el('tuplet', [], { type, ...(type === 'start' ? begins : {}) });
  return [
    ...(signs[at - 1]?.tuplet?.group === group ? [] : [end('start')]),
    ...(signs[at + 1]?.tuplet?.group === group ? [] : [end('stop')]),
  ];
}
const spelled = (note: ScoreNote, event: ScoreEvent, { written: { score, bars } }: MeasureSetting): Spelled =>
  spell(note.midi, score.chords[event.chord]?.name ?? '', bars[0]?.signature ?? null);
const keyOf = (at: number, voice: number, string: number): string => `${at} ${voice} ${string}`;
/** Which accidentals are written, in both voices. */
function accidentals(bar: NotatedBar, setting: MeasureSetting): Map<string, ShownAccidental> {
  const all = VOICES.flatMap(([voice, number]) =>
    bar.voices[voice].flatMap((sign) => {
      const played = setting.played(bar, voice, sign);
      return played && !sign.tied ? [{ sign, number, ...played }] : [];
    }),
  ).sort((a, b) => a.sign.at - b.sign.at || a.number - b.number);
  return shownAccidentals(
    all.flatMap(({ sign, number, event, notes }) =>
      notes
        .filter((note) => !isDead(event.motion, note.string))
        .map((note) => ({ key: keyOf(sign.at, number, note.string), ...spelled(note, event, setting) })),
    ),
    bar.signature,
  );
}
/** Chords and levels between the notes. */
function asides(bar: NotatedBar, setting: MeasureSetting): { at: number; xml: (offset: number) => Xml }[] {
  const { chords } = setting.written.score;
  const end = bar.at + bar.length;
  const begin = setting.written.bars[0]?.at ?? 0;
  const own = chords.flatMap((c, i) => {
    // What is held when the writing begins stands there too.
    const at = Math.max(c.at, begin);
    if (at < bar.at || at >= end || c.until <= at || (c.name === '' && (i === 0 || c.at < begin))) return [];
    return [{ at: at - bar.at, xml: (offset: number) => harmonyOf(c, offset) }];
  });
  const levels = bar.events.flatMap((e) => {
    if (e.at < bar.at || e.level === setting.level) return [];
    setting.level = e.level;
    const dynamics = el('direction-type', [el('dynamics', [el(e.level)])]);
    return [
      {
        at: e.at - bar.at,
        xml: (offset: number) =>
          el('direction', [dynamics, ...(offset > 0 ? [el('offset', offset)] : [])], { placement: 'below' }),
      },
    ];
  });
  return [...own, ...levels].sort((a, b) => a.at - b.at);
}
