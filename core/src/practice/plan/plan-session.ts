import { fact } from '../../fault/index.js';
import { DEFAULT_PROFILE } from '../../player/index.js';
import { courseWith } from '../course.js';
import { daysBetween, LONG_BREAK_DAYS } from '../log.js';
import { dueChecks } from '../due-checks.js';
import { BLOCK_KINDS, type PlannedBlock } from '../records.js';
import { allot, HALVES, type Wanted } from './allot.js';
import { blocksOf, checksOf, formLast, pairForGoal, warmUp } from './blocks.js';
import { breakHalves, breaksIn, withBreaks } from './breaks.js';
import { daysLeft, type Focus, focuses, goalsOf, NEAR_DAYS } from './focus.js';
import type { PlanNote } from './reason.js';
import { type SectionWork, sectionWork } from '../section-work.js';
import type { Session, SessionRequest } from './session.js';
import { conditionOf } from './standing.js';

/** Minutes that a session can be planned for. */
export const SHORTEST_PLAN = 3;
export const LONGEST_PLAN = 180;
/** So little time is for one thing. */
const SHORT_PLAN = 15;
/** From so many minutes on there is time for two sections, whether or not the second presses. */
const LONG_PLAN = 40;

export interface PlannedSession {
  readonly minutes: number;
  /** They fill the minutes. */
  readonly blocks: readonly PlannedBlock[];
  /** What holds for all of it. */
  readonly notes: readonly PlanNote[];
}

/**
 * A session that fills the minutes, in the order in which a teacher has it: warm up, the right hand alone, shapes as
 * blocks, together, the hardest changes, weak pairs, one burst, what falls due cold, the form last. What was not clean
 * comes first, nothing comes twice. After more than ten days, after pain and before a date it is another session.
 * @throws RangeError where the minutes are no whole number within bounds
 * @example planSession({ minutes: 10, studies: [], log: [], goals: [], today: '2026-03-01', hands: [] }).blocks.length // 1
 */
export function planSession(request: SessionRequest): PlannedSession {
  const { minutes, studies, goals, today, hands, open = null } = request;
  // A clock was set back: days to come say nothing. One day may be a journey.
  const log = request.log.filter((e) => daysBetween(today, e.startedAt) <= 1);
  const asked = { ...request, log };
  const courses = (asked.courses ?? []).map((c) => courseWith(c, log));
  if (!Number.isInteger(minutes) || minutes < SHORTEST_PLAN || minutes > LONGEST_PLAN)
    throw new RangeError(`minutes: ${minutes} is no whole number from ${SHORTEST_PLAN} to ${LONGEST_PLAN}`);
  const condition = conditionOf(log, today);
  const after = condition.pain ? 'pain' : (condition.gap ?? 0) > LONG_BREAK_DAYS ? 'break' : null;
  const session: Session = { ...asked, hand: hands[0] ?? DEFAULT_PROFILE, condition, after };
  const ranked = focuses({ studies, log, goals, courses, today, open });
  if (ranked.length === 0)
    return { minutes, blocks: [{ kind: 'own', bpm: null, minutes, why: fact('nothing written') }], notes: [] };
  const due = dueChecks(log, studies, today);
  const checks = checksOf(session, due);
  const breaks = breaksIn(session);
  const halves = minutes * HALVES - breaks * breakHalves(minutes);
  const blocks = asTaught(allot(wantedFor(session, ranked, checks, halves), halves));
  return {
    minutes,
    blocks: withBreaks(blocks, breaks, session),
    notes: notesOn(session, due.length - blocks.filter((b) => b.kind === 'check').length),
  };
}

/** More sections are taken up while the time is not filled by those that come first. */
function wantedFor(
  session: Session,
  ranked: readonly Focus[],
  checks: ReturnType<typeof checksOf>,
  halves: number,
): Wanted[] {
  const { minutes } = session;
  const two = minutes >= LONG_PLAN || (minutes >= SHORT_PLAN && ranked.filter((f) => f.presses).length > 1);
  const works: [Focus, SectionWork][] = [];
  let wanted: Wanted[] = [];
  for (const focus of ranked) {
    works.push([focus, sectionWork(focus.section, focus.study, session.hand)]);
    wanted = inOrder(session, works, checks);
    const filled = wanted.reduce((sum, w) => sum + w.most, 0) >= halves;
    if (filled && works.length >= (two ? 2 : 1)) break;
  }
  return wanted;
}

/** All that a session would have, in its order, nothing twice. A check of what is worked on stands before that work. */
function inOrder(
  session: Session,
  works: readonly (readonly [Focus, SectionWork])[],
  checks: ReturnType<typeof checksOf>,
) {
  const goals = goalsOf(session);
  const taken = works.map(([focus]) => focus);
  const isWorkedOn = ({ of }: (typeof checks)[number]) =>
    taken.some((f) => f.study.id === of.studyId && f.section.id === of.sectionId);
  const form = formLast(session, taken, goals);
  const work = [
    ...(session.after === 'pain' ? [] : goals.filter((g) => g.kind === 'finger pair')).map((g) =>
      pairForGoal(session, g, works),
    ),
    ...works.flatMap(([focus, own], n) => blocksOf(session, focus, own, n === 0)),
    ...checks.flatMap((c) => (isWorkedOn(c) ? [] : [c.wanted])),
    ...(form ? [form] : []),
  ];
  return once([
    warmUp(session),
    ...checks.flatMap((c) => (isWorkedOn(c) ? [c.wanted] : [])),
    ...work.sort((a, b) => order(a.block) - order(b.block)),
  ]);
}
const order = ({ kind }: Pick<PlannedBlock, 'kind'>) => BLOCK_KINDS.indexOf(kind === 'course' ? 'together' : kind);
/** A check of what the time was too short to work on has its place among the others. */
function asTaught(blocks: readonly PlannedBlock[]): PlannedBlock[] {
  const key = ({ about }: PlannedBlock) => `${about?.studyId ?? ''} ${about?.sectionId ?? ''}`;
  const worked = new Set(blocks.filter((b) => b.kind !== 'check' && b.kind !== 'form').map(key));
  const place = (b: PlannedBlock) => (b.kind === 'check' && worked.has(key(b)) ? order({ kind: 'warm-up' }) : order(b));
  return [...blocks].sort((a, b) => place(a) - place(b));
}
/** Nothing twice: of two of one kind about one matter the first. */
function once(wanted: readonly Wanted[]): Wanted[] {
  const seen = new Set<string>();
  return wanted.filter(({ block: { kind, about, goal } }) => {
    const what = JSON.stringify([kind, about?.studyId, about?.sectionId, about?.drill, about ? null : goal]);
    return !seen.has(what) && seen.add(what);
  });
}

/** What is said of a session as a whole. */
function notesOn(session: Session, left: number): PlanNote[] {
  const { minutes, today, after, condition } = session;
  const [dated] = goalsOf(session)
    .filter((g) => daysLeft(g, today) <= NEAR_DAYS)
    .sort((a, b) => daysLeft(a, today) - daysLeft(b, today));
  const notes: (PlanNote | null)[] = [
    condition.pain &&
      fact('after pain', condition.pain.days, ...(condition.pain.bpm === null ? [] : [condition.pain.bpm])),
    after === 'break' ? fact('after a long break', condition.gap ?? 0) : null,
    dated ? fact('before a date', dated.name, daysLeft(dated, today)) : null,
    condition.tension ? fact('hand was tense') : null,
    minutes < SHORT_PLAN ? fact('time is short') : null,
    left > 0 ? fact('checks left for later', left) : null,
  ];
  return notes.filter((n) => n !== null);
}
