import type { ScoreEvent } from '../../score/index.js';
import type { GraveMatter } from '../model.js';

/** A stroke and the one after it, with no silence between them; of the last one the first, where the pattern goes round. */
export interface Neighbours {
  readonly from: ScoreEvent;
  readonly to: ScoreEvent;
}
/** Strokes of the first pass, each slot once. */
export function firstPass({ score }: Pick<GraveMatter, 'score'>): ScoreEvent[] {
  const seen = new Set<number>();
  return score.events.filter((e) => !seen.has(e.slot) && seen.add(e.slot));
}
/** Strokes that follow one another, round to the first. */
export function neighbours(m: Pick<GraveMatter, 'score' | 'flat'>): Neighbours[] {
  const all = firstPass(m);
  const slots = m.flat.slots.length;
  return all.flatMap((from, n): Neighbours[] => {
    const to = all[n + 1] ?? (m.score.loops ? all[0] : undefined);
    if (!to || to === from) return [];
    const next = (slot: number): number => {
      const after = (slot + 1) % slots;
      return m.flat.slots[after]?.step.kind === 'hold' ? next(after) : after;
    };
    return next(from.slot) === to.slot ? [{ from, to }] : [];
  });
}
