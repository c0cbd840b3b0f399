import { type BarPiece, type RowText, type TypedBar, typedBars } from './tablature-systems.js';
import { readChord } from '../chord/index.js';
import { type Fact, fact } from '../fault/index.js';
import { FRETS_ON_NECK } from '../instrument/index.js';
import { STEPS_PER_COUNT, TICKS_PER_COUNT } from '../time/index.js';

/** What is made of tablature in plain text. */
export interface ReadTablature {
  readonly script: string;
  readonly bars: number;
  readonly notes: number;
  /** Notes that stood between two steps and were put on the nearer one. */
  readonly moved: number;
  /** Notes for which no step was left on their string. */
  readonly lost: number;
  /** Signs that say nothing here and were passed over, each once. */
  readonly unread: readonly string[];
  /** Chords that stand above, each on the count that it stands nearest to, from the beginning. */
  readonly chords: readonly { readonly at: number; readonly name: string }[];
}
export type TablatureRefusal =
  'no six lines' | 'tablature too long' | 'no note in the tablature' | 'note beyond the neck' | 'bars unlike the cycle';
export const LONGEST_TABLATURE = 60_000;

/** The right hand's letters under the strings. */
const LETTERS = /^[\s|pimaePIMAE]+$/;

/** A note as tablature has it. */
export interface TypedNote {
  /** Of its fret, and of what stands before it and belongs to it. */
  readonly column: number;
  readonly begins: number;
  readonly string: number;
  readonly fret: number;
  readonly slurred: boolean;
  readonly dead: boolean;
  /** A harmonic. */
  readonly node: boolean;
}
interface Bar {
  readonly notes: readonly TypedNote[];
  readonly letters: ReadonlyMap<number, string>;
  readonly chords: readonly RowText[];
  readonly width: number;
}

/**
 * Reads tablature as people type it: six lines a system, the thinnest string on top unless their names say otherwise, bars
 * by `|`, frets where they stand, `h p s / \` before a note that the left hand alone sounds, `x` for a dead one, letters of the right hand below. How
 * long notes last is read from their places: a bar is as long as the cycle's, and each note goes on the nearest step.
 * @param barTicks length of a bar
 * @example readTablature(['e|-0-2-|', 'B|-----|', 'G|-----|', 'D|-----|', 'A|-----|', 'E|-----|'].join('\n'), 10080, 2).script // '?:1f0 - ?:1f2 -'
 */
export function readTablature(
  text: string,
  barTicks: number,
  stepsPerCount: number,
): ReadTablature | { readonly refusal: Fact<TablatureRefusal> } {
  if (text.length > LONGEST_TABLATURE) return { refusal: fact('tablature too long', text.length, LONGEST_TABLATURE) };
  const typed = typedBars(text);
  if (typed.length === 0) return { refusal: fact('no six lines') };
  const unread = new Set<string>();
  const bars = typed.map((b) => barOf(b, unread));
  const notes = bars.flatMap((b) => b.notes);
  if (notes.length === 0) return { refusal: fact('no note in the tablature') };
  const far = notes.find((n) => n.fret > FRETS_ON_NECK);
  if (far) return { refusal: fact('note beyond the neck', far.string, far.fret, FRETS_ON_NECK) };
  const steps = (barTicks / TICKS_PER_COUNT) * stepsPerCount;
  if (!Number.isInteger(steps) || !STEPS_PER_COUNT.includes(stepsPerCount))
    return { refusal: fact('bars unlike the cycle', stepsPerCount) };
  let [moved, lost] = [0, 0];
  const chords: { at: number; name: string }[] = [];
  const lines = bars.map((bar, n) => {
    const words = Array.from({ length: steps }, () => '-');
    const at = new Map<number, TypedNote[]>();
    const place = placeIn(bar, steps);
    for (const { column, text: name } of bar.chords) {
      const count = Math.round((place({ column }) / steps) * (barTicks / TICKS_PER_COUNT));
      const at = n * barTicks + Math.max(0, count) * TICKS_PER_COUNT;
      // Of two on one count the later stands there; what is written behind the bar's last count begins the next.
      if (chords.at(-1)?.at === at) chords.pop();
      chords.push({ at, name });
    }
    for (const n of bar.notes) {
      const exact = place(n);
      let step = Math.min(steps - 1, Math.round(exact));
      // Two notes on one string come one after the other.
      while (at.get(step)?.some((o) => o.string === n.string)) step++;
      if (step >= steps) lost++;
      else at.set(step, [...(at.get(step) ?? []), n]);
      if (step < steps && Math.abs(exact - step) > 0.01) moved++;
    }
    for (const [step, own] of at) words[step] = wordOf(own, bar);
    // What has nothing before it is silent.
    for (let n = 0; n < steps && words[n] === '-'; n++) words[n] = '.';
    return words.join(' ');
  });
  const script = lines.join(' | ');
  return { script, bars: bars.length, notes: notes.length, moved, lost, unread: [...unread], chords };
}
/**
 * Which step a note stands on, with fraction. People leave a hold after the bar line and before the next, or leave them
 * out: the bar is as wide as it takes for its notes to stand nearest to steps.
 */
