import { type FlatPattern, flatten, mapLeaves, type Pattern, printScript, writeOut } from '../script/index.js';
import { type Direction, directionOf, onStrings, type Step, turnStrings } from '../stroke/index.js';
import { gcd, ticks, type Ticks, TICKS_PER_COUNT } from '../time/index.js';

export interface PendulumPlace {
  readonly at: Ticks;
  /** Slot that stands there; null when a longer step covers the place. */
  readonly slot: number | null;
  /** The way the hand travels there. */
  readonly way: Direction;
}
export interface Pendulum {
  /** 'pendulum' when the hand swings; else why the question does not arise. */
  readonly applies: 'pendulum' | 'plucks' | 'flicks' | 'nothing';
  /** Length of one swing. */
  readonly swing: Ticks;
  /** Strokes that go against the hand's swing. */
  readonly fights: readonly PendulumPlace[];
  /** Places that the hand passes and no stroke or ghost is written. */
  readonly holes: readonly PendulumPlace[];
  /** Whether the swing goes on unbroken from the last stroke to the first. */
  readonly seam: boolean;
  /** The pattern with ghosts in its holes and its fights turned; null when nothing is to mend. */
  readonly repaired: Pattern | null;
  readonly repairedScript: string | null;
}

const none = (applies: Pendulum['applies']): Pendulum => ({
  applies,
  swing: ticks(0),
  fights: [],
  holes: [],
  seam: true,
  repaired: null,
  repairedScript: null,
});

/** Consecutive strokes the same way by different fingers, with no gap: the fingers flick, the hand stays. */
function hasFlicks(flat: FlatPattern): boolean {
  return flat.events.some((e, i) => {
    const next = flat.events[i + 1];
    if (!next || e.motion.kind !== 'stroke' || next.motion.kind !== 'stroke' || e.motion.dir === null) return false;
    return (
      e.motion.dir === next.motion.dir &&
      e.motion.fingers.join() !== next.motion.fingers.join() &&
      next.slot === e.slot + 1
    );
  });
}

/** Whether any two strokes are so close that the hand swings from one to the other: a chord that is held has no pendulum. */
const swings = ({ events, length }: FlatPattern): boolean => {
  const directed = events.filter((e) => directionOf(e.motion));
  return directed.some((e, i) => (directed[i + 1]?.at ?? length + (directed[0]?.at ?? 0)) - e.at <= TICKS_PER_COUNT);
};

interface Swing {
  readonly length: number;
  readonly fights: PendulumPlace[];
  readonly holes: PendulumPlace[];
}

function trySwing(flat: FlatPattern, length: number): Swing | null {
  const directed = new Map<number, Direction>();
  for (const e of flat.events) {
    const dir = directionOf(e.motion);
    if (dir) directed.set(e.at, dir);
  }
  if ([...directed.keys()].some((at) => at % length !== 0)) return null;
  const slotAt = new Map(flat.slots.map((s, i) => [s.at as number, i]));
  const tapped = new Set(flat.events.filter((e) => e.motion.kind === 'slap').map((e) => e.at as number));
  const swing: Swing = { length, fights: [], holes: [] };
  for (let n = 0; n * length < flat.length; n++) {
    const at = n * length;
    const way: Direction = n % 2 === 0 ? 'd' : 'u';
    const place = { at: ticks(at), slot: slotAt.get(at) ?? null, way };
    const dir = directed.get(at);
    // A slap is a down movement of the whole hand, so it keeps the swing on a down place.
    if (dir ? dir !== way : tapped.has(at) && way === 'u') swing.fights.push(place);
    else if (!dir && !tapped.has(at)) swing.holes.push(place);
  }
  return swing;
}

/**
 * The hand's pendulum: down where the pattern begins, up half-way, on and on. The swing is chosen so that
 * fewest strokes fight it, then fewest places are empty, then the slowest. Ghost strokes belong in the holes.
 */
export function motionCheck(pattern: Pattern): Pendulum {
  const flat = flatten(pattern);
  if (flat.events.length === 0) return none('nothing');
  // A plectrum goes down at every change of string: it swings by strings, not by time.
  if (flat.events.some((e) => e.motion.kind === 'stroke' && e.motion.plectrum)) return none('nothing');
  if (!flat.events.some((e) => directionOf(e.motion))) return none('plucks');
  if (hasFlicks(flat)) return none('flicks');
  // Plucked strokes leave the swing; a pattern that mixes them has no one pendulum.
  if (flat.events.some((e) => e.motion.kind === 'stroke' && e.motion.dir === null)) return none('plucks');
  if (!swings(flat)) return none('nothing');
  let grid = flat.length as number;
  for (const s of flat.slots) grid = gcd(grid, gcd(s.at, s.duration));
  let best: Swing | null = null;
  for (let n = flat.length / grid; n >= 1; n--) {
    if ((flat.length / grid) % n !== 0) continue;
    const swing = trySwing(flat, grid * n);
    if (!swing) continue;
    const better =
      !best ||
      swing.fights.length < best.fights.length ||
      (swing.fights.length === best.fights.length && swing.holes.length < best.holes.length);
    if (better) best = swing;
  }
  if (!best) return none('plucks');
  const repaired = best.fights.length + best.holes.length > 0 ? repair(pattern, best) : null;
  return {
    applies: 'pendulum',
    swing: ticks(best.length),
    fights: best.fights,
    holes: best.holes,
    seam: (flat.length / best.length) % 2 === 0,
    repaired,
    repairedScript: repaired ? printScript(repaired) : null,
  };
}

function repair(pattern: Pattern, swing: Swing): Pattern | null {
  const ways = new Map<number, Direction>();
  for (const p of [...swing.fights, ...swing.holes]) if (p.slot !== null) ways.set(p.slot, p.way);
  if (ways.size === 0) return null;
  return mapLeaves(writeOut(pattern), (step, leaf): Step => {
    const way = ways.get(leaf);
    if (!way) return step;
    if (step.kind === 'rest' || step.kind === 'hold') return { kind: 'ghost', dir: way };
    if (step.kind === 'ghost') return { ...step, dir: way };
    if (step.kind !== 'stroke' || step.dir === null) return step;
    return {
      ...onStrings(step, turnStrings(step)),
      dir: way,
      ...(step.plectrum ? { plectrum: way } : {}),
      marks: step.marks.filter((m) => way === 'd' || m !== '_'),
    };
  });
}
