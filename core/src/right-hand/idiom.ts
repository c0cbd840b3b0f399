import type { FlatPattern } from '../script/index.js';
import { type Finger, hasMark, HOME_STRING, numberedStrings, type Stroke } from '../stroke/index.js';
import type { StringNumber } from '../time/index.js';

/**
 * What kind of playing a pattern is. What may be proposed to a hand depends on it: an arpeggio is not fingered as a scale
 * is, a swing keeps its ways, muted chops stay muted, a plectrum has no fingers.
 */
export type Idiom =
  /** Nothing is struck by a finger. */
  | 'silence'
  | 'plectrum'
  /** Strums under fingers that lie on the strings. */
  | 'muted'
  /** Flicks of several fingers one after another. */
  | 'rasgueado'
  /** One hand down and up. */
  | 'swing'
  /** The thumb alone: bass melody, alzapúa. */
  | 'pulgar'
  /** Single notes of the fingers, most of them on the string of the one before. */
  | 'picado'
  /** Thumb, then several fingers in turn on one string. */
  | 'tremolo'
  /** Nearly every note on another string, one finger a string. */
  | 'arpeggio'
  /** Basses and chords struck together. */
  | 'comping'
  /** A melody of the fingers over basses of the thumb. */
  | 'melody over basses';

/** From this share of its neighbours on another string a line of plucks is an arpeggio. */
const NEARLY_EVERY = 0.75;
/** Fewer fingers than this between two basses are no tremolo. */
const TREMOLO_FINGERS = 2;

/**
 * The kind of playing a pattern is.
 * @example idiomOf(flatten(parseScript('ed ad md id iu', { stepsPerCount: 2 }).pattern)) // 'rasgueado'
 */
export function idiomOf({ events }: Pick<FlatPattern, 'events'>): Idiom {
  const strokes = events.flatMap((e) => (e.motion.kind === 'stroke' ? [e.motion] : []));
  if (strokes.length === 0) return 'silence';
  if (strokes.some((s) => s.plectrum)) return 'plectrum';
  if (strokes.every((s) => s.fingers.join() === 'p')) return 'pulgar';
  const strums = strokes.filter((s) => s.dir !== null);
  if (strums.length) {
    if (2 * strums.filter((s) => hasMark(s, 'x')).length >= strums.length) return 'muted';
    if (strums.length < strokes.length) return 'comping';
    return new Set(strokes.map((s) => s.fingers.join())).size > 1 ? 'rasgueado' : 'swing';
  }
  const ofFingers = strokes.filter((s) => s.fingers.some((f) => f !== 'p'));
  if (2 * ofFingers.filter((s) => upper(s).length > 1).length >= ofFingers.length) return 'comping';
  if (isTremolo(strokes)) return 'tremolo';
  if (isArpeggio(strokes)) return 'arpeggio';
  return strokes.some((s) => s.fingers.includes('p')) ? 'melody over basses' : 'picado';
}

const upper = (s: Stroke): Finger[] => s.fingers.filter((f) => f !== 'p');
/** Where a finger of a pluck is: on the string that is written, else where it lives. */
export function stringOf(s: Stroke, finger: Finger): StringNumber {
  const written = numberedStrings(s)?.[s.fingers.indexOf(finger)];
  return written ?? (finger === 'p' ? 5 : HOME_STRING[finger]);
}

/** Between two basses several fingers, no two in a row the same, all on one string. */
function isTremolo(strokes: readonly Stroke[]): boolean {
  const first = strokes.findIndex((s) => s.fingers.includes('p'));
  if (first < 0) return false;
  const runs: Stroke[][] = [];
  for (const s of [...strokes.slice(first), ...strokes.slice(0, first)]) {
    if (s.fingers.includes('p')) runs.push(upper(s).length ? [s] : []);
    else if (runs.length) runs.at(-1)?.push(s);
  }
  return runs.every((run) => {
    const single = run.map((s) => upper(s)[0] as Finger);
    const strings = new Set(run.map((s, i) => stringOf(s, single[i] as Finger)));
    return (
      run.length >= TREMOLO_FINGERS &&
      strings.size === 1 &&
      run.every((s) => numberedStrings(s) !== null) &&
      single.every((f, i) => i === 0 || f !== single[i - 1])
    );
  });
}

function isArpeggio(strokes: readonly Stroke[]): boolean {
  const plucks = strokes.flatMap((s) => s.fingers.map((finger) => ({ finger, string: stringOf(s, finger) })));
  const strings = new Set(plucks.map((p) => p.string));
  if (strings.size < 2) return false;
  const ofFinger = new Map<Finger, Set<StringNumber>>();
  for (const { finger, string } of plucks)
    if (finger !== 'p') ofFinger.set(finger, (ofFinger.get(finger) ?? new Set()).add(string));
  const own = [...ofFinger.values()];
  const oneEach = own.every((s) => s.size === 1) && new Set(own.flatMap((s) => [...s])).size === own.length;
  if (oneEach && own.length > 1) return true;
  const line = plucks.filter((p) => p.finger !== 'p').map((p) => p.string);
  const others = line.filter((string, i) => string !== line[(i + line.length - 1) % line.length]).length;
  return new Set(line).size > 1 && others >= NEARLY_EVERY * line.length;
}

/** Kinds of playing that show the chord; a line, a tremolo and the thumb alone need not. */
export const CHORDAL: ReadonlySet<Idiom> = new Set(['arpeggio', 'comping', 'rasgueado', 'swing', 'muted']);
