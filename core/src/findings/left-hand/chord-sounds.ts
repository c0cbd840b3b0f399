import { placeLabel } from '../../cycle/index.js';
import { CHORDAL } from '../../right-hand/index.js';
import { type Finding, finding, type FindingMatter } from '../model.js';

/** Chords that do not sound as they are called. */
export function chordSounds({ chordSounds: sounds, section, idiom }: FindingMatter): Finding[] {
  const muted = sounds.flatMap(({ name, muted: list }) =>
    list[0] ? [{ name, about: list.map((m) => m.string), first: placeLabel(section.cycle, list[0].at) }] : [],
  );
  // A line alone need not say which chord it is over.
  const unheard = CHORDAL.has(idiom)
    ? sounds.flatMap(({ name, unheard: list }) => (list.length ? [{ name, about: list }] : []))
    : [];
  const misnamed = sounds.flatMap(({ name, foreign, lacking }) =>
    foreign.length || lacking.length ? [{ name, foreign, lacking }] : [],
  );
  return [
    ...(muted.length ? [finding('string muted', 'watch', { chords: muted })] : []),
    ...(unheard.length ? [finding('tone unheard', 'watch', { chords: unheard })] : []),
    ...(misnamed.length ? [finding('name not borne out', 'watch', { chords: misnamed })] : []),
  ];
}
