import { isBassString } from '../stroke/index.js';
import type { Passage, PassageNote } from './model.js';
import { isSingle, onBasses, settledHand, stringsApart, thumbHasTime } from './strings.js';

/** How the notes of a passage hang together: string by string, broken or in two voices, or low for the thumb alone. */
export type Texture = 'line' | 'figure' | 'low line';
const TEXTURES: readonly Texture[] = ['line', 'figure', 'low line'];

/** What a note speaks against a texture, in points; and what it takes for a passage to turn into another. */
export const TEXTURE_WEIGHTS = {
  /** A line goes on to the string beside. */
  besideInLine: 3,
  /** A line leaps over a string. */
  leapInLine: 15,
  /** Notes struck together are in no line, not in its midst either; two on neighbouring strings are a double note of it. */
  chordInLine: 45,
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

/** What speaks against each texture, in their order. */
type Points = readonly [line: number, figure: number, lowLine: number];

/** What a note speaks against each texture, however it was come to. */
function ownPoints(passage: Passage, i: number): Points {
  const note = passage.notes[i] as PassageNote;
  const single = note.strings.length === 1;
  const settled = settledHand(note) === 'thumb';
  if (!onBasses(note) && !(settled && single)) return [single ? 0 : chordInLine(note), 0, W.highInLowLine];
  const time = settled || thumbHasTime(passage, i);
  const line = (single ? 0 : chordInLine(note)) + (note.rings ? W.ringsInLine : 0) + (time ? W.slowLowInLine : 0);
  const low = !single || note.layer === 'fingers' ? W.highInLowLine : time ? W.lowLine : W.fastLowLine;
  return [line, 0, low];
}
/** What the way from the note before speaks against each texture. */
function wayPoints(passage: Passage, i: number, grouped: boolean): Points {
  const [before, note] = [passage.notes[i - 1], passage.notes[i]];
  if (!isSingle(before) || !isSingle(note)) return NOTHING;
  const apart = stringsApart(before, note);
  if (apart === 0) return grouped ? NOTHING : SAME;
  if (apart > 1) return LEAP;
  return isTrill(passage, i) ? TRILL : BESIDE;
}
const NOTHING: Points = [0, 0, 0];
const SAME: Points = [0, W.sameInFigure, 0];
const LEAP: Points = [W.leapInLine, W.leapInFigure, 0];
const TRILL: Points = [W.besideInLine, W.trillInFigure, 0];
const BESIDE: Points = [W.besideInLine, W.besideInFigure, 0];

/**
 * What note i speaks against a texture.
 * @param where.grouped it stands over the low note of a group
 * @param where.begins the texture begins with it: how it was come to is nobody's
 */
export function texturePoints(
  passage: Passage,
  i: number,
  texture: Texture,
  { grouped = false, begins = false } = {},
): number {
  const at = TEXTURES.indexOf(texture);
  return (ownPoints(passage, i)[at] ?? 0) + (begins ? 0 : (wayPoints(passage, i, grouped)[at] ?? 0));
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
  if (notes.length === 0) return [];
  /** By note and texture: the texture of the note before on the cheapest way. */
  const came: number[][] = [];
  let sums: readonly number[] = ownPoints(passage, 0);
  for (let i = 1; i < notes.length; i++) {
    const [own, way] = [ownPoints(passage, i), wayPoints(passage, i, grouped.has(i))];
    const [from, next] = [
      [0, 1, 2],
      [0, 0, 0],
    ];
    for (let to = 0; to < TEXTURES.length; to++) {
      let least = (sums[to] ?? 0) + (way[to] ?? 0);
      for (let t = 0; t < TEXTURES.length; t++) {
        const turned = (sums[t] ?? 0) + (TURNS[t]?.[to] ?? 0);
        if (t !== to && turned < least) [least, from[to]] = [turned, t];
      }
      next[to] = least + (own[to] ?? 0);
    }
    came.push(from);
    sums = next;
  }
  let at = sums.indexOf(Math.min(...sums));
  const textures: Texture[] = [TEXTURES[at] ?? 'line'];
  for (let i = notes.length - 1; i > 0; i--) {
    at = came[i - 1]?.[at] ?? 0;
    textures.push(TEXTURES[at] ?? 'line');
  }
  return textures.reverse();
}
const TURNS: readonly (readonly number[])[] = TEXTURES.map((from) => TEXTURES.map((to) => turnPoints(from, to)));
