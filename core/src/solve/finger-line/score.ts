import { pointsOf, zeroCost } from '../../search/index.js';
import { type Finger, ringingBefore } from '../../stroke/index.js';
import { lateCost, type LineCost, noteCost, pairCost, pairsCost } from './cost.js';
import { earlierLateness } from './earlier-strokes.js';
import { setsInForce } from './homes.js';
import { LINE_TERMS, type LineAnswer, type LineRequest, type LineTerm } from './model.js';
import { withoutSeam } from './taught.js';

/** What a fingering costs, note after note, apart from any search. */
export function scoreLine(asked: LineRequest, fingers: readonly (readonly Finger[])[]): LineAnswer {
  const request = withoutSeam(asked);
  const cost = zeroCost(LINE_TERMS);
  const add = (c: LineCost, as?: LineTerm) => {
    for (const t of LINE_TERMS) cost[as ?? t] += c[t] ?? 0;
  };
  const { notes, loop } = request;
  const ringing = ringingBefore(notes);
  const sets = setsInForce(request);
  notes.forEach((note, i) => {
    const own = fingers[i] ?? [];
    add(noteCost(request, i, own, ringing[i] ?? new Set(), sets[i] ?? 0));
    const before = notes[i - 1];
    if (before) add(pairCost(request, before, fingers[i - 1] ?? [], note, own));
    const twoBefore = notes[i - 2];
    cost.late += earlierLateness(request, fingers, i);
    if (twoBefore) cost.late += lateCost(request, twoBefore, fingers[i - 2] ?? [], fingers[i - 1] ?? [], note, own);
  });
  cost.pair += pairsCost(request, fingers);
  const [first, last] = [notes[0], notes.at(-1)];
  if (loop !== undefined && first && last && notes.length > 1)
    add(pairCost(request, last, fingers.at(-1) ?? [], first, fingers[0] ?? [], loop), 'seam');
  return { steps: fingers, cost, total: pointsOf(cost) };
}
