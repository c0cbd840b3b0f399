import { STRINGS } from '../time/index.js';
import { typedTablature } from './typed-tablature.js';

/** A line of a string: its name perhaps, then holds, frets and bar lines. */
const LINE = /^\s*(?:[A-Ha-h][#b♯♭]?|[1-6])?\s*([|:].*|-.*)$/;
const isString = (line: string): boolean => LINE.test(line) && line.includes('-');

/** Text in a row above or below the strings, by the column of its first letter. */
export interface RowText {
  readonly column: number;
  readonly text: string;
}
/** A piece of a bar within one system: six lines of the same length, the thinnest string first, without bar lines. */
export interface BarPiece {
  readonly strings: readonly string[];
  /** What stands above in the line next to the strings, in the one above it, and below. */
  readonly counts: readonly RowText[];
  readonly chords: readonly RowText[];
  readonly letters: readonly RowText[];
}
/** A bar of tablature: one piece, or several where it is broken over systems. */
export type TypedBar = readonly BarPiece[];

interface System {
  /** So often all bars that it ends are played, as is said behind its lines. */
  readonly times: number | null;
  readonly strings: readonly string[];
  readonly above: readonly [next: string, over: string];
  readonly below: string;
}
/** A bar is played no more often than this. */
const MOST_TIMES = 16;
/** Bars that repeats are written out to at most. */
const MOST_BARS_OUT = 600;

/**
 * Bars of tablature in plain text, six lines a system. A bar whose lines end without a bar line goes on in the next system,
 * where that begins without one. Repeats are written out: between `|:` and `:|` twice, or as often as `x4` behind the last
 * bar line says, which holds for that bar alone where no sign of repeat stands.
 * @example typedBars(['e|-0-', 'B|---', 'G|---', 'D|---', 'A|---', 'E|---'].join('\n'))[0][0].strings[0] // '-0-'
 */
export function typedBars(text: string): TypedBar[] {
  const bars: BarPiece[][] = [];
  let [open, begin] = [false, 0];
  for (const system of systemsIn(typedTablature(text).split('\n'))) {
    const pieces = piecesOf(system);
    pieces.forEach(({ piece, opens, closes }, n) => {
      if (n === 0 && open && !/^[|:]/.test(system.strings[0] ?? '')) bars.at(-1)?.push(piece);
      else bars.push([piece]);
      if (opens) begin = bars.length - 1;
      const last = n === pieces.length - 1;
      const said = last ? system.times : null;
      if (!closes && said === null) return;
      const again = bars.slice(closes ? begin : bars.length - 1);
      for (let time = 1; time < Math.min(said ?? 2, MOST_TIMES); time++)
        if (bars.length + again.length <= MOST_BARS_OUT) bars.push(...again.map((b) => [...b]));
      begin = bars.length;
    });
    if (pieces.length > 0) open = !/[|:]\s*$/.test(system.strings[0] ?? '');
  }
  return bars;
}
/** Behind the last bar line: so many times. */
const TIMES = /([|:])\s*[([]?\s*(?:[xX×]\s?(\d{1,2})|(\d{1,2})\s?[xX×])\s*[)\]]?\s*$/;
function systemsIn(lines: readonly string[]): System[] {
  const systems: System[] = [];
  let last = -1;
  for (let n = 0; n + STRINGS.length <= lines.length; n++) {
    const six = lines.slice(n, n + STRINGS.length);
    if (!six.every(isString)) continue;
    // Everything is counted from where the strings begin.
    const begin = Math.max(...six.map((l) => l.length - (LINE.exec(l)?.[1] ?? '').length));
    const row = (at: number) => (at > last ? (lines[at] ?? '') : '').slice(begin);
    const next = row(n - 1);
    const below = lines[n + STRINGS.length] ?? '';
    const said = six.flatMap((l) => TIMES.exec(l) ?? []).find((m) => /^\d/.test(m ?? ''));
    const strings = six.map((l) => (LINE.exec(l)?.[1] ?? '').replace(TIMES, '$1'));
    systems.push({
      times: said === undefined ? null : Number(said),
      strings: isUpsideDown(six) ? strings.reverse() : strings,
      above: [next, next.trim() === '' ? '' : row(n - 2)],
      below: below.slice(begin),
    });
    n += STRINGS.length - 1;
    last = n + 1;
  }
  return systems;
}
/** Whether the thickest string stands on top: the names say so. */
const isUpsideDown = (six: readonly string[]): boolean =>
  /^(?:eadgbe|654321)$/i.test(six.map((l) => /^\s*([A-Ha-h1-6]?)/.exec(l)?.[1] ?? '').join(''));

/** A name of a chord may have a space in it: two or more part it from the next. */
const NAMES = /\S+(?: \S+)*/g;
const WORDS = /\S+/g;
interface PlacedPiece {
  readonly piece: BarPiece;
  /** A repeat begins before it, or ends behind it. */
  readonly opens: boolean;
  readonly closes: boolean;
}
function piecesOf({ strings, above: [next, over], below }: System): PlacedPiece[] {
  const length = Math.max(...strings.map((s) => s.length));
  const lines = strings.map((s) => s.padEnd(length, '-'));
  // A bar line goes through all the strings.
  const cuts = Array.from({ length }, (_, c) => c).filter((c) => lines.every((l) => l[c] === '|' || l[c] === ':'));
  const edges = [-1, ...cuts, length];
  // What begins over a bar line belongs to the bar behind it.
  const rowIn = (row: string, at: number, to: number, parted = WORDS): RowText[] =>
    [...row.matchAll(parted)]
      .filter((m) => m.index >= at - 1 && m.index < to)
      .map((m) => ({ column: Math.max(0, m.index - at), text: m[0] }));
  const isColon = (column: number) => lines.some((l) => l[column] === ':');
  return edges.slice(0, -1).flatMap((from, n): PlacedPiece[] => {
    const to = edges[n + 1] ?? length;
    if (to - from < 3) return [];
    const at = from + 1;
    const piece = {
      strings: lines.map((l) => l.slice(at, to)),
      counts: rowIn(next, at, to),
      chords: rowIn(over, at, to, NAMES),
      letters: rowIn(below, at, to),
    };
    return [{ piece, opens: isColon(from) || isColon(at), closes: isColon(to) || isColon(to - 1) }];
  });
}
