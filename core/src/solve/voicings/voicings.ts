import { type Fact, fact } from '../../fault/index.js';
import { touchPoint } from '../../instrument/index.js';
import { fingerShape, type Frets } from '../../left-hand/index.js';
import { type Ask, FINGER_PAIRS, type HandProfile, settled } from '../../player/index.js';
import { kBest, type Move, pointsOf, type SearchProblem, type SearchWatch } from '../../search/index.js';
import { sixOf, STRINGS } from '../../time/index.js';
import { amongForms, type Asked, heightCost, missingCost, readAsk, soundCost, soundFault } from './ask.js';
import {
  type FrettedShape,
  VOICING_TERMS,
  type VoicingLimit,
  type VoicingRefusal,
  type VoicingRequest,
  type VoicingResult,
  type VoicingTerm,
} from './model.js';

/** Frets chosen so far, from string 6 on. */
type SoFar = readonly (number | null)[];
interface State {
  readonly frets: SoFar;
  readonly done: boolean;
}

/**
 * The k best shapes for a chord or for given notes, best first, each with its cheapest fingers.
 * @returns reasons when the chord is not known or no shape can be held
 * @throws SearchCancelled when the watch says so
 */
export function voicings(ask: Ask<VoicingRequest>, watch: SearchWatch = {}): VoicingResult {
  const request = settled<VoicingRequest>(ask);
  const reading = readAsk(request);
  if ('faults' in reading) return { infeasible: reading.faults };
  const { paths, looked } = kBest(voicingProblem(reading.asked), request.k ?? 5, watch);
  return paths.length ? { answers: paths, looked } : { infeasible: [nothing(reading.asked)] };
}

/** A shape that is weighed in a row. */
export interface WeighedShape {
  readonly shape: FrettedShape;
  readonly total: number;
}
/** Fingerings of the same frets that are weighed. */
const FINGERINGS = 3;
/**
 * What a row chooses from: the k best shapes, and every taught form in its places up the neck, each with its cheapest
 * fingerings; cheapest first.
 * @returns reasons when there are none
 */
export function shapesToWeigh(request: VoicingRequest): ShapesToWeigh {
  const { profile, weights, ...plain } = request;
  if (weights) return weighAnew(request);
  const own = weighed.get(profile) ?? new Map<string, ShapesToWeigh>();
  weighed.set(profile, own);
  const key = JSON.stringify(plain);
  const found = own.get(key) ?? weighAnew(request);
  if (own.size >= MOST_KEPT) own.clear();
  own.set(key, found);
  return found;
}
/** A row is asked for again with every turn of a knob: what one hand finds for a symbol stays the same. */
const weighed = new WeakMap<HandProfile, Map<string, ShapesToWeigh>>();
const MOST_KEPT = 200;
type ShapesToWeigh =
  { readonly weighed: readonly WeighedShape[] } | { readonly infeasible: readonly Fact<VoicingRefusal>[] };
function weighAnew(request: VoicingRequest): ShapesToWeigh {
  const found = voicings(request);
  if (found.infeasible) return { infeasible: found.infeasible };
  const reading = readAsk(request);
  if ('faults' in reading) return { infeasible: reading.faults };
  const { asked } = reading;
  const sets = new Map(
    [...found.answers.flatMap((a) => a.steps.map((s) => s.frets)), ...asked.forms.map((f) => sixOf(f.frets))]
      .filter((frets) => soundFault(asked, frets) === null)
      .map((frets) => [frets.join(), frets]),
  );
  const weighed = [...sets.values()].flatMap((frets) => held(asked, frets, FINGERINGS));
  return { weighed: weighed.map(({ shape, total }) => ({ shape, total })).sort((a, b) => a.total - b.total) };
}
/** Given frets with their cheapest fingers, and what that costs as an answer. */
function held(asked: Asked, frets: Frets, most: number) {
  const withBarre = asked.request.barre !== false;
  const sound = soundCost(asked, frets);
  return fingerShape(frets, asked.hand, withBarre ? most : Infinity)
    .filter((f) => withBarre || f.cost.barre === 0)
    .slice(0, most)
    .map(({ fingers, cost: own }) => {
      const cost: Partial<Record<VoicingTerm, number>> = { ...sound, ...own };
      return { shape: { frets, fingers }, cost, total: pointsOf(cost) };
    });
}

