import { barTicks } from '../../cycle/index.js';
import { fact } from '../../fault/index.js';
import { STANDARD_TUNING } from '../../instrument/index.js';
import { cleanName } from '../../name/index.js';
import { quartersInCount, timeOf } from '../../notation/index.js';
import { notesOn, type TypedBar, typedBars, type TypedNote } from '../../script/index.js';
import { type Level, LEVELS, type Mark, markRow, MARKS, type PlectrumWay } from '../../stroke/index.js';
import { clampBpm, STRINGS, type StringNumber } from '../../time/index.js';
import { ticksPerPart } from '../foreign/cycles.js';
import type { ForeignBar, ForeignMusic, ForeignNote } from '../foreign/model.js';
import { cycleText, cycleWord } from '../written/cycle-text.js';
import { OPEN, PLECTRUM, SILENCE, STRUM } from '../written/tablature.js';
import type { TablatureHead, TablatureSection } from '../written/tablature-file.js';

/** What begins at a place of a bar: a stroke with its notes, a silence, a level. */
interface Begun {
  readonly at: number;
  readonly notes: readonly TypedNote[];
  readonly letters: string;
}
/** A bar on its ticks. */
interface TimedBar {
  readonly begun: readonly Begun[];
  readonly chords: readonly { readonly at: number; readonly name: string }[];
}
/**
 * A file of tablature that was written here as music: every column is a place of its bar, so nothing is guessed.
 */
export function ownTablature(head: TablatureHead): ForeignMusic {
  const instrument = head.instrument ?? { tuning: STANDARD_TUNING, capo: 0 };
  const unread = new Set<string>();
  const bars = head.sections.flatMap((s) => sectionBars(s, { ...head, instrument }, unread));
  return {
    name: cleanName(head.name),
    played: false,
    ...instrument,
    bars,
    notes: unread.size ? [fact('signs not read' as const, ...[...unread].slice(0, 12))] : [],
    parts: [],
    part: 0,
  };
}
type Setting = Pick<TablatureHead, 'shapes'> & { readonly instrument: NonNullable<TablatureHead['instrument']> };
function sectionBars(
  { name, cycle, bpm, text }: TablatureSection,
  { instrument, shapes }: Setting,
  unread: Set<string>,
): ForeignBar[] {
  const lengths = barTicks(cycle);
  const part = ticksPerPart(cycle);
  const lengthOf = (n: number) => lengths[n % lengths.length] ?? 0;
  const bars = typedBars(text).map((bar, n) => timedBar(bar, lengthOf(n), unread));
  // Until when each stroke sounds: the next one, or a silence.
  let at = 0;
  const begins = bars.map((_, n) => {
    const begin = at;
    at += lengthOf(n);
    return begin;
  });
  const line = bars.flatMap((bar, n) => bar.begun.map((b) => ({ ...b, bar: n, from: (begins[n] ?? 0) + b.at })));
  const strokes = line.map((b, i) => ({ ...b, length: (line[i + 1]?.from ?? at) - b.from }));
  return bars.map(({ chords }, n): ForeignBar => {
    const length = lengthOf(n);
    const [beats, beatType] = timeOf(length, cycle);
    const own = strokes.filter((s) => s.bar === n).map((s) => ({ ...s, said: readLetters(s.letters) }));
    return {
      ...{ beats, beatType, length: length / part },
      notes: own.flatMap((s) =>
        notesFrom(s, instrument).map((note) => ({ ...note, at: s.at / part, length: s.length / part })),
      ),
      chords: chords.map((c) => ({
        at: c.at / part,
        name: c.name === OPEN ? '' : c.name,
        shape: shapes.find((s) => s.name === c.name) ?? null,
      })),
      levels: own.flatMap((s) => (s.said.level ? [{ at: s.at / part, level: s.said.level }] : [])),
      ...(n === 0
        ? { name, words: [cycleText(cycle), cycleWord(cycle.id)], tempo: clampBpm(bpm) * quartersInCount(cycle) }
        : { name: '', words: [], tempo: null }),
      ...{ opens: false, closes: null, endingBegins: null, endingEnds: false },
      ...{ lyrics: [], key: null },
    };
  });
}
function timedBar(pieces: TypedBar, length: number, unread: Set<string>): TimedBar {
  // Each piece begins with a hold that is no place.
  const widths = pieces.map((p) => (p.strings[0] ?? '').length - 1);
  const whole = Math.max(
    1,
    widths.reduce((a, b) => a + b, 0),
  );
  const begun = new Map<number, { at: number; notes: TypedNote[]; letters: string }>();
  const chords: { at: number; name: string }[] = [];
  let before = 0;
  pieces.forEach((piece, n) => {
    const placeOf = (column: number) => Math.round((length * (before + column - 1)) / whole);
    const there = (at: number) => {
      const own = begun.get(at) ?? { at, notes: [], letters: '' };
      begun.set(at, own);
      return own;
    };
    piece.strings.forEach((line, i) => {
      for (const note of notesOn(line, i + 1, unread, true)) there(placeOf(note.begins)).notes.push(note);
    });
    for (const { column, text } of piece.letters) there(placeOf(column)).letters = text;
    for (const { column, text } of piece.chords) chords.push({ at: placeOf(column), name: text });
    before += widths[n] ?? 0;
  });
  return { begun: [...begun.values()].sort((a, b) => a.at - b.at), chords };
}

