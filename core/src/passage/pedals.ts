import { isBassString } from '../stroke/index.js';
import type { StringNumber } from '../time/index.js';
import type { PassageNote } from './model.js';
import { isSingle, thickest } from './strings.js';

/** Struck fewer times a string is no pedal. */
const FEWEST_STROKES = 3;
/** So many places of a fretted voice may be a held chord's. */
const FEWEST_PLACES = 2;

/** A voice goes over so many strings at once at most. */
const ONE_VOICE = 2;

const openOn = (n: PassageNote, string: StringNumber): boolean => {
  const i = n.strings.indexOf(string);
  return i >= 0 && (n.frets?.[i] ?? 0) === 0;
};
/** Whether it is known where the left hand goes: open strings alone tell nothing. */
const knowsFrets = (notes: readonly PassageNote[]): boolean => notes.some((n) => n.frets?.some((f) => (f ?? 0) > 0));
const isFretted = (n: PassageNote, known: boolean): boolean => known && (n.frets?.some((f) => f !== null) ?? false);
const placeOf = (n: PassageNote): string => n.strings.map((s, i) => `${s}.${n.frets?.[i] ?? 0}`).join();

/**
 * Strings that are struck again and again open between the notes of one voice that moves, all of it below the pedal or all
 * above: no two of the moving voice in a row. Without frets only basses are known to move, for an order over thin strings
 * is an arpeggio; a held chord's two notes do not move either.
 * @param taken notes that are something else already
 * @returns by note the string that is a pedal in its stretch, its own or beside it, or null
 */
export function pedalsOf(notes: readonly PassageNote[], taken: ReadonlySet<number>): (StringNumber | null)[] {
  const known = knowsFrets(notes);
  const pedals: (StringNumber | null)[] = notes.map(() => null);
  for (let i = 0; i < notes.length;) {
    const found = longestFrom(notes, i, taken, known);
    if (found.string !== null) for (let n = i; n < found.to; n++) pedals[n] = found.string;
    // What does not move as a whole moves in no part; its last note may be another's first.
    i = found.string === null ? Math.max(i + 1, found.to - 1) : found.to;
  }
  return pedals;
}

/** How far one string comes again from a note on, with the string where it is a pedal. */
function longestFrom(
  notes: readonly PassageNote[],
  from: number,
  taken: ReadonlySet<number>,
  known: boolean,
): { string: StringNumber | null; to: number } {
  let farthest = from + 1;
  for (const at of [from, from + 1]) {
    const string = notes[at]?.strings[0];
    if (!isSingle(notes[at]) || string === undefined) continue;
    // Most strings do not come again so soon.
    if (notes[at + 1]?.strings[0] !== string && notes[at + 2]?.strings[0] !== string) continue;
    let [strokes, to, moved] = [0, from, false];
    const [places, strings, sides] = [new Set<string>(), new Set<number>(), new Set<boolean>()];
    let [low, fretted] = [true, true];
    for (let n = from; n < notes.length; n++) {
      const note = notes[n] as PassageNote;
      if (!isSingle(note) || taken.has(n)) break;
      if (note.strings[0] === string) {
        if (!openOn(note, string)) break;
        [strokes, moved] = [strokes + 1, false];
      } else {
        // Without frets nobody knows whether it moves, but for basses.
        if (!isFretted(note, known) && !isBassString(thickest(note))) break;
        const last = [...strings].at(-1);
        if (last !== undefined && Math.abs(last - thickest(note)) > ONE_VOICE) break;
        if (moved || (sides.size > 0 && !sides.has(thickest(note) > string))) break;
        moved = true;
        places.add(placeOf(note));
        strings.delete(thickest(note));
        strings.add(thickest(note));
        sides.add(thickest(note) > string);
        low &&= isBassString(thickest(note));
        fretted &&= isFretted(note, known);
      }
      to = n + 1;
    }
    const moves = (fretted && (places.size > strings.size || places.size > FEWEST_PLACES)) || (low && strings.size > 1);
    if (strokes >= FEWEST_STROKES && moves) return { string, to };
    // A few strokes are looked at again from the next note on.
    if (strokes >= FEWEST_STROKES) farthest = Math.max(farthest, to);
  }
  return { string: null, to: farthest };
}
