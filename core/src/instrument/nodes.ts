import { midi, type Midi } from '../time/index.js';

/** Parts into which a string is cut for a natural harmonic; smaller ones hardly sound. */
const MOST_PARTS = 6;
/** A finger touches as much of the string as that: nodes so near to a fret lie over it. */
const NEAR = 0.2;
/** Frets that are looked at, from where the string begins. */
const LAST = 24;

/** How many parts a string is cut into where a node lies over a fret; a node of fewer parts goes before one of more. */
const PARTS: ReadonlyMap<number, number> = new Map(
  Array.from({ length: LAST }, (_, n) => n + 1).flatMap((fret) => {
    for (let parts = 2; parts <= MOST_PARTS; parts++)
      for (let node = 1; node < parts; node++)
        if (Math.abs(-12 * Math.log2(1 - node / parts) - fret) <= NEAR) return [[fret, parts] as const];
    return [];
  }),
);
/** Frets over which a node lies, from the capo on. */
export const NODES: readonly number[] = [...PARTS.keys()];

/**
 * The pitch of a natural harmonic: that of the part of the string that swings, which is the same on both its sides.
 * @param open the string, with its capo
 * @param fret where it is touched, from the capo on
 * @returns null where no node lies
 * @example [12, 7, 5, 4, 9, 6].map((fret) => harmonicPitch(40, fret)) // [52, 59, 64, 68, 68, null]
 */
export function harmonicPitch(open: number, fret: number): Midi | null {
  const parts = PARTS.get(fret);
  return parts === undefined ? null : midi(open + Math.round(12 * Math.log2(parts)));
}
