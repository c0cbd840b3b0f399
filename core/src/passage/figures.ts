import { isBassString } from '../stroke/index.js';
import type { PassageNote } from './model.js';
import { fromThickest, isSingle, settledHand, thickest } from './strings.js';
import type { Texture } from './textures.js';

/** A single note on this string or a thicker one is a bass wherever something goes over it. */
const SURE_BASS = 5;
/** Below this string of the fingers two notes struck together are apart: the lower is a bass on any string. */
const APART = 2;

/** What is settled of a passage before its voices are read. */
interface Cut {
  readonly notes: readonly PassageNote[];
  readonly textures: readonly Texture[];
  /** Low notes of groups on one string. */
  readonly lows: ReadonlySet<number>;
  /** First notes after such groups. */
  readonly ends: ReadonlySet<number>;
  /** The string that is a pedal beside or under it, by note. */
  readonly pedals: readonly (number | null)[];
}
/** Of a pedal and the voice that moves beside it the thumb has the lower, on whatever strings; null where there is none. */
function lowerOfPedal({ notes, pedals }: Cut, i: number): boolean | null {
  const pedal = pedals[i] ?? null;
  if (pedal === null) return null;
  const own = thickest(notes[i] as PassageNote);
  if (own !== pedal) return own > pedal;
  const other = [notes[i - 1], notes[i + 1]].find((n) => n && !n.strings.includes(pedal as 1));
  return other ? own > thickest(other) : null;
}

/** Two notes on neighbouring thin strings, as of a melody in thirds. */
export const isDouble = ({ strings }: Pick<PassageNote, 'strings'>): boolean => {
  const [a = 1, b = 1] = strings;
  return strings.length === 2 && Math.abs(a - b) < APART && !strings.some(isBassString);
};

/** Whether a note goes down to a thick string from both sides, over a string at least. */
function leaps(notes: readonly PassageNote[], i: number): boolean {
  const low = thickest(notes[i] as PassageNote);
  const beside = [notes[i - 1], notes[i + 1]].filter((n): n is PassageNote => n !== undefined);
  return beside.length > 0 && beside.every((n) => low - thickest(n) >= APART);
}

/** Where the fingers of a figure lie: one string deeper than 3 2 1 where it goes down to 4 over a bass and leaves 1 alone. */
function setOf(notes: readonly PassageNote[], from: number, to: number): 0 | 1 {
  let [bass, fourth, above, first] = [false, false, false, false];
  for (let i = from; i < to; i++) {
    const note = notes[i] as PassageNote;
    const { strings } = note;
    // Where string 4 is known to be the fingers', they have gone down to it.
    bass ||= strings.some((s) => s >= SURE_BASS) || (strings.includes(4) && settledHand(note) === 'fingers');
    fourth ||= strings.includes(4);
    above ||= strings.includes(3) || strings.includes(2);
    first ||= strings.includes(1);
  }
  return bass && fourth && above && !first ? 1 : 0;
}

export interface Figures {
  /** Whether the lowest string of a note is the thumb's, by note. */
  readonly bass: readonly boolean[];
  readonly sets: readonly (0 | 1)[];
  readonly begins: readonly number[];
}
/**
 * Basses, and figures from one to the next. The lower of two voices is the thumb's on any string: what is struck with a
 * note above it, what leaps down to strings 6 to 4, the low note of a group on one string. Two notes on neighbouring
 * strings in a row of such are a double note of the fingers.
 */
export function figuresOf(cut: Cut): Figures {
  const { notes, textures, lows, ends } = cut;
  // First what is a bass whatever its figure is; string 4 is asked once the figures are known.
  const sure = notes.map((n, i) => {
    const hand = settledHand(n);
    if (hand) return hand === 'thumb';
    if (n.sweeps || textures[i] === 'low line') return true;
    if (lows.has(i)) return true;
    const lower = lowerOfPedal(cut, i);
    if (lower !== null) return lower;
    if (textures[i] === 'line') return isSingle(n) ? isBassString(thickest(n)) && leaps(notes, i) : chordBass(notes, i);
    return isSingle(n) ? thickest(n) >= SURE_BASS : chordBass(notes, i);
  });
  // A bass opens a figure, unless it goes on from another.
  const opens = (basses: readonly boolean[], i: number): boolean =>
    basses[i] === true && !(basses[i - 1] && isSingle(notes[i - 1]));
  const begins = notes.flatMap((_, i) =>
    i === 0 || ends.has(i) || opens(sure, i) || textures[i] !== textures[i - 1] ? [i] : [],
  );
  const sets: (0 | 1)[] = [];
  begins.forEach((from, n) => {
    const to = begins[n + 1] ?? notes.length;
    const set = textures[from] === 'figure' ? setOf(notes, from, to) : 0;
    for (let i = from; i < to; i++) sets.push(set);
  });
  const bass = notes.map((n, i) => {
    if (sure[i] || n.pinned || settledHand(n) || textures[i] !== 'figure') return sure[i] ?? false;
    return thickest(n) === 4 && n.strings.length <= 2 && sets[i] === 0;
  });
  // A string 4 that has become a bass begins a figure too.
  const already = new Set(begins);
  const all = notes.flatMap((_, i) => (already.has(i) || opens(bass, i) ? [i] : []));
  return { bass, sets, begins: all };
}

/** Whether the lowest of several notes together is a bass. */
function chordBass(notes: readonly PassageNote[], i: number): boolean {
  const note = notes[i] as PassageNote;
  const [low = 1, ...above] = fromThickest(note);
  if (note.pinned) return note.pinned[0] === 'p';
  if (low >= SURE_BASS) return true;
  if (above.length >= 3) return true;
  if (isDouble(note) && [notes[i - 1], notes[i + 1]].some((n) => n && isDouble(n))) {
    // In a row of them they go together.
    return false;
  }
  const before = bassBefore(notes, i);
  // Over a bass that has been struck a block is the fingers', two notes where their set goes down to them.
  if (low === 4) return before === null || before.string <= low;
  if (above.length !== 1) return false;
  // Over one that has been struck by itself so is every pair; else it has two voices.
  if (before?.alone) return false;
  if (!isDouble(note)) return true;
  // The upper of two neighbours goes on.
  const beside = notes[i + 1] ?? notes[i - 1];
  return !beside || thickest(beside) < low;
}
/** A bass farther back than so many notes has nothing to do with a block. */
const BLOCK_REACH = 8;
/** The string of the bass that was last struck, by itself or under others. */
function bassBefore(notes: readonly PassageNote[], i: number): { string: number; alone: boolean } | null {
  for (let n = i - 1; n >= Math.max(0, i - BLOCK_REACH); n--) {
    const own = notes[n] as PassageNote;
    const [string, alone] = [thickest(own), isSingle(own)];
    // One that was struck under others goes on below those alone that lay over it then.
    if (alone ? isBassString(string) : string >= SURE_BASS)
      return alone || own.strings.includes(4) ? { string, alone } : null;
  }
  return null;
}
