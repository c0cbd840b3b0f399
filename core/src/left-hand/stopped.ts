import type { FlatPattern } from '../script/index.js';
import { numberedStrings } from '../stroke/index.js';
import { type DataFault, dataFault } from '../fault/index.js';
import { type FretFromCapo, isStringNumber, perString, type StringNumber, STRINGS } from '../time/index.js';
import { HIGHEST_FRET, type LeftFinger, type Shape } from './shape.js';

/** A string stopped for the stroke at one place of a pattern, over whatever shape is held. */
export interface StoppedNote {
  /** Ticks from the pattern's beginning. */
  readonly at: number;
  readonly string: StringNumber;
  /** From the capo on; 0 = open. */
  readonly fret: FretFromCapo;
  readonly finger?: LeftFinger;
}

export type StoppedFaultCode =
  | 'too many stopped notes'
  | 'string at two frets'
  | 'no place for a note'
  | 'no such string'
  | 'no such fret'
  | 'no finger of the left hand';
export const MOST_STOPPED = 20_000;

/**
 * Every fault of the notes stopped for single strokes, at most one a note; a string has one fret at one place.
 * @example checkStopped([{ at: 0, string: 3, fret: 5 }]) // []
 */
export function checkStopped(stopped: readonly StoppedNote[]): DataFault[] {
  if (stopped.length > MOST_STOPPED)
    return [dataFault('stopped', 'too many stopped notes', stopped.length, MOST_STOPPED)];
  const seen = new Set<string>();
  return stopped.flatMap(({ at, string, fret, finger }, n): DataFault[] => {
    const say = (code: StoppedFaultCode, ...about: (string | number)[]) => [dataFault(path, code, ...about)];
    const place = `${at} ${string}`;
    const path = `stopped[${n}]`;
    if (seen.has(place)) return say('string at two frets', string);
    seen.add(place);
    if (!Number.isSafeInteger(at) || at < 0) return say('no place for a note');
    if (!isStringNumber(string)) return say('no such string');
    if (!(Number.isInteger(fret) && fret >= 0 && fret <= HIGHEST_FRET)) return say('no such fret', HIGHEST_FRET);
    const known = finger === undefined || finger === 'T' || (Number.isInteger(finger) && finger >= 0 && finger <= 4);
    return known ? [] : say('no finger of the left hand');
  });
}

/** Looks up the notes stopped at a place. */
export function stoppedAt(stopped: readonly StoppedNote[]): (at: number) => readonly StoppedNote[] {
  const places = new Map<number, StoppedNote[]>();
  for (const n of stopped) places.set(n.at, [...(places.get(n.at) ?? []), n]);
  return (at) => places.get(at) ?? [];
}

/** The shape with these notes in place of what it holds on their strings. */
export function stopOver(shape: Shape, notes: readonly StoppedNote[]): Shape {
  if (notes.length === 0) return shape;
  const on = (i: number) => notes.find((n) => n.string === STRINGS[i]);
  return {
    ...shape,
    frets: perString((_, i) => on(i)?.fret ?? shape.frets[i] ?? null),
    fingers: perString((_, i) => {
      const note = on(i);
      return note ? (note.finger ?? (note.fret === 0 ? 0 : null)) : (shape.fingers[i] ?? null);
    }),
  };
}

/** The notes whose frets stand in the strokes of a pattern. */
export const stopsOf = ({ events }: Pick<FlatPattern, 'events'>): StoppedNote[] =>
  events.flatMap(({ at, motion }) =>
    motion.kind === 'stroke' && motion.stops
      ? (numberedStrings(motion) ?? []).flatMap((string, i): StoppedNote[] => {
          const stop = motion.stops?.[i] ?? null;
          return stop ? [{ at, string, ...stop }] : [];
        })
      : [],
  );
