import { openPitch, pitchName, type LeftFinger } from '../fretting/index.js';
import { kBest, leastTotal, withExactBound, type Move, type SearchProblem, type SearchWatch } from '../search/index.js';
import { STRINGS } from '../time/index.js';
import { canHold, lineHand, ownCost, positionOf, stillRinging, wayCost, type FretCost, type Grip } from './cost.js';
import {
  FRET_TERMS,
  LONGEST_FRET_LINE,
  type FretAnswer,
  type FretEvent,
  type FretLineRequest,
  type FretLineResult,
  type FretTerm,
  type Placed,
} from './model.js';

interface State extends Grip {
  readonly n: number;
}
const NO_WAY: FretCost = {};
const sum = (c: FretCost): number => FRET_TERMS.reduce((s, t) => s + (c[t] ?? 0), 0);

/**
 * String, fret and finger for every note of a line, the k best ways, with the cost of each by named term.
 * A note that rings keeps its finger and its string.
 * @returns reasons in words when it can't be played
 * @throws SearchCancelled when the watch says so
 */
export function fretLine(request: FretLineRequest, watch: SearchWatch = {}): FretLineResult {
  const asked = fretProblem(request);
  if ('faults' in asked) return { infeasible: asked.faults };
  const { paths, looked } = kBest(withExactBound(asked.problem), request.k ?? 5, watch);
  const answers: readonly FretAnswer[] = paths;
  return answers.length ? { answers, looked } : { infeasible: [asked.stuck()] };
}
/** The points of the best fretting alone, or why there is none: for comparing many. */
export function leastFretting(request: FretLineRequest): number | string {
  const asked = fretProblem(request);
  if ('faults' in asked) return asked.faults[0] ?? '';
  return leastTotal(asked.problem) ?? asked.stuck();
}

interface Asked {
  readonly problem: SearchProblem<State, readonly Placed[], FretTerm>;
  /** Said when no way leads to the end. */
  readonly stuck: () => string;
}
function fretProblem(request: FretLineRequest): Asked | { readonly faults: readonly string[] } {
  const faults = lineFaults(request);
  if (faults.length) return { faults };
  const hand = lineHand(request);
  // Events of the same notes share their ways to be placed, and what these cost.
  const known = new Map<string, readonly Placed[][]>();
  const choices = request.events.map((e) => {
    const key = e.notes.map((n) => `${n.midi}.${n.string ?? ''}.${n.finger ?? ''}`).join();
    const there = known.get(key) ?? choicesFor(request, e).filter((c) => canHold(c, hand.hand));
    known.set(key, there);
    return there;
  });
  const names = new Map<readonly Placed[], string>();
  const nameOf = (placed: readonly Placed[]): string => {
    const there = names.get(placed) ?? text(placed);
    names.set(placed, there);
    return there;
  };
  const owns = new Map<readonly Placed[], FretCost>();
  const ownOf = (to: Grip): FretCost => {
    if (to.ringing.length) return ownCost(request, hand, to);
    // With every string open the position is where the hand was, and costs nothing.
    const there = owns.get(to.placed) ?? ownCost(request, hand, to);
    owns.set(to.placed, there);
    return there;
  };
  const stuck = choices.findIndex((c) => c.length === 0);
  if (stuck >= 0) return { faults: [`Event ${stuck + 1}: ${cantPlay(request, request.events[stuck] as FretEvent)}`] };
  const { events } = request;
  const N = events.length;
  let furthest = 0;
  const problem: SearchProblem<State, readonly Placed[], FretTerm> = {
    terms: FRET_TERMS,
    start: { n: 0, placed: [], ringing: [], position: 1 },
    key: (s) => `${s.n}|${s.position}|${nameOf(s.placed)}|${s.ringing.length ? text(s.ringing) : ''}`,
    stage: (s) => s.n,
    isEnd: (s) => s.n === N,
    moves: (s): Move<State, readonly Placed[], FretTerm>[] => {
      const event = events[s.n] as FretEvent;
      const earlier = events[s.n - 1];
      furthest = Math.max(furthest, s.n);
      const ringing = earlier
        ? stillRinging(
            s,
            earlier.at,
            event.at,
            earlier.notes.map((x) => x.rings),
          )
        : [];
      return (choices[s.n] ?? []).flatMap((placed): Move<State, readonly Placed[], FretTerm>[] => {
        if (ringing.length && !canHold([...placed, ...ringing], hand.hand)) return [];
        const position = positionOf([...placed, ...ringing], s.position);
        const to: State = { n: s.n + 1, placed, ringing, position };
        const own = ownOf(to);
        const way = earlier ? wayCost(request, hand, s, to, event.at - earlier.at) : NO_WAY;
        return [{ to, step: placed, total: sum(own) + sum(way), cost: () => ({ ...own, ...way }) }];
      });
    },
  };
  return {
    problem,
    stuck: () =>
      `Event ${furthest + 1} can’t be held while what rings before it goes on. Let that end sooner, or free its string.`,
  };
}
const text = (list: readonly Placed[]) => list.map((p) => `${p.string}.${p.fret}.${p.finger}`).join();