function placeIn({ notes, width }: Bar, steps: number): (n: Pick<TypedNote, 'column'>) => number {
  const first = Math.min(1, ...notes.map((n) => n.column));
  const wide = (w: number) => (n: Pick<TypedNote, 'column'>) => ((n.column - first) / Math.max(1, w)) * steps;
  const off = (place: (n: Pick<TypedNote, 'column'>) => number) =>
    notes.reduce((sum, n) => sum + Math.abs(place(n) - Math.round(place(n))), 0);
  const all = [width, width - 1].map(wide);
  return all.reduce((best, place) => (off(place) < off(best) - 1e-9 ? place : best), wide(width + 1));
}

/** The pieces of a bar one after the other: each but the first without the hold that it begins with. */
function barOf(pieces: TypedBar, unread: Set<string>): Bar {
  const notes: TypedNote[] = [];
  const letters = new Map<number, string>();
  const chords: RowText[] = [];
  let width = 0;
  pieces.forEach(({ strings, letters: row, ...above }, n) => {
    const from = width - (n === 0 ? 0 : 1);
    for (const c of chordsIn(above)) chords.push({ ...c, column: c.column + from });
    for (const note of leftAligned(strings.flatMap((line, i) => notesOn(line, i + 1, unread))))
      notes.push({ ...note, column: note.column + from });
    if (row.every((r) => LETTERS.test(r.text)))
      for (const { column, text } of row)
        for (const [c, letter] of [...text].entries())
          if (/[pimae]/i.test(letter)) letters.set(column + c + from, letter.toLowerCase());
    width = from + (strings[0] ?? '').length;
  });
  return { notes, letters, chords, width };
}
/** The nearer of the two rows above the strings in which every word is a chord. */
function chordsIn({ counts, chords }: Pick<BarPiece, 'counts' | 'chords'>): readonly RowText[] {
  const words = chords.flatMap(({ column, text }) =>
    [...text.matchAll(/\S+/g)].map((m) => ({ column: column + m.index, text: m[0] })),
  );
  const areChords = (row: readonly RowText[]) => row.length > 0 && row.every(({ text }) => isChordName(text));
  return [counts, chords, words].find(areChords) ?? [];
}
/** Letters of the right hand and counts are none. */
const isChordName = (text: string): boolean => /^[A-Z]/.test(text) && readChord(text.replaceAll(' ', '')).ok;
/** Frets of two digits over others of one are often written so that they end together: they begin together. */
function leftAligned(notes: readonly TypedNote[]): TypedNote[] {
  const wide = new Set(notes.filter((n) => n.fret > 9).map((n) => n.column));
  const narrow = new Set(notes.filter((n) => n.fret < 10).map((n) => n.column));
  return notes.map((n) => {
    const over = n.column - 1;
    return n.fret < 10 && wide.has(over) && !wide.has(n.column) && !narrow.has(over) ? { ...n, column: over } : n;
  });
}
const TOKEN = /(\d{1,2})(o)?|([xX])|([hps/\\^])|([^-|:\s()~\d])/g;
/**
 * The notes of one string in a piece of a bar.
 * @param unread signs that say nothing here are put there
 * @param begun something sounds on it already, so that what comes first may be slurred
 */
export function notesOn(line: string, string: number, unread: Set<string>, begun = false): TypedNote[] {
  const notes: TypedNote[] = [];
  let slurred = false;
  let slurAt = 0;
  for (const m of line.matchAll(TOKEN)) {
    const [, fret, node, dead, slur, other] = m;
    if (slur) [slurred, slurAt] = [notes.length > 0 || begun, m.index];
    else if (other) unread.add(other);
    else {
      notes.push({
        column: m.index,
        begins: slurred ? slurAt : m.index,
        string,
        fret: Number(fret ?? 0),
        slurred: slurred && !dead,
        dead: !!dead,
        node: !!node,
      });
      slurred = false;
    }
  }
  return notes;
}

/** The notes of one step, thickest string first, with the letters that stand under them. */
function wordOf(notes: readonly TypedNote[], { letters }: Bar): string {
  const sorted = [...notes].sort((a, b) => b.string - a.string);
  const [only] = sorted;
  if (only && sorted.length === 1 && only.slurred) return `L:${only.string}f${only.fret}`;
  const columns = new Set(sorted.map((n) => n.column));
  const own = [...letters].filter(([c]) => columns.has(c)).map(([, l]) => l);
  const hand = own.length === sorted.length ? [...'pimae'].filter((l) => own.includes(l)).join('') : '';
  const known = hand.length === sorted.length ? hand : '?'.repeat(sorted.length);
  return `${known}:${sorted.map((n) => (n.dead ? `${n.string}f0x` : `${n.string}f${n.fret}${n.node ? 'o' : ''}`)).join('+')}`;
}
