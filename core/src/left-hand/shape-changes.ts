import { positionOf } from './position.js';
import { apart, fretWidth, type Neck, touchPoint, type TouchPoint } from '../instrument/index.js';
import { pointsOn } from './fingering.js';
import { type HandProfile, leftHandOf, moveMs } from '../player/index.js';
import { type StringNumber, STRINGS } from '../time/index.js';
import type { LeftFinger, Shape } from './shape.js';

/**
 * What one finger does between two shapes: it stays on its string and fret, is guided along its string,
 * swaps to another string, lands from the air, lifts into it, or is not used.
 */
export type FingerAction = 'stays' | 'guides' | 'swaps' | 'lands' | 'lifts' | 'idle';
export type HoldingFinger = Exclude<LeftFinger, 0>;
export const HOLDING_FINGERS: readonly HoldingFinger[] = [1, 2, 3, 4, 'T'];

export interface FingerPlace {
  /** From the thickest to the thinnest it holds. */
  readonly strings: readonly StringNumber[];
  readonly fret: number;
}
export interface FingerChange {
  readonly finger: HoldingFinger;
  readonly action: FingerAction;
  readonly from: FingerPlace | null;
  readonly to: FingerPlace | null;
  /** Way along and across the neck. */
  readonly mm: number;
  /** What the move takes this hand. */
  readonly neededMs: number;
  /** What the right hand leaves: from the last stroke on what it held to the first on what it will hold. Null when no stroke asks. */
  readonly thereMs: number | null;
  /** 1 = the first to be needed; null when no stroke asks for it. */
  readonly order: number | null;
}
/** A stroke near the change, in ms from it: before it negative, at it or after it 0 and up. */
export interface StrokeNear {
  readonly ms: number;
  readonly strings: readonly StringNumber[];
}
export interface ChangeRequest {
  readonly from: Shape;
  readonly to: Shape;
  readonly neck: Neck;
  readonly profile: HandProfile;
  readonly strokes: readonly StrokeNear[];
  /**
   * When fingers that are in the air left the neck, in ms from the change. In its place the hand lets them go to their
   * strings from then on, and one that was not down yet is no matter. Without it, from the last stroke on.
   */
  readonly inAir?: ReadonlyMap<HoldingFinger, number>;
}
export interface ShapeChange {
  readonly from: Shape;
  readonly to: Shape;
  readonly fingers: readonly FingerChange[];
  /** Fingers that leave a place or come down: swaps and landings. */
  readonly moving: number;
  /** How far the arm carries the hand along the neck, in mm, whatever fingers do; 0 where it stays. */
  readonly arm: number;
  /** The arm's way, and what fingers go beside it, in mm. */
  readonly mm: number;
  /** All at once: the slowest finger against the time before the first stroke of the new shape. */
  readonly block: { readonly neededMs: number; readonly thereMs: number | null };
  /** One after another in the order their strings are struck: the finger with least room. */
  readonly sequential: { readonly finger: HoldingFinger; readonly neededMs: number; readonly thereMs: number } | null;
  /** Wound strings along which a finger slides. */
  readonly squeaks: readonly StringNumber[];
  /** The first finger only closes or opens over more strings on its fret. */
  readonly hinge: boolean;
  /** Points; the greater the harder. */
  readonly difficulty: number;
}

const WOUND_FROM = 4;
/** A finger in the air waits so high above its string. */
const HOVER_MM = 12;
/** Points: for a finger that moves, for 10 mm, for a barre that must come down, for a whole share of time that is missing. */
const HARD = { moving: 10, perCentimetre: 2, barre: 12, guide: 3, share: 60 };

function placeOf(shape: Pick<Shape, 'frets' | 'fingers'>, finger: HoldingFinger): FingerPlace | null {
  const held = shape.fingers.flatMap((f, i) => (f === finger ? [i] : []));
  const fret = shape.frets[held[0] ?? -1];
  return held.length && fret ? { strings: held.map((i) => STRINGS[i] ?? 1), fret } : null;
}
const pointAt = (string: StringNumber, fret: number, neck: Neck): TouchPoint =>
  pointsOn(neck)[STRINGS.indexOf(string)]?.[fret] ?? touchPoint(string, fret, neck);
const pointOf = (place: FingerPlace, neck: Neck): TouchPoint => pointAt(place.strings[0] ?? 1, place.fret, neck);

/** Where the hand stands in a shape, and every finger in it. */
interface Stand {
  readonly frets: Shape['frets'];
  readonly hand: number | null;
  readonly places: readonly (FingerPlace | null)[];
}
/** By the list of fingers: rows of chords ask for the same shapes over and over. */
const known = new WeakMap<Shape['fingers'], Stand>();
function standOf(shape: Pick<Shape, 'frets' | 'fingers'>): Stand {
  const before = known.get(shape.fingers);
  if (before?.frets === shape.frets) return before;
  const stand = {
    frets: shape.frets,
    hand: positionOf(shape.fingers.map((finger, i) => ({ finger, fret: shape.frets[i] ?? null }))),
    places: HOLDING_FINGERS.map((f) => placeOf(shape, f)),
  };
  known.set(shape.fingers, stand);
  return stand;
}

