import type { RightHandMove } from '../../right-hand/index.js';
import { listed } from './numbers.js';

/** Where thumb, fingers and strums go with a new chord: one sentence that names no hand, or none. */
export function rightHandMoves({ thumb, fingers, strum }: RightHandMove): string[] {
  const moves = [
    ...(thumb ? [`the thumb goes from string ${thumb.from} to ${thumb.to}`] : []),
    ...(fingers ? [`the fingers go from ${fingers.from.join(' ')} to ${fingers.to.join(' ')}`] : []),
    ...(strum && !thumb ? [`strums begin on string ${strum.to}, not ${strum.from}`] : []),
  ];
  return moves.length ? [`${listed(moves)}.`] : [];
}
/** What the script does not follow of a new chord, in sentences. */
export function rightHandMisses({ leftOut, offBass }: RightHandMove): string[] {
  if (leftOut.length)
    return [
      `The script strikes string ${listed(leftOut.map(String))}, which this chord leaves out: it stays dead there.`,
    ];
  if (!offBass) return [];
  return [`The script keeps the thumb on string ${offBass.struck}; this chord’s bass is on ${offBass.bass}.`];
}
/** What a new chord asks of the right hand, in sentences; empty when the right hand stays. */
export const sayRightHand = (move: RightHandMove): string[] => [
  ...rightHandMoves(move).map((moves) => `The right hand moves: ${moves}`),
  ...rightHandMisses(move),
];
