import { type HandProfile, returnTime } from '../player/index.js';
import type { FlatPattern } from '../script/index.js';
import { type Direction, directionOf, type Finger, FINGERS, golpeFinger } from '../stroke/index.js';
import { type Bpm, millis, type Millis, millisOf, ticks, type Ticks } from '../time/index.js';

export interface FingerLoad {
  readonly finger: Finger;
  readonly strokesPerSecond: number;
  /** Least time between two of its strokes at this tempo. */
  readonly leastMs: Millis;
  /** What the player's finger needs for that: a whole return, or half after an opposite stroke. */
  readonly neededMs: Millis;
  /** needed ÷ available, for its tightest pair; above 1 the finger is late. */
  readonly share: number;
  /** Tempo at which that share reaches 1. */
  readonly ceiling: number;
  /** The tightest pair needs only half a return. */
  readonly half: boolean;
  /** A golpe is part of the tightest pair. */
  readonly golpe: boolean;
  /** The slots of the pair's two strokes. */
  readonly slot: number;
  readonly next: number;
}
/** From a stroke of one finger to the next stroke, of another: the tightest such place of each pair. */
export interface JointLoad {
  readonly from: Finger;
  readonly to: Finger;
  readonly leastMs: Millis;
  readonly neededMs: Millis;
  /** needed ÷ available; above 1 the second finger is late. */
  readonly share: number;
  readonly ceiling: number;
  /** The slots of the two strokes. */
  readonly slot: number;
  readonly next: number;
}
export type CeilingCause =
  | { readonly kind: 'finger'; readonly finger: Finger; readonly half: boolean }
  | { readonly kind: 'golpe'; readonly finger: Finger }
  | { readonly kind: 'joint'; readonly from: Finger; readonly to: Finger };
export interface HandLoad {
  readonly fingers: readonly FingerLoad[];
  /** The tightest first. */
  readonly joints: readonly JointLoad[];
  /** Highest tempo at which nothing is late, in counts a minute; null when no finger plays. */
  readonly ceiling: number | null;
  readonly cause: CeilingCause | null;
}

interface Touch {
  readonly at: number;
  readonly slot: number;
  readonly finger: Finger;
  readonly dir: Direction | null;
  readonly golpe: boolean;
}

/** Every use of a finger. A golpe is tapped with `a`, or with the finger that is named for it, along with a stroke of another. */
function touches(flat: FlatPattern): Touch[] {
  const found: Touch[] = [];
  for (const e of flat.events) {
    const tapping = golpeFinger(e.motion);
    if (tapping) found.push({ at: e.at, slot: e.slot, finger: tapping, dir: null, golpe: true });
    if (e.motion.kind === 'stroke')
      for (const finger of e.motion.fingers)
        found.push({ at: e.at, slot: e.slot, finger, dir: directionOf(e.motion), golpe: false });
  }
  return found;
}

const isHalf = (a: Touch, b: Touch) => a.dir !== null && b.dir !== null && a.dir !== b.dir;

/**
 * What every finger does at a tempo, the pattern played round and round. A finger that strikes the same
 * way twice needs its whole return in between; after an opposite stroke it is already on its way, half
 * does. Available time falls as 1/tempo, so each pair's own ceiling is tempo × available ÷ needed.
 */
export const handLoad = (flat: FlatPattern, tempo: Bpm, profile: HandProfile): HandLoad =>
  loadOf(touches(flat), flat.length, tempo, profile);
/**
 * The load after two fingers have changed places. A golpe stays with the finger that taps it; where that finger would
 * stroke at once, the golpe is left out.
 */
export function exchangedLoad(
  flat: FlatPattern,
  [from, to]: readonly [Finger, Finger],
  tempo: Bpm,
  profile: HandProfile,
): HandLoad {
  const all = touches(flat);
  const other = (f: Finger): Finger => (f === from ? to : f === to ? from : f);
  const busy = new Set(all.flatMap((t) => (t.golpe ? [] : [`${t.slot} ${other(t.finger)}`])));
  const exchanged = all.flatMap((t): Touch[] =>
    t.golpe ? (busy.has(`${t.slot} ${t.finger}`) ? [] : [t]) : [{ ...t, finger: other(t.finger) }],
  );
  return loadOf(exchanged, flat.length, tempo, profile);
}

