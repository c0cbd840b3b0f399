import { finding, type FindingMatter, type FindingOf } from '../model.js';

/** Begun on another of its steps its accents lie better; null where the written start is as good. */
export function anotherStart({ betterStart, flat, layout }: FindingMatter): FindingOf<'another start'> | null {
  if (!betterStart) return null;
  const { rotation, over, given, written } = betterStart;
  const step = flat.slots[rotation.slot]?.step;
  return finding('another start', 'plain', {
    step: rotation.slot + 1,
    motion: step && step.kind !== 'rest' && step.kind !== 'hold' ? step : null,
    over,
    turns: layout.realign.cycles,
    given,
    written,
  });
}
