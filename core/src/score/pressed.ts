import type { Ticks } from '../time/index.js';
import type { TimedGrip } from './model.js';

/** How long one chord's shape is pressed, or the hand is free under it, whatever single fingers do meanwhile. */
export interface PressedStretch {
  readonly at: Ticks;
  readonly until: Ticks;
  /** Index into the score's chords. */
  readonly chord: number;
  readonly pressed: boolean;
}
/**
 * Grips of one chord as stretches in which the hand is down or free.
 * @example pressedStretches([]) // []
 */
export function pressedStretches(grips: readonly TimedGrip[]): PressedStretch[] {
  const stretches: { at: Ticks; until: Ticks; chord: number; pressed: boolean }[] = [];
  for (const { at, until, chord, pressed } of grips) {
    const last = stretches.at(-1);
    if (last?.chord === chord && last.pressed === pressed) last.until = until;
    else stretches.push({ at, until, chord, pressed });
  }
  return stretches;
}
