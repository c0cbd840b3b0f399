import { type AccentCycle, cycleLength, placeLabel } from '../../cycle/index.js';
import type { Borrowed } from '../../score/index.js';
import { sayStrings } from './tones.js';

/** A place of a score as it is counted: “3 &” in its turn. */
const placeIn = (cycle: AccentCycle, at: number): string => {
  const label = placeLabel(cycle, at % cycleLength(cycle));
  const turn = Math.floor(at / cycleLength(cycle));
  return turn === 0 ? label : `${label} in turn ${turn + 1}`;
};

/**
 * Where a finger has gone for a note, what sounds open meanwhile, and by when it has to be back.
 * @example sayBorrowed({ finger: 1, to: { string: 1, fret: 1 }, from: [2], free: 2520, due: 5040 }, cycleById('tangos')) // 'Finger 1 leaves string 2 for string 1 fret 1; string 2 is open until it is back, by 2.'
 */
export function sayBorrowed({ finger, to, from, due }: Borrowed, cycle: AccentCycle): string {
  const strings = sayStrings(from);
  const are = from.length > 1 ? 'are' : 'is';
  const back =
    due === null
      ? 'No stroke needs it back before the chord ends'
      : `${strings} ${are} open until it is back, by ${placeIn(cycle, due)}`;
  return due === null
    ? `Finger ${finger} leaves ${strings} for string ${to.string} fret ${to.fret}. ${back}.`
    : `Finger ${finger} leaves ${strings} for string ${to.string} fret ${to.fret}; ${back}.`;
}
