import { heldChords } from '../chart/index.js';
import type { Instrument } from '../instrument/index.js';
import { fingersOver, OPEN_SHAPE, type Shape } from '../left-hand/index.js';
import type { Section } from '../piece/index.js';
import { type HandProfile, neckOf } from '../player/index.js';
import { soundStroke } from '../right-hand/index.js';
import { flatten, mapLeaves, type Pattern, type PatternEvent, writeOut, writeSteps } from '../script/index.js';
import { fingerLine, type LineNote, lineSchool } from '../solve/finger-line/index.js';
import { type FretEvent, fretLine, fretSchool } from '../solve/fret-line/index.js';
import { type LeftFinger, numberedStrings, type Stop, type Stroke } from '../stroke/index.js';
import { bpm, STRINGS, ticks, wrap } from '../time/index.js';

/** A pattern in which every finger has its place, and the slots where one was not written. */
export interface WorkedOut {
  readonly pattern: Pattern;
  readonly workedOut: ReadonlySet<number>;
}
/** Events of a run that is solved on its own: what is typed in one leaves the others as they are. */
const LONGEST_RUN = 48;
/** A rest so long parts two runs, in ticks. */
const PARTED_BY = 5_040;

interface Place {
  readonly instrument: Instrument;
  readonly shapes: readonly Shape[];
}
const isOpen = (e: PatternEvent): boolean => e.motion.kind === 'stroke' && (e.motion.open ?? 0) > 0;
const unfingered = (stop: Stop | null | undefined): boolean => !!stop && stop.fret > 0 && stop.finger === undefined;
const wantsLeft = ({ motion }: PatternEvent): boolean =>
  motion.kind === 'ligado'
    ? unfingered(motion.stop)
    : motion.kind === 'stroke' && (motion.stops ?? []).some(unfingered);

/**
 * Fingers that are not written worked out: right-hand fingers at `?` along their run, left-hand fingers of frets by the
 * shape that is held, or along the line where none is. What is written is a pin. Where nothing is open, the pattern
 * itself comes back.
 */
export function workOut(pattern: Pattern, section: Section, place: Place, profile: HandProfile): WorkedOut {
  const flat = flatten(pattern);
  const open = flat.events.filter((e) => isOpen(e) || wantsLeft(e));
  if (open.length === 0) return { pattern, workedOut: new Set() };
  const shapeOf = shapesUnder(section, place.shapes);
  const right = flat.events.some(isOpen)
    ? rightFingers(flat.events, section, place, profile, shapeOf)
    : new Map<number, Stroke>();
  const left = leftFingers(flat.events, section, place, profile, shapeOf);
  const written = mapLeaves(writeOut(pattern), (step, slot) => {
    const own = step.kind === 'stroke' ? (right.get(slot) ?? step) : step;
    const fingers = left.get(slot);
    if (!fingers) return own;
    if (own.kind === 'ligado') return own.stop ? { ...own, stop: withFinger(own.stop, fingers[0]) } : own;
    if (own.kind !== 'stroke' || !own.stops) return own;
    return { ...own, stops: own.stops.map((s, i) => (s ? withFinger(s, fingers[i]) : s)) };
  });
  return { pattern: written, workedOut: new Set(open.map((e) => e.slot)) };
}
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
const withFinger = (stop: Stop, finger: LeftFinger | null | undefined): Stop =>
  stop.finger !== undefined || stop.fret === 0 || finger === null || finger === undefined || finger === 0
    ? stop
    : { ...stop, finger };

/** The shape under a place of the pattern, in its first pass. */
function shapesUnder(section: Section, shapes: readonly Shape[]): (at: number) => Shape {
  const held = heldChords(section, shapes);
  const length = held.at(-1)?.until ?? 0;
  if (length === 0) return () => OPEN_SHAPE;
  return (at) => {
    const here = wrap(at + section.start, length);
    return held.find((c) => here >= c.at && here < c.until)?.shape ?? OPEN_SHAPE;
  };
}

/** Runs of events that belong together: cut at rests, and where they grow too long. */
function runsOf(events: readonly PatternEvent[]): PatternEvent[][] {
  const runs: PatternEvent[][] = [];
  for (const e of events) {
    const run = runs.at(-1);
    const last = run?.at(-1);
    if (!run || !last || run.length >= LONGEST_RUN || e.at - (last.at + last.duration) >= PARTED_BY) runs.push([e]);
    else run.push(e);
  }
  return runs;
}

type ShapeUnder = (at: number) => Shape;

