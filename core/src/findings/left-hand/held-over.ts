import { finding, type FindingOf, type GraveMatter, placeIn } from '../model.js';

/** Strokes that are held on while the chord changes under them. */
export function heldOver(m: GraveMatter): FindingOf<'held over'>[] {
  const { events, chords } = m.score;
  // The same stroke into the same chord is one matter, however often it comes.
  const seen = new Set<string>();
  return m.heldOver.flatMap(({ event, chord }) => {
    const e = events[event];
    const [from, into] = [chords[e?.chord ?? 0]?.name ?? '', chords[chord]?.name ?? ''];
    const key = `${e?.slot} ${into}`;
    if (!e || seen.has(key)) return [];
    seen.add(key);
    return [finding('held over', 'watch', placeIn(m, e.at, e.slot), { motion: e.motion, from, into })];
  });
}
