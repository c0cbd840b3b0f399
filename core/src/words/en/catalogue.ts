import type { Cell, UsualFigure } from '../../catalogue/index.js';
import type { AccentCycle, Family } from '../../cycle/index.js';
import { shippedCell, shippedCycle, shippedFigure } from '../shipped.js';

/** What a cycle, cell or figure is called, and a line on it. */
export interface SaidEntry {
  readonly name: string;
  readonly note: string;
}
/** A cycle's name, its school where schools differ, and what is felt in it. */
export interface SaidCycle extends SaidEntry {
  readonly school: string;
}
const FAMILY: Record<Family, string> = {
  flamenco: 'flamenco',
  tango: 'tango',
  'bossa nova': 'bossa nova',
  plain: 'plain',
};
/** @example sayFamily('plain') // 'plain' */
export const sayFamily = (family: Family): string => FAMILY[family];
/**
 * A cycle as it is called: a shipped one by its id, a player's own as it was named.
 * @example sayCycle(cycleById('marcato-two')).school // 'in 2'
 */
export function sayCycle(cycle: Pick<AccentCycle, 'id' | 'name' | 'school' | 'note'>): SaidCycle {
  const { name, school = '', note = '' } = shippedCycle(cycle) ?? cycle;
  return { name, school, note };
}
/**
 * A cell as it is called, shipped or own.
 * @example sayCell({ name: 'Fan', note: '' }).note // 'The forearm turns: a triplet.'
 */
export function sayCell(cell: Pick<Cell, 'name' | 'note'>): SaidEntry {
  const { name, note } = shippedCell(cell) ?? cell;
  return { name, note };
}
/** A figure of accompaniment as it is called. */
export function sayFigure(figure: Pick<UsualFigure, 'id' | 'name' | 'note'>): SaidEntry {
  const { name, note } = shippedFigure(figure) ?? figure;
  return { name, note };
}
