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
/** Orders beside basses that are given where the same order is given to a line. */
const LIKE: Partial<Record<string, string>> = { 'im over basses': 'im', 'ami afresh': 'ami' };
/**
 * The schools of a line, those for its kinds of playing apart from the others.
 * @param schools out of these
 */
export function schoolsOfKind(
  request: Pick<LineRequest, 'notes' | 'bpm' | 'profile'>,
  schools: readonly LineSchool[] = LINE_SCHOOLS,
): OfferedSchools {
  const kinds = [...new Set(readPassage(request).kinds)];
  const strings = new Set(request.notes.flatMap((n) => n.strings));
  const own = new Set([TAUGHT, ...kinds.flatMap((k) => GIVEN[k] ?? [])]);
  if (strings.size === 1 && kinds[0] === 'run') for (const id of ON_ONE_STRING) own.add(id);
  const likeOf = ({ id }: LineSchool): string => LIKE[id] ?? id;
  // In the order of what is given first for its kind.
  const given = [...own].flatMap((id) => schools.filter((s) => likeOf(s) === id));
  return { given, folded: schools.filter((s) => !own.has(likeOf(s))), kinds };
}
