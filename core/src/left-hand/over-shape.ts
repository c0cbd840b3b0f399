import { isBassString } from '../stroke/index.js';
import type { FretFromCapo, StringNumber } from '../time/index.js';
import { STRINGS } from '../time/index.js';
import { positionOf } from './position.js';
import { bassString, type LeftFinger, type Shape } from './shape.js';

/** A place that is stopped over a held shape. */
export interface StopOverShape {
  readonly string: StringNumber;
  readonly fret: FretFromCapo;
  /** Written: a pin. */
  readonly finger?: LeftFinger;
}
/** A finger that must leave its place costs as much as two frets out of the hand's way. */
const BORROWED = 4;
/** The bass's own finger goes over to another bass string: the note that it leaves is over with that. */
const BASS_GOES_OVER = 1;
const A_FRET_OUT = 2;

/**
 * Fingers of stops over a held shape, in their order: the finger that is there already, else a free one nearest to its
 * own fret, else one that is borrowed. The finger of the bass is first to go over to another bass string.
 * @returns 0 for an open string; null where all fingers are taken
 * @example fingersOver({ frets: [null, 3, 2, 0, 1, 0], fingers: [null, 3, 2, 0, 1, 0] }, [{ string: 6, fret: 3 }]) // [3]
 */
export function fingersOver(
  shape: Pick<Shape, 'frets' | 'fingers'>,
  stops: readonly StopOverShape[],
): (LeftFinger | null)[] {
  const hand = positionOf(shape.fingers.map((finger, i) => ({ finger, fret: shape.frets[i] ?? null }))) ?? 1;
  const used = new Set<LeftFinger>(stops.flatMap((s) => (s.finger === undefined ? [] : [s.finger])));
  const bass = bassString(shape);
  const bassFinger = bass === null || stops.some((s) => s.string === bass) ? null : fingerOn(shape, bass);
  return stops.map((s) => {
    if (s.fret === 0) return 0;
    const there = shape.frets[STRINGS.indexOf(s.string)] === s.fret ? fingerOn(shape, s.string) : null;
    const leaving = (f: LeftFinger): number => {
      if (!shape.fingers.includes(f)) return 0;
      return f === bassFinger && isBassString(s.string) ? BASS_GOES_OVER : BORROWED;
    };
    const choose = ([1, 2, 3, 4] as const)
      .filter((f) => !used.has(f))
      .map((f) => ({ f, cost: Math.abs(s.fret - (hand + f - 1)) * A_FRET_OUT + leaving(f) }))
      .sort((a, b) => a.cost - b.cost || a.f - b.f)[0];
    const finger = s.finger ?? there ?? choose?.f ?? null;
    if (finger !== null) used.add(finger);
    return finger;
  });
}
const fingerOn = (shape: Pick<Shape, 'fingers'>, string: StringNumber): LeftFinger | null =>
  shape.fingers[STRINGS.indexOf(string)] ?? null;
