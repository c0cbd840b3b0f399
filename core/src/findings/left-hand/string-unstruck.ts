import { bassString } from '../../left-hand/index.js';
import { type StringNumber, STRINGS } from '../../time/index.js';
import { finding, type FindingMatter, type FindingOf, placeIn } from '../model.js';

/** Fewer strings than this are no chord that is shown. */
const A_CHORD = 2;

/** Chords of which a string is held, or their bass, that no stroke ever meets: each once. */
export function stringsUnstruck(m: FindingMatter): FindingOf<'string unstruck'>[] {
  const struck = new Map<string, Set<StringNumber>>();
  for (const e of m.score.events) {
    const name = m.score.chords[e.chord]?.name ?? '';
    const own = struck.get(name) ?? new Set<StringNumber>();
    struck.set(name, own);
    for (const n of e.notes) own.add(n.string);
  }
  const seen = new Set<string>();
  return m.score.chords.flatMap(({ name, shape, at, known }): FindingOf<'string unstruck'>[] => {
    const own = struck.get(name);
    if (!known || name === '' || seen.has(name) || !own || own.size < A_CHORD) return [];
    seen.add(name);
    const bass = bassString(shape);
    /** A finger that lies over others too is down for their sake. */
    const idle = (string: StringNumber) => {
      const finger = shape.fingers[STRINGS.indexOf(string)] ?? null;
      return finger !== null && finger !== 0 && !STRINGS.some((s, i) => shape.fingers[i] === finger && own.has(s));
    };
    const strings = STRINGS.filter((s) => !own.has(s) && (s === bass || idle(s)));
    if (strings.length === 0) return [];
    const noBass = bass !== null && !own.has(bass);
    return [finding('string unstruck', 'plain', placeIn(m, at), { name, strings, bass: noBass ? bass : null })];
  });
}
