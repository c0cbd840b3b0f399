import { pointsOf } from '../search/index.js';
import { type Fact, fact } from '../fault/index.js';
import { apart, type Neck, touchPoint, type TouchPoint } from '../instrument/index.js';
import { FINGER_PAIRS, type HandProfile, type LeftHand, leftHandOf, pairOf } from '../player/index.js';
import { type FretFromCapo, type SixStrings, sixOf, STRINGS } from '../time/index.js';
import { SHAPE_WEIGHTS, type ShapeWeights } from './shape-weights.js';
import { HIGHEST_FRET, type LeftFinger } from './shape.js';
import { areOthers } from './taught-fingers.js';

export const FINGERING_TERMS = ['stretch', 'barre', 'weak', 'order', 'crowd', 'others'] as const;
export type FingeringTerm = (typeof FINGERING_TERMS)[number];
export type FingeringCost = Record<FingeringTerm, number>;
/** Frets from string 6 to string 1 as a shape has them. */
export type Frets = SixStrings<FretFromCapo | null>;
export type Fingers = SixStrings<LeftFinger | null>;

export interface Fingering {
  readonly fingers: Fingers;
  readonly cost: FingeringCost;
  readonly total: number;
}
export interface FingeringHand {
  readonly neck: Neck;
  /** Where a finger touches, by string (6 to 1) and fret. */
  readonly points: readonly (readonly TouchPoint[])[];
  readonly left: LeftHand;
  readonly weights: ShapeWeights;
}
const known = new WeakMap<Neck, readonly (readonly TouchPoint[])[]>();
/** Every touch point of a neck, reckoned once. */
export function pointsOn(neck: Neck): readonly (readonly TouchPoint[])[] {
  const before = known.get(neck);
  if (before) return before;
  const points = STRINGS.map((string) =>
    Array.from({ length: HIGHEST_FRET + 1 }, (_, fret) => touchPoint(string, fret, neck)),
  );
  known.set(neck, points);
  return points;
}
export const handOn = (neck: Neck, profile: HandProfile, weights = SHAPE_WEIGHTS): FingeringHand => ({
  neck,
  points: pointsOn(neck),
  left: leftHandOf(profile),
  weights,
});

/** Indices into a shape's strings that one finger holds down. */
type Placed = readonly (readonly number[])[];
const NUMBERED = [1, 2, 3, 4] as const;
/** Strings that a barre of any finger but the first can lie over. */
export const LONGEST_OTHER_BARRE = 3;

/** Why a hand can't hold frets with these fingers. */
export type HoldRefusal =
  | 'silent string with a finger'
  | 'open string with a finger'
  | 'fret without finger'
  | 'thumb elsewhere'
  | 'finger on two frets'
  | 'finger over too many strings'
  | 'finger over a lower fret'
  | 'finger behind finger'
  | 'too wide'
  | 'thumb too far'
  | 'no fingers hold it';

