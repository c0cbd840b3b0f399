import { type Kind, readPassage } from '../../passage/index.js';
import { LINE_SCHOOLS, type LineSchool, TAUGHT } from './schools.js';
import type { LineAnswer, LineRequest } from './model.js';

/** Whether the hand minds a way: a finger twice in a row, one that is not taught there, a ring that is touched. */
export const isMinded = ({ cost }: LineAnswer): boolean => cost.repeat > 0 || cost.taught > 0 || cost.rest > 0;
/**
 * The ways that are put before a player: those that the hand does not mind. Where it minds every one, the best alone;
 * what it minds is said of it.
 */
export function proposed(answers: readonly LineAnswer[]): readonly LineAnswer[] {
  const good = answers.filter((a) => !isMinded(a));
  return good.length ? good : answers.slice(0, 1);
}

/** How each note is struck: a rest stroke is a run's alone, and is asked for. */
export function strokesOf(request: Pick<LineRequest, 'notes' | 'bpm' | 'profile' | 'stroke'>): ('rest' | 'free')[] {
  const { kinds, bass } = readPassage(request);
  return kinds.map((kind, i) => (request.stroke === 'rest' && kind === 'run' && !bass[i] ? 'rest' : 'free'));
}
/** The stroke that a line begins with: rest strokes where all of it is a run. */
export const usualStroke = (request: Pick<LineRequest, 'notes' | 'bpm' | 'profile'>): 'rest' | 'free' =>
  readPassage(request).kinds.every((k) => k === 'run') ? 'rest' : 'free';

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
