import { type Fact, fact } from '../../fault/index.js';
import { latePoints, returnTime } from '../../player/index.js';
import type { HandProfile } from '../../player/index.js';
import { flatten, parseScript } from '../../script/index.js';
import { type Direction, directionOf, type Finger, hasMark, type Motion, strength } from '../../stroke/index.js';
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
  /** One of the strokes that the cell leans on. */
  readonly strong: boolean;
}
/** A cell played over one length. */
export interface Block {
  readonly cell: string;
  readonly cellIndex: number;
  readonly length: Ticks;
  readonly strokes: readonly BlockStroke[];
  readonly uses: readonly Use[];
  readonly firstWay: Direction | null;
  readonly lastWay: Direction | null;
}
export const DEFAULT_LENGTHS: readonly Ticks[] = [
  ticks(TICKS_PER_COUNT),
  ticks(TICKS_PER_COUNT / 2),
  ticks(TICKS_PER_COUNT * 2),
];

/** The strokes a cell leans on: those marked, or else the strongest, the first of equals. */
function strongOnes(motions: readonly Motion[]): Set<number> {
  const marked = motions.flatMap((m, i) => (hasMark(m, '!') ? [i] : []));
  if (marked.length) return new Set(marked);
  const most = Math.max(0, ...motions.map(strength));
  const first = motions.findIndex((m) => strength(m) === most);
  return new Set(first >= 0 ? [first] : []);
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
  if (flat.events.length === 0) return { blocks: [], fault: fact('cell without strokes', cell.id) };
  const motions = flat.events.map((e) => e.motion);
  const strong = strongOnes(motions);
  const directed = motions.map(directionOf);
  const blocks = lengths.flatMap((length): Block[] => {
    const place = (at: number) => (at * length) / flat.length;
    if (flat.events.some((e) => !Number.isInteger(place(e.at)))) return [];
    const strokes = flat.events
      .map((e, i) => ({ at: place(e.at), strength: strength(e.motion), strong: strong.has(i), kind: e.motion.kind }))
      .filter((s) => s.kind !== 'ghost')
      .map(({ at, strength: s, strong: lean }) => ({ at, strength: s, strong: lean }));
    const uses = flat.events.flatMap((e): Use[] => {
      const at = place(e.at);
      const own =
        e.motion.kind === 'stroke'
          ? e.motion.fingers.map((finger) => ({ at, finger, dir: directionOf(e.motion) }))
          : [];
      const golpe = e.motion.kind === 'golpe' || hasMark(e.motion, '*');
      return golpe ? [...own, { at, finger: 'a', dir: null }] : own;
    });
    return [
      {
        cell: cell.id,
        cellIndex,
        length,
        strokes,
        uses,
        firstWay: directed[0] ?? null,
        lastWay: directed.at(-1) ?? null,
      },
    ];
  });
  const fault = blocks.length ? null : fact('cell can’t be spread', cell.id);
  return { blocks, fault };
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
