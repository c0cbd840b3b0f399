import { STRINGS, type StringNumber } from '../time/index.js';
import type { LeftFinger, Shape } from './shape.js';

/** A string stopped for the stroke at one place of a pattern, over whatever shape is held. */
export interface StoppedNote {
  /** Ticks from the pattern's beginning. */
  readonly at: number;
  readonly string: StringNumber;
  /** From the capo on; 0 = open. */
  readonly fret: number;
  readonly finger?: LeftFinger;
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
    frets: shape.frets.map((fret, i) => on(i)?.fret ?? fret),
    fingers: shape.fingers.map((finger, i) => {
      const note = on(i);
      return note ? (note.finger ?? (note.fret === 0 ? 0 : null)) : finger;
    }),
  };
}
