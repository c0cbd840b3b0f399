import { heldChords } from '../chart/index.js';
import type { Instrument } from '../instrument/index.js';
import { fingersOver, OPEN_SHAPE, type Shape } from '../left-hand/index.js';
import type { Section } from '../piece/index.js';
import { areParted } from '../passage/index.js';
import { type HandProfile, neckOf } from '../player/index.js';
import { soundStroke } from '../right-hand/index.js';
import type { PatternEvent } from '../script/index.js';
import { type LineNote, type LineRequest, voiced } from '../solve/finger-line/index.js';
import type { FretEvent, FretLineRequest } from '../solve/fret-line/index.js';
import { type LeftFinger, marksOn, numberedStrings, type Stop, type Stroke } from '../stroke/index.js';
import { bpm, STRINGS, ticks, wrap } from '../time/index.js';

/** Events of a run at most: what is typed in one leaves the others as they are. */
const LONGEST_RUN = 320;

/** What a section is played on and by. */
export interface Played {
  readonly section: Section;
  readonly instrument: Instrument;
  readonly shapes: readonly Shape[];
  readonly profile: HandProfile;
}
/** Strokes that one hand's fingers are worked out for together, and what is asked of its solver. */
export interface Run<Request> {
  readonly events: readonly PatternEvent[];
  readonly request: Request;
}
export type RightRun = Run<Omit<LineRequest, 'school' | 'k'>>;
export type LeftRun = Run<Omit<FretLineRequest, 'school' | 'k'>>;
export interface Stopped extends Stop {
  readonly string: (typeof STRINGS)[number];
  /** Its place among the stroke's strings. */
  readonly index: number;
}

/** Whether the right hand's fingers of a stroke are still to be found. */
export const isOpen = (e: PatternEvent): boolean => e.motion.kind === 'stroke' && (e.motion.open ?? 0) > 0;
const unfingered = (stop: Stop | null | undefined): boolean => !!stop && stop.fret > 0 && stop.finger === undefined;
/** Whether a finger of the left hand is. */
export const wantsLeft = ({ motion }: PatternEvent): boolean =>
  motion.kind === 'ligado'
    ? unfingered(motion.stop)
    : motion.kind === 'stroke' && (motion.stops ?? []).some(unfingered);
/** The strings of a stroke that bring their frets, with what the script says of each. */
export const stopsOf = ({ motion }: PatternEvent): Stopped[] => {
  if (motion.kind === 'ligado') return motion.stop ? [{ ...motion.stop, string: motion.string, index: 0 }] : [];
  if (motion.kind !== 'stroke') return [];
  return (numberedStrings(motion) ?? []).flatMap((string, index) => {
    const stop = motion.stops?.[index];
    return stop ? [{ ...stop, string, index }] : [];
  });
};

/** Runs of events that belong together: cut where the hand begins afresh, and where they grow too long. */
function runsOf(events: readonly PatternEvent[]): PatternEvent[][] {
  const runs: PatternEvent[][] = [];
  for (const e of events) {
    const run = runs.at(-1);
    const last = run?.at(-1);
    if (!run || !last || run.length >= LONGEST_RUN || areParted(last, e)) runs.push([e]);
    else run.push(e);
  }
  return runs;
}

/** The shape under a place of the pattern, in its first pass. */
function shapesUnder({ section, shapes }: Played): (at: number) => Shape {
  const held = heldChords(section, shapes);
  const length = held.at(-1)?.until ?? 0;
  if (length === 0) return () => OPEN_SHAPE;
  return (at) => {
    const here = wrap(at + section.start, length);
    return held.find((c) => here >= c.at && here < c.until)?.shape ?? OPEN_SHAPE;
  };
}

/** Frets that a stroke brings, for its strings from the thickest on. */
function fretsOf(e: PatternEvent, strings: readonly Stopped['string'][]): (number | null)[] {
  const stops = stopsOf(e);
  return [...strings].sort((a, b) => b - a).map((string) => stops.find((s) => s.string === string)?.fret ?? null);
}

