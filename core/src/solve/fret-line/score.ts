import { addCost, pointsOf, zeroCost } from '../../search/index.js';
import { type Fact, fact, factBecause } from '../../fault/index.js';
import { openPitch } from '../../instrument/index.js';
import { type Ask, settled } from '../../player/index.js';
import { waysOf } from './choices.js';
import { comingBack } from './comes-back.js';
import { type FretCost, lineHand, heightCost, ownCost, wayCost } from './cost.js';
import { canHold, type Grip, gripsOf, isChord } from './grip.js';
import { pedalCost, pedalsIn } from './pedals.js';
import { FRET_TERMS, type FretAnswer, type FretLineRequest, type FretRefusal, type Placed } from './model.js';

/** What a fretting costs, event after event, apart from any search; why not when it can't be played. */
export function scoreFretting(
  ask: Ask<FretLineRequest>,
  steps: readonly (readonly Placed[])[],
): FretAnswer | { readonly faults: readonly Fact<FretRefusal>[] } {
  const request = settled<FretLineRequest>(ask);
  const hand = lineHand(request);
  const ways = waysOf(request);
  const faults: Fact<FretRefusal>[] = [];
  const cost = zeroCost(FRET_TERMS);
  const add = (c: FretCost) => {
    addCost(cost, c);
  };
  const grips = gripsOf(request, steps);
  const pedals = pedalsIn(request);
  const back = comingBack(request);
  request.events.forEach((event, i) => {
    const placed = steps[i] ?? [];
    if (isChord(event)) {
      const found = ways(event);
      if ('fault' in found) faults.push(factBecause(found.fault, 'event can’t be played', i + 1));
      else {
        const held = found.ways.find((way) => sameNotes(way.placed, placed));
        if (held) cost.sound += held.sound;
        else faults.push(fact('none of its shapes', i + 1));
      }
    }
    event.notes.forEach((note, n) => {
      const own = placed[n];
      const right = own && openPitch(request.tuning, own.string, request.neck.capo) + own.fret === note.midi;
      if (!right) faults.push(fact('another pitch', i + 1, n + 1));
      if (own && note.string !== undefined && note.string !== own.string)
        faults.push(fact('another string', i + 1, n + 1));
      if (own && note.finger !== undefined && note.finger !== own.finger)
        faults.push(fact('another finger', i + 1, n + 1));
      if (own && own.fret > (request.highestFret ?? 12)) faults.push(fact('too high', i + 1, n + 1));
    });
    const [before, grip] = [grips[i - 1], grips[i] as Grip];
    const earlier = request.events[i - 1];
    // A finger that lies over several strings reaches from the nearest of them: its own notes alone may lie farther.
    if (!canHold(placed, hand.hand) || !canHold([...placed, ...grip.ringing], hand.hand))
      faults.push(fact('can’t be held with what rings', i + 1));
    else {
      add(ownCost(request, hand, grip, isChord(event)));
      add({ pedal: pedalCost(request, pedals[i] ?? null, placed), height: heightCost(request, placed, grip.position) });
      const coming = back[i];
      const recent = coming ? { placed: steps[i - 2] ?? [], coming } : null;
      if (before && earlier) add(wayCost(request, hand, before, grip, event.at - earlier.at, recent));
    }
  });
  if (faults.length) return { faults };
  return { steps, cost, total: pointsOf(cost) };
}
const sameNotes = (a: readonly Placed[], b: readonly Placed[]): boolean =>
  a.length === b.length &&
  a.every((p) => b.some((q) => q.string === p.string && q.fret === p.fret && q.finger === p.finger));
