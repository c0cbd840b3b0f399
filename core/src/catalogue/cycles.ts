import type { AccentCycle, Family } from '../cycle/index.js';
import { BOSSA_CYCLES } from './cycles-bossa-nova.js';
import { FLAMENCO_CYCLES } from './cycles-flamenco.js';
import { PLAIN_CYCLES } from './cycles-plain.js';
import { TANGO_CYCLES } from './cycles-tango.js';

/** The shipped accent cycles, every variant an entry of its own; cycles of one name are schools of one form. */
export const CYCLES: readonly AccentCycle[] = [...FLAMENCO_CYCLES, ...TANGO_CYCLES, ...BOSSA_CYCLES, ...PLAIN_CYCLES];

export const cycleById = (id: string): AccentCycle | undefined => CYCLES.find((c) => c.id === id);

/** Cycles of a family, variants gathered under the name they share, in shipping order. */
export function cyclesByName(
  cycles: readonly AccentCycle[],
  family: Family,
): { name: string; variants: AccentCycle[] }[] {
  const named = new Map<string, AccentCycle[]>();
  for (const c of cycles) if (c.family === family) named.set(c.name, [...(named.get(c.name) ?? []), c]);
  return [...named].map(([name, variants]) => ({ name, variants }));
}
