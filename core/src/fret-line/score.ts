import { canHold, lineHand, ownCost, positionOf, stillRinging, wayCost, type FretCost, type Grip } from './cost.js';
import { FRET_TERMS, type FretAnswer, type FretLineRequest, type FretTerm, type Placed } from './model.js';
import { openPitch } from '../fretting/index.js';

/** What a fretting costs, event after event, apart from any search; faults in words when it can't be played. */
export function scoreFretting(
  request: FretLineRequest,
  steps: readonly (readonly Placed[])[],
): FretAnswer | { readonly faults: readonly string[] } {
  const hand = lineHand(request);
  const faults: string[] = [];
  const cost = Object.fromEntries(FRET_TERMS.map((t) => [t, 0])) as Record<FretTerm, number>;
  const add = (c: FretCost) => {
    for (const t of FRET_TERMS) cost[t] += c[t] ?? 0;
  };
  let before: Grip | null = null;
  request.events.forEach((event, i) => {
    const placed = steps[i] ?? [];
    event.notes.forEach((note, n) => {
      const own = placed[n];
      const right = own && openPitch(request.tuning, own.string, request.neck.capo) + own.fret === note.midi;
      if (!right) faults.push(`Event ${i + 1}, note ${n + 1} sounds another pitch.`);
      if (own && note.string !== undefined && note.string !== own.string)
        faults.push(`Event ${i + 1}, note ${n + 1} is on another string.`);
      if (own && note.finger !== undefined && note.finger !== own.finger)
        faults.push(`Event ${i + 1}, note ${n + 1} has another finger.`);
      if (own && own.fret > (request.highestFret ?? 12)) faults.push(`Event ${i + 1}, note ${n + 1} is too high.`);
    });
    const earlier = request.events[i - 1];
    const ringing: Grip['ringing'] =
      before && earlier
        ? stillRinging(
            before,
            earlier.at,
            event.at,
            earlier.notes.map((x) => x.rings),
          )
        : [];
    const grip: Grip = { placed, ringing, position: positionOf([...placed, ...ringing], before?.position ?? 1) };
    if (!canHold([...placed, ...ringing], hand.hand)) faults.push(`Event ${i + 1} can’t be held with what rings.`);
    else {
      add(ownCost(request, hand, grip));
      if (before && earlier) add(wayCost(request, hand, before, grip, event.at - earlier.at));
    }
    before = grip;
  });
  if (faults.length) return { faults };
  return { steps, cost, total: FRET_TERMS.reduce((sum, t) => sum + cost[t], 0) };
}
