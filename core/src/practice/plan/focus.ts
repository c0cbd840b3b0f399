import { type Fact, fact } from '../../fault/index.js';
import type { Section, Study } from '../../piece/index.js';
import { stepOf } from '../course.js';
import { dueChecks, type DueCheck } from '../due-checks.js';
import { daysBetween, type LogEntry } from '../log.js';
import type { Course, Goal } from '../records.js';
import { type BlockReason } from './reason.js';
import { type Standing, standingOf } from './standing.js';

/** A section that today's session may work on. */
export interface Focus {
  readonly study: Study;
  readonly section: Section;
  readonly standing: Standing;
  readonly why: BlockReason;
  readonly goal: Goal | null;
  readonly course: Course | null;
  /** Something asks for it today: what was missed, a date, a course, a goal. */
  readonly presses: boolean;
  readonly rank: number;
}
/** What a session is planned from. */
export interface Asked {
  readonly studies: readonly Study[];
  readonly log: readonly LogEntry[];
  readonly goals: readonly Goal[];
  readonly courses: readonly Course[];
  readonly today: string;
  /** What the player has open. */
  readonly open: { readonly studyId: string; readonly sectionId: string } | null;
}
/** A date so near that nothing new is begun. */
export const NEAR_DAYS = 7;

/** Goals that are worked for today: begun, not reached, their day not gone. */
export const goalsOf = ({ goals, today }: Pick<Asked, 'goals' | 'today'>): Goal[] =>
  goals.filter(
    (g) =>
      g.reached === undefined &&
      daysBetween(g.begun, today) >= 0 &&
      (g.by === undefined || daysBetween(today, g.by) >= 0),
  );
/** Days until a goal's date; Infinity without one. */
export const daysLeft = (goal: Goal, today: string): number =>
  goal.by === undefined ? Infinity : daysBetween(today, goal.by);
const about = (
  matter: { readonly studyId: string; readonly sectionId?: string } | undefined,
  studyId: string,
  sectionId: string,
) => matter?.studyId === studyId && (matter.sectionId === undefined || matter.sectionId === sectionId);

/**
 * What today's session works on, the most pressing first: what was not clean or was lost, what a date, a course or a goal
 * asks for, what is open, then what was played longest ago. What held for a week and falls due is checked rather than
 * worked on, unless something presses.
 */
export function focuses(asked: Asked): Focus[] {
  const { studies, log, today } = asked;
  const goals = goalsOf(asked);
  const due = dueChecks(log, studies, today);
  const all = studies.flatMap((study) =>
    study.sections
      .filter((s) => s.script.trim() !== '')
      .map((section): Focus => focusOf(study, section, asked, goals, due)),
  );
  // Sorting keeps the order of the shelf where nothing else tells two apart.
  return all.sort((a, b) => b.rank - a.rank || (b.standing.days ?? -1) - (a.standing.days ?? -1));
}

function focusOf(
  study: Study,
  section: Section,
  { studies, log, courses, today, open }: Asked,
  goals: readonly Goal[],
  checks: readonly DueCheck[],
): Focus {
  const here = { studyId: study.id, sectionId: section.id, ladder: section.ladder };
  const standing = standingOf(log, studies, here, today);
  const due = checks.find((c) => c.studyId === study.id && c.sectionId === section.id && c.drill === null);
  const holds =
    due !== undefined && (due.step >= HOLDS_FROM || due.bpm >= Math.max(section.ladder.start, section.ladder.end));
  const nearest = [...goals].sort((a, b) => daysLeft(a, today) - daysLeft(b, today));
  const goal = nearest.find((g) => about(g.about, study.id, section.id)) ?? null;
  const course = courses.find((c) => about(c.about, study.id, section.id) && stepOf(c) >= 0) ?? null;
  const isOpen = open?.studyId === study.id && open.sectionId === section.id;
  const [rank, why] = pressing({ standing, goal, course, isOpen }, today);
  const presses = rank >= PRESSING;
  const later = holds && !presses && !standing.plateau ? BEHIND : 0;
  return { study, section, standing, why, goal, course, presses, rank: rank - later };
}
const PRESSING = 20;
/** What holds comes behind all that nothing presses for. */
const BEHIND = 20;
/** The check after a week: what passes it holds. */
const HOLDS_FROM = 2;

function pressing(
  {
    standing: { notClean, lost, plateau, days },
    goal,
    course,
    isOpen,
  }: Pick<Focus, 'standing' | 'goal' | 'course'> & { readonly isOpen: boolean },
  today: string,
): [number, BlockReason] {
  const open = isOpen ? 1 : 0;
  const left = goal ? daysLeft(goal, today) : Infinity;
  if (lost !== null) return [60 + open, fact('was lost', lost)];
  if (notClean) return [50 + open, fact('was not clean', days ?? 0)];
  if (goal && left <= NEAR_DAYS) return [40 + open, fact('goal by its date', goal.name, left)];
  if (course) return [30 + open, courseStep(course)];
  if (goal) return [20 + open, ofGoal(goal, left)];
  if (plateau) return [10 + open, fact('slow on a plateau', plateau.bpm, plateau.sessions)];
  if (isOpen) return [3, fact('is open')];
  if (days === null) return [0, fact('never played')];
  // What was laid aside long ago waits behind what is being learned.
  return [days <= LEARNING_DAYS ? 2 : 1, fact('longest ago', days)];
}
const LEARNING_DAYS = 30;

function ofGoal(goal: Goal, left: number): Fact<'goal by its date' | 'goal’s tempo' | 'goal’s piece'> {
  if (goal.bpm !== undefined) return fact('goal’s tempo', goal.name, goal.bpm);
  return left === Infinity ? fact('goal’s piece', goal.name) : fact('goal by its date', goal.name, left);
}
const courseStep = (course: Course): BlockReason =>
  fact('step of a course', course.name, stepOf(course) + 1, course.steps.length);
