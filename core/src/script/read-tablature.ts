import { typedTablature } from './typed-tablature.js';
import { type Fact, fact } from '../fault/index.js';
import { FRETS_ON_NECK } from '../instrument/index.js';
import { STEPS_PER_COUNT, STRINGS, TICKS_PER_COUNT } from '../time/index.js';

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
}
export type TablatureRefusal =
  'no six lines' | 'tablature too long' | 'no note in the tablature' | 'note beyond the neck' | 'bars unlike the cycle';
export const LONGEST_TABLATURE = 60_000;

/** A line of a string: its name perhaps, then holds, frets and bar lines. */
const LINE = /^\s*(?:[A-Ha-h][#b♯♭]?|[1-6])?\s*([|:].*|-.*)$/;
const isString = (line: string): boolean => LINE.test(line) && line.includes('-');
/** A line of the right hand's letters under the strings. */
const LETTERS = /^[\s|pimaePIMAE]+$/;

interface Note {
  readonly column: number;
  readonly string: number;
  readonly fret: number;
  readonly slurred: boolean;
  readonly dead: boolean;
  /** A harmonic. */
  readonly node: boolean;
}
interface Bar {
  readonly notes: readonly Note[];
  readonly letters: ReadonlyMap<number, string>;
  readonly width: number;
}

/**
 * Reads tablature as people type it: six lines a system, the thinnest string on top unless their names say otherwise, bars
 * by `|`, frets where they stand, `h p s / \` before a note that the left hand alone sounds, `x` for a dead one, letters of the right hand below. How
 * long notes last is read from their places: a bar is as long as the cycle's, and each note goes on the nearest step.
 * @param barTicks length of a bar
 * @example readTablature(['e|-0-2-|', 'B|-----|', 'G|-----|', 'D|-----|', 'A|-----|', 'E|-----|'].join('\n'), 10080, 2) // { script: '?:1f0 - ?:1f2 -', bars: 1, notes: 2, moved: 0, lost: 0, unread: [] }
 */
export function readTablature(
  text: string,
  barTicks: number,
  stepsPerCount: number,
): ReadTablature | { readonly refusal: Fact<TablatureRefusal> } {
  if (text.length > LONGEST_TABLATURE) return { refusal: fact('tablature too long', text.length, LONGEST_TABLATURE) };
  const systems = systemsOf(typedTablature(text).split('\n'));
  if (systems.length === 0) return { refusal: fact('no six lines') };
  const unread = new Set<string>();
  const bars = systems.flatMap((s) => barsOf(s.strings, s.letters, unread));
  const notes = bars.flatMap((b) => b.notes);
  if (notes.length === 0) return { refusal: fact('no note in the tablature') };
  const far = notes.find((n) => n.fret > FRETS_ON_NECK);
  if (far) return { refusal: fact('note beyond the neck', far.string, far.fret, FRETS_ON_NECK) };
  const steps = (barTicks / TICKS_PER_COUNT) * stepsPerCount;
  if (!Number.isInteger(steps) || !STEPS_PER_COUNT.includes(stepsPerCount))
    return { refusal: fact('bars unlike the cycle', stepsPerCount) };
  let [moved, lost] = [0, 0];
  const lines = bars.map((bar) => {
    const words = Array.from({ length: steps }, () => '-');
    const at = new Map<number, Note[]>();
    const place = placeIn(bar, steps);
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
  return { script: lines.join(' | '), bars: bars.length, notes: notes.length, moved, lost, unread: [...unread] };
}
/**
 * Which step a note stands on, with fraction. People leave a hold after the bar line and before the next, or leave them
 * out: the bar is as wide as it takes for its notes to stand nearest to steps.
 */
function placeIn({ notes, width }: Bar, steps: number): (n: Note) => number {
  const first = Math.min(1, ...notes.map((n) => n.column));
  const wide = (w: number) => (n: Note) => ((n.column - first) / Math.max(1, w)) * steps;
  const off = (place: (n: Note) => number) =>
    notes.reduce((sum, n) => sum + Math.abs(place(n) - Math.round(place(n))), 0);
  const all = [width, width - 1].map(wide);
  return all.reduce((best, place) => (off(place) < off(best) - 1e-9 ? place : best), wide(width + 1));
}

function systemsOf(lines: readonly string[]): { strings: string[]; letters: string }[] {
  const systems: { strings: string[]; letters: string }[] = [];
  for (let n = 0; n + STRINGS.length <= lines.length; n++) {
    const six = lines.slice(n, n + STRINGS.length);
    if (!six.every(isString)) continue;
    // Everything is counted from where the strings begin.
    const begin = Math.max(...six.map((l) => l.length - (LINE.exec(l)?.[1] ?? '').length));
    const below = lines[n + STRINGS.length] ?? '';
    const letters = below.trim() !== '' && LETTERS.test(below) ? below.slice(begin) : '';
    const strings = six.map((l) => LINE.exec(l)?.[1] ?? '');
    systems.push({ strings: isUpsideDown(six) ? strings.reverse() : strings, letters });
    n += STRINGS.length - 1;
  }
  return systems;
}

/** Whether the thickest string stands on top: the names say so. */
const isUpsideDown = (six: readonly string[]): boolean =>
  /^(?:eadgbe|654321)$/i.test(six.map((l) => /^\s*([A-Ha-h1-6]?)/.exec(l)?.[1] ?? '').join(''));

function barsOf(strings: readonly string[], letters: string, unread: Set<string>): Bar[] {
  const length = Math.max(...strings.map((s) => s.length));
  const lines = strings.map((s) => s.padEnd(length, '-'));
  // A bar line goes through all the strings.
  const cuts = Array.from({ length }, (_, c) => c).filter((c) => lines.every((l) => l[c] === '|' || l[c] === ':'));
  const edges = [-1, ...cuts, length];
  return edges.slice(0, -1).flatMap((from, n): Bar[] => {
    const to = edges[n + 1] ?? length;
    if (to - from < 3) return [];
    const notes = lines.flatMap((line, i) => notesOn(line.slice(from + 1, to), i + 1, unread));
    const own = new Map<number, string>();
    for (const [c, letter] of [...letters.slice(from + 1, to)].entries())
      if (/[pimae]/i.test(letter)) own.set(c, letter.toLowerCase());
    return [{ notes, letters: own, width: to - from - 1 }];
  });
}
const TOKEN = /(\d{1,2})(o)?|([xX])|([hps/\\^])|([^-|:\s()~\d])/g;
function notesOn(line: string, string: number, unread: Set<string>): Note[] {
  const notes: Note[] = [];
  let slurred = false;
  for (const m of line.matchAll(TOKEN)) {
    const [, fret, node, dead, slur, other] = m;
    if (slur) slurred = notes.length > 0;
    else if (other) unread.add(other);
    else {
      notes.push({
        column: m.index,
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
function wordOf(notes: readonly Note[], { letters }: Bar): string {
  const sorted = [...notes].sort((a, b) => b.string - a.string);
  const [only] = sorted;
  if (only && sorted.length === 1 && only.slurred) return `L:${only.string}f${only.fret}`;
  const columns = new Set(sorted.map((n) => n.column));
  const own = [...letters].filter(([c]) => columns.has(c)).map(([, l]) => l);
  const hand = own.length === sorted.length ? [...'pimae'].filter((l) => own.includes(l)).join('') : '';
  const known = hand.length === sorted.length ? hand : '?'.repeat(sorted.length);
  return `${known}:${sorted.map((n) => (n.dead ? `${n.string}f0x` : `${n.string}f${n.fret}${n.node ? 'o' : ''}`)).join('+')}`;
}
