import { type Fact, fact } from '../../fault/index.js';
import { latePoints, returnTime } from '../../player/index.js';
import type { HandProfile } from '../../player/index.js';
import { flatten, parseScript } from '../../script/index.js';
import {
  type Direction,
  directionOf,
  type Finger,
  fingersOf,
  golpeFinger,
  hasMark,
  type Motion,
  strength,
} from '../../stroke/index.js';
import { type Bpm, ticks, type Ticks, TICKS_PER_COUNT, millisOf } from '../../time/index.js';
import type { FitCell, FitRefusal } from './model.js';

/** One use of a finger: `at` counts from the block's beginning. */
export interface Use {
  readonly at: number;
  readonly finger: Finger;
  readonly dir: Direction | null;
}
export interface BlockStroke {
  readonly at: number;
  readonly strength: number;
  /** The cell puts its weight there: on its first stroke as every cell does, or here of all places; null: it does not. */
  readonly leans: 'first' | 'here' | null;
  readonly marked: boolean;
  /** The hand rises. */
  readonly up: boolean;
  /** What is plucked: the thumb's bass alone, or fingers together; null of all else, and where a cell marks its weight. */
  readonly plucks: 'bass' | 'chord' | null;
  /** The thumb plucks, alone or with fingers. */
  readonly thumb: boolean;
}
/** A cell played over one length. */
export interface Block {
  readonly cell: string;
  readonly cellIndex: number;
  readonly length: Ticks;
  readonly natural: Ticks | null;
  /** Strokes that sound, in their order. */
  readonly strokes: readonly BlockStroke[];
  /** It leans on what comes after it. */
  readonly lands: boolean;
  /** Basses that the thumb plucks. */
  readonly thumbs: number;
  readonly uses: readonly Use[];
  readonly firstWay: Direction | null;
  readonly lastWay: Direction | null;
  readonly firstFinger: Finger | null;
  readonly lastFinger: Finger | null;
  /** From its beginning to its first motion, and from its last one to its end. */
  readonly lead: number;
  readonly trail: number;
}
export const DEFAULT_LENGTHS: readonly Ticks[] = [
  ticks(TICKS_PER_COUNT),
  ticks(TICKS_PER_COUNT / 2),
  ticks(TICKS_PER_COUNT * 2),
];

/** Lengths a cell is tried over: those asked for, and its own. */
export const lengthsOf = (cell: FitCell, lengths: readonly Ticks[]): Ticks[] => [
  ...new Set([...lengths, ...(cell.natural === undefined ? [] : [cell.natural])]),
];

/** What carries a plucked figure: a bass of the thumb, or fingers together. */
function plucked(m: Motion): BlockStroke['plucks'] {
  if (directionOf(m) !== null) return null;
  const fingers = fingersOf(m);
  return fingers.length > 1 ? 'chord' : fingers[0] === 'p' ? 'bass' : null;
}
/** A cell over every length it divides into whole ticks; with why when its script can't be used. */
export function blocksOf(
  cell: FitCell,
  cellIndex: number,
  lengths: readonly Ticks[],
): { blocks: Block[]; fault: Fact<FitRefusal> | null } {
  const { pattern, faults } = parseScript(cell.script, { stepsPerCount: 1 });
  const flat = flatten(pattern);
  if (faults[0])
    return {
      blocks: [],
      fault: fact('cell can’t be read', cell.id, cell.script.slice(faults[0].from, faults[0].to)),
    };
  // A cell that is only silent is a breath; one that is empty is none.
  if (flat.length === 0) return { blocks: [], fault: fact('cell without strokes', cell.id) };
  const { events } = flat;
  const [first, last] = [events[0], events.at(-1)];
  const marked = events.some((e) => hasMark(e.motion, '!'));
  const lean = marked ? null : (cell.lean ?? 'first');
  const sounding = events.filter((e) => e.motion.kind !== 'ghost');
  const leaned = lean === 'first' ? sounding[0] : lean === 'last' ? sounding.at(-1) : undefined;
  const blocks = lengthsOf(cell, lengths).flatMap((length): Block[] => {
    const place = (at: number) => (at * length) / flat.length;
    if (events.some((e) => !Number.isInteger(place(e.at)))) return [];
    const strokes = sounding.map((e): BlockStroke => ({
      at: place(e.at),
      strength: strength(e.motion),
      leans:
        hasMark(e.motion, '!') || (e === leaned && lean === 'last') || (!marked && plucked(e.motion) !== null)
          ? 'here'
          : e === leaned
            ? 'first'
            : null,
      marked: hasMark(e.motion, '!'),
      up: directionOf(e.motion) === 'u',
      plucks: marked ? null : plucked(e.motion),
      thumb: directionOf(e.motion) === null && fingersOf(e.motion).includes('p'),
    }));
    const uses = events.flatMap((e): Use[] => {
      const at = place(e.at);
      const own = fingersOf(e.motion).map((finger) => ({ at, finger, dir: directionOf(e.motion) }));
      const tapping = golpeFinger(e.motion);
      return tapping ? [...own, { at, finger: tapping, dir: null }] : own;
    });
    return [
      {
        cell: cell.id,
        cellIndex,
        length,
        natural: cell.natural ?? null,
        strokes,
        lands: lean === 'landing',
        thumbs: events.filter((e) => directionOf(e.motion) === null && fingersOf(e.motion).includes('p')).length,
        uses,
        firstWay: first ? directionOf(first.motion) : null,
        lastWay: last ? directionOf(last.motion) : null,
        firstFinger: (first && fingersOf(first.motion)[0]) ?? null,
        lastFinger: (last && fingersOf(last.motion)[0]) ?? null,
        lead: first ? place(first.at) : length,
        trail: last ? length - place(last.at) : length,
      },
    ];
  });
  return { blocks, fault: blocks.length ? null : fact('cell can’t be spread', cell.id) };
}

/**
 * Points for a finger used again after `gap` ticks: nothing when it has the time it needs, else in
 * proportion to what is missing. After an opposite stroke half a return does.
 */
export function lateCost(from: Use, to: Use, gap: number, bpm: Bpm, profile: HandProfile, weight: number): number {
  const half = from.dir !== null && to.dir !== null && from.dir !== to.dir;
  return latePoints(weight, returnTime(profile, from.finger, half), millisOf(ticks(gap), bpm));
}
/** After so many ticks a finger is back in any case. */
export const backAfter = (finger: Finger, bpm: Bpm, profile: HandProfile): number =>
  Math.ceil((profile.returnMs[finger] * TICKS_PER_COUNT * bpm) / 60_000);
