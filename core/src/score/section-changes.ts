import { harmonyTurns, heldInTurn, shapeAt } from '../chart/index.js';
import { cycleLength, placeLabel } from '../cycle/index.js';
import type { Tuning } from '../instrument/index.js';
import type { Shape } from '../left-hand/index.js';
import type { Section } from '../piece/index.js';
import { type HandProfile, neckOf } from '../player/index.js';
import { rightHandMove, type RightHandMove, soundStroke } from '../right-hand/index.js';
import type { Layout } from '../round/index.js';
import { bpm, lcm, ticks } from '../time/index.js';
import { changes, type TimedChange } from './changes.js';

/** One change of a section, in its place. */
export interface PlacedChange extends TimedChange {
  readonly turn: number;
  readonly label: string;
  readonly rightHand: RightHandMove;
}
/** Rounds of harmony against the pattern looked at; each pair of shapes is kept where it is hardest. */
const MOST_TURNS = 64;

/**
 * Every change between two shapes that a section makes, the hardest first: each pair once, at the place
 * where the right hand leaves it least time.
 */
export function sectionChanges(
  section: Section,
  layout: Layout,
  shapes: readonly Shape[],
  profile: HandProfile,
  { tuning, capo }: { readonly tuning: Tuning; readonly capo: number },
): PlacedChange[] {
  const turnLength = cycleLength(section.cycle);
  const turns = Math.min(MOST_TURNS, lcm(Math.max(1, layout.turns), harmonyTurns(section)));
  const whole = turns * turnLength;
  const held = Array.from({ length: turns }, (_, turn) =>
    heldInTurn(section, shapes, turn).map((h) => ({ at: ticks(turn * turnLength + h.from), turn, shape: h.shape })),
  ).flat();
  const strokes = Array.from({ length: turns }, (_, turn) => {
    const here = heldInTurn(section, shapes, turn);
    return layout.strokes
      .filter((s) => s.turn === turn % Math.max(1, layout.turns))
      .map((s) => ({
        at: ticks(turn * turnLength + s.inTurn),
        motion: s.motion,
        strings: soundStroke(s.motion, shapeAt(here, s.inTurn), { tuning, capo }).map((n) => n.string),
      }));
  }).flat();
  const placed = new Map<string, PlacedChange>();
  const all = changes(held, strokes, bpm(section.bpm), profile, { neck: neckOf(profile, capo), loop: ticks(whole) });
  for (const change of all) {
    const key = `${change.from.id} ${change.to.id}`;
    // The hardest of a pair comes first.
    if (placed.has(key)) continue;
    const until = held[change.index + 1]?.at ?? whole;
    const under = strokes.filter((s) => s.at >= change.at && s.at < until).map((s) => s.motion);
    const turn = held[change.index]?.turn ?? 0;
    placed.set(key, {
      ...change,
      turn,
      rightHand: rightHandMove(change.from, change.to, under),
      label: placeLabel(section.cycle, change.at - turn * turnLength),
    });
  }
  return [...placed.values()];
}
