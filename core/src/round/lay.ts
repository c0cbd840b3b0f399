import { accentAt, type AccentCycle, cycleLength, placeLabel } from '../cycle/index.js';
import type { Range } from '../fault/index.js';
import { type FlatPattern, flatten, type Pattern } from '../script/index.js';
import {
  type Direction,
  directionOf,
  type Finger,
  fingersOf,
  hasMark,
  type Motion,
  strength,
  WEAK_BELOW,
} from '../stroke/index.js';
import { isLanding } from './landing.js';
import { lcm, ticks, type Ticks, TICKS_PER_COUNT, wrap } from '../time/index.js';

/** One stroke of one pass, in its place until pattern and cycle come round together. */
export interface LaidStroke {
  /** From the first turn's first count, over all turns. */
  readonly at: Ticks;
  readonly duration: Ticks;
  /** Cycle turn, from 0. */
  readonly turn: number;
  /** Pass of the pattern, from 0. */
  readonly pass: number;
  /** Place inside the turn. */
  readonly inTurn: Ticks;
  /** Index of the count it falls in. */
  readonly count: number;
  readonly label: string;
  /** Accent weight of its place, 0 when none. */
  readonly weight: number;
  readonly motion: Motion;
  readonly slot: number;
  readonly range: Range;
}
export interface MetBy {
  readonly fingers: readonly Finger[];
  readonly dir: Direction | null;
  readonly kind: Motion['kind'];
  /** The left hand lies on the strings: it beats and carries nothing. */
  readonly dead?: true;
  readonly strength: number;
}
/** What meets one accent in one turn. */
export interface AccentMeeting {
  readonly turn: number;
  readonly at: Ticks;
  readonly label: string;
  readonly weight: number;
  /** null = nothing sounds there. */
  readonly by: MetBy | null;
  /** Carried by a stroke too weak for it. */
  readonly weak: boolean;
}
export interface Layout {
  readonly strokes: readonly LaidStroke[];
  readonly realign: { readonly patternPasses: number; readonly cycles: number };
  readonly meetings: readonly AccentMeeting[];
  /** Places where an accent is met by nothing in at least one turn. */
  readonly missed: readonly AccentMeeting[];
  readonly patternLength: Ticks;
  readonly cycleLength: Ticks;
  /** Whole turns laid out; fewer than realign.cycles when `truncated`. */
  readonly turns: number;
  readonly truncated: boolean;
}
export interface LayOptions {
  /** Where in the cycle the pattern begins, in ticks. */
  readonly start?: number;
  /** Strokes laid out at most; whole turns are kept. */
  readonly limit?: number;
}

/**
 * Lays a pattern on a cycle until both come round together (least common multiple of their lengths).
 * A pattern that starts later in the cycle runs over the end into the first turn: it is a loop.
 * `realign` is exact even when the layout itself is cut off at `limit` strokes.
 * @example layOnCycle(parseScript('ed ad md id iu', { stepsPerCount: 2 }).pattern, cycleById('buleria')).realign // { patternPasses: 24, cycles: 5 }
 */
export function layOnCycle(pattern: Pattern | FlatPattern, cycle: AccentCycle, options: LayOptions = {}): Layout {
  const flat = 'items' in pattern ? flatten(pattern) : pattern;
  const turnLength = cycleLength(cycle);
  const whole = lcm(flat.length, turnLength);
  const realign =
    whole === 0 ? { patternPasses: 0, cycles: 1 } : { patternPasses: whole / flat.length, cycles: whole / turnLength };
  const perTurn = flat.length === 0 ? 0 : (flat.events.length * turnLength) / flat.length;
  const limit = options.limit ?? 20_000;
  const fitting = perTurn === 0 ? realign.cycles : Math.max(1, Math.floor(limit / perTurn));
  // An own cycle against an odd pattern can take thousands of turns; what is laid out stays readable.
  const turns = Math.min(realign.cycles, fitting, 512);
  const strokes = layStrokes(flat, cycle, options.start ?? 0, { from: 0, to: turns });
  const meetings = meet(strokes, cycle, turns);
  return {
    strokes,
    realign,
    meetings,
    missed: meetings.filter((m) => m.by === null),
    patternLength: flat.length,
    cycleLength: turnLength,
    turns,
    truncated: turns < realign.cycles,
  };
}

