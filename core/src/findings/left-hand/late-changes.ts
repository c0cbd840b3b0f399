import { isLate } from '../../player/index.js';
import { finding, type FindingOf, type GraveMatter, placeIn } from '../model.js';

/** Moves for which the music leaves a finger less time than it needs, the hardest first. */
export const lateChanges = (m: GraveMatter): FindingOf<'change late'>[] =>
  m.moves.flatMap(({ at, from, to, sequential: tight }) => {
    if (!tight || !isLate(tight)) return [];
    const { finger, thereMs, neededMs } = tight;
    return [
      finding('change late', 'late', placeIn(m, at), {
        ...{ from: from.name, to: to.name },
        ...{ finger, thereMs, neededMs },
      }),
    ];
  });
