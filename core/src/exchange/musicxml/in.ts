import { fact } from '../../fault/index.js';
import type { Tuning } from '../../instrument/index.js';
import { cleanName } from '../../name/index.js';
import { keyOf } from '../../notation/index.js';
import type { Key } from '../../piece/index.js';
import { LEVELS, type Level } from '../../stroke/index.js';
import { STRINGS } from '../../time/index.js';
import {
  type ForeignBar,
  type ForeignMusic,
  type ForeignNote,
  type ImportNote,
  isRefused,
  PER_QUARTER,
  type Refused,
} from '../foreign/model.js';
import { isTime } from '../foreign/cycles.js';
import { isInstrumentText } from '../written/instrument-text.js';
import { chordName, shapeIn } from './chord-name.js';
import { child, children, type Node, numberIn, readXml, textIn } from './door.js';
import { pitchIn, signsOf } from './read-note.js';
import { joinedMeasures } from './split-bars.js';

/** Bars and notes that are read of a file. */
const MOST_BARS_READ = 4_000;
const MOST_NOTES_READ = 40_000;
/** A bar is no longer than this many quarters. */
const LONGEST_BAR = 64;
/** Letters of one word or syllable. */
const LONGEST_WORD = 80;

/**
 * MusicXML, plain or compressed, as bars with notes: of a part with several staves the tablature, where it has one.
 * @param wanted which part; default: the first with strings written, else the first with pitches
 */
export function readMusicXml(bytes: Uint8Array, wanted?: number): ForeignMusic | Refused {
  const root = readXml(bytes);
  if (isRefused(root)) return root;
  const parts = partsOf(root);
  if (!parts) return { refusal: fact('no such file') };
  const listed = parts.map(({ id, measures }) => ({ name: nameOf(root, id), notes: notesIn(measures) }));
  if (listed.every((p) => p.notes === 0)) return { refusal: fact('no notes') };
  const strung = parts.findIndex(({ measures }) => measures.some((m) => children(m, 'note').some(isStrung)));
  const pitched = parts.findIndex(({ measures }) => measures.some((m) => children(m, 'note').some(isPitched)));
  const part = wanted ?? [strung, pitched].find((p) => p >= 0) ?? listed.findIndex((p) => p.notes > 0);
  const own = parts[part];
  if (!own) return { refusal: fact('no such part', parts.length) };
  if (own.measures.length > MOST_BARS_READ)
    return { refusal: fact('too many bars', own.measures.length, MOST_BARS_READ) };
  const notes = listed[part]?.notes ?? 0;
  if (notes > MOST_NOTES_READ) return { refusal: fact('too many notes', notes, MOST_NOTES_READ) };
  return { name: titleOf(root), played: false, ...new PartReader(own.measures).read(), parts: listed, part };
}
const isStrung = (note: Node): boolean =>
  children(note, 'notations').some((n) => children(n, 'technical').some((t) => !!child(t, 'string')));
const isPitched = (note: Node): boolean => !!child(note, 'pitch') && !child(note, 'cue');
const notesIn = (measures: readonly Node[]): number =>
  measures.reduce(
    (n, m) => n + children(m, 'note').filter((x) => child(x, 'pitch') ?? child(x, 'unpitched')).length,
    0,
  );
const titleOf = (root: Node): string =>
  textIn(child(root, 'work'), 'work-title') || textIn(root, 'movement-title') || '';
const nameOf = (root: Node, id: string): string =>
  textIn(
    children(child(root, 'part-list'), 'score-part').find((p) => p.attributes['id'] === id),
    'part-name',
  );
/** The measures of each part, whichever of the two is the outer one in the file. */
function partsOf(root: Node): { id: string; measures: Node[] }[] | null {
  if (root.name === 'score-partwise')
    return children(root, 'part').map((p) => ({ id: p.attributes['id'] ?? '', measures: children(p, 'measure') }));
  if (root.name !== 'score-timewise') return null;
  const parts = new Map<string, Node[]>();
  for (const measure of children(root, 'measure'))
    for (const part of children(measure, 'part')) {
      const id = part.attributes['id'] ?? '';
      parts.set(id, [...(parts.get(id) ?? []), { ...part, attributes: measure.attributes }]);
    }
  return [...parts].map(([id, measures]) => ({ id, measures }));
}

