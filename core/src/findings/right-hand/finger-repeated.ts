import type { ScoreEvent } from '../../score/index.js';
import type { Finger } from '../../stroke/index.js';
import { bpm, millisOf, ticks, type StringNumber } from '../../time/index.js';
import { type Finding, finding, type FindingMatter, placeIn, placeOfSlot } from '../model.js';
import { neighbours } from './first-pass.js';

/** A finger that has this long is no finger that is repeated in a run. */
const SLOW_MS = 500;

interface Plucked {
  readonly finger: Finger;
  readonly string: StringNumber;
}
/** The finger that plucks one string alone; null of strums, blocks, the thumb and the left hand. */
function pluckedBy({ motion, notes }: ScoreEvent): Plucked | null {
  const [note, ...more] = notes;
  if (motion.kind !== 'stroke' || motion.dir !== null || !note || more.length > 0) return null;
  return note.right && note.right !== 'p' ? { finger: note.right, string: note.string } : null;
}
/** Fingers that play twice in a row, at a crossing or on one string: each finger once, with all its places. */
export function fingersRepeated(m: FindingMatter): Finding[] {
  const found = new Map<string, { finger: Finger; crossing: boolean; slot: number; labels: string[] }>();
  for (const { from, to } of neighbours(m)) {
    const [a, b] = [pluckedBy(from), pluckedBy(to)];
    if (!a || !b || a.finger !== b.finger) continue;
    const apart = to.at > from.at ? to.at - from.at : to.at + m.flat.length - from.at;
    if (millisOf(ticks(apart), bpm(m.section.bpm)) >= SLOW_MS) continue;
    const crossing = a.string !== b.string;
    const key = `${a.finger} ${crossing}`;
    const there = found.get(key) ?? { finger: a.finger, crossing, slot: to.slot, labels: [] };
    there.labels.push(placeIn(m, to.at).label);
    found.set(key, there);
  }
  return [...found.values()].map(({ slot, ...figures }) =>
    finding('finger repeated', 'watch', placeOfSlot(m, slot), figures),
  );
}
