import {
  fingeringFaults,
  type FingeringHand,
  type Fingers,
  type Frets,
  handOn,
  positionOf,
} from '../../left-hand/index.js';
import { perString } from '../../time/index.js';
import type { FretEvent, FretLineRequest, Placed } from './model.js';

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

/** All that the fingers stop. */
export const inHand = (grip: Grip): readonly Placed[] =>
  grip.ringing.length ? [...grip.placed, ...grip.ringing] : grip.placed;

/** Notes that are held at once, as a shape. */
export const asShape = (notes: readonly Placed[]): { frets: Frets; fingers: Fingers } => ({
  frets: perString((string) => notes.find((n) => n.string === string)?.fret ?? null),
  fingers: perString((string) => notes.find((n) => n.string === string)?.finger ?? null),
});

/** Whether one hand can hold all of it at once. */
export function canHold(notes: readonly Placed[], hand: FingeringHand): boolean {
  if (new Set(notes.map((n) => n.string)).size !== notes.length) return false;
  const { frets, fingers } = asShape(notes);
  return fingeringFaults(frets, fingers, hand).length === 0;
}

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
  const hand = handOn(request.neck, request.profile);
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
