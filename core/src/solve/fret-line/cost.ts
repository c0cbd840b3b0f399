import { fretWidth, openPitch, touchAt } from '../../instrument/index.js';
import {
  fingeringCost,
  fingeringFaults,
  type FingeringHand,
  type Fingers,
  type Frets,
  handOn,
  type LeftFinger,
  positionOf,
} from '../../left-hand/index.js';
import { leftHandOf, latePoints, moveMs } from '../../player/index.js';
import { millisOf, perString, STRINGS, ticks } from '../../time/index.js';
import type { FretEvent, FretLineRequest, FretTerm, Placed } from './model.js';

export type FretCost = Partial<Record<FretTerm, number>>;
export interface RingingNote extends Placed {
  readonly until: number;
  /** Ends as soon as its string is struck: the upper notes of a chord that rings. */
  readonly yields: boolean;
}
/** What the hand holds when an event begins: its own notes, and those that still ring. */
export interface Grip {
  readonly placed: readonly Placed[];
  readonly ringing: readonly RingingNote[];
  /** Fret under the first finger; an open string leaves the hand where it was. */
  readonly position: number;
}

const asShape = (notes: readonly Placed[]): { frets: Frets; fingers: Fingers } => ({
  frets: perString((string) => notes.find((n) => n.string === string)?.fret ?? null),
  fingers: perString((string) => notes.find((n) => n.string === string)?.finger ?? null),
});

/** Whether one hand can hold all of it at once. */
export function canHold(notes: readonly Placed[], hand: FingeringHand): boolean {
  if (new Set(notes.map((n) => n.string)).size !== notes.length) return false;
  const { frets, fingers } = asShape(notes);
  return fingeringFaults(frets, fingers, hand).length === 0;
}

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

/** Between which places the first finger would stand, were each finger that is down in its own place. */
export interface HandSpan {
  readonly least: number;
  readonly most: number;
  readonly first: boolean;
}
/** @returns null when no finger is down */
export function spanOf(notes: readonly Placed[]): HandSpan | null {
  const least = positionOf(notes);
  if (least === null) return null;
  let most = least;
  let first = false;
  for (const { finger, fret } of notes) {
    if (typeof finger === 'number' && finger > 0) most = Math.max(most, fret - finger + 1);
    first ||= finger === 1;
  }
  return { least, most, first };
}
/**
 * Where the hand stands with these fingers down: where it stood, as long as one of them is in its place there, or all of
 * those that come down are squeezed beside their neighbours; a finger that has gone to another fret takes it along.
 * @returns the fret under the first finger; null when none is down
 */
export function standsAt(before: Grip | null, placed: readonly Placed[], span: HandSpan | null): number | null {
  if (!span) return null;
  const { least, most, first } = span;
  if (!before || before.placed.length + before.ringing.length === 0) return least;
  const there = before.position;
  if (least <= there && there <= most) return there;
  const isPinched = !first && least === most && most === there - 1;
  return isPinched && !placed.some((p) => hasGone(before, p)) ? there : least;
}
/** Whether a finger was on another fret before. */
function hasGone({ placed, ringing }: Grip, { finger, fret }: Placed): boolean {
  if (finger === 0) return false;
  const gone = (q: Placed) => q.finger === finger && q.fret !== fret;
  return placed.some(gone) || ringing.some(gone);
}

/** What was played before the last event, where the coming note belongs to a shape that is held. */
export interface Recent {
  readonly placed: readonly Placed[];
  /** Pitches that come again after the coming note. */
  readonly coming: ReadonlySet<number>;
}
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
const inHand = (grip: Grip): readonly Placed[] =>
  grip.ringing.length ? [...grip.placed, ...grip.ringing] : grip.placed;
/**
 * A finger that left a string for another while a note was between, and both come back, or lie on one fret; or another
 * finger than before on a note that has come back.
 */
function hops(
  { tuning, neck }: FretLineRequest,
  { placed, coming }: Recent,
  before: Grip,
  { finger, string, fret }: Placed,
) {
  if (finger === 0 || inHand(before).some((p) => p.finger === finger)) return false;
  const from = placed.find((p) => p.finger === finger);
  // A note that comes back keeps the finger that lies on it.
  if (placed.some((p) => p.string === string && p.fret === fret && p.finger !== finger)) return true;
  if (!from || from.string === string) return false;
  return from.fret === fret || coming.has(openPitch(tuning, from.string, neck.capo) + from.fret);
}
/** On one fret the higher finger lies on the thinner string. */
const crosses = (a: Placed, b: Placed): boolean => a.finger < b.finger === a.string < b.string;
/** Whether a note's finger stops one before it in the list as well. */
function isTwice(placed: readonly Placed[], n: number): boolean {
  for (let i = 0; i < n; i++) if (placed[i]?.finger === placed[n]?.finger) return true;
  return false;
}
/** A finger that goes to another string. */
function acrossTo(finger: LeftFinger, sameFret: boolean, strings: number): FingerMove {
  if (!sameFret || strings > (finger === 1 ? FAR_COLLAPSE : 1)) return 'jumps';
  return finger === 1 ? 'collapses' : 'rolls over';
}
/** So many strings on the first finger still collapses over a string. */
const FAR_COLLAPSE = 2;
/** A finger that goes along its string to a fret over which another one lay. */
function slidesOver(before: Grip, { finger, string, fret }: Placed): boolean {
  const lies = fret - before.position + 1;
  if (finger === 0 || finger === lies || lies < 1 || lies > 4) return false;
  return before.placed.some((p) => p.finger === finger && p.string === string && p.fret !== fret);
}
/**
 * What a finger that stops a note does from one event to the next: it jumps to another string and fret, rolls
 * over to a neighbouring string on its fret, which the first does by collapsing or standing up, works as a hinge between
 * one string and several, or none of these.
 */