function nothing({ request }: Asked): Fact<VoicingRefusal> {
  const limits: VoicingLimit[] = [];
  if (request.strings && request.strings.length < 6) limits.push('strings');
  if (request.open === 'none') limits.push('no open');
  if (request.open === 'some') limits.push('some open');
  if (request.barre === false) limits.push('no barre');
  if (request.bass === 'root') limits.push('root in the bass');
  if (request.easy) limits.push('easy');
  if ((request.highestFret ?? 12) < 12) limits.push('low');
  return fact('no shape', ...limits);
}

/** Each string takes a fret or stays silent; at the end the cheapest fingers are laid on. */
function voicingProblem(asked: Asked): SearchProblem<State, FrettedShape, VoicingTerm> {
  const widest = Math.max(...FINGER_PAIRS.map((pair) => asked.hand.left.reach[pair].limit));
  /** Whether two stopped frets can be under the fingers of one hand at all: along the neck, on whatever strings. */
  const along = Array.from({ length: asked.highest + 1 }, (_, fret) => touchPoint(3, fret, asked.hand.neck).x);
  const together = (low: number, high: number): boolean => (along[high] ?? 0) - (along[low] ?? 0) <= widest;
  const { thumbOver } = asked.hand.left;
  const ahead = whatIsAhead(asked);
  /** The lowest fret that can be stopped along with each. */
  const under = along.map((_, high) => along.findIndex((_, low) => low > 0 && together(low, high)));
  /** Least cost that any ending of these frets has; parts that only grow. */
  const sofar = (frets: SoFar): number => {
    const first = frets.findIndex((f) => f !== null);
    if (first < 0) return 0;
    let last = frets.length - 1;
    while ((frets[last] ?? null) === null) last--;
    let inner = 0;
    for (let i = first; i < last; i++) if ((frets[i] ?? null) === null) inner++;
    const silent = frets.filter((f) => f === null).length;
    const thin = Math.max(0, asked.wanted - (6 - silent));
    const decided = ahead(frets);
    if (decided === Infinity) return Infinity;
    const { taught, points } = amongForms(asked, frets);
    return (
      (taught ? 0 : inner * asked.weights.innerMute) +
      thin * asked.weights.thin +
      decided +
      handLeast(asked, frets) +
      heightCost(asked, lowestOf(frets)) +
      points
    );
  };
  /** The first stopped fret that any ending of these has at least; Infinity when none is stopped yet. */
  const lowestOf = (frets: SoFar): number => {
    const apart = thumbOver && (frets[0] ?? 0) > 0 ? (frets[0] ?? 0) : Infinity;
    const high = Math.max(0, ...frets.map((f, i) => (i === 0 && apart < Infinity ? 0 : (f ?? 0))));
    if (high > 0) return Math.min(apart, under[high] ?? 1);
    return apart === Infinity ? Infinity : 1;
  };
  const leaf = (frets: Frets): Move<State, FrettedShape, VoicingTerm>[] => {
    if (soundFault(asked, frets) !== null) return [];
    return held(asked, frets, 1).map(({ shape, cost, total }) => ({
      to: { frets, done: true },
      step: shape,
      total,
      cost: () => cost,
    }));
  };
  return {
    terms: VOICING_TERMS,
    start: { frets: [], done: false },
    key: (s) => `${s.done ? 'held' : ''}${s.frets.map((f) => f ?? 'x').join()}`,
    stage: (s) => s.frets.length + (s.done ? 1 : 0),
    isEnd: (s) => s.done,
    bound: (s) => (s.done ? 0 : s.frets.length === 6 ? leafBound(asked, sixOf(s.frets)) : sofar(s.frets)),
    moves: (s) => {
      if (s.frets.length === STRINGS.length) return leaf(sixOf(s.frets));
      const free = (to: SoFar): Move<State, FrettedShape, VoicingTerm> => ({
        to: { frets: to, done: false },
        step: null,
        total: 0,
        cost: () => ({}),
      });
      // A thumb over the neck stands apart from the fingers.
      const stopped = s.frets.filter((f, i): f is number => f !== null && f > 0 && !(i === 0 && thumbOver));
      const [low, high] = [Math.min(...stopped), Math.max(...stopped)];
      const choices = (asked.frets[s.frets.length] ?? []).filter(
        ({ fret }) =>
          fret === 0 ||
          stopped.length === 0 ||
          (together(Math.min(low, fret), Math.max(high, fret)) && fits(s.frets, fret)),
      );
      return [...choices.map((c) => free([...s.frets, c.fret])), free([...s.frets, null])];
    },
  };
  /** Five fingers at most, one of them the thumb: more different frets than that can't be held. */
  function fits(frets: SoFar, fret: number): boolean {
    return new Set([...frets.filter((f) => f !== null && f > 0), fret]).size <= 5;
  }
}
/**
 * What the strings still to come can do about tones and bass: Infinity when they can't bring what must sound any more,
 * the cost of tones that they can't bring either, the bass's as soon as no later string can sound below it.
 */
