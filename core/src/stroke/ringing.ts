import type { StringNumber } from '../time/index.js';

/** What a stroke does to the strings it meets: they ring on, or an earlier one stops ringing there. */
export interface Ringing {
  readonly strings: readonly StringNumber[];
  readonly rings?: boolean;
}
/**
 * Before each stroke, the strings that earlier ones have left ringing: a string rings until it is struck anew.
 * Strokes between which nothing changes share one set.
 * @param loops strokes come round: what the last ones leave ringing sounds before the first
 * @example ringingBefore([{ strings: [5], rings: true }, { strings: [3], rings: false }])[1].has(5) // true
 */
export function ringingBefore(strokes: readonly Ringing[], loops = false): ReadonlySet<StringNumber>[] {
  let now: ReadonlySet<StringNumber> = new Set();
  const strike = ({ strings, rings = false }: Ringing) => {
    if (strings.every((s) => now.has(s) === rings)) return;
    const after = new Set(now);
    for (const s of strings) {
      if (rings) after.add(s);
      else after.delete(s);
    }
    now = after;
  };
  if (loops && strokes.some((s) => s.rings)) strokes.forEach(strike);
  return strokes.map((stroke) => {
    const before = now;
    strike(stroke);
    return before;
  });
}
