import { areParted, fromThickest } from '../../passage/index.js';
import { latePoints, returnTime } from '../../player/index.js';
import { type Finger, FINGERS, isBassString } from '../../stroke/index.js';
import { fromHome } from './homes.js';
import { bassToBass, comesAfresh, startPoints, untaughtPoints, weightsAt } from './taught.js';
import { millisOf, ticks } from '../../time/index.js';
import type { LineNote, LineRequest, LineTerm } from './model.js';

export type LineCost = Partial<Record<LineTerm, number>>;
/** Of a finger's weight on an accent, the part that is missing. */
const WEAKNESS: Record<Finger, number> = { p: 0, i: 0.2, m: 0.1, a: 0.5, e: 0.7 };
/** What the weak fingers cost wherever they play, of the weight of an accent. */
const ALWAYS: Record<Finger, number> = { p: 0, i: 0, m: 0, a: 0.2, e: 0.4 };
/** The same of middle and ring one after the other, slowly and in a fast run. */
const M_A = 0.05;
const M_A_FAST = 0.3;
/** The same of the ring finger after another on its string, where a hand plays as it is taught. */
const BACK_TO_A = 0.5;
/** And of any finger after a lower one, where a melody has a few notes over its bass. */
const BACK = 0.1;
const backShare = (request: LineRequest, to: LineNote, finger: Finger): number => {
  if (!request.school.taught) return 0;
  return finger === 'a' ? BACK_TO_A : comesAfresh(request, to) ? BACK : 0;
};
/** A note sooner after the one before than this is a fast run, where ring and little finger tire first. */
const FAST_MS = 125;

const thinnestOf = ({ strings }: LineNote): number => Math.min(...strings);
const rank = (f: Finger) => FINGERS.indexOf(f);
export const millisBetween = (from: LineNote, to: LineNote, request: LineRequest, loop = 0): number =>
  millisOf(ticks(to.at + loop - from.at), request.bpm);

/** +1 when the crossing goes with the fingers, −1 when against, 0 when no string or finger order is in play. */
export function crossing(from: Finger, fromString: number, to: Finger, toString: number): -1 | 0 | 1 {
  if (fromString === toString || from === 'p' || to === 'p') return 0;
  const rises = rank(to) > rank(from);
  const falls = rank(to) < rank(from);
  const thinner = toString < fromString;
  return (thinner && rises) || (!thinner && falls) ? 1 : -1;
}

/** What a note pays by itself under these fingers. */
export function noteCost(
  request: LineRequest,
  index: number,
  fingers: readonly Finger[],
  ringing: ReadonlySet<number>,
  deeper: number,
): LineCost {
  const note = request.notes[index] as LineNote;
  const weights = weightsAt(request, note);
  const [before, next] = [request.notes[index - 1], request.notes[index + 1]];
  const strings = fromThickest(note);
  let home = 0;
  let weak = 0;
  let rest = 0;
  let order = 0;
  // The first note of a run belongs to the run.
  const near = (a: LineNote | undefined, b: LineNote | undefined) =>
    a !== undefined && b !== undefined && millisBetween(a, b, request) < FAST_MS;
  const fast = near(before, note) || near(note, next);
  fingers.forEach((f, i) => {
    const string = strings[i] ?? 1;
    home += fromHome(f, string, deeper);
    // A scale is not the thumb's.
    if (f === 'p' && !isBassString(string)) order += Math.round(weights.order / 2);
    weak += ALWAYS[f] + WEAKNESS[f] * (note.accent ?? 0) + (fast && (f === 'a' || f === 'e') ? 0.25 : 0);
    // A finger's rest stroke lands on the next thicker string, the thumb's on the next thinner.
    const landing = f === 'p' ? string - 1 : string + 1;
    if (request.stroke === 'rest' && ringing.has(landing)) rest++;
  });
  return {
    home: home * weights.home,
    weak: Math.round(weak * weights.weak),
    rest: rest * weights.rest,
    order,
    taught: untaughtPoints(request, note, fingers),
    pair: startPoints(request, note, fingers),
  };
}

