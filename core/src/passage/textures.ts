import { isBassString } from '../stroke/index.js';
import type { Passage, PassageNote } from './model.js';
import { isSingle, onBasses, stringsApart, thumbHasTime } from './strings.js';

/** How the notes of a passage hang together: string by string, broken or in two voices, or low for the thumb alone. */
export type Texture = 'line' | 'figure' | 'low line';
const TEXTURES: readonly Texture[] = ['line', 'figure', 'low line'];

/** What a note speaks against a texture, in points; and what it takes for a passage to turn into another. */
export const TEXTURE_WEIGHTS = {
  /** A line goes on to the string beside. */
  besideInLine: 3,
  /** A line leaps over a string. */
  leapInLine: 15,
  /** Notes struck together in a line; two on neighbouring strings are a double note of it. */
  chordInLine: 20,
  doubleInLine: 3,
  /** The line goes on over a bass that is struck with it. */
  overBassInLine: 4,
  /** A bass that is to ring belongs to a figure. */
  ringsInLine: 15,
  /** A line where the thumb would have time for it. */
  slowLowInLine: 1.5,
  /** A figure stays on its string. */
  sameInFigure: 11,
  /** A figure goes to the string beside; what leaps is of its nature, and yet may be where another begins. */
  besideInFigure: 2,
  leapInFigure: 0.5,
  /** The same to and fro between two strings, as much as in a line. */
  trillInFigure: 4,
  /** A low line always a little, more where the thumb has no time for it, and far more above string 4. */
  lowLine: 1,
  fastLowLine: 10,
  highInLowLine: 1000,
  turn: 20,
  /** Between the fingers and the thumb alone on the same strings. */
  turnToLow: 25,
} as const;
const W = TEXTURE_WEIGHTS;

/** What note i speaks against a texture. @param where.grouped it stands over the low note of a group; @param where.begins the texture begins with it: how it was come to is nobody's */
export function texturePoints(
  passage: Passage,
  i: number,
  texture: Texture,
  { grouped = false, begins = false } = {},
): number {
  const { notes } = passage;
  const [before, note] = [begins ? undefined : notes[i - 1], notes[i]];
  if (!note) return 0;
  const bass = onBasses(note);
  const apart = before && isSingle(before) && isSingle(note) ? stringsApart(before, note) : null;
  if (texture === 'low line') {
    if (!bass || !isSingle(note) || note.layer === 'fingers') return W.highInLowLine;
    return thumbHasTime(passage, i) ? W.lowLine : W.fastLowLine;
  }
  if (texture === 'figure') {
    if (apart === 0) return grouped ? 0 : W.sameInFigure;
    return apart === 1
      ? isTrill(passage, i)
        ? W.trillInFigure
        : W.besideInFigure
      : apart === null
        ? 0
        : W.leapInFigure;
  }
  let points = 0;
  if (note.strings.length > 1) points += chordInLine(note);
  if (apart !== null) points += apart === 0 ? 0 : apart === 1 ? W.besideInLine : W.leapInLine;
  if (note.rings && bass) points += W.ringsInLine;
  if (bass && thumbHasTime(passage, i)) points += W.slowLowInLine;
  return points;
}

function chordInLine({ strings }: PassageNote): number {
  const [a = 1, b = 1] = strings;
  if (strings.length > 2) return W.chordInLine;
  if (strings.some(isBassString)) return strings.every(isBassString) ? W.chordInLine : W.overBassInLine;
  return Math.abs(a - b) === 1 ? W.doubleInLine : W.chordInLine;
}
/** Notes on either side that tell a trill from an order over more strings. */
const TRILL_REACH = 3;
function isTrill({ notes }: Passage, i: number): boolean {
  // Whose fingers are set goes by them: each on a string of its own is an order.
  if (notes[i]?.pinned) return false;
  let near = 0;
  for (let n = Math.max(0, i - TRILL_REACH); n <= Math.min(notes.length - 1, i + TRILL_REACH); n++)
    for (const s of notes[n]?.strings ?? []) near |= 1 << s;
  // Two strings are two bits: without its lowest bit twice nothing is left.
  const one = near & (near - 1);
  return (one & (one - 1)) === 0;
}

/** What turning from one texture to another costs. */
export const turnPoints = (from: Texture, to: Texture): number =>
  from === to ? 0 : from === 'low line' || to === 'low line' ? W.turnToLow : W.turn;

/**
 * The texture of every note: of all ways to cut the passage the one against which least speaks; of equals the line.
 * @param grouped notes that stand over the low note of a group on one string
 */
export function texturesOf(passage: Passage, grouped: ReadonlySet<number>): Texture[] {
  const { notes } = passage;
  const came: Texture[][] = [];
  let sums = TEXTURES.map((t) => texturePoints(passage, 0, t, { grouped: grouped.has(0) }));
  for (let i = 1; i < notes.length; i++) {
    const from: Texture[] = [];
    const own = grouped.has(i);
    sums = TEXTURES.map((to, n) => {
      const goesOn = (sums[n] ?? 0) + texturePoints(passage, i, to, { grouped: own });
      const anew = texturePoints(passage, i, to, { grouped: own, begins: true });
      let [best, least] = [to, goesOn];
      TEXTURES.forEach((t, m) => {
        const total = (sums[m] ?? 0) + turnPoints(t, to) + anew;
        if (t !== to && total < least) [best, least] = [t, total];
      });
      from[n] = best;
      return least;
    });
    came.push(from);
  }
  let at = sums.indexOf(Math.min(...sums));
  const textures: Texture[] = [TEXTURES[at] ?? 'line'];
  for (let i = notes.length - 1; i > 0; i--) {
    const before = came[i - 1]?.[at] ?? 'line';
    textures.push(before);
    at = TEXTURES.indexOf(before);
  }
  return notes.length ? textures.reverse() : [];
}