/** What can't be a line, with the event it is about. */
function lineFaults({ events, highestFret = 12 }: FretLineRequest): string[] {
  if (events.length === 0) return ['There are no notes. Write at least one.'];
  if (events.length > LONGEST_FRET_LINE)
    return [`${events.length} events are too many at once; ${LONGEST_FRET_LINE} is the most. Take them in parts.`];
  const faults: string[] = [];
  if (!Number.isInteger(highestFret) || highestFret < 0 || highestFret > 19)
    faults.push('The highest fret is 0 to 19.');
  events.forEach((e, i) => {
    const before = events[i - 1];
    if (before && e.at <= before.at) faults.push(`Event ${i + 1} does not come after event ${i}.`);
    if (e.notes.length === 0) faults.push(`Event ${i + 1} has no note.`);
    if (e.notes.length > 6) faults.push(`Event ${i + 1} has ${e.notes.length} notes for six strings.`);
    const given = e.notes.flatMap((n) => n.string ?? []);
    if (new Set(given).size !== given.length) faults.push(`Event ${i + 1} puts two notes on one string.`);
  });
  return faults.slice(0, 20);
}

function cantPlay(request: FretLineRequest, event: FretEvent): string {
  const lost = event.notes.find((n) => placesFor(request, n.midi, n.string).length === 0);
  if (lost)
    return `${pitchName(lost.midi)} is not on ${lost.string ? `string ${lost.string}` : 'any string'} up to fret ${request.highestFret ?? 12}. Another tuning, capo or octave has it.`;
  return 'no fingers hold these notes together. Free a string or a pinned finger, or leave a note out.';
}

function placesFor({ tuning, neck, highestFret = 12 }: FretLineRequest, midi: number, string?: number) {
  return STRINGS.filter((s) => string === undefined || s === string).flatMap((s) => {
    const fret = midi - openPitch(tuning, s, neck.capo);
    return fret >= 0 && fret <= highestFret ? [{ string: s, fret }] : [];
  });
}

/** Every way to place an event's notes: string, fret and finger of each. */
function choicesFor(request: FretLineRequest, event: FretEvent): Placed[][] {
  let ways: Placed[][] = [[]];
  for (const note of event.notes) {
    const own = placesFor(request, note.midi, note.string).flatMap(({ string, fret }) => {
      const fingers: LeftFinger[] = fret === 0 ? [0] : [1, 2, 3, 4];
      return fingers
        .filter((f) => note.finger === undefined || note.finger === f)
        .map((finger) => ({ string, fret, finger }));
    });
    ways = ways.flatMap((way) => own.filter((p) => !way.some((w) => w.string === p.string)).map((p) => [...way, p]));
  }
  return ways;
}
