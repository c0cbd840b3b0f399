import { pointsOf } from '../../search/index.js';
import { changePoints } from '../../left-hand/index.js';
import { type StringNumber, STRINGS } from '../../time/index.js';
import type { FrettedShape } from '../voicings/index.js';
import { ROW_WEIGHTS, type RowAnswer, type RowRequest, STRINGS_FEWER } from './model.js';
import { goesWith, isOther } from './others.js';

const sounding = (s: FrettedShape): number => s.frets.filter((f) => f !== null).length;
/** What a chord costs that has fewer strings than the one before. */
export const thinningCost = (from: FrettedShape, to: FrettedShape): number =>
  ROW_WEIGHTS.thinning * Math.max(0, sounding(from) - sounding(to) - STRINGS_FEWER);
/** What strings cost that the right hand plays and that stay silent. */
export const unsoundedCost = (shape: FrettedShape, played: readonly StringNumber[] = []): number =>
  ROW_WEIGHTS.unsounded * played.filter((s) => (shape.frets[STRINGS.indexOf(s)] ?? null) === null).length;

/** Other fingers than those that are taught, beside which neither neighbour goes. */
function isAlone(request: RowRequest, shapes: readonly FrettedShape[], i: number): boolean {
  const own = shapes[i];
  if (!own || !isOther(request, i, own)) return false;
  const round = request.round && shapes.length > 1;
  const beside = [
    shapes[i - 1] ?? (round ? shapes.at(-1) : undefined),
    shapes[i + 1] ?? (round ? shapes[0] : undefined),
  ];
  return !beside.some((b) => b && goesWith(own, b));
}
/**
 * What a row of shapes costs: each shape for itself, each change, strings that are fewer from chord to chord, strings that
 * are played and don't sound, and fingers other than those that are taught.
 * @param own what each shape costs as an answer to its chord
 */
export function scoreRow(request: RowRequest, shapes: readonly FrettedShape[], own: readonly number[]): RowAnswer {
  let [changes, thinning] = [0, 0];
  shapes.forEach((s, i) => {
    const next = shapes[i + 1] ?? (request.round && shapes.length > 1 ? shapes[0] : undefined);
    if (!next) return;
    changes += changePoints(s, next, request.neck);
    thinning += thinningCost(s, next);
  });
  const cost = {
    shapes: own.reduce((a, b) => a + b, 0),
    changes,
    thinning,
    unsounded: shapes.reduce((sum, s, i) => sum + unsoundedCost(s, request.plays?.[i]), 0),
    others: ROW_WEIGHTS.others * shapes.filter((_, i) => isAlone(request, shapes, i)).length,
  };
  return { shapes, cost, total: pointsOf(cost) };
}
