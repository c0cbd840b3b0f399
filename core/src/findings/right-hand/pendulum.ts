import { placeLabel } from '../../cycle/index.js';
import type { PendulumPlace } from '../../right-hand/index.js';
import { finding, type FindingMatter, type FindingOf, placeOfSlot } from '../model.js';

/** Whether the hand keeps its swing; null of fingers that pluck or flick, which have none to keep. */
export function pendulum(m: FindingMatter): FindingOf<'pendulum'> | null {
  const { pendulum: swing, section } = m;
  if (swing.applies !== 'pendulum') return null;
  const at = (p: PendulumPlace) => placeLabel(section.cycle, p.at + section.start);
  const ghosts = (way: PendulumPlace['way']) => swing.holes.filter((h) => h.way === way).map(at);
  const broken = swing.fights.length > 0 || !swing.seam;
  const slot = [...swing.fights, ...swing.holes].find((p) => p.slot !== null)?.slot ?? null;
  return finding('pendulum', broken ? 'watch' : 'good', placeOfSlot(m, slot), {
    ghosts: { d: ghosts('d'), u: ghosts('u') },
    fights: swing.fights.map(at),
    seam: swing.seam,
  });
}
