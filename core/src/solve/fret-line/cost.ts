import { fretWidth, openPitch, touchAt } from '../../instrument/index.js';
import { fingeringCost, type FingeringHand, handOn } from '../../left-hand/index.js';
import { leftHandOf, latePoints, moveMs } from '../../player/index.js';
import { millisOf, STRINGS, ticks } from '../../time/index.js';
import {
  crosses,
  fingerMove,
  fingerOn,
  guides,
  hops,
  isTwice,
  type Recent,
  slides,
  slidesOver,
} from './finger-moves.js';
import { asShape, type Grip, inHand } from './grip.js';
import type { FretLineRequest, FretTerm, Placed } from './model.js';

export type FretCost = Partial<Record<FretTerm, number>>;
export interface LineHand {
  readonly hand: FingeringHand;
  readonly move: ReturnType<typeof leftHandOf>;
}
export const lineHand = ({ neck, profile }: FretLineRequest): LineHand => ({
  hand: handOn(neck, profile),
  move: leftHandOf(profile),
});

/** What all that is held at once costs as a shape. */
export function holdCost(grip: Grip, hand: FingeringHand) {
  const { frets, fingers } = asShape([...grip.placed, ...grip.ringing]);
  return fingeringCost(frets, fingers, hand);
}

/** What an event costs by itself, wherever the hand comes from: what is held together, its open strings. */
export function ownCost(request: FretLineRequest, { hand }: LineHand, grip: Grip, chord: boolean): FretCost {
  const { weights } = request.school;
  const held = holdCost(grip, hand);
  const share = weights.stretch / Math.max(1, hand.weights.stretch);
  let weak = 0;
  let open = 0;
  let squeeze = 0;
  const double = isDoubleStop(grip.placed);
  for (const n of grip.placed) {
    // A finger's own fret in the first position has its number.
    if (typeof n.finger === 'number' && n.fret > 0) squeeze = Math.max(squeeze, (n.finger - n.fret) * weights.squeeze);
    if (n.finger === 4) weak += weights.weak;
    // The thumb over the neck turns the hand and ties it down.
    if (n.finger === 'T') weak += hand.weights.thumb;
    if (n.fret === 0) open += chord ? 0 : weights.open;
    else {
      const sounds = openPitch(request.tuning, n.string, request.neck.capo) + n.fret;
      if (!chord && !double && STRINGS.some((s) => openPitch(request.tuning, s, request.neck.capo) === sounds))
        open += weights.openMissed;
    }
  }
  return {
    stretch: Math.round(held.stretch * share) + held.order,
    squeeze: held.crowd + squeeze,
    barre: held.barre * weights.barre,
    weak,
    open,
  };
}
/** What an event pays for how far up the hand stands; nothing where open strings sound alone. */
export const heightCost = ({ school }: FretLineRequest, placed: readonly Placed[], position: number): number =>
  placed.some((p) => p.fret > 0) ? (position - 1) * school.weights.height : 0;

/** What the way from one event to the next costs. */
export function wayCost(
  request: FretLineRequest,
  { move }: LineHand,
  before: Grip,
  after: Grip,
  ticksBetween: number,
  recent: Recent | null = null,
): FretCost {
  const { neck, bpm, school } = request;
  const { weights } = school;
  const cost = { shift: 0, late: 0, jump: 0, cut: 0, hinge: 0, squeeze: 0 };
  const [held, holds] = [inHand(before), inHand(after)];
  for (let n = 0; n < after.placed.length; n++) {
    const finger = after.placed[n]?.finger ?? 0;
    if (finger === 0 || isTwice(after.placed, n)) continue;
    const move = fingerMove(held, holds, finger);
    if (move === 'jumps') cost.jump += weights.jump;
    else if (move === 'rolls over') cost.jump += weights.rolls;
    else if (move === 'collapses') cost.hinge += weights.collapses;
    else if (move === 'hinges') cost.hinge += weights.hinge;
  }
  if (weights.otherString) {
    const [a, b] = [top(before.placed), top(after.placed)];
    if (a && b && a.string !== b.string) cost.jump += weights.otherString;
  }
  if (before.placed.length === 2 && after.placed.length === 2) {
    const pair = after.placed.map((n) => n.string);
    cost.jump += weights.otherPair * before.placed.filter((n) => !pair.includes(n.string)).length;
  }
  if (slides(before, after))
    cost.jump += weights.slid * after.placed.filter((n) => fingerOn(before, n.string) !== n.finger).length;
  if (recent) cost.jump += weights.hop * after.placed.filter((n) => hops(request, recent, before, n)).length;
  const single = before.placed.length === 1 && after.placed.length === 1;
  for (const n of after.placed) {
    const { finger, fret } = n;
    if (typeof finger !== 'number' || finger === 0) continue;
    if (after.position > 1 && fret - finger + 1 < after.position) cost.squeeze += weights.pinched;
    for (const p of before.placed) {
      if (p.fret !== fret || p.finger === finger || p.finger === 0) continue;
      if (p.string === n.string) cost.jump += weights.changed;
      else if (single && crosses(p, n)) cost.jump += weights.crosses;
    }
  }
  if (weights.cut && isCut(before, after)) cost.cut = weights.cut;
  const frets = Math.abs(after.position - before.position);
  if (frets > 0) {
    // While open strings sound alone the hand goes where it likes.
    const free = held.every((p) => p.fret === 0);
    const leaving = guides(before, after) ? weights.guided : weights.shift;
    cost.shift = free ? 0 : leaving + frets * weights.perFret;
    const [only, more] = after.placed;
    if (!free && only && !more && slidesOver(before, only)) cost.shift += weights.overOther;
    const at = (fret: number) => touchAt(fret, neck.capo, neck.scaleLength);
    const needed = moveMs(Math.abs(at(after.position) - at(before.position)), fretWidth(after.position, neck), move);
    cost.late = latePoints(weights.late, needed, millisOf(ticks(ticksBetween), bpm));
  }
  return cost;
}
/** Two notes on neighbouring strings keep their pair: none of them is looked for among the open strings. */
const isDoubleStop = ([a, b, ...more]: readonly Placed[]): boolean =>
  a !== undefined && b !== undefined && more.length === 0 && Math.abs(a.string - b.string) === 1;
/** More strings than a double stop are a chord, and no melody. */
const DOUBLE_STOP = 2;
/** Whether the melody's note is let go though its string is not struck again: a note rings softly unless it is cut. */
function isCut(before: Grip, after: Grip): boolean {
  const note = before.placed.length > DOUBLE_STOP ? undefined : top(before.placed);
  if (!note || note.fret === 0 || after.placed.some((p) => p.string === note.string)) return false;
  const isNeeded = after.placed.some((p) => p.finger === note.finger && p.fret !== note.fret);
  // What must ring is held; everything else a hand that goes takes with it.
  return !after.ringing.some((r) => r.string === note.string) && (isNeeded || after.position !== before.position);
}
/** The melody's note: the highest string struck. */
const top = (placed: readonly Placed[]): Placed | undefined =>
  placed.reduce<Placed | undefined>((best, p) => (!best || p.string < best.string ? p : best), undefined);
