import { speaksOf } from './kinds.js';
import { barre } from './left-hand/barre.js';
import { block } from './left-hand/block.js';
import { chordSounds } from './left-hand/chord-sounds.js';
import { fingersAway } from './left-hand/finger-away.js';
import { heldOver } from './left-hand/held-over.js';
import { lateChanges } from './left-hand/late-changes.js';
import { noNode } from './left-hand/no-node.js';
import { openRingsOn } from './left-hand/open-rings-on.js';
import { outOfReach } from './left-hand/out-of-reach.js';
import { stringsUnstruck } from './left-hand/string-unstruck.js';
import type { Finding, FindingMatter, GraveMatter } from './model.js';
import { ranked, isAgainst } from './rank.js';
import { accents } from './right-hand/accents.js';
import { anotherStart } from './right-hand/another-start.js';
import { ceiling } from './right-hand/ceiling.js';
import { comesRound } from './right-hand/comes-round.js';
import { fingersRepeated } from './right-hand/finger-repeated.js';
import { pendulum } from './right-hand/pendulum.js';
import { plectrumWays } from './right-hand/plectrum-ways.js';
import { flicksPlucked } from './right-hand/plucked-flicks.js';
import { plants } from './right-hand/plants.js';
import { restStrokes } from './right-hand/rest-strokes.js';
import { thumbAnchor } from './right-hand/thumb-anchor.js';
import { whatSounds } from './right-hand/what-sounds.js';
import { texts } from './texts.js';

/** What there is, of those that speak of what is played. */
const said = ({ flat }: GraveMatter, found: readonly (Finding | null)[]): Finding[] =>
  found.filter((f): f is Finding => f !== null && speaksOf(f.code, flat));
const grave = (m: GraveMatter) => [
  ...texts(m),
  ...outOfReach(m),
  ...lateChanges(m),
  ...fingersAway(m),
  ...heldOver(m),
  ...noNode(m),
  ...openRingsOn(m),
  ...chordSounds(m),
  flicksPlucked(m),
  barre(m),
];

/** What there is to say about a section: the ceiling, then the rest in its rank; nothing of an empty one. */
export function findingsOf(m: FindingMatter): Finding[] {
  if (m.flat.events.length === 0) return ranked(texts(m));
  const hand = [
    pendulum(m),
    plants(m),
    whatSounds(m),
    thumbAnchor(m),
    ...fingersRepeated(m),
    ...restStrokes(m),
    ...plectrumWays(m),
  ];
  const rest = [comesRound(m), ...accents(m), anotherStart(m), ...hand, block(m), ...stringsUnstruck(m), ...grave(m)];
  return [...said(m, [ceiling(m)]), ...ranked(said(m, rest))];
}
/**
 * Only what stands against a section: it can't be read, held or played in time, or sounds otherwise than it is called. What
 * can't be read whole is mended first: half of it says little.
 */
export function standsAgainst(m: GraveMatter): Finding[] {
  if (m.faults.length) return ranked(texts(m));
  return ranked(said(m, [ceiling(m), ...grave(m)]).filter(isAgainst));
}
