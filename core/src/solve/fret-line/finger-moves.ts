import { openPitch } from '../../instrument/index.js';
import type { LeftFinger } from '../../left-hand/index.js';
import { type Grip, inHand } from './grip.js';
import type { FretLineRequest, Placed } from './model.js';

/** What was played before the last event, where the coming note belongs to a shape that is held. */
export interface Recent {
  readonly placed: readonly Placed[];
  /** Pitches that come again after the coming note. */
  readonly coming: ReadonlySet<number>;
}
/**
 * A finger that left a string for another while a note was between, and both come back, or lie on one fret; or another
 * finger than before on a note that has come back.
 */
export function hops(
  { tuning, neck }: FretLineRequest,
  { placed, coming }: Recent,
  before: Grip,
  { finger, string, fret }: Placed,
) {
  if (finger === 0 || inHand(before).some((p) => p.finger === finger)) return false;
  const from = placed.find((p) => p.finger === finger);
  // A note that comes back keeps the finger that lies on it.
  if (placed.some((p) => p.string === string && p.fret === fret && p.finger !== finger)) return true;
  if (!from || from.string === string) return false;
  return from.fret === fret || coming.has(openPitch(tuning, from.string, neck.capo) + from.fret);
}
/** On one fret the higher finger lies on the thinner string. */
export const crosses = (a: Placed, b: Placed): boolean => a.finger < b.finger === a.string < b.string;
/** Whether a note's finger stops one before it in the list as well. */
export function isTwice(placed: readonly Placed[], n: number): boolean {
  for (let i = 0; i < n; i++) if (placed[i]?.finger === placed[n]?.finger) return true;
  return false;
}
/** So many strings on the first finger still collapses over a string. */
const FAR_COLLAPSE = 2;
/** A finger that goes to another string. */
function acrossTo(finger: LeftFinger, sameFret: boolean, strings: number): FingerMove {
  if (!sameFret || strings > (finger === 1 ? FAR_COLLAPSE : 1)) return 'jumps';
  return finger === 1 ? 'collapses' : 'rolls over';
}
/** A finger that goes along its string to a fret over which another one lay. */
export function slidesOver(before: Grip, { finger, string, fret }: Placed): boolean {
  const lies = fret - before.position + 1;
  if (finger === 0 || finger === lies || lies < 1 || lies > 4) return false;
  return before.placed.some((p) => p.finger === finger && p.string === string && p.fret !== fret);
}
/**
 * What a finger that stops a note does from one event to the next: it jumps to another string and fret, rolls
 * over to a neighbouring string on its fret, which the first does by collapsing or standing up, works as a hinge between
 * one string and several, or none of these.
 */
export type FingerMove = 'jumps' | 'rolls over' | 'collapses' | 'hinges' | 'none';
export function fingerMove(held: readonly Placed[], holds: readonly Placed[], finger: LeftFinger): FingerMove {
  if (finger === 0) return 'none';
  const [one, other] = [held[0], holds[0]];
  // A note after a note, as lines mostly are.
  if (held.length === 1 && holds.length === 1 && one && other) {
    if (one.finger !== finger || one.string === other.string) return 'none';
    return acrossTo(finger, one.fret === other.fret, Math.abs(one.string - other.string));
  }
  const [from, to] = [held.filter((p) => p.finger === finger), holds.filter((p) => p.finger === finger)];
  const [a, b] = [from[0], to[0]];
  if (!a || !b) return 'none';
  const shared = to.some((p) => from.some((q) => q.string === p.string));
  if (!shared) {
    const far = Math.min(...from.flatMap((p) => to.map((q) => Math.abs(p.string - q.string))));
    return acrossTo(finger, a.fret === b.fret, far);
  }
  return a.fret === b.fret && from.length > 1 !== to.length > 1 ? 'hinges' : 'none';
}
/** Who stops a string. */
export const fingerOn = (grip: Grip, string: number): LeftFinger | undefined =>
  grip.placed.find((p) => p.string === string)?.finger;
/** Two notes or more go along their strings, each as far as the others. */
export function slides(before: Grip, after: Grip): boolean {
  if (after.placed.length < 2 || before.placed.length !== after.placed.length) return false;
  const ways = new Set(
    after.placed.map((n) => {
      const from = before.placed.find((p) => p.string === n.string)?.fret ?? 0;
      return n.fret === 0 || from === 0 ? NaN : n.fret - from;
    }),
  );
  const [way] = ways;
  return ways.size === 1 && !!way;
}
/** Whether a finger stays on its string and leads the hand to its next place. */
export const guides = (before: Grip, after: Grip): boolean =>
  after.placed.some((n) => n.finger !== 0 && before.placed.some((p) => p.finger === n.finger && p.string === n.string));
