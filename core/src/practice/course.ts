import { cleanName } from '../name/index.js';
import type { Section, Study } from '../piece/index.js';
import type { HandProfile } from '../player/index.js';
import { clampBpm } from '../time/index.js';
import { type LogEntry, reached } from './log.js';
import { sectionWork } from './section-work.js';
import type { Course, CourseStep, Gate } from './records.js';

/** On so many days a step has to hold; the fast ones on more. */
const DAYS = 2;
const DAYS_FAST = 3;

/**
 * A section's own course, in the order in which it is learned: the right hand alone, the shapes as blocks, the hardest
 * change, as written, then faster by halves of its ladder. Each gate asks for as many clean passes as the ladder does.
 * @param begun ISO day
 */
export function courseFor(section: Section, study: Study, hand: HandProfile, id: string, begun: string): Course {
  const { start, end, passes } = section.ladder;
  const work = sectionWork(section, study, hand);
  const gate = (days: number): Gate => ({ clean: passes, days, by: 'mark' });
  const step = (what: CourseStep['what'], bpm: number, more: Partial<CourseStep> = {}): CourseStep => ({
    what,
    text: '',
    bpm: clampBpm(bpm),
    gate: gate(DAYS),
    passed: [],
    ...more,
  });
  const [change] = work.changes;
  const first = change?.steps[0];
  const dead = work.rightHand?.startsWith('muted');
  const steps: CourseStep[] = [
    ...(work.rightHand === null
      ? []
      : [step(dead ? 'dead strings' : 'right hand alone', start, { drill: work.rightHand })]),
    ...(work.blockChords === null ? [] : [step('all chords', start, { drill: work.blockChords })]),
    ...(change && first !== undefined
      ? [step('own', start, { drill: first, text: `${change.from} → ${change.to}` })]
      : []),
    step('as written', start),
    ...(end > start
      ? [(start + end) / 2, end].map((bpm) => step('faster', Math.round(bpm), { gate: gate(DAYS_FAST) }))
      : []),
  ];
  return {
    id,
    name: cleanName(section.name),
    about: { studyId: study.id, sectionId: section.id },
    steps,
    begun,
    note: '',
  };
}
/** Days on which a step's gate was passed, each once. */
const daysOf = (days: readonly string[]): string[] => [...new Set(days.map((d) => d.slice(0, 10)))].sort();
/** The days on which a step's gate was passed, each once, earliest first. */
export const passedDays = ({ passed }: CourseStep): readonly string[] => daysOf(passed);
export const isPassed = (step: CourseStep): boolean => passedDays(step).length >= step.gate.days;

/** The step that a course stands at; -1 when all are passed. */
export const stepOf = (course: Course): number => course.steps.findIndex((s) => !isPassed(s));

/**
 * A course with what the log says of it: a day counts for a step when its gate's clean passes were played in a row at its
 * tempo or above, of what it plays. A step counts once those before it are passed.
 * @param log lines of any order
 */
export function courseWith(course: Course, log: readonly LogEntry[]): Course {
  const about = log.filter(
    (e) =>
      e.studyId === course.about.studyId &&
      (course.about.sectionId === undefined || e.sectionId === course.about.sectionId) &&
      e.startedAt.slice(0, 10) >= course.begun.slice(0, 10),
  );
  let open = true;
  const steps = course.steps.map((step) => {
    if (!open) return step;
    const held = about.filter(
      (e) => (e.drill ?? null) === (step.drill ?? null) && (reached(e, step.gate.clean) ?? 0) >= (step.bpm ?? 1),
    );
    const now = { ...step, passed: daysOf([...step.passed, ...held.map((e) => e.startedAt)]).slice(0, step.gate.days) };
    open = isPassed(now);
    return now;
  });
  return { ...course, steps };
}
