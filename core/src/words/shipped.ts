import { type Cell, CELLS, COMP_FIGURES, cycleById, type ShippedCell, type UsualFigure } from '../catalogue/index.js';
import type { AccentCycle } from '../cycle/index.js';

/**
 * The shipped cycle that a section's copy was made of, where the copy still has its texts; null where the player's own
 * stand, which are then shown as they are.
 * @example shippedCycle({ ...cycleById('tangos'), name: 'My own' }) // null
 */
export function shippedCycle(cycle: Pick<AccentCycle, 'id' | 'name' | 'school' | 'note'>): AccentCycle | null {
  const shipped = cycleById(cycle.id);
  const same = shipped?.name === cycle.name && shipped.school === cycle.school && shipped.note === cycle.note;
  return same ? shipped : null;
}
/** The shipped cell of this name, or null where it is the player's own. */
export const shippedCell = ({ name }: Pick<Cell, 'name'>): ShippedCell | null =>
  CELLS.find((c) => c.name === name) ?? null;
/** The shipped figure of accompaniment with this id, or null. */
export const shippedFigure = ({ id }: Pick<UsualFigure, 'id'>): UsualFigure | null =>
  COMP_FIGURES.find((f) => f.id === id) ?? null;
