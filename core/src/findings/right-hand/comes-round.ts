import { finding, type FindingMatter, type FindingOf, placeIn } from '../model.js';

/** Where pattern and cycle come round together. */
export const comesRound = (m: FindingMatter): FindingOf<'comes round'> => {
  const { layout, flat, section } = m;
  return finding('comes round', 'plain', placeIn(m), {
    passes: layout.realign.patternPasses,
    turns: layout.realign.cycles,
    steps: flat.slots.length,
    length: layout.patternLength,
    counts: section.cycle.counts,
    shown: layout.truncated ? layout.turns : null,
  });
};
