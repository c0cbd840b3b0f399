import { isLate } from '../../player/index.js';
import { finding, type FindingMatter, type FindingOf } from '../model.js';

/** Changes for which the music leaves a finger less time than it needs, the hardest first; null where there are none. */
export function lateChanges({ changes }: FindingMatter): FindingOf<'change late'> | null {
  const late = changes.flatMap(({ from, to, label, sequential: tight }) =>
    tight && isLate(tight) ? [{ from: from.name, to: to.name, at: label, ...tight }] : [],
  );
  return late.length ? finding('change late', 'late', { changes: late }) : null;
}