/** Everything that makes a fingering impossible; empty when it can be held. */
export function fingeringFaults(frets: Frets, fingers: Fingers, hand: FingeringHand): Fact<HoldRefusal>[] {
  const faults: Fact<HoldRefusal>[] = [];
  const { left } = hand;
  const held = placed(fingers);
  fingers.forEach((f, i) => {
    const fret = frets[i] ?? null;
    const string = STRINGS[i] ?? 1;
    if (fret === null ? f !== null : fret === 0 ? f !== 0 : f === null || f === 0)
      faults.push(
        fret === null
          ? fact('silent string with a finger', string)
          : fret === 0
            ? fact('open string with a finger', string)
            : fact('fret without finger', string, fret),
      );
    if (f === 'T' && (string !== 6 || !left.thumbOver)) faults.push(fact('thumb elsewhere'));
  });
  if (faults.length) return faults;
  for (const finger of NUMBERED) {
    const strings = held[finger] ?? [];
    const fret = frets[strings[0] ?? -1];
    if (strings.length === 0 || fret === undefined || fret === null) continue;
    if (strings.some((i) => frets[i] !== fret)) faults.push(fact('finger on two frets', finger));
    const [from, to] = [strings[0] ?? 0, strings.at(-1) ?? 0];
    if (finger > 1 && to - from >= LONGEST_OTHER_BARRE)
      faults.push(fact('finger over too many strings', finger, LONGEST_OTHER_BARRE));
    for (let i = from; i <= to; i++) {
      const between = frets[i] ?? null;
      if (between !== null && between < fret) faults.push(fact('finger over a lower fret', finger, STRINGS[i] ?? 1));
    }
  }
  for (const a of NUMBERED)
    for (const b of NUMBERED) {
      const [x, y] = [fretOf(frets, held, a), fretOf(frets, held, b)];
      if (a < b && x !== null && y !== null && x > y) faults.push(fact('finger behind finger', b, a));
    }
  for (const pair of FINGER_PAIRS) {
    const far = pairApart(frets, held, pair, hand);
    if (far !== null && far > left.reach[pair].limit)
      faults.push(fact('too wide', pair[0] ?? '', pair[1] ?? '', Math.round(far), left.reach[pair].limit));
  }
  if (thumbTooFar(frets, fingers)) faults.push(fact('thumb too far'));
  return faults;
}
function thumbTooFar(frets: Frets, fingers: Fingers): boolean {
  const thumb = frets[0] ?? null;
  if (fingers[0] !== 'T' || thumb === null) return false;
  const first = Math.min(...frets.filter((f, i): f is number => f !== null && f > 0 && fingers[i] !== 'T'));
  return Number.isFinite(first) && (thumb < first - 1 || thumb > first + 2);
}

/** What holding these frets with these fingers costs; the shape must be one that can be held. */
export function fingeringCost(frets: Frets, fingers: Fingers, hand: FingeringHand): FingeringCost {
  const { left, weights } = hand;
  const held = placed(fingers);
  let stretch = 0;
  for (const pair of FINGER_PAIRS) {
    const far = pairApart(frets, held, pair, hand);
    const { ease, limit } = left.reach[pair];
    if (far !== null && far > ease) stretch += (weights.stretch * (far - ease)) / Math.max(1, limit - ease);
  }
  let barre = 0;
  let order = 0;
  const offsets: number[] = [];
  for (const finger of NUMBERED) {
    const strings = held[finger] ?? [];
    const fret = fretOf(frets, held, finger);
    if (fret === null) continue;
    offsets.push(fret - finger);
    if (strings.length > 1) {
      const over = (strings.at(-1) ?? 0) - (strings[0] ?? 0) + 1;
      barre += weights.barre + weights.barreString * over + otherBarre(finger, weights);
      if (frets[(strings.at(-1) ?? 0) + 1] === 0) barre += weights.barreEnds;
    }
    for (const lower of NUMBERED)
      if (lower < finger && fretOf(frets, held, lower) === fret && (held[lower]?.[0] ?? 0) > (strings[0] ?? 0))
        order += weights.order;
  }
  const spread = offsets.length ? Math.max(...offsets) - Math.min(...offsets) : 0;
  const open = frets.includes(0) && offsets.length ? Math.abs(Math.max(...offsets)) : 0;
  return {
    stretch: Math.round(stretch),
    barre,
    weak: (held[4]?.length ? weights.weak : 0) + (fingers.includes('T') ? weights.thumb : 0),
    order,
    crowd: spread * weights.crowd + open * weights.offHome,
    others: areOthers({ frets, fingers }) ? weights.others : 0,
  };
}
const otherBarre = (finger: number, { barreOther }: ShapeWeights): number =>
  finger === 1 ? 0 : finger === 3 ? barreOther : 2 * barreOther;
export const totalOf = (cost: FingeringCost): number => pointsOf(cost);

