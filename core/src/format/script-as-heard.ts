import { harmonyTurns, heldInTurn, shapeAt } from '../chart/index.js';
import { cycleLength } from '../cycle/index.js';
import { STANDARD_TUNING } from '../instrument/index.js';
import { scriptWithStops, type Shape, type StoppedNote, stopOver } from '../left-hand/index.js';
import type { Section } from '../piece/index.js';
import { DEFAULT_PROFILE } from '../player/index.js';
import { withFingers } from '../reading/index.js';
import { type SoundedNote, soundStroke } from '../right-hand/index.js';
import { type Score, type ScoreEvent, scoreOf } from '../score/index.js';
import { type FlatPattern, flatten, LONGEST_SCRIPT, mapLeaves, parseScript, printScript } from '../script/index.js';
import { writeOut, writeSteps } from '../script/index.js';
import {
  type LeftFinger,
  numberedStrings,
  onStrings,
  type Step,
  type Stop,
  stopOn,
  type Stroke,
} from '../stroke/index.js';
import { lcm, type StringNumber, STRINGS, wrap } from '../time/index.js';

/** Passes of a pattern that are written out where each has other strings. */
const MOST_WRITTEN_SLOTS = 2_048;
/** Each round writes the frets of strokes that would still sound otherwise. */
const MOST_ROUNDS = 12;

/** A stroke of one pass as it sounded. */
interface Heard {
  readonly stroke: Stroke;
  readonly shape: Shape;
  readonly notes: readonly SoundedNote[];
  readonly stopped: readonly StoppedNote[];
}
/** Strings whose frets have to stand in a stroke, by pass and slot. */
type Wanted = readonly Map<number, Set<StringNumber>>[];

/**
 * A section's script with everything in its strokes that they sounded in programs before: frets that stood beside it,
 * and those of the shape's strings that would open now, since a finger that stops a note leaves its place in the shape.
 * @param section with its chart, and no number of bars
 * @returns the script itself where it sounds the same already, or where nothing can be written
 */
export function scriptAsHeard(section: Section, shapes: readonly Shape[], stopped: readonly StoppedNote[]): string {
  const { stepsPerCount } = section;
  const { script, left } = scriptWithStops(section.script, stepsPerCount, stopped);
  const { pattern } = parseScript(script, { stepsPerCount });
  const flat = flatten(pattern);
  const brings = flat.events.some(({ motion: m }) => m.kind === 'stroke' && m.stops);
  if (flat.length === 0 || (left.length === 0 && !brings)) return script;
  const heard = heardBefore(section, shapes, flat, left);
  const wanted = heard.map(
    (pass) =>
      new Map(
        [...pass].flatMap(([slot, { stopped: own }]) =>
          own.length ? [[slot, new Set(own.map((n) => n.string))] as const] : [],
        ),
      ),
  );
  let best = script;
  for (let round = 0; round < MOST_ROUNDS; round++) {
    best = written(script, stepsPerCount, heard, wanted) ?? best;
    if (!wantMore(wanted, { ...section, script: best }, shapes, flat, heard)) break;
  }
  return best;
}

/** What every stroke sounded, pass by pass until pattern, cycle and chart are where they began. */
function heardBefore(
  section: Section,
  shapes: readonly Shape[],
  flat: FlatPattern,
  stopped: readonly StoppedNote[],
): readonly ReadonlyMap<number, Heard>[] {
  const turn = cycleLength(section.cycle);
  const whole = lcm(flat.length, turn * harmonyTurns(section));
  const most = Math.max(1, Math.floor(MOST_WRITTEN_SLOTS / flat.slots.length));
  const turns = new Map<number, ReturnType<typeof heldInTurn>>();
  const heldIn = (n: number) => {
    const held = turns.get(n) ?? heldInTurn(section, shapes, n);
    turns.set(n, held);
    return held;
  };
  return Array.from({ length: Math.min(whole / flat.length, most) }, (_, pass) => {
    const strokes = new Map<number, Heard>();
    for (const e of flat.events) {
      if (e.motion.kind !== 'stroke') continue;
      const at = section.start + pass * flat.length + e.at;
      const shape = shapeAt(heldIn(Math.floor(at / turn)), wrap(at, turn));
      const own = stopped.filter((n) => n.at === e.at);
      // Pitches play no part: frets are what is written.
      const notes = soundStroke(e.motion, stopOver(shape, own), { tuning: STANDARD_TUNING, capo: 0 });
      const met = own.filter((n) => notes.some((x) => x.string === n.string));
      strokes.set(e.slot, { stroke: e.motion, shape, notes, stopped: met });
    }
    return strokes;
  });
}

