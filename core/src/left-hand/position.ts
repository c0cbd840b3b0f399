import type { LeftFinger } from './shape.js';

/**
 * Where the hand stands: the fret under its first finger, whichever fingers are down; with the thumb over the neck alone,
 * the thumb's fret.
 * @param stopped what each finger stops; open strings don't count
 * @returns a fret from 1 on; null when no finger is down
 * @example positionOf([{ finger: 3, fret: 5 }]) // 3
 * @example positionOf([{ finger: 'T', fret: 5 }]) // 5
 */
export function positionOf(
  stopped: readonly { readonly finger: LeftFinger | null; readonly fret: number | null }[],
): number | null {
  const firsts = stopped.flatMap(({ finger, fret }) =>
    typeof finger === 'number' && finger > 0 && fret ? [fret - finger + 1] : [],
  );
  if (firsts.length) return Math.max(1, Math.min(...firsts));
  return stopped.find(({ finger, fret }) => finger === 'T' && fret)?.fret ?? null;
}
