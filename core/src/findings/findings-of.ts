import { barre } from './left-hand/barre.js';
import { block } from './left-hand/block.js';
import { chordSounds } from './left-hand/chord-sounds.js';
import { heldOver } from './left-hand/held-over.js';
import { lateChanges } from './left-hand/late-changes.js';
import { outOfReach } from './left-hand/out-of-reach.js';
import type { Finding, FindingMatter } from './model.js';
import { accents } from './right-hand/accents.js';
import { anotherStart } from './right-hand/another-start.js';
import { ceiling } from './right-hand/ceiling.js';
import { comesRound } from './right-hand/comes-round.js';
import { pendulum } from './right-hand/pendulum.js';
import { plants } from './right-hand/plants.js';

/** What there is to say about a section, in the order in which a player asks; nothing of an empty one. */
export function findingsOf(m: FindingMatter): Finding[] {
  if (m.flat.events.length === 0) return [];
  const found: (Finding | null)[] = [
    ceiling(m),
    comesRound(m),
    ...accents(m),
    anotherStart(m),
    pendulum(m),
    plants(m),
    lateChanges(m),
    block(m),
    ...chordSounds(m),
    heldOver(m),
    barre(m),
    ...outOfReach(m),
  ];
  return found.filter((f): f is Finding => f !== null);
}
