import { type HandProfile, returnTime } from '../player/index.js';
import type { FlatPattern } from '../script/index.js';
import { type PlectrumLoad, plectrumLoad } from './plectrum-load.js';
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
  | { readonly kind: 'joint'; readonly from: Finger; readonly to: Finger }
  | { readonly kind: 'plectrum'; readonly onItsWay: boolean };
export interface HandLoad {
  readonly fingers: readonly FingerLoad[];
  /** The tightest first. */
  readonly joints: readonly JointLoad[];
  /** The plectrum's, when one is used. */
  readonly plectrum: PlectrumLoad | null;
  /** Highest tempo at which nothing is late, in counts a minute; null when neither finger nor plectrum plays. */
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
function touches(flat: FlatPattern, exchanged?: (finger: Finger) => Finger): Touch[] {
  const found: Touch[] = [];
  for (const { at, slot, motion } of flat.events) {
    const written = motion.kind === 'stroke' ? motion.fingers : NO_FINGERS;
    const fingers = exchanged ? written.map(exchanged) : written;
    const finger = golpeFinger(motion);
    if (finger && !(exchanged && fingers.includes(finger))) found.push({ at, slot, finger, dir: null, golpe: true });
    for (const f of fingers) found.push({ at, slot, finger: f, dir: directionOf(motion), golpe: false });
  }
  return found;
}
const NO_FINGERS: readonly Finger[] = [];

/** The thumb plucks downwards, so up and then a single string is half a return too. */
const wayOf = ({ finger, dir, golpe }: Touch): Direction | null => dir ?? (finger === 'p' && !golpe ? 'd' : null);
const isHalf = (a: Touch, b: Touch) => wayOf(a) !== null && wayOf(b) !== null && wayOf(a) !== wayOf(b);

/**
 * What every finger does at a tempo, the pattern played round and round. A finger that strikes the same
 * way twice needs its whole return in between; after an opposite stroke it is already on its way, half
 * does. Available time falls as 1/tempo, so each pair's own ceiling is tempo × available ÷ needed.
 */
export const handLoad = (flat: FlatPattern, tempo: Bpm, profile: HandProfile): HandLoad =>
  loadOf(touches(flat), flat.length, tempo, profile, plectrumLoad(flat, tempo, profile));
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
  const other = (f: Finger): Finger => (f === from ? to : f === to ? from : f);
  return loadOf(touches(flat, other), flat.length, tempo, profile);
}

function loadOf(
  all: readonly Touch[],
  length: Ticks,
  tempo: Bpm,
  profile: HandProfile,
  plectrum: PlectrumLoad | null = null,
): HandLoad {
  const fingers: FingerLoad[] = [];
  let ceiling: number | null = null;
  let cause: CeilingCause | null = null;
  const limit = (bpmLimit: number, why: CeilingCause) => {
    if (ceiling !== null && bpmLimit >= ceiling) return;
    ceiling = bpmLimit;
    cause = why;
  };
  const loopMs = millisOf(length, tempo);
  const runs = runsOf(all, length, tempo, profile);
  for (const finger of FINGERS) {
    const run = runs.get(finger);
    if (!run) continue;
    const { from, to, gap, needed, share } = run.tightest;
    const half = isHalf(from, to);
    const golpe = from.golpe || to.golpe;
    fingers.push({
      finger,
      strokesPerSecond: (run.count * 1000) / loopMs,
      leastMs: gap,
      neededMs: needed,
      share,
      ceiling: tempo / share,
      half,
      golpe,
      slot: from.slot,
      next: to.slot,
    });
    limit(tempo / share, golpe ? { kind: 'golpe', finger } : { kind: 'finger', finger, half });
  }
  const joints = jointLoads(length, all, tempo, profile);
  const worst = joints[0];
  if (worst) limit(worst.ceiling, { kind: 'joint', from: worst.from, to: worst.to });
  if (plectrum) limit(plectrum.ceiling, { kind: 'plectrum', onItsWay: plectrum.onItsWay });
  return { fingers, joints, plectrum, ceiling, cause };
}

/** Two strokes of one finger with the time between them. */
interface Return {
  readonly from: Touch;
  readonly to: Touch;
  readonly gap: Millis;
  readonly needed: Millis;
  readonly share: number;
}
interface FingerRun {
  count: number;
  readonly first: Touch;
  last: Touch;
  tightest: Return;
}
/** Every finger's strokes and the pair that leaves it least time, the first of equals; the last one leads to the first. */
function runsOf(all: readonly Touch[], length: Ticks, tempo: Bpm, profile: HandProfile): Map<Finger, FingerRun> {
  const between = (from: Touch, to: Touch, apart: number): Return => {
    const gap = millisOf(ticks(apart), tempo);
    const needed = millis(returnTime(profile, from.finger, isHalf(from, to)));
    return { from, to, gap, needed, share: needed / gap };
  };
  const runs = new Map<Finger, FingerRun>();
  for (const t of all) {
    const run = runs.get(t.finger);
    if (!run) {
      runs.set(t.finger, { count: 1, first: t, last: t, tightest: between(t, t, length) });
      continue;
    }
    run.count++;
    const own = between(run.last, t, t.at - run.last.at);
    if (run.count === 2 || own.share > run.tightest.share) run.tightest = own;
    run.last = t;
  }
  for (const run of runs.values()) {
    if (run.count === 1) continue;
    const own = between(run.last, run.first, run.first.at + length - run.last.at);
    if (own.share > run.tightest.share) run.tightest = own;
  }
  return runs;
}

/** From each stroke to the next of another finger, the pattern looping. */
function jointLoads(length: Ticks, all: readonly Touch[], tempo: Bpm, profile: HandProfile): JointLoad[] {
  const worst = new Map<string, JointLoad>();
  for (let i = 0, n = 0; i < all.length; i++) {
    const from = all[i] as Touch;
    // Fingers that strike together have no joint between them.
    while (n < all.length && (all[n] as Touch).at <= from.at) n++;
    const next = all[n];
    const to = next ?? all[0] ?? from;
    if (to.finger === from.finger) continue;
    const gap = millisOf(ticks(next ? next.at - from.at : to.at + length - from.at), tempo);
    const needed = from.finger === 'p' ? profile.thumbJointMs : profile.jointMs;
    const pair = from.finger + to.finger;
    const share = needed / gap;
    if (share <= (worst.get(pair)?.share ?? 0)) continue;
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
  }
  return [...worst.values()].sort((a, b) => b.share - a.share || a.slot - b.slot);
}

export interface TightestPlace {
  /** The fingers concerned: one that must be back, or two in a row; none for a plectrum. */
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
    ...(load.plectrum ? [{ ...load.plectrum, fingers: [] }] : []),
  ];
  return places.reduce<TightestPlace | null>((most, p) => (most && most.share >= p.share ? most : p), null);
}
