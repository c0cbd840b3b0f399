import { isBassString } from '../../stroke/index.js';
import type { LineNote } from './model.js';

/** An arpeggio goes to another string nearly every time. */
const BROKEN_SHARE = 0.75;
type Note = Pick<LineNote, 'strings' | 'rings'>;
const deepest = (n: Note): number => Math.max(...n.strings);

/**
 * Whose each note of a written line is: the thumb's, the fingers', or of whom it comes easier. Under a melody or in an
 * arpeggio strings 6 to 4 are the thumb's, but for a run that goes through them string by string; elsewhere only what
 * leaps down to them is. Of a run without a bass both may have every note.
 * @example voicesOf([5, 3, 2, 1].map((s) => ({ strings: [s] }))) // ['thumb', 'fingers', 'fingers', 'fingers']
 */
export function voicesOf(notes: readonly Note[]): (LineNote['layer'] | undefined)[] {
  const voiced = notes.some((n) => isBassString(deepest(n)) && (n.rings || n.strings.some((s) => !isBassString(s))));
  const pairs = notes.slice(1).map((n, i) => n.strings.some((s) => notes[i]?.strings.includes(s)));
  const broken =
    pairs.filter((same) => !same).length >= BROKEN_SHARE * pairs.length &&
    notes.some((n) => isBassString(deepest(n))) &&
    notes.some((n) => !isBassString(deepest(n)));
  return notes.map((n, i) => {
    if (n.strings.length !== 1) return undefined;
    const beside = [notes[i - 1], notes[i + 1]].flatMap((o) => (o ? [Math.abs(deepest(o) - deepest(n))] : []));
    if (!isBassString(deepest(n))) return voiced || broken ? 'fingers' : undefined;
    const inRun = beside.length > 0 && beside.every((far) => far <= 1);
    const leaps = beside.length > 0 && beside.every((far) => far >= 2);
    if (broken || n.rings) return 'thumb';
    return voiced ? (inRun ? undefined : 'thumb') : leaps ? 'thumb' : undefined;
  });
}
