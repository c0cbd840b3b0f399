import { flatten, type Item, mapLeaves, type Pattern, writeOut } from '../script/index.js';
import {
  type Finger,
  FINGERS,
  type FromBass,
  golpeFinger,
  type Mark,
  MARKS,
  marksClash,
  type Step,
  type StringChoice,
  type Stroke,
  numberedStrings,
  onStrings,
  pickStrings,
} from '../stroke/index.js';
import type { StringNumber } from '../time/index.js';
import { burstOf, burstSteps } from './burst.js';
import { leftPairs } from './left-pairs.js';
import { inOrder, plectrumSchool, stringSkips } from './exercises.js';
import { levelled } from './levelled.js';
import type { Variant } from './model.js';
import { passesUntilRound, sourceSlots, throughOrder } from './source-slots.js';
import { isEven, NOWHERE, stepItem } from './steps.js';

const REST: Step = { kind: 'rest' };
const HOLD: Step = { kind: 'hold' };
const group = (items: readonly Step[], steps: number): Item => ({
  kind: 'group',
  items: items.map(stepItem),
  steps,
  range: NOWHERE,
});

/**
 * A drill made of a pattern, itself a pattern. What a variant can't change it leaves as it is; the result
 * is always playable where the pattern was.
 */
export function vary(pattern: Pattern, variant: Variant): Pattern {
  switch (variant.kind) {
    case 'rhythm':
      return rhythm(pattern, variant.shape);
    case 'gallop':
      return gallop(pattern, variant);
    case 'crossing':
      return crossing(pattern, variant);
    case 'order':
      return inOrder(pattern, variant.fingers);
    case 'plectrum':
      return plectrumSchool(pattern, variant.what);
    case 'rotation':
      return rotated(pattern, variant.start);
    case 'start finger':
      return startFinger(pattern, variant.by);
    case 'finger accent':
      return mapLeaves(writeOut(pattern), (s) => fingerHeld(s, variant.finger));
    case 'accent through':
      return accentThrough(pattern);
    case 'muted':
      return mapLeaves(writeOut(pattern), (s) => (variant.what === 'all' ? mutedStep(s) : pressedStep(s)));
    case 'left pairs':
      return leftPairs(pattern, variant);
    case 'string skips':
      return stringSkips(pattern, variant);
    case 'first strokes':
      return isEven(flatten(pattern)) ? firstStrokes(pattern, variant.strokes) : pattern;
    case 'string accent':
      return held(pattern, (s) => Array.isArray(s.strings) && s.strings.includes(variant.string));
    case 'pair':
      return mapLeaves(writeOut(pattern), (s) => swapped(s, variant.from, variant.to));
    case 'fewer strings':
      return mapLeaves(writeOut(pattern), (s) => fewer(s, variant.strings));
    case 'burst':
      return burst(pattern, variant.from, variant.strokes);
    case 'layer':
      return mapLeaves(writeOut(pattern), (s) => layer(s, variant.layer));
    case 'open strings':
      return mapLeaves(writeOut(pattern), openStep);
  }
}

/** Whether every stroke stays where it is, so that what the left hand does there still belongs to it. */
export const keepsPlaces = ({ kind }: Variant): boolean =>
  ![
    ...['rhythm', 'gallop', 'rotation', 'burst', 'open strings', 'accent through', 'left pairs', 'string skips'],
    ...['crossing', 'order', 'plectrum', 'first strokes'],
  ].includes(kind);

const stepsOf = (pattern: Pattern): Step[] => flatten(pattern).slots.map((s) => s.step);

