import { type Kind, type KindStretch, type PassageNote, readPassage, struckAs } from '../passage/index.js';
import { DEFAULT_PROFILE } from '../player/index.js';
import type { FlatPattern } from '../script/index.js';
import { type Finger, hasMark, HOME_STRING, numberedStrings, stopOn, type Stroke } from '../stroke/index.js';
import { bpm, type StringNumber, STRINGS, ticks } from '../time/index.js';

/** A tempo at which nothing is too fast for the thumb: its strokes are written, nobody asks whether it has time. */
const SLOW = bpm(40);
/** So many strokes tell what kind of playing a pattern is. */
const READ = 256;
/** Kinds of playing that show the chord; a line, a tremolo and the thumb alone need not. */
export const CHORDAL: ReadonlySet<Kind> = new Set<Kind>(['arpeggio', 'block chords', 'comping', 'rasgueado', 'strum']);

type Struck = Pick<FlatPattern, 'events' | 'length'>;
/** The same pattern is asked about by drills, findings and starts. */
const known = new WeakMap<FlatPattern['events'], readonly KindStretch[]>();

/**
 * Stretches of one kind of playing in a pattern that goes round. What is plucked is read from the first stroke of the thumb
 * on: its figures are whole then.
 * @returns in that order, counted by strokes; none where no stroke is
 * @example kindsOfPattern(flatten(parseScript('ed ad md id iu', { stepsPerCount: 2 }).pattern)).map((s) => s.kind) // ['rasgueado']
 */
export function kindsOfPattern({ events, length }: Struck): readonly KindStretch[] {
  const there = known.get(events);
  if (there) return there;
  const notes = events.slice(0, READ).flatMap((e): PassageNote[] => {
    const stroke = e.motion.kind === 'stroke' ? noteOf(e.motion) : null;
    return stroke ? [{ at: ticks(e.at), ...stroke }] : [];
  });
  const plucked = notes.every((n) => !n.strum && !n.plectrum);
  const first = plucked
    ? Math.max(
        0,
        notes.findIndex((n) => n.pinned?.includes('p')),
      )
    : 0;
  const begin = notes[first]?.at ?? 0;
  const round = [
    ...notes.slice(first).map((n) => ({ ...n, at: ticks(n.at - begin) })),
    ...notes.slice(0, first).map((n) => ({ ...n, at: ticks(n.at + length - begin) })),
  ];
  const { stretches } = readPassage({ notes: round, bpm: SLOW, profile: DEFAULT_PROFILE, loops: true });
  known.set(events, stretches);
  return stretches;
}
function noteOf(stroke: Stroke): Omit<PassageNote, 'at'> | null {
  const struck = struckAs(stroke);
  if (struck.strum || struck.plectrum) {
    const stops = stroke.stops?.map((s) => s?.fret ?? null);
    const frets = stops?.some((f) => f !== null) ? { frets: stops } : {};
    return { strings: numberedStrings(stroke) ?? STRINGS, ...struck, ...frets };
  }
  const { fingers } = stroke;
  if (fingers.length === 0) return null;
  const strings = [...new Set(fingers.map((f) => stringOf(stroke, f)))];
  const frets = strings.map((s) => stopOn(stroke, s)?.fret ?? null);
  return { strings, pinned: fingers, ...(frets.some((f) => f !== null) ? { frets } : {}) };
}

/**
 * The kind that most strokes of a pattern stand in; null where nothing is struck.
 * @example kindOfPattern(flatten(parseScript('p:5 a:1 m:1 i:1', { stepsPerCount: 4 }).pattern)) // 'tremolo'
 */
export function kindOfPattern(flat: Struck): Kind | null {
  const counts = new Map<Kind, number>();
  for (const { kind, from, to } of kindsOfPattern(flat)) counts.set(kind, (counts.get(kind) ?? 0) + to - from);
  return [...counts].sort((x, y) => y[1] - x[1])[0]?.[0] ?? null;
}

/** Whether the fingers lie on the strings under most strums: chops stay muted, whatever they are. */
export function isMuted({ events }: Pick<FlatPattern, 'events'>): boolean {
  const strums = events.flatMap((e) => (e.motion.kind === 'stroke' && e.motion.dir ? [e.motion] : []));
  return strums.length > 0 && 2 * strums.filter((s) => hasMark(s, 'x')).length >= strums.length;
}

/** Where a finger of a pluck is: on the string that is written, else where it lives. */
export function stringOf(s: Stroke, finger: Finger): StringNumber {
  const written = numberedStrings(s)?.[s.fingers.indexOf(finger)];
  return written ?? (finger === 'p' ? 5 : HOME_STRING[finger]);
}
