import { type Fact, fact, factBecause } from '../../fault/index.js';
import { lineFaults } from './choices.js';
import { type Ask, settled } from '../../player/index.js';
import {
  kBest,
  leastTotal,
  type Move,
  type SearchProblem,
  type SearchWatch,
  withExactBound,
} from '../../search/index.js';
import type { Way } from './choices.js';
import { comingBack } from './comes-back.js';
import { type FretCost, heightCost, wayCost } from './cost.js';
import { type Grip, isChord, standsAt, stillRinging, under } from './grip.js';
import { pedalCost, pedalsIn } from './pedals.js';
import { holdingFor, placedText, pointsOf, ringingText } from './held.js';
import {
  FRET_TERMS,
  type FretAnswer,
  type FretEvent,
  type FretLineRequest,
  type FretLineResult,
  type FretRefusal,
  type FretTerm,
  type Placed,
} from './model.js';

interface State extends Grip {
  readonly n: number;
  /** What the event before the last one played, where the next one asks for it. */
  readonly recent: readonly Placed[];
}
const NOTHING: readonly Placed[] = [];
const NO_WAY: FretCost = {};

/**
 * String, fret and finger for every note of a line, the k best ways, with the cost of each by named term.
 * A note that rings keeps its finger and its string.
 * @returns reasons when it can't be played
 * @throws SearchCancelled when the watch says so
 */
export function fretLine(ask: Ask<FretLineRequest>, watch: SearchWatch = {}): FretLineResult {
  const request = settled<FretLineRequest>(ask);
  const asked = fretProblem(request);
  if ('faults' in asked) return { infeasible: asked.faults };
  const { paths, looked } = kBest(withExactBound(asked.problem, request.events.length, watch), request.k ?? 5, watch);
  const answers: readonly FretAnswer[] = paths;
  return answers.length ? { answers, looked } : { infeasible: [asked.stuck()] };
}
/** The points of the best fretting alone, or why there is none: for comparing many. */
export function leastFretting(request: FretLineRequest, holding = holdingFor(request)): number | Fact<FretRefusal> {
  const asked = fretProblem(request, holding);
  if ('faults' in asked) return asked.faults[0] ?? fact('no notes');
  return leastTotal(asked.problem) ?? asked.stuck();
}

/** The ways of an event that are weighed: all of them, or as many as are wished. */
function cheapest(ways: readonly Way[], { mostWays }: FretLineRequest, points: (way: Way) => number): readonly Way[] {
  if (mostWays === undefined || ways.length <= mostWays) return ways;
  const weighed = ways.map((way) => ({ way, points: points(way) }));
  return weighed
    .sort((a, b) => a.points - b.points)
    .slice(0, mostWays)
    .map((w) => w.way);
}

interface Asked {
  readonly problem: SearchProblem<State, readonly Placed[], FretTerm>;
  /** Why no way leads to the end. */
  readonly stuck: () => Fact<FretRefusal>;
}
function fretProblem(
  request: FretLineRequest,
  { hand, ways, under: heldUnder } = holdingFor(request),
): Asked | { readonly faults: readonly Fact<FretRefusal>[] } {
  const faults = lineFaults(request);
  if (faults.length) return { faults };
  const pedals = pedalsIn(request);
  const back = comingBack(request);
  const choices: (readonly Way[])[] = [];
  for (const [i, event] of request.events.entries()) {
    const found = ways(event);
    if ('fault' in found) return { faults: [factBecause(found.fault, 'event can’t be played', i + 1)] };
    const pedal = pedals[i] ?? null;
    const points = (way: Way): number => {
      const held = heldUnder([])(way, isChord(event));
      if (!held) return Infinity;
      const height = heightCost(request, way.placed, held.position ?? 1);
      return held.points + pedalCost(request, pedal, way.placed) + height;
    };
    choices.push(cheapest(found.ways, request, points));
  }
  const names = new Map<readonly Placed[], string>();
  const nameOf = (placed: readonly Placed[]): string => {
    const there = names.get(placed) ?? placedText(placed);
    names.set(placed, there);
    return there;
  };
  const { events } = request;
  const N = events.length;
  let furthest = 0;
  const problem: SearchProblem<State, readonly Placed[], FretTerm> = {
    terms: FRET_TERMS,
    start: { n: 0, placed: [], ringing: [], position: 1, recent: NOTHING },
    key: (s) =>
      `${s.n}|${s.position}|${nameOf(s.placed)}|${s.ringing.length ? ringingText(s.ringing) : ''}|${s.recent.length ? nameOf(s.recent) : ''}`,
    stage: (s) => s.n,
    isEnd: (s) => s.n === N,
    moves: (s): Move<State, readonly Placed[], FretTerm>[] => {
      const event = events[s.n] as FretEvent;
      const earlier = events[s.n - 1];
      furthest = Math.max(furthest, s.n);
      const chord = isChord(event);
      const mayRing = earlier ? stillRinging(s, earlier, event.at) : [];
      const all = heldUnder(mayRing);
      const moves: Move<State, readonly Placed[], FretTerm>[] = [];
      const coming = back[s.n];
      const recent = coming ? { placed: s.recent, coming } : null;
      const keeps = !!back[s.n + 1];
      for (const choice of choices[s.n] ?? []) {
        const { placed } = choice;
        const ringing = under(mayRing, placed, hand.hand);
        const held = (ringing === mayRing ? all : heldUnder(ringing))(choice, chord);
        if (!held) continue;
        const position = (earlier ? standsAt(s, placed, held.span) : held.position) ?? s.position;
        const to: State = { n: s.n + 1, placed, ringing, position, recent: keeps ? s.placed : NOTHING };
        const way = earlier ? wayCost(request, hand, s, to, event.at - earlier.at, recent) : NO_WAY;
        const pedal = pedalCost(request, pedals[s.n] ?? null, placed);
        const height = heightCost(request, placed, position);
        const total = held.points + pointsOf(way) + pedal + height;
        const squeeze = (held.own.squeeze ?? 0) + (way.squeeze ?? 0);
        moves.push({ to, step: placed, total, cost: () => ({ ...held.own, ...way, squeeze, height, pedal }) });
      }
      return moves;
    },
  };
  return {
    problem,
    stuck: () => fact('no end to the ringing', furthest + 1),
  };
}
