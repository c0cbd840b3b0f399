import { type Finding, finding, type GraveMatter, placeIn } from '../model.js';

/** Chords that do not sound as they are called: a muted string is struck, a telling tone is not, the notes are others. */
export function chordSounds(m: GraveMatter): Finding[] {
  return m.chordSounds.flatMap(({ name, muted, unheard, lacking, foreign }): Finding[] => {
    const begins = placeIn(m, m.score.chords.find((c) => c.name === name)?.at ?? 0);
    const [first] = muted;
    return [
      ...(first
        ? [finding('string muted', 'watch', placeIn(m, first.at), { name, strings: muted.map((s) => s.string) })]
        : []),
      ...(unheard.length ? [finding('tone unheard', 'watch', begins, { name, tones: unheard })] : []),
      ...(foreign.length || lacking.length
        ? [finding('name not borne out', 'watch', begins, { name, foreign, lacking })]
        : []),
    ];
  });
}
