import type { PlacedChange } from '../../score/index.js';
import { finding, type FindingMatter, type FindingOf, placeIn } from '../model.js';

const slips = ({ rightHand: r }: PlacedChange): boolean => r.leftOut.length > 0 || r.offBass !== null;
const moves = ({ rightHand: r }: PlacedChange): boolean =>
  r.thumb !== null || r.fingers !== null || r.strum !== null || slips({ rightHand: r } as PlacedChange);

/** Where the right hand goes along with the chord, and where the script makes it stay behind; slips first. */
export function block(m: FindingMatter): FindingOf<'block'> | null {
  const told = m.changes
    .filter(moves)
    .map((c) => ({
      ...{ at: c.at, from: c.from.name, to: c.to.name, label: c.label, rightHand: c.rightHand, slips: slips(c) },
    }))
    .sort((a, b) => Number(b.slips) - Number(a.slips) || a.at - b.at);
  if (told.length === 0) return null;
  const any = told.some((t) => t.slips);
  return finding('block', any ? 'watch' : 'plain', placeIn(m, told[0]?.at), {
    moves: told.map(({ from, to, label, rightHand, slips: own }) => ({ from, to, label, rightHand, slips: own })),
    slips: any,
  });
}
