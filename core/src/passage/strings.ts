import { isBassString } from '../stroke/index.js';
import { millisOf, type StringNumber, ticks } from '../time/index.js';
import type { Passage, PassageNote } from './model.js';

/** Strings of a note from the thickest on: the order in which fingers take them. */
export const fromThickest = ({ strings }: Pick<PassageNote, 'strings'>): readonly StringNumber[] =>
  strings.length === 1 ? strings : [...strings].sort((a, b) => b - a);
export const thickest = ({ strings }: Pick<PassageNote, 'strings'>): number =>
  strings.length === 1 ? (strings[0] ?? 0) : Math.max(...strings);
export const thinnest = ({ strings }: Pick<PassageNote, 'strings'>): number => Math.min(...strings);
export const isSingle = (n: PassageNote | undefined): n is PassageNote => n?.strings.length === 1;
/** How many strings lie from one note to the next, 0 on the same. */
export const stringsApart = (a: PassageNote, b: PassageNote): number => Math.abs(thickest(a) - thickest(b));
export const onBasses = (n: PassageNote): boolean => n.strings.every(isBassString);
/** Whether the thumb alone could play this note after the one before. */
export function thumbHasTime({ notes, bpm, profile }: Passage, i: number): boolean {
  const [before, note] = [notes[i - 1], notes[i]];
  return !before || !note || millisOf(ticks(note.at - before.at), bpm) >= profile.returnMs.p;
}
/** The finger of a note that is set already is the thumb's, a finger's, or unknown: null. */
export function settledHand(n: PassageNote): 'thumb' | 'fingers' | null {
  if (n.layer) return n.layer;
  if (n.pinned && isSingle(n)) return n.pinned[0] === 'p' ? 'thumb' : 'fingers';
  return null;
}
