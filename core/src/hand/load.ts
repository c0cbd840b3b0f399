import type { FlatPattern } from '../pattern/index.js';
import { directionOf, FINGERS, hasMark, type Direction, type Finger } from '../stroke/index.js';
import { millis, millisOf, ticks, TICKS_PER_COUNT, type Bpm, type Millis, type Ticks } from '../time/index.js';
import type { HandProfile } from './profile.js';

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
}
export type CeilingCause =
  | { readonly kind: 'finger'; readonly finger: Finger; readonly half: boolean }
  | { readonly kind: 'golpe'; readonly finger: Finger }
  | { readonly kind: 'joint'; readonly from: Finger; readonly to: Finger };
export interface HandLoad {
  readonly fingers: readonly FingerLoad[];
  /** Highest tempo at which nothing is late, in counts a minute; null when no finger plays. */
  readonly ceiling: number | null;
  readonly cause: CeilingCause | null;
}

interface Touch {
  readonly at: number;
  readonly finger: Finger;
  readonly dir: Direction | null;
  readonly golpe: boolean;
}

/** Every use of a finger. A golpe is tapped with `a`, alone or along with a stroke of another finger. */
function touches(flat: FlatPattern): Touch[] {
  const found: Touch[] = [];
  for (const e of flat.events) {
    if (e.motion.kind === 'golpe' || hasMark(e.motion, '*'))
      found.push({ at: e.at, finger: 'a', dir: null, golpe: true });
    if (e.motion.kind === 'stroke')
      for (const finger of e.motion.fingers) found.push({ at: e.at, finger, dir: directionOf(e.motion), golpe: false });
  }
  return found;
}

const isHalf = (a: Touch, b: Touch) => a.dir !== null && b.dir !== null && a.dir !== b.dir;

/**
 * What every finger does at a tempo, the pattern played round and round. A finger that strikes the same
 * way twice needs its whole return in between; after an opposite stroke it is already on its way, half
 * does. Available time falls as 1/tempo, so each pair's own ceiling is tempo × available ÷ needed.
 */
export function handLoad(flat: FlatPattern, tempo: Bpm, profile: HandProfile): HandLoad {
  const all = touches(flat);
  const fingers: FingerLoad[] = [];
  let ceiling: number | null = null;
  let cause: CeilingCause | null = null;
  const limit = (bpmLimit: number, why: CeilingCause) => {
    if (ceiling !== null && bpmLimit >= ceiling) return;
    ceiling = bpmLimit;
    cause = why;
  };
  const loopMs = millisOf(flat.length, tempo);
  for (const finger of FINGERS) {
    const own = all.filter((t) => t.finger === finger);
    if (own.length === 0) continue;
    let tightest: FingerLoad | null = null;
    own.forEach((t, i) => {
      const last = i === own.length - 1;
      const next = (last ? own[0] : own[i + 1]) as Touch;
      const gap = millisOf(ticks(next.at + (last ? flat.length : 0) - t.at), tempo);
      const half = isHalf(t, next);
      const needed = profile.returnMs[finger] * (half ? 0.5 : 1);
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
      };
    });
    const load = tightest as FingerLoad | null;
    if (!load) continue;
    fingers.push(load);
    limit(load.ceiling, load.golpe ? { kind: 'golpe', finger } : { kind: 'finger', finger, half: load.half });
  }
  for (const joint of joints(flat.length, all, profile)) {
    limit((60_000 * joint.gap) / (TICKS_PER_COUNT * joint.needed), { kind: 'joint', from: joint.from, to: joint.to });
  }
  return { fingers, ceiling, cause };
}

/** From each stroke to the next of another finger, the pattern looping. */
function* joints(length: Ticks, all: readonly Touch[], profile: HandProfile) {
  for (let i = 0; i < all.length; i++) {
    const from = all[i] as Touch;
    const next = all.find((t) => t.at > from.at);
    const to = next ?? all[0] ?? from;
    if (to.finger === from.finger) continue;
    const gap = next ? next.at - from.at : to.at + length - from.at;
    const needed = from.finger === 'p' ? profile.thumbJointMs : profile.jointMs;
    yield { from: from.finger, to: to.finger, gap, needed };
  }
}
