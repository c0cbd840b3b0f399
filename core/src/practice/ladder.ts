import type { Ladder } from '../piece/index.js';
import { type Bpm, clampBpm } from '../time/index.js';

export interface PracticePass {
  readonly bpm: number;
  readonly clean: boolean;
}
export interface Rung {
  readonly bpm: Bpm;
  /** Clean passes in a row at this tempo so far. */
  readonly cleanHere: number;
  /** The end is reached and held. */
  readonly done: boolean;
}

/** Two passes that are not clean in a row take the tempo down a rung. */
const MISSES_BEFORE_BACK = 2;
/** So far below its slower end a ladder may fall. */
const RUNGS_BELOW = 4;

/**
 * Where the ladder stands after these passes: a rung towards the end after enough clean passes in a row,
 * a rung slower after two misses in a row, whichever way the ladder leads.
 * @example climb({ start: 100, end: 112, step: 6, passes: 1 }, [{ bpm: 100, clean: true }]).bpm // 106
 */
export function climb(ladder: Ladder, passes: readonly PracticePass[], from: number = ladder.start): Rung {
  const way = Math.sign(ladder.end - ladder.start) || 1;
  const floor = Math.min(ladder.start, ladder.end) - RUNGS_BELOW * ladder.step;
  let bpm = from;
  let clean = 0;
  let misses = 0;
  let done = false;
  for (const pass of passes) {
    clean = pass.clean ? clean + 1 : 0;
    misses = pass.clean ? 0 : misses + 1;
    if (clean >= ladder.passes) {
      done = done || bpm === ladder.end;
      if (bpm !== ladder.end) {
        bpm = way > 0 ? Math.min(ladder.end, bpm + ladder.step) : Math.max(ladder.end, bpm - ladder.step);
        clean = 0;
      }
    } else if (misses >= MISSES_BEFORE_BACK) {
      bpm = Math.max(floor, bpm - ladder.step);
      misses = 0;
    }
  }
  return { bpm: clampBpm(bpm), cleanHere: clean, done };
}

/**
 * How many rungs the ladder has, both ends counted.
 * @example rungCount({ start: 100, end: 112, step: 6, passes: 1 }) // 3
 */
export const rungCount = (l: Ladder): number => Math.ceil(Math.abs(l.end - l.start) / Math.max(1, l.step)) + 1;
