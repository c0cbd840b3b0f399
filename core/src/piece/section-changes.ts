import { changeBetween, type ShapeChange, type StrokeNear } from '../changes/index.js';
import { cycleLength, placeLabel } from '../cycle/index.js';
import { soundStroke, type Shape, type Tuning } from '../fretting/index.js';
import type { HandProfile } from '../hand/index.js';
import { neckOf } from '../neck/index.js';
import type { Layout } from '../pattern/index.js';
import { bpm, lcm, millisOf, ticks, type Ticks } from '../time/index.js';
import { harmonyTurns, heldInTurn, shapeAt } from './harmony.js';
import type { Section } from './model.js';
import { rightHandMove, type RightHandMove } from './right-hand-moves.js';

/** One change of a section, in its place. */
export interface PlacedChange extends ShapeChange {
  /** From the first turn's first count. */
  readonly at: Ticks;
  readonly turn: number;
  readonly label: string;
  readonly rightHand: RightHandMove;
}
/** Strokes further away than this say nothing about a change. */
const NEAR_COUNTS = 4;
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
  const neck = neckOf(profile, capo);
  const tempo = bpm(section.bpm);
  const held = Array.from({ length: turns }, (_, turn) =>
    heldInTurn(section, shapes, turn).map((h) => ({ at: turn * turnLength + h.from, turn, shape: h.shape })),
  ).flat();
  const strokes = Array.from({ length: turns }, (_, turn) => {
    const here = heldInTurn(section, shapes, turn);
    return layout.strokes
      .filter((s) => s.turn === turn % Math.max(1, layout.turns))
      .map((s) => ({
        at: turn * turnLength + s.inTurn,
        motion: s.motion,
        strings: soundStroke(s.motion, shapeAt(here, s.inTurn), { tuning, capo }).map((n) => n.string),
      }));
  }).flat();
  const sounding = strokes.filter((s) => s.strings.length > 0);
  const near = NEAR_COUNTS * 5040;
  const found = new Map<string, PlacedChange>();
  held.forEach((now, i) => {
    const before = held[(i + held.length - 1) % held.length];
    if (!before || before.shape.id === now.shape.id) return;
    const around = sounding.flatMap((s): StrokeNear[] => {
      let away = s.at - now.at;
      // The round closes: what is far ahead is just behind.
      if (away >= whole / 2) away -= whole;
      else if (away < 0 - whole / 2) away += whole;
      if (Math.abs(away) > near) return [];
      return [
        { ms: away < 0 ? 0 - millisOf(ticks(0 - away), tempo) : millisOf(ticks(away), tempo), strings: s.strings },
      ];
    });
    const change = changeBetween({ from: before.shape, to: now.shape, neck, profile, strokes: around });
    const key = `${before.shape.id} ${now.shape.id}`;
    const there = found.get(key);
    if (there && there.difficulty >= change.difficulty) return;
    const at = ticks(now.at);
    const until = held[i + 1]?.at ?? whole;
    const under = strokes.filter((s) => s.at >= now.at && s.at < until).map((s) => s.motion);
    const rightHand = rightHandMove(before.shape, now.shape, under);
    found.set(key, {
      ...change,
      rightHand,
      at,
      turn: now.turn,
      label: placeLabel(section.cycle, now.at - now.turn * turnLength),
    });
  });
  return [...found.values()].sort((a, b) => b.difficulty - a.difficulty || a.at - b.at);
}