function rhythm(pattern: Pattern, shape: 'long-short' | 'short-long' | 'triplets'): Pattern {
  if (!isEven(flatten(pattern))) return pattern;
  const items: Item[] = [];
  const size = shape === 'triplets' ? 3 : 2;
  const once = stepsOf(pattern);
  const steps = Array.from({ length: passesUntilRound(once.length, size) }, () => once).flat();
  for (let i = 0; i < steps.length; i += size) {
    const part = steps.slice(i, i + size);
    if (part.length < size) items.push(...part.map(stepItem));
    else if (shape === 'triplets') items.push(group(part, 2));
    else {
      const [a, b] = part as [Step, Step];
      items.push(group(shape === 'long-short' ? [a, HOLD, HOLD, b] : [a, b, HOLD, HOLD], 2));
    }
  }
  const { slots } = flatten(pattern);
  const levels = sourceSlots(pattern, { kind: 'rhythm', shape }).map((i) => slots[i % slots.length]?.level ?? 'mf');
  return levelled({ ...pattern, items }, levels);
}

/** Threes of which one is as long as the other two; the passes follow until the first stroke is long again. */
function gallop(pattern: Pattern, variant: Extract<Variant, { kind: 'gallop' }>): Pattern {
  if (!isEven(flatten(pattern))) return pattern;
  const once = stepsOf(pattern);
  const steps = Array.from({ length: passesUntilRound(once.length, 3) }, () => once).flat();
  const items: Item[] = [];
  for (let i = 0; i < steps.length; i += 3) {
    const part = steps.slice(i, i + 3);
    if (part.length < 3) items.push(...part.map(stepItem));
    else
      items.push(
        group(
          part.flatMap((s, n) => (n + 1 === variant.long ? [s, HOLD] : [s])),
          2,
        ),
      );
  }
  const { slots } = flatten(pattern);
  const levels = sourceSlots(pattern, variant).map((i) => slots[i % slots.length]?.level ?? 'mf');
  return levelled({ ...pattern, items }, levels);
}
/** Two strokes on either side, and no rest: the way back is the crossing turned round. */
function crossing(pattern: Pattern, { from, turned }: Extract<Variant, { kind: 'crossing' }>): Pattern {
  const steps = stepsOf(pattern);
  const own = Array.from({ length: 4 }, (_, i) => steps[mod(from + i, steps.length)] ?? REST);
  const used = [...new Set(own.flatMap((s) => (s.kind === 'stroke' ? s.fingers : [])))];
  const [a, b] = used;
  const swap = (s: Step): Step => (turned && a && b && s.kind === 'stroke' ? swapped(s, a, b) : s);
  return { ...pattern, items: own.map((s) => stepItem(swap(s))) };
}
const mod = (a: number, n: number): number => ((a % n) + n) % n;

function rotated(pattern: Pattern, start: number): Pattern {
  const items = writeOut(pattern).items.filter((i) => i.kind !== 'bar' && i.kind !== 'level');
  const n = items.length;
  const by = n ? ((start % n) + n) % n : 0;
  const { slots } = flatten(pattern);
  const levels = sourceSlots(pattern, { kind: 'rotation', start }).map((i) => slots[i % slots.length]?.level ?? 'mf');
  return levelled({ ...pattern, items: [...items.slice(by), ...items.slice(0, by)] }, levels);
}

/**
 * Strokes of one finger hand their fingers on. A strum takes its direction and strings along, for these
 * belong together; a pluck stays on its string. Golpes marked on a stroke go where `a` is free.
 */
function startFinger(pattern: Pattern, by: number): Pattern {
  const written = writeOut(pattern);
  const own = stepsOf(written).filter((s): s is Stroke => s.kind === 'stroke' && s.fingers.length === 1);
  const n = own.length;
  if (n === 0) return written;
  let i = 0;
  return mapLeaves(written, (s) => {
    if (s.kind !== 'stroke' || s.fingers.length !== 1) return s;
    const other = own[(((i++ + by) % n) + n) % n] as Stroke;
    const from = s.dir === null && other.dir === null ? s : other;
    return withFreeTap({ ...onStrings(s, from), fingers: other.fingers, dir: other.dir });
  });
}

