import { pitchName } from '../../../instrument/index.js';
import { isBelow, isNone } from '../../how-much.js';
import type { RankedKey } from '../../../solve/rank-keys/index.js';
import { plural } from '../numbers.js';

/** “a whole tone up, capo 2: A2 to E5”. */
export function sayKey({ transposed, capo, lowest, highest }: RankedKey): string {
  const way = isNone(transposed)
    ? 'As it stands'
    : `${plural(Math.abs(transposed), 'semitone')} ${isBelow(transposed) ? 'down' : 'up'}`;
  const range = lowest === null || highest === null ? '' : `: ${pitchName(lowest)} to ${pitchName(highest)}`;
  return `${way}, ${isNone(capo) ? 'no capo' : `capo ${capo}`}${range}`;
}
