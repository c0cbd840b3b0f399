import { fact } from '../../fault/index.js';
import type { Study } from '../../piece/index.js';
import type { Finger } from '../../stroke/index.js';
import { clampBpm } from '../../time/index.js';
import type { DueCheck } from '../due-checks.js';
import type { Goal, PlannedBlock, PracticeMatter } from '../records.js';
import { HALVES, type Wanted } from './allot.js';
import { stepOf } from '../course.js';
import { daysLeft, type Focus, NEAR_DAYS } from './focus.js';
import type { BlockReason } from './reason.js';
import { MOST_OF, ROOM, type Room } from './room.js';
import { type ChangeWork, type SectionWork } from '../section-work.js';
import { capped, type Session, tempoOf } from './session.js';

/** The most that a block lasts after pain, in half minutes. */
const MOST_AFTER_PAIN = 8;
/** A burst and the form come only where there are so many minutes. */
const BURST_FROM = 12;
/** Hands apart, likewise. */
const APART_FROM = 10;
const FORM_FROM = 20;
/** Where nothing comes any more, control shows at such a share of the best tempo. */
const PLATEAU_SHARE = 0.6;

/** A block with the room it has; after pain none is longer than a few minutes, and none grows. */
export function wanted(session: Session, block: Wanted['block'], own: Room & Pick<Wanted, 'grows'>): Wanted {
  if (session.after !== 'pain') return { block, ...own };
  const most = Math.min(own.most, MOST_AFTER_PAIN);
  return { block, worth: own.worth, least: Math.min(own.least, most), want: Math.min(own.want, most), most };
}

/** A tenth of the time, some minutes at most. */
export const warmUp = (session: Session): Wanted => {
  const want = Math.max(2, Math.min(ROOM.warmUp.most, Math.round(session.minutes * HALVES * 0.1)));
  return wanted(session, { kind: 'warm-up', bpm: null, why: fact('warm up') }, { ...ROOM.warmUp, want, most: want });
};

/** What is worked on in a section: of the first of a session all of it, of those after it what matters most. */
export function blocksOf(session: Session, focus: Focus, work: SectionWork, first: boolean): Wanted[] {
  const { study, section, standing } = focus;
  const matter = (drill: string | null): PracticeMatter => ({
    studyId: study.id,
    sectionId: section.id,
    ...(drill === null ? {} : { drill }),
  });
  const block = (
    kind: PlannedBlock['kind'],
    drill: string | null,
    why: BlockReason,
    own: Room & Pick<Wanted, 'grows'>,
    bpm: number = tempoOf(session, study, section, drill),
  ): Wanted => wanted(session, { kind, about: matter(drill), bpm, why }, own);
  const less = first ? 0 : 20;
  const blocks: Wanted[] = [];
  const gap = session.condition.gap ?? 0;
  // Where time is short the hands come together at once, but after a break.
  const apart = first && (session.minutes >= APART_FROM || session.after === 'break');
  if (apart && work.rightHand !== null)
    blocks.push(
      session.after === 'break'
        ? block('right hand', work.rightHand, fact('hand first after a break', gap), ROOM.handAfterBreak)
        : block('right hand', work.rightHand, fact('right hand alone'), ROOM.hand),
    );
  if (apart && work.blockChords !== null && (standing.lost === null || work.parts.length === 0))
    blocks.push(block('block chords', work.blockChords, fact('shapes as blocks'), ROOM.chords));
  if (first && standing.lost !== null)
    blocks.push(
      ...work.parts.map((key) =>
        block('together', key, fact('a part of what was lost', standing.lost ?? 0), ROOM.part),
      ),
    );
  blocks.push(together(session, focus, { ...ROOM.together, worth: ROOM.together.worth - less, grows: true }));
  const change = changeToday(session, focus, work);
  if (change) {
    const barre = change.of.barre ? { most: MOST_OF.barre } : {};
    const own = { ...ROOM.change, ...barre, worth: ROOM.change.worth - less };
    blocks.push(block('hard change', change.key, change.why, own));
  }
  const weak = first && session.after !== 'pain' ? weakPair(session, work) : null;
  if (weak) blocks.push(block('weak pair', weak.key, weak.why, ROOM.pair));
  if (first && work.burst !== null && mayBurst(session, focus)) {
    const fast = Math.max(section.ladder.end, section.ladder.start);
    blocks.push(block('burst', work.burst, fact('one burst'), ROOM.burst, capped(session, fast)));
  }
  return blocks;
}
const mayBurst = ({ after, minutes, condition, today }: Session, { goal }: Focus): boolean =>
  after === null && !condition.tension && minutes >= BURST_FROM && (goal === null || daysLeft(goal, today) > NEAR_DAYS);

/** The section as written, on its ladder; a step of a course in its place, far below where nothing comes any more. */
function together(session: Session, { study, section, standing, course, goal, why }: Focus, own: Room): Wanted {
  const about = { studyId: study.id, sectionId: section.id };
  const step = course?.steps[stepOf(course)];
  if (course && step) {
    const drill = step.drill === undefined ? {} : { drill: step.drill };
    const bpm = capped(session, step.bpm ?? tempoOf(session, study, section, step.drill ?? null));
    const minutes = step.minutes === undefined ? {} : { want: step.minutes * HALVES };
    return wanted(
      session,
      { kind: 'course', about: { ...about, ...drill }, course: course.id, step: stepOf(course), bpm, why },
      { ...own, ...minutes },
    );
  }
  const slow = standing.plateau && standing.lost === null && !standing.notClean;
  const bpm = slow
    ? capped(session, clampBpm(Math.round((standing.plateau?.bpm ?? 0) * PLATEAU_SHARE)))
    : tempoOf(session, study, section, null);
  const forGoal = goal ? { goal: goal.id } : {};
  return wanted(session, { kind: 'together', about, ...forGoal, bpm, why }, own);
}