export type FingerMove = 'jumps' | 'rolls over' | 'collapses' | 'hinges' | 'none';
export function fingerMove(held: readonly Placed[], holds: readonly Placed[], finger: LeftFinger): FingerMove {
  if (finger === 0) return 'none';
  const [one, other] = [held[0], holds[0]];
  // A note after a note, as lines mostly are.
  if (held.length === 1 && holds.length === 1 && one && other) {
    if (one.finger !== finger || one.string === other.string) return 'none';
    return acrossTo(finger, one.fret === other.fret, Math.abs(one.string - other.string));
  }
  const [from, to] = [held.filter((p) => p.finger === finger), holds.filter((p) => p.finger === finger)];
  const [a, b] = [from[0], to[0]];
  if (!a || !b) return 'none';
  const shared = to.some((p) => from.some((q) => q.string === p.string));
  if (!shared) {
    const far = Math.min(...from.flatMap((p) => to.map((q) => Math.abs(p.string - q.string))));
    return acrossTo(finger, a.fret === b.fret, far);
  }
  return a.fret === b.fret && from.length > 1 !== to.length > 1 ? 'hinges' : 'none';
}
const fingerOn = (grip: Grip, string: number): LeftFinger | undefined =>
  grip.placed.find((p) => p.string === string)?.finger;
/** Two notes or more go along their strings, each as far as the others. */
function slides(before: Grip, after: Grip): boolean {
  if (after.placed.length < 2 || before.placed.length !== after.placed.length) return false;
  const ways = new Set(
    after.placed.map((n) => {
      const from = before.placed.find((p) => p.string === n.string)?.fret ?? 0;
      return n.fret === 0 || from === 0 ? NaN : n.fret - from;
    }),
  );
  const [way] = ways;
  return ways.size === 1 && !!way;
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
/** Whether a finger stays on its string and leads the hand to its next place. */
export const guides = (before: Grip, after: Grip): boolean =>
  after.placed.some((n) => n.finger !== 0 && before.placed.some((p) => p.finger === n.finger && p.string === n.string));

/** The melody's note: the highest string struck. */
const top = (placed: readonly Placed[]): Placed | undefined =>
  placed.reduce<Placed | undefined>((best, p) => (!best || p.string < best.string ? p : best), undefined);

/** What may go on ringing into an event at a place. */
export function stillRinging(grip: Grip, earlier: FretEvent, at: number): readonly RingingNote[] {
  const rings = earlier.rings !== undefined || earlier.notes.some((n) => n.rings !== undefined);
  if (!rings && grip.ringing.length === 0) return NOTHING;
  const own = grip.placed.map((p, i): RingingNote => ({
    ...p,
    until: earlier.at + (earlier.rings ?? earlier.notes[i]?.rings ?? 0),
    yields: earlier.rings !== undefined && i > 0,
  }));
  return [...grip.ringing, ...own].filter((r) => r.until > at);
}
const NOTHING: readonly RingingNote[] = [];
/**
 * What of it goes on under the notes struck there: the upper notes of a chord end where their string is struck, and all of
 * them as soon as the hand has to leave them; its bass rings on.
 */
export function under(
  ringing: readonly RingingNote[],
  struck: readonly Placed[],
  hand: FingeringHand,
): readonly RingingNote[] {
  if (!ringing.some((r) => r.yields)) return ringing;
  const on = ringing.filter((r) => !(r.yields && struck.some((p) => p.string === r.string)));
  return canHold([...struck, ...on], hand) ? on : on.filter((r) => !r.yields);
}

/** Whether an event is a chord held as a shape. */
export const isChord = (event: FretEvent): boolean => event.notes.length === 0;

/** What the hand holds at every event of a line that is fingered. */
export function gripsOf(request: FretLineRequest, steps: readonly (readonly Placed[])[]): Grip[] {
  const { events } = request;
  const { hand } = lineHand(request);
  const grips: Grip[] = [];
  events.forEach((event, i) => {
    const placed = steps[i] ?? [];
    const [before, earlier] = [grips[i - 1], events[i - 1]];
    const ringing = before && earlier ? under(stillRinging(before, earlier, event.at), placed, hand) : [];
    grips.push({
      placed,
      ringing,
      position: standsAt(before ?? null, placed, spanOf([...placed, ...ringing])) ?? before?.position ?? 1,
    });
  });
  return grips;
}
