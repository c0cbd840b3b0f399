import { placeLabel } from '../../cycle/index.js';
import type { Motion } from '../../stroke/index.js';
import { finding, type FindingMatter, type FindingOf } from '../model.js';

/** Strokes that are held on while the chord changes under them; null where there are none. */
export function heldOver({ heldOver: held, score, section }: FindingMatter): FindingOf<'held over'> | null {
  // The same stroke into the same chord is one matter, however often it comes.
  const strokes = new Map<string, { motion: Motion; at: string; into: string }>();
  for (const { event, chord } of held) {
    const e = score.events[event];
    const into = score.chords[chord]?.name ?? '';
    const key = `${e?.slot} ${into}`;
    if (e && !strokes.has(key)) strokes.set(key, { motion: e.motion, at: placeLabel(section.cycle, e.at), into });
  }
  return strokes.size ? finding('held over', 'watch', { strokes: [...strokes.values()] }) : null;
}
