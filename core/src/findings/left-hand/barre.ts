import { bpm } from '../../time/index.js';
import { finding, type FindingOf, type GraveMatter, placeIn } from '../model.js';

/** A barre held for less than this share of what the hand can is nothing to think of. */
const WORTH_SAYING = 0.2;

/** How long the barre that asks most is held; null where that is nothing to think of. */
export function barre(m: GraveMatter): FindingOf<'barre'> | null {
  const [most] = m.barres;
  if (!most || (most.ms !== null && most.ms < most.staminaMs * WORTH_SAYING)) return null;
  const { names, strings, ms, staminaMs } = most;
  const over = ms === null || ms > staminaMs;
  return finding('barre', over ? 'watch' : 'plain', placeIn(m), {
    ...{ names, strings, ms, staminaMs, over },
    bpm: bpm(m.section.bpm),
  });
}