function whatIsAhead(asked: Asked): (frets: SoFar) => number {
  const bits = [0, 0, 0, 0, 0, 0, 0];
  const lowest = [0, 0, 0, 0, 0, 0, Infinity];
  for (let i = 5; i >= 0; i--) {
    bits[i] = (asked.frets[i] ?? []).reduce((sum, f) => sum | f.bit, bits[i + 1] ?? 0);
    lowest[i] = Math.min(lowest[i + 1] ?? Infinity, ...(asked.frets[i] ?? []).map((f) => f.midi));
  }
  return (frets) => {
    let mask = 0;
    let low = Infinity;
    for (let i = 0; i < frets.length; i++) {
      const found = asked.at[i]?.get(frets[i] ?? -1);
      if (!found) continue;
      mask |= found.bit;
      low = Math.min(low, found.midi);
    }
    const missing = asked.needed & ~mask;
    if ((missing & (bits[frets.length] ?? 0)) !== missing) return Infinity;
    const left = 6 - frets.length;
    if (countOf(missing) > left) return Infinity;
    const lost =
      countOf(asked.all & ~mask) > left ? missingCost(asked, 0) : missingCost(asked, mask | (bits[frets.length] ?? 0));
    if (low === Infinity || low > (lowest[frets.length] ?? Infinity)) return lost;
    const bass = asked.bassIs(low);
    return bass === 'wrong' ? Infinity : bass === 'other' ? lost + asked.weights.bass : lost;
  };
}
function countOf(bits: number): number {
  let count = 0;
  for (let rest = bits; rest; rest &= rest - 1) count++;
  return count;
}

/** What any fingers on these frets cost at least, and on any frets that hold these. */
function handLeast({ hand, weights }: Asked, frets: SoFar): number {
  let [low, high, count] = [Infinity, 0, 0];
  for (const f of frets)
    if (f !== null && f > 0) {
      low = Math.min(low, f);
      high = Math.max(high, f);
      count++;
    }
  if (count === 0) return 0;
  const shortBarre = weights.barre + 2 * weights.barreString;
  // Four strings take all four fingers or a barre; five need a barre, or the thumb.
  const crowd = Math.max(0, high - low - 3) * weights.crowd;
  const many = count < 4 ? 0 : Math.min(weights.weak, shortBarre, weights.thumb);
  return hand.left.thumbOver ? 0 : crowd + (count > 4 ? shortBarre : many);
}

/** What a full set of frets costs before any finger is laid on; Infinity when it is no answer. */
function leafBound(asked: Asked, frets: Frets): number {
  if (soundFault(asked, frets) !== null) return Infinity;
  return Object.values(soundCost(asked, frets)).reduce((sum, n) => sum + n, 0) + handLeast(asked, frets);
}