/** Runs of plucked strokes in which the right hand has fingers to find. */
export function rightRuns(events: readonly PatternEvent[], played: Played): RightRun[] {
  const shapeOf = shapesUnder(played);
  const plucked = events.filter((e) => e.motion.kind === 'stroke' && e.motion.dir === null);
  return runsOf(plucked).flatMap((run) => {
    if (!run.some(isOpen)) return [];
    const first = run[0]?.at ?? 0;
    const sounding = run.map((e): LineNote => {
      const motion = e.motion as Stroke;
      const strings = soundStroke(motion, shapeOf(e.at), played.instrument).map((n) => n.string);
      return {
        at: ticks(e.at - first),
        strings: [...strings].sort((a, b) => b - a),
        ...(motion.stops ? { frets: fretsOf(e, strings) } : {}),
        ...(isOpen(e) ? {} : { pinned: motion.fingers }),
        ...(motion.marks.includes('~') ? { rings: true } : {}),
        ...(motion.marks.includes('!') ? { accent: 1 } : {}),
      };
    });
    return [
      {
        events: run,
        request: voiced({
          notes: sounding,
          bpm: bpm(played.section.bpm),
          profile: played.profile,
          stroke: 'free' as const,
        }),
      },
    ];
  });
}

/** Runs of strokes that bring their frets while no shape is held, in which the left hand has fingers to find. */
export function leftRuns(events: readonly PatternEvent[], played: Played): LeftRun[] {
  const shapeOf = shapesUnder(played);
  const { instrument, profile, section } = played;
  const alone = events.filter((e) => stopsOf(e).length > 0 && shapeOf(e.at) === OPEN_SHAPE);
  return runsOf(alone).flatMap((run) => {
    if (!run.some(wantsLeft)) return [];
    const first = run[0]?.at ?? 0;
    const line = run.map((e, i): FretEvent => {
      const notes = stopsOf(e).map((s) => {
        const rings = marksOn(e.motion, s.string).includes('~') ? ringsFor(run, i, s.string) : 0;
        const finger = s.fret === 0 ? (0 as const) : s.finger;
        const midi = (instrument.tuning[STRINGS.indexOf(s.string)] ?? 0) + instrument.capo + s.fret;
        return {
          midi,
          string: s.string,
          ...(finger === undefined ? {} : { finger }),
          ...(rings > 0 ? { rings: ticks(rings) } : {}),
        };
      });
      return { at: ticks(e.at - first), notes };
    });
    const request = {
      events: line,
      tuning: instrument.tuning,
      neck: neckOf(profile, instrument.capo),
      bpm: bpm(section.bpm),
      profile,
      highestFret: Math.max(12, ...run.flatMap((e) => stopsOf(e).map((s) => s.fret))),
    };
    return [{ events: run, request }];
  });
}

/** How long a note that rings keeps its finger: to the next stroke on its string, or the next that is to ring. */
function ringsFor(run: readonly PatternEvent[], i: number, string: Stopped['string']): number {
  const from = run[i];
  if (!from) return 0;
  const end = run
    .slice(i + 1)
    .find((e) => stopsOf(e).some((s) => s.string === string || marksOn(e.motion, s.string).includes('~')));
  const last = run.at(-1) ?? from;
  return (end?.at ?? last.at + last.duration) - from.at;
}

/** Over a held shape: the fingers of a stroke's frets, in the order of its strings; by slot. */
export function fingersByShape(
  events: readonly PatternEvent[],
  played: Played,
): Map<number, readonly (LeftFinger | null)[]> {
  const shapeOf = shapesUnder(played);
  const found = new Map<number, readonly (LeftFinger | null)[]>();
  for (const e of events) {
    const shape = shapeOf(e.at);
    if (!wantsLeft(e) || shape === OPEN_SHAPE) continue;
    const stops = stopsOf(e);
    const fingers: (LeftFinger | null)[] = [];
    fingersOver(shape, stops).forEach((finger, i) => (fingers[stops[i]?.index ?? 0] = finger));
    found.set(e.slot, fingers);
  }
  return found;
}
