import type { Cell } from '../catalogue/index.js';
import { type DataFault, dataFault, quoted } from '../fault/index.js';
import { flatten } from './flatten.js';
import type { ScriptFault } from './model.js';
import { parseScript } from './parse.js';

export const LONGEST_CELL = 400;
/** A cell that the player made. */
export interface OwnCell extends Cell {
  readonly id: string;
}

export type CellFaultCode = 'nameless cell' | 'can’t be read' | 'cell without stroke';
/** Every fault of a cell: it is named, and its script is read without one. */
export function checkCell(cell: Cell): DataFault[] {
  const faults: DataFault[] = [];
  if (!cell.name.trim()) faults.push(dataFault<CellFaultCode>('name', 'nameless cell'));
  const reading = parseScript(cell.script, { stepsPerCount: cell.stepsPerCount });
  for (const f of reading.faults)
    faults.push(dataFault<CellFaultCode>('script', 'can’t be read', quoted(cell.script.slice(f.from, f.to))));
  if (reading.faults.length === 0 && flatten(reading.pattern).events.length === 0)
    faults.push(dataFault<CellFaultCode>('script', 'cell without stroke'));
  return faults;
}

/** Everything wrong with a cell: its script told by its faults, the rest as facts. */
export interface CellFaults {
  readonly facts: readonly DataFault[];
  readonly script: readonly ScriptFault[];
}
/**
 * The faults of a cell as they are told: where its script can't be read, by the script's own faults.
 * @example cellFaults({ name: '', script: 'iu_', stepsPerCount: 2, family: 'flamenco', note: '' }).facts.map((f) => f.path) // ['name']
 */
export function cellFaults(cell: Cell): CellFaults {
  const { faults: script } = parseScript(cell.script, cell);
  return { facts: checkCell(cell).filter((f) => f.path !== 'script' || script.length === 0), script };
}
