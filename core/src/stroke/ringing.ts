import type { StringNumber } from '../time/index.js';

/** What a stroke does to the strings it meets: they ring on, or an earlier one stops ringing there. */
export interface Ringing {
  readonly strings: readonly StringNumber[];
  readonly rings?: boolean;
}
/**
 * Before each stroke, the strings that earlier ones have left ringing: a string rings until it is struck anew.
 * @param loops strokes come round: what the last ones leave ringing sounds before the first
 * @example ringingBefore([{ strings: [5], rings: true }, { strings: [3], rings: false }])[1].has(5) // true
 */
export function ringingBefore(strokes: readonly Ringing[], loops = false): Set<StringNumber>[] {
  const now = new Set<StringNumber>();
  const strike = ({ strings, rings }: Ringing) => {
    for (const s of strings) {
      if (rings) now.add(s);
      else now.delete(s);
    }
  };
  if (loops && strokes.some((s) => s.rings)) strokes.forEach(strike);
  return strokes.map((stroke) => {
    const before = new Set(now);
    strike(stroke);
    return before;
  });
}