/** The script with wanted frets in its strokes; passes that differ are written out. Null where it would grow too long. */
function written(
  script: string,
  stepsPerCount: number,
  heard: readonly ReadonlyMap<number, Heard>[],
  wanted: Wanted,
): string | null {
  const { pattern, faults } = parseScript(script, { stepsPerCount });
  const steps = heard.map((pass, n) => {
    const own = new Map<number, Step>();
    for (const [slot, strings] of wanted[n] ?? []) {
      const stroke = pass.get(slot);
      const step = stroke && numbered(stroke, strings);
      if (step) own.set(slot, step);
    }
    return own;
  });
  const [one] = steps;
  if (!one || steps.every((own) => own.size === 0)) return script;
  const alike = steps.every(
    (own) =>
      own.size === one.size && [...own].every(([slot, step]) => JSON.stringify(step) === JSON.stringify(one.get(slot))),
  );
  const inFirst = () => writeSteps(script, pattern, flatten(pattern), one);
  const text = alike
    ? inFirst()
    : printScript({
        ...pattern,
        items: steps.flatMap((own) => mapLeaves(writeOut(pattern), (step, slot) => own.get(slot) ?? step).items),
      });
  const fits = (t: string) =>
    t.length <= LONGEST_SCRIPT && parseScript(t, { stepsPerCount }).faults.length <= faults.length;
  if (fits(text)) return text;
  return fits(inFirst()) ? inFirst() : null;
}

/** A stroke over those strings that it meets, from thick to thin, with the frets that are wanted. */
function numbered({ stroke, shape, notes, stopped }: Heard, wanted: ReadonlySet<StringNumber>): Stroke | null {
  const met = stroke.dir === null ? [...notes].sort((a, b) => b.string - a.string) : notes;
  const brought = met.map(({ string, fret }): Brought | null => {
    const own = stopOn(stroke, string);
    if (own) return { stop: own, rank: 0 };
    if (!wanted.has(string)) return null;
    const beside = stopped.find((n) => n.string === string);
    const place = STRINGS.indexOf(string);
    const held = shape.frets[place] === fret ? (shape.fingers[place] ?? undefined) : undefined;
    const finger = fret === 0 ? undefined : beside ? beside.finger : held;
    return { stop: finger === undefined || finger === 0 ? { fret } : { fret, finger }, rank: beside ? 1 : 2 };
  });
  if (!brought.some((b) => b !== null)) return null;
  const stops = eachFingerOnce(brought);
  const marks = numberedStrings(stroke) ? stroke.placeMarks : undefined;
  const order = numberedStrings(stroke);
  const placeMarks = marks && met.map((n) => marks[order?.indexOf(n.string) ?? -1] ?? []);
  const strings = met.map((n) => n.string);
  const fingers = stroke.dir === null ? met.flatMap((n) => n.finger ?? []) : stroke.fingers;
  return { ...onStrings(stroke, { strings, stops, ...(placeMarks ? { placeMarks } : {}) }), fingers };
}

interface Brought {
  readonly stop: Stop;
  /** The stroke's own comes first, then what stood beside it, then what the shape holds. */
  readonly rank: number;
}
/** One finger is on one fret: where two strings name it on two, the later in rank goes without. */
function eachFingerOnce(brought: readonly (Brought | null)[]): (Stop | null)[] {
  const on = new Map<LeftFinger, number>();
  const stops: (Stop | null)[] = brought.map(() => null);
  for (const rank of [0, 1, 2])
    brought.forEach((b, i) => {
      if (b?.rank !== rank) return;
      const { fret, finger } = b.stop;
      const taken = finger !== undefined && (on.get(finger) ?? fret) !== fret;
      if (finger !== undefined && !taken) on.set(finger, fret);
      stops[i] = taken ? { fret } : b.stop;
    });
  return stops;
}

