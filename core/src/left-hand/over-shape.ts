import { isBassString } from '../stroke/index.js';
import type { FretFromCapo, StringNumber } from '../time/index.js';
import { STRINGS } from '../time/index.js';
import { LONGEST_OTHER_BARRE } from './fingering.js';
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
/** The first finger collapses over a string more, and stands up again. */
const COLLAPSES = 1;
/** For each string that is struck while its finger is away: more than any way out could save. */
const STRUCK_MEANWHILE = 20;
const A_FRET_OUT = 2;

/**
 * Fingers of stops over a held shape, in their order: the finger that is there already, else a free one nearest to its
 * own fret, else one that is borrowed. The finger of the bass is first to go over to another bass string; none leaves a
 * string that is struck meanwhile where another can do it.
 * @param struck strings that the same stroke or the very next one meets
 * @returns 0 for an open string; null where all fingers are taken
 * @example fingersOver({ frets: [null, 3, 2, 0, 1, 0], fingers: [null, 3, 2, 0, 1, 0] }, [{ string: 6, fret: 3 }]) // [3]
 */
export function fingersOver(
  shape: Pick<Shape, 'frets' | 'fingers'>,
  stops: readonly StopOverShape[],
  struck: readonly StringNumber[] = [],
): (LeftFinger | null)[] {
  const hand = positionOf(shape.fingers.map((finger, i) => ({ finger, fret: shape.frets[i] ?? null }))) ?? 1;
  const used = new Set<LeftFinger>(stops.flatMap((s) => (s.finger === undefined ? [] : [s.finger])));
  const bass = bassString(shape);
  const bassFinger = bass === null || stops.some((s) => s.string === bass) ? null : fingerOn(shape, bass);
  return stops.map((s) => {
    if (s.fret === 0) return 0;
    const there = shape.frets[STRINGS.indexOf(s.string)] === s.fret ? fingerOn(shape, s.string) : null;
    const leaving = (f: LeftFinger): number => {
      const leaves = STRINGS.filter((string) => string !== s.string && fingerOn(shape, string) === f);
      if (leaves.length === 0) return 0;
      // On its own fret the first finger collapses over the other string and leaves nothing.
      const collapses = f === 1 && shape.frets[shape.fingers.indexOf(f)] === s.fret;
      if (collapses && liesOver(shape, f, s.fret, [...leaves, s.string])) return COLLAPSES;
      const lost = STRUCK_MEANWHILE * leaves.filter((string) => struck.includes(string)).length;
      return lost + (f === bassFinger && isBassString(s.string) ? BASS_GOES_OVER : BORROWED);
    };
    /** A finger that is down is at home where it stands, one in the air where the hand has it. */
    const home = (f: 1 | 2 | 3 | 4): number => shape.frets[shape.fingers.indexOf(f)] ?? hand + f - 1;
    const choose = ([1, 2, 3, 4] as const)
      .filter((f) => !used.has(f))
      .map((f) => ({ f, cost: Math.abs(s.fret - home(f)) * A_FRET_OUT + leaving(f) }))
      .sort((a, b) => a.cost - b.cost || a.f - b.f)[0];
    const finger = s.finger ?? there ?? choose?.f ?? null;
    if (finger !== null) used.add(finger);
    return finger;
  });
}
/**
 * Whether one finger can lie over all these strings on a fret with nothing between them that would sound otherwise: the
 * first over any number, others over three.
 * @example liesOver({ frets: [null, 3, 2, 0, 1, 0] }, 1, 1, [2, 1]) // true
 */
export function liesOver(
  { frets }: Pick<Shape, 'frets'>,
  finger: LeftFinger,
  fret: FretFromCapo,
  strings: readonly StringNumber[],
): boolean {
  if (finger === 'T' || finger === 0) return false;
  const [from, to] = [Math.min(...strings), Math.max(...strings)];
  if (finger !== 1 && to - from >= LONGEST_OTHER_BARRE) return false;
  return STRINGS.every((s, i) => s <= from || s >= to || (frets[i] ?? fret) >= fret);
}
const fingerOn = (shape: Pick<Shape, 'fingers'>, string: StringNumber): LeftFinger | null =>
  shape.fingers[STRINGS.indexOf(string)] ?? null;
