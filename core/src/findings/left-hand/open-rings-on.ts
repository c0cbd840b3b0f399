import { hasMark, stopOn } from '../../stroke/index.js';
import type { StringNumber } from '../../time/index.js';
import { finding, type FindingOf, type GraveMatter, placeIn } from '../model.js';

/** Open strings of a chord that ring on though the hand lets go of it: each chord once. */
export function openRingsOn(m: GraveMatter): FindingOf<'open rings on'>[] {
  const found = new Map<string, { at: number; slot: number; strings: Set<StringNumber>; dead: boolean }>();
  for (const e of m.score.events) {
    const chord = m.score.chords[e.chord];
    const dead = hasMark(e.motion, 'x');
    if (!chord?.known || chord.name === '' || e.motion.kind !== 'stroke' || (!dead && !hasMark(e.motion, '^')))
      continue;
    const { motion } = e;
    // Without a finger on the neck nothing can be let go of.
    if (!chord.shape.fingers.some((f) => f !== null && f !== 0)) continue;
    const open = e.notes.filter((n) => n.fret === 0 && !stopOn(motion, n.string));
    if (open.length === 0) continue;
    const there = found.get(chord.name) ?? { at: e.at, slot: e.slot, strings: new Set<StringNumber>(), dead };
    for (const { string } of open) there.strings.add(string);
    found.set(chord.name, there);
  }
  return [...found].map(([name, { at, slot, strings, dead }]) =>
    finding('open rings on', 'watch', placeIn(m, at, slot), {
      ...{ name, strings: [...strings].sort((a, b) => b - a), dead },
    }),
  );
}
