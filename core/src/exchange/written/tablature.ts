import { type AccentCycle, cycleLength } from '../../cycle/index.js';
import { fact } from '../../fault/index.js';
import { pitchName } from '../../instrument/index.js';
import { breakAt } from '../../notation/index.js';
import type { Score, ScoreEvent, ScoreNote } from '../../score/index.js';
import { type Direction, type Mark, markRow, MARKS, marksOn, type PlectrumWay } from '../../stroke/index.js';
import { gcd, type StringNumber, STRINGS, TICKS_PER_COUNT } from '../../time/index.js';
import type { Loss } from './model.js';

/** Letters across a line at most. */
const WIDTH = 80;
/** A count is at least so many letters wide. */
const COUNT_WIDTH = 4;
const SLURRED = { hammer: 'h', pull: 'p', slide: 's' } as const;
/** Ways of a strum, and of a plectrum, in the letters below. */
export const STRUM: Readonly<Record<Direction, string>> = { d: 'v', u: '^' };
export const PLECTRUM: Readonly<Record<PlectrumWay, string>> = { d: 'Pv', u: 'P^', w: 'Pw' };
/** Nothing sounds from here on; open strings are held. */
export const SILENCE = '.';
export const OPEN = '.';

/** What stands in a row of columns, by column. */
type Row = Map<number, string>;
/** A bar, or a part of one that is broken over systems, as rows of letters. */
interface Columns {
  readonly chords: string;
  readonly counts: string;
  readonly strings: readonly string[];
  readonly letters: string;
  /** It begins a bar, and ends one. */
  readonly begins: boolean;
  readonly ends: boolean;
}
/**
 * A score as tablature in plain text, as players type it: string 1 on top, each bar in columns of its own finest division,
 * bars by `|`, chords and counts above, below the letters of the right hand with its marks. `h p s` stand before what the
 * left hand alone sounds, `x` for a dead string; `v` and `^` are strums down and up, `P` a plectrum, `G` and `S` golpe and
 * slap, `.` a silence, `@f` a level. A bar too long for a line is broken where a group begins: its lines end without a bar
 * line, and go on without one.
 * @param from the first bar, counted from 0
 * @param to behind the last
 * @param right the right hand alone: its fingers stand on their strings in place of frets, `v` and `^` where it strums
 */
export function tablatureText(
  score: Score,
  cycle: AccentCycle,
  from = 0,
  to = score.bars.length,
  right = false,
): string {
  const names = [...STRINGS].reverse().map((s) => nameOf(score, s));
  const wide = Math.max(...names.map((n) => n.length));
  const room = WIDTH - wide - 2;
  const rows = rowsOf(score, cycle, right ? fingerText : fretText);
  const parts = score.bars.slice(from, to).flatMap((_, n) => columnsOf(rows(from + n), room));
  const systems: Columns[][] = [];
  let [width, open] = [Infinity, false];
  for (const part of parts) {
    const own = (part.strings[0] ?? '').length + 1;
    // What goes on from the system before, or into the next, stands at its edge.
    if (width + own > room || open || !part.begins) {
      systems.push([]);
      width = 0;
    }
    systems.at(-1)?.push(part);
    width += own;
    open = !part.ends;
  }
  const pad = ' '.repeat(wide + 1);
  return systems
    .map((system) => {
      const line = (of: (c: Columns) => string) => `${pad}${system.map(of).join(' ')}`.trimEnd();
      const [first, last] = [system[0], system.at(-1)];
      const string = (name: string, i: number) =>
        `${name.padEnd(wide)}${first?.begins ? '|' : ' '}${system.map((c) => c.strings[i]).join('|')}${last?.ends ? '|' : ''}`;
      const chords = line((c) => c.chords);
      return [
        ...(chords === '' ? [] : [chords]),
        line((c) => c.counts),
        ...names.map(string),
        ...[line((c) => c.letters)].filter((text) => text !== ''),
      ].join('\n');
    })
    .join('\n\n');
}
/** A string by its open note; the thinnest in a small letter, so that two of a name differ. */
function nameOf({ instrument: { tuning } }: Score, string: StringNumber): string {
  const name = pitchName(tuning[STRINGS.indexOf(string)] ?? 0).replace(/-?\d+$/, '');
  return string === 1 ? name.toLowerCase() : name;
}

