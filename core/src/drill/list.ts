import type { HandProfile } from '../player/index.js';
import type { Kind } from '../passage/index.js';
import { handLoad, isMuted, kindOfPattern, tightestPlace } from '../right-hand/index.js';
import { type FlatPattern, flatten, type Pattern } from '../script/index.js';
import { type Finger, FINGERS, numberedStrings, type Step } from '../stroke/index.js';
import { type Bpm, type StringNumber, TICKS_PER_COUNT } from '../time/index.js';
import { drillOf, type Drill, type Variant } from './model.js';
import { ordersFor, plantedIn, skippedStrings } from './exercises.js';
import { passesUntilRound } from './source-slots.js';
import { isEven, strokesOf } from './steps.js';
import { canStandOut } from './vary.js';

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

/** Kinds of playing whose order of fingers may begin elsewhere, and whose weak pairs can do the work. */
const ORDERS: ReadonlySet<Kind> = new Set<Kind>(['run', 'rasgueado', 'strum']);
/** Passes of longer patterns are not put one after another. */
const LONGEST_THROUGH = 32;
const LONGEST_WHOLE = 64;

/** Right pairs for the left hand's, the line's own first. */
const leftAgainst = (used: readonly Finger[]): (readonly [Finger, Finger])[] =>
  [...PAIRS]
    .reverse()
    .sort((a, b) => Number(b.every((f) => used.includes(f))) - Number(a.every((f) => used.includes(f))));

/** Every drill that changes something in this pattern, in the order in which players take them. */
export function drillsFor(pattern: Pattern): Drill[] {
  const flat = flatten(pattern);
  if (flat.events.length === 0) return [];
  const kind = kindOfPattern(flat);
  const isOrder = kind !== null && ORDERS.has(kind) && !isMuted(flat);
  const strokes = strokesOf(pattern);
  const used = FINGERS.filter((f) => strokes.some((s) => s.fingers.includes(f)));
  const strings = ([1, 2, 3, 4, 5, 6] as StringNumber[]).filter((s) =>
    strokes.some((stroke) => numberedStrings(stroke)?.includes(s)),
  );
  const strums = strokes.filter((s) => s.dir !== null);
  const even = isEven(flat);
  const beat = Math.max(1, Math.round(TICKS_PER_COUNT / (flat.slots[0]?.duration ?? TICKS_PER_COUNT)));
  const drills: Drill[] = [drillOf({ kind: 'open strings' })];
  const add = (variant: Variant) => drills.push(drillOf(variant));
  if (used.includes('p') && used.length > 1) {
    add({ kind: 'layer', layer: 'bass' });
    add({ kind: 'layer', layer: 'figure' });
  }
  if (strums.some((s) => s.marks.includes('x')) && strums.some((s) => !s.marks.includes('x'))) {
    add({ kind: 'muted', what: 'all' });
    add({ kind: 'muted', what: 'pressed alone' });
  }
  if (even && flat.slots.length > 1)
    for (const shape of ['long-short', 'short-long', 'triplets'] as const) add({ kind: 'rhythm', shape });
  // One that would take too long to come round does not.
  const passes = passesUntilRound(flat.slots.length, 3);
  if (even && flat.slots.length > 2 && (passes * flat.slots.length) % 3 === 0)
    for (const long of [1, 2, 3] as const) add({ kind: 'gallop', long, passes });
  const crossing = kind === 'run' ? awkwardCrossing(flat) : null;
  if (crossing !== null) for (const turned of [false, true]) add({ kind: 'crossing', from: crossing, turned });
  if (kind === 'arpeggio')
    for (const fingers of ordersFor(pattern)) add({ kind: 'order', fingers, planted: plantedIn(fingers) });
  if (kind === 'plectrum') for (const what of ['rests', 'whips', 'changes'] as const) add({ kind: 'plectrum', what });
  const loud = used.filter((f) => strokes.some((s) => canStandOut(s, f)));
  if (used.length > 1) for (const finger of loud) add({ kind: 'finger accent', finger });
  if (loud.length > 2 && loud.length === used.length && flat.slots.length <= LONGEST_THROUGH)
    add({ kind: 'accent through' });
  if (strings.length > 1) for (const string of strings) add({ kind: 'string accent', string });
  const alone = strokes.filter((s) => s.fingers.length === 1).length;
  if (used.length > 1 && isOrder)
    for (let by = 1; by < Math.min(alone, used.length); by++) add({ kind: 'start finger', by });
  const starts = Math.min(flat.slots.length, 12);
  for (let start = 1; start < starts; start++) if (mayBegin(flat.slots[start]?.step)) add({ kind: 'rotation', start });
  if (isOrder)
    for (const [from, to] of PAIRS) if (used.includes(from) || used.includes(to)) add({ kind: 'pair', from, to });
  if (kind === 'run') {
    const skips = skippedStrings(pattern);
    if (skips) add(skips);
    for (const [a, b] of leftAgainst(used)) {
      const right = a + b;
      for (const slurs of [false, true]) add({ kind: 'left pairs', right, slurs });
      add({ kind: 'left pairs', right, slurs: true, way: 'pulled off' });
      add({ kind: 'left pairs', right, slurs: false, way: 'into the beat' });
    }
  }
  // Through as many strings as there are already nothing changes.
  const through = Math.max(0, ...strums.map((s) => numberedStrings(s)?.length ?? ALL_STRINGS));
  for (const n of [5, 4, 3]) if (n < through) add({ kind: 'fewer strings', strings: n });
  const last = Math.min(flat.slots.length, 8 * beat);
  const bursts = Array.from({ length: Math.ceil(last / beat) }, (_, n) => n * beat).filter((from) =>
    mayBegin(flat.slots[from]?.step, true),
  );
  for (const from of bursts) add({ kind: 'burst', from, strokes: beat });
  for (const from of bursts) if (from + beat < last) add({ kind: 'burst', from, strokes: 2 * beat });
  const whole = flat.slots.length;
  if (whole > 2 * beat && whole <= LONGEST_WHOLE && mayBegin(flat.slots[0]?.step, true))
    add({ kind: 'burst', from: 0, strokes: whole });
  return drills;
}
/**
 * The stroke before the first crossing that is awkward, one stroke earlier: to a thinner string fingers that fall from the
 * ring to the index, to a thicker one fingers that rise. Null where none is.
 */
