import type { Cell } from '../catalogue/index.js';
import type { HandProfile } from '../player/index.js';
import { exchangedLoad, handLoad } from '../right-hand/index.js';
import { flatten, mapLeaves, parseScript, type Pattern, printScript, writeOut } from '../script/index.js';
import { fingerLine, LINE_SCHOOLS, type LineNote } from '../solve/finger-line/index.js';
import { type Finger, FINGERS, fingersOf, type Stroke } from '../stroke/index.js';
import { type Bpm, STEPS_PER_COUNT, type StringNumber, TICKS_PER_COUNT } from '../time/index.js';
import { vary } from './vary.js';

/** Another way to play that lets the pattern go faster, as text that can be tried at once. */
export type RaiseWay =
  | { readonly how: 'exchange'; readonly from: Finger; readonly to: Finger }
  | { readonly how: 'start finger'; readonly by: number }
  | { readonly how: 'school'; readonly school: string }
  | { readonly how: 'cell'; readonly cell: string };
export type Raise = RaiseWay & {
  readonly script: string;
  readonly stepsPerCount: number;
  readonly ceiling: number;
};
/** Less gain than this is not worth relearning a pattern for. */
const WORTH = 1.05;
/** Longer patterns are not fingered anew under every school as they are typed. */
const LONGEST_REFINGERED = 200;

/**
 * What lets a pattern go faster, best first: the finger that sets the ceiling exchanged for another, the
 * finger order begun on another finger under the same rhythm, a plucked line fingered by another school,
 * another cell as dense. Each is reckoned through; none is offered that gains less than a twentieth.
 */
export function ceilingRaises(pattern: Pattern, bpm: Bpm, profile: HandProfile, cells: readonly Cell[] = []): Raise[] {
  const flat = flatten(pattern);
  const now = handLoad(flat, bpm, profile);
  const { cause, ceiling } = now;
  if (!cause || ceiling === null) return [];
  const raises: Raise[] = [];
  const offer = (way: RaiseWay, other: Pattern) => {
    const reached = handLoad(flatten(other), bpm, profile).ceiling;
    if (reached === null || reached <= ceiling * WORTH) return;
    raises.push({ ...way, script: printScript(other), stepsPerCount: other.stepsPerCount, ceiling: reached });
  };
  const from = cause.kind === 'joint' ? cause.from : cause.finger;
  for (const to of FINGERS) {
    if (to === from) continue;
    // Reckoned on the strokes themselves: the pattern is made only where it is worth it.
    const reached = exchangedLoad(flat, [from, to], bpm, profile).ceiling;
    if (reached === null || reached <= ceiling * WORTH) continue;
    const other = vary(pattern, { kind: 'pair', from, to });
    // An exchange that puts two fingers' strokes on one is another pattern.
    if (flatten(other).events.every((e) => new Set(fingersOf(e.motion)).size === fingersOf(e.motion).length))
      offer({ how: 'exchange', from, to }, other);
  }
  const fingered = flat.events.filter((e) => fingersOf(e.motion).length === 1).length;
  for (let by = 1; by < (fingered > LONGEST_REFINGERED ? 0 : Math.min(fingered, 12)); by++)
    offer({ how: 'start finger', by }, vary(pattern, { kind: 'start finger', by }));
  for (const [school, other] of otherSchools(pattern, bpm, profile)) offer({ how: 'school', school }, other);
  for (const [cell, other] of otherCells(pattern, cells)) offer({ how: 'cell', cell: cell.name }, other);
  const best = new Map<string, Raise>();
  for (const r of raises)
    if (!(best.get(r.script) && (best.get(r.script) as Raise).ceiling >= r.ceiling)) best.set(r.script, r);
  return [...best.values()].sort((a, b) => b.ceiling - a.ceiling);
}

const singlePluck = (s: Stroke): StringNumber | null =>
  s.dir === null && s.fingers.length === 1 && Array.isArray(s.strings)
    ? ((s.strings as StringNumber[])[0] ?? null)
    : null;

/** The same single notes with the fingers each school gives them. */
function* otherSchools(pattern: Pattern, bpm: Bpm, profile: HandProfile): Generator<[string, Pattern]> {
  const flat = flatten(pattern);
  if (flat.events.length === 0 || flat.events.length > LONGEST_REFINGERED) return;
  const notes: LineNote[] = [];
  let rests = false;
  for (const e of flat.events) {
    const string = e.motion.kind === 'stroke' ? singlePluck(e.motion) : null;
    if (string === null || e.motion.kind !== 'stroke') return;
    rests ||= e.motion.marks.includes('_');
    notes.push({ at: e.at, strings: [string], ...(e.motion.marks.includes('~') ? { rings: true } : {}) });
  }
  for (const school of LINE_SCHOOLS) {
    const stroke = rests ? 'rest' : 'free';
    const result = fingerLine({ notes, bpm, profile, school, stroke, loop: flat.length, k: 1 });
    const fingers = result.infeasible ? undefined : result.answers[0]?.steps;
    if (!fingers) continue;
    let n = 0;
    const other = mapLeaves(writeOut(pattern), (s) =>
      s.kind === 'stroke' ? { ...s, fingers: fingers[n++] ?? s.fingers } : s,
    );
    yield [school.name, other];
  }
}

/** Cells of directed strokes, as many strokes to a count as the pattern has. */
function* otherCells(pattern: Pattern, cells: readonly Cell[]): Generator<[Cell, Pattern]> {
  const flat = flatten(pattern);
  const strummed = flat.events.every((e) => e.motion.kind === 'stroke' && e.motion.dir !== null);
  const perCount = (flat.events.length * TICKS_PER_COUNT) / flat.length;
  if (!strummed || !STEPS_PER_COUNT.some((n) => n === perCount)) return;
  for (const cell of cells) {
    const other = parseScript(cell.script, { stepsPerCount: perCount }).pattern;
    const laid = flatten(other);
    const full =
      laid.events.length === laid.slots.length && laid.length * perCount === laid.slots.length * TICKS_PER_COUNT;
    const directed = laid.events.every((e) => e.motion.kind === 'stroke' && e.motion.dir !== null);
    if (full && directed) yield [cell, other];
  }
}
