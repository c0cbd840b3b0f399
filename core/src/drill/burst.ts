import { flatten, type Pattern } from '../script/index.js';
import type { Level, Step } from '../stroke/index.js';
import { gcd, STEPS_PER_COUNT, TICKS_PER_COUNT } from '../time/index.js';

const REST: Step = { kind: 'rest' };
const HOLD: Step = { kind: 'hold' };
const sounds = (s: Step): boolean => s.kind !== 'rest' && s.kind !== 'hold' && s.kind !== 'ghost';

/** The pattern cut into even steps, fine enough for every stroke; as it is when no such step can be written. */
function finelyCut(pattern: Pattern): {
  stepsPerCount: number;
  slots: { step: Step; level: Level; steps: number }[];
} {
  const { slots } = flatten(pattern);
  const fine = slots.reduce((g, s) => gcd(g, s.duration), TICKS_PER_COUNT / pattern.stepsPerCount);
  const stepsPerCount = STEPS_PER_COUNT.find((n) => n * fine === TICKS_PER_COUNT);
  const even = stepsPerCount === undefined;
  return {
    stepsPerCount: stepsPerCount ?? pattern.stepsPerCount,
    slots: slots.map((s) => ({ step: s.step, level: s.level, steps: even ? 1 : s.duration / fine })),
  };
}
/** One even step of a burst, and the slot of the pattern it comes from. */
export interface BurstStep {
  readonly step: Step;
  readonly level: Level;
  readonly source: number;
}
export const burstSteps = (pattern: Pattern): number => finelyCut(pattern).stepsPerCount;

/**
 * A stretch played through, landing on the stroke after it, then as long a rest, to the end of a count. A stretch does
 * not begin on what the left hand sounds alone, for nothing would sound yet.
 */
export function burstOf(pattern: Pattern, first: number, strokes: number): BurstStep[] {
  const { stepsPerCount, slots } = finelyCut(pattern);
  const n = slots.length;
  if (n === 0) return [];
  const at = (i: number) => slots[((i % n) + n) % n] as (typeof slots)[0];
  let from = first;
  while (first - from < n && at(from).step.kind === 'ligado') from--;
  // What is held at the end is held to its end.
  let taken = strokes + first - from;
  while (taken < n && at(from + taken).step.kind === 'hold') taken++;
  const base = from < 0 ? n : 0;
  const part = Array.from({ length: taken }, (_, i) => ({ ...at(from + i), source: base + from + i }));
  const next = at(from + taken).step;
  // A landing that is silent in the pattern is landed on all the same, with the last stroke.
  const last = [...part].reverse().find((p) => sounds(p.step));
  const landing: BurstStep = sounds(next)
    ? { ...at(from + taken), source: base + from + taken }
    : { step: last?.step ?? REST, level: last?.level ?? 'mf', source: last?.source ?? 0 };
  const steps = part.flatMap(({ step, level, source, steps: many }): BurstStep[] => [
    { step, level, source },
    ...Array.from({ length: many - 1 }, () => ({ step: HOLD, level, source })),
  ]);
  // The rest after it is as long as the burst, and the whole ends with a count.
  const length = Math.ceil((2 * steps.length) / stepsPerCount) * stepsPerCount;
  const rest: BurstStep = { step: REST, level: landing.level, source: landing.source };
  return [...steps, landing, ...Array.from({ length: length - steps.length - 1 }, () => rest)];
}
