import { finding, type FindingMatter, type FindingOf } from '../model.js';

/** Where pattern and cycle come round together. */
export const comesRound = ({ layout, flat, section }: FindingMatter): FindingOf<'comes round'> =>
  finding('comes round', 'plain', {
    passes: layout.realign.patternPasses,
    turns: layout.realign.cycles,
    steps: flat.slots.length,
    length: layout.patternLength,
    counts: section.cycle.counts,
    shown: layout.truncated ? layout.turns : null,
  });
