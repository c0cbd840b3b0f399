import { touchPoint } from '../../instrument/index.js';
import { fingerShape, type Frets } from '../../left-hand/index.js';
import { FINGER_PAIRS } from '../../player/index.js';
import { type Move, pointsOf, type SearchProblem } from '../../search/index.js';
import { sixOf, STRINGS } from '../../time/index.js';
import { amongForms, type Asked, heightCost, missingCost, soundCost, soundFault } from './ask.js';
import { type FrettedShape, VOICING_TERMS, type VoicingTerm } from './model.js';

/** Frets chosen so far, from string 6 on. */
type SoFar = readonly (number | null)[];
interface State {
  readonly frets: SoFar;
  readonly done: boolean;
}

/** Given frets with their cheapest fingers, and what that costs as an answer. */
export function held(asked: Asked, frets: Frets, most: number) {
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

/** What the neck and the widest pair of fingers allow, whatever strings they are on. */
interface AlongNeck {
  /** Whether two stopped frets can be under the fingers of one hand at all. */
  readonly together: (low: number, high: number) => boolean;
  /** The first stopped fret that any ending of these has at least; Infinity when none is stopped yet. */
  readonly lowestOf: (frets: SoFar) => number;
}
function alongNeck({ hand, highest }: Asked): AlongNeck {
  const widest = Math.max(...FINGER_PAIRS.map((pair) => hand.left.reach[pair].limit));
  const along = Array.from({ length: highest + 1 }, (_, fret) => touchPoint(3, fret, hand.neck).x);
  const together = (low: number, high: number): boolean => (along[high] ?? 0) - (along[low] ?? 0) <= widest;
  /** The lowest fret that can be stopped along with each. */
  const under = along.map((_, high) => along.findIndex((_, low) => low > 0 && together(low, high)));
  const { thumbOver } = hand.left;
  return {
    together,
    lowestOf: (frets) => {
      const apart = thumbOver && (frets[0] ?? 0) > 0 ? (frets[0] ?? 0) : Infinity;
      const high = Math.max(0, ...frets.map((f, i) => (i === 0 && apart < Infinity ? 0 : (f ?? 0))));
      if (high > 0) return Math.min(apart, under[high] ?? 1);
      return apart === Infinity ? Infinity : 1;
    },
  };
}
/** Least cost that any ending of the frets chosen so far has; parts that only grow. */
function leastSoFar(asked: Asked, neck: AlongNeck): (frets: SoFar) => number {
  const ahead = whatIsAhead(asked);
  return (frets) => {
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
      heightCost(asked, neck.lowestOf(frets)) +
      points
    );
  };
}
type FretMove = Move<State, FrettedShape, VoicingTerm>;
/** All strings have their frets: the cheapest fingers are laid on. */
function laidOn(asked: Asked, frets: Frets): FretMove[] {
  if (soundFault(asked, frets) !== null) return [];
  return held(asked, frets, 1).map(({ shape, cost, total }) => ({
    to: { frets, done: true },
    step: shape,
    total,
    cost: () => cost,
  }));
}
/** Five fingers at most, one of them the thumb: more different frets than that can't be held. */
const fits = (frets: SoFar, fret: number): boolean =>
  new Set([...frets.filter((f) => f !== null && f > 0), fret]).size <= 5;
/** The next string takes a fret that can be held with the others, or stays silent. */
function nextString(asked: Asked, { together }: AlongNeck, chosen: SoFar): FretMove[] {
  const free = (frets: SoFar): FretMove => ({ to: { frets, done: false }, step: null, total: 0, cost: () => ({}) });
  // A thumb over the neck stands apart from the fingers.
  const { thumbOver } = asked.hand.left;
  const stopped = chosen.filter((f, i): f is number => f !== null && f > 0 && !(i === 0 && thumbOver));
  const [low, high] = [Math.min(...stopped), Math.max(...stopped)];
  const choices = (asked.frets[chosen.length] ?? []).filter(
    ({ fret }) =>
      fret === 0 || stopped.length === 0 || (together(Math.min(low, fret), Math.max(high, fret)) && fits(chosen, fret)),
  );
  return [...choices.map((c) => free([...chosen, c.fret])), free([...chosen, null])];
}
/** Each string takes a fret or stays silent; at the end the cheapest fingers are laid on. */
export function voicingProblem(asked: Asked): SearchProblem<State, FrettedShape, VoicingTerm> {
  const neck = alongNeck(asked);
  const least = leastSoFar(asked, neck);
  const isWhole = (s: State) => s.frets.length === STRINGS.length;
  return {
    terms: VOICING_TERMS,
    start: { frets: [], done: false },
    key: (s) => `${s.done ? 'held' : ''}${s.frets.map((f) => f ?? 'x').join()}`,
    stage: (s) => s.frets.length + (s.done ? 1 : 0),
    isEnd: (s) => s.done,
    bound: (s) => (s.done ? 0 : isWhole(s) ? leafBound(asked, sixOf(s.frets)) : least(s.frets)),
    moves: (s) => (isWhole(s) ? laidOn(asked, sixOf(s.frets)) : nextString(asked, neck, s.frets)),
  };
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
