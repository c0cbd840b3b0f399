import type { Section, Study } from '../../piece/index.js';
import type { HandProfile } from '../../player/index.js';
import { type Bpm, clampBpm } from '../../time/index.js';
import { isAbout, type LogEntry, nextTempo } from '../log.js';
import type { Course, Goal } from '../records.js';
import type { Condition } from './standing.js';

export interface SessionRequest {
  /** A whole number from `SHORTEST_PLAN` to `LONGEST_PLAN`. */
  readonly minutes: number;
  readonly studies: readonly Study[];
  /** Lines of any order. */
  readonly log: readonly LogEntry[];
  readonly goals: readonly Goal[];
  /** ISO day. */
  readonly today: string;
  /** The hand that plays comes first; without one a usual hand. */
  readonly hands: readonly HandProfile[];
  readonly courses?: readonly Course[];
  /** What the player has open: it comes before what is merely longest ago. */
  readonly open?: { readonly studyId: string; readonly sectionId: string };
}
/** What every block of a session is made from. */
export interface Session extends SessionRequest {
  readonly hand: HandProfile;
  readonly condition: Condition;
  /** What makes it another session than usual. */
  readonly after: 'pain' | 'break' | null;
}

/** After pain nothing is played above the tempo at which it came. */
export function capped({ condition: { pain } }: Session, tempo: number): Bpm {
  return clampBpm(Math.min(tempo, pain?.bpm ?? Infinity));
}
/** The tempo to begin with, of a section as written or a drill of it. */
export function tempoOf(session: Session, study: Study, section: Section, drill: string | null): Bpm {
  const what = { studyId: study.id, sectionId: section.id, drill, sectionName: section.name };
  const own = session.log.filter((e) => isAbout(e, what));
  return capped(session, nextTempo(own, section.ladder, session.today).bpm);
}