interface Said {
  readonly level: Level | null;
  readonly kind: 'stroke' | 'golpe' | 'slap' | 'silence';
  readonly fingers: string;
  readonly dir: 'd' | 'u' | null;
  readonly plectrum: PlectrumWay | null;
  readonly marks: readonly Mark[];
  readonly golpe: string;
}
const UNDER = MARKS.flatMap((mark) => {
  const { tablature } = markRow(mark);
  return 'under' in tablature ? [{ mark, sign: tablature.under }] : [];
});
const keyOf = <K extends string>(table: Readonly<Record<K, string>>, sign: string): K | null =>
  (Object.keys(table) as K[]).find((k) => table[k] === sign) ?? null;
/**
 * The letters under a stroke.
 * @example readLetters('@f:iv!').dir // 'd'
 */
export function readLetters(text: string): Said {
  const [, loud, own = ''] = /^(?:@(pp|p|mp|mf|f|ff)(?::|$))?(.*)$/.exec(text) ?? [];
  const level = LEVELS.find((l) => l === loud) ?? null;
  const [, plectrum = '', tap = '', fingers = '', way = '', rest = ''] =
    /^(?:(P[v^w])|([GS])|([pimaexcqh]*)([v^]?))(.*)$/.exec(own) ?? [];
  const golpe = /\*([pimae])/.exec(rest)?.[1] ?? '';
  return {
    level,
    kind: own === SILENCE ? 'silence' : tap === 'G' ? 'golpe' : tap === 'S' ? 'slap' : 'stroke',
    fingers,
    dir: keyOf(STRUM, way),
    plectrum: keyOf(PLECTRUM, plectrum),
    marks: UNDER.filter(({ sign }) => rest.includes(sign)).map(({ mark }) => mark),
    golpe,
  };
}
const BARE = { string: null, fret: null, left: null, right: '', dir: null, plectrum: null } as const;
const WHOLE = { ligado: false, golpe: '', slap: false, strummed: false, tied: false, ties: false, voice: '' } as const;
type Untimed = Omit<ForeignNote, 'at' | 'length'>;
function notesFrom(
  { notes, said }: { readonly notes: readonly TypedNote[]; readonly said: Said },
  { tuning, capo }: Setting['instrument'],
): Untimed[] {
  if (notes.length === 0) {
    if (said.kind !== 'golpe' && said.kind !== 'slap') return [];
    return [{ ...BARE, ...WHOLE, midi: null, marks: said.marks, slap: said.kind === 'slap' }];
  }
  const sorted = [...notes].sort((a, b) => b.string - a.string);
  return sorted.map((n, i): Untimed => {
    const string = n.string as StringNumber;
    const own: Mark[] = [...said.marks, ...(n.dead ? ['x' as const] : []), ...(n.node ? ['o' as const] : [])];
    return {
      ...BARE,
      ...WHOLE,
      midi: (tuning[STRINGS.indexOf(string)] ?? 0) + n.fret + capo,
      string,
      fret: n.fret,
      // Of a strum all fingers go through all strings.
      right: said.dir ? said.fingers : said.fingers.length === sorted.length ? (said.fingers[i] ?? '') : '',
      marks: own,
      dir: said.dir,
      plectrum: said.plectrum,
      ligado: n.begins < n.column,
      golpe: said.golpe,
    };
  });
}