/** The chosen strokes play normally, the rest softly: held down rather than the one pushed up. */
function held(pattern: Pattern, isChosen: (s: Stroke) => boolean): Pattern {
  return mapLeaves(writeOut(pattern), (s) => (s.kind === 'stroke' ? heldStep(s, isChosen(s)) : s));
}
function heldStep(s: Stroke, isChosen: boolean): Stroke {
  const plain: readonly Mark[] = s.marks.filter((m) => m !== '!' && m !== ',');
  const marks = isChosen ? plain : MARKS.filter((m): m is Mark => m === ',' || plain.includes(m));
  return { ...s, marks };
}

/** One finger sounds full, those beside it too are held down; where its string has no number the stroke is held down whole. */
function fingerHeld(s: Step, finger: Finger): Step {
  if (s.kind !== 'stroke') return s;
  const alone = s.fingers.length === 1 && s.fingers[0] === finger;
  if (!canStandOut(s, finger)) return heldStep(s, false);
  if (alone) return heldStep(s, true);
  const place = s.fingers.indexOf(finger);
  const plain = heldStep(s, true);
  const own = s.fingers.map((_, i): readonly Mark[] => {
    const there: readonly Mark[] = (plain.placeMarks?.[i] ?? []).filter((m) => m !== '!' && m !== ',');
    return i === place ? there : MARKS.filter((m): m is Mark => m === ',' || there.includes(m));
  });
  return onStrings(plain, { strings: plain.strings, ...(plain.stops ? { stops: plain.stops } : {}), placeMarks: own });
}
/** Whether one finger of a stroke can be louder than those beside it. */
export const canStandOut = (s: Stroke, finger: Finger): boolean =>
  s.fingers.includes(finger) && (s.fingers.length === 1 || (s.dir === null && numberedStrings(s) !== null));

/** The pattern as far as so many strokes and what is held or waited behind the last. */
function firstStrokes(pattern: Pattern, strokes: number): Pattern {
  const { events, slots } = flatten(pattern);
  const end = events[strokes]?.slot ?? slots.length;
  const own = slots.slice(0, end);
  return levelled(
    { ...pattern, items: own.map((s) => stepItem(s.step)) },
    own.map((s) => s.level),
  );
}

/** Fingers up to the last one used and back, each once in its turn: p i m a m i p; it alone is loud, all else is very soft. */
function accentThrough(pattern: Pattern): Pattern {
  const passes = throughOrder(pattern).map((f) => mapLeaves(writeOut(pattern), (s) => fingerLoud(s, f)));
  const items = passes.flatMap((p) => p.items.filter((i) => i.kind !== 'bar' && i.kind !== 'level'));
  const { slots } = flatten(pattern);
  return levelled(
    { ...pattern, items },
    passes.flatMap(() => slots.map(() => 'pp' as const)),
  );
}
/** One finger is struck with an accent, those beside it are as soft as all others. */
function fingerLoud(s: Step, finger: Finger): Step {
  if (s.kind !== 'stroke') return s;
  const plain = heldStep(s, true);
  const accented = (own: readonly Mark[]) => MARKS.filter((m): m is Mark => m === '!' || own.includes(m));
  if (!canStandOut(s, finger)) return plain;
  if (s.fingers.length === 1) return { ...plain, marks: accented(plain.marks) };
  const place = s.fingers.indexOf(finger);
  const own = s.fingers.map((_, i): readonly Mark[] => {
    const there: readonly Mark[] = (plain.placeMarks?.[i] ?? []).filter((m) => m !== '!' && m !== ',');
    return i === place ? accented(there) : there;
  });
  return onStrings(plain, { strings: plain.strings, ...(plain.stops ? { stops: plain.stops } : {}), placeMarks: own });
}

