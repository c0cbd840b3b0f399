import { fretsText } from '../../../left-hand/index.js';
import type { FretFacts, Placed } from '../../../solve/fret-line/index.js';
import { perString } from '../../../time/index.js';
import { isOpen } from '../../how-much.js';
import { byNumber, listed } from '../numbers.js';

export interface FretReason {
  /** Fret under the first finger. */
  readonly position: number;
  /** What makes this event dear: a stretch, a move that comes late, a finger that jumps. */
  readonly faults: readonly string[];
  /** All of it in one sentence. */
  readonly text: string;
}
/** Why the fingers of one event stand there, in a sentence. @param index from 0 */
export function sayFretting(facts: FretFacts, index: number): FretReason {
  const { placed, chord, ringing, position, moves, shift } = facts;
  const parts = [chord === null ? placed.map(sayPlaced).join(' with ') : `${chord} as ${fretsOf(placed)}`];
  const faults: string[] = [];
  if (ringing.length) parts.push(`${listed(ringing.map(sayPlaced))} ${byNumber(ringing.length, 'rings', 'ring')} on`);
  for (const { finger, how } of moves) {
    if (how === 'hinges') parts.push(`finger ${finger} works as a hinge`);
    else if (how === 'rolls over') parts.push(`finger ${finger} rolls over to the next string`);
    else faults.push(`finger ${finger} jumps from string to string`);
  }
  if (shift) {
    parts.push(
      `${shift.guided ? 'along a guide finger ' : ''}from position ${shift.from} to ${position}, ${shift.mm} mm`,
    );
    if (shift.late) faults.push(`late: ${shift.thereMs} ms there, about ${shift.neededMs} needed`);
  } else if (placed.some((p) => p.finger)) parts.push(`in position ${position}`);
  if (facts.barre) parts.push('a barre is held');
  if (facts.stretched) faults.push('a stretch beyond ease');
  if (facts.crossed) faults.push('fingers cross');
  return { position, faults, text: `Note ${index + 1}: ${[...parts, ...faults].join(', ')}.` };
}

const fretsOf = (placed: readonly Placed[]): string =>
  fretsText({ frets: perString((string) => placed.find((p) => p.string === string)?.fret ?? null) });
const sayPlaced = (place: Placed): string =>
  isOpen(place) ? `string ${place.string} open` : `finger ${place.finger} on string ${place.string} fret ${place.fret}`;
