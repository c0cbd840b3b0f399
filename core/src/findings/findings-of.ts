import { barre } from './left-hand/barre.js';
import { block } from './left-hand/block.js';
import { chordSounds } from './left-hand/chord-sounds.js';
import { fingersAway } from './left-hand/finger-away.js';
import { heldOver } from './left-hand/held-over.js';
import { lateChanges } from './left-hand/late-changes.js';
import { noNode } from './left-hand/no-node.js';
import { outOfReach } from './left-hand/out-of-reach.js';
import type { Finding, FindingMatter, GraveMatter } from './model.js';
import { ranked, isAgainst } from './rank.js';
import { accents } from './right-hand/accents.js';
import { anotherStart } from './right-hand/another-start.js';
import { ceiling } from './right-hand/ceiling.js';
import { comesRound } from './right-hand/comes-round.js';
import { pendulum } from './right-hand/pendulum.js';
import { flicksPlucked } from './right-hand/plucked-flicks.js';
import { plants } from './right-hand/plants.js';
import { texts } from './texts.js';

const there = (found: readonly (Finding | null)[]): Finding[] => found.filter((f): f is Finding => f !== null);
const grave = (m: GraveMatter) => [
  ...texts(m),
  ...outOfReach(m),
  ...lateChanges(m),
  ...fingersAway(m),
  ...heldOver(m),
  ...noNode(m),
  ...chordSounds(m),
  flicksPlucked(m),
  barre(m),
];

/** What there is to say about a section: the ceiling, then the rest in its rank; nothing of an empty one. */
export function findingsOf(m: FindingMatter): Finding[] {
  if (m.flat.events.length === 0) return ranked(texts(m));
  const rest = [comesRound(m), ...accents(m), anotherStart(m), pendulum(m), plants(m), block(m), ...grave(m)];
  return [...there([ceiling(m)]), ...ranked(there(rest))];
}
/**
 * Only what stands against a section: it can't be read, held or played in time, or sounds otherwise than it is called. What
 * can't be read whole is mended first: half of it says little.
 */
export function standsAgainst(m: GraveMatter): Finding[] {
  if (m.faults.length) return ranked(texts(m));
  return ranked(there([ceiling(m), ...grave(m)]).filter(isAgainst));
}
