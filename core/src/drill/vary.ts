import { flatten, type Item, mapLeaves, type Pattern, writeOut } from '../script/index.js';
import {
  type Finger,
  FINGERS,
  type Mark,
  MARKS,
  type Step,
  type Stroke,
  numberedStrings,
  onStrings,
} from '../stroke/index.js';
import { gcd, STEPS_PER_COUNT, type StringNumber, TICKS_PER_COUNT } from '../time/index.js';
import type { Variant } from './model.js';

const NOWHERE = { from: 0, to: 0 };
const step = (s: Step): Item => ({ kind: 'step', step: s, range: NOWHERE });
const REST: Step = { kind: 'rest' };
const HOLD: Step = { kind: 'hold' };
const group = (items: readonly Step[], steps: number): Item => ({
  kind: 'group',
  items: items.map(step),
  steps,
  range: NOWHERE,
});
const isSounding = (s: Step): boolean => s.kind === 'stroke' || s.kind === 'golpe' || s.kind === 'slap';

/**
 * A drill made of a pattern, itself a pattern. What a variant can't change it leaves as it is; the result
 * is always playable where the pattern was.
 */
export function vary(pattern: Pattern, variant: Variant): Pattern {
  switch (variant.kind) {
    case 'rhythm':
      return rhythm(pattern, variant.shape);
    case 'rotation':
      return rotated(pattern, variant.start);
    case 'start finger':
      return startFinger(pattern, variant.by);
    case 'finger accent':
      return held(pattern, (s) => s.fingers.includes(variant.finger));
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
      return pattern;
  }
}

/** Whether every stroke stays where it is, so that what the left hand does there still belongs to it. */
export const keepsPlaces = ({ kind }: Variant): boolean =>
  kind !== 'rhythm' && kind !== 'rotation' && kind !== 'burst' && kind !== 'open strings';

const stepsOf = (pattern: Pattern): Step[] => flatten(pattern).slots.map((s) => s.step);
/** Only patterns of even steps can be regrouped; others keep their own rhythm. */
function isEven(pattern: Pattern): boolean {
  const { slots } = flatten(pattern);
  return slots.every((s) => s.duration === slots[0]?.duration);
}

function rhythm(pattern: Pattern, shape: 'long-short' | 'short-long' | 'triplets'): Pattern {
  const steps = stepsOf(pattern);
  if (!isEven(pattern)) return pattern;
  const items: Item[] = [];
  const size = shape === 'triplets' ? 3 : 2;
  for (let i = 0; i < steps.length; i += size) {
    const part = steps.slice(i, i + size);
    if (part.length < size) items.push(...part.map(step));
    else if (shape === 'triplets') items.push(group(part, 2));
    else {
      const [a, b] = part as [Step, Step];
      items.push(group(shape === 'long-short' ? [a, HOLD, HOLD, b] : [a, b, HOLD, HOLD], 2));
    }
  }
  return { ...pattern, items };
}

function rotated(pattern: Pattern, start: number): Pattern {
  const items = writeOut(pattern).items.filter((i) => i.kind !== 'bar');
  const n = items.length;
  const by = n ? ((start % n) + n) % n : 0;
  return { ...pattern, items: [...items.slice(by), ...items.slice(0, by)] };
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
    const marks = other.fingers.includes('a') ? s.marks.filter((m) => m !== '*') : s.marks;
    return { ...onStrings(s, from.strings, from.stops), fingers: other.fingers, dir: other.dir, marks };
  });
}

/** The chosen strokes play normally, the rest softly: held down rather than the one pushed up. */
function held(pattern: Pattern, isChosen: (s: Stroke) => boolean): Pattern {
  return mapLeaves(writeOut(pattern), (s) => {
    if (s.kind !== 'stroke') return s;
    const plain: readonly Mark[] = s.marks.filter((m) => m !== '!' && m !== ',');
    const marks = isChosen(s) ? plain : MARKS.filter((m): m is Mark => m === ',' || plain.includes(m));
    return { ...s, marks };
  });
}