/** What of the changes is worked on: the one that was not clean, else the hardest, at the first step that was never held. */
function changeToday({ after }: Session, { standing }: Focus, { changes }: SectionWork) {
  const may = changes.filter((c) => c.steps.length > 0 && !(after === 'pain' && c.barre));
  const missed = standing.notClean?.drill ?? null;
  const again = may.find((c) => missed !== null && c.steps.includes(missed));
  if (again && missed !== null)
    return { of: again, key: missed, why: fact('change was not clean', again.from, again.to) };
  const [hardest] = may;
  const key = hardest && (hardest.steps.find((k) => !standing.held(k)) ?? hardest.steps.at(-1));
  return hardest && key !== undefined ? { of: hardest, key, why: hardestChange(hardest) } : null;
}
const hardestChange = ({ from, to, neededMs, thereMs }: ChangeWork): BlockReason =>
  fact('hardest change', from, to, neededMs, ...(thereMs === null ? [] : [Math.round(thereMs)]));

/** So much slower than the others a ring finger is a weak one. */
const WEAK_RING = 1.15;
/** A pair with the ring finger where it is slow, else where the hand is tightest. */
function weakPair({ hand: { returnMs } }: Session, { weak, pairs }: SectionWork) {
  const slow = returnMs.a > Math.max(returnMs.i, returnMs.m) * WEAK_RING;
  const ring = slow ? pairs.find((p) => p.fingers.includes('a')) : undefined;
  const found = ring ?? weak;
  if (!found) return null;
  const isPair = pairs.some((p) => p.key === found.key);
  return { key: found.key, why: fact(isPair ? 'weak pair' : 'weakest joint', ...found.fingers) };
}

/** Minutes a day for one pair of fingers, as a goal has it: on the section where there is a drill, else by itself. */
export function pairForGoal(session: Session, goal: Goal, on: readonly (readonly [Focus, SectionWork])[]): Wanted {
  const pair: readonly Finger[] = goal.pair ?? [];
  const fits = (fingers: readonly Finger[]) => fingers.every((f) => pair.includes(f));
  const at = on.flatMap(([focus, work]) => {
    const drill = [...work.pairs, ...(work.weak ? [work.weak] : [])].find((p) => fits(p.fingers));
    return drill ? [{ focus, key: drill.key }] : [];
  })[0];
  const want = Math.min(MOST_OF.pair, (goal.minutesADay ?? 2) * HALVES);
  return wanted(
    session,
    {
      kind: 'weak pair',
      ...(at ? { about: { studyId: at.focus.study.id, sectionId: at.focus.section.id, drill: at.key } } : {}),
      goal: goal.id,
      bpm: at ? tempoOf(session, at.focus.study, at.focus.section, at.key) : null,
      why: fact('goal’s pair', goal.name, ...pair),
    },
    { least: Math.min(2, want), want, most: want, worth: 85 },
  );
}

/** A share of the time at most goes to checks, each half a minute long or a whole one. */
const CHECKS_SHARE = 1 / 3;
/**
 * What falls due, one cold pass each, the most overdue first: all of it, unless the time is too short. After a break it is
 * asked for lower.
 */
export function checksOf(
  session: Session,
  due: readonly DueCheck[],
): { readonly of: DueCheck; readonly wanted: Wanted }[] {
  const halves = Math.floor(session.minutes * HALVES * CHECKS_SHARE);
  const asked = due.slice(0, Math.max(1, halves));
  const most = Math.max(1, Math.min(ROOM.check.most, Math.floor(halves / asked.length)));
  return asked.map((of, n) => {
    const { studyId, sectionId, drill, days, name } = of;
    const study = session.studies.find((s) => s.id === studyId);
    const section = study?.sections.find((s) => s.id === sectionId);
    const lower = session.after === 'break' && study && section ? tempoOf(session, study, section, drill) : Infinity;
    const block = {
      kind: 'check',
      about: { studyId, sectionId, ...(drill === null ? {} : { drill }) },
      bpm: capped(session, Math.min(of.bpm, lower)),
      why: fact('does it hold', name, of.bpm, days),
    } as const;
    return { of, wanted: wanted(session, block, { least: 1, want: most, most, worth: ROOM.check.worth - n / 1_000 }) };
  });
}

/** The form of what is worked on, or of what a goal wants from memory; not after pain, and not where there is no time. */
export function formLast(session: Session, focuses: readonly Focus[], goals: readonly Goal[]): Wanted | null {
  if (session.after === 'pain') return null;
  const whole = (study: Study | undefined) => study !== undefined && (study.sections.length > 1 || study.form !== '');
  const asked = goals.find((g) => g.about !== undefined && (g.kind === 'form from memory' || near(session, g)));
  const study = session.studies.find((s) => s.id === asked?.about?.studyId);
  const form = (of: Study, why: BlockReason, own: Room, goal?: Goal) =>
    wanted(
      session,
      { kind: 'form', about: { studyId: of.id }, ...(goal ? { goal: goal.id } : {}), bpm: null, why },
      { ...own, grows: true },
    );
  if (asked && study)
    return near(session, asked)
      ? form(
          study,
          fact('form before its date', asked.name, daysLeft(asked, session.today)),
          ROOM.formBeforeDate,
          asked,
        )
      : form(study, fact('form from memory', asked.name), { ...ROOM.form, worth: 85 }, asked);
  const first = focuses.find((f) => whole(f.study))?.study;
  if (!first || session.minutes < FORM_FROM) return null;
  return form(first, fact('form last'), ROOM.form);
}
const near = ({ today }: Session, goal: Goal): boolean => daysLeft(goal, today) <= NEAR_DAYS;
