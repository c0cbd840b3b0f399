import type { ScoreEvent } from '../../score/index.js';
import type { PlectrumWay } from '../../stroke/index.js';
import type { StringNumber } from '../../time/index.js';
import { type Finding, type FindingFigures, finding, type FindingMatter, placeIn, placeOfSlot } from '../model.js';
import { firstPass, neighbours } from './first-pass.js';

type Why = FindingFigures['plectrum ways']['why'];
interface Picked {
  readonly way: PlectrumWay;
  readonly string: StringNumber;
}
/** A single string under the plectrum; null of strums and all else. */
function picked({ motion, notes }: ScoreEvent): Picked | null {
  const [note, ...more] = notes;
  if (motion.kind !== 'stroke' || !motion.plectrum || !note || more.length > 0) return null;
  return { way: motion.plectrum, string: note.string };
}
/** What is against the plectrum's school between two strokes, and at which of them. */
function against(a: Picked, b: Picked): readonly [Why, 'from' | 'to'][] {
  const found: [Why, 'from' | 'to'][] = [];
  if (b.way === 'u' && a.string !== b.string) found.push(['up at a change', 'to']);
  else if (b.way === 'u' && a.way !== 'd') found.push(['up without a rest', 'to']);
  if (a.way === 'd' && b.string > a.string) found.push(['no whip', 'from']);
  return found;
}
/**
 * Where the plectrum goes against its school: an up stroke at a change of string or with no rest stroke before it, and a
 * rest stroke before a thicker string, which lands the wrong way. Each once, with all its places.
 */
export function plectrumWays(m: FindingMatter): Finding[] {
  const found = new Map<Why, { slot: number; labels: string[] }>();
  const tell = (why: Why, { at, slot }: ScoreEvent) => {
    const there = found.get(why) ?? { slot, labels: [] };
    there.labels.push(placeIn(m, at).label);
    found.set(why, there);
  };
  const [first] = firstPass(m);
  for (const pair of neighbours(m)) {
    const [a, b] = [picked(pair.from), picked(pair.to)];
    if (!a || !b) continue;
    // What enters anew at the beginning answers nothing.
    for (const [why, at] of against(a, b)) if (at === 'from' || pair.to !== first) tell(why, pair[at]);
  }
  if (first && picked(first)?.way === 'u' && first.inBar === 0) tell('up without a rest', first);
  return [...found].map(([why, { slot, labels }]) =>
    finding('plectrum ways', 'watch', placeOfSlot(m, slot), { why, labels }),
  );
}