/** Adds strings that would sound otherwise than they did. @returns whether there were any */
function wantMore(
  wanted: Wanted,
  section: Section,
  shapes: readonly Shape[],
  flat: FlatPattern,
  heard: readonly ReadonlyMap<number, Heard>[],
): boolean {
  // As it is played, and as it is written: fingers that are worked out open strings too.
  const now = workedOut(section, shapes);
  const scores = [played(section, shapes, now), scoreOf(section, studyOf(shapes))];
  return wantOtherwise(wanted, scores, { each: flat.slots.length, worked: now.slots.length }, heard);
}
function wantOtherwise(
  wanted: Wanted,
  scores: readonly Score[],
  slots: { readonly each: number; readonly worked: number },
  heard: readonly ReadonlyMap<number, Heard>[],
): boolean {
  let more = false;
  for (const e of scores.flatMap((s) => s.events)) {
    const pass = passOf(e, slots, heard.length);
    const was = heard[pass]?.get(e.slot % slots.each);
    for (const note of was?.notes ?? []) {
      const is = e.notes.find((n) => n.string === note.string);
      if (is?.fret === note.fret) continue;
      const strings = wanted[pass]?.get(e.slot % slots.each) ?? new Set();
      if (strings.has(note.string)) continue;
      wanted[pass]?.set(e.slot % slots.each, strings.add(note.string));
      more = true;
    }
  }
  return more;
}
/** Passes that have other fingers are written out when they are worked out: one of them is several of the script's. */
const passOf = (
  { pass, slot }: ScoreEvent,
  { each, worked }: { readonly each: number; readonly worked: number },
  passes: number,
): number => (pass * (worked / each) + Math.floor(slot / each)) % passes;

const PLAIN = { tuning: STANDARD_TUNING, capo: 0 };
const studyOf = (shapes: readonly Shape[]) => ({ shapes, instrument: PLAIN });
/** Over a shape; where none is held no finger leaves anything. */
function workedOut(section: Section, shapes: readonly Shape[]): FlatPattern {
  const { pattern } = parseScript(section.script, section);
  const asked = { section, ...studyOf(shapes), profile: DEFAULT_PROFILE };
  return flatten(withFingers(pattern, asked, { right: [], left: [] }).pattern);
}
const played = (section: Section, shapes: readonly Shape[], flat: FlatPattern, collapses = true): Score =>
  scoreOf(section, studyOf(shapes), { flat, collapses });

/**
 * A section's script as it sounded where no finger lay over two strings of a fret but the one that was written last:
 * strings that it left open then stand in their strokes.
 * @param section with its chart, and no number of bars
 * @returns the script itself where it sounds the same already, or where nothing can be written
 */
export function scriptAsLeft(section: Section, shapes: readonly Shape[]): string {
  const { script, stepsPerCount } = section;
  const flat = flatten(parseScript(script, section).pattern);
  const brings = flat.events.some(({ motion: m }) => m.kind === 'stroke' && m.stops);
  if (!brings) return script;
  const each = flat.slots.length;
  const before = workedOut(section, shapes);
  const score = played(section, shapes, before, false);
  const count = Math.min(
    Math.max(1, Math.floor(MOST_WRITTEN_SLOTS / each)),
    1 + Math.max(0, ...score.events.map((e) => passOf(e, { each, worked: before.slots.length }, Infinity))),
  );
  const heard = Array.from({ length: count }, () => new Map<number, Heard>());
  for (const e of score.events) {
    const shape = score.chords[e.chord]?.shape;
    const stroke = flat.slots[e.slot % each]?.step;
    const notes = e.notes.map(({ string, fret, midi, right }): SoundedNote => ({ string, fret, midi, finger: right }));
    const pass = heard[passOf(e, { each, worked: before.slots.length }, Infinity)];
    if (pass && shape && stroke?.kind === 'stroke') pass.set(e.slot % each, { stroke, shape, notes, stopped: [] });
  }
  const wanted: Wanted = heard.map(() => new Map());
  let best = script;
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const now = workedOut({ ...section, script: best }, shapes);
    const scores = [played({ ...section, script: best }, shapes, now)];
    if (!wantOtherwise(wanted, scores, { each, worked: now.slots.length }, heard)) break;
    best = written(script, stepsPerCount, heard, wanted) ?? best;
  }
  return best;
}
