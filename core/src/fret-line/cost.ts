import { openPitch } from '../fretting/index.js';
import { fretWidth, leftHandOf, touchAt } from '../neck/index.js';
import { moveMs } from '../changes/index.js';
import { STRINGS, TICKS_PER_COUNT } from '../time/index.js';
import {
  fingeringCost,
  fingeringFaults,
  handOn,
  type FingeringHand,
  type Fingers,
  type Frets,
} from '../voicing/index.js';
import type { FretLineRequest, FretTerm, Placed } from './model.js';

export type FretCost = Partial<Record<FretTerm, number>>;
/** What the hand holds when an event begins: its own notes, and those that still ring. */
export interface Grip {
  readonly placed: readonly Placed[];
  readonly ringing: readonly (Placed & { readonly until: number })[];
  /** Fret under the first finger; an open string leaves the hand where it was. */
  readonly position: number;
}

const asShape = (notes: readonly Placed[]): { frets: Frets; fingers: Fingers } => ({
  frets: STRINGS.map((string) => notes.find((n) => n.string === string)?.fret ?? null),
  fingers: STRINGS.map((string) => notes.find((n) => n.string === string)?.finger ?? null),
});

/** Whether one hand can hold all of it at once. */
export function canHold(notes: readonly Placed[], hand: FingeringHand): boolean {
  if (new Set(notes.map((n) => n.string)).size !== notes.length) return false;
  const { frets, fingers } = asShape(notes);
  return fingeringFaults(frets, fingers, hand).length === 0;
}

/** The hand's position that goes with stopped notes; what it was when none is stopped. */
export function positionOf(notes: readonly Placed[], before: number): number {
  const firsts = notes.flatMap((n) => (typeof n.finger === 'number' && n.finger > 0 ? [n.fret - n.finger + 1] : []));
  return firsts.length ? Math.max(1, Math.min(...firsts)) : before;
}

export interface LineHand {
  readonly hand: FingeringHand;
  readonly move: ReturnType<typeof leftHandOf>;
}
export const lineHand = ({ neck, profile }: FretLineRequest): LineHand => ({
  hand: handOn(neck, profile),
  move: leftHandOf(profile),
});

/** What an event costs by itself: what is held together, its open strings, how high up it is. */
export function ownCost(request: FretLineRequest, { hand }: LineHand, grip: Grip): FretCost {
  const { weights } = request.school;
  const { frets, fingers } = asShape([...grip.placed, ...grip.ringing]);
  const held = fingeringCost(frets, fingers, hand);
  const share = weights.stretch / Math.max(1, hand.weights.stretch);
  let weak = 0;
  let open = 0;
  let height = 0;
  for (const n of grip.placed) {
    if (n.finger === 4) weak += weights.weak;
    if (n.fret === 0) open += weights.open;
    else {
      height = Math.max(height, (grip.position - 1) * weights.height);
      const sounds = openPitch(request.tuning, n.string, request.neck.capo) + n.fret;
      if (STRINGS.some((s) => openPitch(request.tuning, s, request.neck.capo) === sounds)) open += weights.openMissed;
    }
  }
  return {
    stretch: Math.round(held.stretch * share) + held.order + held.crowd,
    barre: held.barre * weights.barre,
    weak,
    open,
    height,
  };
}

/** What the way from one event to the next costs. */
export function wayCost(
  request: FretLineRequest,
  { move }: LineHand,
  before: Grip,
  after: Grip,
  ticksBetween: number,
): FretCost {
  const { neck, bpm, school } = request;
  const { weights } = school;
  const cost: { shift: number; late: number; jump: number } = { shift: 0, late: 0, jump: 0 };
  for (const n of after.placed) {
    if (n.finger === 0) continue;
    const same = before.placed.find((p) => p.finger === n.finger);
    if (same && same.string !== n.string && same.fret !== n.fret) cost.jump += weights.jump;
    else if (same && same.string !== n.string) cost.jump += Math.round(weights.jump / 2);
  }
  if (weights.otherString) {
    const [a, b] = [top(before.placed), top(after.placed)];
    if (a && b && a.string !== b.string) cost.jump += weights.otherString;
  }
  const frets = Math.abs(after.position - before.position);
  if (frets > 0) {
    const guided = after.placed.some(
      (n) => n.finger !== 0 && before.placed.some((p) => p.finger === n.finger && p.string === n.string),
    );
    cost.shift = (guided ? weights.guided : weights.shift) + frets * weights.perFret;
    const at = (fret: number) => touchAt(fret, neck.capo, neck.scaleLength);
    const needed = moveMs(Math.abs(at(after.position) - at(before.position)), fretWidth(after.position, neck), move);
    const there = (ticksBetween * 60_000) / (TICKS_PER_COUNT * bpm);
    if (needed > there) cost.late = Math.round(weights.late * (needed / Math.max(1, there) - 1));
  }
  return cost;
}
/** The melody's note: the highest string struck. */
const top = (placed: readonly Placed[]): Placed | undefined =>
  placed.reduce<Placed | undefined>((best, p) => (!best || p.string < best.string ? p : best), undefined);

/** What goes on ringing into an event at a place. */
export const stillRinging = (
  grip: Grip,
  starts: number,
  at: number,
  rings: readonly (number | undefined)[],
): Grip['ringing'] => [
  ...grip.ringing.filter((r) => r.until > at),
  ...grip.placed.flatMap((p, i) => {
    const until = starts + (rings[i] ?? 0);
    return until > at ? [{ ...p, until }] : [];
  }),
];
