import { handOn, reachFault } from '../../left-hand/index.js';
import { neckOf } from '../../player/index.js';
import { finding, type FindingOf, type GraveMatter, placeIn } from '../model.js';

/** Shapes of the chart that this hand can't hold, each where it is first called. */
export function outOfReach(m: GraveMatter): FindingOf<'out of reach'>[] {
  const hand = handOn(neckOf(m.profile, m.capo), m.profile);
  const seen = new Set<string>();
  return m.score.chords.flatMap(({ shape, name, at, known }) => {
    if (!known || seen.has(name)) return [];
    seen.add(name);
    const because = reachFault(shape, hand);
    return because ? [finding('out of reach', 'late', placeIn(m, at), { name, because })] : [];
  });
}
