import { type Ask, settled } from '../../player/index.js';
import type { LeftFinger } from '../../stroke/index.js';
import { ticks } from '../../time/index.js';
import { gripsOf } from './grip.js';
import type { FretLineRequest, Placed } from './model.js';
import { scoreFretting } from './score.js';

/** The finger that lies over a note's fret where the hand is, and is kept for a later one. */
export interface KeptFinger {
  readonly finger: LeftFinger;
  /** Index of the event that it is kept for. */
  readonly event: number;
}
/** Events that are looked over. */
const AHEAD = 4;

/**
 * For every event the finger that lies there already but is not taken, because a later event needs it; null where
 * it is taken, where none lies there, and where the player has said who plays. A line is begun with the first finger.
 */
export function keptFingers(ask: Ask<FretLineRequest>, steps: readonly (readonly Placed[])[]): (KeptFinger | null)[] {
  const request = settled<FretLineRequest>(ask);
  const grips = gripsOf(request, steps);
  const total = (from: number, to: number, list: readonly (readonly Placed[])[]): number => {
    const first = request.events[from]?.at ?? 0;
    const events = request.events.slice(from, to + 1).map((e) => ({ ...e, at: ticks(e.at - first) }));
    const scored = scoreFretting({ ...request, events }, list.slice(from, to + 1));
    return 'faults' in scored ? Infinity : scored.total;
  };
  return request.events.map((event, i): KeptFinger | null => {
    const [only] = steps[i] ?? [];
    const [note] = event.notes;
    if (!only || !note || event.notes.length !== 1 || only.finger === 0 || note.finger !== undefined) return null;
    const position = i === 0 ? only.fret : (grips[i - 1]?.position ?? only.fret);
    const finger = only.fret - position + 1;
    if (finger === only.finger || finger < 1 || finger > 4) return null;
    const other = steps.map((s, n) => (n === i ? [{ ...only, finger: finger as LeftFinger }] : s));
    const [from, last] = [Math.max(0, i - 1), Math.min(request.events.length - 1, i + AHEAD)];
    if (total(from, i, other) === Infinity) return null;
    for (let n = i + 1; n <= last; n++)
      if (total(from, n, other) > total(from, n, steps))
        return steps[n]?.some((p) => p.finger === finger) ? { finger: finger as LeftFinger, event: n } : null;
    return null;
  });
}
