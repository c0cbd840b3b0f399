import { NODES } from '../../instrument/index.js';
import { isHarmonic, isTouched } from '../../score/index.js';
import { finding, type FindingOf, type GraveMatter, placeIn } from '../model.js';

/** Harmonics that are to be touched where no node lies, each stroke’s string once. */
export function noNode(m: GraveMatter): FindingOf<'no node'>[] {
  const seen = new Set<string>();
  return m.score.events.flatMap((e) =>
    e.notes.flatMap((note) => {
      const name = m.score.chords[e.chord]?.name ?? '';
      const key = `${e.slot} ${note.string} ${note.fret}`;
      if (!isTouched(e.motion, note) || isHarmonic(e.motion, note) || seen.has(key)) return [];
      seen.add(key);
      const { string, fret } = note;
      const near = NODES.reduce((best, n) => (Math.abs(n - fret) < Math.abs(best - fret) ? n : best));
      return [finding('no node', 'watch', placeIn(m, e.at, e.slot), { name, string, fret, near })];
    }),
  );
}
