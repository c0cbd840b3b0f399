import type { HandProfile } from '../player/index.js';
import { handLoad, tightestPlace } from '../right-hand/index.js';
import { flatten, type Pattern } from '../script/index.js';
import { type Finger, FINGERS, fingersOf } from '../stroke/index.js';
import { type Bpm, type StringNumber, TICKS_PER_COUNT } from '../time/index.js';
import { FINGER_NAME, ordinal } from '../words/en/index.js';
import type { Drill } from './model.js';

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
  const who = place.fingers.length > 1 ? place.fingers.join(' → ') : `${place.fingers[0] ?? ''} again`;
  return {
    name: `Weakest joint: ${who}`,
    why: `It takes ${Math.round(place.share * 100)} % of the time there is at ${bpm}: alone, with the stroke before and the landing after.`,
    variant: { kind: 'burst', from, strokes },
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
  const drills: Drill[] = [
    { name: 'Open strings', why: 'Right hand alone until it runs by itself.', variant: { kind: 'open strings' } },
  ];
  if (used.includes('p') && used.length > 1)
    drills.push(
      { name: 'Bass alone', why: 'The thumb’s own line first.', variant: { kind: 'layer', layer: 'bass' } },
      { name: 'Figure alone', why: 'Then the fingers’.', variant: { kind: 'layer', layer: 'figure' } },
    );
  if (even && flat.slots.length > 1)
    drills.push(
      { name: 'Long, short', why: 'Every second joint comes fast.', variant: { kind: 'rhythm', shape: 'long-short' } },
      { name: 'Short, long', why: 'The other joints come fast.', variant: { kind: 'rhythm', shape: 'short-long' } },
      {
        name: 'In threes',
        why: 'The accent wanders through the fingers.',
        variant: { kind: 'rhythm', shape: 'triplets' },
      },
    );
  if (used.length > 1)
    for (const finger of used)
      drills.push({
        name: `Only ${finger} sounds full`,
        why: `All others are held down; the ${FINGER_NAME[finger]} stays as it is.`,
        variant: { kind: 'finger accent', finger },
      });
  if (strings.length > 1)
    for (const string of strings)
      drills.push({
        name: `Only string ${string} sounds full`,
        why: 'All others are held down.',
        variant: { kind: 'string accent', string },
      });
  const alone = flat.events.filter((e) => fingersOf(e.motion).length === 1).length;
  if (used.length > 1)
    for (let by = 1; by < Math.min(alone, used.length); by++)
      drills.push({
        name: `Order begun ${by} later`,
        why: 'The rhythm and strings stay; another finger begins.',
        variant: { kind: 'start finger', by },
      });
  const starts = Math.min(flat.slots.length, 12);
  for (let start = 1; start < starts; start++)
    drills.push({
      name: `From the ${ordinal(start + 1)} step`,
      why: 'Another finger begins; the order stays.',
      variant: { kind: 'rotation', start },
    });
  for (const [from, to] of PAIRS)
    if (used.includes(from) || used.includes(to))
      drills.push({
        name: `${from} and ${to} change places`,
        why: 'The weak pair does the work.',
        variant: { kind: 'pair', from, to },
      });
  if (strums)
    for (const n of [5, 4, 3])
      drills.push({
        name: `Through ${n} strings`,
        why: 'The change of direction comes sooner.',
        variant: { kind: 'fewer strings', strings: n },
      });
  const last = Math.min(flat.slots.length, 8 * beat);
  for (let from = 0; from < last; from += beat)
    drills.push({
      name: `Burst from step ${from + 1}`,
      why: 'One count fast, land on the next, rest.',
      variant: { kind: 'burst', from, strokes: beat },
    });
  for (let from = 0; from + beat < last; from += beat)
    drills.push({
      name: `Bursts from step ${from + 1} and ${from + beat + 1} joined`,
      why: 'Two bursts in one, landing after the second.',
      variant: { kind: 'burst', from, strokes: 2 * beat },
    });
  return drills;
}

/** The drills that begin the pattern on each of its other steps: to be taken one after another. */
export const startDrills = (drills: readonly Drill[]): readonly Drill[] =>
  drills.filter((d) => d.variant.kind === 'rotation');
