import { type Cell, CELLS } from '../../catalogue/index.js';
import { type AccentCycle, cycleLength } from '../../cycle/index.js';
import type { HandProfile } from '../../player/index.js';
import { flatten, parseScript } from '../../script/index.js';
import { bpm, type Ticks } from '../../time/index.js';
import { fitCycle } from './fit-cycle.js';
import { fitCell, fitScript } from './script.js';

/** Cells that go together to begin with; each set is one way to begin. */
interface StartingSet {
  readonly name: string;
  /** In a line: how it feels. */
  readonly note: string;
  readonly cells: readonly Cell[];
}
const flamenco = (name: string, note: string, ...cells: string[]): StartingSet => ({
  name,
  note,
  cells: CELLS.filter((c) => c.family === 'flamenco' && cells.includes(c.name)),
});
const FLAMENCO_SETS: readonly StartingSet[] = [
  flamenco(
    'Rolls that land on the accents',
    'Flicks of three, four and five with the index between them.',
    ...['Index down and up', 'Three down', 'Four down', 'Five', 'Three and back'],
  ),
  flamenco('Index alone', 'Down and up with one finger.', 'Index down and up'),
  flamenco('Alzapúa', 'The thumb alone: through the strings, back, one string.', 'Alzapúa in three'),
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
  return inOrder.slice(0, WAYS).map((c) => ({ name: c.name, note: c.note, cells: [c] }));
}

/** A whole turn to begin from. */
export interface StartingPoint {
  readonly name: string;
  readonly note: string;
  readonly script: string;
  readonly stepsPerCount: number;
}
/**
 * Three ways to begin on a cycle, each fitted to its accents at its usual tempo by this hand; a cell that does not fill
 * the turn stands as it is.
 * @example startingPoints(cycleById('buleria'), DEFAULT_PROFILE).length // 3
 */
export function startingPoints(cycle: AccentCycle, profile: HandProfile): StartingPoint[] {
  return startingSets(cycle).flatMap(({ name, note, cells: [first, ...more] }) => {
    if (!first) return [];
    const cells = [first, ...more].map(fitCell);
    const fitted = fitCycle({ cycle, cells, profile, bpm: bpm(cycle.tempo.usual), k: 1 });
    const chain = fitted.infeasible ? undefined : fitted.answers[0]?.steps;
    const turn = chain ? fitScript({ cells }, chain) : first;
    return [{ name, note, script: turn.script, stepsPerCount: turn.stepsPerCount }];
  });
}
