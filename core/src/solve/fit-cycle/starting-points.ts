import { type Cell, CELLS } from '../../catalogue/index.js';
import { type AccentCycle, cycleLength } from '../../cycle/index.js';
import type { HandProfile } from '../../player/index.js';
import { flatten, parseScript } from '../../script/index.js';
import { bpm, type Ticks } from '../../time/index.js';
import { fitCycle } from './fit-cycle.js';
import { fitCell, fitScript } from './script.js';

/** Which way to begin: strums of several cells by what they are, or the one cell that a figure is made of. */
export type WayToBegin = 'rolls' | 'index alone' | 'alzapúa' | { readonly cell: Cell };
interface StartingSet {
  readonly way: WayToBegin;
  /** Cells that go together. */
  readonly cells: readonly Cell[];
}
const flamenco = (way: WayToBegin, ...ids: string[]): StartingSet => ({
  way,
  cells: CELLS.filter((c) => ids.includes(c.id)),
});
const FLAMENCO_SETS: readonly StartingSet[] = [
  flamenco('rolls', 'index-down-and-up', 'three-down', 'four-down', 'five', 'three-and-back'),
  flamenco('index alone', 'index-down-and-up'),
  flamenco('alzapúa', 'alzapua-in-three'),
];
/** How many ways to begin there are. */
const WAYS = 3;
/** A cell, or half of its time, goes into the turn without rest. */
const fills = (cell: Cell, turn: Ticks): boolean =>
  turn % (flatten(parseScript(cell.script, cell).pattern).length / 2) === 0;

/**
 * Three ways to begin on a cycle, of the cycle's own family: strums are made of several cells, figures of bass and chord
 * stand each for itself, those that fill the turn before others.
 */
function startingSets(cycle: AccentCycle): readonly StartingSet[] {
  if (cycle.family === 'flamenco') return FLAMENCO_SETS;
  const turn = cycleLength(cycle);
  const own = CELLS.filter((c) => c.family === cycle.family);
  const inOrder = [...own.filter((c) => fills(c, turn)), ...own.filter((c) => !fills(c, turn))];
  return inOrder.slice(0, WAYS).map((cell) => ({ way: { cell }, cells: [cell] }));
}

/** A whole turn to begin from. */
export interface StartingPoint {
  readonly way: WayToBegin;
  readonly script: string;
  readonly stepsPerCount: number;
}
/**
 * Three ways to begin on a cycle, each fitted to its accents at its usual tempo by this hand; a cell that does not fill
 * the turn stands as it is.
 * @example startingPoints(cycleById('buleria'), DEFAULT_PROFILE).length // 3
 */
export function startingPoints(cycle: AccentCycle, profile: HandProfile): StartingPoint[] {
  return startingSets(cycle).flatMap(({ way, cells: [first, ...more] }) => {
    if (!first) return [];
    const cells = [first, ...more].map(fitCell);
    const fitted = fitCycle({ cycle, cells, profile, bpm: bpm(cycle.tempo.usual), k: 1 });
    const chain = fitted.infeasible ? undefined : fitted.answers[0]?.steps;
    const turn = chain ? fitScript({ cells }, chain) : first;
    return [{ way, script: turn.script, stepsPerCount: turn.stepsPerCount }];
  });
}