function placed(fingers: Fingers): Placed {
  const held: number[][] = [[], [], [], [], []];
  fingers.forEach((f, i) => {
    if (typeof f === 'number' && f > 0) held[f]?.push(i);
  });
  return held;
}
function fretOf(frets: Frets, held: Placed, finger: number): number | null {
  const string = held[finger]?.[0];
  return string === undefined ? null : (frets[string] ?? null);
}
/** Between the nearest points of two fingers, in mm; null when one of them is free. */
function pairApart(frets: Frets, held: Placed, pair: string, { points }: FingeringHand): number | null {
  const [a, b] = [held[Number(pair[0])], held[Number(pair[1])]];
  if (!a?.length || !b?.length) return null;
  let least = Infinity;
  for (const i of a)
    for (const j of b) {
      const [p, q] = [points[i]?.[frets[i] ?? 0], points[j]?.[frets[j] ?? 0]];
      if (p && q) least = Math.min(least, apart(p, q));
    }
  return least;
}

/** Fingers rise with the frets, no further apart than they reach along the neck, on whatever strings. */
function isBeyondOthers(
  finger: number,
  fret: number,
  onFret: readonly (number | null)[],
  { points, left }: FingeringHand,
): boolean {
  const along = (f: number): number => points[0]?.[f]?.x ?? 0;
  return NUMBERED.some((o) => {
    const other = onFret[o] ?? null;
    if (other === null || o === finger) return false;
    if (o < finger ? other > fret : other < fret) return true;
    return Math.abs(along(fret) - along(other)) > left.reach[pairOf(finger, o)].limit;
  });
}
/**
 * The k cheapest ways to finger given frets, cheapest first; empty when no hand like this holds them.
 * Fingers are tried string by string; what can't be held is given up as soon as it shows.
 */
export function fingerShape(frets: Frets, hand: FingeringHand, k = 5): Fingering[] {
  const stopped = frets.flatMap((f, i) => (f !== null && f > 0 ? [i] : []));
  const found: Fingering[] = [];
  const fingers: (LeftFinger | null)[] = frets.map((f) => (f === 0 ? 0 : null));
  const onFret: (number | null)[] = [null, null, null, null, null];
  /** First string that each finger holds: from there on it lies over all to the next it holds. */
  const from: number[] = [-1, -1, -1, -1, -1];
  const lies = (finger: number, to: number, fret: number): boolean => {
    const first = from[finger] ?? -1;
    if (first < 0) return true;
    if (finger > 1 && to - first >= LONGEST_OTHER_BARRE) return false;
    for (let i = first; i < to; i++) {
      const between = frets[i] ?? null;
      if (between !== null && between < fret) return false;
    }
    return true;
  };
  const keep = (own: Fingers) => {
    // What else could be amiss was looked at finger by finger.
    const held = placed(own);
    if (FINGER_PAIRS.some((pair) => (pairApart(frets, held, pair, hand) ?? 0) > hand.left.reach[pair].limit)) return;
    if (thumbTooFar(frets, own)) return;
    const cost = fingeringCost(frets, own, hand);
    found.push({ fingers: own, cost, total: totalOf(cost) });
  };
  const walk = (n: number) => {
    const i = stopped[n];
    if (i === undefined) return keep(sixOf([...fingers]));
    const fret = frets[i] ?? 0;
    const options: LeftFinger[] = hand.left.thumbOver && i === 0 ? [...NUMBERED, 'T'] : [...NUMBERED];
    for (const finger of options) {
      if (typeof finger === 'number') {
        const there = onFret[finger] ?? null;
        if (there !== null && there !== fret) continue;
        if (isBeyondOthers(finger, fret, onFret, hand) || !lies(finger, i, fret)) continue;
        const first = from[finger] ?? -1;
        fingers[i] = finger;
        onFret[finger] = fret;
        if (first < 0) from[finger] = i;
        walk(n + 1);
        onFret[finger] = there;
        from[finger] = first;
      } else {
        fingers[i] = finger;
        walk(n + 1);
      }
      fingers[i] = null;
    }
  };
  walk(0);
  return found.sort((a, b) => a.total - b.total || (String(a.fingers) < String(b.fingers) ? -1 : 1)).slice(0, k);
}
