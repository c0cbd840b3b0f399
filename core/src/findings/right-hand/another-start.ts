import { finding, type FindingMatter, type FindingOf, placeIn } from '../model.js';

/** Begun on another of its steps its accents lie better; null where the written start is as good. */
export function anotherStart(m: FindingMatter): FindingOf<'another start'> | null {
  const { betterStart, flat, layout } = m;
  if (!betterStart) return null;
  const { rotation, over, given, written } = betterStart;
  const step = flat.slots[rotation.slot]?.step;
  return finding('another start', 'plain', placeIn(m), {
    step: rotation.slot + 1,
    motion: step && step.kind !== 'rest' && step.kind !== 'hold' ? step : null,
    over,
    turns: layout.realign.cycles,
    given,
    written,
  });
}
