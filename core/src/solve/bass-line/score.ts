import { type Fact, fact } from '../../fault/index.js';
import { type Ask, settled } from '../../player/index.js';
import { addCost, type CostSplit, pointsOf, zeroCost } from '../../search/index.js';
import { bassFaults } from './bass-line.js';
import { askedBass, choicesFor, isSame, wayOn } from './cost.js';
import {
  BASS_TERMS,
  type BassAnswer,
  type BassRefusal,
  type BassRequest,
  type BassTerm,
  type PlayedBass,
} from './model.js';

/** What a bass line costs as an answer to a request, apart from any search; why not when it is none. */
export function scoreBass(
  ask: Ask<BassRequest>,
  notes: readonly PlayedBass[],
): BassAnswer | { readonly faults: readonly Fact<BassRefusal>[] } {
  const request = settled<BassRequest>(ask);
  const unread = bassFaults(request);
  if (unread.length) return { faults: unread };
  const asked = askedBass(request);
  const chosen = request.strokes.map((_, n) => {
    const own = choicesFor(asked, n);
    const note = notes[n];
    return note
      ? (own.find((c) => isSame(c, note)) ?? outOf(own, note, n))
      : fact('bass not asked for' as const, n + 1);
  });
  const faults: Fact<BassRefusal>[] = chosen.flatMap((c) => ('code' in c ? [c] : []));
  if (notes.length > chosen.length) faults.push(fact('bass not asked for', chosen.length + 1));
  if (faults.length) return { faults };
  const cost = zeroCost(BASS_TERMS);
  const add = (more: Partial<CostSplit<BassTerm>>) => {
    addCost(cost, more);
  };
  chosen.forEach((c, n) => {
    if ('code' in c) return;
    add(c.cost);
    const last = n === chosen.length - 1;
    const to = last ? 0 : n + 1;
    const next = chosen[to];
    if (next && !('code' in next) && (!last || (request.round && n > 0))) add(wayOn(asked, n, c, to, next));
  });
  return { steps: notes, cost, total: pointsOf(cost) };
}
/** The note is another than the habit asks for, or no finger gets there like that. */
const outOf = (own: readonly PlayedBass[], { string, fret }: PlayedBass, n: number): Fact<BassRefusal> =>
  own.some((c) => c.string === string && c.fret === fret)
    ? fact('bass out of reach', n + 1, string, fret)
    : fact('bass not asked for', n + 1, string, fret);
