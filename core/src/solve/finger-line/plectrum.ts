import { type Bpm, millisOf, type StringNumber, ticks, TICKS_PER_COUNT } from '../../time/index.js';
import type { LineStep } from './model.js';

/** rest = down, lands on the next string · up = only as the answer to a rest stroke · whip = down that leaps off. */
export type PlectrumStroke = 'rest' | 'up' | 'whip';

/** Where a plectrum begins a string anew. */
export type PlectrumEntry = 'down' | 'up';
/**
 * Plectrum strokes for single notes by string. Every change of string begins with a down stroke; on one
 * string rest and up alternate; a down stroke before a thicker string is a whip, for a rest stroke would
 * land the wrong way. So one note a string is a sweep of rests going up in pitch, whips going down.
 * @param strings string of each note, in playing order
 * @param entries notes that enter anew, by index: after a silence, or slowly; 'up' answers a ghosted rest stroke
 * @example plectrumStrokes([3, 3, 2]) // ['rest', 'up', 'rest']
 * @example plectrumStrokes([3, 3], new Map([[1, 'down']])) // ['rest', 'rest']
 */
export function plectrumStrokes(
  strings: readonly StringNumber[],
  entries: ReadonlyMap<number, PlectrumEntry> = new Map(),
): PlectrumStroke[] {
  const strokes: PlectrumStroke[] = [];
  let onThisString = 0;
  strings.forEach((string, i) => {
    const entry = entries.get(i);
    onThisString = entry === 'up' ? 1 : !entry && i > 0 && strings[i - 1] === string ? onThisString + 1 : 0;
    const next = strings[i + 1];
    const before = strings[i - 1];
    // The last note of a line goes on as the line went.
    const toThicker =
      next === undefined ? onThisString === 0 && before !== undefined && before < string : next > string;
    if (onThisString % 2 === 1) strokes.push('up');
    else strokes.push(toThicker ? 'whip' : 'rest');
  });
  return strokes;
}

/** A stroke that comes no sooner after the one before is slow: it rests again. */
const SLOW_MS = 500;
/** What the plectrum has to know of a line beside its strings. */
export interface PlectrumEntries {
  readonly entries: ReadonlyMap<number, PlectrumEntry>;
  /** Rests, by their place among the steps, in which a rest stroke is ghosted for the entry after them. */
  readonly ghosts: ReadonlySet<number>;
}
/**
 * Notes that enter anew: after a silence and slowly a rest stroke again; off the beat, after a rest, the answer to a rest
 * stroke that is ghosted in that rest.
 * @param tempo counts a minute; without it no note is slow
 */
export function plectrumEntries(steps: readonly LineStep[], tempo?: Bpm): PlectrumEntries {
  const entries = new Map<number, PlectrumEntry>();
  const ghosts = new Set<number>();
  let [n, last] = [0, null as number | null];
  steps.forEach((step, i) => {
    if (step.kind !== 'note') return;
    const { at } = step.note;
    const slow = tempo !== undefined && last !== null && millisOf(ticks(at - last), tempo) >= SLOW_MS;
    if (steps[i - 1]?.kind === 'rest') {
      const offBeat = at % TICKS_PER_COUNT !== 0;
      entries.set(n, offBeat ? 'up' : 'down');
      if (offBeat) ghosts.add(i - 1);
    } else if (slow) entries.set(n, 'down');
    last = at;
    n++;
  });
  return { entries, ghosts };
}
