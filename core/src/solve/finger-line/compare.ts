import type { Fact } from '../../fault/index.js';
import type { SearchWatch } from '../../search/index.js';
import type { Finger } from '../../stroke/index.js';
import { bpm } from '../../time/index.js';
import { fromThickest, readPassage } from '../../passage/index.js';
import { DEFAULT_PROFILE } from '../../player/index.js';
import { crossing } from './cost.js';
import { fingerLine } from './finger-line.js';
import type { LineAnswer, LineNote, LineRefusal, LineRequest } from './model.js';
import { LINE_SCHOOLS, type LineSchool } from './schools.js';

export interface SchoolLine {
  readonly school: LineSchool;
  /** Its best fingering, or why it has none. */
  readonly answer: LineAnswer | null;
  readonly infeasible: readonly Fact<LineRefusal>[];
  /** Notes where its fingers differ from the first school's. */
  readonly differs: readonly number[];
}
/** Whoever has time may play what is low. */
const SLOW = bpm(40);
/** Schools that go with a line: those with the thumb only where it has a bass. */
export function schoolsFor(notes: readonly LineNote[]): LineSchool[] {
  const { bass } = readPassage({ notes, bpm: SLOW, profile: DEFAULT_PROFILE });
  const basses = bass.some((b) => b);
  return LINE_SCHOOLS.filter((s) => s.taught || basses || !s.fingers.includes('p'));
}

/** The best fingering under each school side by side, with the notes that differ from the first's. */
export function compareSchools(
  request: Omit<LineRequest, 'school' | 'k'>,
  schools: readonly LineSchool[] = LINE_SCHOOLS,
  watch: SearchWatch = {},
): SchoolLine[] {
  const lines = schools.map((school, n) => {
    watch.progress?.(n / schools.length);
    const result = fingerLine({ ...request, school, k: 1 }, watch);
    return {
      school,
      answer: result.infeasible ? null : (result.answers[0] ?? null),
      infeasible: result.infeasible ?? [],
    };
  });
  const first = lines.find((l) => l.answer)?.answer?.steps;
  return lines.map((l) => ({
    ...l,
    differs: (l.answer?.steps ?? []).flatMap((f, i) => (f.join() === first?.[i]?.join() ? [] : [i])),
  }));
}

export interface CrossingMark {
  readonly index: number;
  readonly kind: 'natural' | 'awkward';
}
/** Every change of string between single fingered notes, as natural or awkward. */
export function crossingsOf(notes: readonly LineNote[], fingers: readonly (readonly Finger[])[]): CrossingMark[] {
  return notes.flatMap((note, i): CrossingMark[] => {
    const before = notes[i - 1];
    const [a, b] = [fingers[i - 1]?.[0], fingers[i]?.[0]];
    if (!before || !a || !b || note.strings.length > 1 || before.strings.length > 1) return [];
    const way = crossing(a, before.strings[0] ?? 1, b, note.strings[0] ?? 1);
    return way === 0 ? [] : [{ index: i, kind: way > 0 ? 'natural' : 'awkward' }];
  });
}

export interface AnchorChange {
  readonly index: number;
  readonly thumb: 'rests on 6' | 'lifts';
}
/** Where the thumb's anchor comes and goes: it rests on 6 while fingers play 1 to 3, and lifts from 4 on or to play. */
export function anchorPlan(notes: readonly LineNote[], fingers: readonly (readonly Finger[])[]): AnchorChange[] {
  const changes: AnchorChange[] = [];
  notes.forEach((note, i) => {
    const thickest = fromThickest(note)[0] ?? 1;
    const thumb = thickest >= 4 || (fingers[i] ?? []).includes('p') ? 'lifts' : 'rests on 6';
    if (changes.at(-1)?.thumb !== thumb) changes.push({ index: i, thumb });
  });
  return changes;
}