/**
 * The strokes that lie in one turn of the cycle, as `layOnCycle` lays them.
 * @param turn from 0, before pattern and cycle come round together
 */
export const strokesInTurn = (flat: FlatPattern, cycle: AccentCycle, start: number, turn: number): LaidStroke[] =>
  layStrokes(flat, cycle, start, { from: turn, to: turn + 1 });

function layStrokes(
  flat: FlatPattern,
  cycle: AccentCycle,
  begin: number,
  turns: { readonly from: number; readonly to: number },
): LaidStroke[] {
  const strokes: LaidStroke[] = [];
  if (flat.length === 0) return strokes;
  const turnLength = cycleLength(cycle);
  const whole = lcm(flat.length, turnLength);
  const start = wrap(begin, Math.max(1, whole));
  const [first, end] = [turns.from * turnLength, turns.to * turnLength];
  const passes = whole / flat.length;
  // The pass that runs over the first downbeat comes first; it is the last pass of the loop.
  for (let n = Math.floor((first - start) / flat.length); start + n * flat.length < end; n++) {
    for (const e of flat.events) {
      const at = start + n * flat.length + e.at;
      if (at < first || at >= end) continue;
      const inTurn = at % turnLength;
      strokes.push({
        at: ticks(at),
        duration: e.duration,
        turn: Math.floor(at / turnLength),
        pass: wrap(n, passes),
        inTurn: ticks(inTurn),
        count: Math.floor(inTurn / TICKS_PER_COUNT),
        label: placeLabel(cycle, inTurn),
        weight: accentAt(cycle, inTurn),
        motion: e.motion,
        slot: e.slot,
        range: e.range,
      });
    }
  }
  return strokes;
}

export interface TurnSlot {
  /** Index of the pattern's slot. */
  readonly slot: number;
  readonly inTurn: Ticks;
  readonly duration: Ticks;
}
/** Where the pattern's slots, rests and holds too, lie in one turn of the cycle. */
export function slotsInTurn(flat: FlatPattern, cycle: AccentCycle, start: number, turn: number): TurnSlot[] {
  const found: TurnSlot[] = [];
  if (flat.length === 0) return found;
  const from = turn * cycleLength(cycle);
  const to = from + cycleLength(cycle);
  for (let base = start + Math.floor((from - start) / flat.length) * flat.length; base < to; base += flat.length) {
    flat.slots.forEach((s, slot) => {
      const at = base + s.at;
      if (at >= from && at < to) found.push({ slot, inTurn: ticks(at - from), duration: s.duration });
    });
  }
  return found;
}

function meet(strokes: readonly LaidStroke[], cycle: AccentCycle, turns: number): AccentMeeting[] {
  const sounding = new Map(strokes.filter((s) => s.motion.kind !== 'ghost').map((s) => [s.at as number, s]));
  const place = new Map(strokes.map((s, i) => [s, i]));
  const beside = (s: LaidStroke, by: -1 | 1) => {
    const n = strokes.length;
    return strokes[((place.get(s) ?? 0) + by + n) % n];
  };
  const meetings: AccentMeeting[] = [];
  const accents = [...cycle.accents].sort((a, b) => a.at - b.at);
  for (let turn = 0; turn < turns; turn++) {
    for (const { at, weight } of accents) {
      const s = sounding.get(turn * cycleLength(cycle) + at);
      const by = s ? metBy(s.motion) : null;
      const light = by !== null && weight >= 0.5 && by.strength < WEAK_BELOW;
      // The roll before it leans there: what opens the next one is where it lands.
      const [before, after] = s ? [beside(s, -1), beside(s, 1)] : [];
      const landed =
        s && isStraight(before, s, turns * cycleLength(cycle)) && isLanding(before?.motion, s.motion, after?.motion);
      const weak = light && !landed;
      meetings.push({ turn, at, label: placeLabel(cycle, at), weight, by, weak });
    }
  }
  return meetings;
}

/** A stroke that goes on straight from the one before it, round to the first. */
const isStraight = (before: LaidStroke | undefined, s: LaidStroke, whole: number): boolean =>
  before !== undefined && before.at + before.duration === s.at + (before.at < s.at ? 0 : whole);
const metBy = (m: Motion): MetBy => ({
  fingers: fingersOf(m),
  dir: directionOf(m),
  kind: m.kind,
  ...(hasMark(m, 'x') ? { dead: true } : {}),
  strength: strength(m),
});
