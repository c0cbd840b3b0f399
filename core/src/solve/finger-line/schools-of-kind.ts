import { type Kind, readPassage } from '../../passage/index.js';
import type { LineRequest } from './model.js';
import { LINE_SCHOOLS, type LineSchool, TAUGHT } from './schools.js';

const GIVEN: Partial<Record<Kind, readonly string[]>> = {
  run: ['im', 'habit', 'fingering', 'ma', 'ia', 'ami'],
  arpeggio: ['home', 'pima', 'pimami'],
  tremolo: ['pami', 'piami'],
  'melody over basses': ['im', 'ma', 'ami', 'fingering', 'home', 'habit'],
  'thumb line': ['im', 'habit'],
  'block chords': ['home'],
  comping: ['home'],
};
/** On one string the orders of a tremolo are practised without their bass. */
const ON_ONE_STRING = ['pami', 'piami'];

export interface OfferedSchools {
  /** What a teacher gives for a line of these kinds, the taught one first. */
  readonly given: readonly LineSchool[];
  /** What none gives, for the kinds that are in it. */
  readonly folded: readonly LineSchool[];
  readonly kinds: readonly Kind[];
}
/** The schools of a line, those for its kinds of playing apart from the others. */
export function schoolsOfKind(request: Pick<LineRequest, 'notes' | 'bpm' | 'profile'>): OfferedSchools {
  const kinds = [...new Set(readPassage(request).kinds)];
  const strings = new Set(request.notes.flatMap((n) => n.strings));
  const own = new Set([TAUGHT, ...kinds.flatMap((k) => GIVEN[k] ?? [])]);
  if (strings.size === 1 && kinds[0] === 'run') for (const id of ON_ONE_STRING) own.add(id);
  // In the order of what is given first for its kind.
  const given = [...own].flatMap((id) => LINE_SCHOOLS.find((s) => s.id === id) ?? []);
  return { given, folded: LINE_SCHOOLS.filter((s) => !own.has(s.id)), kinds };
}
