import type { Cell } from '../catalogue/index.js';
import type { HandProfile } from '../player/index.js';
import { handLoad, type HandLoad, isMuted, kindOfPattern, stringOf } from '../right-hand/index.js';
import {
  type FlatPattern,
  flatten,
  mapLeaves,
  parseScript,
  type Pattern,
  printScript,
  writeOut,
} from '../script/index.js';
import { fingerLine, LINE_SCHOOLS, type LineNote } from '../solve/finger-line/index.js';
import { type Finger, FINGERS, fingersOf, type Stroke } from '../stroke/index.js';
import { type Bpm, STEPS_PER_COUNT, type StringNumber, TICKS_PER_COUNT } from '../time/index.js';
import { vary } from './vary.js';
import { isWorthTelling } from '../search/index.js';

/** Another way to play the same music that lets it go faster, as text that can be tried at once. */
export type RaiseWay =
  /** `both`: the two change places; else the second does what the first did. */
  | { readonly how: 'exchange'; readonly from: Finger; readonly to: Finger; readonly both: boolean }
  | { readonly how: 'school'; readonly school: string }
  | { readonly how: 'cell'; readonly cell: string };
export type Raise = RaiseWay & {
  readonly script: string;
  readonly stepsPerCount: number;
  readonly ceiling: number;
};
/** Below this share of the ceiling nobody asks for a higher one. */
const NEAR = 0.75;
/** Longer patterns are not fingered anew under every school as they are typed. */
const LONGEST_REFINGERED = 200;
/** Strokes so near to one another lie under one position of the hand. */
const ONE_POSITION = 4;

/**
 * What lets a pattern go faster, best first, where its ceiling is near and a tenth or more is gained. The music stays: the
 * same strings at the same places, strums in their direction, the thumb on its basses. And it stays in its kind of
 * playing: a finger of an arpeggio gives its string to another, a scale is fingered by another school, a rasgueado gets another cell; what
 * swings, chops, weaves or has a plectrum is left alone.
 */
export function ceilingRaises(pattern: Pattern, bpm: Bpm, profile: HandProfile, cells: readonly Cell[] = []): Raise[] {
  const flat = flatten(pattern);
  const now = handLoad(flat, bpm, profile);
  const { ceiling } = now;
  if (ceiling === null || bpm < NEAR * ceiling) return [];
  const raises: Raise[] = [];
  const offer = (way: RaiseWay, other: Pattern) => {
    const reached = handLoad(flatten(other), bpm, profile).ceiling;
    if (reached === null || !isWorthTelling(reached, ceiling)) return;
    raises.push({ ...way, script: printScript(other), stepsPerCount: other.stepsPerCount, ceiling: reached });
  };
  switch (isMuted(flat) ? null : kindOfPattern(flat)) {
    case 'arpeggio':
      for (const [way, other] of exchanges(pattern, flat, now)) offer(way, other);
      break;
    case 'run':
      for (const [school, other] of otherSchools(pattern, bpm, profile)) offer({ how: 'school', school }, other);
      break;
    case 'rasgueado':
      for (const [cell, other] of otherCells(pattern, cells)) offer({ how: 'cell', cell: cell.name }, other);
      break;
    default:
  }
  const best = new Map<string, Raise>();
  for (const r of raises)
    if (!(best.get(r.script) && (best.get(r.script) as Raise).ceiling >= r.ceiling)) best.set(r.script, r);
  return [...best.values()].sort((a, b) => b.ceiling - a.ceiling);
}