function swapped(s: Step, from: Finger, to: Finger): Step {
  if (s.kind !== 'stroke') return s;
  const fingers = s.fingers
    .map((f) => (f === from ? to : f === to ? from : f))
    .sort((a, b) => FINGERS.indexOf(a) - FINGERS.indexOf(b));
  // a can't stroke and tap at once.
  return { ...s, fingers, marks: fingers.includes('a') ? s.marks.filter((m) => m !== '*') : s.marks };
}

function fewer(s: Step, strings: number): Step {
  if (s.kind !== 'stroke' || s.dir === null) return s;
  const all: StringNumber[] = Array.isArray(s.strings)
    ? [...(s.strings as StringNumber[])]
    : s.dir === 'd'
      ? [6, 5, 4, 3, 2, 1]
      : [1, 2, 3, 4, 5, 6];
  const n = Math.max(1, strings);
  return onStrings(s, all.slice(0, n), s.stops?.slice(0, n));
}

/** The pattern cut into even steps, fine enough for every stroke; as it is when no such step can be written. */
function finelyCut(pattern: Pattern): { stepsPerCount: number; slots: { step: Step; steps: number }[] } {
  const { slots } = flatten(pattern);
  const fine = slots.reduce((g, s) => gcd(g, s.duration), TICKS_PER_COUNT / pattern.stepsPerCount);
  const stepsPerCount = STEPS_PER_COUNT.find((n) => n * fine === TICKS_PER_COUNT);
  const even = stepsPerCount === undefined;
  return {
    stepsPerCount: stepsPerCount ?? pattern.stepsPerCount,
    slots: slots.map((s) => ({ step: s.step, steps: even ? 1 : s.duration / fine })),
  };
}

function burst(pattern: Pattern, from: number, strokes: number): Pattern {
  const { stepsPerCount, slots } = finelyCut(pattern);
  const n = slots.length;
  if (n === 0) return pattern;
  // What is held at the end is held to its end.
  let taken = strokes;
  while (taken < n && slots[(from + taken) % n]?.step.kind === 'hold') taken++;
  const part = Array.from({ length: taken }, (_, i) => slots[(from + i) % n] as (typeof slots)[0]);
  const next = slots[(from + taken) % n]?.step ?? REST;
  // A landing that is silent in the pattern is landed on all the same, with the last stroke.
  const landing = isSounding(next) ? next : ([...part].reverse().find((p) => isSounding(p.step))?.step ?? REST);
  const steps = part.flatMap((p) => [p.step, ...Array.from({ length: p.steps - 1 }, () => HOLD)]);
  // The rest after it is as long as the burst, and the whole ends with a count.
  const length = Math.ceil((2 * steps.length) / stepsPerCount) * stepsPerCount;
  const rests = Array.from({ length: length - steps.length - 1 }, () => REST);
  return { stepsPerCount, items: [...steps, landing, ...rests].map(step) };
}

function layer(s: Step, keep: 'bass' | 'figure'): Step {
  if (s.kind !== 'stroke') return keep === 'bass' && (s.kind === 'golpe' || s.kind === 'slap') ? REST : s;
  const kept = s.fingers.filter((f) => (f === 'p') === (keep === 'bass'));
  if (kept.length === 0) return HOLD;
  if (kept.length === s.fingers.length) return s;
  const numbered = s.dir === null ? numberedStrings(s) : null;
  const own = <T>(list: readonly T[]): T[] => list.filter((_, i) => kept.includes(s.fingers[i] as Finger));
  const strings = numbered ? own(numbered) : s.strings === 'treble' && keep === 'bass' ? 'bass' : s.strings;
  return { ...onStrings(s, strings, numbered && s.stops ? own(s.stops) : s.stops), fingers: kept };
}