function actionOf(from: FingerPlace | null, to: FingerPlace | null): FingerAction {
  if (!from || !to) return from ? 'lifts' : to ? 'lands' : 'idle';
  if (!from.strings.some((s) => to.strings.includes(s))) return 'swaps';
  return from.fret === to.fret ? 'stays' : 'guides';
}

/** From where a finger that was in the air comes: over its own fret in the hand's position before. */
function comesFrom(finger: HoldingFinger, to: FingerPlace, before: number, neck: Neck): number {
  const fret = Math.max(1, before + (finger === 'T' ? 0 : finger - 1));
  const over = pointAt(to.strings[0] ?? 1, fret, neck);
  return Math.hypot(apart(over, pointOf(to, neck)), HOVER_MM);
}

/** What one finger does from one shape to the next. */
interface FingerWay {
  readonly action: FingerAction;
  /** How far it goes, in mm. */
  readonly mm: number;
  /** The same without what the arm carries it along the neck. */
  readonly own: number;
}
function fingerWays(from: Stand, to: Stand, neck: Neck): FingerWay[] {
  const before = from.hand ?? to.hand ?? 1;
  const carried = armWay(from, to, neck);
  return HOLDING_FINGERS.map((finger, n) => {
    const [a, b] = [from.places[n] ?? null, to.places[n] ?? null];
    const action = actionOf(a, b);
    const moves = b !== null && action !== 'stays';
    if (!moves) return { action, mm: 0, own: 0 };
    if (!a)
      return {
        action,
        mm: comesFrom(finger, b, before, neck),
        own: comesFrom(finger, b, to.hand ?? before, neck),
      };
    const [p, q] = [pointOf(a, neck), pointOf(b, neck)];
    return { action, mm: apart(p, q), own: apart({ ...p, x: p.x + carried }, q) };
  });
}
/**
 * How far the arm carries the hand along the neck, in mm, towards the body positive: what all fingers that are down
 * before and after go along in common; where none is, from position to position.
 */
function armWay(from: Stand, to: Stand, neck: Neck): number {
  const along = from.places.flatMap((a, n) => {
    const b = to.places[n];
    return a && b ? [pointOf(b, neck).x - pointOf(a, neck).x] : [];
  });
  if (along.length) {
    const [least, most] = [Math.min(...along), Math.max(...along)];
    return least > 0 ? least : most < 0 ? most : 0;
  }
  return from.hand === null || to.hand === null ? 0 : pointAt(1, to.hand, neck).x - pointAt(1, from.hand, neck).x;
}
/** Fingers that come down a fret beside their own are squeezed or stretched; the arm has not moved for them. */
function inPlace(from: Stand, to: Stand): boolean {
  const common = from.places.some((a, n) => a !== null && to.places[n] !== null);
  return !common && from.hand !== null && to.hand !== null && Math.abs(to.hand - from.hand) <= 1;
}
/** How far a form slides as it is, every finger along its strings by as many frets, as the first of them goes; else null. */
function slideOf(from: Stand, to: Stand, neck: Neck): number | null {
  const ways = new Set(
    from.places.flatMap((a, n) => {
      const b = to.places[n];
      if (!a && !b) return [];
      return a && b && a.strings.join() === b.strings.join() ? [b.fret - a.fret] : [NaN];
    }),
  );
  const [way] = ways;
  const n = from.places.findIndex((p) => p !== null);
  const [a, b] = [from.places[n], to.places[n]];
  return ways.size === 1 && way && a && b ? Math.abs(pointOf(b, neck).x - pointOf(a, neck).x) : null;
}
const isBarre = (place: FingerPlace | null | undefined): boolean => (place?.strings.length ?? 0) > 1;
const isMove = ({ action }: FingerWay): boolean => action === 'swaps' || action === 'lands';
/** Points of a way, before the time that there is for it: the arm's movement once, and what fingers do beside it. */
function wayPoints(ways: readonly FingerWay[], from: Stand, to: Stand, neck: Neck): number {
  let points = (HARD.perCentimetre * Math.round(Math.abs(armWay(from, to, neck)))) / 10;
  ways.forEach((w, n) => {
    if (isMove(w)) points += HARD.moving;
    if (w.action === 'guides') points += HARD.guide;
    points += (HARD.perCentimetre * Math.round(w.own)) / 10;
    // A barre that slides lies already; one that a finger opens into on its fret is a hinge.
    const lies = w.action === 'stays' || (w.action === 'guides' && isBarre(from.places[n]));
    if (isBarre(to.places[n]) && !lies) points += HARD.barre;
  });
  return points;
}
/**
 * How hard the way between two shapes is, in points, whatever the right hand plays: the same as `changeBetween` has
 * without strokes.
 */
