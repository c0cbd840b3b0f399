import { bassString, changeBetween, changePoints, type StrokeNear } from '../../left-hand/index.js';
import { latePoints } from '../../player/index.js';
import { millisOf, type StringNumber, STRINGS, ticks, TICKS_PER_COUNT } from '../../time/index.js';
import type { FrettedShape } from '../voicings/index.js';
import { ownStrokes } from './bass-part.js';
import { type FigureBeat, isStrummed } from './figure.js';
import type { Laid } from './laid.js';
import { type CompRequest, type CompTerm, type PushPlan } from './model.js';
import { fingerSet, heardTones, heldFor } from './sounding.js';
import { COMP_WEIGHTS } from './weights.js';

export type CompCost = Readonly<Partial<Record<CompTerm, number>>>;

/** What a chord of the chart pays for its shape alone. */
export function ownCost(request: CompRequest, name: string, shape: FrettedShape, total: number): CompCost {
  const asked = request.strings?.[name] ?? strummedOver(request, shape);
  const { unheard, colours } = heardTones(request, name, shape);
  const silent = asked.filter((s) => (shape.frets[6 - s] ?? null) === null).length;
  return {
    shapes: total,
    unsounded: COMP_WEIGHTS.unsounded * silent,
    unheard: COMP_WEIGHTS.unheard * (unheard.length - colours) + COMP_WEIGHTS.colour * colours,
  };
}

/** A strum goes through all strings from its lowest to the thinnest. */
function strummedOver({ figure, cycle }: CompRequest, shape: FrettedShape): readonly StringNumber[] {
  const bass = bassString(shape);
  return bass !== null && isStrummed(figure, cycle) ? STRINGS.filter((s) => s <= bass) : [];
}

/** Strokes further away than this say nothing about a change. */
const NEAR = 4 * TICKS_PER_COUNT;
/** The time that a change leaves, and what it needs, for the finger with least room. */
export interface Room {
  readonly neededMs: number;
  readonly thereMs: number;
}
export function roomAt(
  request: CompRequest,
  laid: Laid,
  n: number,
  plan: PushPlan,
  from: FrettedShape,
  to: FrettedShape,
): Room | null {
  const { chords, names, length } = laid;
  const before = (n - 1 + chords.length) % chords.length;
  const [a, b] = [chords[before], chords[n]];
  if (!a || !b) return null;
  const shift = n === 0 ? length : 0;
  const due = plan[n] && b.tied ? b.tied.at : b.at;
  const [nameA, nameB] = [names[a.name] ?? '', names[b.name] ?? ''];
  const strokes: StrokeNear[] = [];
  /** The last stroke before it, or the first from it on, is the one that counts of each hand's part. */
  const take = (at: number | undefined, strings: readonly StringNumber[]) => {
    if (at === undefined || Math.abs(at - due) > NEAR) return;
    const ms = millisOf(ticks(Math.abs(at - due)), request.tempo);
    strokes.push({ ms: at < due ? 0 - ms : ms, strings });
  };
  const [left, come] = [ownStrokes(laid, before, plan), ownStrokes(laid, n, plan)];
  const shifted = (list: readonly FigureBeat[]) => {
    const last = list.at(-1);
    return last ? last.at - shift : undefined;
  };
  const bassOf = (shape: FrettedShape) => [bassString(shape) ?? 6] as const;
  take(shifted(left.thumb), bassOf(from));
  take(shifted(left.fingers), fingerSet(request, nameA, from));
  take(come.thumb[0]?.at, bassOf(to));
  take(come.fingers[0]?.at, fingerSet(request, nameB, to));
  const change = changeBetween({
    from: { id: 'from', name: nameA, ...heldFor(request, nameA, from) },
    to: { id: 'to', name: nameB, ...heldFor(request, nameB, to) },
    neck: request.neck,
    profile: request.profile,
    strokes,
  });
  return change.sequential;
}

/** What a change pays by itself; the basses that lead to it come on top. */
export function changeCost(
  request: CompRequest,
  laid: Laid,
  n: number,
  plan: PushPlan,
  from: FrettedShape,
  to: FrettedShape,
): CompCost {
  const before = (n - 1 + laid.chords.length) % laid.chords.length;
  const room = roomAt(request, laid, n, plan, from, to);
  const [nameA, nameB] = [laid.chords[before], laid.chords[n]].map((c) => laid.names[c?.name ?? 0] ?? '');
  return {
    changes: changePoints(heldFor(request, nameA ?? '', from), heldFor(request, nameB ?? '', to), request.neck),
    late: room ? latePoints(COMP_WEIGHTS.late, room.neededMs, room.thereMs) : 0,
    ties: laid.chords[n]?.tied ? (plan[n] ? COMP_WEIGHTS.push : COMP_WEIGHTS.tied) : 0,
  };
}
