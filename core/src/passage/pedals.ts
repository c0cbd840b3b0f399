import { isBassString } from '../stroke/index.js';
import type { Midi, StringNumber } from '../time/index.js';
import type { PassageNote } from './model.js';
import { isSingle, thickest } from './strings.js';

/** Struck fewer times a string is no pedal. */
const FEWEST_STROKES = 3;
/** So many places of a fretted voice may be a held chord's. */
const FEWEST_PLACES = 2;
/** A voice goes over so many strings at once at most, or over so many semitones. */
const STRINGS_AT_ONCE = 2;
const SEMITONES_AT_ONCE = 12;

/** A single note, told by its string or by its pitch: the greater the number, the lower it is. */
interface Told {
  readonly depth: number;
  readonly open: boolean;
  /** May be of a voice that moves; a string without frets is not known to. */
  readonly mayMove: boolean;
  readonly place: string;
}
/** What the notes of the moving voice are, once it is at an end. */
interface Moving {
  /** How many places it has, and on how many strings or pitches. */
  readonly places: number;
  readonly depths: readonly number[];
  readonly from: number;
  readonly to: number;
}
interface Reading {
  /** Null: more than one note, or something else already. */
  readonly told: readonly (Told | null)[];
  readonly atOnce: number;
  readonly moves: (voice: Moving) => boolean;
}

/**
 * What is struck again and again open between the notes of one voice that moves, all of it below or all above: no two of
 * the moving voice in a row.
 * @returns by note what is a pedal in its stretch, its own or beside it, or null
 */
function pedalsAmong(reading: Reading): (number | null)[] {
  const { told } = reading;
  const pedals: (number | null)[] = told.map(() => null);
  for (let i = 0; i < told.length;) {
    const found = longestFrom(reading, i);
    if (found.depth !== null) for (let n = i; n < found.to; n++) pedals[n] = found.depth;
    // What does not move as a whole moves in no part; its last note may be another's first.
    i = found.depth === null ? Math.max(i + 1, found.to - 1) : found.to;
  }
  return pedals;
}

/** How far one note comes again from a note on, with what tells it where it is a pedal. */
function longestFrom({ told, atOnce, moves }: Reading, from: number): { depth: number | null; to: number } {
  let farthest = from + 1;
  for (const at of [from, from + 1]) {
    const depth = told[at]?.depth;
    if (depth === undefined) continue;
    // Most notes do not come again so soon.
    if (told[at + 1]?.depth !== depth && told[at + 2]?.depth !== depth) continue;
    let [strokes, to, moved] = [0, from, false];
    const [places, depths, sides] = [new Set<string>(), new Set<number>(), new Set<boolean>()];
    for (let n = from; n < told.length; n++) {
      const note = told[n];
      if (!note) break;
      if (note.depth === depth) {
        if (!note.open) break;
        [strokes, moved] = [strokes + 1, false];
      } else {
        if (!note.mayMove) break;
        const last = [...depths].at(-1);
        if (last !== undefined && Math.abs(last - note.depth) > atOnce) break;
        if (moved || (sides.size > 0 && !sides.has(note.depth > depth))) break;
        moved = true;
        places.add(note.place);
        depths.delete(note.depth);
        depths.add(note.depth);
        sides.add(note.depth > depth);
      }
      to = n + 1;
    }
    if (strokes < FEWEST_STROKES) continue;
    if (moves({ places: places.size, depths: [...depths], from, to })) return { depth, to };
    // A few strokes are looked at again from the next note on.
    farthest = Math.max(farthest, to);
  }
  return { depth: null, to: farthest };
}

const openOn = (n: PassageNote, string: StringNumber): boolean => {
  const i = n.strings.indexOf(string);
  return i >= 0 && (n.frets?.[i] ?? 0) === 0;
};
/** Whether it is known where the left hand goes: open strings alone tell nothing. */
const knowsFrets = (notes: readonly PassageNote[]): boolean => notes.some((n) => n.frets?.some((f) => (f ?? 0) > 0));
const placeOf = (n: PassageNote): string => n.strings.map((s, i) => `${s}.${n.frets?.[i] ?? 0}`).join();

/**
 * Strings that are pedals. Without frets only basses are known to move, for an order over thin strings is an arpeggio; a
 * held chord's two notes do not move either.
 * @param taken notes that are something else already
 * @returns by note the string that is a pedal in its stretch, its own or beside it, or null
 */
export function pedalsOf(notes: readonly PassageNote[], taken: ReadonlySet<number>): (StringNumber | null)[] {
  const known = knowsFrets(notes);
  const isFretted = (n: PassageNote): boolean => known && (n.frets?.some((f) => f !== null) ?? false);
  const told = notes.map((n, i): Told | null =>
    !isSingle(n) || taken.has(i)
      ? null
      : {
          depth: thickest(n),
          open: openOn(n, n.strings[0] as StringNumber),
          mayMove: isFretted(n) || isBassString(thickest(n)),
          place: placeOf(n),
        },
  );
  const moves = ({ places, depths, from, to }: Moving): boolean => {
    if (depths.length > 1 && depths.every((s) => isBassString(s))) return true;
    const fretted = notes.slice(from, to).every((n) => isFretted(n) || !depths.includes(thickest(n)));
    return fretted && (places > depths.length || places > FEWEST_PLACES);
  };
  return pedalsAmong({ told, atOnce: STRINGS_AT_ONCE, moves }) as (StringNumber | null)[];
}

/**
 * Pitches that are pedals, of notes whose strings are not chosen yet: where open strings have them.
 * @param notes what begins together, lowest or highest first
 * @param open pitches of the open strings
 * @returns by note its pitch where it is a pedal, else null
 * @example pedalPitches([[64], [57], [64], [59], [64], [60]].map((n) => n.map(midi)), [midi(64)]) // [64, null, 64, null, 64, null]
 */
export function pedalPitches(notes: readonly (readonly Midi[])[], open: readonly Midi[]): (Midi | null)[] {
  const told = notes.map(([pitch, ...more]): Told | null =>
    pitch === undefined || more.length > 0
      ? null
      : { depth: 0 - pitch, open: open.includes(pitch), mayMove: true, place: String(pitch) },
  );
  const pedals = pedalsAmong({
    told,
    atOnce: SEMITONES_AT_ONCE,
    moves: ({ places }) => places > FEWEST_PLACES,
  });
  return notes.map(([pitch], i) => (pitch !== undefined && pedals[i] === 0 - pitch ? pitch : null));
}
