import type { StringNumber } from '../../time/index.js';

/** rest = down, lands on the next string · up = only as the answer to a rest stroke · whip = down that leaps off. */
export type PlectrumStroke = 'rest' | 'up' | 'whip';

/**
 * Plectrum strokes for single notes by string. Every change of string begins with a down stroke; on one
 * string rest and up alternate; a down stroke before a thicker string is a whip, for a rest stroke would
 * land the wrong way. So one note a string is a sweep of rests going up in pitch, whips going down.
 * @param strings string of each note, in playing order
 * @example plectrumStrokes([3, 3, 2]) // ['rest', 'up', 'rest']
 */
export function plectrumStrokes(strings: readonly StringNumber[]): PlectrumStroke[] {
  const strokes: PlectrumStroke[] = [];
  let onThisString = 0;
  strings.forEach((string, i) => {
    onThisString = i > 0 && strings[i - 1] === string ? onThisString + 1 : 0;
    const next = strings[i + 1];
    const before = strings[i - 1];
    // The last note of a line goes on as the line went.
    const toThicker =
      next === undefined ? onThisString === 0 && before !== undefined && before < string : next > string;
    if (onThisString % 2 === 1) strokes.push('up');
    else strokes.push(toThicker ? 'whip' : 'rest');
  });
  return strokes;
}