/** What following on from the note before costs. */
export function pairCost(
  request: LineRequest,
  from: LineNote,
  fromFingers: readonly Finger[],
  to: LineNote,
  toFingers: readonly Finger[],
  loop = 0,
): LineCost {
  const weights = weightsAt(request, to);
  if (request.school.taught && loop === 0 && areParted(from, to)) return {};
  const gap = millisBetween(from, to, request, loop);
  let repeat = 0;
  const onBasses = [...from.strings, ...to.strings].every(isBassString) || bassToBass(request, from, to);
  // A block comes again with the same fingers.
  const blocks = request.school.taught === true && fromFingers.length > 1 && toFingers.length > 1;
  for (const f of toFingers) {
    // The thumb walks from bass to bass; only its time counts.
    if (blocks || !fromFingers.includes(f) || (f === 'p' && onBasses && gap >= request.profile.returnMs.p)) continue;
    repeat += gap < request.profile.returnMs[f] ? weights.repeat : weights.repeatSlow;
  }
  const cost: { -readonly [T in LineTerm]?: number } = { repeat };
  const [a, b] = [fromFingers[0], toFingers[0]];
  const [s, t] = [from.strings[0], to.strings[0]];
  const top = fromFingers.at(-1);
  // After what was struck with the bass the fingers come in downwards too.
  if (
    fromFingers.length === 2 &&
    a === 'p' &&
    toFingers.length === 1 &&
    b &&
    top &&
    rank(b) > rank(top) &&
    thinnestOf(from) === t
  )
    cost.weak = Math.round(weights.weak * backShare(request, to, b));
  if (fromFingers.length !== 1 || toFingers.length !== 1 || !a || !b || !s || !t) return cost;
  const strings = Math.abs(s - t);
  if (a !== b) {
    cost.late = latePoints(weights.late, a === 'p' ? request.profile.thumbJointMs : request.profile.jointMs, gap);
    const middleRing = (a === 'm' && b === 'a') || (a === 'a' && b === 'm');
    if (middleRing) cost.weak = Math.round(weights.weak * (gap < FAST_MS ? M_A_FAST : M_A));
    // On a string the fingers come in from the ring finger on, not back.
    if (a !== 'p' && s === t && rank(b) > rank(a))
      cost.weak = (cost.weak ?? 0) + Math.round(weights.weak * backShare(request, to, b));
  }
  if (crossing(a, s, b, t) < 0) cost.crossing = weights.crossing * strings;
  if (strings > 1 && a !== 'p' && b !== 'p' && Math.abs(rank(a) - rank(b)) < 2)
    cost.skip = weights.skip * (strings - 1);
  if (b === 'p' && a !== 'p' && t < s) cost.order = weights.order;
  return cost;
}

/** What a line pays for a third finger where it is to keep one pair; chords have the fingers they need. */
export function pairsCost({ notes, school }: LineRequest, fingers: readonly (readonly Finger[])[]): number {
  const used = new Set(notes.flatMap((n, i) => (n.strings.length === 1 ? (fingers[i] ?? []) : [])));
  used.delete('p');
  return school.weights.pair * Math.max(0, used.size - 2);
}

/** A finger that played two notes before, and not in between, must be back. */
export function lateCost(
  request: LineRequest,
  from: LineNote,
  fromFingers: readonly Finger[],
  between: readonly Finger[],
  to: LineNote,
  toFingers: readonly Finger[],
): number {
  const gap = millisBetween(from, to, request);
  let late = 0;
  for (const f of toFingers) {
    if (!fromFingers.includes(f) || between.includes(f)) continue;
    late += latePoints(weightsAt(request, to).late, returnTime(request.profile, f, false), gap);
  }
  return late;
}
