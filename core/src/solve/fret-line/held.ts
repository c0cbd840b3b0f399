import { positionOf } from '../../left-hand/index.js';
import { type Way, type Ways, waysOf } from './choices.js';
import { type FretCost, lineHand, type LineHand, ownCost } from './cost.js';
import { canHold, type HandSpan, type RingingNote, spanOf } from './grip.js';
import type { FretEvent, FretLineRequest, Placed } from './model.js';

/** One way to place an event under what rings. */
export interface Held {
  readonly own: FretCost;
  readonly points: number;
  /** Null when no finger is down and the hand stays where it was; where it stood before may keep it elsewhere. */
  readonly position: number | null;
  readonly span: HandSpan | null;
}
/** What is reckoned once for all events of a line, and for all lines on one neck by one hand. */
export interface Holding {
  readonly hand: LineHand;
  readonly ways: (event: FretEvent) => Ways;
  /** Looks up the ways under what rings; null stands for one that can't be held with it. */
  readonly under: (ringing: readonly RingingNote[]) => (way: Way, chord: boolean) => Held | null;
}

export const placedText = (list: readonly Placed[]): string =>
  list.map((p) => `${p.string}.${p.fret}.${p.finger}`).join();

/** The same with how long each note rings, and whether it yields: two chords that overlap are two things. */
export const ringingText = (list: readonly RingingNote[]): string =>
  list.map((r) => `${r.string}.${r.fret}.${r.finger}.${r.until}${r.yields ? 'y' : ''}`).join();
export const pointsOf = (c: FretCost): number =>
  (c.stretch ?? 0) +
  (c.squeeze ?? 0) +
  (c.barre ?? 0) +
  (c.weak ?? 0) +
  (c.open ?? 0) +
  (c.height ?? 0) +
  (c.shift ?? 0) +
  (c.late ?? 0) +
  (c.jump ?? 0) +
  (c.cut ?? 0) +
  (c.hinge ?? 0) +
  (c.sound ?? 0);

/** Only tuning, neck, hand, school and highest fret of the request count: lines of other notes share it. */
export function holdingFor(request: FretLineRequest): Holding {
  const hand = lineHand(request);
  const tables = new Map<string, Map<Way, Held | null>>();
  const tableFor = (ringing: readonly RingingNote[]) => {
    const key = ringing.length ? placedText(ringing) : '';
    const there = tables.get(key) ?? new Map<Way, Held | null>();
    tables.set(key, there);
    return there;
  };
  return {
    hand,
    ways: waysOf(request),
    under: (ringing) => {
      const table = tableFor(ringing);
      return (way, chord) => {
        const before = table.get(way);
        if (before !== undefined) return before;
        const held = reckon(way, chord, ringing);
        table.set(way, held);
        return held;
      };
    },
  };
  function reckon({ placed, sound }: Way, chord: boolean, ringing: readonly RingingNote[]): Held | null {
    const all = ringing.length ? [...placed, ...ringing] : placed;
    if (ringing.length && !canHold(all, hand.hand)) return null;
    const at = positionOf(all) ?? 0;
    const span = spanOf(all);
    const own = { ...ownCost(request, hand, { placed, ringing, position: Math.max(1, at) }, chord), sound };
    return { own, points: pointsOf(own), position: at === 0 ? null : at, span };
  }
}
