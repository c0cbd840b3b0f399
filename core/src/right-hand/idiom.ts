import { type Kind, type PassageNote, readPassage } from '../passage/index.js';
import { DEFAULT_PROFILE } from '../player/index.js';
import type { FlatPattern } from '../script/index.js';
import { type Finger, hasMark, HOME_STRING, numberedStrings, type Stroke } from '../stroke/index.js';
import { bpm, type StringNumber, ticks } from '../time/index.js';

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

/**
 * The kind of playing a pattern is.
 * @example idiomOf(flatten(parseScript('ed ad md id iu', { stepsPerCount: 2 }).pattern)) // 'rasgueado'
 */
export function idiomOf({ events, length }: Pick<FlatPattern, 'events' | 'length'>): Idiom {
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
  const there = known.get(events);
  const kind = there ?? kindOfPlucks(events, length);
  if (!there) known.set(events, kind);
  return IDIOM_OF[kind] ?? 'melody over basses';
}
const IDIOM_OF: Partial<Record<Kind, Idiom>> = {
  run: 'picado',
  arpeggio: 'arpeggio',
  tremolo: 'tremolo',
  'thumb line': 'melody over basses',
  'block chords': 'comping',
  comping: 'comping',
};
/** The same pattern is asked about by drills, findings and starts. */
const known = new WeakMap<FlatPattern['events'], Kind>();
/** A tempo at which nothing is too fast for the thumb: its strokes are written, nobody asks whether it has time. */
const SLOW = bpm(40);

/** So many strokes tell what kind of playing a pattern is. */
const READ = 256;
/** The kind that most plucked notes of a pattern stand in. */
function kindOfPlucks(events: FlatPattern['events'], length: number): Kind {
  const notes = events.slice(0, READ).flatMap((e): PassageNote[] => {
    if (e.motion.kind !== 'stroke' || e.motion.fingers.length === 0) return [];
    const stroke = e.motion;
    const strings = stroke.fingers.map((f) => stringOf(stroke, f));
    return [{ at: ticks(e.at), strings: [...new Set(strings)], pinned: stroke.fingers }];
  });
  // It goes round: read from the first stroke of the thumb on, its figures are whole.
  const first = Math.max(
    0,
    notes.findIndex((n) => n.pinned?.includes('p')),
  );
  const begin = notes[first]?.at ?? 0;
  const round = [
    ...notes.slice(first).map((n) => ({ ...n, at: ticks(n.at - begin) })),
    ...notes.slice(0, first).map((n) => ({ ...n, at: ticks(n.at + length - begin) })),
  ];
  const { kinds } = readPassage({ notes: round, bpm: SLOW, profile: DEFAULT_PROFILE, loops: true });
  const counts = new Map<Kind, number>();
  for (const k of kinds) counts.set(k, (counts.get(k) ?? 0) + 1);
  return [...counts].sort((x, y) => y[1] - x[1])[0]?.[0] ?? 'run';
}

/** Where a finger of a pluck is: on the string that is written, else where it lives. */
export function stringOf(s: Stroke, finger: Finger): StringNumber {
  const written = numberedStrings(s)?.[s.fingers.indexOf(finger)];
  return written ?? (finger === 'p' ? 5 : HOME_STRING[finger]);
}

/** Kinds of playing that show the chord; a line, a tremolo and the thumb alone need not. */
export const CHORDAL: ReadonlySet<Idiom> = new Set(['arpeggio', 'comping', 'rasgueado', 'swing', 'muted']);
