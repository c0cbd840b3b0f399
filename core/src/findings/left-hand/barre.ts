import { bpm } from '../../time/index.js';
import { finding, type FindingMatter, type FindingOf } from '../model.js';

/** A barre held for less than this share of what the hand can is nothing to think of. */
const WORTH_SAYING = 0.2;

/** How long the barre that asks most is held; null where that is nothing to think of. */
export function barre({ barres, section }: FindingMatter): FindingOf<'barre'> | null {
  const [most] = barres;
  if (!most || (most.ms !== null && most.ms < most.staminaMs * WORTH_SAYING)) return null;
  const { names, strings, ms, staminaMs } = most;
  const over = ms === null || ms > staminaMs;
  return finding('barre', over ? 'watch' : 'plain', { names, strings, ms, staminaMs, bpm: bpm(section.bpm), over });
}
