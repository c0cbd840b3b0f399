import type { Cell } from '../catalogue/index.js';
import { type DataFault, quoted } from '../fault/index.js';
import { flatten } from './flatten.js';
import { parseScript } from './parse.js';

export const LONGEST_CELL = 400;
/** A cell that the player made. */
export interface OwnCell extends Cell {
  readonly id: string;
}

/** Every fault of a cell: it is named, and its script is read without one. */
export function checkCell(cell: Cell): DataFault[] {
  const faults: DataFault[] = [];
  if (!cell.name.trim()) faults.push({ path: 'name', message: 'A cell has a name.' });
  const reading = parseScript(cell.script, { stepsPerCount: cell.stepsPerCount });
  for (const f of reading.faults)
    faults.push({ path: 'script', message: `${quoted(cell.script.slice(f.from, f.to))} can’t be read.` });
  if (reading.faults.length === 0 && flatten(reading.pattern).events.length === 0)
    faults.push({ path: 'script', message: 'A cell has at least one stroke, e.g. id iu' });
  return faults;
}