export function changePoints(
  from: Pick<Shape, 'frets' | 'fingers'>,
  to: Pick<Shape, 'frets' | 'fingers'>,
  neck: Neck,
): number {
  const [a, b] = [standOf(from), standOf(to)];
  return Math.round(wayPoints(fingerWays(a, b, neck), a, b, neck));
}

/** Everything about the way from one shape to the next. */
export function changeBetween({ from, to, neck, profile, strokes, inAir }: ChangeRequest): ShapeChange {
  const left = leftHandOf(profile);
  const [stood, coming] = [standOf(from), standOf(to)];
  const ways = fingerWays(stood, coming, neck);
  const earlier = [...strokes].filter((s) => s.ms < 0).sort((a, b) => b.ms - a.ms);
  const later = [...strokes].filter((s) => s.ms >= 0).sort((a, b) => a.ms - b.ms);
  const lastOn = (place: FingerPlace | null) =>
    place ? (earlier.find((s) => s.strings.some((x) => place.strings.includes(x)))?.ms ?? null) : null;
  const firstOn = (place: FingerPlace | null) =>
    place ? (later.find((s) => s.strings.some((x) => place.strings.includes(x)))?.ms ?? null) : null;
  const due = new Map(HOLDING_FINGERS.map((f, n) => [f, firstOn(coming.places[n] ?? null)]));
  const times = [...new Set([...due.values()].filter((ms): ms is number => ms !== null))].sort((a, b) => a - b);
  const lastStroke = earlier[0]?.ms ?? null;
  const slide = slideOf(stood, coming, neck);
  const arm = inPlace(stood, coming) ? 0 : Math.round(slide ?? Math.abs(armWay(stood, coming, neck)));

  const fingers = HOLDING_FINGERS.map((finger, n): FingerChange => {
    const [a, b] = [stood.places[n] ?? null, coming.places[n] ?? null];
    const { action, mm } = ways[n] as FingerWay;
    const moves = b !== null && action !== 'stays';
    const dueMs = due.get(finger) ?? null;
    // A finger in the air is free from the last stroke on; one that holds is free after the last stroke on its strings.
    const since = inAir && arm === 0 ? (inAir.get(finger) ?? null) : lastStroke;
    const freeMs = a ? (lastOn(a) ?? lastStroke) : since;
    return {
      finger,
      action,
      from: a,
      to: b,
      mm: Math.round(mm),
      neededMs: moves ? Math.round(moveMs(mm, fretWidth(b.fret, neck), left)) : 0,
      thereMs: moves && dueMs !== null && freeMs !== null ? Math.round(dueMs - freeMs) : null,
      order: b !== null && dueMs !== null ? times.indexOf(dueMs) + 1 : null,
    };
  });
  const needed = fingers.filter((f) => f.neededMs > 0);
  const tightest = needed
    .filter((f): f is FingerChange & { thereMs: number } => f.thereMs !== null)
    .sort((a, b) => b.neededMs / Math.max(1, b.thereMs) - a.neededMs / Math.max(1, a.thereMs))[0];
  const blockThere = lastStroke !== null && times[0] !== undefined ? Math.round(times[0] - lastStroke) : null;
  const first = fingers.find((f) => f.finger === 1);
  const hinge =
    first?.action === 'stays' &&
    !!first.from &&
    !!first.to &&
    first.from.strings.length > 1 !== first.to.strings.length > 1;
  const moving = ways.filter(isMove).length;
  const guides = fingers.filter((f) => f.action === 'guides');
  // Frets grow narrower: fingers of a form that slides go on a little, and nobody minds.
  const mm = arm + (slide === null ? Math.round(ways.reduce((sum, w) => sum + w.own, 0)) : 0);
  const share = tightest ? tightest.neededMs / Math.max(1, tightest.thereMs) : 0;
  return {
    from,
    to,
    fingers,
    moving,
    arm,
    mm,
    block: { neededMs: Math.max(0, ...needed.map((f) => f.neededMs)), thereMs: blockThere },
    sequential: tightest ? { finger: tightest.finger, neededMs: tightest.neededMs, thereMs: tightest.thereMs } : null,
    squeaks: guides.flatMap((f) => f.to?.strings.filter((s) => s >= WOUND_FROM && f.from?.strings.includes(s)) ?? []),
    hinge,
    difficulty: Math.round(wayPoints(ways, stood, coming, neck) + HARD.share * share),
  };
}
