import type { Instrument } from '../instrument/index.js';
import type { Shape } from '../left-hand/index.js';
import type { Section } from '../piece/index.js';
import type { HandProfile } from '../player/index.js';
import { flatten, mapLeaves, type Pattern, writeOut, writeSteps } from '../script/index.js';
import { fingerLine, lineSchool, TAUGHT } from '../solve/finger-line/index.js';
import type { SearchWatch } from '../search/index.js';
import {
  fretLine,
  type FretLineRequest,
  type FretLineResult,
  type FretNote,
  fretSchool,
  type Placed,
} from '../solve/fret-line/index.js';
import type { Finger, LeftFinger, Stop, Stroke } from '../stroke/index.js';
import {
  fingersByShape,
  isOpen,
  type LeftRun,
  leftRuns,
  type Played,
  type RightRun,
  rightRuns,
  stopsOf,
  wantsLeft,
} from './hand-runs.js';

/** A pattern in which every finger has its place, and the slots where one was not written. */
export interface WorkedOut {
  readonly pattern: Pattern;
  readonly workedOut: ReadonlySet<number>;
}
/** Schools by which fingers are worked out while one writes. */
export const WRITING_SCHOOLS = { left: 'position', right: TAUGHT } as const;

/**
 * Fingers that are not written worked out: right-hand fingers at `?` along their run, left-hand fingers of frets by the
 * shape that is held, or along the line where none is. What is written is a pin. Where nothing is open, the pattern
 * itself comes back.
 */
export function workOut(
  pattern: Pattern,
  section: Section,
  place: { readonly instrument: Instrument; readonly shapes: readonly Shape[] },
  profile: HandProfile,
): WorkedOut {
  const { events } = flatten(pattern);
  if (!events.some((e) => isOpen(e) || wantsLeft(e))) return { pattern, workedOut: new Set() };
  const played = { section, ...place, profile };
  return withFingers(pattern, played, {
    right: rightRuns(events, played).map((run) => [run, bestRight(run, section)] as const),
    left: leftRuns(events, played).map((run) => [run, bestLeft(run, section)] as const),
  });
}
function bestRight({ request }: RightRun, { bpm }: Section) {
  const { profile, notes } = request;
  const hand = `${JSON.stringify([profile.returnMs, profile.habits])} ${profile.jointMs} ${profile.thumbJointMs}`;
  return kept(`r ${bpm} ${hand} ${JSON.stringify(notes)}`, () => {
    const result = fingerLine({ ...request, school: lineSchool(WRITING_SCHOOLS.right), k: 1 });
    return result.infeasible ? null : (result.answers[0]?.steps ?? null);
  });
}
function bestLeft({ request }: LeftRun, { bpm }: Section) {
  const { profile, neck, tuning, events } = request;
  const hand = [profile.left ?? profile.span, profile.scaleLength, tuning, neck.capo];
  return kept(`l ${bpm} ${JSON.stringify([hand, events])}`, () => {
    const result = frettings({ ...request, school: fretSchool(WRITING_SCHOOLS.left), k: 1 });
    return result.infeasible ? null : (result.answers[0]?.steps ?? null);
  });
}

/** Ways to finger a run; where not all that is to ring can be held, it may be let go. */
export function frettings(ask: FretLineRequest, watch: SearchWatch = {}): FretLineResult {
  const result = fretLine(ask, watch);
  if (!result.infeasible) return result;
  const ringless = (n: FretNote): FretNote => ({
    midi: n.midi,
    ...(n.string === undefined ? {} : { string: n.string }),
    ...(n.finger === undefined ? {} : { finger: n.finger }),
  });
  const events = ask.events.map((e) => ({ ...e, notes: e.notes.map(ringless) }));
  return fretLine({ ...ask, events }, watch);
}

/** What was found for each run; null where nothing was. */
export interface FoundFingers {
  readonly right: readonly (readonly [RightRun, readonly (readonly Finger[])[] | null])[];
  readonly left: readonly (readonly [LeftRun, readonly (readonly Placed[])[] | null])[];
}
/** The pattern with fingers that were found in their places; what is written stays. */
export function withFingers(pattern: Pattern, played: Played, { right, left }: FoundFingers): WorkedOut {
  const { events } = flatten(pattern);
  const strokes = new Map<number, Stroke>();
  for (const [run, steps] of right)
    run.events.forEach((e, i) => {
      const fingers = steps?.[i];
      if (!isOpen(e) || !fingers) return;
      const stroke: { -readonly [K in keyof Stroke]: Stroke[K] } = { ...(e.motion as Stroke), fingers };
      delete stroke.open;
      strokes.set(e.slot, stroke);
    });
  const stopped = fingersByShape(events, played);
  for (const [run, steps] of left)
    run.events.forEach((e, i) => {
      const placed = steps?.[i];
      if (!wantsLeft(e) || !placed) return;
      const fingers: (LeftFinger | null)[] = [];
      for (const s of stopsOf(e)) fingers[s.index] = placed.find((p) => p.string === s.string)?.finger ?? null;
      stopped.set(e.slot, fingers);
    });
  const written = mapLeaves(writeOut(pattern), (step, slot) => {
    const own = step.kind === 'stroke' ? (strokes.get(slot) ?? step) : step;
    const fingers = stopped.get(slot);
    if (!fingers) return own;
    if (own.kind === 'ligado') return own.stop ? { ...own, stop: withFinger(own.stop, fingers[0]) } : own;
    if (own.kind !== 'stroke' || !own.stops) return own;
    return { ...own, stops: own.stops.map((s, i) => (s ? withFinger(s, fingers[i]) : s)) };
  });
  return { pattern: written, workedOut: new Set(events.filter((e) => isOpen(e) || wantsLeft(e)).map((e) => e.slot)) };
}
const withFinger = (stop: Stop, finger: LeftFinger | null | undefined): Stop =>
  stop.finger !== undefined || stop.fret === 0 || finger === null || finger === undefined || finger === 0
    ? stop
    : { ...stop, finger };

/**
 * The script with every finger that was worked out written into it.
 * @returns the script itself where nothing is open
 */
export function writeWorkedOut(script: string, pattern: Pattern, { pattern: worked, workedOut }: WorkedOut): string {
  if (workedOut.size === 0) return script;
  const { slots } = flatten(worked);
  const steps = new Map([...workedOut].flatMap((n) => (slots[n] ? [[n, slots[n].step] as const] : [])));
  return writeSteps(script, pattern, flatten(pattern), steps);
}

/** Runs are solved once while the rest of the script is typed. */
const answers = new Map<string, unknown>();
const MOST_KEPT = 400;
function kept<T>(key: string, solve: () => T): T {
  if (answers.has(key)) return answers.get(key) as T;
  const now = solve();
  if (answers.size >= MOST_KEPT) answers.clear();
  answers.set(key, now);
  return now;
}
