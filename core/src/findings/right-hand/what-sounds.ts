import { placeLabel } from '../../cycle/index.js';
import { hasMark, type Motion } from '../../stroke/index.js';
import { finding, type FindingMatter, type FindingOf, placeIn } from '../model.js';

/** A stroke that has no pitch: the fingers of the left hand lie on the strings, or the right hand only beats. */
const isDead = (m: Motion): boolean => hasMark(m, 'x') || m.kind === 'slap' || m.kind === 'golpe';

/** Which counts sound and which are beaten dead; null where all do the same. */
export function whatSounds(m: FindingMatter): FindingOf<'what sounds'> | null {
  const { flat, section } = m;
  const struck = flat.events.filter((e) => e.motion.kind !== 'ghost');
  const labels = (dead: boolean) =>
    struck.filter((e) => isDead(e.motion) === dead).map((e) => placeLabel(section.cycle, e.at + section.start));
  const [dead, sounding] = [labels(true), labels(false)];
  return dead.length && sounding.length ? finding('what sounds', 'plain', placeIn(m), { dead, sounding }) : null;
}
