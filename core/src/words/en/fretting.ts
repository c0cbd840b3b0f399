import { fretsText } from '../../left-hand/index.js';
import type { Ask } from '../../player/index.js';
import { fretFacts, type FretFacts, type FretLineRequest, type Placed } from '../../solve/fret-line/index.js';
import { perString } from '../../time/index.js';

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
  if (ringing.length) parts.push(`${ringing.map(sayPlaced).join(' and ')} ring${ringing.length > 1 ? '' : 's'} on`);
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
  } else if (placed.some((p) => p.finger !== 0)) parts.push(`in position ${position}`);
  if (facts.barre) parts.push('a barre is held');
  if (facts.stretched) faults.push('a stretch beyond ease');
  if (facts.crossed) faults.push('fingers cross');
  return { position, faults, text: `Note ${index + 1}: ${[...parts, ...faults].join(', ')}.` };
}
/** The same for every event of a fretted line. */
export const explainFretting = (ask: Ask<FretLineRequest>, steps: readonly (readonly Placed[])[]): FretReason[] =>
  fretFacts(ask, steps).map(sayFretting);

const fretsOf = (placed: readonly Placed[]): string =>
  fretsText({ frets: perString((string) => placed.find((p) => p.string === string)?.fret ?? null) });
const sayPlaced = ({ string, fret, finger }: Placed): string =>
  fret === 0 ? `string ${string} open` : `finger ${finger} on string ${string} fret ${fret}`;