function awkwardCrossing({ slots }: FlatPattern): number | null {
  const alone = slots.map(({ step: s }) => {
    const strings = s.kind === 'stroke' && s.dir === null && s.fingers.length === 1 ? numberedStrings(s) : null;
    const [finger] = s.kind === 'stroke' ? s.fingers : [];
    const [string] = strings ?? [];
    return finger && finger !== 'p' && string ? { finger: FINGERS.indexOf(finger), string } : null;
  });
  const n = alone.length;
  for (let i = 0; i < n && n >= FEWEST_ROUND_A_CROSSING; i++) {
    const [a, b] = [alone[i], alone[(i + 1) % n]];
    if (!a || !b || a.string === b.string || a.finger === b.finger) continue;
    if (b.string < a.string === b.finger < a.finger) return (i + n - 1) % n;
  }
  return null;
}
const FEWEST_ROUND_A_CROSSING = 4;
const ALL_STRINGS = 6;
/** Nothing begins on what the left hand sounds alone, and a plectrum begins on a down stroke. */
const mayBegin = (step: Step | undefined, leads = false): boolean =>
  step !== undefined && (leads || step.kind !== 'ligado') && !(step.kind === 'stroke' && step.plectrum === 'u');

/** The drills that begin the pattern on each of its other steps: to be taken one after another. */
export const startDrills = (drills: readonly Drill[]): readonly Drill[] =>
  drills.filter((d) => d.variant.kind === 'rotation');
