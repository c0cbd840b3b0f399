import { pitchName } from '../../instrument/index.js';
import type { RankedKey } from '../../solve/rank-keys/index.js';

/** “a whole tone up, capo 2: A2 to E5”. */
export function sayKey({ transposed, capo, lowest, highest }: RankedKey): string {
  const way =
    transposed === 0
      ? 'As it stands'
      : `${Math.abs(transposed)} semitone${Math.abs(transposed) === 1 ? '' : 's'} ${transposed > 0 ? 'up' : 'down'}`;
  const range = lowest === null || highest === null ? '' : `: ${pitchName(lowest)} to ${pitchName(highest)}`;
  return `${way}, ${capo === 0 ? 'no capo' : `capo ${capo}`}${range}`;
}
