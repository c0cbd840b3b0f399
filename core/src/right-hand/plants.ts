import { type Finger, ringingBefore } from '../stroke/index.js';
import type { StringNumber, Ticks } from '../time/index.js';

/** A stroke with its strings resolved: what planting is decided from. */
export interface PlantEvent {
  readonly at: Ticks;
  /** One entry for each finger, in finger order. Empty for taps and ghosts. */
  readonly touches: readonly { readonly finger: Finger | null; readonly string: StringNumber }[];
  /** A strum or a tap: nothing is planted through it. */
  readonly strum: boolean;
  /** Marked to ring on. */
  readonly rings: boolean;
}
export type NotPlanted = 'strum' | 'same finger' | 'not rising' | 'must ring' | 'run over';
export interface Plant {
  readonly index: number;
  /** Set on the strings together when its figure begins (full planting). */
  readonly atOnce: boolean;
  /** Fingers that are set at once with this stroke, on its figure's first stroke. */
  readonly set: readonly Finger[];
  /** The finger to set while this stroke plays (sequential planting). */
  readonly next: Finger | null;
  /** Why this stroke's finger is not planted. */
  readonly reason: NotPlanted | null;
}

/** A figure begins with the pattern and with every thumb stroke that follows a finger. */
function figureStarts(events: readonly PlantEvent[]): number[] {
  const starts: number[] = [];
  events.forEach((e, i) => {
    const before = events[i - 1];
    const thumb = e.touches.some((t) => t.finger === 'p');
    if (i === 0 || (thumb && before?.touches.some((t) => t.finger !== 'p'))) starts.push(i);
  });
  return starts;
}

/**
 * Which fingers can be set on their strings beforehand. From a figure's first stroke the longest run of different fingers
 * that goes from thicker to thinner strings is planted; the rest plays unplanted. Nothing is planted on a string that must
 * go on ringing: a finger that comes to one is left out, and the others are planted all the same.
 */
export function plantPlan(events: readonly PlantEvent[]): Plant[] {
  const plants: Plant[] = [];
  const starts = figureStarts(events);
  // The pattern goes round.
  const ringing = ringingBefore(
    events.map((e) => ({ strings: e.touches.map((t) => t.string), rings: e.rings })),
    true,
  );
  starts.forEach((start, n) => {
    const end = starts[n + 1] ?? events.length;
    const reasons = runReasons(events, start, end, ringing[start] ?? new Set());
    const over = reasons.findIndex((r) => r !== null && r !== 'must ring');
    const run = over === -1 ? end - start : over;
    const inSet = (i: number) => i - start < run && reasons[i - start] === null;
    const set = events
      .slice(start, start + run)
      .flatMap((e, i) => (inSet(start + i) ? e.touches.flatMap((t) => t.finger ?? []) : []));
    for (let i = start; i < end; i++) {
      const next = i + 1 < start + run && inSet(i + 1) ? (events[i + 1]?.touches[0]?.finger ?? null) : null;
      plants.push({
        index: i,
        atOnce: inSet(i),
        set: i === start ? set : [],
        next,
        reason: reasons[i - start] ?? null,
      });
    }
  });
  return plants;
}

function runReasons(
  events: readonly PlantEvent[],
  start: number,
  end: number,
  ringing: ReadonlySet<StringNumber>,
): (NotPlanted | null)[] {
  const used = new Set<Finger>();
  let thinnest = Infinity;
  let over = false;
  const reasons: (NotPlanted | null)[] = [];
  for (let i = start; i < end; i++) {
    const e = events[i] as PlantEvent;
    let [thick, thin] = [0, Infinity];
    for (const { string } of e.touches) [thick, thin] = [Math.max(thick, string), Math.min(thin, string)];
    let reason: NotPlanted | null = null;
    if (e.strum || e.touches.length === 0) reason = 'strum';
    else if (over) reason = 'run over';
    else if (e.touches.some((t) => t.finger && used.has(t.finger))) reason = 'same finger';
    else if (thick >= thinnest) reason = 'not rising';
    else if (e.touches.some((t) => ringing.has(t.string))) reason = 'must ring';
    if (reason && reason !== 'must ring') over = true;
    for (const t of e.touches) if (t.finger) used.add(t.finger);
    thinnest = Math.min(thinnest, thin);
    reasons.push(reason);
  }
  return reasons;
}