function rightFingers(
  events: readonly PatternEvent[],
  section: Section,
  { instrument }: Place,
  profile: HandProfile,
  shapeOf: ShapeUnder,
): Map<number, Stroke> {
  const found = new Map<number, Stroke>();
  const plucked = events.filter((e) => e.motion.kind === 'stroke' && e.motion.dir === null);
  for (const run of runsOf(plucked)) {
    if (!run.some(isOpen)) continue;
    const first = run[0]?.at ?? 0;
    const notes = run.map((e): LineNote => {
      const motion = e.motion as Stroke;
      const strings = soundStroke(motion, shapeOf(e.at), instrument).map((n) => n.string);
      const sorted = [...strings].sort((a, b) => b - a);
      return {
        at: ticks(e.at - first),
        strings: sorted,
        ...(isOpen(e) ? {} : { pinned: motion.fingers }),
        ...(motion.marks.includes('~') ? { rings: true } : {}),
        ...(motion.marks.includes('!') ? { accent: 1 } : {}),
      };
    });
    const answer = kept(
      `r ${section.bpm} ${JSON.stringify(profile.returnMs)} ${profile.jointMs} ${profile.thumbJointMs} ${JSON.stringify(notes)}`,
      () => {
        const result = fingerLine({
          notes,
          bpm: bpm(section.bpm),
          profile,
          school: lineSchool('fingering'),
          stroke: 'free',
          k: 1,
        });
        return result.infeasible ? null : (result.answers[0]?.steps ?? null);
      },
    );
    run.forEach((e, i) => {
      const fingers = answer?.[i];
      if (!isOpen(e) || !fingers) return;
      const stroke: { -readonly [K in keyof Stroke]: Stroke[K] } = { ...(e.motion as Stroke), fingers };
      delete stroke.open;
      found.set(e.slot, stroke);
    });
  }
  return found;
}

/** Left fingers of each slot's frets, in the order of its strings. */
function leftFingers(
  events: readonly PatternEvent[],
  section: Section,
  place: Place,
  profile: HandProfile,
  shapeOf: ShapeUnder,
): Map<number, readonly (LeftFinger | null)[]> {
  const found = new Map<number, readonly (LeftFinger | null)[]>();
  const fretted = events.filter((e) => stopsOf(e).length > 0);
  for (const e of fretted)
    if (wantsLeft(e) && shapeOf(e.at) !== OPEN_SHAPE) found.set(e.slot, byShape(stopsOf(e), shapeOf(e.at)));
  const alone = fretted.filter((e) => shapeOf(e.at) === OPEN_SHAPE);
  for (const run of runsOf(alone)) if (run.some(wantsLeft)) alongTheLine(run, section, place, profile, found);
  return found;
}
interface Stopped extends Stop {
  readonly string: (typeof STRINGS)[number];
  /** Its place among the stroke's strings. */
  readonly index: number;
}
const stopsOf = ({ motion }: PatternEvent): Stopped[] => {
  if (motion.kind === 'ligado') return motion.stop ? [{ ...motion.stop, string: motion.string, index: 0 }] : [];
  if (motion.kind !== 'stroke') return [];
  return (numberedStrings(motion) ?? []).flatMap((string, index) => {
    const stop = motion.stops?.[index];
    return stop ? [{ ...stop, string, index }] : [];
  });
};

/** Over a held shape, by the stroke's strings. */
function byShape(stops: readonly Stopped[], shape: Shape): (LeftFinger | null)[] {
  const fingers: (LeftFinger | null)[] = [];
  const found = fingersOver(shape, stops);
  stops.forEach((s, i) => (fingers[s.index] = found[i] ?? null));
  return fingers;
}

/** Without a shape: along the line, by the solver for left-hand lines. */
function alongTheLine(
  run: readonly PatternEvent[],
  section: Section,
  { instrument }: Place,
  profile: HandProfile,
  found: Map<number, readonly (LeftFinger | null)[]>,
) {
  const first = run[0]?.at ?? 0;
  const events = run.map((e): FretEvent => {
    const stops = stopsOf(e);
    return {
      at: ticks(e.at - first),
      notes: stops.map((s) => {
        const open = instrument.tuning[STRINGS.indexOf(s.string)] ?? 0;
        const finger = s.fret === 0 ? (0 as const) : s.finger;
        return {
          midi: open + instrument.capo + s.fret,
          string: s.string,
          ...(finger === undefined ? {} : { finger }),
        };
      }),
    };
  });
  const left = profile.left ?? profile.span;
  const answer = kept(`l ${section.bpm} ${JSON.stringify([left, profile.scaleLength, instrument, events])}`, () => {
    const result = fretLine({
      events,
      tuning: instrument.tuning,
      neck: neckOf(profile, instrument.capo),
      bpm: bpm(section.bpm),
      profile,
      school: fretSchool('position'),
      highestFret: Math.max(12, ...run.flatMap((e) => stopsOf(e).map((s) => s.fret))),
      k: 1,
    });
    return result.infeasible ? null : (result.answers[0]?.steps ?? null);
  });
  run.forEach((e, i) => {
    const placed = answer?.[i];
    if (!wantsLeft(e) || !placed) return;
    const fingers: (LeftFinger | null)[] = [];
    for (const s of stopsOf(e)) fingers[s.index] = placed.find((p) => p.string === s.string)?.finger ?? null;
    found.set(e.slot, fingers);
  });
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