/** What stands in a bar, by ticks from its beginning. */
interface BarRows {
  readonly length: number;
  readonly seams: readonly number[];
  readonly chords: Row;
  readonly counts: Row;
  readonly strings: readonly Row[];
  readonly letters: Row;
}
type PlaceText = (e: ScoreEvent, note: ScoreNote) => string;
function rowsOf(score: Score, cycle: AccentCycle, placeText: PlaceText): (n: number) => BarRows {
  const { bars, chords, events } = score;
  const turn = cycleLength(cycle);
  const made = bars.map((bar): BarRows => {
    const counts: Row = new Map();
    for (let at = 0; at < bar.length; at += TICKS_PER_COUNT) {
      const label = cycle.labels[((bar.at + at) % turn) / TICKS_PER_COUNT];
      if (label) counts.set(at, label);
    }
    let group = 0;
    const seams = cycle.groups.map((g) => {
      const begin = group;
      group += g;
      return begin - (bar.at % turn);
    });
    return {
      length: bar.length,
      seams: seams.filter((s) => s > 0 && s < bar.length),
      chords: new Map(),
      counts,
      strings: STRINGS.map(() => new Map<number, string>()),
      letters: new Map(),
    };
  });
  const barAt = (at: number) => bars.findLastIndex((b) => b.at <= at);
  for (const [i, { at, until, name, bar }] of chords.entries())
    if (until > at && (name !== '' || i > 0)) made[bar]?.chords.set(at - (bars[bar]?.at ?? 0), name || OPEN);
  let level = 'mf';
  events.forEach((e, i) => {
    const own = made[e.bar];
    if (!own) return;
    const said = lettersOf(e);
    const louder = e.level === level ? '' : `@${e.level}${said && ':'}`;
    level = e.level;
    if (louder + said !== '') own.letters.set(e.inBar, louder + said);
    const slur = e.motion.kind === 'ligado' ? (e.slur ? SLURRED[e.slur] : 'h') : '';
    for (const note of e.notes) own.strings[note.string - 1]?.set(e.inBar, `${slur}${placeText(e, note)}`);
    const end = e.at + e.duration;
    const bar = barAt(end);
    // What is over before the next begins is followed by silence.
    if (end < (events[i + 1]?.at ?? score.length)) made[bar]?.letters.set(end - (bars[bar]?.at ?? 0), SILENCE);
  });
  return (n) => made[n] as BarRows;
}
/** A bar in columns, in as few parts as find room. */
function columnsOf(bar: BarRows, room: number): Columns[] {
  const all = [bar.chords, bar.counts, ...bar.strings, bar.letters];
  const unit = all.reduce(
    (u, row) => [...row.keys()].reduce((v, at) => gcd(v, at), u),
    gcd(bar.length, TICKS_PER_COUNT),
  );
  const most = Math.ceil(bar.length / TICKS_PER_COUNT);
  for (let parts = 1; ; parts++) {
    const edges = [0, ...breakAt(bar, parts), bar.length];
    const width = Math.max(1, ...edges.slice(1).map((to, n) => widthIn(bar, edges[n] ?? 0, to, unit)));
    const own = edges.slice(1).map((to, n) => partOf(bar, { from: edges[n] ?? 0, to, unit, width }));
    if (parts >= most || own.every((c) => (c.strings[0] ?? '').length <= room)) return own;
  }
}
/** Letters to a column, so that nothing in a row runs into what follows: names of chords are two apart. */
function widthIn(bar: BarRows, from: number, to: number, unit: number): number {
  let width = Math.ceil((COUNT_WIDTH * unit) / TICKS_PER_COUNT);
  const apart = (row: Row, between: number, last: number) => {
    const own = [...row].filter(([at]) => at >= from && at < to).sort((a, b) => a[0] - b[0]);
    own.forEach(([at, text], i) => {
      const next = own[i + 1]?.[0];
      const letters = next === undefined ? text.length + last : text.length + between;
      width = Math.max(width, Math.ceil((letters * unit) / ((next ?? to) - at)));
    });
  };
  apart(bar.chords, 2, 1);
  apart(bar.counts, 1, 0);
  apart(bar.letters, 1, 1);
  for (const row of bar.strings) apart(row, 1, 1);
  return width;
}
interface Cut {
  readonly from: number;
  readonly to: number;
  readonly unit: number;
  readonly width: number;
}
function partOf(bar: BarRows, { from, to, unit, width }: Cut): Columns {
  const letters = 1 + ((to - from) / unit) * width;
  const laid = (row: Row, empty: string): string => {
    let text = empty;
    for (const [at, own] of [...row].sort((a, b) => a[0] - b[0]))
      if (at >= from && at < to) text = text.padEnd(1 + ((at - from) / unit) * width, empty) + own;
    return text.padEnd(letters, empty);
  };
  return {
    chords: laid(bar.chords, ' '),
    counts: laid(bar.counts, ' '),
    strings: bar.strings.map((row) => laid(row, '-')),
    letters: laid(bar.letters, ' '),
    begins: from === 0,
    ends: to === bar.length,
  };
}
/** A fret with what its marks put behind it, or in its place. */
function fretText({ motion }: ScoreEvent, note: ScoreNote): string {
  const signs = marksOn(motion, note.string).map((m) => markRow(m).tablature);
  const instead = signs.flatMap((s) => ('instead' in s ? [s.instead] : []))[0];
  return instead ?? `${note.fret}${signs.flatMap((s) => ('behind' in s ? [s.behind] : [])).join('')}`;
}
/** The finger that meets a string, or the way of a strum through it; a dead string is one here too. */
function fingerText({ motion }: ScoreEvent, { string, right }: ScoreNote): string {
  if (marksOn(motion, string).includes('x')) return 'x';
  if (motion.kind !== 'stroke') return '';
  if (motion.plectrum) return PLECTRUM[motion.plectrum];
  return motion.dir ? STRUM[motion.dir] : (right ?? '?');
}
/** Marks that all strings of a stroke have, of those that stand under it. */
function commonMarks({ motion, notes }: ScoreEvent): Mark[] {
  const each = notes.length
    ? notes.map((n) => marksOn(motion, n.string))
    : motion.kind === 'ghost'
      ? []
      : [motion.marks];
  return MARKS.filter(
    (m) => 'under' in markRow(m).tablature && each.length > 0 && each.every((own) => own.includes(m)),
  );
}
/** Fingers thickest string first, a strum's with its way, and the marks behind. */
function lettersOf(e: ScoreEvent): string {
  const { motion, notes } = e;
  const signs = commonMarks(e)
    .map((m) => markRow(m).tablature)
    .flatMap((s) => ('under' in s ? [s.under] : []))
    .join('');
  const golpe = motion.kind === 'stroke' && motion.golpe ? motion.golpe : '';
  const marked = signs.replace('*', `*${golpe}`);
  switch (motion.kind) {
    case 'golpe':
      return `G${marked}`;
    case 'slap':
      return `S${marked}`;
    case 'ghost':
      return '';
    case 'ligado':
      return marked;
    case 'stroke': {
      if (motion.plectrum) return PLECTRUM[motion.plectrum] + marked;
      if (motion.dir) return motion.fingers.join('') + STRUM[motion.dir] + marked;
      const own = [...notes].sort((a, b) => b.string - a.string).map((n) => n.right ?? '');
      return own.join('') + marked;
    }
  }
}

/** What bars of a score lose as tablature in plain text. */
export function tablatureLosses(score: Score, from = 0, to = score.bars.length): Loss[] {
  const count = (code: Loss['code'], is: (e: ScoreEvent) => boolean): Loss[] => {
    const n = score.events.filter((e) => e.bar >= from && e.bar < to && is(e)).length;
    return n > 0 ? [fact(code, n)] : [];
  };
  const isTap = ({ motion }: ScoreEvent) => motion.kind === 'golpe' || motion.kind === 'slap';
  return [
    ...count('strokes without strings', (e) => e.notes.length === 0 && !isTap(e)),
    ...count('left fingers', (e) => e.notes.some((n) => n.left !== null && n.left !== 0)),
    // Of single strings, beside others that have not got them; behind a fret that is not written.
    ...count('marks', (e) => {
      const common = commonMarks(e);
      return e.notes.some((n) => {
        const own = marksOn(e.motion, n.string).map((m) => ({ m, ...markRow(m).tablature }));
        const instead = own.some((o) => 'instead' in o);
        return own.some((o) => ('under' in o && !common.includes(o.m)) || ('behind' in o && instead));
      });
    }),
  ];
}