/** The finger that sets the ceiling gives its string to another; the thumb keeps its own, and fingers keep their order. */
function* exchanges(pattern: Pattern, flat: FlatPattern, { cause }: HandLoad): Generator<[RaiseWay, Pattern]> {
  if (!cause || cause.kind === 'golpe' || cause.kind === 'plectrum') return;
  const used = new Set(flat.events.flatMap((e) => fingersOf(e.motion)));
  for (const from of cause.kind === 'joint' ? [cause.from, cause.to] : [cause.finger]) {
    if (from === 'p') continue;
    for (const to of FINGERS) {
      // The little finger plucks in no school unless it does so already.
      if (to === from || to === 'p' || (to === 'e' && !used.has('e'))) continue;
      const other = vary(pattern, { kind: 'pair', from, to });
      if (inFingerOrder(flatten(other))) yield [{ how: 'exchange', from, to, both: used.has(to) }, other];
    }
  }
}
/** Whether fingers that lie on strings together do so in the order p i m a, from the thickest string on. */
function inFingerOrder({ events }: FlatPattern): boolean {
  const plucks = events.map((e) =>
    e.motion.kind === 'stroke' ? e.motion.fingers.map((f) => ({ f, string: stringOf(e.motion as Stroke, f) })) : [],
  );
  return plucks.every((own, i) =>
    plucks.slice(i, i + ONE_POSITION).every((near) =>
      own.every((a) =>
        near.every((b) => {
          const rank = FINGERS.indexOf(a.f) - FINGERS.indexOf(b.f);
          return rank === 0
            ? a.string === b.string || own !== near
            : rank < 0
              ? a.string > b.string
              : a.string < b.string;
        }),
      ),
    ),
  );
}

const singlePluck = (s: Stroke): StringNumber | null =>
  s.dir === null && s.fingers.length === 1 && Array.isArray(s.strings)
    ? ((s.strings as StringNumber[])[0] ?? null)
    : null;

/** The same single notes with the fingers each school gives them; a scale is never given the thumb. */
function* otherSchools(pattern: Pattern, bpm: Bpm, profile: HandProfile): Generator<[string, Pattern]> {
  const flat = flatten(pattern);
  if (flat.events.length === 0 || flat.events.length > LONGEST_REFINGERED) return;
  const notes: LineNote[] = [];
  let rests = false;
  for (const e of flat.events) {
    if (e.motion.kind === 'ligado') continue;
    const string = e.motion.kind === 'stroke' ? singlePluck(e.motion) : null;
    if (string === null || e.motion.kind !== 'stroke') return;
    rests ||= e.motion.marks.includes('_');
    notes.push({ at: e.at, strings: [string], ...(e.motion.marks.includes('~') ? { rings: true } : {}) });
  }
  for (const school of LINE_SCHOOLS) {
    if (school.fingers.includes('p')) continue;
    const stroke = rests ? 'rest' : 'free';
    const result = fingerLine({ notes, bpm, profile, school, stroke, loop: flat.length, k: 1 });
    const fingers = result.infeasible ? undefined : result.answers[0]?.steps;
    if (!fingers) continue;
    let n = 0;
    const other = mapLeaves(writeOut(pattern), (s) =>
      s.kind === 'stroke' ? { ...s, fingers: fingers[n++] ?? s.fingers } : s,
    );
    yield [school.id, other];
  }
}

/** Cells of as many strokes to a count whose hand goes the same way at every place; marks and strings are nobody's to change. */
function* otherCells(pattern: Pattern, cells: readonly Cell[]): Generator<[Cell, Pattern]> {
  const flat = flatten(pattern);
  const plain = flat.events.every(
    ({ motion: m }) => m.kind === 'stroke' && m.dir !== null && m.strings === null && m.marks.length === 0 && !m.stops,
  );
  const perCount = (flat.events.length * TICKS_PER_COUNT) / flat.length;
  if (!plain || flat.events.length !== flat.slots.length || !STEPS_PER_COUNT.some((n) => n === perCount)) return;
  const ways = ({ events }: FlatPattern) => events.map((e) => (e.motion.kind === 'stroke' ? e.motion.dir : null));
  const own = ways(flat);
  for (const cell of cells) {
    const other = parseScript(cell.script, { stepsPerCount: perCount }).pattern;
    const laid = flatten(other);
    const theirs = ways(laid);
    const full = laid.events.length === laid.slots.length && theirs.every((d) => d !== null);
    const whole = laid.length * perCount === laid.slots.length * TICKS_PER_COUNT;
    // Round and round: the shorter of the two is met again and again by the longer.
    const length = own.length * theirs.length;
    const same = Array.from({ length }, (_, i) => own[i % own.length] === theirs[i % theirs.length]).every(Boolean);
    if (full && whole && same) yield [cell, other];
  }
}
