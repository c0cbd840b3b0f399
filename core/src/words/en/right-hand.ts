import type { RightHandMove } from '../../right-hand/index.js';
import { listed } from './strokes.js';

/** What a new chord asks of the right hand, in sentences; empty when the right hand stays. */
export function sayRightHand({ thumb, fingers, strum, leftOut, offBass }: RightHandMove): string[] {
  const lines: string[] = [];
  const moves = [
    ...(thumb ? [`the thumb goes from string ${thumb.from} to ${thumb.to}`] : []),
    ...(fingers ? [`the fingers go from ${fingers.from.join(' ')} to ${fingers.to.join(' ')}`] : []),
    ...(strum && !thumb ? [`strums begin on string ${strum.to}, not ${strum.from}`] : []),
  ];
  if (moves.length) lines.push(`The right hand moves: ${listed(moves)}.`);
  if (leftOut.length)
    lines.push(
      `The script strikes string ${listed(leftOut.map(String))}, which this chord leaves out. Write p:b and ima:t, and the hand follows the chord.`,
    );
  else if (offBass)
    lines.push(
      `The script keeps the thumb on string ${offBass.struck}; this chord’s bass is on ${offBass.bass}. Write p:b, and the thumb follows it.`,
    );
  return lines;
}