/** The right hand alone: nothing is stopped, and what the left hand sounds by itself is waited for. */
const openStep = (s: Step): Step => {
  if (s.kind === 'ligado') return HOLD;
  if (s.kind !== 'stroke' || !s.stops) return s;
  return onStrings(s, { strings: s.strings, ...(s.placeMarks ? { placeMarks: s.placeMarks } : {}) });
};
/** A strum on muted strings. */
const mutedStep = (s: Step): Step =>
  s.kind === 'stroke' && s.dir !== null
    ? { ...s, marks: MARKS.filter((m) => m === 'x' || (s.marks.includes(m) && m !== '%' && !marksClash(m, 'x'))) }
    : s;
/** Only what is pressed, let go as soon as it has sounded. */
const pressedStep = (s: Step): Step => {
  if (s.kind !== 'stroke' || s.dir === null) return s;
  return s.marks.includes('x') ? REST : { ...s, marks: MARKS.filter((m) => m === '^' || s.marks.includes(m)) };
};

/** No finger can stroke and tap at once. */
function withFreeTap(s: Stroke): Stroke {
  const tapping = golpeFinger(s);
  return tapping && s.fingers.includes(tapping) ? { ...s, marks: s.marks.filter((m) => m !== '*') } : s;
}

function swapped(s: Step, from: Finger, to: Finger): Step {
  if (s.kind !== 'stroke') return s;
  const fingers = s.fingers
    .map((f) => (f === from ? to : f === to ? from : f))
    .sort((a, b) => FINGERS.indexOf(a) - FINGERS.indexOf(b));
  return withFreeTap({ ...s, fingers });
}

const fromBass = (n: number): StringChoice => (n > 1 ? (`bass ${n}` as FromBass) : 'bass');
function fewer(s: Step, strings: number): Step {
  if (s.kind !== 'stroke' || s.dir === null) return s;
  // What goes down from the chord's bass goes on so, whatever chord it is.
  const set = typeof s.strings === 'string' ? Number(s.strings.split(' ')[1]) : NaN;
  if (s.dir === 'd' && set > 0) return onStrings(s, { strings: fromBass(Math.min(strings, set)) });
  const all: StringNumber[] = Array.isArray(s.strings)
    ? [...(s.strings as StringNumber[])]
    : s.dir === 'd'
      ? [6, 5, 4, 3, 2, 1]
      : [1, 2, 3, 4, 5, 6];
  const n = Math.max(1, strings);
  return onStrings(s, Array.isArray(s.strings) ? pickStrings(s, (i) => i < n) : { strings: all.slice(0, n) });
}

function burst(pattern: Pattern, from: number, strokes: number): Pattern {
  const steps = burstOf(pattern, from, strokes);
  if (steps.length === 0) return pattern;
  return levelled(
    { stepsPerCount: burstSteps(pattern), items: steps.map((s) => stepItem(s.step)) },
    steps.map((s) => s.level),
  );
}

const LOWEST_OF_THE_FIGURE = 3;
function layer(s: Step, keep: 'bass' | 'figure'): Step {
  // What the left hand sounds belongs to the layer of its string.
  if (s.kind === 'ligado') return s.string > LOWEST_OF_THE_FIGURE === (keep === 'bass') ? s : HOLD;
  if (s.kind !== 'stroke') return keep === 'bass' && (s.kind === 'golpe' || s.kind === 'slap') ? REST : s;
  const kept = s.fingers.filter((f) => (f === 'p') === (keep === 'bass'));
  if (kept.length === 0) return HOLD;
  if (kept.length === s.fingers.length) return s;
  const numbered = s.dir === null ? numberedStrings(s) : null;
  const own = pickStrings(s, (i) => kept.includes(s.fingers[i] as Finger));
  const set = s.strings === 'treble' || (typeof s.strings === 'string' && s.strings.startsWith('bass '));
  const others = { ...s, strings: set ? (keep === 'bass' ? ('bass' as const) : ('treble' as const)) : s.strings };
  return { ...onStrings(s, numbered ? own : others), fingers: kept };
}