function loadOf(all: readonly Touch[], length: Ticks, tempo: Bpm, profile: HandProfile): HandLoad {
  const fingers: FingerLoad[] = [];
  let ceiling: number | null = null;
  let cause: CeilingCause | null = null;
  const limit = (bpmLimit: number, why: CeilingCause) => {
    if (ceiling !== null && bpmLimit >= ceiling) return;
    ceiling = bpmLimit;
    cause = why;
  };
  const loopMs = millisOf(length, tempo);
  for (const finger of FINGERS) {
    const own = all.filter((t) => t.finger === finger);
    if (own.length === 0) continue;
    let tightest: FingerLoad | null = null;
    own.forEach((t, i) => {
      const last = i === own.length - 1;
      const next = (last ? own[0] : own[i + 1]) as Touch;
      const gap = millisOf(ticks(next.at + (last ? length : 0) - t.at), tempo);
      const half = isHalf(t, next);
      const needed = returnTime(profile, finger, half);
      const share = needed / gap;
      if (tightest && share <= tightest.share) return;
      tightest = {
        finger,
        strokesPerSecond: (own.length * 1000) / loopMs,
        leastMs: gap,
        neededMs: millis(needed),
        share,
        ceiling: tempo / share,
        half,
        golpe: t.golpe || next.golpe,
        slot: t.slot,
        next: next.slot,
      };
    });
    const load = tightest as FingerLoad | null;
    if (!load) continue;
    fingers.push(load);
    limit(load.ceiling, load.golpe ? { kind: 'golpe', finger } : { kind: 'finger', finger, half: load.half });
  }
  const joints = jointLoads(length, all, tempo, profile);
  const worst = joints[0];
  if (worst) limit(worst.ceiling, { kind: 'joint', from: worst.from, to: worst.to });
  return { fingers, joints, ceiling, cause };
}

/** From each stroke to the next of another finger, the pattern looping. */
function jointLoads(length: Ticks, all: readonly Touch[], tempo: Bpm, profile: HandProfile): JointLoad[] {
  const worst = new Map<string, JointLoad>();
  all.forEach((from, i) => {
    let n = i + 1;
    while (n < all.length && (all[n] as Touch).at <= from.at) n++;
    const next = all[n];
    const to = next ?? all[0] ?? from;
    if (to.finger === from.finger) return;
    const gap = millisOf(ticks(next ? next.at - from.at : to.at + length - from.at), tempo);
    const needed = from.finger === 'p' ? profile.thumbJointMs : profile.jointMs;
    const pair = `${from.finger} ${to.finger}`;
    const share = needed / gap;
    if (share <= (worst.get(pair)?.share ?? 0)) return;
    worst.set(pair, {
      from: from.finger,
      to: to.finger,
      leastMs: gap,
      neededMs: needed,
      share,
      ceiling: tempo / share,
      slot: from.slot,
      next: to.slot,
    });
  });
  return [...worst.values()].sort((a, b) => b.share - a.share || a.slot - b.slot);
}

export interface TightestPlace {
  /** The fingers concerned: one that must be back, or two in a row. */
  readonly fingers: readonly Finger[];
  /** The slots of the two strokes. */
  readonly slot: number;
  readonly next: number;
  /** needed ÷ available at this tempo. */
  readonly share: number;
}
/** The one place that asks most of the hand: what to drill first. Null when nothing is played twice or in a row. */
export function tightestPlace(load: HandLoad): TightestPlace | null {
  const places: TightestPlace[] = [
    ...load.fingers.map((f) => ({ fingers: [f.finger], slot: f.slot, next: f.next, share: f.share })),
    ...load.joints.map((j) => ({ fingers: [j.from, j.to], slot: j.slot, next: j.next, share: j.share })),
  ];
  return places.reduce<TightestPlace | null>((most, p) => (most && most.share >= p.share ? most : p), null);
}
