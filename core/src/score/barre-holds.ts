import { type Shape } from '../left-hand/index.js';
import { type HandProfile, leftHandOf } from '../player/index.js';
import { type Bpm, millisOf, STRINGS, ticks } from '../time/index.js';
import type { Score, TimedGrip } from './model.js';

/** A barre held through one or more shapes without a rest for the hand. */
export interface BarreHold {
  readonly names: readonly string[];
  /** Most strings it lies over. */
  readonly strings: number;
  /** How long; null when it is never let go. */
  readonly ms: number | null;
  /** How long this hand holds it: fewer strings, longer. */
  readonly staminaMs: number;
}

/** Strings from the first to the last that one finger holds; 0 without a barre. */
export function barreOver(shape: Pick<Shape, 'fingers'>): number {
  const before = known.get(shape.fingers);
  if (before !== undefined) return before;
  let most = 0;
  for (let from = 0; from < STRINGS.length; from++) {
    const finger = shape.fingers[from] ?? null;
    if (finger === null || finger === 0 || finger === 'T') continue;
    for (let to = STRINGS.length - 1; to > from; to--)
      if (shape.fingers[to] === finger) most = Math.max(most, to - from + 1);
  }
  known.set(shape.fingers, most);
  return most;
}
/** Where the barre lies: the fret of the finger that holds most strings. */
function barreFret({ fingers, frets }: TimedGrip): number | null {
  const most = barreOver({ fingers });
  for (let from = 0; most > 1 && from + most <= STRINGS.length; from++) {
    const finger = fingers[from];
    if (finger && finger !== 'T' && fingers[from + most - 1] === finger) return frets[from] ?? null;
  }
  return null;
}
interface Stretch {
  readonly length: number;
  readonly name: string;
  /** Strings under a barre; 0 without one. */
  readonly strings: number;
  readonly fret: number | null;
}
/** Grips of one shape share its fingers. */
const known = new WeakMap<object, number>();

/**
 * The barres of a score, the one that asks most of the hand first. Neighbouring grips with barres on one fret count as
 * one, for the hand stays; under muted strokes, and where the hand lets go, the barre is let go too.
 * @param tempo counts a minute
 */
export function barreHolds(score: Score, tempo: Bpm, profile: HandProfile): BarreHold[] {
  const stretches = score.grips.map((g: TimedGrip): Stretch => ({
    length: g.until - g.at,
    name: score.chords[g.chord]?.name ?? '',
    strings: g.pressed ? barreOver(g) : 0,
    fret: g.pressed ? barreFret(g) : null,
  }));
  const stamina = (strings: number) => Math.round((leftHandOf(profile).barre * 6) / Math.max(1, strings));
  const named = (list: readonly { name: string }[]) => [...new Set(list.map((s) => s.name))];
  /** While the hand stays where it is, one barre is held; where it moves it is laid anew. */
  const isHeldOn = (a: Stretch | undefined, b: Stretch) => !!a && a.strings > 0 && b.strings > 0 && a.fret === b.fret;
  const free = score.loops ? stretches.findIndex((s, i) => !isHeldOn(stretches.at(i - 1), s)) : 0;
  if (free < 0) {
    const strings = Math.max(0, ...stretches.map((s) => s.strings));
    return strings === 0 ? [] : [{ names: named(stretches), strings, ms: null, staminaMs: stamina(strings) }];
  }
  // Beginning where the hand is free or moves, no stretch runs over the seam.
  const turned = [...stretches.slice(free), ...stretches.slice(0, free)];
  const runs: (typeof stretches)[] = [];
  turned.forEach((s, i) => {
    if (s.strings === 0) return;
    const run = runs.at(-1);
    if (run && isHeldOn(turned[i - 1], s)) run.push(s);
    else runs.push([s]);
  });
  const found = runs.map((run): BarreHold => {
    const strings = Math.max(...run.map((s) => s.strings));
    const length = run.reduce((sum, s) => sum + s.length, 0);
    return {
      names: named(run),
      strings,
      ms: Math.round(millisOf(ticks(length), tempo)),
      staminaMs: stamina(strings),
    };
  });
  const share = (h: BarreHold) => (h.ms ?? Infinity) / h.staminaMs;
  const worst = new Map<string, BarreHold>();
  for (const h of found) {
    const key = h.names.join();
    const there = worst.get(key);
    if (!there || share(h) > share(there)) worst.set(key, h);
  }
  return [...worst.values()].sort((a, b) => share(b) - share(a));
}