const verseOf = (lyric: Node): string => lyric.attributes['number'] ?? '1';
function firstVerse(measures: readonly Node[]): string {
  for (const measure of measures)
    for (const note of children(measure, 'note')) {
      const [lyric] = children(note, 'lyric');
      if (lyric) return verseOf(lyric);
    }
  return '1';
}
type Open<T> = { -readonly [K in keyof T]: T[K] };
class PartReader {
  private divisions = 1;
  private beats = 4;
  private beatType = 4;
  private transpose = 0;
  private tuning: Tuning | null = null;
  private capo: number | null = null;
  private key: Key | null = null;
  /** The verse that is taken: the first there is. */
  private readonly verse: string;
  /** So many bars back what comes again; 0 = nothing does. */
  private again = 0;
  private readonly tabStaff: string | null;
  private readonly unread = new Map<string, number>();
  private readonly counted = { grace: 0, jumps: 0, filled: 0, full: 0, times: 0, unpitched: 0 };

  constructor(private readonly measures: readonly Node[]) {
    this.verse = firstVerse(measures);
    const clefs = measures.flatMap((m) => children(m, 'attributes').flatMap((a) => children(a, 'clef')));
    const tab = clefs.find((c) => textIn(c, 'sign') === 'TAB');
    // A part of one staff has no numbers.
    this.tabStaff = tab && clefs.some((c) => textIn(c, 'sign') !== 'TAB') ? (tab.attributes['number'] ?? '1') : null;
  }
  read(): Pick<ForeignMusic, 'tuning' | 'capo' | 'bars' | 'notes'> {
    const bars: ForeignBar[] = [];
    for (const [n, measure] of joinedMeasures(this.measures).entries()) {
      const bar = this.bar(measure, n);
      // A sign that a bar comes again stands for its notes.
      const before = this.again > 0 && bar.notes.length === 0 ? bars[n - this.again] : undefined;
      bars.push(before ? { ...bar, notes: before.notes } : bar);
    }
    const say = (code: ImportNote['code'], n: number): ImportNote[] => (n > 0 ? [fact(code, n)] : []);
    return {
      bars,
      tuning: this.tuning,
      capo: this.capo,
      notes: [
        ...say('grace notes', this.counted.grace),
        ...say('jumps', this.counted.jumps),
        ...say('bar filled', this.counted.filled),
        ...say('bar too full', this.counted.full),
        ...say('times not taken', this.counted.times),
        ...say('no pitch', this.counted.unpitched),
        ...(this.unread.size ? [fact('signs not read' as const, ...[...this.unread.keys()].slice(0, 12))] : []),
      ],
    };
  }
  private bar(measure: Node, index: number): ForeignBar {
    const bar: Open<ForeignBar> = {
      ...{ beats: 4, beatType: 4, length: 0, notes: [], chords: [], levels: [], name: '', words: [], tempo: null },
      ...{ lyrics: [], key: null },
      ...{ opens: false, closes: null, endingBegins: null, endingEnds: false },
    };
    const notes: ForeignNote[] = [];
    let [at, begun, end] = [0, 0, 0];
    const length = (of: Node) => ((numberIn(of, 'duration') ?? 0) / this.divisions) * PER_QUARTER;
    for (const own of measure.children) {
      const offset = ((numberIn(own, 'offset') ?? 0) / this.divisions) * PER_QUARTER;
      if (own.name === 'attributes') this.attributes(own);
      else if (own.name === 'backup') at = Math.max(0, at - length(own));
      else if (own.name === 'forward') at += length(own);
      else if (own.name === 'barline') this.barline(own, bar);
      else if (own.name === 'harmony') this.harmony(own, Math.max(0, at + offset), bar);
      else if (own.name === 'direction' || own.name === 'sound') this.direction(own, at + offset, bar);
      else if (own.name === 'note') {
        if (child(own, 'grace')) {
          this.counted.grace++;
          continue;
        }
        const lasts = length(own);
        if (!child(own, 'chord')) {
          begun = at;
          at += lasts;
        }
        end = Math.max(end, at);
        // What is let go before its sign is over, or after it.
        const later = (Number(own.attributes['release'] ?? 0) / this.divisions) * PER_QUARTER;
        if (!child(own, 'cue')) this.lyrics(own, begun, bar);
        if (lasts > 0) notes.push(...this.note(own, begun, lasts + (Number.isFinite(later) ? later : 0)));
      }
      end = Math.max(end, at);
    }
    const asked = Math.min(LONGEST_BAR, (this.beats * 4) / this.beatType) * PER_QUARTER;
    const odd = measure.attributes['implicit'] === 'yes' || index === 0;
    bar.key = this.key;
    bar.beats = this.beats;
    bar.beatType = this.beatType;
    bar.length = asked;
    if (end > asked + 1) {
      this.counted.full++;
      bar.notes = notes
        .filter((n) => n.at < asked - 1)
        .map((n) => ({ ...n, length: Math.min(n.length, asked - n.at) }));
    } else if (end < asked - 1 && odd && end > 0) {
      // What begins before the first whole bar ends with it.
      const later = asked - end;
      bar.notes = notes.map((n) => ({ ...n, at: n.at + later }));
      bar.chords = bar.chords.map((c) => ({ ...c, at: c.at + later }));
      bar.lyrics = bar.lyrics.map((l) => ({ ...l, at: l.at + later }));
      bar.levels = bar.levels.map((l) => ({ ...l, at: l.at + later }));
      this.counted.filled++;
    } else {
      if (end < asked - 1) this.counted.filled++;
      bar.notes = notes;
    }
    return bar;
  }
  private attributes(own: Node) {
    this.divisions = Math.max(1, numberIn(own, 'divisions') ?? this.divisions);
    const key = child(own, 'key');
    if (key) this.key = keyOf(numberIn(key, 'fifths') ?? Number.NaN, textIn(key, 'mode'));
    const time = child(own, 'time');
    const beats = textIn(time, 'beats')
      .split('+')
      .reduce((sum, b) => sum + Number(b), 0);
    const beatType = numberIn(time, 'beat-type') ?? 0;
    if (time && isTime(beats, beatType)) {
      this.beats = beats;
      this.beatType = beatType;
    } else if (time && textIn(time, 'beats') !== '') this.counted.times++;
    for (const style of children(own, 'measure-style')) {
      const repeat = child(style, 'measure-repeat');
      if (repeat) this.again = repeat.attributes['type'] === 'stop' ? 0 : Math.max(1, Number(repeat.text) || 1);
    }
    const transpose = child(own, 'transpose');
    if (transpose)
      this.transpose = (numberIn(transpose, 'chromatic') ?? 0) + 12 * (numberIn(transpose, 'octave-change') ?? 0);
    for (const details of children(own, 'staff-details')) {
      this.capo = numberIn(details, 'capo') ?? this.capo;
      const strings = children(details, 'staff-tuning')
        .map((t) => ({ line: Number(t.attributes['line']), midi: pitchIn(t, 'tuning') }))
        .sort((a, b) => a.line - b.line)
        .flatMap(({ midi }) => (midi === null ? [] : [midi]));
      if (strings.length === STRINGS.length) this.tuning = strings as unknown as Tuning;
    }
  }
  private note(own: Node, at: number, length: number): ForeignNote[] {
    if (child(own, 'rest') || child(own, 'cue')) return [];
    if (this.tabStaff !== null && (textIn(own, 'staff') || '1') !== this.tabStaff) return [];
    const voice = textIn(own, 'voice');
    const pitch = pitchIn(child(own, 'pitch'), '');
    const { unread, taps, ...signs } = signsOf(own);
    for (const name of unread) this.pass(name);
    if (pitch === null && !taps && !signs.slap && !signs.tied && !signs.strummed) {
      this.counted.unpitched++;
      return [];
    }
    // A slash has a place on the staff and no pitch; of several in one head one is enough.
    if (signs.strummed)
      return child(own, 'chord') ? [] : [{ ...signs, at, length, voice, midi: null, string: null, fret: null }];
    const midi = pitch === null ? null : pitch + this.transpose;
    const marks = taps && midi !== null ? [...signs.marks, '*' as const] : signs.marks;
    return [{ ...signs, marks, at, length, voice, midi }];
  }
  /** What is sung on a note or a rest, of one verse; the others are passed over. */
  private lyrics(own: Node, at: number, bar: Open<ForeignBar>) {
    for (const lyric of children(own, 'lyric')) {
      const text = children(lyric, 'text')
        .map((t) => t.text)
        .join(' ')
        .replace(/\s+/g, ' ')
        .trim()
        .slice(0, LONGEST_WORD);
      if (text === '' || bar.lyrics.some((l) => l.at === at && l.text === text)) continue;
      const goesOn = ['begin', 'middle'].includes(textIn(lyric, 'syllabic'));
      if (verseOf(lyric) === this.verse) bar.lyrics = [...bar.lyrics, { at, text, goesOn }];
      else this.pass('lyric');
    }
  }
  private harmony(own: Node, at: number, bar: Open<ForeignBar>) {
    const name = chordName(own);
    if (name === null) this.pass('harmony');
    else bar.chords = [...bar.chords, { at, name: cleanName(name), shape: shapeIn(own) }];
  }
  /** A sign that is passed over, and told. */
  private pass(name: string) {
    this.unread.set(name, (this.unread.get(name) ?? 0) + 1);
  }
  private direction(own: Node, at: number, bar: Open<ForeignBar>) {
    const types = children(own, 'direction-type').flatMap((t) => t.children);
    for (const type of types) {
      if (type.name === 'rehearsal' && bar.name === '') bar.name = type.text.slice(0, 60);
      if (type.name === 'words') bar.words = [...bar.words, type.text.slice(0, 120)];
      const ours = CYCLE.test(type.text) || isInstrumentText(type.text);
      if (type.name === 'words' ? !ours : !TAKEN.has(type.name)) this.pass(type.name);
      const level = type.name === 'dynamics' ? type.children.map((c) => c.name).find(isLevel) : undefined;
      if (level) bar.levels = [...bar.levels, { at: Math.max(0, at), level }];
      if (['coda', 'segno'].includes(type.name)) this.counted.jumps++;
      const perMinute = type.name === 'metronome' ? numberIn(type, 'per-minute') : null;
      if (perMinute !== null && bar.tempo === null) bar.tempo = perMinute * quartersOf(type);
    }
    const sound = own.name === 'sound' ? own : child(own, 'sound');
    const tempo = Number(sound?.attributes['tempo'] ?? Number.NaN);
    if (Number.isFinite(tempo) && tempo > 0) bar.tempo = tempo;
    if (sound && ['dacapo', 'dalsegno', 'tocoda', 'fine'].some((a) => a in sound.attributes)) this.counted.jumps++;
  }
  private barline(own: Node, bar: Open<ForeignBar>) {
    const repeat = child(own, 'repeat');
    const ending = child(own, 'ending');
    if (repeat?.attributes['direction'] === 'forward') bar.opens = true;
    if (repeat?.attributes['direction'] === 'backward')
      bar.closes = Math.max(2, Number(repeat.attributes['times'] ?? 2) || 2);
    if (ending?.attributes['type'] === 'start') {
      const passes = (ending.attributes['number'] ?? '').split(/[\s,]+/).map(Number);
      bar.endingBegins = passes.filter((p) => Number.isInteger(p) && p > 0);
    } else if (ending) bar.endingEnds = true;
  }
}
/** A cycle in one line, as it is written here. */
const CYCLE = /^.+ \(\d+\):/;
/** What a direction can be and is taken, or counted as a jump. */
const TAKEN: ReadonlySet<string> = new Set(['rehearsal', 'dynamics', 'metronome', 'coda', 'segno']);
const isLevel = (name: string): name is Level => (LEVELS as readonly string[]).includes(name);
const UNIT: Readonly<Record<string, number>> = { whole: 4, half: 2, quarter: 1, eighth: 0.5, '16th': 0.25 };
const quartersOf = (metronome: Node): number =>
  (UNIT[textIn(metronome, 'beat-unit')] ?? 1) * (child(metronome, 'beat-unit-dot') ? 1.5 : 1);
