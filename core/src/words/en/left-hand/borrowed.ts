import type { AccentCycle } from '../../../cycle/index.js';
import type { Borrowed } from '../../../score/index.js';
import { placeInTurn } from '../../how-much.js';
import { byNumber, sentence } from '../numbers.js';
import { sayStrings } from './tones.js';

/**
 * Where a finger has gone for a note, what sounds open meanwhile, and by when it has to be back, as a clause.
 * @example borrowedClause({ finger: 1, to: { string: 1, fret: 1 }, from: [2], free: 2520, due: null }, cycleById('tangos')) // 'finger 1 leaves string 2 for string 1 fret 1. No stroke needs it back before the chord ends'
 */
export function borrowedClause({ finger, to, from, due }: Borrowed, cycle: AccentCycle): string {
  const strings = sayStrings(from);
  const leaves = `finger ${finger} leaves ${strings} for string ${to.string} fret ${to.fret}`;
  if (due === null) return `${leaves}. No stroke needs it back before the chord ends`;
  const { label, turn } = placeInTurn(cycle, due);
  const by = byNumber(turn, label, `${label} in turn ${turn}`);
  return `${leaves}; ${strings} ${byNumber(from.length, 'is', 'are')} open until it is back, by ${by}`;
}
/**
 * The same as a sentence.
 * @example sayBorrowed({ finger: 1, to: { string: 1, fret: 1 }, from: [2], free: 2520, due: 5040 }, cycleById('tangos')) // 'Finger 1 leaves string 2 for string 1 fret 1; string 2 is open until it is back, by 2.'
 */
export const sayBorrowed = (borrowed: Borrowed, cycle: AccentCycle): string =>
  sentence(borrowedClause(borrowed, cycle));
