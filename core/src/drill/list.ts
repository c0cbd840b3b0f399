import type { HandProfile } from '../player/index.js';
import { handLoad, tightestPlace } from '../right-hand/index.js';
import { flatten, type Pattern } from '../script/index.js';
import { type Finger, FINGERS, fingersOf } from '../stroke/index.js';
import { type Bpm, type StringNumber, TICKS_PER_COUNT } from '../time/index.js';
import { drillOf, type Drill, type Variant } from './model.js';

/** The weak pairs, each for the pair it stands in for. */
const PAIRS: readonly (readonly [Finger, Finger])[] = [
  ['i', 'a'],
  ['i', 'm'],
  ['m', 'a'],
];

/**
 * The one place that asks most of the hand at a tempo, alone: a stroke before it, then landing after it.
 * Null when no finger has anything to come back to.
 */
export function weakestJoint(pattern: Pattern, bpm: Bpm, profile: HandProfile): Drill | null {
  const flat = flatten(pattern);
  const place = tightestPlace(handLoad(flat, bpm, profile));
  const n = flat.slots.length;
  if (!place || n === 0) return null;
  const apart = place.next > place.slot ? place.next - place.slot : place.next + n - place.slot;
  const strokes = Math.min(apart + 2, n);
  const from = strokes === apart + 2 ? (place.slot + n - 1) % n : place.slot;
  return {
    key: 'weakest',
    variant: { kind: 'burst', from, strokes },
    tight: { fingers: place.fingers, share: place.share, bpm },
  };
}

/** Every drill that changes something in this pattern, in the order in which players take them. */
export function drillsFor(pattern: Pattern): Drill[] {
  const flat = flatten(pattern);
  if (flat.events.length === 0) return [];
  const used = FINGERS.filter((f) => flat.events.some((e) => fingersOf(e.motion).includes(f)));
  const strings = ([1, 2, 3, 4, 5, 6] as StringNumber[]).filter((s) =>
    flat.events.some(
      (e) => e.motion.kind === 'stroke' && Array.isArray(e.motion.strings) && e.motion.strings.includes(s),
    ),
  );
  const strums = flat.events.some((e) => e.motion.kind === 'stroke' && e.motion.dir !== null);
  const even = flat.slots.every((s) => s.duration === flat.slots[0]?.duration);
  const beat = Math.max(1, Math.round(TICKS_PER_COUNT / (flat.slots[0]?.duration ?? TICKS_PER_COUNT)));
  const drills: Drill[] = [drillOf({ kind: 'open strings' })];
  const add = (variant: Variant) => drills.push(drillOf(variant));
  if (used.includes('p') && used.length > 1) {
    add({ kind: 'layer', layer: 'bass' });
    add({ kind: 'layer', layer: 'figure' });
  }
  if (even && flat.slots.length > 1)
    for (const shape of ['long-short', 'short-long', 'triplets'] as const) add({ kind: 'rhythm', shape });
  if (used.length > 1) for (const finger of used) add({ kind: 'finger accent', finger });
  if (strings.length > 1) for (const string of strings) add({ kind: 'string accent', string });
  const alone = flat.events.filter((e) => fingersOf(e.motion).length === 1).length;
  if (used.length > 1) for (let by = 1; by < Math.min(alone, used.length); by++) add({ kind: 'start finger', by });
  const starts = Math.min(flat.slots.length, 12);
  // Nothing begins on what the left hand sounds alone.
  for (let start = 1; start < starts; start++)
    if (flat.slots[start]?.step.kind !== 'ligado') add({ kind: 'rotation', start });
  for (const [from, to] of PAIRS) if (used.includes(from) || used.includes(to)) add({ kind: 'pair', from, to });
  if (strums) for (const n of [5, 4, 3]) add({ kind: 'fewer strings', strings: n });
  const last = Math.min(flat.slots.length, 8 * beat);
  for (let from = 0; from < last; from += beat) add({ kind: 'burst', from, strokes: beat });
  for (let from = 0; from + beat < last; from += beat) add({ kind: 'burst', from, strokes: 2 * beat });
  return drills;
}

/** The drills that begin the pattern on each of its other steps: to be taken one after another. */
export const startDrills = (drills: readonly Drill[]): readonly Drill[] =>
  drills.filter((d) => d.variant.kind === 'rotation');
