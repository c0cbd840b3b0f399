import type { FlatPattern } from '../script/index.js';
import { numberedStrings } from '../stroke/index.js';
import type { DataFault } from '../fault/index.js';
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

export const MOST_STOPPED = 20_000;

/**
 * Every fault of the notes stopped for single strokes, at most one a note; a string has one fret at one place.
 * @example checkStopped([{ at: 0, string: 3, fret: 5 }]) // []
 */
export function checkStopped(stopped: readonly StoppedNote[]): DataFault[] {
  if (stopped.length > MOST_STOPPED)
    return [
      { path: 'stopped', message: `${stopped.length} notes have frets of their own; ${MOST_STOPPED} is the most.` },
    ];
  const seen = new Set<string>();
  return stopped.flatMap(({ at, string, fret, finger }, n): DataFault[] => {
    const place = `${at} ${string}`;
    const path = `stopped[${n}]`;
    if (seen.has(place)) return [{ path, message: `String ${string} is stopped at two frets at once.` }];
    seen.add(place);
    if (!Number.isSafeInteger(at) || at < 0) return [{ path, message: 'A note lies at a whole tick, from 0 on.' }];
    if (!isStringNumber(string)) return [{ path, message: 'Strings are numbered 1 to 6.' }];
    if (!(Number.isInteger(fret) && fret >= 0 && fret <= HIGHEST_FRET))
      return [{ path, message: `A fret lies between 0 and ${HIGHEST_FRET}.` }];
    const known = finger === undefined || finger === 'T' || (Number.isInteger(finger) && finger >= 0 && finger <= 4);
    return known ? [] : [{ path, message: 'Left fingers are 0 to 4 and T.' }];
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
